import { mountInput, loadedStages } from '../capability/index.ts';
import type { Driveline } from '../drive/index.ts';
import { ALLOWED_TWIST } from '../judge/index.ts';
import { type deliveredTorque, mountPull, holdOf, pathTitle, torqueHeld } from '../transmission/index.ts';
import { driveOf, type Build } from '../vehicle/index.ts';
import { torqueThere, type TorqueSource } from './stage.ts';
import {
  bySum,
  calculated,
  fixed,
  from,
  worked,
  type CalculationBy,
  type Stated,
  type Working,
} from './working.ts';

const elementOf = (build: Build, elementId: string | undefined) =>
  driveOf(build).path.find(({ id }) => id === elementId);

/** The torque at a part of the torque path. */
export function pathNeeds(
  build: Build,
  line: Driveline,
  source: TorqueSource,
  elementId: string | undefined,
): CalculationBy<typeof deliveredTorque> | undefined {
  const element = elementOf(build, elementId);
  return element && torqueThere(line, source, { stageId: element.after, side: 'behind' });
}

/** The torque that a part may carry: its sum at the torque asked, and the factor kept. */
export function pathHas(
  build: Build,
  line: Driveline,
  source: TorqueSource,
  { elementId, stalled }: { readonly elementId: string | undefined; readonly stalled: boolean },
): Working | undefined {
  const element = elementOf(build, elementId);
  const torque = pathNeeds(build, line, source, elementId);
  if (!element || !torque) return undefined;
  const hold = holdOf(element, torque.found.deliveredNm, { stalled });
  const where = `Drivetrain, ${element.name}`;
  if (!hold.input)
    return {
      value: hold.heldNm,
      dimension: 'torque',
      origin: hold.rated.origin,
      where: `${where}: its rated torque${stalled ? ', twice that for a moment (common practice)' : ''}`,
    };
  const factor = bySum(
    hold.sum,
    Object.keys(hold.sum.given).map((key) =>
      key === 'torqueNm' ? worked(key, 'what reaches it', torque) : fixed(key, where),
    ),
  );
  return calculated(torqueHeld, hold.input, 'heldNm', [
    worked('torqueNm', 'what reaches it', torque),
    worked('factor', pathTitle(element.kind).toLowerCase(), factor),
    fixed(
      'safetyFactor',
      stalled
        ? 'friction need only hold; steel stands twice as much for a moment (common practice)'
        : 'kept against shock and wear',
    ),
  ]);
}

/** How far the mount twists, or what pulls across the motor's shaft. */
export function mountNeeds(
  build: Build,
  line: Driveline,
  source: TorqueSource,
  key: 'twistDeg' | 'shaftN' = 'twistDeg',
): CalculationBy<typeof mountPull> | undefined {
  const loaded = loadedStages(
    line,
    source.from === 'motor'
      ? { motorTorqueNm: source.torque.value, motorRpm: source.wheelRpm * line.ratio }
      : { wheelTorqueNm: source.torque.value, wheelRpm: source.wheelRpm },
  );
  const given = mountInput(build, loaded);
  if (!given) return undefined;
  const { lever, twist } = driveOf(build).mount;
  return calculated(mountPull, given, key, [
    fixed('tightN', 'the pull of the first stage'),
    fixed('slackN', 'the pull of the first stage'),
    fixed('wrapDeg', 'the geometry of the first stage'),
    from('leverMm', lever, 'Drivetrain, the mount'),
    ...(twist ? [from('twistPerNmDeg', twist, 'Drivetrain, the mount, a tenth of its twist')] : []),
  ]);
}

/** How far a mount may give way, rad. */
export const mountHas: Stated = {
  value: ALLOWED_TWIST,
  dimension: 'angle',
  origin: 'fixed',
  where: 'half a degree, from which loops run off (common practice)',
};
