import { z } from 'zod';
import { defineCalculator, key, notice, type Notice } from '../contract/index.ts';
import { figure, sentence } from '../quantity/index.ts';

const input = z
  .strictObject({
    freeLengthM: key.positive('Free length of the strand between the pulleys', 'm'),
    massKgPerM: key.positive('Mass of a metre of the belt', 'kg/m').optional(),
    hz: key.positive('Tone of the plucked strand', 'Hz').optional(),
    tensionN: key.positive('Tension wanted', 'N').optional(),
    pushN: key.positive('Push across the middle of the strand', 'N').optional(),
    deflectionM: key.positive('How far the middle gives', 'm').optional(),
  })
  .superRefine((i, context) => {
    const say = (path: string, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message });
    if ((i.pushN === undefined) !== (i.deflectionM === undefined))
      return say(i.pushN === undefined ? 'pushN' : 'deflectionM', 'a push and how far it gives go together');
    const ways = [i.hz, i.tensionN, i.pushN].filter((given) => given !== undefined).length;
    if (ways !== 1)
      return say(
        'hz',
        'give one of: the tone (hz), the tension wanted (tensionN), a push (pushN) with its deflectionM',
      );
    if (i.pushN === undefined && i.massKgPerM === undefined)
      say('massKgPerM', 'a tone needs the mass of a metre: weigh a belt and divide by its length');
  });

const output = z.strictObject({
  tensionN: key.positive('Tension of the strand', 'N'),
  hz: key.positive('Tone of the plucked strand', 'Hz').optional(),
  methodUsed: z.enum(['hum', 'push']).meta({ description: 'By its tone or by pushing', unit: '' }),
  warnings: key.warnings,
});

/** A push that gives more than this part of the strand stretches the belt. */
const MOST_GIVEN = 50;
/** A strand that is shorter is more of a bar than of a string (common practice, no source). */
const SHORT_M = 0.1;

type Given = z.output<typeof input>;

function tensionOf({ freeLengthM: length, massKgPerM = 0, hz, tensionN, pushN = 0, deflectionM = 1 }: Given) {
  if (tensionN !== undefined) return tensionN;
  return hz === undefined ? (pushN * length) / (4 * deflectionM) : 4 * massKgPerM * length ** 2 * hz ** 2;
}

function waryOf({ freeLengthM, hz, deflectionM = 0 }: Given): readonly Notice[] {
  if (deflectionM > freeLengthM / MOST_GIVEN)
    return [
      notice(
        'pushed-far',
        sentence`Pushed by more than ${figure(freeLengthM / MOST_GIVEN, 'length')} the belt stretches and the tension reads high: push until it gives by ${figure(freeLengthM / 64, 'length')}.`,
      ),
    ];
  if (hz !== undefined && freeLengthM < SHORT_M)
    return [
      notice(
        'stiff-strand',
        'A short strand is stiff and hums higher than a string: the tension reads high. Push it instead.',
      ),
    ];
  return [];
}

export const beltTension = defineCalculator({
  name: 'belt-tension',
  topic: 'making',
  asks: 'Is the belt tight enough?',
  title: 'Tension of a belt by its tone or by pushing',
  purpose:
    'How tight a free strand is by the tone it gives or by how far it gives, or the tone to tune it to.',
  input,
  output,
  formula: 'T = 4 m L² f², by its tone;  T = F L/(4 δ), by pushing;  f = √(T/m)/(2 L)',
  symbols: {
    given: { m: 'massKgPerM', L: 'freeLengthM', F: 'pushN', δ: 'deflectionM' },
    found: { T: 'tensionN', f: 'hz' },
  },
  source: 'vibrating string; statics of a strand pushed in its middle',
  limits:
    'A belt that bends easily, at rest, plucked in the middle of its longest strand; a stiff or short one reads high.',
  examples: [
    {
      origin: 'a strand of half a metre at 0.1 kg/m and 100 N hums at √1000 Hz (vibrating string, exact)',
      input: { freeLengthM: 0.5, massKgPerM: 0.1, tensionN: 100 },
      output: { tensionN: 100, hz: Math.sqrt(1000), methodUsed: 'hum', warnings: [] },
    },
    {
      origin: '8 N across 0.64 m that give 10 mm are 128 N (statics, exact)',
      input: { freeLengthM: 0.64, pushN: 8, deflectionM: 0.01 },
      output: { tensionN: 128, methodUsed: 'push', warnings: [] },
    },
  ],
  run: (given) => {
    const { freeLengthM, massKgPerM, pushN } = given;
    const tensionN = tensionOf(given);
    return {
      tensionN,
      ...(massKgPerM === undefined ? {} : { hz: Math.sqrt(tensionN / massKgPerM) / (2 * freeLengthM) }),
      methodUsed: pushN === undefined ? ('hum' as const) : ('push' as const),
      warnings: waryOf(given),
    };
  },
});
