import { z } from 'zod';
import { STANDARD_GRAVITY } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

/** What a balancer is, by its keys: the body, its wheels and rotors. */
export const balanceKeys = {
  bodyMassKg: key.positive('Mass of what leans', 'kg'),
  cgHeightM: key.positive('Its centre of gravity over the axle', 'm'),
  bodyInertiaKgM2: key.nonNegative('Its inertia in pitch about its own centre', 'kg·m²'),
  wheelsMassKg: key.nonNegative('Mass of all wheels', 'kg'),
  wheelsInertiaKgM2: key.nonNegative('Inertia of all wheels, rotors left out', 'kg·m²').default(0),
  rotorsInertiaKgM2: key
    .nonNegative('Inertia of all rotors seen at the wheel: count times inertia times ratio squared', 'kg·m²')
    .default(0),
  wheelRadiusM: key.positive('Radius of the wheels', 'm'),
};
const input = z.strictObject(balanceKeys);

const output = z.strictObject({
  fallRateRadS: key.positive('Rate at which a lean grows with the wheels free', '1/s'),
  fallTimeS: key.positive('Time in which a lean grows by e with the wheels free', 's'),
  heldRateRadS: key.positive('The same rate with the wheels held', '1/s'),
  doublingS: key.positive('Time in which a lean doubles with the wheels free', 's'),
  longestLoopS: key.positive('Longest time between two corrections', 's'),
});

/** A control loop runs ten times in the time in which a lean grows by e (common practice, no source). */
const LOOPS_A_FALL = 10;

export const balancePlant = defineCalculator({
  name: 'balance-plant',
  topic: 'ground',
  asks: 'How fast does a balancer fall?',
  title: 'How fast a balancer falls',
  purpose: 'How fast a lean grows by itself, and how often a controller must correct it.',
  input,
  output,
  formula:
    'M = m + mw + (Iw + Ir)/r²;  C = m l − Ir/r;  B = J + m l² + Ir;  λ = √(m g l/(B − C²/M));  t = 1/λ;  held = √(m g l/B);  t2 = ln(2)/λ;  loop = 0.1/λ',
  symbols: {
    given: {
      m: 'bodyMassKg',
      l: 'cgHeightM',
      J: 'bodyInertiaKgM2',
      mw: 'wheelsMassKg',
      Iw: 'wheelsInertiaKgM2',
      Ir: 'rotorsInertiaKgM2',
      r: 'wheelRadiusM',
    },
    found: {
      λ: 'fallRateRadS',
      t: 'fallTimeS',
      held: 'heldRateRadS',
      t2: 'doublingS',
      loop: 'longestLoopS',
    },
  },
  source:
    'linearised inverted pendulum on wheels that roll without slip (Lagrange); loop time: common practice',
  limits: 'Small leans, a rigid body, no friction. Soft tyres and play shorten the loop time that is needed.',
  examples: [
    {
      origin:
        'wheels of endless mass are a fixed pivot: free and held fall alike, here √(g/l) = 10 for a body without inertia (limit)',
      input: {
        bodyMassKg: 1,
        cgHeightM: 0.0980665,
        bodyInertiaKgM2: 0,
        wheelsMassKg: 1e12,
        wheelRadiusM: 0.05,
      },
      output: { fallRateRadS: 10, heldRateRadS: 10, fallTimeS: 0.1, longestLoopS: 0.01 },
      tolerance: 1e-9,
    },
  ],
  run: (i) => {
    const { bodyMassKg: m, cgHeightM: l, rotorsInertiaKgM2: rotors, wheelRadiusM: r } = i;
    const whole = m + i.wheelsMassKg + (i.wheelsInertiaKgM2 + rotors) / r ** 2;
    const about = i.bodyInertiaKgM2 + m * l ** 2 + rotors;
    // B − C²/M, written so that nearly equal squares are not taken from each other.
    const moved = whole - m;
    const left =
      i.bodyInertiaKgM2 +
      rotors +
      (m * moved * l ** 2 + 2 * m * l * (rotors / r) - (rotors / r) ** 2) / whole;
    if (!(left > 0))
      throw new NotPhysical(
        'no-inertia',
        'A body without inertia on wheels without mass falls at once: give the inertia of the body, or the mass of the wheels.',
      );
    const rate = Math.sqrt((m * STANDARD_GRAVITY * l) / left);
    return {
      fallRateRadS: rate,
      fallTimeS: 1 / rate,
      heldRateRadS: Math.sqrt((m * STANDARD_GRAVITY * l) / about),
      doublingS: Math.LN2 / rate,
      longestLoopS: 1 / (LOOPS_A_FALL * rate),
    };
  },
});
