import { marginInWords, numberInWords, VERDICT_WORDS } from '@zubric/core/say';
import type { MarginKey, StepFromNow, WhatIf } from '@zubric/core/sensitivity';
import type { Build } from '@zubric/core/vehicle';
import { useId, useState } from 'react';
import { useUnits } from '../common/units.tsx';

const LISTED = 8;

interface Props {
  readonly title: string;
  readonly build: Build;
  readonly found: WhatIf;
  readonly steps: readonly StepFromNow[];
  /** How far it was looked at this way; what stands where it was not. */
  readonly end: number;
  /** Whether those are listed too at which a margin stays on the same side of its rule. */
  readonly all: boolean;
  readonly onShow: (margin: MarginKey) => void;
}

/** What happens to which margin on the way from what stands now, the nearest first. */
export function OnTheWay({ title, build, found: { number }, end, steps, all, onShow }: Props) {
  const id = useId();
  const { system } = useUnits();
  const [listed, setListed] = useState(LISTED);
  const told = steps.filter(({ decides }) => all || decides);
  return (
    <section className="sheet px-3 py-2" aria-labelledby={id}>
      <h2 id={id}>{title}</h2>
      {told.length === 0 && (
        <p className="mt-1 text-soft">
          {end === number.value
            ? 'It was not looked at this way.'
            : `No margin comes to or leaves its rule between here and ${numberInWords(number, end, system)}.`}
        </p>
      )}
      <ol className="mt-1 divide-y divide-line">
        {told.slice(0, listed).map(({ turn, becomes }) => (
          <li
            key={`${turn.value} ${marginInWords(turn.margin, build)} ${becomes}`}
            className="grid grid-cols-[6.5rem_minmax(0,1fr)] items-baseline gap-x-3 py-1"
          >
            <span className="tabular-nums">{numberInWords(number, turn.value, system)}</span>
            <span>
              <button type="button" className="push-plain text-left" onClick={() => onShow(turn.margin)}>
                {marginInWords(turn.margin, build)}
              </button>{' '}
              <span className={becomes === 'fails' ? 'text-short' : 'text-soft'}>
                {VERDICT_WORDS[becomes]}
              </span>
            </span>
          </li>
        ))}
      </ol>
      {told.length > listed && (
        <button type="button" className="push-plain" onClick={() => setListed(told.length)}>
          Show all {told.length}
        </button>
      )}
    </section>
  );
}
