import { protocolOf, readingsCsv, standings, type GroupSet, type Standing } from '@zubric/core/protocols';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../common/api.ts';
import { downloadText } from '../common/download.ts';
import { Message } from '../common/Message.tsx';
import { stationAddress } from '../common/stations.ts';
import { useSay } from '../common/units.tsx';
import { useTitle } from '../common/use-title.ts';
import { Header } from '../frame/Header.tsx';
import { BeginGroup } from './BeginGroup.tsx';

/** One trial over several builds: a class, a club, side by side. */
export function GroupsPage() {
  useTitle('Class and club');
  const stored = useQuery({ queryKey: ['trial-sets', 'groups'], queryFn: api.groupTrialSets });
  const [begins, setBegins] = useState(false);
  const sets: readonly GroupSet[] = stored.data ?? [];
  const shown = standings(sets);
  return (
    <>
      <Header>
        <span className="font-narrow text-[16px] font-semibold">Class and club</span>
      </Header>
      <main id="main" className="mx-auto grid max-w-[1240px] gap-4 px-4 py-4 md:px-6">
        <div>
          <h1>Who is best, and by how much?</h1>
          <p className="mt-0.5 text-soft">
            One trial over several builds, the same for all: side by side, each scored against the best.
          </p>
        </div>
        <div className="flex flex-wrap gap-3 print:hidden">
          <button type="button" className="push push-main min-h-10" onClick={() => setBegins(!begins)}>
            {begins ? 'Not now' : 'Begin a trial for several builds'}
          </button>
          {sets.length > 0 && (
            <>
              <button
                type="button"
                className="push min-h-10"
                onClick={() => downloadText('readings.csv', readingsCsv(sets), 'text/csv')}
              >
                All readings as CSV
              </button>
              <button type="button" className="push min-h-10" onClick={() => window.print()}>
                Print for the wall
              </button>
            </>
          )}
        </div>
        {begins && (
          <BeginGroup
            onBegun={() => {
              setBegins(false);
              void stored.refetch();
            }}
          />
        )}
        {stored.isError && (
          <Message
            title="The sets cannot be had"
            text={stored.error.message}
            retry={() => void stored.refetch()}
          />
        )}
        {stored.data && shown.length === 0 && !begins && (
          <p className="text-soft">
            No class or club yet. Begin one here, or name one in the conditions of any set of trials.
          </p>
        )}
        {shown.map((standing) => (
          <Board key={`${standing.group} ${standing.protocol}`} standing={standing} />
        ))}
      </main>
    </>
  );
}

/** How the builds stand in one kind of trial. */
function Board({ standing }: { readonly standing: Standing }) {
  const say = useSay();
  const { group, protocol, compares, placed } = standing;
  const { title, runs } = protocolOf(protocol);
  return (
    <section className="sheet overflow-x-auto p-3 print:break-inside-avoid" aria-label={`${group}: ${title}`}>
      <h2>
        {group}: {title.toLowerCase()}
      </h2>
      <table className="grid-table mt-1">
        <thead>
          <tr>
            <th scope="col">Build</th>
            <th scope="col" className="n">
              Runs
            </th>
            <th scope="col" className="n">
              {compares ? `${compares.title}, ${compares.better} is better` : 'Result'}
            </th>
            <th scope="col">Of the best</th>
          </tr>
        </thead>
        <tbody>
          {placed.map(({ set, runs: made, value, score }) => (
            <tr key={set.id}>
              <th scope="row">
                <Link className="underline" to={`${stationAddress(set.buildId, 'trials')}?set=${set.id}`}>
                  {set.buildName}
                </Link>
              </th>
              <td className="n">
                {made} of {runs}
              </td>
              <td className="n">{value === undefined || !compares ? '–' : say(value, compares.dimension)}</td>
              <td className="min-w-40">
                {score === undefined ? '–' : <Score score={score} text={say(score, 'share', 2)} />}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

const Score = ({ score, text }: { readonly score: number; readonly text: string }) => (
  <span className="flex items-center gap-2">
    <span className="block h-3 flex-1 border border-line" aria-hidden="true">
      <span className="block h-full bg-mech" style={{ width: `${100 * score}%` }} />
    </span>
    <span className="w-14 text-right tabular-nums">{text}</span>
  </span>
);
