import type { StagePart } from '../transmission/index.ts';
import { FORM_TITLES, wheelsOf, type Axle, type Layout } from '../vehicle/index.ts';
import { show } from '../quantity/index.ts';

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

const sizeOf = ({ value, unit }: Axle['diameter']): string =>
  show(value, 'length', 'as-typed', { typedUnit: unit }).text;

/** The line of the parts list that an axle is; the driven wheels and the castors keep the ids they have always had. */
export function standingId({ axles }: Layout, { id, form, driven }: Axle): string {
  const usual = driven ? 'driven-wheel' : form === 'castor' ? 'castor' : undefined;
  const first = axles.find((a) => (driven ? a.driven : a.form === form && !a.driven));
  return usual && first?.id === id ? usual : `standing.${id}`;
}

/** What each axle stands on, and a winch's drum. */
export function standingParts(layout: Layout): StagePart[] {
  const drum = layout.drum
    ? [{ id: 'drum', name: `Drum, ${sizeOf(layout.drum)}, and its rope`, count: 1 }]
    : [];
  return [
    ...[...layout.axles]
      .sort((a, b) => Number(b.driven) - Number(a.driven))
      .map((axle) => ({
        id: standingId(layout, axle),
        name:
          axle.form === 'castor'
            ? 'Castor'
            : `${capital(FORM_TITLES[axle.form])}, ${sizeOf(axle.contactLength ?? axle.diameter)}`,
        count: wheelsOf(axle),
      })),
    ...drum,
  ];
}
