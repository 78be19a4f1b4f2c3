import { dimensionOf, type Dimension } from './units.ts';

/** Why an entry could not be taken; `readings` holds both meanings of an ambiguous one. */
export interface UnreadQuantity {
  readonly ok: false;
  readonly code: 'empty' | 'unreadable' | 'unknown-unit' | 'ambiguous';
  readonly message: string;
  readonly readings?: readonly { readonly text: string; readonly value: number; readonly unit: string }[];
}

/** What to type, for who mistyped. */
export const EXAMPLES: Readonly<Record<Dimension, string>> = {
  mass: '58 kg, 12 lb or 60 ± 10 kg',
  length: '400 mm, 2 5/8" or 5 ft 3 in',
  force: '411 N or 25 lbf',
  torque: '1.5 N·m, 8 in·lb or 25 kg·cm',
  speed: '0.8 m/s, 3 km/h or 2 mph',
  acceleration: '0.5 m/s²',
  rotation: '120 rpm',
  angle: '9°, 8 % or 1:18',
  voltage: '24 V',
  current: '40 A',
  resistance: '25 mΩ',
  power: '250 W',
  energy: '480 Wh',
  charge: '20 Ah',
  time: '25 min or 1 h 20 min',
  'line-pull': '14 N/mm or 80 lbf/in',
  stress: '60 MPa, 9 kpsi',
  temperature: '20 °C or 68 °F',
  area: '0.4 m²',
  ratio: '9 : 1 or 1:9',
  number: '62.50',
  coefficient: '0.08',
  share: '80 % or 0.8',
};

/** What could not be read, and why. */
export const fail = (code: UnreadQuantity['code'], message: string): UnreadQuantity => ({
  ok: false,
  code,
  message,
});

/** Text that is no quantity of its kind, with what would be one. */
export const unreadable = (text: string, dimension: Dimension): UnreadQuantity =>
  fail('unreadable', `"${text}" cannot be read as ${article(dimension)}. Try ${EXAMPLES[dimension]}.`);

/** A kind of quantity with its article: "a mass", "an angle". */
export const article = (dimension: Dimension): string => {
  const { title } = dimensionOf(dimension);
  return `${/^[aeiou]/.test(title) ? 'an' : 'a'} ${title}`;
};
