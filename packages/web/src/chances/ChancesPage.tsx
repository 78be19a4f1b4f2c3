import { chanceInWords, measuredBy, measureFirst, uncertainInWords } from '@zubric/core/say';
import { uncertainIn, type Chance, type Chances, type Uncertain } from '@zubric/core/spreads';
import type { Build } from '@zubric/core/vehicle';
import { Link } from 'react-router';
import { useUnits } from '../common/units.tsx';
import { useTitle } from '../common/use-title.ts';
import { useBuild } from '../session/BuildSession.tsx';
import { useLongWork, type AskLong, type LongWork } from '../workers/use-long-work.ts';

/** What is asked: a build, and what was found of it before, to set beside. */
interface ChancesAsked {
  readonly build: Build;
  readonly before?: Chances | undefined;
}

const CHANCES: AskLong<ChancesAsked, number, Chances> = {
  ask: (work, { build }, tells) => work.chances(build, tells),
  nothingYet: 0,
  found: new Map<string, LongWork<ChancesAsked, number, Chances>>(),
};

/** How sure a build is of its margins, and which number to go and measure. */
export function ChancesPage() {
  const { id, build } = useBuild();
  const { work, start, stop } = useLongWork(id, CHANCES);
  useTitle('How sure is it?', build.name);
  const inputs = uncertainIn(build);
  const before = work.state === 'done' && work.asked.build !== build ? work.answer : undefined;
  return (
    <div className="grid gap-3">
      <div>
        <h1>How sure is it, and what should be measured first?</h1>
        <p className="mt-0.5 max-w-prose text-[16px] text-soft">
          {inputs.length === 0
            ? 'Every number of this build stands for sure: none has a ± of its own, and no ground is from the table.'
            : `${inputs.length} numbers of this build are not known exactly. It is judged many times with each of them anywhere within its range.`}
        </p>
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="push push-main"
          disabled={inputs.length === 0 || build.duties.length === 0 || work.state === 'running'}
          onClick={() => void start({ build, before })}
        >
          {before ? 'Work it out anew' : 'Work it out'}
        </button>
        {work.state === 'running' && (
          <>
            <button type="button" className="push" onClick={stop}>
              Stop
            </button>
            <progress className="w-48" max={1} value={work.progress} aria-label="How far it is" />
            {work.anew && <span>It had stopped by itself and was started anew.</span>}
          </>
        )}
        {before && <span role="status">The build has changed since: what stands here is of before.</span>}
      </div>
      {work.state === 'failed' && (
        <p role="alert" className="text-short">
          It ended before its time: {work.why}. Press for another try.
        </p>
      )}
      {work.state === 'done' && <Found chances={work.answer} asked={work.asked} />}
      {inputs.length > 0 && <Inputs inputs={inputs} build={build} />}
    </div>
  );
}

/** Of each job how often it holds, and what decides. */
function Found({
  chances,
  asked: { build, before },
}: {
  readonly chances: Chances;
  readonly asked: ChancesAsked;
}) {
  const { each, all, samples } = chances;
  const doubted = each.filter(({ keeps }) => keeps < 1).sort((a, b) => a.keeps - b.keeps);
  return (
    <>
      <p role="status" className="max-w-prose">
        All jobs together: it does what is asked {chanceInWords(all.does)}, and keeps every margin{' '}
        {chanceInWords(all.keeps)}
        {before && ` (before: ${chanceInWords(before.all.keeps)})`}. Drawn {samples} times.
      </p>
      <ul className="sheet divide-y divide-line" aria-label="How often each job holds">
        {[...doubted, ...each.filter(({ keeps }) => keeps >= 1)].map((chance) => (
          <Job
            key={chance.dutyId ?? 'whole'}
            chance={chance}
            build={build}
            before={before?.each.find(({ dutyId }) => dutyId === chance.dutyId)}
          />
        ))}
      </ul>
    </>
  );
}

interface JobProps {
  readonly chance: Chance;
  readonly build: Build;
  readonly before: Chance | undefined;
}

function Job({ chance, build, before }: JobProps) {
  const { system } = useUnits();
  const name = build.duties.find(({ id }) => id === chance.dutyId)?.name ?? 'The outing as a whole';
  return (
    <li className="grid grid-cols-2 gap-x-4 gap-y-1 px-3 py-2 lg:grid-cols-[11rem_8.5rem_11.5rem_minmax(0,1fr)]">
      <b className="col-span-2 font-semibold lg:col-span-1">{name}</b>
      <Share title="does it" of={chance.does} />
      <span>
        <Share title="keeps its margins" of={chance.keeps} />
        {before && (
          <span className="block text-[14px] text-soft tabular-nums">before: {percent(before.keeps)}</span>
        )}
      </span>
      <span className="col-span-2 text-[14px] leading-snug lg:col-span-1">
        {measureFirst(chance, build, system)}
      </span>
    </li>
  );
}

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** A share, drawn and said. */
const Share = ({ title, of }: { readonly title: string; readonly of: number }) => (
  <span className="block">
    <span className="flex items-baseline gap-1.5 whitespace-nowrap">
      <span className="text-[14px] text-soft">{title}</span>
      <span className="tabular-nums">{percent(of)}</span>
    </span>
    <span aria-hidden="true" className="block h-2 w-28 border border-edge">
      <span
        className={`block h-full ${of < 0.95 ? 'bg-short' : 'bg-mech'}`}
        style={{ width: `${(100 * of).toFixed(0)}%` }}
      />
    </span>
  </span>
);

/** What is not known exactly, and how each is measured. */
function Inputs({ inputs, build }: { readonly inputs: readonly Uncertain[]; readonly build: Build }) {
  const { id } = useBuild();
  const { system } = useUnits();
  return (
    <section className="sheet p-3" aria-labelledby="not-exact">
      <h2 id="not-exact">What is not known exactly</h2>
      <ul className="mt-1 divide-y divide-line">
        {inputs.map((input) => {
          const how = measuredBy(input);
          return (
            <li key={input.path.join('/')} className="flex flex-wrap justify-between gap-x-6 py-1.5">
              <span>{uncertainInWords(input, build, system)}</span>
              <span className="text-soft">
                {how?.text}{' '}
                {how?.calculator !== undefined && (
                  <Link className="push-plain" to={`/sums/${how.calculator}`}>
                    the sum
                  </Link>
                )}{' '}
                <Link
                  className="push-plain"
                  to={`/builds/${id}/what-if?number=${encodeURIComponent(input.path.join('/'))}`}
                >
                  what if?
                </Link>
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
