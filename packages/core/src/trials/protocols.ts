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
export const PROTOCOL_NAMES = Object.keys(PROTOCOLS) as [ProtocolName, ...ProtocolName[]];
