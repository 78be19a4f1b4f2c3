import {
  changeDrivenDiameter,
  changeTrack,
  choosePart,
  drivenDiameter,
  motorOf,
  trackOf,
  type Build,
  driveOf,
  changeDrive,
} from '../vehicle/index.ts';
import { degreesToRadians, radSToRpm, show, typed, type Origin, type Quantity } from '../quantity/index.ts';
import type { Stage, StageOf } from '../transmission/index.ts';
import type { CalculatorName, FoundBy } from './registry.ts';
import type { Values } from '../contract/index.ts';

type Numbers<K extends string> = Readonly<Record<K, number>>;

/** The station that shows where a result went. */
export type ShownAt = 'brief' | 'drivetrain' | 'power';

/** The result of a sum and the place of a build where it belongs. */
interface ResultPlace<Found> {
  /** The key of the output. */
  readonly key: keyof Found & string;
  /** Where it goes, as it ends "into …". */
  readonly title: string;
  readonly station: ShownAt;
  /** The build with the result in its place; a sentence where it has no such place. */
  readonly put: (build: Build, found: Found, dutyId: string) => Build | string;
}

const changed = (value: number, before: Quantity, origin: Origin): Quantity =>
  typed(value, before.unit, origin);

const NO_DUTY = 'This build has no such job: choose one.';

function withDuty(
  build: Build,
  dutyId: string,
  change: (duty: Build['duties'][number]) => Build['duties'][number],
): Build | string {
  if (!build.duties.some(({ id }) => id === dutyId)) return NO_DUTY;
  return { ...build, duties: build.duties.map((duty) => (duty.id === dutyId ? change(duty) : duty)) };
}

function withGround(
  build: Build,
  dutyId: string,
  change: (ground: Build['grounds'][number]) => Build['grounds'][number],
): Build | string {
  const duty = build.duties.find(({ id }) => id === dutyId);
  if (!duty) return NO_DUTY;
  return {
    ...build,
    grounds: build.grounds.map((ground) => (ground.id === duty.groundId ? change(ground) : ground)),
  };
}

/** The first stage of a kind, changed. */
function withStage<K extends Stage['kind']>(
  build: Build,
  kind: K,
  change: (stage: StageOf<K>) => StageOf<K>,
): Build | string {
  const first = driveOf(build).stages.find((stage): stage is StageOf<K> => stage.kind === kind);
  if (!first) return `This build has no ${kind} stage: add one at Drivetrain first.`;
  const stages = driveOf(build).stages.map((stage) => (stage === first ? change(first) : stage));
  return changeDrive(build, { stages });
}

const wheelDiameter: ResultPlace<Numbers<'diameterM'>> = {
  key: 'diameterM',
  title: 'the wheel diameter, as measured',
  station: 'brief',
  put: (build, found) =>
    changeDrivenDiameter(build, changed(found.diameterM, drivenDiameter(build.layout), 'measured')),
};

const track: ResultPlace<Numbers<'correctedTrackM'>> = {
  key: 'correctedTrackM',
  title: 'the track, as measured',
  station: 'brief',
  put: (build, found) =>
    trackOf(build.layout).value > 0
      ? changeTrack(build, changed(found.correctedTrackM, trackOf(build.layout), 'measured'))
      : 'This build stands on wheels in one line: it has no track.',
};

const rolling: ResultPlace<Numbers<'rollingCoefficient'>> = {
  key: 'rollingCoefficient',
  title: 'the rolling resistance of the job’s ground, as measured',
  station: 'brief',
  put: (build, found, dutyId) =>
    withGround(build, dutyId, (ground) => ({
      ...ground,
      rolling: changed(Math.max(0, found.rollingCoefficient), ground.rolling, 'measured'),
    })),
};

const dragArea: ResultPlace<Numbers<'dragAreaM2'>> = {
  key: 'dragAreaM2',
  title: 'the drag area, as measured',
  station: 'brief',
  put: (build, found) => ({
    ...build,
    dragArea: changed(found.dragAreaM2, build.dragArea, 'measured'),
  }),
};

/** A speed or a grade that was found goes to the duty that was chosen. */
const dutySpeed: ResultPlace<Numbers<'speedMps'>> = {
  key: 'speedMps',
  title: 'the speed of the job',
  station: 'brief',
  put: (build, found, dutyId) =>
    withDuty(build, dutyId, (duty) => ({
      ...duty,
      speed: changed(found.speedMps, duty.speed, 'typed'),
    })),
};

const dutyGrade: ResultPlace<Numbers<'limitDeg'>> = {
  key: 'limitDeg',
  title: 'the grade of the job',
  station: 'brief',
  put: (build, found, dutyId) =>
    found.limitDeg >= 90
      ? 'Such a grade is a wall: nothing to put there.'
      : withDuty(build, dutyId, (duty) => ({
          ...duty,
          grade: changed(degreesToRadians(found.limitDeg), duty.grade, 'typed'),
        })),
};

const chainCentre: ResultPlace<Numbers<'centreForLinksMm'>> = {
  key: 'centreForLinksMm',
  title: 'the centre distance of the chain',
  station: 'drivetrain',
  put: (build, found) =>
    withStage(build, 'chain', (stage) => ({
      ...stage,
      centre: changed(found.centreForLinksMm / 1000, stage.centre, 'typed'),
    })),
};

const chainTeeth: ResultPlace<Numbers<'teethDriver' | 'teethDriven'>> = {
  key: 'teethDriven',
  title: 'the teeth of the chain',
  station: 'drivetrain',
  put: (build, found) =>
    withStage(build, 'chain', (stage) => ({
      ...stage,
      teethDriver: found.teethDriver,
      teethDriven: found.teethDriven,
    })),
};

const wheelSprocket: ResultPlace<Numbers<'teeth'>> = {
  key: 'teeth',
  title: 'the driven sprocket of the chain',
  station: 'drivetrain',
  put: (build, found) => withStage(build, 'chain', (stage) => ({ ...stage, teethDriven: found.teeth })),
};

const gearheadRatio: ResultPlace<Numbers<'ratio'> & { readonly efficiency?: number | undefined }> = {
  key: 'ratio',
  title: 'the gearhead stage',
  station: 'drivetrain',
  put: (build, found) =>
    withStage(build, 'gearhead', (stage) => ({
      ...stage,
      ratio: changed(found.ratio, stage.ratio, 'typed'),
      ...(found.efficiency !== undefined && found.efficiency > 0
        ? { efficiency: changed(found.efficiency, stage.efficiency, 'typed') }
        : {}),
    })),
};

const cableResistance: ResultPlace<Numbers<'resistanceOhm'>> = {
  key: 'resistanceOhm',
  title: 'the resistance of the battery cable',
  station: 'power',
  put: (build, found) => ({
    ...build,
    supply: {
      ...build.supply,
      cableResistance: changed(found.resistanceOhm, build.supply.cableResistance, 'typed'),
    },
  }),
};

const motorConstants: ResultPlace<Numbers<'resistanceOhm' | 'keVsPerRad' | 'noLoadA'>> = {
  key: 'resistanceOhm',
  title: 'the motor’s figures, at its own voltage',
  station: 'power',
  put: (build, found) => {
    const motor = motorOf(build);
    if (!motor) return 'This build has no motor: choose one at Power first.';
    if (!('noLoadRpm' in motor))
      return 'The motor of this build has no magnets: these constants are not its own.';
    const { resistanceOhm, keVsPerRad, noLoadA } = found;
    const stallA = motor.voltageV / resistanceOhm;
    if (noLoadA >= stallA)
      return `At ${show(motor.voltageV, 'voltage', 'metric').text} that motor would not turn: its no-load current is above its stall current.`;
    return choosePart(build, {
      ...motor,
      noLoadRpm: radSToRpm((motor.voltageV - noLoadA * resistanceOhm) / keVsPerRad),
      noLoadA,
      stallA,
      stallTorqueNm: keVsPerRad * (stallA - noLoadA),
    });
  },
};

const PLACES: { readonly [N in CalculatorName]?: readonly ResultPlace<FoundBy<N>>[] } = {
  'effective-diameter': [wheelDiameter],
  'odometry-square': [track],
  'coast-down': [rolling, dragArea],
  'attainable-speed': [dutySpeed],
  'grip-limited-grade': [dutyGrade],
  'chain-drive': [chainCentre],
  'teeth-for-ratio': [chainTeeth],
  'largest-sprocket': [wheelSprocket],
  planetary: [gearheadRatio],
  'worm-pair': [gearheadRatio],
  'gear-train': [gearheadRatio],
  'train-ratio': [gearheadRatio],
  wire: [cableResistance],
  'dc-motor-fit': [motorConstants],
};

/** The table ties each calculator's answers to its places; the compiler cannot follow that through a name. */
const placesOf = (name: string): readonly ResultPlace<Values>[] | undefined =>
  (PLACES as Readonly<Record<string, readonly ResultPlace<Values>[] | undefined>>)[name];

/**
 * Where the results of a calculator belong in a build; none where they belong nowhere.
 *
 * @example placesFor('road-load') // []
 */
export const placesFor = (name: string): readonly Pick<ResultPlace<Values>, 'key' | 'title' | 'station'>[] =>
  placesOf(name) ?? [];

/**
 * A build with one result of a calculator put where it belongs. The result's origin is said: measured where a trial
 * gave it.
 *
 * @returns the changed build, or a sentence that says why it has no such place.
 * @example intoBuild('centre-distance', 'none', {}, puffin, duty.id) // 'That result belongs nowhere in a build.'
 */
export function intoBuild(
  name: string,
  key: string,
  found: Values,
  build: Build,
  dutyId: string,
): Build | string {
  const place = placesOf(name)?.find((p) => p.key === key);
  return place ? place.put(build, found, dutyId) : 'That result belongs nowhere in a build.';
}
