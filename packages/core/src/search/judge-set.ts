import { CHARGE, chargeTime, withAuxiliary } from '../supply/index.ts';
import { FUSE } from '../judge/index.ts';
import type {
  BatteryFigures,
  DriverFigures,
  FrameFigures,
  MotorFigures,
  TrainDuty,
  TrainFigures,
} from './figures.ts';
import { equivalentA, putLeg, worstRms, type Legs } from './legs.ts';
import {
  bestNm,
  blankLine,
  fullA,
  isStarved,
  holdsStall,
  settle,
  settlesAt,
  spanOf,
  pullN,
  wheelNmAt,
  type LineFigures,
  type JobSpan,
} from './line-figures.ts';
import { count, countAll, countRatio, emptied, freshTally, type Hears, type Tally } from './tally.ts';

const SECONDS_PER_HOUR = 3600;

/** What a set came to: written anew for the next. */
export interface Judged {
  /** Of the margins that a part of the set changes. */
  readonly tally: Tally;
  /** The least of ratio over rule of all margins; and what sets are told from each other by. */
  worst: number;
  near: number;
  /** How long the battery lasts at the mix of the duties, s; Infinity where nothing is drawn. */
  runTimeS: number;
}

/**
 * Judges sets of motor, driver, battery and train: every margin that a part of the set changes, for every duty; the rest is
 * taken over. The same figures as `evaluate` gives.
 *
 * Asked in the order motor, battery, driver, train, as what depends on fewer of them is then worked out less often.
 */
export class SetJudge {
  private readonly line: LineFigures = blankLine();
  /** Ratio windows that are known of this motor, battery and driver: each by when it was found. */
  private readonly low: number[] = [];
  private readonly high: number[] = [];
  private readonly foundAt: number[] = [];
  private turn = 0;
  private readonly span: JobSpan = { low: 0, high: 0 };
  /** The most torque at a duty's speed whatever the ratio, without losses, N·m; below 0 where not asked yet. */
  private readonly most: number[] = [];
  /** How fast it goes on each road of a train. */
  private readonly fastest: number[] = [];
  private readonly legs: Legs = { seconds: [], amps: [] };
  private readonly judged: Judged;
  /** What all trains have in common that move it alike, and which those are. */
  private readonly moving: Tally;
  private movesAs = -1;
  private runTimeS = 0;
  private battery: BatteryFigures | undefined;
  private driver: DriverFigures | undefined;
  private idleA = 0;
  /** What is drawn beside over the outing more than while the motors move it. */
  private moreA = 0;
  /** The most that the battery gives in any duty of a set, and the least volts that it then has. */
  private mostA = 0;
  private lowestV = 0;
  private stallA = 0;
  private stallNm = 0;
  private startA = 0;

  constructor(
    private readonly frame: FrameFigures,
    hears?: Hears,
  ) {
    this.moving = freshTally(hears);
    this.judged = { tally: freshTally(hears), worst: Infinity, near: Infinity, runTimeS: 0 };
    this.line.commandShare = frame.commandShare;
    this.line.motors = frame.outputs * frame.motorsPerWheel;
    this.line.motorsPerWheel = frame.motorsPerWheel;
    this.line.wheelRadiusM = frame.wheelRadiusM;
  }

  /** The motor, battery and driver of the sets that follow; false where the battery does not even feed what is drawn beside. */
  with(motor: MotorFigures, battery: BatteryFigures, driver: DriverFigures): boolean {
    const { line } = this;
    this.battery = battery;
    this.driver = driver;
    line.ohm = motor.ohm + this.frame.leadOhm + driver.ohm;
    line.keVsPerRad = motor.keVsPerRad;
    line.ktNmPerA = motor.ktNmPerA;
    line.noLoadA = motor.noLoadA;
    line.openCircuitV = battery.openCircuitV;
    line.supplyOhm = battery.ohm;
    line.batteryLimitA = battery.limitA;
    line.auxiliaryW = battery.auxiliaryW;
    line.currentLimitA = driver.limitA;
    settle(line);
    this.turn += 1;
    this.movesAs = -1;
    this.most.fill(-1);
    this.stallA = fullA(line, 0);
    this.stallNm = Math.max(0, line.ktNmPerA * (this.stallA - line.noLoadA));
    this.idleA = this.drawnA(line.auxiliaryW);
    this.startA = this.startingA();
    this.moreA = battery.moreW / line.openCircuitV;
    return !isStarved(line);
  }

  /** The ratios at which motor, battery and driver do a job at the wheel through so much loss; written anew by the next. */
  reach(wheelTorqueNm: number, speedMps: number, efficiency: number): Readonly<JobSpan> {
    this.line.efficiency = efficiency;
    spanOf(this.line, wheelTorqueNm, speedMps, this.span);
    return this.span;
  }

  /** Current at which the battery gives a power; at the most that it can give, where it cannot. */
  private drawnA(powerW: number): number {
    const { openCircuitV, supplyOhm } = this.line;
    const square = openCircuitV * openCircuitV - 4 * supplyOhm * powerW;
    return square < 0 ? openCircuitV / (2 * supplyOhm) : (2 * powerW) / (openCircuitV + Math.sqrt(square));
  }

  /** The most that the battery gives in a start: `startingCurrent` of the supply. */
  private startingA(): number {
    const { line, stallA } = this;
    const { openCircuitV, supplyOhm: supplyResistanceOhm, auxiliaryW, commandShare, motors } = line;
    const held = holdsStall(line);
    if (held === 'driver')
      return withAuxiliary({ openCircuitV, supplyResistanceOhm, auxiliaryW }, commandShare * motors * stallA);
    const straightV = (stallA * line.ohm) / commandShare;
    return held === 'voltage' && straightV < openCircuitV / 2
      ? (openCircuitV - straightV) / supplyResistanceOhm
      : this.drawnA(motors * stallA * stallA * line.ohm + auxiliaryW);
  }

  /** The set with this train behind its motor. What it gives is written anew by the next. */
  judge(train: TrainFigures): Judged {
    const { judged, battery, moving } = this;
    const { tally } = judged;
    emptied(tally);
    if (!battery) return judged;
    if (train.alike !== this.movesAs) this.move(train);
    countAll(tally, moving);
    countAll(tally, train.fixed);
    countAll(tally, battery.fixed);
    this.stalls(train);
    judged.runTimeS = this.runTimeS;
    const given = Math.min(train.given.worst, battery.given.worst);
    judged.worst = Math.min(tally.worst, given);
    // What fails whatever is put in tells no set from another.
    judged.near = train.given.fails || battery.given.fails ? tally.worst : judged.worst;
    return judged;
  }

  /** What is the same for all trains that move it alike: of one ratio, with the same losses, asked the same. */
  private move(train: TrainFigures): void {
    const { line, frame, fastest, battery, driver, moving } = this;
    if (!battery || !driver) return;
    this.movesAs = train.alike;
    emptied(moving);
    line.ratio = train.ratio;
    line.efficiency = train.efficiency;
    const atRestN = pullN(line, 0);
    for (let at = 0; at < train.roads.length; at += 1) {
      const road = train.roads[at];
      if (road) fastest[at] = settlesAt(line, road, frame.dragNs2PerM2, atRestN);
    }
    this.mostA = 0;
    this.lowestV = Infinity;
    for (let at = 0; at < train.duties.length; at += 1) {
      const duty = train.duties[at];
      if (duty) this.duty(duty, train, at);
    }
    if (this.lowestV < Infinity) {
      const { policy } = frame;
      count(moving, 'battery-current', null, this.mostA, battery.continuousA, policy.current);
      count(moving, 'battery-voltage', null, Math.max(battery.emptyV, driver.leastV), this.lowestV, 1);
      if (driver.there)
        count(moving, 'driver-current', null, train.mostA, driver.continuousA, policy.current);
    }
    this.held();
    this.outing(train);
  }

  /** The margins of a duty that are not the worst of all duties, and what it draws. */
  private duty(duty: TrainDuty, train: TrainFigures, at: number): void {
    const { line, frame, fastest, legs, moving } = this;
    const { policy } = frame;
    const { dutyId, backV, drives } = duty;
    if (duty.top >= 0) count(moving, 'over-speed', dutyId, fastest[duty.top] ?? 0, duty.mayMps, 1);
    let meanA = this.idleA;
    if (drives) {
      if (duty.road >= 0)
        count(moving, 'speed', dutyId, duty.outerMps, fastest[duty.road] ?? 0, policy.speed);
      if (duty.wheelTorqueNm > 0) {
        count(moving, 'torque', dutyId, duty.wheelTorqueNm, wheelNmAt(line, backV), policy.torque);
        this.window(duty, train, at);
      }
      const drawn = this.drawnA(line.motors * eachW(duty, line.ohm) + line.auxiliaryW);
      const batteryV = drawn < 0 ? line.openCircuitV : line.openCircuitV - line.supplyOhm * drawn;
      meanA = drawn > 0 ? drawn : 0;
      if (meanA > this.mostA) this.mostA = meanA;
      if (batteryV < this.lowestV) this.lowestV = batteryV;
    }
    const more = meanA + this.moreA;
    const starts = drives ? duty.startsW / line.openCircuitV : 0;
    const legA = (more > 0 ? more : 0) + starts;
    putLeg(legs, at, duty.durationS, legA);
  }

  /** How far inside its window the ratio stands: `ratioStanding` of the judge. */
  private window(duty: TrainDuty, { windows, duties, efficiency }: TrainFigures, at: number): void {
    const { line, low, high, foundAt, span, most, moving } = this;
    const key = windows * duties.length + at;
    if (foundAt[key] !== this.turn) {
      spanOf(line, duty.wheelTorqueNm, duty.outerMps, span);
      low[key] = span.low;
      high[key] = span.high;
      foundAt[key] = this.turn;
    }
    const [first, last] = [low[key] ?? 0, high[key] ?? 0];
    if (last > 0) {
      const [fromLow, fromHigh] = [line.ratio / first, last / line.ratio];
      countRatio(moving, 'ratio', duty.dutyId, fromLow < fromHigh ? fromLow : fromHigh, 1);
      return;
    }
    if (!((most[at] ?? -1) >= 0)) most[at] = Math.max(0, bestNm(line, duty.outerMps) / efficiency);
    const best = ((most[at] ?? 0) * efficiency) / duty.wheelTorqueNm;
    countRatio(moving, 'ratio', duty.dutyId, best, 1);
  }

  /** Stages and path where the motors are held at full command. */
  private stalls({ stagesStandNm, pathStandsNm }: TrainFigures): void {
    const { tally } = this.judged;
    const { stallNm } = this;
    if (!(stallNm > 0)) return;
    countRatio(tally, 'stage-stall', null, stagesStandNm / stallNm, 1);
    countRatio(tally, 'path-stall', null, pathStandsNm / stallNm, 1);
  }

  /** Driver and battery where the motors are held at full command. */
  private held(): void {
    const { driver, battery, moving, stallA } = this;
    if (!driver || !battery) return;
    if (driver.there && !driver.limits) count(moving, 'driver-peak', null, stallA, driver.peakA, 1);
    if (driver.there) count(moving, 'driver-voltage', null, battery.fullV, driver.mostV, 1);
    count(moving, 'battery-peak', null, this.startA, battery.peakA, 1);
  }

  /** What the outing draws, and how long the battery lasts. */
  private outing(train: TrainFigures): void {
    const { frame, legs, moving, mostA } = this;
    const { length } = train.duties;
    if (frame.cableA !== undefined) count(moving, 'cable', null, worstRms(legs, length), frame.cableA, 1);
    if (frame.fuseA !== undefined) {
      const needs = Math.max(FUSE.headroom * mostA, this.startA / FUSE.forAStart);
      count(moving, 'fuse', null, needs, frame.fuseA, 1);
    }
    if (frame.switchA !== undefined) count(moving, 'main-switch', null, mostA, frame.switchA, 1);
    this.lasts(train);
  }

  private lasts({ duties, durationS }: TrainFigures): void {
    const { battery, frame, legs, moving } = this;
    this.runTimeS = Infinity;
    if (!battery || battery.capacityAh === undefined || !(durationS > 0)) return;
    const { capacityAh, exponent, ratedHours } = battery;
    let charge = 0;
    for (let at = 0; at < duties.length; at += 1) charge += (legs.amps[at] ?? 0) * (legs.seconds[at] ?? 0);
    if (!(charge > 0)) return;
    const meanA = charge / durationS;
    let hours = capacityAh / meanA;
    if (exponent !== 1) {
      const evenA = equivalentA(legs, duties.length, durationS, exponent);
      hours = Math.min(hours, ratedHours * (capacityAh / (ratedHours * evenA)) ** exponent);
    }
    this.runTimeS = frame.usableShare * hours * SECONDS_PER_HOUR;
    countRatio(moving, 'energy', null, this.runTimeS / durationS, frame.policy.energy);
    if (!frame.charge) return;
    const drawnShare = Math.min(1, (meanA * durationS) / SECONDS_PER_HOUR / capacityAh);
    const { chargerA, withinS } = frame.charge;
    const { hours: takes } = chargeTime.run({ ...CHARGE, capacityAh, drawnShare, chargerA });
    count(moving, 'charge', null, takes * SECONDS_PER_HOUR, withinS, 1);
  }
}

/** What each motor takes in a duty, W; round a bend the mean of both sides, of which a pushed one gives nothing back. */
function eachW({ amps, backV, halves, easyA, easyBackV }: TrainDuty, ohm: number): number {
  const hard = amps * (amps * ohm + backV);
  if (!halves) return hard;
  const easy = easyA * (easyA * ohm + easyBackV);
  return ((hard > 0 ? hard : 0) + (easy > 0 ? easy : 0)) / 2;
}
