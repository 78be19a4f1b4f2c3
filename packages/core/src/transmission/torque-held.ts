import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  torqueNm: key.positive('Torque that was asked', 'N·m'),
  factor: key.nonNegative('How many times that it stands'),
  safetyFactor: key.positive('How many times the working torque it must stand').default(1),
});

const output = z.strictObject({ heldNm: key.nonNegative('Torque that it may work with', 'N·m') });

export const torqueHeld = defineCalculator({
  name: 'torque-held',
  topic: 'strength',
  asks: 'What torque may a shaft or hub carry?',
  title: 'What a shaft or hub may carry',
  purpose: 'The torque that a shaft, key, screw or clamp may work with, from its factor at another torque.',
  input,
  output,
  formula: 'T = T0 n/k',
  symbols: {
    given: { T0: 'torqueNm', n: 'factor', k: 'safetyFactor' },
    found: { T: 'heldNm' },
  },
  source: 'proportion: stress and slip of these parts grow with the torque',
  limits: 'For parts whose stress grows as their torque does; wear and loosening are other matters.',
  examples: [
    {
      origin: 'set screws that hold four times 20 N·m, a factor of four kept (exact)',
      input: { torqueNm: 20, factor: 4, safetyFactor: 4 },
      output: { heldNm: 20 },
    },
  ],
  run: ({ torqueNm, factor, safetyFactor }) => ({ heldNm: (torqueNm * factor) / safetyFactor }),
});
