import { NotPhysical, bracketedRoot } from '../contract/index.ts';
import { figure, rpmToRadS, sentence, radSToRpm, type Dimension, type Words } from '../quantity/index.ts';

/** What is printed on a motor or known of it: any sufficient part of it. Of the shaft that turns the rest. */
export interface PrintedMotor {
  readonly voltageV: number;
  readonly noLoadRpm?: number | undefined;
  readonly noLoadA?: number | undefined;
  readonly stallTorqueNm?: number | undefined;
  readonly stallA?: number | undefined;
  readonly ratedW?: number | undefined;
  readonly ratedRpm?: number | undefined;
  readonly ratedA?: number | undefined;
  readonly ratedTorqueNm?: number | undefined;
  readonly kvRpmPerV?: number | undefined;
  readonly resistanceOhm?: number | undefined;
  /** Turns of the motor for one of the shaft, where a gearhead is one with it and its ratio is known. */
  readonly gearRatio?: number | undefined;
  readonly gearEfficiency?: number | undefined;
}

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

export interface FoundMotor {
  readonly figures: MotorFigures;
  readonly gearhead?: { readonly ratio: number; readonly efficiency: number };
  /** Figures that rest on a guess, each with how far off it may be, as a share of it. */
  readonly guessed: Readonly<Record<string, number>>;
  /** The same, from the least to the most that it may be. */
  readonly between: Readonly<Record<string, readonly [least: number, most: number]>>;
  /** What would settle the guesses: a reading, and the quick sum that takes it. */
  readonly settles: readonly { readonly text: Words; readonly calculator?: string }[];
  readonly contradictions: readonly Contradiction[];
}

/** What is taken where nothing is printed: usual, least and most (common practice, no source). */
const GUESSES = {
  /** No-load current over stall current. */
  idleOfStall: [0.05, 0.02, 0.1],
  /** The same of a brushless motor, whose winding would draw hundreds of amperes. */
  idleOfWinding: [0.005, 0.002, 0.012],
  /** No-load current over rated current. */
  idleOfRated: [0.1, 0.05, 0.2],
  /** Rated speed over no-load speed. */
  droop: [0.85, 0.8, 0.9],
  /** Share of the power that comes through a gearhead. */
  gear: [0.8, 0.65, 0.9],
  /** Current that may flow all day over stall current. */
  allDay: [0.2, 0.12, 0.3],
} as const;
type Guess = keyof typeof GUESSES;
type Guesses = { readonly [G in Guess]: number };

/** Figures that differ by more than this contradict each other (common practice, no source). */
const APART = 0.15;

interface Solved {
  readonly resistanceOhm: number;
  /** Back-voltage and torque constant, V·s/rad = N·m/A. */
  readonly k: number;
  readonly idleA: number;
  readonly used: ReadonlySet<Guess>;
}

/** The same motor without its gearhead. */
function bare(printed: PrintedMotor, gear: number): PrintedMotor {
  const { gearRatio: ratio } = printed;
  if (ratio === undefined) return printed;
  const speed = (rpm?: number) => rpm && rpm * ratio;
  const torque = (nm?: number) => nm && nm / (ratio * gear);
  return {
    ...printed,
    noLoadRpm: speed(printed.noLoadRpm),
    ratedRpm: speed(printed.ratedRpm),
    stallTorqueNm: torque(printed.stallTorqueNm),
    ratedTorqueNm: torque(printed.ratedTorqueNm),
    ratedW: printed.ratedW && printed.ratedW / gear,
  };
}

/** From resistance and one of no-load speed, stall torque and speed constant. */
function byResistance(p: PrintedMotor, g: Guesses): Solved | undefined {
  const resistanceOhm = p.resistanceOhm ?? (p.stallA && p.voltageV / p.stallA);
  if (resistanceOhm === undefined) return undefined;
  const stallA = p.voltageV / resistanceOhm;
  const share: Guess = p.kvRpmPerV === undefined ? 'idleOfStall' : 'idleOfWinding';
  const idleA = p.noLoadA ?? g[share] * stallA;
  const used = new Set<Guess>(p.noLoadA === undefined ? [share] : []);
  if (p.noLoadRpm !== undefined)
    return { resistanceOhm, idleA, used, k: (p.voltageV - idleA * resistanceOhm) / rpmToRadS(p.noLoadRpm) };
  if (p.kvRpmPerV !== undefined) return { resistanceOhm, idleA, used, k: 1 / rpmToRadS(p.kvRpmPerV) };
  return p.stallTorqueNm === undefined
    ? undefined
    : { resistanceOhm, idleA, used, k: p.stallTorqueNm / (stallA - idleA) };
}

/** From no-load speed and stall torque: Ts ω0 / V = (Is − I0)² / Is. */
function byEnds(p: PrintedMotor, g: Guesses): Solved | undefined {
  if (p.noLoadRpm === undefined || p.stallTorqueNm === undefined) return undefined;
  const a = (p.stallTorqueNm * rpmToRadS(p.noLoadRpm)) / p.voltageV;
  const b = 2 * (p.noLoadA ?? 0) + a;
  const stallA =
    p.noLoadA === undefined
      ? a / (1 - g.idleOfStall) ** 2
      : (b + Math.sqrt(b * b - 4 * p.noLoadA * p.noLoadA)) / 2;
  const idleA = p.noLoadA ?? g.idleOfStall * stallA;
  return {
    resistanceOhm: p.voltageV / stallA,
    idleA,
    k: p.stallTorqueNm / (stallA - idleA),
    used: new Set<Guess>(p.noLoadA === undefined ? ['idleOfStall'] : []),
  };
}

/** From a rated load: P = (I − I0)(V − I R), ω k = V − I R; its speed over the no-load speed is usual where not known. */
function byRated(p: PrintedMotor, g: Guesses): Solved | undefined {
  if (p.ratedRpm === undefined) return undefined;
  const speed = rpmToRadS(p.ratedRpm);
  const powerW = p.ratedW ?? (p.ratedTorqueNm && p.ratedTorqueNm * speed);
  if (powerW === undefined) return undefined;
  const used = new Set<Guess>(p.noLoadRpm === undefined ? ['droop'] : []);
  const noLoadRpm = p.noLoadRpm ?? p.ratedRpm / g.droop;
  if (p.ratedA === undefined) {
    const { ratedA, idleA } = drawnAt(p, { powerW, droop: p.ratedRpm / noLoadRpm, idle: g.idleOfRated });
    if (p.noLoadA === undefined) used.add('idleOfRated');
    const backV = powerW / (ratedA - idleA);
    return { resistanceOhm: (p.voltageV - backV) / ratedA, k: backV / speed, idleA, used };
  }
  const { ratedA } = p;
  const at = (idleA: number) => {
    const backV = powerW / (ratedA - idleA);
    return { resistanceOhm: (p.voltageV - backV) / ratedA, k: backV / speed, idleA };
  };
  // More cannot go into friction than is drawn beside the shaft's power.
  const mostIdleA = ratedA - powerW / p.voltageV;
  if (mostIdleA <= 0)
    throw new NotPhysical(
      'more-out-than-in',
      sentence`${figure(powerW, 'power')} on the shaft are more than ${figure(p.voltageV * ratedA, 'power')} drawn (${figure(p.voltageV, 'voltage')} times ${figure(ratedA, 'current')}): is the power what it draws, and not what it gives?`,
    );
  if (p.noLoadA !== undefined && p.noLoadA < mostIdleA) return { ...at(p.noLoadA), used: new Set() };
  const idle = idleBySpeeds({ ...p, noLoadRpm }, { at, mostIdleA });
  return idle === undefined
    ? { ...at(Math.min(g.idleOfRated * ratedA, 0.9 * mostIdleA)), used: new Set<Guess>(['idleOfRated']) }
    : { ...at(idle), used };
}

interface RatedLoad {
  readonly powerW: number;
  /** Rated speed over no-load speed. */
  readonly droop: number;
  /** No-load current over rated current, where it is not known. */
  readonly idle: number;
}

/** What is drawn at a rated load: with d the droop and x = I0/I, I R = V (1 − d)/(1 − x d). */
function drawnAt({ voltageV, noLoadA }: PrintedMotor, { powerW, droop, idle }: RatedLoad) {
  const powerAt = (amps: number, x: number): number =>
    amps * (1 - x) * voltageV * (1 - (1 - droop) / (1 - x * droop));
  if (noLoadA === undefined || noLoadA === 0) {
    const x = noLoadA ?? idle;
    const ratedA = powerW / powerAt(1, x);
    return { ratedA, idleA: x * ratedA };
  }
  const most = noLoadA + (10 * powerW) / (voltageV * droop);
  const ratedA = bracketedRoot(
    (amps) => powerAt(amps, noLoadA / amps) - powerW,
    noLoadA * (1 + 1e-9),
    most,
    1e-9 * most,
  );
  return { ratedA, idleA: noLoadA };
}

interface AtIdle {
  readonly at: (idleA: number) => { readonly resistanceOhm: number; readonly k: number };
  readonly mostIdleA: number;
}

/** The no-load current at which a rated load and the no-load speed go together; undefined where none does. */
function idleBySpeeds({ voltageV, noLoadRpm }: PrintedMotor, { at, mostIdleA }: AtIdle): number | undefined {
  if (noLoadRpm === undefined) return undefined;
  const over = (idleA: number): number => {
    const { resistanceOhm, k } = at(idleA);
    return (voltageV - idleA * resistanceOhm) / k - rpmToRadS(noLoadRpm);
  };
  const [low, high] = [1e-6 * mostIdleA, 0.999 * mostIdleA];
  return over(low) > 0 === over(high) > 0 ? undefined : bracketedRoot(over, low, high, 1e-9 * mostIdleA);
}

const usual = (guess: Guess): number => GUESSES[guess][0];
const GUESS_NAMES = Object.keys(GUESSES) as readonly Guess[];
const USUAL = Object.fromEntries(GUESS_NAMES.map((guess) => [guess, usual(guess)])) as Guesses;

/** The figures at one set of guesses. */
function figuresAt(printed: PrintedMotor, g: Guesses) {
  const gear = printed.gearEfficiency ?? g.gear;
  const p = bare(printed, gear);
  const solved = byResistance(p, g) ?? byEnds(p, g) ?? byRated(p, g);
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

/** What would settle each guess. */
const SETTLES: { readonly [G in Guess]: FoundMotor['settles'][number] } = {
  idleOfStall: {
    text: 'Run it free at a known voltage and read its current: that is the current without load.',
    calculator: 'dc-motor-fit',
  },
  idleOfWinding: { text: 'Run it free at a known voltage and read its current.', calculator: 'dc-motor-fit' },
  idleOfRated: {
    text: 'Run it free at a known voltage and read its current and speed.',
    calculator: 'dc-motor-fit',
  },
  droop: {
    text: 'Read its speed without load, or its current under a load that it is meant for.',
    calculator: 'dc-motor-fit',
  },
  gear: { text: 'Hang a weight on an arm at the output and read the current at which it just lifts it.' },
  allDay: {
    text: 'Its maker’s rated current; or run it loaded for half an hour and keep to what leaves the case touchable.',
    calculator: 'motor-heat',
  },
};

/**
 * A brushed or brushless motor from what is printed on it. What is missing is taken as usual, each such figure with
 * how far off it may be; figures that cannot go together are told with both values.
 *
 * @throws NotPhysical where too little is printed, or no motor has such figures
 * @example motorFromPrint({ voltageV: 24, ratedW: 300, ratedRpm: 120 }).figures.stallTorqueNm
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
