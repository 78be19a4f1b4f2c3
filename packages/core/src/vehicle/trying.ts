import { z } from 'zod';

const at = (least: number, most: number, title: string, unit: string) =>
  z.number().min(least).max(most).meta({ title, unit });
const FORCE = { least: 0, most: 1e6 };

/** What a sphere's motors do once the command has gone to nothing: shorted they brake, let go they turn along. */
export const SPHERE_STOPS = ['shorted', 'let-go'] as const;
export type SphereStop = (typeof SPHERE_STOPS)[number];

/** How a slow drive is turned: evenly by a motor without steps, or from step to step. */
export const CREEP_TURNS = ['evenly', 'in-steps'] as const;
export type CreepTurns = (typeof CREEP_TURNS)[number];

/** What the loop of a balancer tells its motors: a voltage, or a speed that their driver holds. */
export const BALANCE_COMMANDS = ['voltage', 'speed'] as const;
export type BalanceCommands = (typeof BALANCE_COMMANDS)[number];

/** What a balancer meets on its way. */
export const FLOOR_KINDS = ['flat', 'ramp', 'board', 'kerb', 'hole'] as const;
export type FloorKind = (typeof FLOOR_KINDS)[number];

/** Which of its wheels meet it. */
export const FLOOR_SIDES = ['both', 'left', 'right'] as const;
export type FloorSides = (typeof FLOOR_SIDES)[number];

/** What a stick can do to a balancer: offset its lean, move the place that it holds, or ask a speed of it. */
export const STICK_DOES = ['lean', 'place', 'speed'] as const;
export type StickDoes = (typeof STICK_DOES)[number];

/** The floor that a balancer is driven on, its tyres, and how it is driven. */
export const balanceFloorSchema = z.strictObject({
  /** Under the weight of the whole, standing still. */
  sinksM: at(1e-5, 0.2, 'Its tyres are pressed in by', 'm').default(1e-3),
  bounces: at(1, 100, 'Bounces until a tenth is left', '').default(4),
  grip: at(0.01, 3, 'Grip', '').default(0.8),
  kind: z.enum(FLOOR_KINDS).default('flat').meta({ title: 'On its way is' }),
  sides: z.enum(FLOOR_SIDES).default('both').meta({ title: 'Under' }),
  startM: at(0, 100, 'From', 'm').default(0.3),
  heightM: at(0, 5, 'High or deep', 'm').default(0.005),
  lengthM: at(0, 100, 'Long', 'm').default(0.1),
  stick: z.enum(STICK_DOES).default('lean').meta({ title: 'The stick' }),
  leanDeg: at(-20, 20, 'Lean asked', '°').default(2),
  speedMps: at(-5, 5, 'Speed asked', 'm/s').default(0.3),
  forS: at(0, 30, 'Stick out for', 's').default(3),
});
export type BalanceFloor = z.output<typeof balanceFloorSchema>;

const gains = z.strictObject({
  /** In volts, or in metres a second where the driver holds a speed. */
  kp: at(-1e9, 1e9, 'For a lean', '1/rad'),
  ki: at(-1e9, 1e9, 'For a lean through time', '1/(rad·s)'),
  kd: at(-1e9, 1e9, 'For a lean that grows', 's/rad'),
  hold: z
    .strictObject({
      kp: at(-1e6, 1e6, 'Lean for a metre off', 'rad/m'),
      kd: at(-1e6, 1e6, 'Lean for a metre a second', 'rad·s/m'),
      limitDeg: at(0, 45, 'Lean that the hold asks at most', '°'),
    })
    .optional(),
});

/** How a balancer is tried where it stands. */
export const balancingSchema = z.strictObject({
  commands: z.enum(BALANCE_COMMANDS).default('voltage').meta({ title: 'Its loop tells the motors' }),
  loaded: z.boolean().default(true).meta({ title: 'With its load' }),
  leanDeg: at(-44, 44, 'Let go at a lean of', '°').default(3),
  jumpMps: at(-5, 5, 'Nudged: its speed jumps by', 'm/s').default(0),
  readAngleS: at(0, 0.2, 'Reading the angle', 's').default(1e-3),
  readEncodersS: at(0, 0.2, 'Reading encoders', 's').default(2.5e-3),
  /** Computing and sending. */
  restS: at(0, 0.2, 'Computing and sending', 's').default(1.5e-3),
  gains: gains.optional(),
  floor: balanceFloorSchema.optional(),
});
export type Balancing = z.output<typeof balancingSchema>;

/** How a sphere is sent off. */
export const rollingSchema = z.strictObject({
  distanceM: at(-1000, 1000, 'Sent over', 'm').default(3),
  /** Time in which the command climbs, and falls again; a whole nod where nothing is said. */
  rampS: at(0, 60, 'Its command climbs in', 's').optional(),
  stop: z.enum(SPHERE_STOPS).default('shorted').meta({ title: 'At the end its motors are' }),
});
export type Rolling = z.output<typeof rollingSchema>;

/** How a slow dolly is tried, and what was measured of it; what is left away is taken as usual. */
export const creepingSchema = z.strictObject({
  speedMps: at(1e-6, 10, 'Speed', 'm/s').optional(),
  pushedN: at(1e-3, 1e6, 'Pushed, its motor held, with', 'N').default(10),
  givesM: at(1e-7, 1, 'it gives way by', 'm').default(1e-3),
  swings: at(1, 100, 'Swings after a tap until a tenth is left', '').default(7),
  breakawayN: at(FORCE.least, FORCE.most, 'To get it moving', 'N').optional(),
  movingN: at(FORCE.least, FORCE.most, 'To keep it moving', 'N').optional(),
  turns: z.enum(CREEP_TURNS).optional().meta({ title: 'Its motor turns' }),
  stepsPerTurn: at(1, 1e6, 'Steps a turn, those between counted', '').optional(),
  reactionS: at(0, 10, 'From the end switch to the stop', 's').default(0.05),
});
export type Creeping = z.output<typeof creepingSchema>;
