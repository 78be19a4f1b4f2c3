import { z } from 'zod';
import { partFigure } from '../../contract/index.ts';
import { CHEMISTRY_NAMES } from '../../supply/index.ts';
import { common, logicV, onBoard, plug, signal } from './common.ts';

const { figure, counted, oneOf, orNone, share, yesNo } = partFigure;

/** A motor driver: what it may carry, and from which supply. */
export const driver = z
  .strictObject({
    ...common,
    kind: z.literal('driver'),
    control: oneOf('Control', ['by degrees', 'switch', 'contactor', 'on-off solenoid']).optional(),
    drives: oneOf('Made for motors that are', ['brushed', 'brushless', 'stepping']).optional(),
    channels: counted('Motors it drives'),
    leastV: figure('Least supply voltage', 'V', orNone),
    mostV: figure('Greatest supply voltage', 'V'),
    continuousA: figure('Current a channel may carry all day', 'A'),
    peakA: figure('Current a channel stands for a moment', 'A'),
    limitsCurrent: yesNo('Limits the current by itself'),
    resistanceMilliohm: figure('Resistance of a channel, switched on', 'mΩ', orNone),
    brakes: yesNo('Brakes by itself').optional(),
    holdsSpeed: yesNo('Holds a speed by itself').optional(),
    encoderInputs: counted('Encoders that it reads').optional(),
    readsHz: figure('Counts a second that it reads', '1/s').optional(),
    ...onBoard,
    logicV,
    signal,
    plug,
  })
  .refine((d) => d.leastV < d.mostV && d.continuousA <= d.peakA, {
    message: 'leastV must be under mostV, and continuousA at most peakA',
    path: ['leastV'],
  });

/** A battery, by its cells or as a whole. */
export const battery = z.strictObject({
  ...common,
  kind: z.literal('battery'),
  chemistry: z.enum(CHEMISTRY_NAMES).meta({ title: 'Chemistry' }),
  series: counted('Cells in series'),
  parallel: counted('Strings in parallel'),
  cellAh: figure('Capacity of a cell', 'Ah'),
  cellMilliohm: figure('Resistance of a cell', 'mΩ', orNone),
  continuousA: figure('Current the pack may give all day', 'A'),
  peakA: figure('Current the pack may give for some seconds', 'A').optional(),
  packsInSeries: counted('Packs in series, each with a cut-off of its own').optional(),
  packsInParallel: counted('Packs in parallel, counted in the strings').optional(),
  capacityLeft: share('Capacity that its age has left it').optional(),
  plug,
});
