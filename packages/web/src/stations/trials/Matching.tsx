import { matchingOf, veerOf, VEER_WAY_M, type Matching as Found, type Pair } from '@zubric/core/protocols';
import { USUAL_MISMATCH } from '@zubric/core/driving';
import { meanOf } from '@zubric/core/trials';
import { motorOf, trackOf, type Build } from '@zubric/core/vehicle';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { scaleLinear } from 'd3-scale';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { stationAddress } from '../../common/stations.ts';
import { api, ApiProblem } from '../../common/api.ts';
import { today } from '../../common/days.ts';
import { useSay } from '../../common/units.tsx';
import type { ShownTrialSet } from '../../offline/use-outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';

/** So many pairs are told; the rest is a press away. */
const TOLD = 6;

/** Which parts of a set go together, and what a pair will do on the floor. */
export function Matching({ set }: { readonly set: ShownTrialSet }) {
  const { build } = useBuild();
  const found = useMemo(() => matchingOf(set), [set]);
  if (!found) return null;
  const { bestPair, bestFour, pairing, spares } = found;
  return (
    <section className="sheet grid gap-3 p-3" aria-labelledby="matching-title">
      <h2 id="matching-title">Which go together</h2>
      <PairLine pair={bestPair} build={build} best />
      <Fit pair={bestPair} kind={set.protocol} />
      <ApartLine found={found} />
      <Ranked found={found} build={build} />
      {bestFour && (
        <p>
          Best four, for two on each side: <b className="font-semibold">{bestFour.labels.join(', ')}</b>.
        </p>
      )}
      {pairing.length > 1 && (
        <p>
          All paired with the least difference in all:{' '}
          {pairing.map(({ a, b }) => `${a} with ${b}`).join(', ')}.
        </p>
      )}
      {spares.length > 0 && (
        <p className="text-soft">
          Spare pairs once {bestPair.a} and {bestPair.b} are fitted:{' '}
          {spares.map(({ a, b }) => `${a} with ${b}`).join(', ')}.
        </p>
      )}
    </section>
  );
}

const WIDTH = 420;
const EDGE = 24;
const HEIGHT = 88;

/** Each part along one line by how it compares with the mean of all, the best pair joined. */
function ApartLine({ found }: { readonly found: Found }) {
  const { items, bestPair } = found;
  const say = useSay();
  const columns = items[0]?.values.length ?? 0;
  const means = Array.from({ length: columns }, (_, n) => meanOf(items.map(({ values }) => values[n] ?? 0)));
  const off = items.map(({ label, values }) => ({
    label,
    by: meanOf(values.map((value, n) => value / (means[n] || 1) - 1)),
  }));
  const most = 1.1 * Math.max(1e-6, ...off.map(({ by }) => Math.abs(by)));
  const x = scaleLinear([-most, most], [EDGE, WIDTH - EDGE]);
  const [a, b] = [bestPair.a, bestPair.b].map((label) => x(off.find((one) => one.label === label)?.by ?? 0));
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label={`Each against the mean of all: ${off.map(({ label, by }) => `${label} ${say(by, 'share', 2)}`).join(', ')}`}
    >
      <path d={`M${EDGE} 34H${WIDTH - EDGE}M${x(0)} 26V42`} stroke="var(--color-ink)" />
      <path d={`M${a} 34H${b}`} stroke="var(--color-mech)" strokeWidth="8" />
      {off.map(({ label, by }, n) => (
        <g key={label} transform={`translate(${x(by)} 34)`}>
          <circle r="5" fill="var(--color-mech)" stroke="var(--color-sheet)" />
          <text y={n % 2 ? 22 : -11} fontSize="14" textAnchor="middle" fill="var(--color-ink)">
            {label}
          </text>
        </g>
      ))}
      <text x={EDGE} y={HEIGHT - 4} fontSize="14" fill="var(--color-soft)">
        less, {say(most, 'share', 2)}
      </text>
      <text x={WIDTH - EDGE} y={HEIGHT - 4} fontSize="14" textAnchor="end" fill="var(--color-soft)">
        more, {say(most, 'share', 2)}
      </text>
    </svg>
  );
}

/** Drives the pair on the Test track: its right one faster by as much as the two are apart. */
function OnTheTrack({ pair }: { readonly pair: Pair }) {
  const { id, edit } = useBuild();
  const go = useNavigate();
  return (
    <button
      type="button"
      className="push min-h-10"
      onClick={() => {
        edit((b) => ({
          ...b,
          driving: {
            ...b.driving,
            mismatch: {
              ...(b.driving?.mismatch ?? USUAL_MISMATCH),
              rightFaster: Math.min(0.5, pair.mismatch),
              motors: 0,
            },
          },
        }));
        void go(`${stationAddress(id, 'test-track')}?view=course`);
      }}
    >
      Drive the pair on the Test track
    </button>
  );
}

interface LineProps {
  readonly pair: Pair;
  readonly build: Build;
  readonly best?: boolean;
}

/** A pair, how far apart it is, and how far it veers over two metres. */
function PairLine({ pair, build, best = false }: LineProps) {
  const say = useSay();
  const track = trackOf(build.layout).value;
  return (
    <p>
      <b className={best ? 'text-[18px] font-semibold' : 'font-semibold'}>
        {pair.a} and {pair.b}
      </b>
      , {say(pair.mismatch, 'share', 2)} apart
      {track > 0 &&
        `: ends ${say(veerOf(pair.mismatch, track), 'length', 2)} to the side over ${say(VEER_WAY_M, 'length')}`}
      .
    </p>
  );
}

/** The pairs in order, the best few first. */
function Ranked({ found, build }: { readonly found: Found; readonly build: Build }) {
  const [, ...rest] = found.pairs;
  if (rest.length === 0) return null;
  return (
    <details>
      <summary className="min-h-10 cursor-pointer py-2">
        {rest.length === 1 ? 'The other pair' : `The next of ${found.pairs.length} pairs`}
      </summary>
      <ol start={2} className="list-decimal pl-6">
        {rest.slice(0, TOLD).map((pair) => (
          <li key={`${pair.a} ${pair.b}`}>
            <PairLine pair={pair} build={build} />
          </li>
        ))}
      </ol>
    </details>
  );
}

const LONGEST_NOTE = 1000;

/** What a part carries from now on: which of its like are fitted. */
const noted = (note: string, pair: Pair): string =>
  [note, `Matched on ${today()}: ${pair.a} and ${pair.b}.`]
    .filter((line) => line !== '')
    .join(' ')
    .slice(-LONGEST_NOTE);

/** Writes the numbers of the pair to the motor or wheel, in the build and on the shelf. */
function Fit({ pair, kind }: { readonly pair: Pair; readonly kind: ShownTrialSet['protocol'] }) {
  const { build, edit } = useBuild();
  const queries = useQueryClient();
  const part = kind === 'motor-matching' ? motorOf(build) : build.parts.find((part) => part.kind === 'wheel');
  const write = useMutation({
    mutationFn: async () => {
      if (!part) return;
      const stored = await api.part(part.id).catch((error: unknown) => {
        // It may be in this build alone.
        if (error instanceof ApiProblem && error.status === 404) return undefined;
        throw error;
      });
      if (stored) {
        await api.savePart({ ...stored.answer, note: noted(stored.answer.note, pair) }, stored.version);
        await queries.invalidateQueries({ queryKey: ['parts'] });
      }
      edit((b) => ({
        ...b,
        parts: b.parts.map((one) => (one.id === part.id ? { ...one, note: noted(one.note, pair) } : one)),
      }));
    },
  });
  if (!part) return null;
  return (
    <div className="flex flex-wrap items-center gap-3">
      <button
        type="button"
        className="push push-main min-h-10"
        disabled={write.isPending || write.isSuccess}
        onClick={() => write.mutate()}
      >
        Fit {pair.a} and {pair.b}
      </button>
      <OnTheTrack pair={pair} />
      <span role="status">
        {write.isSuccess && `“${part.name}” carries their numbers now, on the shelf too.`}
      </span>
      {write.isError && (
        <span role="alert" className="text-short">
          {write.error.message}
        </span>
      )}
    </div>
  );
}
