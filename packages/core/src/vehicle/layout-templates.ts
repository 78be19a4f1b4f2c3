import { assumed } from '../quantity/index.ts';
import { linkage, axle, fixedWheels, mm, steered, twoDriven, type LayoutTemplate } from './layout-fill.ts';

export type { LayoutTemplate } from './layout-fill.ts';

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
    title: 'Four steered and driven modules',
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
      steering: linkage(),
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

/**
 * A layout to start from; undefined where there is none of that id.
 *
 * @example layoutTemplate('tracked')?.title // 'Tracks'
 */
export const layoutTemplate = (id: string): LayoutTemplate | undefined =>
  LAYOUT_TEMPLATES.find((template) => template.id === id);
