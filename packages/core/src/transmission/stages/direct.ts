import { z } from 'zod';
import { MINUTE_S } from '../../quantity/index.ts';
import { efficiency, stageCommon } from './fields.ts';
import { share } from './fresh-sizes.ts';
import type { StageMember } from './member.ts';

const schema = z.strictObject({ ...stageCommon, kind: z.literal('direct'), efficiency });
export type Direct = z.output<typeof schema>;

/** One shaft joined to the next, or the wheel on the motor's own. */
export const direct = {
  schema,
  title: 'Direct',
  school: {
    good: 'Nothing to align, nothing to lose.',
    bad: 'The motor must be slow and strong by itself, and its shaft carries the wheel.',
  },
  usualPlayDeg: 0,
  hubs: ['Coupling', undefined],
  joinsShafts: true,
  fresh: (id) => ({ id, kind: 'direct', efficiency: share(1) }),
  figures: (stage) => ({ ratio: 1, efficiency: stage.efficiency.value, warnings: [] }),
  work: {
    parts: () => [{ id: 'coupling', name: 'Coupling or hub', count: 1 }],
    before: () => [
      {
        id: 'couple',
        title: 'Join the shafts',
        detail: 'In line: a rigid coupling on shafts that are not breaks one of them.',
        handsOnS: 30 * MINUTE_S,
        parts: ['coupling'],
      },
    ],
    after: () => [],
  },
} as const satisfies StageMember<Direct>;
