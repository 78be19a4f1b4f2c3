import { degreesToRadians, assumed } from '../quantity/index.ts';
import type { Build } from './document.ts';
import type { Duty } from './duty.ts';
import { LAYOUT_TEMPLATES, layoutTemplate } from './layout-templates.ts';
import { newBuild, newDuty, newGround } from './new-build.ts';
import { withLayout } from './with-layout.ts';

/** A vehicle to start from. Every number in it is assumed and waits for the builder's own. */
export interface Template {
  readonly id: string;
  readonly title: string;
  readonly sentence: string;
  readonly make: (name: string) => Build;
}

const MINUTE_S = 60;

interface DutySketch {
  readonly name: string;
  readonly grade?: number;
  readonly mps: number;
  readonly minutes: number;
  readonly payload?: number;
  readonly drawbarN?: number;
}

const duty = (id: string, groundId: string, sketch: DutySketch): Duty => ({
  ...newDuty(id, sketch.name, groundId),
  grade: assumed(degreesToRadians(sketch.grade ?? 0), '°'),
  speed: assumed(sketch.mps, 'm/s'),
  payloadShare: assumed(sketch.payload ?? 1, '%'),
  drawbar: assumed(sketch.drawbarN ?? 0, 'N'),
  duration: assumed(sketch.minutes * MINUTE_S, 'min'),
});

interface Sketch {
  readonly purpose: string;
  readonly wheelbaseM: number;
  readonly trackM: number;
  readonly wheelM: number;
  readonly ownKg: number;
  readonly payloadKg: number;
  readonly ground: { readonly name: string; readonly rolling: number; readonly friction: number };
  readonly duties: readonly DutySketch[];
}

/** Masses sit a third of the wheelbase ahead of the rear axle, own at wheel height, payload above it. */
function fromSketch(name: string, sketch: Sketch): Build {
  const build = newBuild(name);
  const ahead = assumed(sketch.wheelbaseM / 3, 'mm');
  const left = assumed(0, 'mm');
  const ground = {
    ...newGround('ground-1', sketch.ground.name),
    rolling: assumed(sketch.ground.rolling, ''),
    freeRolling: assumed(sketch.ground.rolling, ''),
    friction: assumed(sketch.ground.friction, ''),
    across: assumed(sketch.ground.friction, ''),
  };
  return {
    ...build,
    purpose: sketch.purpose,
    layout: {
      ...build.layout,
      axles: build.layout.axles.map((axle) => ({
        ...axle,
        ahead: assumed(axle.driven ? 0 : sketch.wheelbaseM, 'mm'),
        track: assumed(sketch.trackM * (axle.driven ? 1 : 0.7), 'mm'),
        diameter: assumed(sketch.wheelM * (axle.driven ? 1 : 0.5), 'mm'),
        width: assumed(sketch.wheelM * (axle.driven ? 0.2 : 0.1), 'mm'),
      })),
    },
    body: {
      length: assumed(sketch.wheelbaseM * 1.3, 'mm'),
      width: assumed(sketch.trackM * 1.1, 'mm'),
      height: assumed(sketch.wheelM * 1.4, 'mm'),
      clearance: assumed(sketch.wheelM / 4, 'mm'),
    },
    hitch: {
      behind: assumed(sketch.wheelbaseM * 0.15, 'mm'),
      height: assumed(sketch.wheelM / 2, 'mm'),
      load: assumed(0, 'N'),
    },
    masses: {
      own: {
        mass: assumed(sketch.ownKg, 'kg'),
        aheadOfRearAxle: ahead,
        left,
        height: assumed(sketch.wheelM, 'mm'),
      },
      payload: {
        mass: assumed(sketch.payloadKg, 'kg'),
        aheadOfRearAxle: ahead,
        left,
        height: assumed(sketch.wheelM * 1.5, 'mm'),
      },
      others: [],
    },
    grounds: [ground],
    duties: sketch.duties.map((d, n) => duty(`duty-${n + 1}`, 'ground-1', d)),
  };
}

/** Grounds: rolling and grip of common tyres (Wong, Gillespie, from memory). */
const SKETCHED: readonly Template[] = [
  {
    id: 'blank',
    title: 'Blank',
    sentence: 'Two driven wheels and castors, a level duty and a ramp.',
    make: newBuild,
  },
  {
    id: 'barrow',
    title: 'Load barrow',
    sentence: 'Walked beside, heavy up a ramp and empty back.',
    make: (name) =>
      fromSketch(name, {
        purpose: 'Carries a load up a ramp, walked beside.',
        wheelbaseM: 0.7,
        trackM: 0.6,
        wheelM: 0.4,
        ownKg: 45,
        payloadKg: 80,
        ground: { name: 'Paving', rolling: 0.03, friction: 0.6 },
        duties: [
          { name: 'Ramp, loaded', grade: 7, mps: 0.8, minutes: 4 },
          { name: 'Level, loaded', mps: 1.3, minutes: 20 },
          { name: 'Level, empty', mps: 1.5, minutes: 20, payload: 0 },
        ],
      }),
  },
  {
    id: 'classroom-cart',
    title: 'Classroom cart',
    sentence: 'A kilo or two on a smooth floor, driven straight and turned.',
    make: (name) =>
      onLayout(
        'two-slider',
        fromSketch(name, {
          purpose: 'Drives measured distances on a smooth floor.',
          wheelbaseM: 0.12,
          trackM: 0.14,
          wheelM: 0.065,
          ownKg: 1.2,
          payloadKg: 0.3,
          ground: { name: 'Smooth floor', rolling: 0.02, friction: 0.6 },
          duties: [
            { name: 'Straight run', mps: 0.3, minutes: 10 },
            { name: 'Up a board', grade: 5, mps: 0.15, minutes: 2 },
          ],
        }),
      ),
  },
  {
    id: 'yard-tug',
    title: 'Yard tug',
    sentence: 'Pulls a trailer slowly and carries little itself.',
    make: (name) =>
      fromSketch(name, {
        purpose: 'Pulls a trailer about the yard.',
        wheelbaseM: 0.9,
        trackM: 0.7,
        wheelM: 0.36,
        ownKg: 90,
        payloadKg: 20,
        ground: { name: 'Rolled gravel', rolling: 0.04, friction: 0.55 },
        duties: [
          { name: 'Tow, level', mps: 0.8, minutes: 30, drawbarN: 120 },
          { name: 'Tow, up a ramp', grade: 3, mps: 0.5, minutes: 5, drawbarN: 250 },
        ],
      }),
  },
];

/** Vehicles of the shed, and each layout by itself. */
export const TEMPLATES: readonly Template[] = [
  ...SKETCHED,
  ...LAYOUT_TEMPLATES.map(({ id, title, sentence }): Template => ({
    id,
    title,
    sentence,
    make: (name) => onLayout(id, newBuild(name)),
  })),
];

function onLayout(layoutId: string, build: Build): Build {
  const template = layoutTemplate(layoutId);
  return template ? withLayout(build, template) : build;
}

/** A new build from a template; the blank one where there is no such template. */
export const buildFrom = (templateId: string, name: string): Build =>
  (TEMPLATES.find((template) => template.id === templateId)?.make ?? newBuild)(name);
