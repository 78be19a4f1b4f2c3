import { sortOf, type PartSort, type SearchLimits } from '@zubric/core/search';
import { isChosen, type Part } from '@zubric/core/vehicle';
import { X } from 'lucide-react';
import { Choice } from '../fields/Choice.tsx';

const NONE = '';

/** All of a sort, as they are called. */
const SORTS: Readonly<Record<PartSort, string>> = {
  brushed: 'all brushed motors',
  brushless: 'all brushless motors',
  'series-wound': 'all series-wound motors',
  stepping: 'all stepping motors',
  servo: 'all servos from stop to stop',
  'servo-continuous': 'all servos that turn on and on',
  lipo: 'all lithium polymer batteries',
  'li-ion': 'all lithium-ion batteries',
  lifepo4: 'all lithium iron batteries',
  nimh: 'all nickel batteries',
  'lead-acid': 'all lead batteries',
  alkaline: 'all alkaline cells',
};

interface Props {
  readonly parts: readonly Part[];
  readonly limits: Pick<SearchLimits, 'without' | 'withoutSorts'>;
  readonly change: (limits: Partial<Props['limits']>) => void;
}

/** What no set may have, one after the other: parts of the shelf, or all of a sort that lies there. */
export function LeftOut({ parts, limits: { without, withoutSorts }, change }: Props) {
  const looked = parts.filter(isChosen);
  const sorts = (Object.keys(SORTS) as PartSort[]).filter((sort) =>
    looked.some((part) => sortOf(part) === sort),
  );
  const left = [
    ...withoutSorts.map((sort) => ({
      id: sort,
      name: SORTS[sort],
      letIn: () => change({ withoutSorts: withoutSorts.filter((other) => other !== sort) }),
    })),
    ...looked
      .filter(({ id }) => without.includes(id))
      .map(({ id, name }) => ({
        id,
        name,
        letIn: () => change({ without: without.filter((other) => other !== id) }),
      })),
  ];
  return (
    <div>
      <Choice
        label="Leave out"
        value={NONE}
        options={[
          { value: NONE, title: left.length === 0 ? 'no part' : 'one more …' },
          ...sorts
            .filter((sort) => !withoutSorts.includes(sort))
            .map((sort) => ({ value: sort, title: SORTS[sort] })),
          ...looked
            .filter(({ id }) => !without.includes(id))
            .map(({ id, name }) => ({ value: id, title: name })),
        ]}
        onChange={(name) => {
          const sort = sorts.find((one) => one === name);
          if (sort) change({ withoutSorts: [...withoutSorts, sort] });
          else if (name !== NONE) change({ without: [...without, name] });
        }}
      />
      <ul className="mt-1 flex flex-wrap gap-1" aria-label="Left out">
        {left.map(({ id, name, letIn }) => (
          <li key={id} className="flex items-center gap-1 border border-line bg-sheet pl-2 text-[14px]">
            {name}
            <button
              type="button"
              className="p-1 hover:text-short"
              aria-label={`Let ${name} in again`}
              onClick={letIn}
            >
              <X size={15} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
