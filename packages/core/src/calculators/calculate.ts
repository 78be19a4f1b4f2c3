import { NotPhysical, type Notice } from '../contract/index.ts';
import { inUnits, type UnitSystem } from '../quantity/index.ts';
import { findCalculator } from './registry.ts';

/** There is no calculator of that name. */
export class UnknownCalculator extends Error {
  constructor(name: string) {
    super(`there is no calculator "${name}"; "calc --list" prints the names`);
    this.name = 'UnknownCalculator';
  }
}

const isFiniteThroughout = (value: unknown): boolean => {
  if (typeof value === 'number') return Number.isFinite(value);
  if (Array.isArray(value)) return value.every(isFiniteThroughout);
  if (typeof value === 'object' && value !== null) return Object.values(value).every(isFiniteThroughout);
  return true;
};

/** What it warns of, in sentences: who calls a calculator by its name reads them. */
const inWords = (output: unknown, system: UnitSystem): unknown => {
  const { warnings } = output as { readonly warnings?: readonly Notice[] };
  return warnings
    ? { ...(output as object), warnings: warnings.map(({ sentence }) => inUnits(sentence, system)) }
    : output;
};

/**
 * Runs a calculator on unchecked input. NaN and Infinity never leave it; what it warns of is said in the units of
 * `system`.
 *
 * @throws UnknownCalculator, ZodError (input outside its schema), NotPhysical.
 * @example calculate('wheel-torque', { forceN: 100, wheelDiameterM: 0.4, wheels: 2 }) // { torqueNm: 10 }
 */
export function calculate(name: string, input: unknown, system: UnitSystem = 'metric'): unknown {
  const calculator = findCalculator(name);
  if (!calculator) throw new UnknownCalculator(name);
  const output = calculator.run(calculator.input.parse(input));
  if (!isFiniteThroughout(output))
    throw new NotPhysical(
      'out-of-range',
      'The result is too large to be a number: check the units of each input.',
    );
  return inWords(output, system);
}
