import type { Build, Duty } from '../../build/index.ts';
import { stageFigures, stageTitle, trainRatio } from '../../transmission/index.ts';
import { drivelineOf, trainOf, trainStages, type Driveline } from '../driveline.ts';
import type { LinkId } from '../links.ts';
import type { LinkReport } from '../report.ts';
import { forceWorking, gripWorking } from './demand.ts';
import {
  attainableWorking,
  currentWorking,
  fullCommandWorking,
  packWorking,
  wheelTorqueToSpare,
  wheelWorking,
  windowWorking,
} from './drive.ts';
import { stageHas, stageNeeds } from './stage.ts';
import { drawWorking, energyNeeded, energyToSpend, outingWorking } from './supply.ts';
import { calculated, fixed, readFor, type Stated, type Working } from './working.ts';

interface Asked {
  readonly build: Build;
  readonly link: LinkReport;
  readonly line: Driveline;
}
interface AskedOfDuty extends Asked {
  readonly duty: Duty;
}

const ofDuty =
  (work: (asked: AskedOfDuty) => Working | undefined) =>
  (asked: Asked): Working | undefined => {
    const duty = asked.build.duties.find((d) => d.id === asked.link.dutyId);
    return duty && work({ ...asked, duty });
  };

/** A figure of a part, as its data sheet has it. */
const ofPart = (
  part: { readonly name: string } | undefined,
  dimension: Stated['dimension'],
  value: number,
  what: string,
): Stated | undefined => part && { value, dimension, origin: 'shelf', where: `${part.name}: ${what}` };

const ALL_DAY = 'the current that it may carry all day';

const motorMay = ({ line: { motor } }: Asked) => ofPart(motor, 'current', motor.continuousA, ALL_DAY);

interface Sides {
  readonly needs: (asked: Asked) => Working | undefined;
  readonly has: (asked: Asked) => Working | undefined;
}

const stageSides: Sides = {
  needs: ofDuty(({ build, duty, line, link }) => stageNeeds(build, duty, line, link.stageId ?? '')),
  has: ({ build, link }) => stageHas(build, link.stageId ?? ''),
};

/** How both sides of each link come about. */
const SIDES: Readonly<Record<LinkId, Sides>> = {
  grip: {
    needs: ofDuty(({ build, duty }) => forceWorking(build, duty)),
    has: ofDuty(({ build, duty }) => gripWorking(build, duty)),
  },
  torque: {
    needs: ofDuty(({ build, duty, line }) => wheelWorking(build, duty, line)),
    has: ofDuty(({ build, duty, line }) => wheelTorqueToSpare(build, duty, line)),
  },
  speed: {
    needs: ofDuty(({ duty: { name, speed } }) => ({
      value: speed.value,
      dimension: 'speed',
      origin: speed.origin,
      where: `Brief, ${name}`,
    })),
    has: ofDuty(({ build, duty, line }) => attainableWorking(build, duty, line)),
  },
  ratio: {
    needs: ofDuty(({ build, duty, line, link }) => windowWorking(build, duty, line, link.needs)),
    has: ({ build }) => ratioWorking(build),
  },
  'chain-pull': stageSides,
  'gearhead-torque': stageSides,
  'motor-heat': {
    needs: ({ build, line, link }) => {
      const duty = build.duties.find((d) => d.id === link.dutyId);
      return duty ? currentWorking(build, duty, line) : outingWorking(build, line, 'currentA', 'rmsA');
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
    has: ({ line: { battery } }) => ofPart(battery, 'current', battery?.continuousA ?? 0, ALL_DAY),
  },
  'battery-peak': {
    needs: ({ build, line }) => readFor(fullCommandWorking(build, line), 'allMotorsA'),
    has: ({ line: { battery } }) =>
      ofPart(
        battery,
        'current',
        battery?.peakA ?? battery?.continuousA ?? 0,
        'the current that it may give for some seconds',
      ),
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
  energy: {
    needs: ({ build, line }) => energyNeeded(build, line),
    has: ({ build, line }) => energyToSpend(build, line),
  },
};

/** The ratio of the train: that of its stages, multiplied. */
export function ratioWorking(build: Build): Working | undefined {
  const stages = trainStages(build);
  if (stages.length === 0) return undefined;
  const given = {
    stages: stages.map(stageFigures).map(({ ratio, efficiency }) => ({ ratio, efficiency })),
  };
  return calculated(
    trainRatio,
    given,
    'ratio',
    stages.flatMap((stage, row) =>
      (['ratio', 'efficiency'] as const).map((column) => ({
        ...fixed('stages', `Drivetrain, ${stageTitle(stage.kind).toLowerCase()}`),
        cell: { row, column },
      })),
    ),
  );
}

/**
 * How one side of a margin came about. Undefined where it has no working.
 *
 * @throws NotPhysical where the duty is past what its parts can do, with the sentence that says so.
 */
export function workingOfLink(build: Build, link: LinkReport, side: 'needs' | 'has'): Working | undefined {
  const line = drivelineOf(build, trainOf(build));
  if (line) return SIDES[link.link][side]({ build, link, line });
  const duty = build.duties.find((d) => d.id === link.dutyId);
  if (link.link !== 'grip' || !duty) return undefined;
  return side === 'needs' ? forceWorking(build, duty) : gripWorking(build, duty);
}
