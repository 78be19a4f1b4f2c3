import {
  fitPart,
  fittedOf,
  isChosen,
  PART_KINDS,
  PART_SORTS,
  type Part,
  type PartKind,
} from '@zubric/core/vehicle';
import { useQuery } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { api } from '../../common/api.ts';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { CountInput } from '../../fields/CountInput.tsx';
import { OwnPart } from '../../shelf/OwnPart.tsx';
import { figuresOf } from '../../shelf/figures.ts';
import { useBuild } from '../../session/BuildSession.tsx';

/** More than this are not listed at once. */
const MOST_LISTED = 30;
const MOST_COUNT = 1000;
const OTHER_KINDS = PART_KINDS.filter((kind) => !isChosen({ kind } as Part));
const KINDS = [
  { value: 'all', title: 'every kind' },
  ...OTHER_KINDS.map((kind) => ({ value: kind, title: PART_SORTS[kind].many })),
] as const;

/** Wheels, controllers, hubs and the rest: what is fitted and how many, and the shelf to fit more from. */
export function FittedParts() {
  const { build } = useBuild();
  const fitted = fittedOf(build);
  return (
    <>
      {fitted.length > 0 && (
        <table className="grid-table sheet">
          <caption className="sr-only">Parts that are fitted</caption>
          <thead>
            <tr>
              <th scope="col">Fitted</th>
              <th scope="col" className="n">
                Count
              </th>
              <th scope="col">
                <span className="sr-only">Take it out</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {fitted.map(({ part, count }) => (
              <FittedRow key={part.id} part={part} count={count} />
            ))}
          </tbody>
        </table>
      )}
      <FromShelf />
    </>
  );
}

function FittedRow({ part, count }: { readonly part: Part; readonly count: number }) {
  const { edit } = useBuild();
  const say = useSay();
  return (
    <tr>
      <td>
        <span className="font-semibold">{part.name}</span>
        <span className="block text-[14px] text-soft">{figuresOf(part, say)}</span>
      </td>
      <td className="n">
        <CountInput
          label={`Count of ${part.name}`}
          value={count}
          most={MOST_COUNT}
          onChange={(wanted) => edit((b) => fitPart(b, part, wanted))}
        />
      </td>
      <td>
        <button
          type="button"
          className="push push-small whitespace-nowrap"
          aria-label={`Take out ${part.name}`}
          onClick={() => edit((b) => fitPart(b, part, 0))}
        >
          Take out
        </button>
      </td>
    </tr>
  );
}

/** Parts of the shelf that are not fitted yet, by kind and words; and one of the builder's own, in place. */
function FromShelf() {
  const id = useId();
  const { build, edit } = useBuild();
  const shelf = useQuery({ queryKey: ['parts'], queryFn: api.parts });
  const [kind, setKind] = useState<PartKind | 'all'>('all');
  const [words, setWords] = useState('');
  const [making, setMaking] = useState(false);
  if (shelf.isError) return <p role="alert">{shelf.error.message}</p>;
  const there = new Set(fittedOf(build).map(({ part }) => part.id));
  const wanted = (shelf.data ?? []).filter(
    (part) =>
      !isChosen(part) &&
      !there.has(part.id) &&
      (kind === 'all' || part.kind === kind) &&
      `${part.name} ${part.note}`.toLowerCase().includes(words.trim().toLowerCase()),
  );
  return (
    <>
      <div className="flex flex-wrap items-end gap-3">
        <label htmlFor={id} className="min-w-40 flex-1">
          <span className="block text-[14px] text-soft">Search the shelf</span>
          <input
            id={id}
            type="search"
            className="entry"
            value={words}
            onChange={(event) => setWords(event.target.value)}
          />
        </label>
        <Choice
          label="Kind"
          className="w-44"
          value={kind}
          options={KINDS}
          onChange={(chosen) => setKind(chosen)}
        />
        {kind !== 'all' && (
          <button type="button" className="push" onClick={() => setMaking(true)}>
            Make your own {kind}
          </button>
        )}
      </div>
      {making && kind !== 'all' && (
        <OwnPart
          kind={kind}
          onClose={() => setMaking(false)}
          onKept={(part) => {
            setMaking(false);
            edit((b) => fitPart(b, part, 1));
          }}
        />
      )}
      <Wanted parts={wanted} />
    </>
  );
}

/** Parts that may be fitted, each by a press. */
function Wanted({ parts }: { readonly parts: readonly Part[] }) {
  const { edit } = useBuild();
  const say = useSay();
  return (
    <>
      <table className="grid-table sheet">
        <caption className="sr-only">Parts of the shelf that may be fitted</caption>
        <tbody>
          {parts.slice(0, MOST_LISTED).map((part) => (
            <tr key={part.id}>
              <td>
                <span className="font-semibold">{part.name}</span>
                <span className="block text-[14px] text-soft">{figuresOf(part, say)}</span>
              </td>
              <td>{part.kind}</td>
              <td>
                <button
                  type="button"
                  className="push push-small"
                  aria-label={`Fit ${part.name}`}
                  onClick={() => edit((b) => fitPart(b, part, 1))}
                >
                  Fit
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p role="status" className="text-[14px] text-soft">
        {parts.length > MOST_LISTED
          ? `${parts.length} parts; the first ${MOST_LISTED} are shown: search, or choose a kind.`
          : parts.length === 0
            ? 'Nothing on the shelf has these words: choose a kind, and make your own.'
            : ''}
      </p>
    </>
  );
}
