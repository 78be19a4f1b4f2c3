import { z } from 'zod';
import { assumed, quantity, scaled, type Quantity, figure, sentence } from '../../quantity/index.ts';
import { sizeOf } from '../stages/work.ts';
import { common, length } from './common.ts';
import type { PathMember } from './member.ts';

const schema = z.strictObject({
  ...common,
  kind: z.literal('coupling'),
  bore: length('Bore before', 'Bore on the side of the motor'),
  otherBore: length('Bore behind', 'Bore on the side of the wheel'),
  ratedTorque: quantity('torque', { above: 0 }, 'Rated torque', 'As its maker says'),
});
type Coupling = z.output<typeof schema>;

/** Torque that a small coupling of a bore is usually rated for, N·m: 10 at 12 mm, by the cube (common practice, no source). */
const usualTorque = ({ value }: Quantity): number => Number((10 * (value / 0.012) ** 3).toPrecision(2));

/** A coupling between two shaft ends. */
export const coupling = {
  schema,
  title: 'Coupling',
  all: 'All couplings',
  faces: (element) => ({
    before: { kind: 'bore', diameter: element.bore },
    behind: { kind: 'bore', diameter: element.otherBore },
  }),
  holds: ({ ratedTorque }) => ({ rated: ratedTorque }),
  fresh: (own) => ({
    ...own,
    kind: 'coupling',
    otherBore: own.bore,
    ratedTorque: assumed(usualTorque(own.bore), 'N·m'),
  }),
  stronger: (element) =>
    [1.5, 2].map((by) => ({
      text: sentence`a coupling for ${figure(element.ratedTorque.value * by, 'torque')}`,
      element: { ...element, ratedTorque: scaled(element.ratedTorque, by) },
    })),
  fitted: (element, _, { before, behind }) => ({
    text: `“${element.name}” with bores of the size of its shafts`,
    element: {
      ...element,
      ...(before ? { bore: { ...element.bore, value: before.value } } : {}),
      ...(behind ? { otherBore: { ...element.otherBore, value: behind.value } } : {}),
    },
  }),
  part: (element) => ({
    name: `${element.name}, ${sizeOf(element.bore)} to ${sizeOf(element.otherBore)}`,
    count: 1,
  }),
} as const satisfies PathMember<Coupling>;
