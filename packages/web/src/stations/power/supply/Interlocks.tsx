import { freeId, INTERLOCK_ACTS, INTERLOCK_PLACES, type Interlock } from '@zubric/core/vehicle';
import { Choice } from '../../../fields/Choice.tsx';
import { useBuild } from '../../../session/BuildSession.tsx';
import { useChangeSupply } from './use-supply.ts';

const MOST = 12;
const ALL = '';

const ACT_TITLES: Readonly<Record<Interlock['acts'], string>> = {
  'runs only while worked': 'lets it run only while worked',
  'cut while worked': 'cuts it while worked',
  starts: 'starts it',
};

/** Switches that let a drive run, cut it or start it: at a lever, a handle, a lid. */
export function Interlocks() {
  const { whole } = useBuild();
  const change = useChangeSupply();
  const { interlocks = [] } = whole.supply;
  const set = (next: readonly Interlock[]): void =>
    change({ interlocks: next.length > 0 ? next : undefined });
  return (
    <section className="sheet grid gap-2 p-3" aria-labelledby="interlocks-title">
      <div className="flex flex-wrap items-center gap-2">
        <h3 id="interlocks-title" className="mr-auto font-semibold">
          Interlocks
        </h3>
        <button
          type="button"
          className="push push-small"
          disabled={interlocks.length >= MOST}
          onClick={() =>
            set([
              ...interlocks,
              { id: freeId('interlock', interlocks), at: 'handle', acts: 'runs only while worked' },
            ])
          }
        >
          Add an interlock
        </button>
      </div>
      {interlocks.length === 0 && (
        <p className="text-[14px] text-soft">
          A switch at a clutch or brake lever, in the handle, the seat, a lid or a lift: it stops what turns
          when somebody lets go or reaches in.
        </p>
      )}
      {interlocks.map((interlock, n) => (
        <InterlockFields
          key={interlock.id}
          interlock={interlock}
          whose={`Interlock ${n + 1}`}
          onChange={(next) => set(interlocks.map((one) => (one.id === next.id ? next : one)))}
          onRemove={() => set(interlocks.filter(({ id }) => id !== interlock.id))}
        />
      ))}
    </section>
  );
}

interface FieldsProps {
  readonly interlock: Interlock;
  readonly whose: string;
  readonly onChange: (interlock: Interlock) => void;
  readonly onRemove: () => void;
}

function InterlockFields({ interlock, whose, onChange, onRemove }: FieldsProps) {
  const { whole } = useBuild();
  const { driveId = ALL, ...rest } = interlock;
  return (
    <div className="grid items-end gap-2 border-t border-line pt-2 sm:grid-cols-[1fr_1.6fr_1.2fr_auto]">
      <Choice
        label={`${whose}, switch at the`}
        value={interlock.at}
        options={INTERLOCK_PLACES.map((value) => ({ value, title: value }))}
        onChange={(at) => onChange({ ...interlock, at })}
      />
      <Choice
        label={`${whose}, it`}
        value={interlock.acts}
        options={INTERLOCK_ACTS.map((value) => ({ value, title: ACT_TITLES[value] }))}
        onChange={(acts) => onChange({ ...interlock, acts })}
      />
      <Choice
        label={`${whose}, of`}
        value={driveId}
        options={[
          { value: ALL, title: 'all motors' },
          ...whole.drives.map(({ id, name }) => ({ value: id, title: name })),
        ]}
        onChange={(chosen) => onChange(chosen === ALL ? rest : { ...rest, driveId: chosen })}
      />
      <button
        type="button"
        className="push push-small"
        aria-label={`Remove ${whose.toLowerCase()}`}
        onClick={onRemove}
      >
        Remove
      </button>
    </div>
  );
}
