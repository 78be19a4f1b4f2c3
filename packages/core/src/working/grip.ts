import { radiansToDegrees } from '../quantity/index.ts';
import {
  LEAST_MASS,
  accelerationOf,
  cornerOf,
  footingOf,
  groundOf,
  massOf,
  stanceOf,
  wheelLoadInput,
  type Footing,
  meanFigure,
} from '../demand/index.ts';
import { innerDriveInput } from '../drive/index.ts';
import { axleLoads, gripForce, innerDrive, wheelLoads } from '../ground/index.ts';
import { layoutKind, asTwoAxles, type Build, type Duty } from '../vehicle/index.ts';
import { accelerationInput, bladeInputs, drawbarInput, innerWorking, massWorking } from './demand.ts';
import { atBrief, figureInput } from './ground-inputs.ts';
import { calculated, fixed, from, readFor, worked, type Calculation, type WorkingInput } from './working.ts';

/** Whether the lever between two axles says all of the loads: level across, straight on, nothing off the middle. */
const isPlain = (build: Build, duty: Duty, footing: Footing): boolean =>
  asTwoAxles(build.layout) !== undefined &&
  footing.cgLeftM === 0 &&
  (duty.sideSlope?.value ?? 0) === 0 &&
  cornerOf(duty) === 0 &&
  duty.push === undefined &&
  footing.stands;

/** What the calculation of axle loads takes of a duty. */
export const axleLoadInput = (build: Build, duty: Duty) => {
  const { massKg, cgAheadOfRearAxleM, cgHeightM } = massOf(build, duty);
  return {
    massKg: Math.max(massKg, LEAST_MASS),
    cgAheadOfRearAxleM,
    cgHeightM,
    wheelbaseM: asTwoAxles(build.layout)?.front.ahead.value ?? 1,
    gradeDeg: radiansToDegrees(duty.grade.value),
    accelerationMps2: accelerationOf(duty),
    drawbarN: stanceOf(build, duty).drawbarN,
    hitchHeightM: build.hitch.height.value,
    hitchVerticalN: duty.towed ? build.hitch.load.value : 0,
    hitchBehindRearAxleM: build.hitch.behind.value,
  };
};

const hitchInputs = (build: Build, duty: Duty): WorkingInput[] => [
  drawbarInput(build, duty),
  from('hitchHeightM', build.hitch.height, 'Brief, hitch'),
  duty.towed
    ? from('hitchVerticalN', build.hitch.load, 'Brief, hitch')
    : fixed('hitchVerticalN', 'nothing presses on the hitch'),
  from('hitchBehindRearAxleM', build.hitch.behind, 'Brief, hitch'),
];

function axleWorking(build: Build, duty: Duty, key: 'frontN' | 'rearN'): Calculation {
  const mass = massWorking(build, duty);
  const front = asTwoAxles(build.layout)?.front;
  return calculated(axleLoads, axleLoadInput(build, duty), key, [
    worked('massKg', atBrief(duty), mass),
    front ? from('wheelbaseM', front.ahead, 'Brief, the layout') : fixed('wheelbaseM', 'Brief, the layout'),
    worked('cgAheadOfRearAxleM', atBrief(duty), readFor(mass, 'cgAheadOfRearAxleM')),
    worked('cgHeightM', atBrief(duty), readFor(mass, 'cgHeightM')),
    from('gradeDeg', duty.grade, atBrief(duty)),
    accelerationInput(duty),
    ...hitchInputs(build, duty),
  ]);
}

function contactsWorking(build: Build, duty: Duty): Calculation {
  const mass = massWorking(build, duty);
  const given = wheelLoadInput(build, duty, massOf(build, duty), stanceOf(build, duty));
  return calculated(wheelLoads, given, 'drivenN', [
    worked('massKg', atBrief(duty), mass),
    worked('cgAheadOfRearAxleM', atBrief(duty), readFor(mass, 'cgAheadOfRearAxleM')),
    worked('cgLeftM', atBrief(duty), readFor(mass, 'cgLeftM')),
    worked('cgHeightM', atBrief(duty), readFor(mass, 'cgHeightM')),
    ...given.contacts.flatMap((_, row) =>
      ['aheadM', 'leftM'].map((column) => ({
        ...fixed('contacts', 'Brief, the layout'),
        cell: { row, column },
      })),
    ),
    from('gradeDeg', duty.grade, atBrief(duty)),
    duty.sideSlope
      ? from('sideSlopeDeg', duty.sideSlope, atBrief(duty))
      : fixed('sideSlopeDeg', 'level across'),
    accelerationInput(duty),
    fixed('cornerMps2', 'speed squared over the radius of the turn'),
    ...hitchInputs(build, duty),
    ...bladeInputs(duty),
    fixed('balanced', 'by the layout'),
  ]);
}

/** The load that grip is counted on: of the driven axle, or of every driven contact. */
function drivenLoadWorking(build: Build, duty: Duty, footing: Footing): Calculation | undefined {
  if (layoutKind(build.layout.kind).rollsInside) return undefined;
  const axles = asTwoAxles(build.layout);
  if (!axles || !isPlain(build, duty, footing) || axles.front.driven === axles.rear.driven)
    return contactsWorking(build, duty);
  return axleWorking(build, duty, axles.front.driven ? 'frontN' : 'rearN');
}

/** How the grip of a duty came about. */
export function gripWorking(build: Build, duty: Duty): Calculation | undefined {
  const footing = footingOf(build, duty);
  const { gripN } = footing;
  if (gripN === undefined) return undefined;
  const ground = groundOf(build, duty);
  const inner = innerDriveInput(build);
  if (inner && innerDrive.run(inner).mostForceN === gripN) return innerWorking(build, inner, 'mostForceN');
  const loads = drivenLoadWorking(build, duty, footing);
  const friction = meanFigure(
    build,
    duty,
    footing.contacts.filter((c) => c.driven),
    'friction',
  );
  const counted = gripN / friction;
  const loadN = Math.abs(counted - footing.drivenN) <= 1e-9 * footing.drivenN ? footing.drivenN : counted;
  const where =
    loadN === footing.drivenN
      ? 'the driven wheels'
      : ground.soil
        ? 'as much as soft ground takes before it shears'
        : 'of the driven wheels, as much as the one with the least lets all give';
  return calculated(gripForce, { loadN, friction }, 'gripN', [
    loads ? worked('loadN', where, loads) : fixed('loadN', where),
    figureInput('friction', 'friction', friction, ground),
  ]);
}
