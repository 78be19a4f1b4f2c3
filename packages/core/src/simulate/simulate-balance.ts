import { z } from 'zod';
import { defineCalculator, key, notice } from '../contract/index.ts';
import { balanceKeys } from '../ground/index.ts';
import { degreesToRadians } from '../quantity/index.ts';
import { balanceTold } from './balance-told.ts';
import { runBalance } from './run-balance.ts';

const LEAST_LOOP_S = 1e-4;
const LONGEST_S = 120;

const input = z
  .strictObject({
    ...balanceKeys,
    motor: z
      .strictObject({
        count: key.count('Motors'),
        ratio: key.positive('Turns of a motor for one of the wheels'),
        efficiency: key.share('Share of the power that comes through').default(1),
        resistanceOhm: key.positive('Resistance of a motor', 'Ω'),
        ktNmPerA: key.positive('Torque constant', 'N·m/A'),
        voltageV: key.positive('Voltage at full command', 'V'),
      })
      .meta({ description: 'Its motors, all alike', unit: '' }),
    gains: z
      .strictObject({
        kp: key.real('Voltage for a lean', 'V/rad'),
        ki: key.real('Voltage for a lean through a second', 'V/(rad·s)'),
        kd: key.real('Voltage for a lean that grows', 'V·s/rad'),
      })
      .meta({ description: 'Gains of the loop that balances', unit: '' }),
    hold: z
      .strictObject({
        kp: key.real('Lean for a metre from its place', 'rad/m'),
        kd: key.real('Lean for a metre a second', 'rad·s/m'),
        limitDeg: key.positive('The furthest it leans for that', 'deg').default(10),
      })
      .optional()
      .meta({ description: 'A loop around it that holds its place', unit: '' }),
    loopTimeS: z.number().min(LEAST_LOOP_S).meta({ description: 'Time of the loop', unit: 's' }),
    delayS: key.nonNegative('From reading the lean to the voltage', 's').default(0),
    startLeanDeg: key.real('Lean at the start, forward positive', 'deg').default(0),
    nudgeNs: key.real('Push forward at its centre of mass', 'N·s').default(0),
    durationS: z.number().positive().max(LONGEST_S).default(10).meta({ description: 'Time', unit: 's' }),
  })
  .refine(({ delayS, loopTimeS }) => delayS <= loopTimeS, {
    path: ['delayS'],
    message: 'at most the time of the loop',
  });

const output = z.strictObject({
  falls: z.boolean().meta({ description: 'Whether it leans 45° and falls', unit: '' }),
  fallS: z.number().nullable().meta({ description: 'When it fell; none where it stands', unit: 's' }),
  peakLeanDeg: key.nonNegative('The furthest lean', 'deg'),
  settleS: z
    .number()
    .nullable()
    .meta({ description: 'From when it stays within 1°; none where it never does', unit: 's' }),
  endLeanDeg: key.real('Lean at the end', 'deg'),
  endM: key.real('Place at the end', 'm'),
  peakMps: key.nonNegative('The greatest speed', 'm/s'),
  peakA: key.nonNegative('The greatest current of a motor', 'A'),
  warnings: key.warnings,
});

const FLATTERS = notice(
  'flatters',
  'Without gear friction, play, soft tyres or wheels that slip it does better here than on the floor.',
);

export const simulateBalance = defineCalculator({
  name: 'simulate-balance',
  topic: 'ground',
  asks: 'Do these gains keep a balancer up?',
  title: 'A balancer with its loop running',
  purpose:
    'Whether a two-wheeled balancer stands, how far it leans and rolls, and what its motors draw, let go at a lean or pushed.',
  input,
  output,
  formula:
    'M ẍ + (m l cos θ − Ir/r) θ̈ = τ/r + m l θ̇² sin θ;  (m l cos θ − Ir/r) ẍ + B θ̈ = m g l sin θ − τ;  τ = n i η kt (u − kt i (ẋ/r − θ̇))/R;  u of kp e, ki ∫e and kd θ̇',
  symbols: { given: {}, found: {} },
  source:
    'inverted pendulum on wheels that roll without slip (Lagrange), permanent-magnet motors, a sampled controller; steps of Runge and Kutta’s fourth order',
  limits:
    'A rigid body and hard wheels that do not slip, no gear friction, no play, a battery that does not sag.',
  examples: [
    {
      origin:
        'motors of endless resistance hold nothing: a wheel of endless mass is a pivot, and from 1° to 45° it takes ∫dθ/√(200 (cos 1° − cos θ)), summed by Simpson’s rule (energy of a pendulum)',
      input: {
        bodyMassKg: 1,
        cgHeightM: 0.0980665,
        bodyInertiaKgM2: 0,
        wheelsMassKg: 1e12,
        wheelRadiusM: 0.05,
        motor: { count: 2, ratio: 1, resistanceOhm: 1e9, ktNmPerA: 0.01, voltageV: 12 },
        gains: { kp: 0, ki: 0, kd: 0 },
        loopTimeS: 0.01,
        startLeanDeg: 1,
      },
      output: { falls: true, fallS: 0.45127, peakLeanDeg: 45, settleS: null },
      tolerance: 1e-3,
    },
  ],
  run: (given) => {
    const { motor, gains, hold, loopTimeS, delayS, startLeanDeg, nudgeNs, durationS, ...body } = given;
    const end = runBalance({
      ...{ body, motor, gains, loopTimeS, delayS, nudgeNs, durationS },
      hold: hold && { ...hold, limitRad: degreesToRadians(hold.limitDeg) },
      startLeanRad: degreesToRadians(startLeanDeg),
    });
    return { ...balanceTold(end), warnings: [FLATTERS] };
  },
});
