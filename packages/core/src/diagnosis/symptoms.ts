import { beltSmells, chainOff } from './drive-symptoms.ts';
import { cutsOut, jerks } from './running-symptoms.ts';
import { noStart, notStraight, tips } from './standing-symptoms.ts';
import type { Symptom } from './symptom.ts';
import { veers } from './veers.ts';
import { short, turnsShort } from './way-symptoms.ts';

/** What a builder sees, and what is behind it. */
export const SYMPTOMS = {
  veers,
  short,
  'turns-short': turnsShort,
  jerks,
  'cuts-out': cutsOut,
  'belt-smells': beltSmells,
  'chain-off': chainOff,
  tips,
  'no-start': noStart,
  'not-straight': notStraight,
} as const satisfies Record<string, Symptom>;
export type SymptomName = keyof typeof SYMPTOMS;
/** The names of all symptoms. */
export const SYMPTOM_NAMES = Object.keys(SYMPTOMS) as [SymptomName, ...SymptomName[]];

/**
 * A symptom by its name.
 *
 * @example symptomOf('veers').title // 'It veers'
 */
export const symptomOf = (name: SymptomName): Symptom => SYMPTOMS[name];
