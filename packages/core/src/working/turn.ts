import { assertNever } from '../contract/index.ts';
import {
  demandOf,
  groundOf,
  type Footing,
  bendInput,
  lockedInput,
  pivotInput,
  scrubInput,
  trackInput,
} from '../demand/index.ts';
import { lockedAxle, pivotTurn, skidBendWheeled, skidTurnTracked, skidTurnWheeled } from '../ground/index.ts';
import type { Build, Duty } from '../vehicle/index.ts';
import { LOADS, atBrief, figureInput } from './ground-inputs.ts';
import { calculated, fixed, from, type Calculation } from './working.ts';

/** The moment of a turn, by the calculator that its layout has. */
export function turnWorking(build: Build, duty: Duty, footing: Footing): Calculation | undefined {
  const ground = groundOf(build, duty);
  const turn = demandOf(build, duty).turn;
  if (!turn) return undefined;
  const track = fixed('trackM', 'Brief, the layout');
  switch (turn.turning) {
    case 'pivot': {
      const given = pivotInput(build, duty, footing);
      return calculated(pivotTurn, given, 'momentNm', [
        fixed('drivenLoadN', LOADS),
        track,
        fixed('freeLoadN', LOADS),
        fixed('freeArmM', 'Brief, the layout'),
        fixed('freeCoefficient', `Brief, ${ground.name}, of the free ones`),
        figureInput('rollingCoefficient', 'rolling', given.rollingCoefficient, ground),
        fixed('tyreWidthM', 'Brief, the layout'),
        figureInput('friction', 'friction', given.friction, ground),
      ]);
    }
    case 'scrub': {
      if (turn.radiusM > 0) return bendWorking(build, duty, footing);
      const given = scrubInput(build, duty, footing);
      return calculated(skidTurnWheeled, given, 'momentNm', [
        fixed('weightN', LOADS),
        fixed('wheelbaseM', 'two axles that would drag as much'),
        track,
        figureInput('lateralCoefficient', 'across', given.lateralCoefficient, ground),
        figureInput('rollingCoefficient', 'rolling', given.rollingCoefficient, ground),
        figureInput('longitudinalFriction', 'friction', given.longitudinalFriction, ground),
      ]);
    }
    case 'tracks': {
      const given = trackInput(build, duty, footing);
      return calculated(skidTurnTracked, given, 'momentNm', [
        fixed('weightN', LOADS),
        fixed('contactLengthM', 'Brief, the layout'),
        fixed('gaugeM', 'Brief, the layout'),
        figureInput('lateralCoefficientMax', 'across', given.lateralCoefficientMax, ground),
        figureInput('rollingCoefficient', 'rolling', given.rollingCoefficient, ground),
        fixed('turnRadiusM', atBrief(duty)),
      ]);
    }
    case 'steered':
      return lockedWorking(build, duty, footing, 'momentNm');
    case 'lean':
    case 'swivel':
    case 'none':
      return undefined;
    default:
      return assertNever(turn.turning);
  }
}

function bendWorking(build: Build, duty: Duty, footing: Footing): Calculation {
  const given = bendInput(build, duty, footing);
  return calculated(skidBendWheeled, given, 'momentNm', [
    ...given.contacts.flatMap((_, row) =>
      ['aheadM', 'leftM', 'loadN', 'across'].map((column) => ({
        ...fixed('contacts', 'Brief, the layout and the ground'),
        cell: { row, column },
      })),
    ),
    fixed('turnRadiusM', atBrief(duty)),
  ]);
}

/** What a locked axle does round a bend, and what the steered wheels must do against it. */
export function lockedWorking(
  build: Build,
  duty: Duty,
  footing: Footing,
  key: 'momentNm' | 'sideForceN' | 'gripN',
): Calculation | undefined {
  const given = lockedInput(build, duty, footing);
  if (!given || duty.turn?.kind !== 'radius') return undefined;
  const ground = groundOf(build, duty);
  return calculated(lockedAxle, given, key, [
    fixed('differential', 'Brief, the drive'),
    fixed('drivenLoadN', LOADS),
    fixed('trackM', 'Brief, the layout'),
    figureInput('friction', 'friction', given.friction, ground),
    fixed('wheelbaseM', 'Brief, the layout'),
    fixed('steeredLoadN', LOADS),
    figureInput('steeredFriction', 'across', given.steeredFriction, ground),
    from('turnRadiusM', duty.turn.radius, atBrief(duty)),
    from('speedMps', duty.speed, atBrief(duty)),
  ]);
}
