import type { Driveline } from '../drive/index.ts';
import type { LinkId, LinkReport } from '../judge/index.ts';
import type { Build } from '../vehicle/index.ts';
import type { Stated, Working } from './working.ts';

/** A margin whose sides are opened, in its build. */
export interface OpenedMargin {
  readonly build: Build;
  readonly link: LinkReport;
  readonly line: Driveline;
}

/** How the two sides of a margin are worked out. */
export interface MarginSides {
  readonly needs: (asked: OpenedMargin) => Working | undefined;
  readonly has: (asked: OpenedMargin) => Working | undefined;
}

/** A figure of a part, as its data sheet has it. */
export const ofPart = (
  part: { readonly name: string } | undefined,
  dimension: Stated['dimension'],
  value: number,
  what: string,
): Stated | undefined => part && { value, dimension, origin: 'shelf', where: `${part.name}: ${what}` };

/** A figure of a drive that works or steers, worked out with the motor's own law. */
export const atWork = (value: number, dimension: Stated['dimension'], where: string): Stated => ({
  value,
  dimension,
  origin: 'worked',
  where,
});

const flowSides = (needs: string, has: string): MarginSides => ({
  needs: ({ link }) => atWork(link.needs, 'current', needs),
  has: ({ link }) => atWork(link.has, 'current', has),
});

const workSides = (dimension: Stated['dimension'], asked: string): MarginSides => ({
  needs: ({ link }) => atWork(link.needs, dimension, asked),
  has: ({ link }) =>
    atWork(link.has, dimension, 'full command through ratio and losses, with the sag of the battery'),
});

/** Both sides of the links of drives that work or steer, and of the supply beside the motors. */
export const BESIDE_SIDES = {
  'work-torque': workSides('torque', 'what the load or the work asks at the end of the drive'),
  'work-speed': workSides('rotation', 'the way and its time, or what is asked of the work'),
  'steer-speed': workSides('rotation', 'the way from lock to lock, over its time'),
  travel: {
    needs: ({ link }) => atWork(link.needs, 'angle', 'the way at the end, times the ratio of the stages'),
    has: ({ line: { motor }, link }) => ofPart(motor, 'angle', link.has, 'its way from stop to stop'),
  },
  cable: flowSides('what is drawn over the worst ten minutes', 'what its copper carries, single in free air'),
  leads: flowSides(
    'what a motor draws over the worst ten minutes',
    'what their copper carries, single in free air',
  ),
  fuse: flowSides(
    'a quarter over the hardest job, and half of a start at full command',
    'Power, the main fuse',
  ),
  'fuse-wire': flowSides('the main fuse', 'what the cable carries, single in free air'),
  'main-switch': flowSides('the hardest job', 'Power, the main switch'),
  rail: flowSides('what its loads draw at their most', 'Power, small supplies'),
  'charge-plug': flowSides('Power, the charger', 'Power, the charging plug'),
  charge: {
    needs: ({ link }) => atWork(link.needs, 'time', 'the charge of an outing, at the charger’s current'),
    has: ({ link }) => atWork(link.has, 'time', 'Power, the charger'),
  },
} as const satisfies Partial<Record<LinkId, MarginSides>>;
