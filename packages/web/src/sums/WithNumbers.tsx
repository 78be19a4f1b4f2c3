import type { AnyCalculator } from '@zubric/core/calculators';
import { STANDARD_GRAVITY } from '@zubric/core/quantity';
import { putIn } from '@zubric/core/contract';
import { useUnits } from '../common/units.tsx';
import { sayKey } from './key-units.ts';
import { inputFields, outputFields } from './sum-form.ts';

interface Props {
  readonly calculator: AnyCalculator;
  readonly given: Readonly<Record<string, unknown>>;
  readonly found: Readonly<Record<string, unknown>>;
}

/** The formula, equation by equation, with the numbers put in. */
export function WithNumbers({ calculator, given, found }: Props) {
  const { system } = useUnits();
  const units = {
    given: Object.fromEntries(inputFields(calculator).map((field) => [field.key, field.unit])),
    found: Object.fromEntries(outputFields(calculator).map((field) => [field.key, field.unit])),
  };
  const values = { given, found };
  const equations = putIn(calculator.formula, calculator.symbols, (side, key) => {
    if (side === 'constant') return sayKey(STANDARD_GRAVITY, 'm/s²', system);
    const value = values[side][key];
    return typeof value === 'number' ? sayKey(value, units[side][key] ?? '', system) : undefined;
  });
  if (!equations.some(({ numbers }) => numbers !== undefined)) return calculator.formula;
  return (
    <ul className="grid gap-2">
      {equations.map(({ symbolic, numbers, result }) => (
        <li key={symbolic}>
          <span className="block break-words">{symbolic}</span>
          {numbers !== undefined && (
            <span className="block pl-4 break-words text-soft">
              = {numbers}
              {result !== undefined && (
                <>
                  {' '}
                  = <b className="font-semibold whitespace-nowrap text-ink">{result}</b>
                </>
              )}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}
