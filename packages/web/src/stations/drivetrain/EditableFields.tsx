import type { NumberField, Quantity } from '@zubric/core/quantity';
import { useUnits } from '../../common/units.tsx';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { Stepper } from '../../fields/Stepper.tsx';
import { checkOf } from '../../fields/SchemaField.tsx';

export type Part = Partial<Record<string, Quantity | number | string | undefined>>;

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
      {fields.map((field) => {
        const { key, title, help, dimension, optional } = field;
        if (dimension === undefined) return null;
        return (
          <div key={key} title={help}>
            <QuantityField
              label={title}
              className="w-[104px]"
              dimension={dimension}
              value={of[key] as Quantity | undefined}
              check={checkOf(field, system)}
              onChange={(quantity) => onChange({ [key]: quantity })}
              {...(optional ? { onClear: () => onChange({ [key]: undefined }) } : {})}
            />
          </div>
        );
      })}
    </>
  );
}
