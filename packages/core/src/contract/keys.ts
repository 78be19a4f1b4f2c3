import { z } from 'zod';
import type { Notice } from './notice.ts';

/**
 * Schemas for the keys of a calculator. Each carries a description and the unit that its name ends in, so that
 * the command line, the API and the app can explain a key without a second list. Zod refuses NaN and Infinity.
 */
const described = <S extends z.ZodType>(schema: S, description: string, unit: string): S =>
  schema.meta({ description, unit });

/** Any finite number. */
export const real = (description: string, unit = '') => described(z.number(), description, unit);

/** A number above 0. */
export const positive = (description: string, unit = '') =>
  described(z.number().positive(), description, unit);

/** A number of 0 or more. */
export const nonNegative = (description: string, unit = '') =>
  described(z.number().nonnegative(), description, unit);

/** A plain fraction above 0, at most 1: 0.85, never 85. */
export const share = (description: string) => described(z.number().positive().max(1), description, '');

/** A whole number, `least` or more. */
export const count = (description: string, least = 1) => described(z.int().min(least), description, '');

/** A grade in degrees, steeper than straight down and less than straight up; downhill is negative. */
export const grade = (description = 'Grade of the ground, uphill positive') =>
  described(z.number().gt(-90).lt(90), description, 'deg');

/** What a calculator warns of; empty where there is nothing. Who calls it by name gets the sentences. */
export const warnings = z
  .array(z.custom<Notice>(() => true))
  .readonly()
  .meta({ description: 'What to be wary of', unit: '' });
