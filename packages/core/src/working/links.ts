import { dutyReport, type DutyReport } from '../capability/index.ts';
import { drivelineOf, ratiosOf, trainStages, type Driveline } from '../drive/index.ts';
import { hardestLoad, linkDefinition, type LinkId, type LinkReport } from '../judge/index.ts';
import type { Quantity } from '../quantity/index.ts';
import { stageFigures, stageName, trainRatio } from '../transmission/index.ts';
import { driveOf, throughDrive, type Build, type Duty } from '../vehicle/index.ts';
import { forceWorking } from './demand.ts';
import { isOfDrive, workingOfDrive, type DriveLink } from './drive-sides.ts';
import {
  attainableWorking,
  currentWorking,
  fullCommandWorking,
  packWorking,
  topWorking,
  wheelTorqueToSpare,
  wheelWorking,
  windowWorking,
} from './drive.ts';
import { gripWorking } from './grip.ts';
import {
  cornerWorking,
  momentsWorking,
  slideWorking,
  steerWorking,
  stepHas,
  stepNeeds,
  stopWorking,
} from './ground.ts';
import { atWork, BESIDE_SIDES, ofPart, type OpenedMargin, type MarginSides } from './beside-sides.ts';
import { drawWorking, energyNeeded, energyToSpend, outingWorking } from './supply.ts';
import { lockedWorking } from './turn.ts';
import { calculated, fixed, readFor, type Stated, type Working } from './working.ts';

interface AskedOfDuty extends OpenedMargin {
  readonly duty: Duty;
  readonly report: () => DutyReport;
}

/** What needs no motor to be known. */
type AskedOfGround = Omit<AskedOfDuty, 'line'> & { readonly line: Driveline | undefined };

const ofDuty =
  (work: (asked: AskedOfDuty) => Working | undefined) =>
  (asked: OpenedMargin): Working | undefined => {
    const duty = asked.build.duties.find((d) => d.id === asked.link.dutyId);
    return duty && work({ ...asked, duty, report: () => dutyReport(asked.build, duty, asked.line) });
  };

const ALL_DAY = 'the current that it may carry all day';

const motorMay = ({ line: { motor } }: OpenedMargin) => ofPart(motor, 'current', motor.continuousA, ALL_DAY);

interface GroundSides {
  readonly needs: (asked: AskedOfGround) => Working | undefined;
  readonly has: (asked: AskedOfGround) => Working | undefined;
}

const stated = ({ value, origin }: Quantity, dimension: Stated['dimension'], where: string): Stated => ({
  value: Math.abs(value),
  dimension,
  origin,
  where,
});

const ofReport =
  (
    pick: (report: DutyReport, build: Build) => number | undefined,
    dimension: Stated['dimension'],
    where: string,
  ) =>
  ({ report, build }: AskedOfGround): Working | undefined => {
    const value = pick(report(), build);
    return value === undefined ? undefined : { value, dimension, origin: 'worked', where };
  };

/** The links of ground, weight, turning and stopping. */
const GROUND_SIDES = {
  grip: {
    // A step is climbed by its edge: grip is asked for the rest.
    needs: ({ build, duty }) => forceWorking(build, withoutStep(duty)),
    has: ({ build, duty }) => gripWorking(build, duty),
  },
  'wheel-load': {
    needs: ofReport(
      (r, build) => hardestLoad(build, r.footing)?.loadN,
      'force',
      'the share of the weight that this wheel carries in this job, by the moments about the others',
    ),
    has: ({ build, report }) => {
      const hardest = hardestLoad(build, report().footing);
      return ofPart(hardest?.part, 'force', hardest?.carriesN ?? 0, 'the load that one carries');
    },
  },
  'tip-along': {
    needs: ({ build, duty, line }) => momentsWorking(build, duty, line, 'alongOverturningNm'),
    has: ({ build, duty, line }) => momentsWorking(build, duty, line, 'alongRightingNm'),
  },
  'tip-side': {
    needs: ({ build, duty, line }) => momentsWorking(build, duty, line, 'sideOverturningNm'),
    has: ({ build, duty, line }) => momentsWorking(build, duty, line, 'sideRightingNm'),
  },
  'slide-side': {
    needs: ofReport(
      (r) => r.slide?.sideN,
      'force',
      'weight along the side slope, and the pull of the bend: m g sinφ + m v²/R',
    ),
    has: ({ build, duty }) => slideWorking(build, duty),
  },
  corner: {
    needs: ({ duty }) => stated(duty.speed, 'speed', `Brief, ${duty.name}`),
    has: ({ build, duty, report }) => cornerWorking(build, duty, report()),
  },
  step: {
    needs: ({ build, duty, report }) => stepNeeds(build, duty, report()),
    has: ({ build, duty, report }) => stepHas(build, duty, report()),
  },
  clearance: {
    needs: ({ duty }) => duty.step && stated(duty.step, 'length', `Brief, ${duty.name}`),
    has: ({ build }) => stated(build.body.clearance, 'length', 'Brief, the body'),
  },
  'push-on': {
    needs: ({ build, duty, report }) => lockedWorking(build, duty, report().footing, 'sideForceN'),
    has: ({ build, duty, report }) => lockedWorking(build, duty, report().footing, 'gripN'),
  },
  steering: {
    needs: ({ build, duty, report }) => steerWorking(build, duty, report()),
    has: ({ build, link }) => ({
      value: link.has,
      dimension: 'torque',
      origin: build.steering?.hand ? 'worked' : (build.steering?.actuatorTorque?.origin ?? 'assumed'),
      where: build.steering?.hand ? 'Brief, steering: arm times force of the hand' : 'Brief, steering',
    }),
  },
  'brake-hold': {
    needs: ofReport(
      (r) => r.brake?.holdNeedsN,
      'force',
      'the weight along the slope, of what is towed too: m g sinθ',
    ),
    has: ofReport(
      (r) => r.brake?.holdHasN,
      'force',
      'the lesser of the brake’s force and the grip of the braked wheels as they stand there',
    ),
  },
  'brake-stop': {
    needs: ({ link }) => ({
      value: link.needs,
      dimension: 'acceleration',
      origin: 'worked',
      where: 'speed squared over twice the distance that is left when the brake bites',
    }),
    has: ({ build, duty, line, report }) =>
      report().brake?.noses
        ? {
            value: report().brake?.decelerationMps2 ?? 0,
            dimension: 'acceleration',
            origin: 'worked',
            where: 'the slowing at which its rear lifts: nobody brakes harder than that',
          }
        : report().brake?.decelerationMps2
          ? stopWorking(build, duty, line, 'decelerationMps2')
          : undefined,
  },
} as const satisfies Partial<Record<LinkId, GroundSides>>;

/** The same duty on even ground. */
const withoutStep = ({ step: _step, ...duty }: Duty): Duty => duty;

type GroundLink = keyof typeof GROUND_SIDES;
const isOfGround = (link: LinkId): link is GroundLink => link in GROUND_SIDES;

/** How both sides of each link behind the wheel come about. */
const SIDES: Readonly<Record<Exclude<LinkId, GroundLink | DriveLink>, MarginSides>> = {
  torque: {
    needs: ofDuty(({ build, duty, line }) => wheelWorking(build, duty, line)),
    has: ofDuty(({ build, duty, line }) => wheelTorqueToSpare(build, duty, line)),
  },
  speed: {
    needs: ofDuty(({ duty: { name, speed }, link }) => ({
      value: link.needs,
      dimension: 'speed',
      origin: speed.origin,
      where: `Brief, ${name}${link.needs === speed.value ? '' : ', the outer side of the turn'}`,
    })),
    has: ofDuty(({ build, duty, line }) => attainableWorking(build, duty, line)),
  },
  'over-speed': {
    needs: ofDuty(({ build, duty, line }) => topWorking(build, duty, line)),
    has: ({ build, link }) =>
      build.speedCap
        ? stated(build.speedCap, 'speed', 'Brief, the vehicle')
        : {
            value: link.has,
            dimension: 'speed',
            origin: 'worked',
            where:
              'the lesser of the speed at which it tips or slides in its bend, and the one from which it stops in its distance',
          },
  },
  ratio: {
    needs: ofDuty(({ build, duty, line, link }) => windowWorking(build, duty, line, link.needs)),
    has: ({ build }) => ratioWorking(build),
  },
  'motor-heat': {
    needs: ({ build, line, link }) => {
      const duty = build.duties.find((d) => d.id === link.dutyId);
      return duty ? currentWorking(build, duty, line) : outingWorking(build, line, 'currentA', 'worstRmsA');
    },
    has: motorMay,
  },
  'driver-current': {
    needs: ofDuty(({ build, duty, line }) => currentWorking(build, duty, line)),
    has: ({ line: { driver } }) => ofPart(driver, 'current', driver?.continuousA ?? 0, ALL_DAY),
  },
  'driver-peak': {
    needs: ({ build, line }) => readFor(fullCommandWorking(build, line), 'currentA'),
    has: ({ line: { driver } }) =>
      ofPart(driver, 'current', driver?.peakA ?? 0, 'the current that it stands for a moment'),
  },
  'driver-voltage': {
    needs: ({ line }) => packWorking(line, 'fullV'),
    has: ({ line: { driver } }) =>
      ofPart(driver, 'voltage', driver?.mostV ?? 0, 'its greatest supply voltage'),
  },
  'battery-current': {
    needs: ofDuty(({ build, duty, line }) => drawWorking(build, duty, line, 'batteryA')),
    has: ({ line: { bank } }) => ofPart(bank, 'current', bank?.continuousA ?? 0, ALL_DAY),
  },
  'battery-peak': {
    needs: ({ build, line }) => readFor(fullCommandWorking(build, line), 'startA'),
    has: ({ line: { bank } }) =>
      ofPart(bank, 'current', bank?.peakA ?? 0, 'the current that it may give for some seconds'),
  },
  'battery-voltage': {
    needs: ({ line, link }) => {
      const pack = packWorking(line, 'emptyV');
      return pack?.found.emptyV === link.needs
        ? pack
        : ofPart(line.driver, 'voltage', link.needs, 'its least supply voltage');
    },
    has: ofDuty(({ build, duty, line }) => drawWorking(build, duty, line, 'batteryV')),
  },
  ...BESIDE_SIDES,
  energy: {
    needs: ({ build, line }) => energyNeeded(build, line),
    has: ({ build, line }) => energyToSpend(build, line),
  },
};

/**
 * The ratio of the train: that of its stages, multiplied.
 *
 * @example ratioWorking(puffin)?.calculator // 'train-ratio'
 */
export function ratioWorking(build: Build): Working | undefined {
  const stages = trainStages(build);
  if (stages.length === 0) return undefined;
  const given = {
    stages: stages.map(stageFigures).map(ratiosOf),
  };
  return calculated(
    trainRatio,
    given,
    'ratio',
    stages.flatMap((stage, row) =>
      (['ratio', 'efficiency'] as const).map((column) => ({
        ...fixed('stages', `Drivetrain, ${stageName(stage.kind)}`),
        cell: { row, column },
      })),
    ),
  );
}

const TOGETHER = 'all that share the road and the battery with it: it is no one sum by itself';

/** Whether what a drive gives and takes is no one sum: it shares the road, or does not move the vehicle. */
const sharesOrWorks = (build: Build, { beside }: Driveline): boolean =>
  beside.length > 0 || driveOf(build).does !== 'propels';

/**
 * How one side of a margin came about. Undefined where it has no working.
 *
 * @throws NotPhysical where the duty is past what its parts can do, with the sentence that says so.
 * @example workingOfLink(puffin, report.governing[0], 'needs')?.calculator // 'road-load'
 */
export function workingOfLink(whole: Build, link: LinkReport, side: 'needs' | 'has'): Working | undefined {
  const build = link.driveId === undefined ? whole : throughDrive(whole, link.driveId);
  const line = drivelineOf(build);
  if (isOfGround(link.link)) {
    const duty = build.duties.find((d) => d.id === link.dutyId);
    const sides: GroundSides = GROUND_SIDES[link.link];
    return duty && sides[side]({ build, link, line, duty, report: () => dutyReport(build, duty, line) });
  }
  if (line && sharesOrWorks(build, line) && !(link.link in BESIDE_SIDES))
    return atWork(link[side], linkDefinition(link.link).dimension, TOGETHER);
  if (isOfDrive(link.link)) return workingOfDrive({ build, link, line }, link.link, side);
  return line && SIDES[link.link][side]({ build, link, line });
}
