import { NotPhysical } from '../contract/index.ts';
import { radSToRpm, rpmToRadS, type Dimension } from '../quantity/index.ts';
import { GUESSES, SETTLES, USUAL, type Guess, type Guesses, type Settling } from './printed-guesses.ts';
import { bare, solve, type PrintedMotor } from './printed-law.ts';

/** The figures of a data sheet, all of them. */
export interface MotorFigures {
  readonly voltageV: number;
  readonly noLoadRpm: number;
  readonly noLoadA: number;
  readonly stallTorqueNm: number;
  readonly stallA: number;
  readonly continuousA: number;
}

/** Two figures that cannot both be so: what is printed, and what the others come to. */
export interface Contradiction {
  readonly title: string;
  readonly dimension: Dimension;
  /** Both in SI. */
  readonly printed: number;
  readonly follows: number;
}

/** A motor found from what is printed on it, and how sure each figure is. */
export interface FoundMotor {
  readonly figures: MotorFigures;
  readonly gearhead?: { readonly ratio: number; readonly efficiency: number };
  /** Figures that rest on a guess, each with how far off it may be, as a share of it. */
  readonly guessed: Readonly<Record<string, number>>;
  /** The same, from the least to the most that it may be. */
  readonly between: Readonly<Record<string, readonly [least: number, most: number]>>;
  /** What would settle the guesses: a reading, and the quick sum that takes it. */
  readonly settles: readonly Settling[];
  readonly contradictions: readonly Contradiction[];
}

/** Figures that differ by more than this contradict each other (common practice, no source). */
const APART = 0.15;

/** The figures at one set of guesses. */
function figuresAt(printed: PrintedMotor, g: Guesses) {
  const gear = printed.gearEfficiency ?? g.gear;
  const p = bare(printed, gear);
  const solved = solve(p, g);
  if (!solved)
    throw new NotPhysical(
      'too-little-printed',
      'That is too little: beside the voltage it takes no-load speed with stall torque or stall current; or rated power and speed; or the speed constant with the resistance.',
    );
  const { resistanceOhm, k, idleA } = solved;
  const stallA = p.voltageV / resistanceOhm;
  if (!(idleA < stallA) || !(k > 0) || !(resistanceOhm > 0))
    throw new NotPhysical(
      'no-such-motor',
      'No motor has these figures: check the units, and whether they are of the same shaft.',
    );
  const used = new Set(solved.used);
  if (printed.gearRatio !== undefined && printed.gearEfficiency === undefined) used.add('gear');
  if (p.ratedA === undefined) used.add('allDay');
  const figures: MotorFigures = {
    voltageV: p.voltageV,
    noLoadRpm: p.noLoadRpm ?? radSToRpm((p.voltageV - idleA * resistanceOhm) / k),
    noLoadA: idleA,
    stallTorqueNm: p.stallTorqueNm ?? k * (stallA - idleA),
    stallA,
    continuousA: p.ratedA ?? g.allDay * stallA,
  };
  return { figures, used, solved, gear };
}

/** From where to where each figure goes as the guesses do; what does not move is left out. */
function rangesOf(printed: PrintedMotor, usually: MotorFigures, used: ReadonlySet<Guess>) {
  const ranges: Record<string, readonly [number, number]> = {};
  for (const guess of used)
    for (const end of GUESSES[guess].slice(1)) {
      const moved = orNothing(() => figuresAt(printed, { ...USUAL, [guess]: end }).figures);
      if (!moved) continue;
      for (const key of Object.keys(usually) as (keyof MotorFigures)[]) {
        const [least, most] = ranges[key] ?? [usually[key], usually[key]];
        if (Math.abs(moved[key] / usually[key] - 1) > 1e-6)
          ranges[key] = [Math.min(least, moved[key]), Math.max(most, moved[key])];
      }
    }
  return ranges;
}

function orNothing<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch (error) {
    if (error instanceof NotPhysical) return undefined;
    throw error;
  }
}

/**
 * What is printed beside what the law makes of the rest, each of the shaft that it is printed of: the two are one where
 * the figures go together.
 */
function contradictionsOf(
  printed: PrintedMotor,
  { solved, gear }: ReturnType<typeof figuresAt>,
): Contradiction[] {
  const { resistanceOhm, k, idleA } = solved;
  const { voltageV, gearRatio = 1 } = printed;
  const through = printed.gearRatio === undefined ? 1 : gear;
  const ratedRadS = printed.ratedRpm && rpmToRadS(printed.ratedRpm);
  const ratedNm = printed.ratedTorqueNm ?? (printed.ratedW && ratedRadS && printed.ratedW / ratedRadS);
  /** Torque and speed of the printed shaft at a current of the motor. */
  const torqueAt = (amps: number): number => k * (amps - idleA) * gearRatio * through;
  const speedAt = (amps: number): number => (voltageV - amps * resistanceOhm) / k / gearRatio;
  const check = (
    title: string,
    dimension: Dimension,
    said: number | undefined,
    follows: number,
  ): Contradiction[] =>
    said !== undefined && Math.abs(said / follows - 1) > APART
      ? [{ title, dimension, printed: said, follows }]
      : [];
  return [
    ...check(
      'Speed without load',
      'rotation',
      printed.noLoadRpm && rpmToRadS(printed.noLoadRpm),
      speedAt(idleA),
    ),
    ...check('Stall torque', 'torque', printed.stallTorqueNm, torqueAt(voltageV / resistanceOhm)),
    ...check('Stall current', 'current', printed.stallA, voltageV / resistanceOhm),
    ...check('Current without load', 'current', printed.noLoadA, idleA),
    ...check('Speed constant', 'number', printed.kvRpmPerV, radSToRpm(1 / k)),
    ...(printed.ratedA === undefined
      ? []
      : check('Rated torque', 'torque', ratedNm, torqueAt(printed.ratedA))),
    ...(ratedNm === undefined
      ? []
      : check('Rated speed', 'rotation', ratedRadS, speedAt(idleA + ratedNm / (k * gearRatio * through)))),
  ];
}

/**
 * A brushed or brushless motor from what is printed on it. What is missing is taken as usual, each such figure with
 * how far off it may be; figures that cannot go together are told with both values.
 *
 * @throws NotPhysical where too little is printed, or no motor has such figures
 * @example motorFromPrint({ voltageV: 24, ratedW: 300, ratedRpm: 120 }).figures.stallTorqueNm // 159.2
 */
export function motorFromPrint(printed: PrintedMotor): FoundMotor {
  const found = figuresAt(printed, USUAL);
  const { figures, used } = found;
  const { gearRatio: ratio } = printed;
  const between = rangesOf(printed, figures, used);
  return {
    figures,
    ...(ratio === undefined ? {} : { gearhead: { ratio, efficiency: printed.gearEfficiency ?? USUAL.gear } }),
    guessed: Object.fromEntries(
      Object.entries(between).map(([key, [least, most]]) => {
        const usually = figures[key as keyof MotorFigures];
        return [key, Number(Math.max(1 - least / usually, most / usually - 1).toPrecision(2))];
      }),
    ),
    between,
    settles: [...used].map((guess) => SETTLES[guess]),
    contradictions: contradictionsOf(printed, found),
  };
}
