import { CAUTION_FOR_SHORTS } from '@zubric/core/assembly';
import { circuitPlan, commandsOf, type CircuitPlan } from '@zubric/core/wiring';
import { useMemo } from 'react';
import { Sideways } from '../../../common/Sideways.tsx';
import { useSay } from '../../../common/units.tsx';
import { Caution } from '../../../findings/Findings.tsx';
import { useBuild } from '../../../session/BuildSession.tsx';
import { CircuitDrawing } from './CircuitDrawing.tsx';
import { CommandTable } from './CommandTable.tsx';

const ACTS = {
  'runs only while worked': 'run only while it is worked',
  'cut while worked': 'are cut while it is worked',
  starts: 'are started by it',
} as const;

/** The power circuit as it is wired, its interlocks, and what commands to two sides do. */
export function CircuitView() {
  const { whole } = useBuild();
  const say = useSay();
  const plan = useMemo(() => circuitPlan(whole), [whole]);
  const commands = useMemo(() => commandsOf(whole), [whole]);
  return (
    <div className="grid gap-3">
      <section className="sheet p-3" aria-labelledby="circuit-title">
        <h2 id="circuit-title">How it is wired</h2>
        <Sideways label="Circuit, from the battery on the left to the motors on the right">
          <div className="min-w-[460px]">
            <CircuitDrawing plan={plan} />
          </div>
        </Sideways>
        <Interlocked plan={plan} />
        <p className="mt-1 text-[14px] text-soft">
          Up to the boards one line stands for plus and minus, each as long and as thick. Dashed: not said
          yet, or too few channels.
          {plan.startA === undefined
            ? ''
            : ` A start at full command draws up to ${say(plan.startA, 'current')} of the battery.`}
        </p>
        <Caution>{CAUTION_FOR_SHORTS}</Caution>
      </section>
      {commands && <CommandTable rows={commands} />}
    </div>
  );
}

const Interlocked = ({ plan: { interlocks } }: { readonly plan: CircuitPlan }) =>
  interlocks.length === 0 ? null : (
    <ol className="mt-1 list-decimal pl-5">
      {interlocks.map(({ id, at, acts, driveName }) => (
        <li key={id}>
          Switch at the {at}: {driveName === undefined ? 'all motors' : `the motors of “${driveName}”`}{' '}
          {ACTS[acts]}.
        </li>
      ))}
    </ol>
  );
