import type { Quantity } from '@zubric/core/quantity';
import { fieldOf, type BuildPart, type KeyOfPart } from '@zubric/core/vehicle';
import { SchemaField } from './SchemaField.tsx';

interface Props<P extends BuildPart, Key extends KeyOfPart<P>> {
  readonly part: P;
  readonly keys: readonly Key[];
  readonly of: { readonly [K in Key]?: Quantity | undefined };
  /** Whose they are, where their titles alone do not say. */
  readonly whose?: string;
  readonly onChange: (part: { readonly [K in Key]?: Quantity | undefined }) => void;
}

/** Fields for several numbers of one part of a build, in their order; those that may be left away can be emptied. */
export function QuantityFields<P extends BuildPart, Key extends KeyOfPart<P>>({
  part,
  keys,
  of,
  whose,
  onChange,
}: Props<P, Key>) {
  const set = (key: Key, quantity: Quantity | undefined): void =>
    onChange({ [key]: quantity } as { readonly [K in Key]?: Quantity | undefined });
  return keys.map((key) => (
    <SchemaField
      key={key}
      part={part}
      field={key}
      {...(whose === undefined ? {} : { whose })}
      value={of[key]}
      onChange={(quantity) => set(key, quantity)}
      onClear={fieldOf(part, key).optional ? () => set(key, undefined) : undefined}
    />
  ));
}
