import { typed, type Dimension } from '@zubric/core/quantity';
import { useId } from 'react';
import { QuantityEntry } from '../../fields/QuantityField.tsx';
import type { Check } from '../../fields/useQuantityText.ts';

const ignore = (): void => undefined;

interface Props {
  readonly label: string;
  readonly dimension: Dimension;
  /** In the unit of the builder's typing; its value is SI. */
  readonly unit: string;
  readonly value: number;
  readonly check: Check;
  readonly onChange: (value: number) => void;
  /** Takes what is usual again; without it an empty field is asked to be filled. */
  readonly onClear?: () => void;
  readonly className?: string;
}

/** A number of a course or controller, which are kept as plain numbers in SI. */
export function PlainNumber({
  label,
  dimension,
  unit,
  value,
  check,
  onChange,
  onClear,
  className = 'w-32',
}: Props) {
  const id = useId();
  return (
    <QuantityEntry
      {...{ id, label, dimension, check, className }}
      value={typed(value, unit)}
      onChange={(quantity) => onChange(quantity.value)}
      {...(onClear ? { onClear } : {})}
      onUnread={ignore}
    />
  );
}

/** A limit both ways, with what it says. */
export const between =
  (least: number, most: number, said: string): Check =>
  (value) =>
    value >= least && value <= most ? undefined : said;
