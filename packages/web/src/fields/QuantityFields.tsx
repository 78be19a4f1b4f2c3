import type { Dimension, Quantity } from '@zubric/core/quantity';
import { QuantityField } from './QuantityField.tsx';
import type { Check } from './useQuantityText.ts';

/** A number of a record: its key, what it is called, what it is of, and its limits. */
export interface QuantitySpec<Key extends string> {
  readonly key: Key;
  readonly label: string;
  readonly dimension: Dimension;
  readonly check?: Check;
  /** Whether it may be left away. */
  readonly optional?: boolean;
}

interface Props<Key extends string> {
  readonly of: { readonly [K in Key]?: Quantity | undefined };
  readonly specs: readonly QuantitySpec<Key>[];
  readonly onChange: (part: { readonly [K in Key]?: Quantity | undefined }) => void;
}

/** Fields for several numbers of one record, in their order. */
export function QuantityFields<Key extends string>({ of, specs, onChange }: Props<Key>) {
  const set = (key: Key, quantity: Quantity | undefined): void =>
    onChange({ [key]: quantity } as { readonly [K in Key]?: Quantity | undefined });
  return specs.map(({ key, label, dimension, check, optional }) => (
    <QuantityField
      key={key}
      label={label}
      dimension={dimension}
      value={of[key]}
      check={check}
      onChange={(quantity) => set(key, quantity)}
      onClear={optional ? () => set(key, undefined) : undefined}
    />
  ));
}
