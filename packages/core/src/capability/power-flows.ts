import { AIR_DENSITY } from '../quantity/index.ts';
import {
  alwaysDrawn,
  cableOhm,
  channelOhm,
  leadOhm,
  together,
  worksDraw,
  type Driveline,
} from '../drive/index.ts';
import { startingPower } from '../ground/index.ts';
import { currentForPower } from '../supply/index.ts';
import { throughDrive, type Build, type Duty } from '../vehicle/index.ts';
import { alikeMotors, sharedTurn, sharesOf } from './operating.ts';
import { startingInput, sunWhileRunning } from './outing.ts';
import type { DutyReport } from './report.ts';

/** Where the power of a vehicle under way comes from and goes to, W. What comes in is what goes out and what is stored. */
export interface PowerFlows {
  /** What the battery's chemistry gives. */
  readonly fromBattery: number;
  /** What a panel gives meanwhile. */
  readonly fromSun: number;
  readonly into: {
    /** Heat of battery, cable, and motor leads with their driver channels. */
    readonly inBattery: number;
    readonly inCable: number;
    readonly inLeads: number;
    /** Heat and friction of the motors, and of the stages behind them. */
    readonly inMotors: number;
    readonly inStages: number;
    /** Along the ground: rolling and soft ground, air, turning, pull at the hitch and over steps. */
    readonly rolling: number;
    readonly drag: number;
    readonly turning: number;
    readonly pulling: number;
    /** Lifted up a grade, or got from one going down; and in speeding up, and in starting again and again. */
    readonly climbing: number;
    readonly speedingUp: number;
    readonly starting: number;
    /** Lift, brush, blade; controller, lights, servos. */
    readonly works: number;
    readonly beside: number;
    /** What motors give back that nothing takes: heat in a driver or a brake. */
    readonly braked: number;
  };
}

/** What flows while a duty goes on, and what each motor of each drive carries. */
export interface Flowing {
  readonly flows: PowerFlows;
  readonly batteryA: number;
  readonly batteryV: number;
  readonly drives: readonly { readonly driveId: string; readonly currentA: number }[];
}

/** The motors of one drive: what they take of the battery, and what comes of it, W. */
interface DriveFlow {
  readonly currentA: number;
  readonly drawnW: number;
  readonly givenBackW: number;
  readonly leadsW: number;
  readonly shaftW: number;
  readonly groundW: number;
}

const sum = (numbers: readonly number[]): number => numbers.reduce((all, n) => all + n, 0);

/** One drive under its share of a duty. In a bend a side that is pushed gives the other nothing. */
function driveFlow(
  build: Build,
  line: Driveline,
  report: Pick<DutyReport, 'turn' | 'resistance'>,
  speedMps: number,
  share: number,
): DriveFlow {
  const turn = report.turn && sharedTurn(report.turn, share);
  const groups = alikeMotors(line, report.resistance.totalN * share, speedMps, turn);
  const each = groups.flatMap((group) => (group ? [group] : []));
  const ohm = leadOhm(throughDrive(build, line.driveId)) + channelOhm(line.driver);
  const flows = each.map(({ share: of, torqueNm, speedRadS, groundW }) => {
    const motors = line.circuit.motors * of;
    const { currentA, motorV } = line.circuit.motor.pointAt(torqueNm, speedRadS);
    const electricW = motors * motorV * currentA;
    const lost = each.length > 1 ? Math.max(0, -electricW) : 0;
    return {
      currentA,
      drawnW: electricW + lost,
      givenBackW: lost,
      // A motor whose driver holds its current is known by what it takes as a whole.
      leadsW: line.circuit.motor.winding ? motors * currentA ** 2 * ohm : 0,
      shaftW: motors * torqueNm * speedRadS,
      groundW,
    };
  });
  const total = (key: 'drawnW' | 'givenBackW' | 'leadsW' | 'shaftW' | 'groundW'): number =>
    sum(flows.map((flow) => flow[key]));
  return {
    currentA: Math.abs(flows[0]?.currentA ?? 0),
    drawnW: total('drawnW'),
    givenBackW: total('givenBackW'),
    leadsW: total('leadsW'),
    shaftW: total('shaftW'),
    groundW: total('groundW'),
  };
}

/** Resistance that a duty meets at another speed than its own: the air's part changes. */
function resistanceAt(build: Build, report: DutyReport, speedMps: number): DutyReport['resistance'] {
  const { resistance, speedMps: asked } = report;
  if (speedMps === asked) return resistance;
  const dragN = 0.5 * AIR_DENSITY * build.dragArea.value * speedMps ** 2;
  return { ...resistance, dragN, totalN: resistance.totalN - resistance.dragN + dragN };
}

/**
 * What flows while a duty goes on: held at a speed on a battery as it then is. Works run for their share of the time, what
 * is drawn beside runs all of it; nothing is given back to the battery.
 *
 * @param line the first drive that moves it, its battery as it then is
 * @param speedMps the duty's own, or less where the battery no longer gives it
 * @returns undefined where the battery cannot give so much
 * @example flowing(puffin, duty, report.duties[0], line)?.batteryA // 24.99
 */
export function flowing(
  build: Build,
  duty: Duty,
  report: DutyReport,
  line: Driveline,
  speedMps = report.speedMps,
): Flowing | undefined {
  const drives = report.point ? together(line) : [];
  const times = report.speedMps > 0 ? speedMps / report.speedMps : 1;
  const turn = report.turn && {
    ...report.turn,
    outerMps: report.turn.outerMps * times,
    innerMps: report.turn.innerMps * times,
  };
  const wheelMps = turn?.outerMps ?? speedMps;
  const shares = sharesOf(line, wheelMps);
  const resistance = resistanceAt(build, report, speedMps);
  const of = drives.map((one, at) => driveFlow(build, one, { turn, resistance }, wheelMps, shares[at] ?? 0));
  const startingW =
    duty.startsAnHour && report.point
      ? startingPower.run({ ...startingInput(build, duty, report, line), speedMps }).powerW
      : 0;
  const { meanW: worksW } = worksDraw(build);
  const besideW = alwaysDrawn(build);
  const motorsW = sum(of.map(({ drawnW }) => drawnW));
  const neededW = motorsW + startingW + worksW + besideW;
  const sunW = Math.min(sunWhileRunning(build), Math.max(0, neededW));
  const { openCircuitV, supplyResistanceOhm } = line.circuit;
  const givenW = Math.max(0, neededW - sunW);
  const batteryA = currentForPower(openCircuitV, supplyResistanceOhm, givenW);
  if (batteryA === undefined) return undefined;
  const cableW = batteryA ** 2 * Math.min(supplyResistanceOhm, cableOhm(build));
  const groundW = sum(of.map((one) => one.groundW));
  const shaftW = sum(of.map((one) => one.shaftW));
  const leadsW = sum(of.map((one) => one.leadsW));
  const givenBackW = sum(of.map((one) => one.givenBackW));
  const at = (newtons: number): number => (report.point ? newtons * speedMps : 0);
  const along = {
    rolling: at(resistance.rollingN + resistance.compactionN),
    drag: at(resistance.dragN),
    pulling: at(resistance.drawbarN + resistance.pushingN + resistance.obstacleN),
    climbing: at(resistance.gradeN),
    speedingUp: at(resistance.inertiaN + resistance.catchingN),
  };
  return {
    batteryA,
    batteryV: openCircuitV - supplyResistanceOhm * batteryA,
    drives: drives.map(({ driveId }, n) => ({ driveId, currentA: of[n]?.currentA ?? 0 })),
    flows: {
      fromBattery: openCircuitV * batteryA,
      fromSun: sunW,
      into: {
        inBattery: batteryA ** 2 * supplyResistanceOhm - cableW,
        inCable: cableW,
        inLeads: leadsW,
        inMotors: motorsW - givenBackW - shaftW - leadsW,
        inStages: shaftW - groundW,
        ...along,
        turning: groundW - sum(Object.values(along)),
        starting: startingW,
        works: worksW,
        beside: besideW,
        braked: givenBackW + Math.max(0, -neededW),
      },
    },
  };
}
