import { meaningOf, type NumberAt } from '@zubric/core/vehicle';
import { typed } from '@zubric/core/quantity';
import { useId, useState } from 'react';
import { fieldUnit } from '@zubric/core/quantity';
import { useUnits } from '../common/units.tsx';
import { FieldLabel } from '../fields/FieldLabel.tsx';
import { QuantityEntry } from '../fields/QuantityField.tsx';

interface Props {
  readonly label: string;
  readonly number: NumberAt;
  readonly value: number;
  readonly onChange: (value: number) => void;
}

const ignore = (): void => undefined;

/** One end of what a number is looked at between, in the unit of the number. */
export function SpanEnd({ label, number, value, onChange }: Props) {
  const id = useId();
  const { system } = useUnits();
  const { dimension, unit } = meaningOf(number.path);
  if (!dimension)
    return <PlainEnd label={unit ? `${label}, ${unit}` : label} value={value} onChange={onChange} />;
  return (
    <QuantityEntry
      id={id}
      label={label}
      dimension={dimension}
      value={typed(value, number.quantity?.unit ?? fieldUnit(value, undefined, dimension, system))}
      onChange={(end) => onChange(end.value)}
      onUnread={ignore}
    />
  );
}

/** One that is told without a unit to choose, such as teeth or a figure of a data sheet. */
function PlainEnd({ label, value, onChange }: Pick<Props, 'label' | 'value' | 'onChange'>) {
  const id = useId();
  const [text, setText] = useState<string>();
  return (
    <div>
      <FieldLabel htmlFor={id} label={label} />
      <input
        id={id}
        type="number"
        step="any"
        className="entry"
        value={text ?? Number(value.toPrecision(4))}
        onChange={(event) => {
          setText(event.target.value);
          if (Number.isFinite(event.target.valueAsNumber)) onChange(event.target.valueAsNumber);
        }}
        onBlur={() => setText(undefined)}
      />
    </div>
  );
}
