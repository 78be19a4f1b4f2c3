import type { BuildLine } from '@zubric/core/answers';
import { useState } from 'react';
import { Panel } from '../common/Panel.tsx';
import { NameForm } from '../fields/NameForm.tsx';
import { Stepper } from '../fields/Stepper.tsx';

interface Props {
  readonly build: BuildLine;
  readonly taken: readonly string[];
  readonly onClose: () => void;
  /** Makes them one after the other; says how many there are. */
  readonly onMake: (names: readonly string[]) => Promise<void>;
  readonly problem?: string | undefined;
}

const MOST = 30;

/** Names for copies, numbered on from those that there are. */
export function copyNames(stem: string, count: number, taken: readonly string[]): string[] {
  const names: string[] = [];
  for (let n = 1; names.length < count; n++) {
    const name = `${stem.slice(0, 110)} ${n}`;
    if (!taken.includes(name)) names.push(name);
  }
  return names;
}

/** Copies of a build for a class: so many, named and numbered, in one go. */
export function CopiesDialog({ build, taken, onClose, onMake, problem }: Props) {
  const [count, setCount] = useState(8);
  return (
    <Panel title={`Copies of “${build.name}” for groups`} onClose={onClose}>
      <p className="text-soft">Each is a build of its own, with the masses, jobs and parts of this one.</p>
      <div className="mt-2">
        <span className="block text-[14px] text-soft">How many</span>
        <Stepper label="Copies" value={count} least={1} most={MOST} onChange={setCount} />
      </div>
      <NameForm
        className="mt-2"
        title="Copies for groups"
        label="Called, with a number after it"
        button={count === 1 ? 'Make one copy' : `Make ${count} copies`}
        mainButton
        start={`${build.name}, group`}
        missing="Give them a name."
        problem={problem}
        onSubmit={(stem) => onMake(copyNames(stem, count, taken))}
      />
    </Panel>
  );
}
