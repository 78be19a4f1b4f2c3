import { leewayInWords, marginInWords, numberInWords } from '@zubric/core/say';
import {
  stepsFromNow,
  usualSpan,
  type MarginAlong,
  type MarginKey,
  type WhatIf,
} from '@zubric/core/sensitivity';
import { numbersOf, type NumberAt } from '@zubric/core/vehicle';
import { useCallback, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { NotWorkedOut } from '../common/NotWorkedOut.tsx';
import { useUnits } from '../common/units.tsx';
import { useTitle } from '../common/use-title.ts';
import { Choice } from '../fields/Choice.tsx';
import { useBuild } from '../session/BuildSession.tsx';
import { useBeside, type Ask } from '../workers/use-beside.ts';
import { MarginChart } from './MarginChart.tsx';
import { NumberPicker } from './NumberPicker.tsx';
import { OnTheWay } from './OnTheWay.tsx';
import { SpanEnd } from './SpanEnd.tsx';

/** What is looked at first: what most builders are least sure of. */
const FIRST = 'masses/payload/mass';

const pathOf = (number: NumberAt): string => number.path.join('/');
const keyOf = ({ link, dutyId, driveId, stageId, elementId, railId }: MarginKey): string =>
  [link, dutyId, driveId, stageId, elementId, railId].map((step) => step ?? '').join('/');

/** What is asked, as it stands in the address. */
function useAsked(numbers: readonly NumberAt[]) {
  const [search, setSearch] = useSearchParams();
  const named = search.get('number') ?? FIRST;
  const number = numbers.find((one) => pathOf(one) === named) ?? numbers[0];
  const asked = (key: string): number | undefined => {
    const text = search.get(key);
    return text === null || !Number.isFinite(Number(text)) ? undefined : Number(text);
  };
  const change = (values: Readonly<Record<string, string | undefined>>): void =>
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        for (const [key, value] of Object.entries(values))
          if (value === undefined) next.delete(key);
          else next.set(key, value);
        return next;
      },
      { replace: true },
    );
  return { number, margin: search.get('margin'), from: asked('from'), to: asked('to'), change };
}

/** Any number of the build moved, any margin along it, and where each verdict turns. */
export function WhatIfPage() {
  const { build } = useBuild();
  useTitle('What if?', build.name);
  const numbers = useMemo(() => numbersOf(build), [build]);
  const { number, margin, from, to, change } = useAsked(numbers);
  const usual = useMemo(() => number && usualSpan(build, number), [build, number]);
  const [least, most] = [from ?? usual?.least ?? 0, to ?? usual?.most ?? 1];
  const ask: Ask<WhatIf> | undefined = useCallback(
    (work: Parameters<Ask<WhatIf>>[0]) => {
      if (!number) throw new Error('this build has no number');
      return work.whatIf(build, number, { least, most });
    },
    [build, number, least, most],
  );
  const judged = number !== undefined && build.duties.length > 0;
  const { answer, isOfNow, problem, anew = false } = useBeside(judged ? ask : undefined);
  return (
    <div className="grid gap-3">
      <div>
        <h1>What if a number were different?</h1>
        <p className="mt-0.5 max-w-prose text-[16px] text-soft">
          One number of the build is moved from end to end and everything else left as it is; each build on
          the way is judged in full. Nothing is changed in the build.
        </p>
      </div>
      <div className="sheet grid items-end gap-3 p-3 md:grid-cols-[minmax(0,2fr)_minmax(0,1fr)_minmax(0,1fr)]">
        <NumberPicker
          build={build}
          numbers={numbers}
          chosen={number}
          onChoose={(next) => change({ number: pathOf(next), from: undefined, to: undefined })}
        />
        {number && (
          <>
            <SpanEnd
              key={`from ${pathOf(number)}`}
              label="From"
              number={number}
              value={least}
              onChange={(value) => change({ from: String(value) })}
            />
            <SpanEnd
              key={`to ${pathOf(number)}`}
              label="To"
              number={number}
              value={most}
              onChange={(value) => change({ to: String(value) })}
            />
          </>
        )}
      </div>
      {!judged && <p className="text-soft">Say what it must do first: without a job nothing is judged.</p>}
      {problem !== undefined && <NotWorkedOut what="What it would come to" why={problem} />}
      {judged && !isOfNow && (
        <p role="status" className="text-soft">
          {anew ? 'It had stopped by itself and is being worked out anew…' : 'Being worked out…'}
        </p>
      )}
      {answer && (
        <div className={isOfNow ? 'grid gap-3' : 'grid gap-3 opacity-60'} aria-busy={!isOfNow}>
          <Found found={answer} wanted={margin} onShow={(key) => change({ margin: keyOf(key) })} />
        </div>
      )}
    </div>
  );
}

interface FoundProps {
  readonly found: WhatIf;
  readonly wanted: string | null;
  readonly onShow: (margin: MarginKey) => void;
}

/** The nearest to its rule of all margins on the way. */
const nearest = ({ at }: MarginAlong): number =>
  Math.min(Infinity, ...at.map((there) => (there ? there.ratio / there.rule : Infinity)));

/** What is drawn where nobody asked for a margin: the first that comes to its rule, else the one nearest to it. */
function firstMargin(found: WhatIf): MarginAlong | undefined {
  const { less, more } = stepsFromNow(found);
  const first = [...more, ...less].find(({ decides }) => decides)?.turn.margin;
  const named = first && found.margins.find(({ margin }) => keyOf(margin) === keyOf(first));
  return named ?? [...found.margins].sort((a, b) => nearest(a) - nearest(b))[0];
}

function Found({ found, wanted, onShow }: FoundProps) {
  const { build } = useBuild();
  const { system } = useUnits();
  const [all, setAll] = useState(false);
  const margins = [...found.margins].sort((a, b) => nearest(a) - nearest(b));
  const along = margins.find(({ margin }) => keyOf(margin) === wanted) ?? firstMargin(found);
  if (!along) return <p>Nothing is asked of any part with this number.</p>;
  const { less, more } = stepsFromNow(found);
  const now = numberInWords(found.number, found.number.value, system);
  return (
    <>
      <p className="max-w-prose text-[16px]">{leewayInWords(found, build, system)}</p>
      <figure className="sheet p-2">
        <Choice
          label="Margin shown, the nearest to its rule first"
          className="max-w-xl px-1 pb-2"
          value={keyOf(along.margin)}
          options={margins.map(({ margin }) => ({
            value: keyOf(margin),
            title: marginInWords(margin, build),
          }))}
          onChange={(key) => {
            const next = margins.find(({ margin }) => keyOf(margin) === key);
            if (next) onShow(next.margin);
          }}
        />
        <MarginChart
          build={build}
          found={found}
          along={along}
          turns={found.turns.filter(({ margin }) => keyOf(margin) === keyOf(along.margin))}
        />
      </figure>
      <div className="grid items-start gap-3 md:grid-cols-2">
        <OnTheWay
          title={`If it were less than ${now}`}
          {...{ build, found, all, onShow }}
          steps={less}
          end={found.values[0] ?? 0}
        />
        <OnTheWay
          title={`If it were more than ${now}`}
          {...{ build, found, all, onShow }}
          steps={more}
          end={found.values.at(-1) ?? 0}
        />
      </div>
      <label className="flex items-center gap-2">
        <input type="checkbox" checked={all} onChange={(event) => setAll(event.target.checked)} />
        List every turn, also between “just” and “more than enough”, and between “short” and “fails”
      </label>
    </>
  );
}
