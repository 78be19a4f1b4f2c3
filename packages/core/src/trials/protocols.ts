import type { z } from 'zod';
import { straightRunConditions, straightRunReading } from './straight-run.ts';

interface Protocol {
  readonly title: string;
  readonly conditions: z.ZodType;
  readonly reading: z.ZodType;
}

/** Every kind of trial: what its sets and its runs hold. */
export const PROTOCOLS = {
  'straight-run': { title: 'Straight runs', conditions: straightRunConditions, reading: straightRunReading },
} as const satisfies Record<string, Protocol>;

export type ProtocolName = keyof typeof PROTOCOLS;
/** What the sets and the runs of any kind of trial hold. */
export type TrialConditions = z.output<(typeof PROTOCOLS)[ProtocolName]['conditions']>;
export type TrialReading = z.output<(typeof PROTOCOLS)[ProtocolName]['reading']>;
/** All kinds of trials. */
export const PROTOCOL_NAMES = Object.keys(PROTOCOLS) as [ProtocolName, ...ProtocolName[]];
