import {
  isWithin,
  show,
  type FieldRange,
  type NumberField,
  type Quantity,
  type UnitSystem,
} from '@zubric/core/quantity';
import { fieldOf, type BuildPart, type KeyOfPart } from '@zubric/core/vehicle';
import { useUnits } from '../common/units.tsx';
import { QuantityField } from './QuantityField.tsx';
import type { Check } from './useQuantityText.ts';

/** What a field takes, as a sentence. */
function limits({ above, least, most, below }: FieldRange, say: (si: number) => string): string {
  const from =
    above !== undefined ? `more than ${say(above)}` : least !== undefined ? `at least ${say(least)}` : '';
  const to =
    below !== undefined ? `less than ${say(below)}` : most !== undefined ? `at most ${say(most)}` : '';
  return `This must be ${[from, to].filter((part) => part !== '').join(' and ')}.`;
}

/** The limits of a number's schema, said before it is sent. */
export const checkOf =
  (field: NumberField, system: UnitSystem): Check =>
  (value) =>
    isWithin(field, value)
      ? undefined
      : limits(field, (si) =>
          field.dimension === undefined ? String(si) : show(si, field.dimension, system).text,
        );

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

interface Props<P extends BuildPart> {
  /** Which number of which part of a build. */
  readonly part: P;
  readonly field: KeyOfPart<P>;
  readonly value: Quantity | undefined;
  readonly onChange: (quantity: Quantity) => void;
  /** Given where the number may be left away. */
  readonly onClear?: (() => void) | undefined;
  /** Whose it is, where the title alone does not say: "Body, length". */
  readonly whose?: string;
  /** Asked in other words than the schema's. */
  readonly label?: string;
  readonly hideLabel?: boolean;
  readonly className?: string;
}

/** A number of a build, called, measured and limited as its schema does. */
export function SchemaField<P extends BuildPart>({ part, field: key, whose, label, ...rest }: Props<P>) {
  const { system } = useUnits();
  const field = fieldOf(part, key);
  const title = field.unit === undefined ? field.title : `${field.title}, ${field.unit}`;
  return (
    <QuantityField
      label={label ?? (whose === undefined ? title : `${whose}, ${lowerFirst(title)}`)}
      dimension={field.dimension ?? 'number'}
      check={checkOf(field, system)}
      {...rest}
    />
  );
}
