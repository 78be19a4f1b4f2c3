import { isChosen, type Part } from '@zubric/core/vehicle';
import { X } from 'lucide-react';
import { Choice } from '../fields/Choice.tsx';

const NONE = '';

interface Props {
  readonly parts: readonly Part[];
  readonly without: readonly string[];
  readonly onChange: (without: readonly string[]) => void;
}

/** Parts of the shelf that no set may have, one after the other. */
export function LeftOut({ parts, without, onChange }: Props) {
  const looked = parts.filter(isChosen);
  const left = looked.filter(({ id }) => without.includes(id));
  return (
    <div>
      <Choice
        label="Leave out"
        value={NONE}
        options={[
          { value: NONE, title: left.length === 0 ? 'no part' : 'one more part …' },
          ...looked
            .filter(({ id }) => !without.includes(id))
            .map(({ id, name }) => ({ value: id, title: name })),
        ]}
        onChange={(id) => {
          if (id !== NONE) onChange([...without, id]);
        }}
      />
      <ul className="mt-1 flex flex-wrap gap-1" aria-label="Left out">
        {left.map(({ id, name }) => (
          <li key={id} className="flex items-center gap-1 border border-line bg-sheet pl-2 text-[14px]">
            {name}
            <button
              type="button"
              className="p-1 hover:text-short"
              aria-label={`Let ${name} in again`}
              onClick={() => onChange(without.filter((other) => other !== id))}
            >
              <X size={15} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
