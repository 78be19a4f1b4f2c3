import { z } from 'zod';
import { degreesToRadians } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';
import { runLaunch } from './launch.ts';
import type { LaunchInput } from './launch-model.ts';
import { sampleLaunch } from './sample-launch.ts';

const input = z.strictObject({
  massKg: key.positive('Mass of the vehicle with its load', 'kg'),
  wheelRadiusM: key.positive('Radius of the driven wheels', 'm'),
  ratio: key.positive('Turns of the motor for one of the wheel'),
  efficiency: key.share('Share of the power that comes through the train'),
  motors: key.count('Motors, all alike'),
  resistanceOhm: key.positive('Resistance of a motor with its leads', 'Ω'),
  ktNmPerA: key.positive('Torque constant', 'N·m/A'),
  noLoadA: key.nonNegative('No-load current of a motor', 'A'),
  voltageV: key.positive('Voltage of the source with nothing drawn', 'V'),
  supplyResistanceOhm: key.nonNegative('Resistance of the source with its cable', 'Ω').default(0),
  currentLimitA: key.positive('Most current the driver lets through to a motor', 'A').optional(),
  motorInertiaKgM2: key.nonNegative('Inertia of a motor’s armature', 'kg·m²').default(0),
  rotatingMassKg: key.nonNegative('Wheels, as mass at their rim', 'kg').default(0),
  rollingCoefficient: key.nonNegative('Rolling resistance over weight'),
  dragAreaM2: key.nonNegative('Drag coefficient times frontal area', 'm²').default(0),
  gradeDeg: key.grade().default(0),
  gripN: key.positive('Grip of the driven wheels', 'N').optional(),
  durationS: key.positive('How long', 's'),
  series: z.boolean().default(false).meta({ description: 'Whether to give the run as well', unit: '' }),
});

const trace = (description: string, unit: string) => z.array(z.number()).meta({ description, unit });

const output = z.strictObject({
  finalMps: key.nonNegative('Speed at the end', 'm/s'),
  distanceM: key.nonNegative('Distance covered', 'm'),
  energyWh: key.real('Energy drawn from the source', 'Wh'),
  peakA: key.real('Greatest current from the source, all motors', 'A'),
  timeTo90S: z.number().nonnegative().nullable().meta({
    description: 'Time to nine tenths of the speed at the end; null where it never moves',
    unit: 's',
  }),
  series: z
    .strictObject({
      tS: trace('Times', 's'),
      speedMps: trace('Speed at each time', 'm/s'),
      distanceM: trace('Distance at each time', 'm'),
      currentA: trace('Current from the source at each time', 'A'),
      forceN: trace('Pull at the ground at each time', 'N'),
    })
    .optional()
    .meta({ description: 'The run at even times, where asked for', unit: '' }),
});

const JOULES_PER_WH = 3600;

/** Key by key: spreading would make objects whose shape the engine cannot foresee, several times slower to read. */
const launchOf = (i: z.output<typeof input>): LaunchInput => ({
  massKg: i.massKg,
  wheelRadiusM: i.wheelRadiusM,
  ratio: i.ratio,
  efficiency: i.efficiency,
  motors: i.motors,
  resistanceOhm: i.resistanceOhm,
  ktNmPerA: i.ktNmPerA,
  keVsPerRad: i.ktNmPerA,
  noLoadA: i.noLoadA,
  voltageV: i.voltageV,
  commandShare: 1,
  supplyResistanceOhm: i.supplyResistanceOhm,
  currentLimitA: i.currentLimitA ?? Infinity,
  motorInertiaKgM2: i.motorInertiaKgM2,
  rotatingMassKg: i.rotatingMassKg,
  rollingCoefficient: i.rollingCoefficient,
  dragAreaM2: i.dragAreaM2,
  slopeRad: degreesToRadians(i.gradeDeg),
  drawbarN: 0,
  gripN: i.gripN ?? Infinity,
  durationS: i.durationS,
});

const scalarsOf = ({ finalMps, distanceM, energyJ, peakA, timeTo90S }: ReturnType<typeof runLaunch>) => ({
  finalMps,
  distanceM,
  energyWh: energyJ / JOULES_PER_WH,
  peakA,
  timeTo90S,
});

export const simulateLaunch = defineCalculator({
  name: 'simulate-launch',
  topic: 'motor',
  asks: 'How does it start from rest?',
  title: 'A launch from rest',
  purpose: 'Speed, distance, energy and peak current of a start at full command.',
  input,
  output,
  formula:
    'M dv/dt = F − m g f cosθ − m g sinθ − ½ ρ CdA v²;  F = n kt (I − I0) i η/r, within ± grip;  I = (V − kt ω)/(R + n Rs), at most the limit;  M = m + mr + n J i²/r²',
  symbols: {
    given: {
      m: 'massKg',
      f: 'rollingCoefficient',
      θ: 'gradeDeg',
      CdA: 'dragAreaM2',
      n: 'motors',
      kt: 'ktNmPerA',
      I0: 'noLoadA',
      i: 'ratio',
      η: 'efficiency',
      r: 'wheelRadiusM',
      V: 'voltageV',
      R: 'resistanceOhm',
      Rs: 'supplyResistanceOhm',
      mr: 'rotatingMassKg',
      J: 'motorInertiaKgM2',
    },
    found: {},
  },
  source:
    'direct-current motor theory and mechanics; solved in closed form (Riccati) between the speeds where a limit begins or ends',
  limits:
    'Cold motors alike at full command, firm ground, one friction; a driver’s ramp, slack and tyre spring are left out.',
  examples: [
    {
      origin: 'closed form v = vf(1 − e^(−t/τ)), τ = m R/k² = 0.3125 s (exact)',
      input: {
        massKg: 10,
        wheelRadiusM: 0.05,
        ratio: 10,
        efficiency: 1,
        motors: 1,
        resistanceOhm: 0.5,
        ktNmPerA: 0.02,
        noLoadA: 0,
        voltageV: 12,
        rollingCoefficient: 0,
        durationS: 1,
      },
      output: {
        finalMps: 2.8777134,
        distanceM: 2.1007146,
        energyWh: 0.02398094,
        peakA: 24,
        timeTo90S: 0.6218966,
      },
      tolerance: 1e-6,
    },
  ],
  run: (i) => {
    const launch = launchOf(i);
    const result = runLaunch(launch);
    const scalars = scalarsOf(result);
    if (!i.series) return scalars;
    const samples = sampleLaunch(launch, result);
    return {
      ...scalars,
      series: {
        tS: samples.map((s) => s.tS),
        speedMps: samples.map((s) => s.speedMps),
        distanceM: samples.map((s) => s.distanceM),
        currentA: samples.map((s) => s.currentA),
        forceN: samples.map((s) => s.forceN),
      },
    };
  },
});

const buildInput = input.omit({ series: true }).extend({
  keVsPerRad: key.positive('Back-voltage constant', 'V·s/rad'),
  drawbarN: key.real('Pull at the hitch', 'N').default(0),
  commandShare: key.share('Share of full command that the controller lets through').default(1),
});

/** The launch as a build states it: both constants of its motor, and what it pulls. */
export const launchOfVehicle = defineCalculator({
  name: 'launch-with-pull',
  topic: 'motor',
  asks: 'How does it start with something in tow?',
  title: 'A launch from rest with a pull at the hitch',
  purpose: 'A start at full command where the motor has two constants and something is pulled.',
  input: buildInput,
  output: output.omit({ series: true }),
  formula:
    'M dv/dt = F − m g f cosθ − m g sinθ − ½ ρ CdA v² − D;  F = n kt (I − I0) i η/r, within ± grip;  I = (s V − ke ω)/(R + s² n Rs), at most the limit;  M = m + mr + n J i²/r²',
  symbols: {
    given: { ...simulateLaunch.symbols.given, ke: 'keVsPerRad', D: 'drawbarN', s: 'commandShare' },
    found: {},
  },
  source: simulateLaunch.source,
  limits: simulateLaunch.limits,
  examples: [
    {
      origin: 'without a pull and with one constant it is the launch of the closed form (exact)',
      input: { ...simulateLaunch.examples[0]?.input, keVsPerRad: 0.02 },
      output: { ...simulateLaunch.examples[0]?.output },
      tolerance: 1e-6,
    },
  ],
  run: (i) =>
    scalarsOf(
      runLaunch({
        ...launchOf({ ...i, series: false }),
        keVsPerRad: i.keVsPerRad,
        drawbarN: i.drawbarN,
        commandShare: i.commandShare,
      }),
    ),
});
