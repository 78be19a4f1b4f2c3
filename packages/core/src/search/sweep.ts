import { accelerationOf } from '../demand/index.ts';
import { marginsOf, type LinkReport } from '../judge/index.ts';
import { choosePart, taskOf, type Build, type PartOf } from '../vehicle/index.ts';
import { burden, batteriesFor, driversFor, motorCount, type Candidates, type Driven } from './candidates.ts';
import type { BatteryFigures, DriverFigures, FrameFigures, MotorFigures, TrainFigures } from './figures.ts';
import { alikeDrives, putSetIn, type FoundSet, type Worth } from './found-set.ts';
import { Front } from './front.ts';
import { SetJudge, type Judged } from './judge-set.ts';
import type { SearchLimits } from './limits.ts';
import type { JobSpan } from './line-figures.ts';
import { batteryFigures, driverFigures, frameFigures, motorFigures } from './part-figures.ts';
import { SetBook } from './set-book.ts';
import { spreadOut } from './trains.ts';
import { isGivenIn } from './tally.ts';
import type { TrainShape } from './train-shape.ts';

/** What is kept of all that was judged. */
export class Kept {
  /** Sets that work, of which none is as good as another in everything. */
  readonly front = new Front<FoundSet>();
  judged = 0;
  /** Motors and batteries of which some were tried, and none of their ratios does what is asked. */
  readonly noRatio = new Set<string>();
  works = 0;
  private readonly bestBy = new Map<string, FoundSet>();

  /** Takes in the best of sets that differ in their trains alone. */
  add(set: FoundSet): void {
    if (set.works) this.front.add(set);
    for (const part of [set.motor, set.driver, set.battery]) {
      const best = part && this.bestBy.get(part.id);
      if (part && (!best || isNearer(set, best))) this.bestBy.set(part.id, set);
    }
  }

  /** Where nothing works: of each motor the set that is nearest to it, the nearest first. */
  nearest(): readonly FoundSet[] {
    const each = new Set([...this.bestBy].flatMap(([id, set]) => (set.motor.id === id ? set : [])));
    return [...each].sort((a, b) => a.lacks - b.lacks).slice(0, NEAREST);
  }

  /** The set of a part that is nearest to working. */
  bestOf(partId: string): FoundSet | undefined {
    return this.bestBy.get(partId);
  }
}

const isNearer = (a: Worth, b: Worth): boolean => {
  if (a.works !== b.works) return a.works;
  return a.works ? a.near > b.near : a.lacks < b.lacks;
};

/** So many sets are told where none works. */
const NEAREST = 12;

/** A train, and what it is behind the motor that is looked at. */
interface Behind {
  readonly shape: TrainShape;
  figures?: TrainFigures;
}

/** Where nothing works, so many trains of each motor are looked at, however little they suit. */
const TRIED_ANYWAY = 24;

/** All sets on one frame: the build on driven wheels of one size. */
export class Sweep {
  private readonly frame: FrameFigures;
  private readonly book: SetBook;
  private readonly judge: SetJudge;
  private readonly shapes: readonly TrainShape[];
  private readonly batteryBy = new Map<string, BatteryFigures | undefined>();
  private readonly driverBy = new Map<string, DriverFigures>();

  /**
   * @param build looked at through the drive that moves it
   * @param any a motor to look at it with
   */
  constructor(
    private readonly build: Build,
    private readonly any: PartOf<'motor'>,
    private readonly candidates: Candidates,
    private readonly limits: SearchLimits,
    trains: readonly TrainShape['stages'][],
    private readonly wheelDiameterM: number | undefined,
  ) {
    this.frame = frameFigures(choosePart(build, any));
    this.book = new SetBook(build, this.frame);
    this.judge = new SetJudge(this.frame);
    this.shapes = trains
      .flatMap((stages) => this.book.shapeOf(stages, any) ?? [])
      // Trains that move it alike follow each other.
      .sort((a, b) => a.ratio - b.ratio || a.efficiency - b.efficiency);
  }

  /** Whether sets of this build are judged by themselves; else each is put in and judged in full. */
  static suits = (build: Build): boolean =>
    alikeDrives(build).length === 1 && build.brake.kind !== 'electronic';

  /** All sets with a motor; of trains that cannot suit only where `anyway`. Gives way after each battery. */
  *withMotor(motor: PartOf<'motor'>, kept: Kept, anyway: boolean): Generator<void> {
    const figures = motorFigures(motor);
    if (!figures || !this.book.startWith(motor)) return;
    const behind = this.shapes.map((shape): Behind => ({ shape }));
    const tried = anyway ? spreadOut(behind, TRIED_ANYWAY, ({ shape }) => shape.ratio) : behind;
    const drivers = driversFor(this.build, motor, this.candidates.drivers);
    for (const battery of batteriesFor(this.build, motor, this.candidates.batteries)) {
      const fed = this.batteryOf(battery);
      if (!fed) continue;
      const suit = this.thatSuit(motor, figures, fed, behind);
      // What suits was judged at the first look.
      const trains = anyway ? tried.filter((train) => !suit.includes(train)) : suit;
      if (suit.length === 0) {
        kept.noRatio.add(motor.id);
        kept.noRatio.add(battery.id);
      }
      for (const driven of drivers) this.withDriver({ motor, figures, battery, fed, driven }, trains, kept);
      yield;
    }
  }

  private withDriver(
    {
      motor,
      figures,
      battery,
      fed,
      driven,
    }: {
      readonly motor: PartOf<'motor'>;
      readonly figures: MotorFigures;
      readonly battery: PartOf<'battery'>;
      readonly fed: BatteryFigures;
      readonly driven: Driven;
    },
    trains: readonly Behind[],
    kept: Kept,
  ): void {
    const { driver, count } = driven;
    const counts = { motors: motorCount(this.build), drivers: count };
    const weighs = burden({ motor, driver, battery, counts }, this.limits);
    const by = this.driverOf(driver);
    if (!weighs || by.mostV < fed.fullV || !this.judge.with(figures, fed, by)) return;
    const group = new Group();
    for (const train of trains) {
      train.figures ??= this.book.figuresOf(train.shape);
      const judged = this.judge.judge(train.figures);
      kept.judged += 1;
      if (!judged.tally.fails) kept.works += 1;
      group.add(train.shape, judged);
    }
    const { wheelDiameterM } = this;
    for (const { shape, ...worth } of group.members)
      kept.add({ motor, driver, battery, stages: shape.stages, wheelDiameterM, ...weighs, ...worth });
  }

  /** Trains whose ratio is within what every duty allows, losses behind the motor and the driver left out. */
  private thatSuit(
    motor: PartOf<'motor'>,
    figures: MotorFigures,
    fed: BatteryFigures,
    trains: readonly Behind[],
  ): readonly Behind[] {
    const { judge, shapes } = this;
    const [any] = shapes;
    if (!any || !judge.with(figures, fed, driverFigures(undefined))) return [];
    const reach: JobSpan = { low: 0, high: Infinity };
    const efficiency = motor.gearhead?.efficiency ?? 1;
    for (const [at, { wheelTorqueNm, outerMps }] of any.duties.entries()) {
      const duty = any.asked[at]?.duty;
      if (!duty || !taskOf(duty).drives || accelerationOf(duty) < 0 || !(wheelTorqueNm > 0)) continue;
      const { low, high } = judge.reach(wheelTorqueNm, outerMps, efficiency);
      reach.low = Math.max(reach.low, low === 0 ? Infinity : low);
      reach.high = Math.min(reach.high, high);
    }
    const turns = motor.gearhead?.ratio ?? 1;
    // Steps to a foot of the hill end within so much of it.
    const slack = 1 + 1e-9;
    return trains.filter(
      ({ shape: { ratio } }) => ratio * turns * slack >= reach.low && ratio * turns <= reach.high * slack,
    );
  }

  private batteryOf(battery: PartOf<'battery'>): BatteryFigures | undefined {
    if (!this.batteryBy.has(battery.id)) {
      const build = choosePart(choosePart(this.build, this.any), battery);
      const asked = this.shapes[0]?.asked.map((one) => one.asked) ?? [];
      this.batteryBy.set(battery.id, batteryFigures(build, asked));
    }
    return this.batteryBy.get(battery.id);
  }

  private driverOf(driver: PartOf<'driver'> | undefined): DriverFigures {
    const key = driver?.id ?? '';
    const known = this.driverBy.get(key) ?? driverFigures(driver);
    this.driverBy.set(key, known);
    return known;
  }
}

/** One of sets that differ in their trains alone. */
interface Member extends Pick<Worth, 'near' | 'runTimeS' | 'works' | 'lacks'> {
  readonly shape: TrainShape;
}

/** Sets that differ in their trains alone: those that work and last longest or have the most to spare; else the nearest to it. */
class Group {
  members: readonly Member[] = [];

  add(shape: TrainShape, { near, runTimeS, tally: { fails, lacks } }: Judged): void {
    const beaten = fails
      ? this.members.some((member) => member.works || member.lacks <= lacks)
      : this.members.some((member) => member.works && member.near >= near && member.runTimeS >= runTimeS);
    if (beaten) return;
    const rest = fails
      ? []
      : this.members.filter(
          (member) => member.works && !(near >= member.near && runTimeS >= member.runTimeS),
        );
    this.members = [...rest, { shape, near, runTimeS, works: !fails, lacks }];
  }
}

/** A set put in and judged in full: where it is not judged by itself. */
export function worthInFull(
  build: Build,
  set: Parameters<typeof putSetIn>[1],
): Omit<Worth, 'cost' | 'massKg'> {
  const margins = marginsOf(putSetIn(build, set));
  const { links, outing } = margins;
  const near = (of: readonly LinkReport[]): number => Math.min(...of.map(({ ratio, rule }) => ratio / rule));
  const given = links.filter((link) => isGivenIn(margins, link));
  const own = links.filter((link) => !given.includes(link));
  return {
    near: given.some(({ ratio }) => ratio < 1) ? near(own) : near(links),
    works: own.every(({ ratio }) => ratio >= 1),
    lacks: own.reduce((sum, { ratio }) => sum + Math.max(0, 1 - ratio), 0),
    runTimeS: outing?.runTimeS ?? Infinity,
  };
}
