import { matchingOf, veerOf, VEER_WAY_M, type Matching as Found, type Pair } from '@zubric/core/protocols';
import { motorOf, trackOf, type Build } from '@zubric/core/vehicle';
import { useMutation, useQueryClient } from '@tanstack/react-query';
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
  const found = matchingOf(set);
  if (!found) return null;
  const { bestPair, bestFour, pairing, spares } = found;
  return (
    <section className="sheet grid gap-3 p-3" aria-labelledby="matching-title">
      <h2 id="matching-title">Which go together</h2>
      <PairLine pair={bestPair} build={build} best />
      <Fit pair={bestPair} kind={set.protocol} />
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

/** Writes the numbers of the pair to the motor, in the build and on the shelf. */
function Fit({ pair, kind }: { readonly pair: Pair; readonly kind: ShownTrialSet['protocol'] }) {
  const { build, edit } = useBuild();
  const queries = useQueryClient();
  const motor = motorOf(build);
  const write = useMutation({
    mutationFn: async () => {
      if (!motor) return;
      const stored = await api.part(motor.id).catch((error: unknown) => {
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
        parts: b.parts.map((part) =>
          part.id === motor.id ? { ...part, note: noted(part.note, pair) } : part,
        ),
      }));
    },
  });
  if (kind !== 'motor-matching' || !motor) return null;
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
      <span role="status">
        {write.isSuccess && `“${motor.name}” carries their numbers now, on the shelf too.`}
      </span>
      {write.isError && (
        <span role="alert" className="text-short">
          {write.error.message}
        </span>
      )}
    </div>
  );
}
