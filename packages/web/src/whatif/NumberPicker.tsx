import { numberInWords } from '@zubric/core/say';
import { placeInWords, type Build, type NumberAt } from '@zubric/core/vehicle';
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions, Label, Field } from '@headlessui/react';
import { useState } from 'react';
import { useUnits } from '../common/units.tsx';

const SHOWN = 40;

interface Props {
  readonly build: Build;
  readonly numbers: readonly NumberAt[];
  readonly chosen: NumberAt | undefined;
  readonly onChoose: (number: NumberAt) => void;
}

const has = (text: string, wanted: string): boolean =>
  wanted
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.toLowerCase().includes(word));

/** One of all the numbers of a build, found by words of what it is called. */
export function NumberPicker({ build, numbers, chosen, onChoose }: Props) {
  const { system } = useUnits();
  const [wanted, setWanted] = useState('');
  const called = (number: NumberAt): string => placeInWords(number.path, build);
  const found = numbers.filter((number) => has(called(number), wanted));
  return (
    <Field className="relative">
      <Label className="block text-[14px] text-soft">Which number?</Label>
      <Combobox
        immediate
        value={chosen ?? null}
        by={(a, b) => a?.path.join('/') === b?.path.join('/')}
        onChange={(number: NumberAt | null) => number && onChoose(number)}
        onClose={() => setWanted('')}
      >
        <ComboboxInput
          className="entry"
          autoComplete="off"
          displayValue={(number: NumberAt | null) => (number ? called(number) : '')}
          placeholder="payload, grade, teeth …"
          onChange={(event) => setWanted(event.target.value)}
          onFocus={(event) => event.target.select()}
        />
        <ComboboxOptions className="opens-over absolute z-20 max-h-80 w-full min-w-[22rem] overflow-y-auto border border-edge bg-field outline-none">
          {found.slice(0, SHOWN).map((number) => (
            <ComboboxOption
              key={number.path.join('/')}
              value={number}
              className="flex cursor-pointer justify-between gap-3 px-2 py-1.5 data-focus:bg-mech-lo"
            >
              <span>{called(number)}</span>
              <span className="text-soft tabular-nums">{numberInWords(number, number.value, system)}</span>
            </ComboboxOption>
          ))}
          {found.length > SHOWN && (
            <p className="px-2 py-1.5 text-[14px] text-soft">
              {found.length - SHOWN} more: type a word of what it is called.
            </p>
          )}
          {found.length === 0 && (
            <p className="px-2 py-1.5 text-[14px] text-soft">No number of this build is called that.</p>
          )}
        </ComboboxOptions>
      </Combobox>
    </Field>
  );
}
