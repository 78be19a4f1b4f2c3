/** How choices are called where their names in a file are not what people say. */
const TITLES: Readonly<Record<string, string>> = {
  brushless: 'brushless, with its controller',
  servo: 'servo, from stop to stop',
  'servo-continuous': 'servo that turns on and on',
  'series-wound': 'series-wound (starter, power tool)',
  '': 'not said',
  yes: 'yes',
  no: 'no',
  new: 'new',
  salvaged: 'salvaged',
  made: 'made',
  unsaid: 'not said',
  lipo: 'lithium polymer',
  'li-ion': 'lithium ion',
  lifepo4: 'lithium iron phosphate',
  nimh: 'nickel metal hydride',
  'lead-acid': 'lead acid',
  alkaline: 'alkaline',
};
/** Choices of a part, as they are called. */
export const options = <T extends string>(values: readonly T[]) =>
  values.map((value) => ({ value, title: TITLES[value] ?? value }));
