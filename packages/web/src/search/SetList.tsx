import { setInWords } from '@zubric/core/say';
import { inFull, type FoundSet, type SetInFull } from '@zubric/core/search';
import { linkDefinition } from '@zubric/core/judge';
import type { Build } from '@zubric/core/vehicle';
import { useMemo, useState, type ReactNode } from 'react';
import { useUnits } from '../common/units.tsx';
import { factorOf } from '../strip/factor.ts';
import { sayAim } from './aims.ts';

const LISTED = 8;
/** So many trains of the same parts are shown at most. */
const MOST_STAGES = 12;
/** So many stand side by side at most. */
export const MOST_COMPARED = 4;

const known = new WeakMap<FoundSet, { readonly of: Build; readonly full: SetInFull }>();

/** A set put in and judged; kept while the build is the same. */
export function fullOf(build: Build, set: FoundSet): SetInFull {
  const found = known.get(set);
  if (found?.of === build) return found.full;
  const full = inFull(build, set);
  known.set(set, { of: build, full });
  return full;
}

interface Props {
  readonly build: Build;
  readonly sets: readonly FoundSet[];
  readonly compared: readonly FoundSet[];
  readonly onCompare: (set: FoundSet, on: boolean) => void;
  readonly onPutIn: (set: FoundSet) => void;
  readonly busy: boolean;
}

const partsOf = ({ motor, driver, battery }: FoundSet): string =>
  `${motor.id} ${driver?.id ?? ''} ${battery.id}`;

/** Sets of the same motor, driver and battery together, where the best of them stands. */
function byParts(sets: readonly FoundSet[]): readonly (readonly [FoundSet, ...FoundSet[]])[] {
  const alike = new Map<string, [FoundSet, ...FoundSet[]]>();
  for (const set of sets) {
    const before = alike.get(partsOf(set));
    if (before) before.push(set);
    else alike.set(partsOf(set), [set]);
  }
  return [...alike.values()];
}

/** Sets by the builder's weights, the best first; of the same parts the best, the others with their stages on request. */
export function SetList({ build, sets, compared, onCompare, onPutIn, busy }: Props) {
  const [listed, setListed] = useState(LISTED);
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const choices = useMemo(() => byParts(sets), [sets]);
  const turn = (parts: string): void =>
    setOpened(
      (before) =>
        new Set(before.has(parts) ? [...before].filter((one) => one !== parts) : [...before, parts]),
    );
  const item = (set: FoundSet, place: number | undefined): ReactNode => (
    <SetItem
      place={place}
      full={fullOf(build, set)}
      compared={compared.includes(set)}
      mayCompare={compared.length < MOST_COMPARED}
      onCompare={(on) => onCompare(set, on)}
      onPutIn={() => onPutIn(set)}
      busy={busy}
    />
  );
  return (
    <div className="sheet">
      <ol aria-label="Sets by what counts, the best first" className="divide-y divide-line">
        {choices.slice(0, listed).map(([best, ...others], at) => (
          <li key={partsOf(best)}>
            {item(best, at + 1)}
            {others.length > 0 && (
              <OtherStages
                name={`${best.motor.name}, ${best.battery.name}`}
                count={others.length}
                open={opened.has(partsOf(best))}
                onTurn={() => turn(partsOf(best))}
              >
                {others.slice(0, MOST_STAGES).map((set) => (
                  <li key={setInWords(set)}>{item(set, undefined)}</li>
                ))}
              </OtherStages>
            )}
          </li>
        ))}
      </ol>
      {choices.length > listed && (
        <button type="button" className="push-plain m-2" onClick={() => setListed(listed + 3 * LISTED)}>
          Show more of {choices.length}
        </button>
      )}
    </div>
  );
}

interface OtherStagesProps {
  readonly name: string;
  readonly count: number;
  readonly open: boolean;
  readonly onTurn: () => void;
  readonly children: ReactNode;
}

/** The same parts with other stages, the best first. */
function OtherStages({ name, count, open, onTurn, children }: OtherStagesProps) {
  const said = `${open ? 'Hide' : 'Show'} ${count > MOST_STAGES ? `the best ${MOST_STAGES} of ${count}` : count} with other stages`;
  return (
    <>
      <button
        type="button"
        className="push-plain mb-1 ml-10 text-[14px]"
        aria-expanded={open}
        aria-label={`${said}: ${name}`}
        onClick={onTurn}
      >
        {said}
      </button>
      {open && <ol className="divide-y divide-line border-t border-line bg-field">{children}</ol>}
    </>
  );
}

interface ItemProps {
  /** Among the others; none where it is one more of the same parts. */
  readonly place: number | undefined;
  readonly full: SetInFull;
  readonly compared: boolean;
  readonly mayCompare: boolean;
  readonly onCompare: (on: boolean) => void;
  readonly onPutIn: () => void;
  readonly busy: boolean;
}

function SetItem({ place, full, compared, mayCompare, onCompare, onPutIn, busy }: ItemProps) {
  const { system } = useUnits();
  const { set } = full;
  const name = `${set.motor.name}, ${set.battery.name}`;
  return (
    <div className="grid grid-cols-[1.5rem_minmax(0,1fr)] gap-x-2 gap-y-1 px-3 py-2 md:grid-cols-[1.5rem_minmax(0,1fr)_9.5rem_7.5rem]">
      <span className="text-soft tabular-nums">{place}</span>
      <div className="leading-snug">
        <b className="block font-semibold">{set.motor.name}</b>
        <span className="block text-[14px]">
          {set.driver ? `${set.driver.name}; ` : ''}
          {set.battery.name}; <span className="text-soft">{setInWords(set, system)}</span>
        </span>
        <span className="flex flex-wrap gap-x-4 text-[15px] tabular-nums">
          <Figure of="costs" said={sayAim('cost', set.cost ?? Infinity, system)} />
          <Figure of="weighs" said={sayAim('massKg', set.massKg, system)} />
          <Figure of="runs" said={sayAim('runTimeS', set.runTimeS, system)} />
        </span>
      </div>
      <div className="max-md:col-start-2">
        <WorstOf full={full} />
      </div>
      <div className="flex gap-3 max-md:col-start-2 md:flex-col md:items-end md:gap-1">
        <button
          type="button"
          className="push push-small whitespace-nowrap"
          aria-label={`Put in: ${name}, ${setInWords(set, system)}`}
          disabled={busy}
          onClick={onPutIn}
        >
          Put in
        </button>
        <label className="flex items-center gap-1.5 text-[14px] whitespace-nowrap">
          <input
            type="checkbox"
            aria-label={`Side by side: ${name}`}
            checked={compared}
            disabled={!compared && !mayCompare}
            onChange={(event) => onCompare(event.target.checked)}
          />
          side by side
        </label>
      </div>
    </div>
  );
}

const Figure = ({ of, said }: { readonly of: string; readonly said: string }) => (
  <span>
    <span className="text-soft">{of}</span> {said}
  </span>
);

const VERDICT_WORDS = { fails: 'fails', short: 'short', tight: 'tight', ample: 'ample' } as const;

/** The margin of a set that tells the most of it: what fails, else what is nearest to its rule of those that it changes. */
export function WorstOf({ full: { worst, ofSet, fails, build } }: { readonly full: SetInFull }) {
  const link = fails ?? ofSet ?? worst;
  if (!link) return null;
  const duty = build.duties.find(({ id }) => id === link.dutyId);
  const under = link.verdict === 'fails' || link.verdict === 'short';
  return (
    <span className="text-[14px] leading-snug">
      <b className={`tabular-nums ${under ? 'text-short' : ''}`}>
        {factorOf(link)} {VERDICT_WORDS[link.verdict]}
      </b>
      <span className="block">
        {linkDefinition(link.link).title}
        {duty ? `, “${duty.name}”` : ''}
      </span>
    </span>
  );
}
