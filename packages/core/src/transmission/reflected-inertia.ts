import { z } from 'zod';
import { GRAM_CM2 } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  massKg: key.positive('Mass of the vehicle', 'kg'),
  wheelDiameterM: key.positive('Diameter of the wheel under load', 'm'),
  ratio: key.positive('Turns of the motor for one of the wheel'),
  motors: key.count('Motors that drive it'),
  rotorGcm2: key.nonNegative('Inertia of the rotor of a motor', 'g·cm²').default(0),
  wheelsKgM2: key.nonNegative('Inertia of all wheels together', 'kg·m²').default(0),
});

const output = z.strictObject({
  feltGcm2: key.positive('Inertia of the vehicle as each motor feels it', 'g·cm²'),
  rotatingMassFactor: key.positive('Mass that must be sped up over mass'),
});

export const reflectedInertia = defineCalculator({
  name: 'reflected-inertia',
  topic: 'strength',
  asks: 'What inertia does the motor feel?',
  title: 'Inertia through a reduction',
  purpose: 'What a motor feels of the vehicle’s mass, and what its own rotor adds to that mass.',
  input,
  output,
  formula: 'J′ = m r²/(n i²);  k = 1 + (n J i² + Jw)/(m r²)',
  symbols: {
    given: { m: 'massKg', n: 'motors', i: 'ratio', J: 'rotorGcm2', Jw: 'wheelsKgM2' },
    found: { 'J′': 'feltGcm2', k: 'rotatingMassFactor' },
  },
  source: 'kinetic energy of what turns and rolls; Gillespie, ch. 2 (from memory)',
  limits:
    'Losses left out. r is half the wheel’s diameter. A rotor behind much reduction counts with its square.',
  examples: [
    {
      origin:
        '100 kg on wheels of 100 mm radius behind 10 : 1, a rotor of 1000 g·cm²: 0.01 of 1 kg·m² (exact)',
      input: { massKg: 100, wheelDiameterM: 0.2, ratio: 10, motors: 1, rotorGcm2: 1000 },
      output: { feltGcm2: 100_000, rotatingMassFactor: 1.01 },
    },
  ],
  run: ({ massKg, wheelDiameterM, ratio, motors, rotorGcm2, wheelsKgM2 }) => {
    const rolling = massKg * (wheelDiameterM / 2) ** 2;
    const turning = motors * rotorGcm2 * GRAM_CM2 * ratio ** 2 + wheelsKgM2;
    return {
      feltGcm2: rolling / (motors * ratio ** 2) / GRAM_CM2,
      rotatingMassFactor: 1 + turning / rolling,
    };
  },
});
