import { z } from 'zod';
import { radiansToDegrees } from '../quantity/index.ts';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  circumferenceMm: key.positive('Once round the outside of the worm, by tape', 'mm'),
  threads: key.count('Threads measured along the worm'),
  lengthMm: key.positive('Length over which those threads were measured', 'mm'),
  starts: key.count('Threads that begin at its end').default(1),
});

const output = z.strictObject({
  axialPitchMm: key.positive('From thread to thread along the worm', 'mm'),
  axialModuleMm: key.positive('Axial module', 'mm'),
  leadMm: key.positive('Advance in one turn', 'mm'),
  outsideDiameterMm: key.positive('Diameter over the threads', 'mm'),
  pitchDiameterMm: key.positive('Pitch diameter', 'mm'),
  leadAngleDeg: key.positive('Lead angle at the pitch diameter', 'deg'),
});

export const wormLeadAngle = defineCalculator({
  name: 'worm-lead-angle',
  topic: 'inHand',
  asks: 'What lead angle has this worm?',
  title: 'The lead angle of a worm in hand',
  purpose: 'Pitch, module and lead angle of a worm from a tape round it and a rule along it.',
  input,
  output,
  formula: 'px = l/k;  m = px/π;  Lead = starts px;  da = U/π;  d1 = da − 2 m;  λ = atan(Lead/(π d1))',
  symbols: {
    given: { U: 'circumferenceMm', k: 'threads', l: 'lengthMm', starts: 'starts' },
    found: {
      px: 'axialPitchMm',
      m: 'axialModuleMm',
      Lead: 'leadMm',
      da: 'outsideDiameterMm',
      d1: 'pitchDiameterMm',
      λ: 'leadAngleDeg',
    },
  },
  source:
    "geometry; Shigley's Mechanical Engineering Design, ch. 13; threads one module high over the pitch line",
  limits: 'As exact as the tape lies: wrap several turns where the lead is small.',
  examples: [
    {
      origin: 'module 2, pitch diameter 20 mm, one start: tan λ = m/d1 = 0.1 (exact)',
      input: { circumferenceMm: 24 * Math.PI, threads: 5, lengthMm: 10 * Math.PI },
      output: { axialModuleMm: 2, pitchDiameterMm: 20, leadAngleDeg: (Math.atan(0.1) * 180) / Math.PI },
    },
  ],
  run: ({ circumferenceMm, threads, lengthMm, starts }) => {
    const axialPitchMm = lengthMm / threads;
    const axialModuleMm = axialPitchMm / Math.PI;
    const leadMm = starts * axialPitchMm;
    const outsideDiameterMm = circumferenceMm / Math.PI;
    const pitchDiameterMm = outsideDiameterMm - 2 * axialModuleMm;
    if (pitchDiameterMm <= 0)
      throw new NotPhysical(
        'worm-too-thin',
        'Threads of this pitch are deeper than the worm is thick: measure the circumference or the length again.',
      );
    return {
      axialPitchMm,
      axialModuleMm,
      leadMm,
      outsideDiameterMm,
      pitchDiameterMm,
      leadAngleDeg: radiansToDegrees(Math.atan(leadMm / (Math.PI * pitchDiameterMm))),
    };
  },
});
