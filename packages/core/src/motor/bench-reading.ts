import { z } from 'zod';
import { partFigure as f } from '../contract/index.ts';

/** How the shaft was while it was read: free, held back, or held fast. */
export const READING_KINDS = ['free', 'held back', 'held fast'] as const;
export type ReadingKind = (typeof READING_KINDS)[number];

/** One reading of a motor on the bench, steady. */
export const benchReading = z
  .strictObject({
    kind: f.oneOf('Shaft', READING_KINDS),
    voltageV: f.figure('Voltage at its leads', 'V'),
    currentA: f.figure('Current', 'A', f.orNone),
    speedRpm: f.figure('Speed', 'rpm', f.orNone),
    torqueNm: f.figure('Torque by the pull on its arm', 'N·m', f.orNone).optional(),
  })
  .readonly();
export type BenchReading = z.output<typeof benchReading>;

/** Whence readings came. */
export const READ_BY = ['typed', 'pasted', 'meter', 'file', 'serial'] as const;

/** What a motor's figures were found from, kept with it. */
export const measuredMotor = z
  .strictObject({
    on: z.iso.date(),
    by: z.enum(READ_BY),
    readings: z.array(benchReading).min(2).max(200).readonly(),
    /** How far off each figure may be, as a share of it: 19 times of 20 it is within. */
    within: z.record(z.string().min(1).max(40), z.number().min(0).max(100)),
  })
  .readonly();
