import { PART_KINDS, PART_SORTS, PART_STATES, PART_STATE_WORDS } from '@zubric/core/vehicle';
import { Choice } from '../fields/Choice.tsx';

/** What of the shelf is looked at. */
export interface Looked {
  readonly words: string;
  readonly kind: string;
  readonly state: string;
}
export const ALL: Looked = { words: '', kind: 'all', state: 'all' };

export const filtersOf = ({ words, kind, state }: Looked) => [
  ...(words.trim() === '' ? [] : [{ id: 'part', value: words.trim() }]),
  ...(kind === 'all' ? [] : [{ id: 'kind', value: kind }]),
  ...(state === 'all' ? [] : [{ id: 'state', value: state }]),
];

/** Columns that may be left away, and those that are at first. */
const CHOOSABLE = ['kind', 'volts', 'mass', 'cost', 'state', 'whence'] as const;
export const AT_FIRST: ReadonlySet<string> = new Set(['part', 'kind', 'volts', 'mass', 'cost', 'state']);

interface FiltersProps {
  readonly aside: boolean;
  readonly onAside: (aside: boolean) => void;
  readonly looked: Looked;
  readonly onLook: (looked: Looked) => void;
}

/** Which parts are looked at. */
export const Filters = ({ looked, onLook, aside, onAside }: FiltersProps) => (
  <div className="mt-4 flex flex-wrap items-end gap-3">
    <label className="min-w-48 flex-1">
      <span className="block text-[14px] text-soft">Search in names and notes</span>
      <input
        className="entry"
        type="search"
        value={looked.words}
        onChange={(event) => onLook({ ...looked, words: event.target.value })}
      />
    </label>
    <Choice
      label="Kind"
      className="w-44"
      value={looked.kind}
      options={KINDS}
      onChange={(kind) => onLook({ ...looked, kind })}
    />
    <Choice
      label="State"
      className="w-36"
      value={looked.state}
      options={STATES}
      onChange={(state) => onLook({ ...looked, state })}
    />
    <Choice
      label="Where"
      className="w-36"
      value={aside ? 'aside' : 'shelf'}
      options={WHERE}
      onChange={(where) => onAside(where === 'aside')}
    />
  </div>
);

interface ColumnsProps {
  readonly shown: ReadonlySet<string>;
  readonly onChange: (shown: ReadonlySet<string>) => void;
}

const COLUMN_TITLES: Readonly<Record<(typeof CHOOSABLE)[number], string>> = {
  kind: 'kind',
  volts: 'volts',
  mass: 'mass',
  cost: 'cost',
  state: 'state',
  whence: 'where from',
};

/** Which columns stand beside the part. */
export const Columns = ({ shown, onChange }: ColumnsProps) => (
  <fieldset className="flex flex-wrap items-center gap-x-3 text-[15px]">
    <legend className="sr-only">Columns</legend>
    <span aria-hidden="true" className="text-[14px] text-soft">
      Columns
    </span>
    {CHOOSABLE.map((id) => (
      <label key={id} className="flex items-center gap-1">
        <input
          type="checkbox"
          className="size-4"
          checked={shown.has(id)}
          onChange={() =>
            onChange(new Set(shown.has(id) ? [...shown].filter((other) => other !== id) : [...shown, id]))
          }
        />
        {COLUMN_TITLES[id]}
      </label>
    ))}
  </fieldset>
);

const KINDS = [
  { value: 'all', title: 'every kind' },
  ...PART_KINDS.map((kind) => ({ value: kind, title: PART_SORTS[kind].many })),
];
const STATES = [
  { value: 'all', title: 'every state' },
  ...PART_STATES.map((state) => ({ value: state, title: PART_STATE_WORDS[state] })),
];
const WHERE = [
  { value: 'shelf', title: 'on the shelf' },
  { value: 'aside', title: 'set aside' },
] as const;
