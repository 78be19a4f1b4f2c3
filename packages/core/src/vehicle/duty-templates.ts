import { degreesToRadians, assumed } from '../quantity/index.ts';
import type { Build } from './document.ts';
import type { Duty } from './duty.ts';
import { layoutKind, wheelbaseOf, type Layout } from './layout/index.ts';
import { newDuty } from './new-build.ts';
import type { Push } from './push.ts';
import { rounded, scaleOf, usual, type Scale } from './scale.ts';
import { towedRolling } from './towed.ts';

/** What a new build asks of a job beside that it does it. */
export type JobFigure =
  | 'payload'
  | 'grade'
  | 'speed'
  | 'drawbar'
  | 'step'
  | 'lean'
  | 'pushed'
  | 'bladeWidth'
  | 'bladeHeap';

/** A kind of job to add; its numbers are scaled from the vehicle and wait for the builder's own. */
export interface DutyTemplate {
  readonly id: string;
  readonly title: string;
  /** As a new build asks for it: “it …”. Not asked at the start where this is left away. */
  readonly start?: string;
  readonly asks?: readonly JobFigure[];
  /** Only where the layout can do it. */
  readonly fits?: (layout: Layout) => boolean;
  readonly part: (build: Build, scale: Scale) => Partial<Duty>;
}

const degrees = (n: number) => assumed(degreesToRadians(n), '°');
const none = assumed(0, '%');
const minutes = (n: number) => assumed(n * 60, 'min');
const seconds = (n: number) => assumed(n, 's');

/** Speed as a share of the usual pace. */
const pace = (scale: Scale, share = 1) => {
  const mps = rounded(usual.paceMps(scale) * share);
  return assumed(mps, mps < 0.1 ? 'mm/s' : 'm/s');
};

const driving = (layout: Layout): boolean => !layoutKind(layout.kind).rollsInside;

/**
 * A blade in front of all wheels, its push a third up the heap.
 *
 * @example usualPush(puffin).kind // 'heap'
 */
export function usualPush(build: Build, scale: Scale = scaleOf(build)): Push {
  const heapM = usual.heapM(scale);
  const frontM = wheelbaseOf(build.layout) + scale.wheelM * 0.7;
  return {
    kind: 'heap',
    what: 'wet-snow',
    width: assumed(usual.bladeM(scale), 'mm'),
    heap: assumed(heapM, 'mm'),
    height: assumed(rounded(heapM / 3), 'mm'),
    ahead: assumed(rounded(frontM), 'mm'),
    load: assumed(0, 'N'),
  };
}

/** Jobs to begin with. */
export const DUTY_TEMPLATES: readonly DutyTemplate[] = [
  {
    id: 'cruise',
    title: 'Cruise',
    start: 'drives along',
    asks: ['speed'],
    fits: driving,
    part: () => ({}),
  },
  {
    id: 'roll',
    title: 'Roll along',
    start: 'rolls',
    asks: ['speed'],
    fits: ({ kind }) => layoutKind(kind).rollsInside,
    part: () => ({}),
  },
  {
    id: 'climb',
    title: 'Up a ramp',
    start: 'climbs',
    asks: ['grade', 'speed'],
    part: (_, scale) => ({
      grade: degrees(8),
      speed: pace(scale, 0.6),
      duration: minutes(3),
      mayRunHot: true,
    }),
  },
  {
    id: 'carry',
    title: 'Carry a load',
    start: 'carries a load',
    asks: ['payload', 'speed'],
    part: () => ({}),
  },
  {
    id: 'pull',
    title: 'Pull',
    start: 'pulls',
    asks: ['drawbar', 'speed'],
    part: (_, scale) => ({ drawbar: assumed(usual.pullN(scale), 'N'), speed: pace(scale, 0.5) }),
  },
  {
    id: 'push',
    title: 'Push a blade',
    start: 'pushes a blade',
    asks: ['pushed', 'bladeWidth', 'bladeHeap', 'speed'],
    fits: (layout) => driving(layout) && !layoutKind(layout.kind).balances && !layoutKind(layout.kind).leans,
    part: (build, scale) => ({ push: usualPush(build, scale), speed: pace(scale, 0.6) }),
  },
  {
    id: 'tow',
    title: 'Tow a trailer',
    part: (build, scale) => ({
      towed: {
        mass: assumed(usual.towedKg(scale), 'kg'),
        rolling: towedRolling(build, build.grounds[0]?.id),
      },
      speed: pace(scale, 0.8),
    }),
  },
  {
    id: 'creep',
    title: 'Creep',
    start: 'creeps',
    asks: ['speed'],
    part: (_, scale) => ({ speed: pace(scale, 0.03) }),
  },
  {
    id: 'turn-on-the-spot',
    title: 'Turn on the spot',
    start: 'turns on the spot',
    fits: ({ kind }) => layoutKind(kind).onTheSpot,
    part: (_, scale) => ({ turn: { kind: 'on-the-spot' }, speed: pace(scale, 0.3), duration: seconds(60) }),
  },
  {
    id: 'over-a-kerb',
    title: 'Over a kerb',
    start: 'goes over a step',
    asks: ['step'],
    fits: ({ kind }) => !layoutKind(kind).onRails,
    part: (_, scale) => ({
      step: assumed(usual.stepM(scale), 'mm'),
      speed: pace(scale, 0.2),
      duration: seconds(20),
      mayRunHot: true,
    }),
  },
  {
    id: 'catch-a-lean',
    title: 'Catch a lean',
    start: 'keeps its balance',
    asks: ['lean'],
    fits: ({ kind }) => layoutKind(kind).balances,
    part: (_, scale) => ({
      lean: degrees(10),
      speed: pace(scale, 0.5),
      duration: seconds(5),
      mayRunHot: true,
    }),
  },
  {
    id: 'get-away',
    title: 'Get up to speed',
    part: (_, scale) => ({
      upToSpeed: { kind: 'distance', distance: assumed(usual.upToSpeedM(scale), 'm') },
      duration: seconds(30),
      mayRunHot: true,
    }),
  },
  {
    id: 'down-loaded',
    title: 'Down a ramp',
    part: (_, scale) => ({ grade: degrees(-8), speed: pace(scale, 0.6), duration: minutes(3) }),
  },
  {
    id: 'round-a-bend',
    title: 'Round a bend',
    fits: ({ kind }) => layoutKind(kind).turning !== 'none',
    part: (_, scale) => ({
      turn: { kind: 'radius', radius: assumed(usual.bendM(scale), 'm') },
      duration: minutes(2),
    }),
  },
  {
    id: 'fast-turn',
    title: 'Fast turn',
    fits: ({ kind }) => layoutKind(kind).turning !== 'none',
    part: (_, scale) => ({
      turn: { kind: 'radius', radius: assumed(usual.fastBendM(scale), 'm') },
      speed: pace(scale, 2),
      duration: seconds(30),
    }),
  },
  {
    id: 'hold',
    title: 'Hold on the slope',
    part: () => ({ task: 'hold', grade: degrees(8), speed: assumed(0, 'm/s'), duration: seconds(60) }),
  },
  {
    id: 'stop',
    title: 'Stop on the way down',
    part: (_, scale) => ({
      task: 'stop',
      grade: degrees(-5),
      stopWithin: assumed(usual.stopM(scale), 'm'),
      duration: seconds(10),
    }),
  },
  {
    id: 'across',
    title: 'Across the slope',
    fits: ({ kind }) => !layoutKind(kind).onRails,
    part: (_, scale) => ({ sideSlope: degrees(10), speed: pace(scale, 0.8) }),
  },
  {
    id: 'route',
    title: 'A route there and back',
    part: (_, scale) => ({ extent: { kind: 'route', length: assumed(usual.routeM(scale), 'm'), times: 10 } }),
  },
  {
    id: 'area',
    title: 'Cover a patch',
    part: ({ body }, scale) => ({
      extent: {
        kind: 'area',
        area: assumed(usual.areaM2(scale), 'm²'),
        width: { ...body.width, origin: 'assumed' },
        overlap: { ...none, value: 0.1 },
      },
      speed: pace(scale, 0.5),
    }),
  },
];

/** A job to begin with; undefined where there is none of that id. */
export const dutyTemplate = (id: string): DutyTemplate | undefined =>
  DUTY_TEMPLATES.find((template) => template.id === id);

/**
 * The templates that a build's layout can do.
 *
 * @example dutyTemplatesFor(puffin).map(({ id }) => id) // ['cruise', 'climb', 'carry', 'pull', …]
 */
export const dutyTemplatesFor = ({ layout }: Build): DutyTemplate[] =>
  DUTY_TEMPLATES.filter(({ fits }) => fits?.(layout) ?? true);

/**
 * A duty of that kind, on the build's first ground, at the pace of a vehicle of its size.
 *
 * @example dutyFrom(puffin, dutyTemplatesFor(puffin)[0], 'job').name // 'Cruise'
 */
export function dutyFrom(build: Build, template: DutyTemplate, id: string): Duty {
  const scale = scaleOf(build);
  return {
    ...newDuty(id, template.title, build.grounds[0]?.id ?? ''),
    speed: pace(scale),
    ...template.part(build, scale),
  };
}
