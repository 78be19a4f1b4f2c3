import type { Dimension, FieldRange, Quantity } from '@zubric/core/quantity';
import { useCallback, useEffect, useId } from 'react';
import { useUnits } from '../common/units.tsx';
import { QuantityEntry } from './QuantityField.tsx';
import { checkOf } from './SchemaField.tsx';

interface Props {
  /** The figure's key in the form. */
  readonly name: string;
  readonly title: string;
  readonly dimension: Dimension;
  readonly range: FieldRange;
  readonly value: Quantity | undefined;
  readonly onChange: (quantity: Quantity | undefined) => void;
  /** What is taken where the field is empty. */
  readonly usual?: string | undefined;
  readonly onUnread: (name: string, unread: boolean) => void;
}

/** A figure of a form beside any build: read in any unit, and empty where it is not known. */
export function FormQuantity({ name, title, dimension, range, value, onChange, usual, onUnread }: Props) {
  const id = useId();
  const { system } = useUnits();
  const mark = useCallback(
    (text: string | undefined) => onUnread(name, text !== undefined),
    [name, onUnread],
  );
  useEffect(() => () => onUnread(name, false), [name, onUnread]);
  return (
    <QuantityEntry
      id={id}
      label={title}
      dimension={dimension}
      value={value}
      placeholder={usual}
      check={checkOf({ key: '', title, optional: true, dimension, ...range }, system)}
      onChange={onChange}
      onClear={() => onChange(undefined)}
      onUnread={mark}
    />
  );
}
