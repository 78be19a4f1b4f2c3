import { showNumber } from '@zubric/core/quantity';
import { useId, useState } from 'react';

/** What each is for, by the unit of what the motors are told. */
const TITLES = {
  kp: (told: string) => `For a lean, kp, ${told}/rad`,
  ki: (told: string) => `For a lean through time, ki, ${told}/(rad·s)`,
  kd: (told: string) => `For a lean that grows, kd, ${told}·s/rad`,
  holdPlace: () => 'Hold: lean for its place, rad/m',
  holdSpeed: () => 'Hold: lean for its speed, rad·s/m',
} as const;

interface Props {
  readonly name: keyof typeof TITLES;
  readonly told: string;
  readonly value: number;
  readonly onChange: (value: number) => void;
}

const FIGURES = 4;
/** A gain beyond this is no gain of a loop that runs. */
const MOST = 1e6;
/** A number as it is typed, with a comma or a point. */
const read = (text: string): number => (text.trim() === '' ? NaN : Number(text.trim().replace(',', '.')));

/** A gain as a plain number. */
export function GainEntry({ name, told, value, onChange }: Props) {
  const id = useId();
  const [draft, setDraft] = useState<string>();
  const wrong = draft !== undefined && !(Math.abs(read(draft)) <= MOST);
  // What was typed stands as it was typed, until another value takes its place.
  const shown = draft !== undefined && (wrong || read(draft) === value) ? draft : showNumber(value, FIGURES);
  return (
    <div className="w-56">
      <label htmlFor={id} className="block text-[14px] text-soft">
        {TITLES[name](told)}
      </label>
      <input
        id={id}
        className="entry"
        inputMode="decimal"
        data-own-undo
        value={shown}
        aria-invalid={wrong}
        aria-describedby={wrong ? `${id}-problem` : undefined}
        onChange={(event) => {
          setDraft(event.target.value);
          const number = read(event.target.value);
          if (Math.abs(number) <= MOST) onChange(number);
        }}
        onBlur={() => {
          if (!wrong) setDraft(undefined);
        }}
      />
      {wrong && (
        <p id={`${id}-problem`} role="alert" className="text-[14px] text-short">
          A number up to a million.
        </p>
      )}
    </div>
  );
}
