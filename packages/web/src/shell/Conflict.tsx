import { inWords, mergeInto, type ChangedBy, type Contested } from '@zubric/core/vehicle';
import { useState } from 'react';
import { useUnits } from '../common/units.tsx';
import { useBuild, useSession } from '../session/BuildSession.tsx';

const BY: Readonly<Record<ChangedBy, string>> = {
  mine: 'changed here',
  theirs: 'changed elsewhere',
  both: 'changed in both',
};

type Side = 'mine' | 'theirs';
type Picks = Readonly<Record<string, Side>>;

/** What nobody touched here is taken from there; what was touched here stays, until the builder says otherwise. */
const pickOf = (picks: Picks, { key, by }: Contested): Side =>
  picks[key] ?? (by === 'theirs' ? 'theirs' : 'mine');

/** Shown where the build was changed elsewhere: nothing is written over until the builder has chosen. */
export function Conflict() {
  const { session } = useSession();
  return session.theirs && <Choose key={session.theirs.version} />;
}

function Choose() {
  const { whole: build } = useBuild();
  const { session, merge } = useSession();
  const { system } = useUnits();
  const [picks, setPicks] = useState<Picks>({});
  const [problem, setProblem] = useState('');
  const { theirs } = session;
  if (!theirs) return null;
  const { contested } = theirs;

  const pickAll = (side: Side): void => setPicks(Object.fromEntries(contested.map(({ key }) => [key, side])));
  const settle = (): void => {
    const mine = contested.filter((difference) => pickOf(picks, difference) === 'mine');
    const merged = mergeInto(theirs.build, mine);
    if (merged.ok) merge(merged.build);
    else
      setProblem(
        `These do not fit together (${merged.problems.map((p) => p.message).join('; ')}). Take them from one side.`,
      );
  };

  return (
    <section role="alert" className="mb-3 border border-short bg-short-lo px-4 py-3">
      <h2>This build was changed elsewhere since you opened it.</h2>
      <p className="mt-1">Nothing is lost: choose for each difference, then save.</p>
      <div className="mt-2 max-h-72 overflow-y-auto" tabIndex={0} role="group" aria-label="Differences">
        <table className="grid-table">
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">Mine, on this screen</th>
              <th scope="col">Saved elsewhere</th>
              <th scope="col">Changed</th>
            </tr>
          </thead>
          <tbody>
            {contested.map((difference) => (
              <DifferenceRow
                key={difference.key}
                words={inWords(difference, theirs.build, build, system)}
                by={BY[difference.by]}
                pick={pickOf(picks, difference)}
                onPick={(side) => setPicks({ ...picks, [difference.key]: side })}
              />
            ))}
          </tbody>
        </table>
      </div>
      {problem !== '' && <p className="mt-2 font-semibold text-short">{problem}</p>}
      <div className="mt-3 flex flex-wrap gap-3">
        <button type="button" className="push push-main" onClick={settle}>
          Save this choice
        </button>
        <button type="button" className="push" onClick={() => pickAll('mine')}>
          All mine
        </button>
        <button type="button" className="push" onClick={() => pickAll('theirs')}>
          All from elsewhere
        </button>
      </div>
    </section>
  );
}

interface RowProps {
  readonly words: ReturnType<typeof inWords>;
  readonly by: string;
  readonly pick: Side;
  readonly onPick: (side: Side) => void;
}

function DifferenceRow({ words, by, pick, onPick }: RowProps) {
  const side = (value: Side, text: string) => (
    <td>
      <label className={`flex items-start gap-2 ${pick === value ? 'font-semibold' : ''}`}>
        <input
          type="radio"
          className="mt-1 accent-ink"
          name={`difference-${words.key}`}
          checked={pick === value}
          onChange={() => onPick(value)}
        />
        <span className="sr-only">{words.place}:</span>
        <span className="break-words">{text}</span>
      </label>
    </td>
  );
  return (
    <tr>
      <th scope="row">{words.place}</th>
      {side('mine', words.after)}
      {side('theirs', words.before)}
      <td className="text-soft">{by}</td>
    </tr>
  );
}
