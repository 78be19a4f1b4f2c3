import {
  boundsOf,
  fieldUnit,
  readQuantity,
  show,
  showForEditing,
  stepQuantity,
  withinBounds,
  type Dimension,
  type Quantity,
  type UnitSystem,
  type UnreadQuantity,
} from '@zubric/core/quantity';
import { useEffect, useRef, useState } from 'react';
import { useUnits } from '../common/units.tsx';

/** A limit on what a field takes, with the sentence that says so. */
export type Check = (value: number) => string | undefined;

/** Why a number is not taken that is past what is reckoned with in any build; in the unit that it was typed in. */
function beyondReckoning(
  si: number,
  dimension: Dimension,
  { system, unit }: { readonly system: UnitSystem; readonly unit: string },
): string | undefined {
  if (withinBounds(dimension, si) === si) return undefined;
  const { least, most } = boundsOf(dimension);
  const said = (limit: number): string => show(limit, dimension, system, { typedUnit: unit }).text;
  return Math.abs(si) > most
    ? `This is reckoned with up to ${said(most)}.`
    : `This is reckoned with from ${said(least)} on; or type 0.`;
}

/** Said of what was left unread until it is typed on. */
const STILL_UNREAD =
  'This could not be read when you left it: type on, or press Escape for the last readable value.';

interface QuantityText {
  readonly text: string;
  readonly problem: string | undefined;
  readonly readings: UnreadQuantity['readings'];
  /** How the last entry was taken, where it was not in units of what is asked. */
  readonly taken: string | undefined;
  readonly type: (text: string) => void;
  readonly leave: () => void;
  /** Back to the last readable value. */
  readonly revert: () => void;
  /** One step of an arrow key, or several: what then stands there; undefined where it does not step. */
  readonly step: (by: 1 | -1, times: number) => string | undefined;
}

interface Options {
  readonly value: Quantity | undefined;
  readonly dimension: Dimension;
  readonly check?: Check | undefined;
  readonly onRead: (quantity: Quantity) => void;
  /** With what stands there while it cannot be read; without, once it can. */
  readonly onUnread: (text: string | undefined) => void;
  /** What stood there unread when the field was last left. */
  readonly left?: string | undefined;
  /** Where the number may be left away: what an empty field means. */
  readonly onClear?: (() => void) | undefined;
  /** What a bare number is in while nothing stands there; what is usual for the dimension, unless it is said. */
  readonly bareUnit?: string | undefined;
}

/** What a bare number is taken in: the unit that stands there, else the one that is asked in. */
const bareUnitOf = (
  value: Quantity | undefined,
  asked: string | undefined,
  dimension: Dimension,
  system: UnitSystem,
): string => {
  const unit =
    value === undefined && asked !== undefined
      ? asked
      : fieldUnit(value?.value ?? 0, value?.unit, dimension, system);
  // A bare number beside a slope is no slope of one in so many.
  return unit === '1:n' ? '°' : unit;
};

/** What was handed on last: the page may show it only a moment later. */
function useHanded(value: Quantity | undefined) {
  const handedRef = useRef(value);
  useEffect(() => {
    handedRef.current = value;
  }, [value]);
  return handedRef;
}

/**
 * The text of a quantity field. What is typed is kept as typed until the field is left; a readable entry is handed on
 * at every keystroke, an unreadable one never.
 */
export function useQuantityText({
  value,
  dimension,
  check,
  onRead,
  onUnread,
  left,
  onClear,
  bareUnit,
}: Options): QuantityText {
  const { system } = useUnits();
  const shown = value ? showForEditing(value, dimension, system) : '';
  const [draft, setDraft] = useState<string | null>(left ?? null);
  const [problem, setProblem] = useState(left === undefined ? undefined : STILL_UNREAD);
  const [readings, setReadings] = useState<UnreadQuantity['readings']>();
  const [taken, setTaken] = useState<string>();
  const handedRef = useHanded(value);
  // The unit that stood there when typing began: a bare number is in it, however its size goes on.
  const bare = useRef<string>(undefined);

  const type = (text: string): void => {
    if (draft === null) bare.current = bareUnitOf(value, bareUnit, dimension, system);
    setDraft(text);
    setTaken(undefined);
    if (onClear && text.trim() === '') {
      setProblem(undefined);
      setReadings(undefined);
      onUnread(undefined);
      onClear();
      return;
    }
    const read = readQuantity(text, dimension, { assumedUnit: bare.current });
    const refusal = read.ok
      ? (check?.(read.value) ?? beyondReckoning(read.value, dimension, { system, unit: read.unit }))
      : read.message;
    setProblem(refusal);
    setReadings(read.ok ? undefined : read.readings);
    setTaken(read.ok ? read.taken : undefined);
    onUnread(refusal === undefined ? undefined : text);
    if (!read.ok || refusal !== undefined) return;
    const { value: si, unit, spread } = read;
    handedRef.current = { value: si, unit, origin: 'typed', ...(spread === undefined ? {} : { spread }) };
    onRead(handedRef.current);
  };

  const settle = (): void => {
    setDraft(null);
    setProblem(undefined);
    setReadings(undefined);
    setTaken(undefined);
    onUnread(undefined);
  };

  const step = (by: 1 | -1, times: number): string | undefined => {
    const from = handedRef.current;
    if (!from || problem !== undefined) return undefined;
    const symbol = fieldUnit(from.value, from.unit, dimension, system);
    const unit = symbol === '1:n' ? '°' : symbol;
    const next = stepQuantity(from.value, { dimension, unit, by, times });
    // A step stops at the limit of the field rather than pass it.
    if ((check?.(next) ?? beyondReckoning(next, dimension, { system, unit })) !== undefined) return undefined;
    settle();
    handedRef.current = { ...from, value: next, unit, origin: 'typed' };
    onRead(handedRef.current);
    return showForEditing(handedRef.current, dimension, system);
  };

  return {
    text: draft ?? shown,
    problem,
    readings,
    taken,
    type,
    leave: () => {
      if (problem === undefined) setDraft(null);
    },
    revert: settle,
    step,
  };
}
