import type { Dimension, Quantity } from '@zubric/core/quantity';
import { useCallback, useId } from 'react';
import { useBuild } from '../session/BuildSession.tsx';
import { useQuantityText, type Check } from './useQuantityText.ts';
import { FieldLabel } from './FieldLabel.tsx';

interface Props {
  readonly label: string;
  readonly dimension: Dimension;
  readonly value: Quantity | undefined;
  readonly onChange: (quantity: Quantity) => void;
  readonly check?: Check;
  /** Given where the number may be left away. */
  readonly onClear?: () => void;
  /** In a table the column heads the field; the label is then for ears only. */
  readonly hideLabel?: boolean;
  readonly className?: string;
}

/** A field of the open build that takes a number with its unit. */
export function QuantityField(props: Props) {
  const { markUnread } = useBuild();
  const id = useId();
  const onProblem = useCallback((unread: boolean) => markUnread(id, unread), [id, markUnread]);
  return <QuantityEntry {...props} id={id} onProblem={onProblem} />;
}

interface EntryProps extends Props {
  readonly id: string;
  readonly onProblem: (unreadable: boolean) => void;
}

/** Steps of an arrow key with Shift held down. */
const TEN = 10;

const ORIGIN_MARK = { typed: '', measured: 'measured', shelf: 'from the shelf', assumed: 'assumed' } as const;

/** The field itself, for numbers outside a build too. */
export function QuantityEntry({
  label,
  dimension,
  value,
  onChange,
  check,
  onClear,
  hideLabel,
  className,
  id,
  onProblem,
}: EntryProps) {
  const { text, problem, readings, type, leave, revert, step } = useQuantityText({
    value,
    dimension,
    check,
    onRead: onChange,
    onProblem,
    onClear,
  });
  const assumed = value?.origin === 'assumed';
  return (
    <div className={`relative ${className ?? ''}`}>
      <FieldLabel htmlFor={id} label={label} hidden={hideLabel} />
      <input
        id={id}
        className={`entry ${assumed ? 'border-dashed' : ''}`}
        value={text}
        title={value ? ORIGIN_MARK[value.origin] : ''}
        aria-invalid={problem !== undefined}
        aria-describedby={problem === undefined ? undefined : `${id}-problem`}
        autoComplete="off"
        spellCheck={false}
        onChange={(event) => type(event.target.value)}
        onBlur={leave}
        onKeyDown={(event) => {
          if (event.key === 'Escape') revert();
          if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
          event.preventDefault();
          step(event.key === 'ArrowUp' ? 1 : -1, event.shiftKey ? TEN : 1);
        }}
        onFocus={(event) => event.target.select()}
      />
      {problem !== undefined && (
        <div
          id={`${id}-problem`}
          role="alert"
          className="absolute top-full left-0 z-20 w-64 border border-short bg-short-lo px-2 py-1 text-[14px] text-ink"
        >
          {problem}
          {readings && (
            <span className="mt-1 flex gap-2">
              {readings.map((reading) => (
                <button
                  key={reading.text}
                  type="button"
                  className="push bg-field"
                  onMouseDown={(event) => event.preventDefault()}
                  onClick={() => type(reading.text)}
                >
                  {reading.text}
                </button>
              ))}
            </span>
          )}
        </div>
      )}
    </div>
  );
}
