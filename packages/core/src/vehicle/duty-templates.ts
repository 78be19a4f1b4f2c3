import { degreesToRadians, assumed } from '../quantity/index.ts';
import type { Build } from './document.ts';
import type { Duty } from './duty.ts';
import { layoutKind, type Layout } from './layout/index.ts';
import { newDuty } from './new-build.ts';

/** A kind of job to add; its numbers wait for the builder's own. */
export interface DutyTemplate {
  readonly id: string;
  readonly title: string;
  /** Only where the layout can do it. */
  readonly fits?: (layout: Layout) => boolean;
  readonly part: (build: Build) => Partial<Duty>;
}

const degrees = (n: number) => assumed(degreesToRadians(n), '°');
const none = assumed(0, '%');

/** Small vehicles are asked for small things: this long a wheel radius, metres. */
const radiusOf = ({ layout }: Build): number => (layout.axles[0]?.diameter.value ?? 0.2) / 2;

export const DUTY_TEMPLATES: readonly DutyTemplate[] = [
  { id: 'cruise', title: 'Cruise', part: () => ({}) },
  {
    id: 'up-loaded',
    title: 'Up the slip, loaded',
    part: () => ({
      grade: degrees(8),
      speed: assumed(0.6, 'm/s'),
      duration: assumed(180, 'min'),
      mayRunHot: true,
    }),
  },
  {
    id: 'get-away',
    title: 'Get up to speed',
    part: () => ({
      upToSpeed: { kind: 'distance', distance: assumed(2, 'm') },
      duration: assumed(30, 's'),
      mayRunHot: true,
    }),
  },
  {
    id: 'down-loaded',
    title: 'Come down loaded',
    part: () => ({ grade: degrees(-8), speed: assumed(0.6, 'm/s'), duration: assumed(180, 'min') }),
  },
  {
    id: 'turn-on-the-spot',
    title: 'Turn on the spot',
    fits: ({ kind }) => layoutKind(kind).onTheSpot,
    part: () => ({ turn: { kind: 'on-the-spot' }, speed: assumed(0.3, 'm/s'), duration: assumed(60, 's') }),
  },
  {
    id: 'round-a-bend',
    title: 'Round a bend',
    fits: ({ kind }) => layoutKind(kind).turning !== 'none',
    part: () => ({ turn: { kind: 'radius', radius: assumed(2, 'm') }, duration: assumed(120, 'min') }),
  },
  {
    id: 'fast-turn',
    title: 'Fast turn',
    fits: ({ kind }) => layoutKind(kind).turning !== 'none',
    part: () => ({
      turn: { kind: 'radius', radius: assumed(3, 'm') },
      speed: assumed(3, 'm/s'),
      duration: assumed(30, 's'),
    }),
  },
  {
    id: 'over-a-kerb',
    title: 'Over a kerb',
    fits: ({ kind }) => !layoutKind(kind).onRails,
    part: (build) => ({
      step: assumed(Number((radiusOf(build) * 0.3).toPrecision(2)), 'mm'),
      speed: assumed(0.2, 'm/s'),
      duration: assumed(20, 's'),
      mayRunHot: true,
    }),
  },
  { id: 'pull', title: 'Pull', part: () => ({ drawbar: assumed(150, 'N'), speed: assumed(0.5, 'm/s') }) },
  {
    id: 'tow',
    title: 'Tow a trailer',
    part: () => ({
      towed: { mass: assumed(60, 'kg'), rolling: assumed(0.05, '') },
      speed: assumed(0.8, 'm/s'),
    }),
  },
  { id: 'creep', title: 'Creep', part: () => ({ speed: assumed(0.02, 'mm/s') }) },
  {
    id: 'hold',
    title: 'Hold on the slope',
    part: () => ({ task: 'hold', grade: degrees(8), speed: assumed(0, 'm/s'), duration: assumed(60, 's') }),
  },
  {
    id: 'stop',
    title: 'Stop on the way down',
    part: () => ({
      task: 'stop',
      grade: degrees(-5),
      speed: assumed(1.2, 'm/s'),
      stopWithin: assumed(1.5, 'm'),
      duration: assumed(10, 's'),
    }),
  },
  {
    id: 'across',
    title: 'Across the slope',
    fits: ({ kind }) => !layoutKind(kind).onRails,
    part: () => ({ sideSlope: degrees(10), speed: assumed(0.8, 'm/s') }),
  },
  {
    id: 'catch-a-lean',
    title: 'Catch a lean',
    fits: ({ kind }) => layoutKind(kind).balances,
    part: () => ({
      lean: degrees(10),
      speed: assumed(0.5, 'm/s'),
      duration: assumed(5, 's'),
      mayRunHot: true,
    }),
  },
  {
    id: 'route',
    title: 'A route there and back',
    part: () => ({ extent: { kind: 'route', length: assumed(50, 'm'), times: 10 } }),
  },
  {
    id: 'area',
    title: 'Cover a patch',
    part: ({ body }) => ({
      extent: {
        kind: 'area',
        area: assumed(100, 'm²'),
        width: { ...body.width, origin: 'assumed' },
        overlap: { ...none, value: 0.1 },
      },
      speed: assumed(0.5, 'm/s'),
    }),
  },
];

/** The templates that a build's layout can do. */
export const dutyTemplatesFor = ({ layout }: Build): DutyTemplate[] =>
  DUTY_TEMPLATES.filter(({ fits }) => fits?.(layout) ?? true);

/** A duty of that kind, on the build's first ground. */
export const dutyFrom = (build: Build, template: DutyTemplate, id: string): Duty => ({
  ...newDuty(id, template.title, build.grounds[0]?.id ?? ''),
  ...template.part(build),
});
