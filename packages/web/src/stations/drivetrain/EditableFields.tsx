import { isWithin, show, type FieldRange, type NumberField, type Quantity } from '@zubric/core/quantity';
import { useUnits } from '../../common/units.tsx';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { Stepper } from '../../fields/Stepper.tsx';
import type { Check } from '../../fields/useQuantityText.ts';

export type Part = Partial<Record<string, Quantity | number | string | undefined>>;

/** What a field takes, as a sentence. */
function limits({ above, least, most, below }: FieldRange, say: (si: number) => string): string {
  const from =
    above !== undefined ? `more than ${say(above)}` : least !== undefined ? `at least ${say(least)}` : '';
  const to =
    below !== undefined ? `less than ${say(below)}` : most !== undefined ? `at most ${say(most)}` : '';
  return `This must be ${[from, to].filter((part) => part !== '').join(' and ')}.`;
}

interface Props {
  readonly fields: readonly NumberField[];
  readonly values: object;
  readonly onChange: (part: Part) => void;
}

/** Counts, then measures, called and limited as the schema of the build does. */
export function EditableFields({ fields, values, onChange }: Props) {
  const { system } = useUnits();
  const of = values as Readonly<Record<string, Quantity | number | undefined>>;
  const counts = fields.filter(({ dimension }) => dimension === undefined);
  return (
    <>
      {counts.map(({ key, title, help, least = 0, most = Infinity }) => (
        <div key={key} title={help}>
          <span className="block text-[14px] text-soft">{title}</span>
          <Stepper
            label={title}
            value={Number(of[key])}
            least={least}
            most={most}
            onChange={(value) => onChange({ [key]: value })}
          />
        </div>
      ))}
      {fields.map(({ key, title, help, dimension, optional, ...range }) => {
        if (dimension === undefined) return null;
        const check: Check = (value) =>
          isWithin(range, value) ? undefined : limits(range, (si) => show(si, dimension, system).text);
        return (
          <div key={key} title={help}>
            <QuantityField
              label={title}
              className="w-[104px]"
              dimension={dimension}
              value={of[key] as Quantity | undefined}
              check={check}
              onChange={(quantity) => onChange({ [key]: quantity })}
              {...(optional ? { onClear: () => onChange({ [key]: undefined }) } : {})}
            />
          </div>
        );
      })}
    </>
  );
}
