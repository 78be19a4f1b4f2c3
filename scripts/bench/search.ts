/** The search against the same formulas written out for mathjs, as a spreadsheet user would, and how many sets it judges. */
import { readFileSync } from 'node:fs';
import { compile, type EvalFunction } from 'mathjs';
import { askedOf } from '@zubric/core/demand';
import { drivelineOf } from '@zubric/core/drive';
import { search, usualLimits } from '@zubric/core/search';
import {
  choosePart,
  drivesThat,
  isChosen,
  partSchema,
  readBuild,
  whole,
  type Build,
  type ChosenPart,
} from '@zubric/core/vehicle';
import type {
  BatteryFigures,
  DriverFigures,
  FrameFigures,
  MotorFigures,
  TrainFigures,
} from '../../packages/core/src/search/figures.ts';
import { SetJudge } from '../../packages/core/src/search/judge-set.ts';
import {
  batteryFigures,
  driverFigures,
  frameFigures,
  motorFigures,
} from '../../packages/core/src/search/part-figures.ts';
import { SetBook } from '../../packages/core/src/search/set-book.ts';
import { trainsOf } from '../../packages/core/src/search/trains.ts';

const shelf = ['motors', 'drivers', 'batteries'].flatMap((file) =>
  partSchema.array().parse(JSON.parse(readFileSync(`data/shelf/${file}.json`, 'utf8'))),
);
const ofKind = <K extends ChosenPart['kind']>(kind: K) =>
  shelf.filter(isChosen).filter((part): part is Extract<ChosenPart, { kind: K }> => part.kind === kind);

function demo(name: string): Build {
  const read = readBuild(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
  if (!read.ok) throw new Error(`${name} does not read`);
  return drivesThat(whole(read.build), 'propels')[0] ?? read.build;
}

/** A set as the kernel takes it. */
interface Set {
  readonly motor: MotorFigures;
  readonly battery: BatteryFigures;
  readonly driver: DriverFigures;
  readonly train: TrainFigures;
}

const SETS = 10_000;

/** Distinct sets of a build, motor by motor, as a search takes them. */
function someSets(build: Build, frame: FrameFigures): Set[] {
  const book = new SetBook(build, frame);
  const shapes = trainsOf(build, { ...usualLimits, stages: 1 }).flatMap(
    (stages) => book.shapeOf(stages) ?? [],
  );
  const asked = build.duties.map((duty) => askedOf(build, duty, drivelineOf(build)).asked);
  const judge = new SetJudge(frame);
  const sets: Set[] = [];
  for (const part of ofKind('motor')) {
    const motor = motorFigures(part);
    if (!motor || !book.startWith(part)) continue;
    for (const shape of shapes.filter((_, at) => at % 7 === 0)) {
      const train = book.figuresOf(shape);
      for (const cells of ofKind('battery').filter(({ chemistry }) => chemistry !== 'lead-acid')) {
        const battery = batteryFigures(choosePart(build, cells), asked);
        for (const driver of ofKind('driver').map(driverFigures)) {
          if (!battery || sets.length >= SETS || !judge.with(motor, battery, driver)) continue;
          // The written-out formulas have no answer where no ratio does a job, or no battery gives the power.
          const ohm = motor.ohm + frame.leadOhm + driver.ohm;
          const motors = frame.outputs * frame.motorsPerWheel;
          const does = train.duties.every(({ wheelTorqueNm, outerMps, amps, backV }) => {
            const watts = motors * amps * (amps * ohm + backV) + battery.auxiliaryW;
            return (
              (!(wheelTorqueNm > 0) || judge.reach(wheelTorqueNm, outerMps, train.efficiency).high > 0) &&
              battery.openCircuitV ** 2 > 4 * battery.ohm * watts
            );
          });
          if (does) sets.push({ motor, battery, driver, train });
        }
      }
    }
  }
  return sets;
}

/** Current of full command against so many volts, and how it changes with them. */
const full = (to: string, volts: string): string[] => [
  `b${to} = Voc + sag * (${volts})`,
  `q${to} = sqrt(b${to}^2 - 4 * steep * Rs * aux)`,
  `F${to} = (d * (b${to} + q${to}) / (2 * steep) - (${volts})) / R`,
  `I${to} = min(F${to}, lim)`,
  `D${to} = F${to} > lim ? 0 : (d * sag * (1 + b${to} / q${to}) / (2 * steep) - 1) / R`,
];

const STEPS = 14;

/** A foot of the hill of torque over ratio, by steps along its slope. */
const foot = (name: string, start: string, n: number): string[] => [
  `${name} = ${start}`,
  ...Array.from({ length: STEPS }, () => [
    `c = ke * v${n} / r`,
    ...full('w', `c * ${name}`),
    `${name} = ${name} + (T${n} - k * ${name} * (Iw - I0)) / (k * (Iw - I0 + ${name} * c * Dw))`,
  ]).flat(),
];

/** The speed at which a pull is met, without air. */
const settles = (name: string, force: string): string[] => [
  `A${name} = I0 + ${force} * r / (m * kt * i * (${force} >= 0 ? eff : 1 / eff))`,
  `B${name} = Voc - Rs * m * d * A${name}`,
  `V${name} = (B${name} + sqrt(max(0, B${name}^2 - 4 * Rs * aux))) / 2`,
  `${name} = A${name} >= Istall ? 0 : (d * V${name} - A${name} * R) * r / (ke * i)`,
];

/** The formulas of a set, duty by duty, as cells of a spreadsheet. */
function sheetOf({ duties, roads }: TrainFigures): string {
  const lines = [
    'sag = m * Rs / R * d',
    'steep = 1 + sag * d',
    'k = mpw * eff * kt',
    ...full('s', '0'),
    'Istall = Is',
    ...roads.flatMap((_, at) => settles(`S${at}`, `N${at}`)),
  ];
  const most = ['0'];
  const currents: string[] = [];
  const volts: string[] = [];
  const charge: string[] = [];
  for (const [n, { drives, wheelTorqueNm, road, top }] of duties.entries()) {
    if (!drives) continue;
    lines.push(
      `a${n} = T${n} * (T${n} >= 0 ? 1 / eff : eff) / (i * mpw) / kt + I0`,
      `e${n} = ke * v${n} / r * i`,
      `P${n} = m * a${n} * (a${n} * R + e${n}) + aux`,
      `J${n} = 2 * P${n} / (Voc + sqrt(Voc^2 - 4 * Rs * P${n}))`,
    );
    most.push(`J${n}`);
    currents.push(`abs(a${n})`);
    volts.push(`Voc - Rs * J${n}`);
    charge.push(`max(0, J${n}) * t${n}`);
    if (road >= 0) lines.push(`speed${n} = S${road} / v${n}`);
    if (top >= 0) lines.push(`over${n} = may${n} / S${top}`);
    if (!(wheelTorqueNm > 0)) continue;
    lines.push(
      ...full('t', `e${n}`),
      `torque${n} = max(0, k * i * (It - I0) / T${n})`,
      ...foot(`lo${n}`, `T${n} / (k * (Istall - I0))`, n),
      ...foot(`hi${n}`, `d * Voc * r / (ke * v${n})`, n),
      `ratio${n} = min(i / max(0.1, lo${n}), min(1e5, hi${n}) / i)`,
    );
  }
  lines.push(
    `most = max(${most.join(', ')})`,
    `driverCurrent = drCont / max(${currents.join(', ')})`,
    'batteryCurrent = baCont / most',
    `batteryVoltage = min(${volts.join(', ')}) / least`,
    `runs = usable * capacity / ((${charge.join(' + ')}) / lasts) * 3600`,
    'energy = runs / lasts',
    'stageStall = stages / (kt * (Istall - I0))',
    'pathStall = path / (kt * (Istall - I0))',
  );
  return lines.join('\n');
}

const cellsOf = ({ motor, battery, driver, train }: Set, frame: FrameFigures): Record<string, number> => ({
  R: motor.ohm + frame.leadOhm + driver.ohm,
  ke: motor.keVsPerRad,
  kt: motor.ktNmPerA,
  I0: motor.noLoadA,
  Voc: battery.openCircuitV,
  Rs: battery.ohm,
  aux: battery.auxiliaryW,
  capacity: battery.capacityAh ?? Infinity,
  baCont: battery.continuousA,
  least: Math.max(battery.emptyV, driver.leastV),
  lim: driver.limitA,
  drCont: driver.continuousA,
  d: frame.commandShare,
  m: frame.outputs * frame.motorsPerWheel,
  mpw: frame.motorsPerWheel,
  r: frame.wheelRadiusM,
  usable: frame.usableShare,
  i: train.ratio,
  eff: train.efficiency,
  lasts: train.durationS,
  stages: train.stagesStandNm,
  path: train.pathStandsNm,
  ...Object.fromEntries(train.roads.map(({ steadyN }, at) => [`N${at}`, steadyN])),
  ...Object.fromEntries(
    train.duties.flatMap(({ wheelTorqueNm, outerMps, durationS, mayMps }, n) => [
      [`T${n}`, wheelTorqueNm],
      [`v${n}`, outerMps],
      [`t${n}`, durationS],
      [`may${n}`, mayMps],
    ]),
  ),
});

/** Which cell holds which margin. */
function cellOf(link: string, n: number): string | undefined {
  const each: Record<string, string> = {
    speed: 'speed',
    torque: 'torque',
    ratio: 'ratio',
    'over-speed': 'over',
  };
  const whole: Record<string, string> = {
    'driver-current': 'driverCurrent',
    'battery-current': 'batteryCurrent',
    'battery-voltage': 'batteryVoltage',
    energy: 'energy',
    'stage-stall': 'stageStall',
    'path-stall': 'pathStall',
  };
  return n >= 0 && each[link] !== undefined ? `${each[link]}${n}` : whole[link];
}

const NEAR = 1e-9;

/** Times faster than mathjs on the same sets; refuses where the two do not agree. */
export function searchAgainstMathjs(): number {
  const build = demo('puffin');
  const frame = frameFigures(build);
  const sets = someSets(build, frame);
  if (sets.length < SETS) throw new Error(`only ${sets.length} sets`);
  const sheets = new Map<string, EvalFunction>();
  const sheet = (train: TrainFigures): EvalFunction => {
    const text = sheetOf(train);
    const known = sheets.get(text) ?? compile(text);
    sheets.set(text, known);
    return known;
  };
  const written = sets.map(({ train }) => sheet(train));
  const cells = sets.map((set) => cellsOf(set, frame));
  let compared = 0;
  const heard = new Map<string, number>();
  const told = new SetJudge(frame, (link, dutyId, ratio) => heard.set(`${link} ${dutyId ?? ''}`, ratio));
  for (let at = 0; at < SETS; at += 1) {
    const [set, scope, expression] = [sets[at], { ...cells[at] }, written[at]];
    if (!set || !expression) continue;
    heard.clear();
    told.with(set.motor, set.battery, set.driver);
    told.judge(set.train);
    expression.evaluate(scope);
    for (const [key, ratio] of heard) {
      const [link = '', dutyId = ''] = key.split(' ');
      const cell = cellOf(
        link,
        set.train.duties.findIndex((duty) => duty.dutyId === dutyId),
      );
      const other = cell === undefined ? undefined : scope[cell];
      if (other === undefined || (link === 'battery-voltage' && other < 0.5)) continue;
      compared += 1;
      if (Math.abs(other - ratio) > NEAR * Math.max(1, Math.abs(ratio)))
        throw new Error(`set ${at}, ${key}: ${ratio} here, ${other} by mathjs`);
    }
  }
  if (compared < 10 * SETS) throw new Error(`only ${compared} margins were compared`);
  const judge = new SetJudge(frame);
  const ours = (): void => {
    for (const { motor, battery, driver, train } of sets) {
      judge.with(motor, battery, driver);
      judge.judge(train);
    }
  };
  for (let n = 0; n < 5; n += 1) ours();
  const timed = (work: () => void): number => {
    const start = performance.now();
    work();
    return performance.now() - start;
  };
  const own = Math.min(...Array.from({ length: 5 }, () => timed(ours)));
  const theirs = timed(() => {
    for (let at = 0; at < SETS; at += 1) written[at]?.evaluate({ ...cells[at] });
  });
  return theirs / own;
}

/** Sets that one search judges in a second, all of it counted: the demo shelf on a demo build of four duties. */
export function setsASecond(): number {
  const build = demo('glasshouse-rail');
  const motors = shelf.filter((part) => part.kind !== 'motor' || motorFigures(part) !== undefined);
  const rate = (): number => {
    const start = performance.now();
    const { judged } = search({ build, shelf: motors, limits: usualLimits });
    return judged / ((performance.now() - start) / 1000);
  };
  return [rate(), rate(), rate()].sort((a, b) => a - b)[1] ?? NaN;
}
