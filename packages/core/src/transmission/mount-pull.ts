import { z } from 'zod';
import { degreesToRadians } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  tightN: key.nonNegative('Pull of the tight strand, or the force between teeth', 'N'),
  slackN: key.nonNegative('Pull of the slack strand', 'N').default(0),
  wrapDeg: key.nonNegative('Wrap of the loop round this wheel', 'deg').default(180),
  leverMm: key.nonNegative('From the mount to the middle of the loop', 'mm'),
  twistPerNmDeg: key.nonNegative('Twist of the mount for each newton metre', 'deg').optional(),
});

const output = z.strictObject({
  shaftN: key.nonNegative('Pull across the shaft', 'N'),
  momentNm: key.nonNegative('Moment that twists the mount', 'N·m'),
  twistDeg: key.nonNegative('Twist of the mount', 'deg').optional(),
});

export const mountPull = defineCalculator({
  name: 'mount-pull',
  topic: 'strength',
  asks: 'How hard does the loop pull at its mount?',
  title: 'What a loop pulls at its mount',
  purpose: 'The pull of chain, belt or gear across a shaft, its moment on the mount, and how far that gives.',
  input,
  output,
  formula: 'F = √(T² + S² − 2 T S cosβ);  M = F l;  twist = M c',
  symbols: {
    given: { T: 'tightN', S: 'slackN', β: 'wrapDeg', l: 'leverMm', c: 'twistPerNmDeg' },
    found: { F: 'shaftN', M: 'momentNm', twist: 'twistDeg' },
  },
  source: 'statics',
  limits: 'Steady pull. A chain that snatches pulls two or three times as hard; bearings are not looked at.',
  examples: [
    {
      origin: 'strands of 300 and 400 N a quarter turn apart on a lever of 40 mm (3-4-5)',
      input: { tightN: 400, slackN: 300, wrapDeg: 90, leverMm: 40, twistPerNmDeg: 0.01 },
      output: { shaftN: 500, momentNm: 20, twistDeg: 0.2 },
    },
  ],
  run: ({ tightN, slackN, wrapDeg, leverMm, twistPerNmDeg }) => {
    const across = tightN ** 2 + slackN ** 2 - 2 * tightN * slackN * Math.cos(degreesToRadians(wrapDeg));
    const shaftN = Math.sqrt(Math.max(0, across));
    const momentNm = (shaftN * leverMm) / 1000;
    return {
      shaftN,
      momentNm,
      ...(twistPerNmDeg === undefined ? {} : { twistDeg: momentNm * twistPerNmDeg }),
    };
  },
});
