import { sentence } from '../quantity/index.ts';
import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';
import { CHAIN_NAMES, chainSize } from './chains.ts';

const input = z.strictObject({
  wheelDiameterM: key.positive('Diameter of the wheel under load', 'm'),
  clearanceM: key.nonNegative('Height that must stay free between chain and ground', 'm'),
  chain: z.enum(CHAIN_NAMES).meta({ description: 'Chain by its standard number', unit: '' }),
});

const output = z.strictObject({
  pitchMm: key.positive('Pitch of the chain', 'mm'),
  roomMm: key.positive('Diameter that chain and sprocket may have', 'mm'),
  teeth: key.count('Most teeth of the sprocket on the wheel'),
  pitchDiameterMm: key.positive('Its pitch diameter', 'mm'),
  overChainMm: key.positive('Diameter over the chain on it', 'mm'),
  clearanceLeftM: key.nonNegative('Height that stays free with it', 'm'),
});

/** Height of a link plate over its pitch: the largest of the standards (ISO 606, from memory). */
const PLATE_OVER_PITCH = 0.95;
const LEAST_TEETH = 6;
const MM_PER_M = 1000;

export const largestSprocket = defineCalculator({
  name: 'largest-sprocket',
  topic: 'lengths',
  asks: 'How large a sprocket clears the ground?',
  title: 'The largest sprocket that clears the ground',
  purpose: 'How many teeth the sprocket beside a wheel may have, with the chain on it and a clearance kept.',
  input,
  output,
  formula: 'room = Dw − 2 c;  D = p/sin(π/z);  over = D + 0.95 p, at most the room;  left = (Dw − over)/2',
  symbols: {
    given: { Dw: 'wheelDiameterM', c: 'clearanceM' },
    found: {
      p: 'pitchMm',
      room: 'roomMm',
      z: 'teeth',
      D: 'pitchDiameterMm',
      over: 'overChainMm',
      left: 'clearanceLeftM',
    },
  },
  source: 'geometry; height of the link plates: ISO 606 (from memory)',
  limits: 'A sprocket on the wheel’s own axle, level ground; a rut or kerb needs more clearance.',
  examples: [
    {
      origin: 'six teeth of half-inch chain have a pitch diameter of one inch: the hexagon (exact)',
      input: { wheelDiameterM: 0.0375, clearanceM: 0, chain: 'ansi-40' },
      output: { teeth: 6, pitchDiameterMm: 25.4 },
    },
  ],
  run: ({ wheelDiameterM, clearanceM, chain }) => {
    const { pitchMm } = chainSize(chain);
    const roomMm = (wheelDiameterM - 2 * clearanceM) * MM_PER_M;
    const pitchDiameter = (teeth: number): number => pitchMm / Math.sin(Math.PI / teeth);
    const over = (teeth: number): number => pitchDiameter(teeth) + PLATE_OVER_PITCH * pitchMm;
    if (over(LEAST_TEETH) > roomMm)
      throw new NotPhysical(
        'no-sprocket-clears',
        sentence`Not even ${LEAST_TEETH} teeth leave that clearance: take a smaller chain, a larger wheel, or less clearance.`,
      );
    // z from D = p/sin(π/z), one more than that tried and taken back, so that rounding never costs a tooth.
    const exact = Math.PI / Math.asin(pitchMm / (roomMm - PLATE_OVER_PITCH * pitchMm));
    let teeth = Math.max(LEAST_TEETH, Math.floor(exact) + 1);
    while (over(teeth) > roomMm * (1 + 1e-12)) teeth--;
    return {
      pitchMm,
      roomMm,
      teeth,
      pitchDiameterMm: pitchDiameter(teeth),
      overChainMm: over(teeth),
      clearanceLeftM: Math.max(0, (wheelDiameterM - over(teeth) / MM_PER_M) / 2),
    };
  },
});
