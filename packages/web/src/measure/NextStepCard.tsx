import { inUnits } from '@zubric/core/quantity';
import type { NextStep } from '@zubric/core/bench';
import { useSay, useUnits } from '../common/units.tsx';
import { Caution } from '../findings/Findings.tsx';

/** What to read next, and what to beware of while doing it. */
export function NextStepCard({ step }: { readonly step: NextStep | undefined }) {
  const say = useSay();
  const { system } = useUnits();
  if (!step)
    return (
      <section className="sheet p-3" aria-label="What to read next">
        <h2>Good enough to choose parts by</h2>
        <p>
          Resistance and constant are known to a twentieth. More readings make it better; else put it on the
          shelf.
        </p>
      </section>
    );
  return (
    <section className="sheet grid gap-2 p-3" aria-label="What to read next">
      <h2>
        Next: shaft {step.kind}, at {say(step.voltageV, 'voltage')}
      </h2>
      <p>{inUnits(step.text, system)}</p>
      {step.restS > 0 && <p>Let it cool for {say(step.restS, 'time')} first.</p>}
      <Caution>{inUnits(step.caution, system)}</Caution>
    </section>
  );
}
