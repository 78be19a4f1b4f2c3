import { assumed } from '../quantity/index.ts';
import { wheelLoads } from '../ground/index.ts';
import type { Build, InnerDrive, PlacedMass, Steering } from './document.ts';
import {
  contactsOf,
  drivenDiameter,
  layoutKind,
  trackOf,
  wheelbaseOf,
  type Axle,
  type DrivenTogether,
  type Layout,
} from './layout/index.ts';

/** Measures that a layout is filled with, metres. */
interface Size {
  readonly wheelbaseM: number;
  readonly trackM: number;
  readonly wheelM: number;
}

interface Filled {
  readonly layout: Layout;
  readonly together: DrivenTogether;
  readonly differential?: Build['drive']['differential'];
  readonly steering?: Steering;
  readonly innerDrive?: InnerDrive;
}

/** A layout to start from: it fills the axles, and every number of it is assumed. */
export interface LayoutTemplate {
  readonly id: string;
  readonly title: string;
  readonly sentence: string;
  readonly fill: (size: Size) => Filled;
}

const mm = (metres: number) => assumed(metres, 'mm');

type AxleSketch = Pick<Axle, 'id' | 'name'> &
  Partial<Pick<Axle, 'form' | 'tyre' | 'driven' | 'steered' | 'braked'>> & {
    readonly ahead: number;
    readonly track: number;
    readonly diameter: number;
    readonly contactLength?: number;
    readonly width?: number;
  };

const axle = ({ ahead, track, diameter, width, contactLength, ...sketch }: AxleSketch): Axle => ({
  form: 'wheel',
  tyre: 'pneumatic',
  driven: false,
  steered: false,
  braked: false,
  ...sketch,
  ahead: mm(ahead),
  track: mm(track),
  diameter: mm(diameter),
  width: mm(width ?? diameter / 5),
  ...(contactLength === undefined ? {} : { contactLength: mm(contactLength) }),
});

const actuator = (): Steering => ({
  actuatorTorque: assumed(2, 'N·m'),
  linkageRatio: assumed(1, ': 1'),
  kingpinOffset: mm(0.02),
  lockToLock: assumed((60 * Math.PI) / 180, '°'),
  knowsPosition: true,
});

/** Two driven wheels behind and something free in front. */
const twoDriven = (
  id: string,
  title: string,
  sentence: string,
  free: (size: Size) => Omit<AxleSketch, 'id' | 'ahead'>,
): LayoutTemplate => ({
  id,
  title,
  sentence,
  fill: (size) => ({
    layout: {
      kind: 'two-driven',
      axles: [
        axle({
          id: 'driven',
          name: 'Driven wheels',
          ahead: 0,
          track: size.trackM,
          diameter: size.wheelM,
          driven: true,
        }),
        axle({ id: 'free', ahead: size.wheelbaseM, ...free(size) }),
      ],
    },
    together: 'wheel',
  }),
});

/** Fixed wheels on both sides, all driven. */
const fixedWheels = (id: string, title: string, axles: number): LayoutTemplate => ({
  id,
  title,
  sentence: `${axles * 2} fixed wheels, all driven: it turns by dragging them sideways.`,
  fill: ({ wheelbaseM, trackM, wheelM }) => ({
    layout: {
      kind: 'skid',
      axles: Array.from({ length: axles }, (_, n) =>
        axle({
          id: `axle-${n + 1}`,
          name: n === 0 ? 'Rear wheels' : n === axles - 1 ? 'Front wheels' : 'Middle wheels',
          ahead: (wheelbaseM * n) / (axles - 1),
          track: trackM,
          diameter: wheelM,
          driven: true,
        }),
      ),
    },
    together: 'side',
  }),
});

interface SteeredSketch {
  readonly driven: 'rear' | 'front' | 'all';
  readonly singleFront?: boolean;
  readonly differential?: Build['drive']['differential'];
}

const steered = (
  id: string,
  title: string,
  sentence: string,
  { driven, singleFront = false, differential = 'open' }: SteeredSketch,
): LayoutTemplate => ({
  id,
  title,
  sentence,
  fill: ({ wheelbaseM, trackM, wheelM }) => ({
    layout: {
      kind: 'steered',
      axles: [
        axle({
          id: 'rear',
          name: 'Rear axle',
          ahead: 0,
          track: trackM,
          diameter: wheelM,
          driven: driven !== 'front',
          braked: true,
        }),
        axle({
          id: 'front',
          name: singleFront ? 'Front wheel' : 'Front axle',
          ahead: wheelbaseM,
          track: singleFront ? 0 : trackM,
          diameter: wheelM,
          driven: driven !== 'rear',
          steered: true,
          braked: true,
        }),
      ],
    },
    together: driven === 'all' ? 'all' : 'axle',
    differential,
    steering: actuator(),
  }),
});

/** Every layout that a build may start from, the common ones first. */
export const LAYOUT_TEMPLATES: readonly LayoutTemplate[] = [
  twoDriven('two-castors', 'Two driven wheels and castors', 'Turns on the spot; castors follow.', (size) => ({
    name: 'Castors',
    form: 'castor',
    tyre: 'solid-rubber',
    track: size.trackM * 0.7,
    diameter: size.wheelM * 0.5,
  })),
  twoDriven(
    'two-omni',
    'Two driven wheels and omni wheels',
    'Turns on the spot without swinging castors.',
    (size) => ({
      name: 'Omni wheels',
      form: 'omni',
      tyre: 'hard-plastic',
      track: size.trackM,
      diameter: size.wheelM,
    }),
  ),
  twoDriven(
    'two-slider',
    'Two driven wheels and a slider',
    'A classroom robot: one slider in the middle.',
    (size) => ({
      name: 'Slider',
      form: 'slider',
      tyre: 'hard-plastic',
      track: 0,
      diameter: size.wheelM * 0.3,
    }),
  ),
  steered(
    'three-wheels',
    'Three wheels, one steered in front',
    'A driven rear axle and a single front wheel.',
    {
      driven: 'rear',
      singleFront: true,
    },
  ),
  fixedWheels('four-skid', 'Four fixed wheels', 2),
  fixedWheels('six-skid', 'Six fixed wheels', 3),
  {
    id: 'tracked',
    title: 'Tracks',
    sentence: 'Two tracks; each side its own sprocket.',
    fill: ({ wheelbaseM, trackM, wheelM }) => ({
      layout: {
        kind: 'tracked',
        axles: [
          axle({
            id: 'tracks',
            name: 'Tracks',
            form: 'track',
            tyre: 'rubber-track',
            ahead: 0,
            track: trackM,
            diameter: wheelM * 0.5,
            width: trackM / 5,
            contactLength: wheelbaseM,
            driven: true,
            braked: true,
          }),
        ],
      },
      together: 'side',
    }),
  },
  steered(
    'rear-drive',
    'Rear axle driven, steered in front',
    'One motor on a rear axle with a differential.',
    {
      driven: 'rear',
    },
  ),
  steered(
    'rear-locked',
    'Live rear axle, steered in front',
    'Both rear wheels on one axle, no differential.',
    {
      driven: 'rear',
      differential: 'locked',
    },
  ),
  steered('front-drive', 'Front axle driven and steered', 'One motor on the front axle.', {
    driven: 'front',
  }),
  steered('all-drive', 'All wheels driven, steered in front', 'One motor for both axles.', { driven: 'all' }),
  {
    id: 'scooter',
    title: 'Two wheels in line',
    sentence: 'A scooter: the rider keeps it up, the rear wheel drives.',
    fill: ({ wheelbaseM, wheelM }) => ({
      layout: {
        kind: 'single-track',
        axles: [
          axle({
            id: 'rear',
            name: 'Rear wheel',
            ahead: 0,
            track: 0,
            diameter: wheelM,
            driven: true,
            braked: true,
          }),
          axle({
            id: 'front',
            name: 'Front wheel',
            ahead: wheelbaseM,
            track: 0,
            diameter: wheelM,
            steered: true,
            braked: true,
          }),
        ],
      },
      together: 'wheel',
    }),
  },
  {
    id: 'balancer',
    title: 'Two-wheeled balancer',
    sentence: 'Stands on two wheels side by side; its controller keeps it up.',
    fill: ({ trackM, wheelM }) => ({
      layout: {
        kind: 'balancer',
        axles: [
          axle({ id: 'wheels', name: 'Wheels', ahead: 0, track: trackM, diameter: wheelM, driven: true }),
        ],
      },
      together: 'wheel',
    }),
  },
  {
    id: 'modules',
    title: 'Four modules, each steered and driven',
    sentence: 'Every wheel turns any way: sideways and on the spot too.',
    fill: ({ wheelbaseM, trackM, wheelM }) => ({
      layout: {
        kind: 'modules',
        axles: ['rear', 'front'].map((id, n) =>
          axle({
            id,
            name: n === 0 ? 'Rear modules' : 'Front modules',
            tyre: 'solid-rubber',
            ahead: wheelbaseM * n,
            track: trackM,
            diameter: wheelM,
            driven: true,
            steered: true,
          }),
        ),
      },
      together: 'wheel',
      steering: actuator(),
    }),
  },
  {
    id: 'rail-dolly',
    title: 'Dolly on a rail',
    sentence: 'Rollers on a rail or two tubes; one carriage drives.',
    fill: ({ wheelbaseM, trackM, wheelM }) => ({
      layout: {
        kind: 'rail-dolly',
        axles: ['rear', 'front'].map((id, n) =>
          axle({
            id,
            name: n === 0 ? 'Driven carriage' : 'Following carriage',
            form: 'roller',
            tyre: 'hard-plastic',
            ahead: wheelbaseM * n,
            track: trackM,
            diameter: wheelM,
            driven: n === 0,
          }),
        ),
      },
      together: 'axle',
      differential: 'locked',
    }),
  },
  {
    id: 'tug',
    title: 'Tug with a hitch',
    sentence: 'Two driven wheels behind under the weight, castors in front; what it tows hangs at its hitch.',
    fill: ({ wheelbaseM, trackM, wheelM }) => ({
      layout: {
        kind: 'two-driven',
        axles: [
          axle({
            id: 'driven',
            name: 'Driven wheels',
            ahead: 0,
            track: trackM,
            diameter: wheelM,
            driven: true,
            braked: true,
          }),
          axle({
            id: 'free',
            name: 'Castors',
            form: 'castor',
            tyre: 'solid-rubber',
            ahead: wheelbaseM,
            track: trackM * 0.7,
            diameter: wheelM * 0.5,
          }),
        ],
      },
      together: 'wheel',
    }),
  },
  {
    id: 'winch',
    title: 'Winch and sledge',
    sentence: 'A drum pulls a load on a rope; the wheels are those of the load.',
    fill: ({ wheelbaseM, trackM, wheelM }) => ({
      layout: {
        kind: 'winch',
        axles: [
          axle({ id: 'rear', name: 'Rear wheels', ahead: 0, track: trackM, diameter: wheelM }),
          axle({ id: 'front', name: 'Front wheels', ahead: wheelbaseM, track: trackM, diameter: wheelM }),
        ],
        drum: mm(wheelM / 4),
      },
      together: 'all',
    }),
  },
  {
    id: 'sphere',
    title: 'Sphere with an inner drive',
    sentence: 'A mass that climbs inside a shell rolls it along.',
    fill: ({ trackM }) => ({
      layout: {
        kind: 'sphere',
        axles: [
          axle({
            id: 'shell',
            name: 'Shell',
            form: 'shell',
            tyre: 'hard-plastic',
            ahead: 0,
            track: 0,
            diameter: trackM,
            width: trackM / 10,
            driven: true,
          }),
        ],
      },
      together: 'all',
      innerDrive: { mass: assumed(2, 'kg'), offset: mm(trackM / 4), shellMass: assumed(1, 'kg') },
    }),
  },
];

export const layoutTemplate = (id: string): LayoutTemplate | undefined =>
  LAYOUT_TEMPLATES.find((template) => template.id === id);

const LEAST_M = 0.02;

/** Measures of a build as it stands, for the layout that comes after it. */
function sizeOf({ layout, body }: Build): Size {
  const trackM = trackOf(layout).value || body.width.value * 0.8;
  const wheelM =
    layout.kind === 'winch' ? (layout.axles[0]?.diameter.value ?? trackM / 2) : drivenDiameter(layout).value;
  return {
    trackM: Math.max(LEAST_M, trackM),
    wheelbaseM: Math.max(LEAST_M, wheelbaseOf(layout) || trackM * 1.2),
    wheelM: Math.max(LEAST_M, layout.kind === 'sphere' ? trackM / 3 : Math.min(wheelM, trackM)),
  };
}

/** How far a mass may stand from the middle of what carries it, as a share: well inside. */
const INSIDE = 0.5;

/** A mass kept over what it stands on: moved only where the new layout would fall over with it. */
function keptOver<M extends PlacedMass>(mass: M, layout: Layout): M {
  const ahead = contactsOf(layout).map(({ aheadM }) => aheadM);
  const [least, most] = [Math.min(...ahead), Math.max(...ahead)];
  const middle = (least + most) / 2;
  const reach = ((most - least) / 2) * INSIDE;
  const value = Math.min(middle + reach, Math.max(middle - reach, mass.aheadOfRearAxle.value));
  if (value === mass.aheadOfRearAxle.value) return mass;
  return { ...mass, aheadOfRearAxle: { ...mass.aheadOfRearAxle, value, origin: 'assumed' } };
}

/** Whether the masses as they lie stand on a layout. */
function standsOn(build: Build, layout: Layout): boolean {
  const { own, payload, others } = build.masses;
  const all = [own, payload, ...others];
  const massKg = all.reduce((sum, m) => sum + m.mass.value, 0);
  const middle = (of: 'aheadOfRearAxle' | 'left'): number =>
    all.reduce((sum, m) => sum + m.mass.value * m[of].value, 0) / massKg;
  return wheelLoads.run({
    massKg,
    cgAheadOfRearAxleM: middle('aheadOfRearAxle'),
    cgLeftM: middle('left'),
    cgHeightM: 0,
    contacts: contactsOf(layout).map(({ axle: { driven }, aheadM, leftM }) => ({ aheadM, leftM, driven })),
    gradeDeg: 0,
    sideSlopeDeg: 0,
    accelerationMps2: 0,
    cornerMps2: 0,
    drawbarN: 0,
    hitchHeightM: 0,
    hitchVerticalN: 0,
    hitchBehindRearAxleM: 0,
    balanced: layoutKind(layout.kind).balanced === 'across' ? 'across' : 'none',
  }).stands;
}

/**
 * The build on another layout, filled from its own measures. Masses stay where they are as long as the vehicle stands
 * with them; else they come over its middle.
 */
export function withLayout(build: Build, template: LayoutTemplate): Build {
  const { layout, together, differential, steering, innerDrive } = template.fill(sizeOf(build));
  const { own, payload, others } = build.masses;
  const keep = <M extends PlacedMass>(mass: M): M =>
    standsOn(build, layout) ? mass : keptOver(mass, layout);
  const { steering: _steering, innerDrive: _inner, ...rest } = build;
  return {
    ...rest,
    layout,
    ...(steering ? { steering: build.steering ?? steering } : {}),
    ...(innerDrive ? { innerDrive: build.innerDrive ?? innerDrive } : {}),
    drive: { ...build.drive, together, differential: differential ?? 'open' },
    masses: { own: keep(own), payload: keep(payload), others: others.map(keep) },
  };
}
