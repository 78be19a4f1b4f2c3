import { figure, sentence } from '../../quantity/index.ts';
import { z } from 'zod';
import { sumOf } from '../../contract/index.ts';
import { shaftTorsion } from '../shaft-torsion.ts';
import { sizeOf } from '../stages/work.ts';
import { STEEL_SHEAR, allowableShear, common, length, ofMPa, toMPa, toMm } from './common.ts';
import type { Face, PathMember } from './member.ts';

const schema = z.strictObject({
  ...common,
  kind: z.literal('shaft'),
  diameter: length('Diameter', 'At its thinnest'),
  length: length('Length', 'That twists').optional(),
  keyWidth: length('Keyway', 'Width of its keyway').optional(),
  allowable: allowableShear,
});
type Shaft = z.output<typeof schema>;

/** Steel: Shigley, table A-5 (from memory), GPa. */
const SHEAR_MODULUS = 79.3;

/** Shafts are sold in whole millimetres, thin ones in halves: metres. */
const upToStock = (metres: number): number => {
  const step = metres < 0.004 ? 0.0005 : 0.001;
  return Number((Math.ceil(metres / step - 1e-9) * step).toPrecision(6));
};

/** A shaft between two parts. */
export const shaft = {
  schema,
  title: 'Shaft',
  all: 'All shafts',
  faces({ diameter, keyWidth }) {
    const face: Face = { kind: 'shaft', diameter, ...(keyWidth ? { keyWidth } : {}) };
    return { before: face, behind: face };
  },
  holds: (element, torqueNm) =>
    sumOf(
      shaftTorsion,
      {
        diameterMm: toMm(element.diameter),
        torqueNm,
        allowableShearMPa: toMPa(element.allowable),
        ...(element.length ? { lengthMm: toMm(element.length) } : {}),
        shearModulusGPa: SHEAR_MODULUS,
      },
      'factor',
    ),
  fresh: ({ bore, ...own }) => ({ ...own, kind: 'shaft', diameter: bore, allowable: ofMPa(STEEL_SHEAR) }),
  stronger: (element) =>
    [1.2, 1.5].map((by) => {
      const value = upToStock(element.diameter.value * by);
      return {
        text: sentence`a shaft of ${figure(value, 'length')}, its hubs bored to it`,
        element: { ...element, diameter: { ...element.diameter, value, origin: 'typed' } },
      };
    }),
  part: ({ name, diameter }) => ({ name: `${name}, Ø ${sizeOf(diameter)}`, count: 1 }),
} as const satisfies PathMember<Shaft>;
