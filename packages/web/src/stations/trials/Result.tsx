import { measuredWorking, resultOfSet, type Measured, type TrialResult } from '@zubric/core/protocols';
import { showNumber } from '@zubric/core/quantity';
import { useSentence, useUnits } from '../../common/units.tsx';
import type { ShownTrialSet } from '../../offline/use-outbox.ts';
import { Beside } from './Beside.tsx';
import { Opens } from '../../working/Opens.tsx';
import { Plot } from './Plots.tsx';
import { intervalText, sidedText } from './said.ts';

/** What the runs say: in a sentence, in numbers beside what was foretold, and drawn. */
export function Result({ set }: { readonly set: ShownTrialSet }) {
  const say = useSentence();
  const result = resultOfSet(set);
  const [first, ...others] = result.plots;
  return (
    <section aria-labelledby="result-title" className="grid content-start gap-3">
      <h2 id="result-title">What the runs say</h2>
      {result.notes.length > 0 && (
        <ul className="grid gap-1">
          {result.notes.map((note) => (
            <li key={say(note)}>{say(note)}</li>
          ))}
        </ul>
      )}
      {set.trials.length === 0 && <p className="text-soft">Nothing yet.</p>}
      {first && <Plot plot={first} />}
      <Figures set={set} result={result} />
      {result.measured.length > 0 && <Beside set={set} result={result} />}
      {others.map((plot, n) => (
        <Plot key={n} plot={plot} />
      ))}
    </section>
  );
}

/** A chance as a share of the time; of very small ones only that they are. */
const luckInWords = (chance: number): string =>
  chance < 0.001 ? 'less than 0.1 % of the time' : `${showNumber(chance * 100, 2)} % of the time`;

function Figures({ set, result }: { readonly set: ShownTrialSet; readonly result: TrialResult }) {
  const { system } = useUnits();
  const rows = result.measured.flatMap((one: Measured) => [
    {
      title: one.title,
      work: measuredWorking(set, one),
      text: `${one.atLeast ? 'at least ' : ''}${sidedText(one.value, one, system, one.dimension === 'share' ? 4 : undefined)}`,
      more: [
        intervalText(one, system) === '' ? '' : `95 % interval: ${intervalText(one, system)}`,
        one.sd === undefined
          ? ''
          : `single runs scatter by ${sidedText(one.sd, { dimension: one.dimension }, system)}`,
      ].filter((part) => part !== ''),
    },
  ]);
  if (rows.length === 0) return null;
  return (
    <dl className="sheet divide-y divide-line" aria-label="In numbers">
      {rows.map(({ title, text, more, work }) => (
        <div key={title} className="flex flex-wrap justify-between gap-x-4 px-3 py-1.5">
          <dt className="text-soft">{title}</dt>
          <dd className="ml-auto text-right">
            <b className="font-semibold">
              {work ? (
                <Opens title={`“${title}”, the mean in SI,`} work={() => work}>
                  {text}
                </Opens>
              ) : (
                text
              )}
            </b>
            {more.map((line) => (
              <span key={line} className="block text-[14px] text-soft">
                {line}
              </span>
            ))}
          </dd>
        </div>
      ))}
      {result.luck !== undefined && result.verdict !== 'too-few' && (
        <div className="flex flex-wrap justify-between gap-x-4 px-3 py-1.5">
          <dt className="text-soft">So far off by luck alone</dt>
          <dd className="ml-auto font-semibold">{luckInWords(result.luck)}</dd>
        </div>
      )}
    </dl>
  );
}
