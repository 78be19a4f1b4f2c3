import {
  isUnusual,
  show,
  type Dimension,
  type Quantity,
  type UnitSystem,
  type UnreadQuantity,
} from '@zubric/core/quantity';
import { memo, useCallback, useId } from 'react';
import { useUnits } from '../common/units.tsx';
import { useUnread } from '../session/BuildSession.tsx';
import { useQuantityText, type Check } from './useQuantityText.ts';
import { useSteady } from './use-steady.ts';
import { useFieldsOf } from './FieldsOf.tsx';
import { FieldLabel } from './FieldLabel.tsx';

interface Props {
  readonly label: string;
  readonly dimension: Dimension;
  readonly value: Quantity | undefined;
  readonly onChange: (quantity: Quantity) => void;
  readonly check?: Check | undefined;
  /** Given where the number may be left away. */
  readonly onClear?: (() => void) | undefined;
  /** In a table the column heads the field; the label is then for ears only. */
  readonly hideLabel?: boolean;
  /** What is taken where nothing is typed. */
  readonly placeholder?: string | undefined;
  /** What a bare number is in while nothing stands there. */
  readonly bareUnit?: string | undefined;
  readonly className?: string;
}

/** A field of the open build that takes a number with its unit; drawn anew only where it shows another. */
export function QuantityField({ onChange, check, onClear, ...rest }: Props) {
  return (
    <FieldOfBuild
      {...rest}
      onChange={useSteady(onChange)}
      check={useSteady(check)}
      onClear={useSteady(onClear)}
    />
  );
}

const FieldOfBuild = memo(function FieldOfBuild(props: Props) {
  const { unread, markUnread } = useUnread();
  const id = useId();
  const whose = useFieldsOf();
  // By what it is called, so that it is the same field when its page is opened again.
  const key = whose === undefined ? props.label : `${props.label}, ${whose}`;
  const onUnread = useCallback((text: string | undefined) => markUnread(key, text), [key, markUnread]);
  return <QuantityEntry {...props} id={id} onUnread={onUnread} left={unread.get(key)} />;
});

interface EntryProps extends Props {
  readonly id: string;
  readonly onUnread: (text: string | undefined) => void;
  readonly left?: string | undefined;
}

/** What is asked of a number far from what a shed has, or said of one past what is reckoned with. */
function remarkOn(value: Quantity, dimension: Dimension, system: UnitSystem): string | undefined {
  const said = (si: number): string => show(si, dimension, system, { typedUnit: value.unit }).text;
  if (value.beyond !== undefined)
    return `Saved as ${said(value.beyond)}: beyond what is reckoned with. It stands at ${said(value.value)} until you change it.`;
  if (value.origin !== 'typed' || !isUnusual(dimension, value.value)) return undefined;
  return `${said(value.value)}: is that meant?`;
}

/** How an entry was taken that was in other units than those of what is asked. */
const takenAs = (
  taken: string | undefined,
  value: Quantity,
  dimension: Dimension,
  system: UnitSystem,
): string | undefined =>
  taken === undefined
    ? undefined
    : `Taken ${taken}, ${show(value.value, dimension, system, { typedUnit: value.unit }).text}.`;

/** Steps of an arrow key with Shift held down. */
const TEN = 10;
/** What each arrow key does to a number. */
const STEPS: Readonly<Record<string, 1 | -1>> = { ArrowUp: 1, ArrowDown: -1 };

const ORIGIN_MARK = {
  typed: '',
  measured: 'measured',
  shelf: 'from the shelf',
  assumed: 'assumed',
  placed: 'from where its parts are placed',
} as const;

/** The field itself, for numbers outside a build too. */
export function QuantityEntry({
  label,
  dimension,
  value,
  onChange,
  check,
  onClear,
  hideLabel,
  placeholder,
  bareUnit,
  className,
  id,
  onUnread,
  left,
}: EntryProps) {
  const { text, problem, readings, taken, type, leave, revert, step } = useQuantityText({
    value,
    dimension,
    check,
    onRead: onChange,
    onUnread,
    left,
    onClear,
    bareUnit,
  });
  const { system } = useUnits();
  const remark =
    problem === undefined && value
      ? (takenAs(taken, value, dimension, system) ?? remarkOn(value, dimension, system))
      : undefined;
  return (
    <div className={`relative ${className ?? ''}`}>
      <FieldLabel htmlFor={id} label={label} hidden={hideLabel} />
      <input
        id={id}
        className={`entry ${value?.origin === 'assumed' ? 'border-dashed' : ''}`}
        value={text}
        placeholder={placeholder}
        title={value ? ORIGIN_MARK[value.origin] : ''}
        aria-invalid={problem !== undefined}
        aria-describedby={
          problem !== undefined ? `${id}-problem` : remark === undefined ? undefined : `${id}-remark`
        }
        autoComplete="off"
        spellCheck={false}
        onChange={(event) => type(event.target.value)}
        onBlur={leave}
        onKeyDown={(event) => {
          if (event.key === 'Escape') revert();
          const by = STEPS[event.key];
          if (!by) return;
          event.preventDefault();
          const stands = step(by, event.shiftKey ? TEN : 1);
          // Before the page changes around it: a field that is typed in is laid out as soon as it is given a text.
          if (stands !== undefined) event.currentTarget.value = stands;
        }}
        onFocus={(event) => event.target.select()}
      />
      {remark !== undefined && (
        <p id={`${id}-remark`} role="status" className="text-[14px] leading-tight text-ink">
          {remark}
        </p>
      )}
      {problem !== undefined && (
        <div
          id={`${id}-problem`}
          role="alert"
          className="opens-over absolute top-full left-0 z-20 w-64 border border-short bg-short-lo px-2 py-1 text-[14px] text-ink"
        >
          {problem}
          {readings && <Readings readings={readings} onTake={type} />}
        </div>
      )}
    </div>
  );
}

interface ReadingsProps {
  readonly readings: NonNullable<UnreadQuantity['readings']>;
  readonly onTake: (text: string) => void;
}

/** What was probably meant, each to be taken with one press. */
const Readings = ({ readings, onTake }: ReadingsProps) => (
  <span className="mt-1 flex gap-2">
    {readings.map((reading) => (
      <button
        key={reading.text}
        type="button"
        className="push bg-field"
        onMouseDown={(event) => event.preventDefault()}
        onClick={() => onTake(reading.text)}
      >
        {reading.text}
      </button>
    ))}
  </span>
);
