import type { AnyCalculator } from '@zubric/core/calculators';
import { useUnits } from '../common/units.tsx';
import { Sketch } from '../drawings/Sketch.tsx';
import { sayKey } from './key-units.ts';
import { inputFields, outputFields } from './sum-form.ts';
import { sketchOf } from './sketches/index.ts';

/** Digits in a drawing: those that can be seen on it. */
const DIGITS = 4;

interface Props {
  readonly calculator: AnyCalculator;
  readonly given: Readonly<Record<string, unknown>>;
  readonly found: Readonly<Record<string, unknown>>;
}

/** The geometry that a sum means, to scale. */
export function SumDrawing({ calculator, given, found }: Props) {
  const { system } = useUnits();
  const fields = [...inputFields(calculator), ...outputFields(calculator)];
  const say = (key: string): string => {
    const value = found[key] ?? given[key];
    const unit = fields.find((field) => field.key === key)?.unit ?? '';
    return typeof value === 'number' ? sayKey(value, unit, system, DIGITS) : '';
  };
  const sketch = sketchOf(calculator.name, { given, found, say });
  if (!sketch) return null;
  return (
    <figure className="sheet p-2">
      <Sketch
        shapes={sketch.shapes}
        label={sketch.label}
        {...(sketch.bare ? {} : { sayLength: (length: number) => sayKey(length, sketch.unit, system) })}
      />
      {sketch.bare && (
        <figcaption className="px-2 text-[14px] text-soft">
          In proportion: without a module it has no size yet.
        </figcaption>
      )}
    </figure>
  );
}
