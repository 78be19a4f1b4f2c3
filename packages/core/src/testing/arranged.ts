/** A barrow with boxes placed in it, for the tests of this room. */
import { readFileSync } from 'node:fs';
import { typed } from '../quantity/index.ts';
import { buildSchema, type Arrangement, type Build, type Face, type PlacedPart } from '../vehicle/index.ts';
import { layoutReport, type LayoutMove, type MoveTo } from '../layout/index.ts';

export const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);
/** A length, m. */
export const m = (value: number) => typed(value, 'mm');

interface Made extends Partial<Omit<PlacedPart, 'mass' | 'turn'>> {
  readonly id: string;
  readonly at: readonly [number, number, number];
  readonly sides: readonly [number, number, number];
  readonly kg?: number;
  readonly turnRad?: number;
}
/** A part by its middle and its sides. */
export function part({ id, at, sides, kg = 0, turnRad = 0, ...others }: Made): PlacedPart {
  return {
    id,
    name: id,
    form: 'box',
    length: m(sides[0]),
    width: m(sides[1]),
    height: m(sides[2]),
    aheadOfRearAxle: m(at[0]),
    left: m(at[1]),
    above: m(at[2]),
    mass: typed(kg, 'kg'),
    turn: typed(turnRad, '°'),
    faces: [],
    ...others,
  };
}
/** A face that wants room. */
export const face = (side: Face['side'], room: number, kind: Face['kind'] = 'lid'): Face => ({
  id: `${kind}-${side}`,
  kind,
  side,
  room: m(room),
});
const rest = { aheadOfRearAxle: m(0.4), left: m(0), height: m(0.3) };
/** The barrow with these parts in it. */
export const arranged = (parts: readonly PlacedPart[], others: Partial<Arrangement> = {}): Build => ({
  ...puffin,
  arrangement: { clearance: m(0.003), rest, parts, zones: [], ...others },
});
/** What is told of one part. */
export const reported = (build: Build, id: string) => layoutReport(build).parts.find((one) => one.id === id);
/** A move that takes a part elsewhere. */
export function asPlace(move: LayoutMove | undefined): MoveTo {
  if (!move || !('partId' in move)) throw new Error('no move that takes a part elsewhere');
  return move;
}
