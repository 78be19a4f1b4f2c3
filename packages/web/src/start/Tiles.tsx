import type { ReactNode } from 'react';

interface Props<T extends string> {
  readonly legend: string;
  /** Of the radio buttons; one of a kind on a page. */
  readonly name: string;
  readonly options: readonly { readonly value: T; readonly title: string; readonly drawing?: ReactNode }[];
  readonly value: T | undefined;
  readonly onChoose: (value: T) => void;
  readonly className: string;
}

const TILE =
  'flex h-full min-h-10 cursor-pointer flex-col items-center border border-line bg-field px-1.5 py-1 text-center text-[14px] leading-tight hover:border-ink peer-checked:border-ink peer-checked:bg-ink peer-checked:font-semibold peer-checked:text-sheet peer-focus-visible:outline-2 peer-focus-visible:outline-offset-2 peer-focus-visible:outline-ink';

/** One of several, each a tile to press; arrow keys go through them. */
export function Tiles<T extends string>({ legend, name, options, value, onChoose, className }: Props<T>) {
  return (
    <fieldset>
      <legend className="font-narrow text-[16px] font-semibold">{legend}</legend>
      <div className={`mt-1 grid gap-1.5 ${className}`}>
        {options.map((option) => (
          <label key={option.value} className="relative block">
            <input
              type="radio"
              name={name}
              className="peer sr-only"
              checked={option.value === value}
              onChange={() => onChoose(option.value)}
            />
            <span className={TILE}>
              {option.drawing}
              <span className="my-auto">{option.title}</span>
            </span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}

interface SeveralProps {
  readonly legend: string;
  readonly options: readonly { readonly value: string; readonly title: string }[];
  readonly chosen: readonly string[];
  readonly onToggle: (value: string, on: boolean) => void;
}

/** Any of several, each a tile to press. */
export const SeveralTiles = ({ legend, options, chosen, onToggle }: SeveralProps) => (
  <fieldset>
    <legend className="font-narrow text-[16px] font-semibold">{legend}</legend>
    <div className="mt-1 flex flex-wrap gap-1.5">
      {options.map(({ value, title }) => (
        <label key={value} className="relative block">
          <input
            type="checkbox"
            className="peer sr-only"
            checked={chosen.includes(value)}
            onChange={(event) => onToggle(value, event.target.checked)}
          />
          <span className={TILE}>
            <span className="my-auto">{title}</span>
          </span>
        </label>
      ))}
    </div>
  </fieldset>
);
