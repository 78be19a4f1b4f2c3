import { VERDICTS, compareMargins, evaluate, type MovedMargin } from '@zubric/core/judge';
import { differencesBetween, inWords, type Build } from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import type { SnapshotLine } from '@zubric/core/answers';
import { api } from '../../common/api.ts';
import { useUnits } from '../../common/units.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { Choice } from '../../fields/Choice.tsx';

const NOW = 'now';

/** One side: a snapshot by its number, or the build as it is on screen. */
function useSide(side: string): { readonly build: Build | undefined; readonly error: Error | null } {
  const { id, whole: build } = useBuild();
  const snapshot = useQuery({
    queryKey: ['snapshot', id, side],
    queryFn: () => api.snapshot(id, Number(side)),
    enabled: side !== NOW,
    // A snapshot never changes.
    staleTime: Infinity,
    retry: 1,
  });
  return { build: side === NOW ? build : snapshot.data?.document, error: snapshot.error };
}

interface Props {
  /** "3-now" or "2-5": what stands left and right. */
  readonly pair: string;
  readonly snapshots: readonly SnapshotLine[];
}

/** Two states of the build side by side: what differs, and which margins moved with it. */
export function Compare({ pair, snapshots }: Props) {
  const [left = NOW, right = NOW] = pair.split('-');
  const [, setSearch] = useSearchParams();
  const before = useSide(left);
  const after = useSide(right);
  const options = [
    { value: NOW, title: 'Now, as on screen' },
    ...snapshots.map(({ number, name }) => ({ value: String(number), title: `${number}: ${name}` })),
  ];
  const choose = (from: string, to: string): void =>
    setSearch({ compare: `${from}-${to}` }, { replace: true });
  const error = before.error ?? after.error;
  return (
    <section className="sheet p-3" aria-label="Comparison">
      <div className="flex flex-wrap items-end gap-3">
        <Choice
          className="min-w-40 flex-1"
          label="From"
          value={left}
          options={options}
          onChange={(v) => choose(v, right)}
        />
        <Choice
          className="min-w-40 flex-1"
          label="To"
          value={right}
          options={options}
          onChange={(v) => choose(left, v)}
        />
        <button type="button" className="push" onClick={() => setSearch({}, { replace: true })}>
          Close
        </button>
      </div>
      {error && (
        <p role="alert" className="mt-2 text-short">
          {error.message}
        </p>
      )}
      {before.build && after.build && <Tables before={before.build} after={after.build} />}
    </section>
  );
}

function Tables({ before, after }: { readonly before: Build; readonly after: Build }) {
  const { system } = useUnits();
  const differences = differencesBetween(before, after).map((d) => inWords(d, before, after, system));
  const margins = compareMargins(evaluate(before), evaluate(after));
  if (differences.length === 0) return <p className="mt-3">They are the same.</p>;
  return (
    <>
      <div className="overflow-x-auto">
        <table className="grid-table mt-3">
          <caption className="text-left font-narrow text-[16px] font-semibold">
            {differences.length === 1 ? 'One thing differs' : `${differences.length} things differ`}
          </caption>
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">From</th>
              <th scope="col">To</th>
            </tr>
          </thead>
          <tbody>
            {differences.map((words) => (
              <tr key={words.key}>
                <th scope="row">{words.place}</th>
                <td className="break-words">{words.before}</td>
                <td className="break-words">{words.after}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <table className="grid-table mt-3">
          <caption className="text-left font-narrow text-[16px] font-semibold">
            What it did to the margins
          </caption>
          <thead>
            <tr>
              <th scope="col">Margin</th>
              <th scope="col" className="n">
                From
              </th>
              <th scope="col" className="n">
                To
              </th>
              <th scope="col">Moved</th>
            </tr>
          </thead>
          <tbody>
            {margins.map((margin) => (
              <MarginRow key={margin.link} margin={margin} />
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

function movedWord({ before, after, moved }: MovedMargin): string {
  if (!moved) return 'as it was';
  if (!before) return 'new';
  if (!after) return 'gone';
  const better =
    VERDICTS.indexOf(after.verdict) - VERDICTS.indexOf(before.verdict) || after.ratio - before.ratio;
  return better > 0 ? '▲ better' : '▼ worse';
}

function MarginRow({ margin }: { readonly margin: MovedMargin }) {
  const side = (at: MovedMargin['before']) => (
    <td className="n">
      {at ? (
        <>
          {showNumber(at.ratio)} ×{' '}
          <span className={at.verdict === 'fails' ? 'font-semibold text-short' : 'text-soft'}>
            {at.verdict}
          </span>
        </>
      ) : (
        'none'
      )}
    </td>
  );
  return (
    <tr className={margin.moved ? 'font-semibold' : 'text-soft'}>
      <th scope="row">{margin.title}</th>
      {side(margin.before)}
      {side(margin.after)}
      <td>{movedWord(margin)}</td>
    </tr>
  );
}
