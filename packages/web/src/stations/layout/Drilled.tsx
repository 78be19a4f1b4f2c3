import { FITS, THREADS, type Fit, type Thread } from '@zubric/core/making';
import { typed } from '@zubric/core/quantity';
import type { Hole } from '@zubric/core/vehicle';
import { Choice } from '../../fields/Choice.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';

const FIT_WORDS: Readonly<Record<Fit, string>> = {
  pilot: 'pilot, drilled first',
  tap: 'to be tapped',
  close: 'close fit',
  free: 'free fit',
  loose: 'loose fit',
};
const OWN = 'own';

/** What a hole is drilled for: a screw and how it fits, or a diameter; and how deep. */
export type DrilledHole = Pick<Hole, 'thread' | 'fit' | 'diameter' | 'depth'>;

interface Props {
  /** Whose hole, for who comes to it by keyboard. */
  readonly whose: string;
  readonly hole: DrilledHole;
  readonly onChange: (values: DrilledHole) => void;
}

/** Of a hole: its screw and fit, or its diameter, and its depth where it does not go through. */
export function Drilled({ whose, hole, onChange }: Props) {
  const forScrew = (thread: Thread | typeof OWN): void =>
    onChange(
      thread === OWN
        ? { thread: undefined, fit: undefined, diameter: hole.diameter ?? typed(0.006, 'mm', 'assumed') }
        : { thread, fit: hole.fit ?? 'free', diameter: undefined },
    );
  return (
    <>
      <Choice
        label={`Screw, ${whose}`}
        value={hole.thread ?? OWN}
        options={[
          ...THREADS.map((thread) => ({ value: thread, title: thread })),
          { value: OWN, title: 'no screw: a diameter' },
        ]}
        onChange={forScrew}
      />
      {hole.thread ? (
        <Choice
          label={`Fit, ${whose}`}
          value={hole.fit ?? 'free'}
          options={FITS.map((fit) => ({ value: fit, title: FIT_WORDS[fit] }))}
          onChange={(fit) => onChange({ fit })}
        />
      ) : (
        <SchemaField
          part="hole"
          field="diameter"
          label={`Diameter, ${whose}`}
          value={hole.diameter}
          onChange={(diameter) => onChange({ diameter })}
        />
      )}
      <SchemaField
        part="hole"
        field="depth"
        label={`Depth if not through, ${whose}`}
        value={hole.depth}
        onChange={(depth) => onChange({ depth })}
        onClear={() => onChange({ depth: undefined })}
      />
    </>
  );
}
