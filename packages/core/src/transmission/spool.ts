import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  torqueNm: key.nonNegative('Torque on the spool', 'N·m'),
  rpm: key.nonNegative('Speed of the spool', 'rpm'),
  coreDiameterMm: key.positive('Diameter of the core', 'mm'),
  ropeDiameterMm: key.positive('Diameter of the rope', 'mm'),
  layer: key.count('Layer that is being wound').default(1),
  turns: key.nonNegative('Turns').optional(),
});

const output = z.strictObject({
  workingDiameterMm: key.positive('Diameter at the middle of the rope', 'mm'),
  pullN: key.nonNegative('Pull of the rope', 'N'),
  lineMps: key.nonNegative('Speed of the rope', 'm/s'),
  travelM: key.nonNegative('Rope taken in', 'm').optional(),
});

export const spool = defineCalculator({
  name: 'spool',
  topic: 'ratio',
  asks: 'How hard and how fast does a spool pull?',
  title: 'A spool or winch drum',
  purpose: 'Pull and speed of a rope on a spool, layer by layer.',
  input,
  output,
  formula: 'D = core + rope (2·layer − 1);  F = 2 T/D;  v = π D n/60;  travel = π D turns',
  symbols: {
    given: {
      T: 'torqueNm',
      n: 'rpm',
      core: 'coreDiameterMm',
      rope: 'ropeDiameterMm',
      layer: 'layer',
      turns: 'turns',
    },
    found: { D: 'workingDiameterMm', F: 'pullN', v: 'lineMps', travel: 'travelM' },
  },
  source: 'statics and geometry',
  limits: 'Full layers wound evenly. Crossed or loose turns make it fatter sooner.',
  examples: [
    {
      origin: 'a rope whose middle runs on 100 mm (exact)',
      input: { torqueNm: 10, rpm: 60, coreDiameterMm: 94, ropeDiameterMm: 6, turns: 2 },
      output: { workingDiameterMm: 100, pullN: 200, lineMps: 0.1 * Math.PI, travelM: 0.2 * Math.PI },
    },
  ],
  run: ({ torqueNm, rpm, coreDiameterMm, ropeDiameterMm, layer, turns }) => {
    const workingDiameterMm = coreDiameterMm + ropeDiameterMm * (2 * layer - 1);
    const aroundM = (Math.PI * workingDiameterMm) / 1000;
    return {
      workingDiameterMm,
      pullN: (2000 * torqueNm) / workingDiameterMm,
      lineMps: (aroundM * rpm) / 60,
      ...(turns === undefined ? {} : { travelM: aroundM * turns }),
    };
  },
});
