import type { Dimension, Quantity } from '@zubric/core/quantity';
import { aboveZero } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { Stepper } from '../../fields/Stepper.tsx';
import type { Check } from '../../fields/useQuantityText.ts';

export type Part = Partial<Record<string, Quantity | number | string | undefined>>;

interface Whole {
  readonly key: string;
  readonly label: string;
  readonly least: number;
  readonly most: number;
}

interface Measure {
  readonly key: string;
  readonly label: string;
  readonly dimension: Dimension;
  readonly check: Check;
  /** Whether it may be left away. */
  readonly optional: boolean;
}

/** What can be edited of a thing, in the order a builder reads it off the parts. */
export interface Editable {
  readonly wholes: readonly Whole[];
  readonly measures: readonly Measure[];
}

export const count = (key: string, label: string, least = 6, most = 150): Whole => ({
  key,
  label,
  least,
  most,
});
export const measure = (
  key: string,
  label: string,
  dimension: Dimension,
  { check = aboveZero, optional = false }: { readonly check?: Check; readonly optional?: boolean } = {},
): Measure => ({ key, label, dimension, check, optional });

interface Props {
  readonly editable: Editable;
  readonly values: object;
  readonly onChange: (part: Part) => void;
}

/** Counts and measures side by side. */
export function EditableFields({ editable: { wholes, measures }, values, onChange }: Props) {
  const of = values as Readonly<Record<string, Quantity | number | undefined>>;
  return (
    <>
      {wholes.map(({ key, label, least, most }) => (
        <div key={key}>
          <span className="block text-[14px] text-soft">{label}</span>
          <Stepper
            label={label}
            value={Number(of[key])}
            least={least}
            most={most}
            onChange={(value) => onChange({ [key]: value })}
          />
        </div>
      ))}
      {measures.map(({ key, label, dimension, check, optional }) => (
        <QuantityField
          key={key}
          label={label}
          className="w-[104px]"
          dimension={dimension}
          value={of[key] as Quantity | undefined}
          check={check}
          onChange={(quantity) => onChange({ [key]: quantity })}
          {...(optional ? { onClear: () => onChange({ [key]: undefined }) } : {})}
        />
      ))}
    </>
  );
}
