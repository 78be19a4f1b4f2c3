import { railPower } from '@zubric/core/drive';
import { railDraw } from '@zubric/core/judge';
import { typed } from '@zubric/core/quantity';
import { freeId, type Rail } from '@zubric/core/vehicle';
import { useSay } from '../../../common/units.tsx';
import { CountInput } from '../../../fields/CountInput.tsx';
import { SchemaField } from '../../../fields/SchemaField.tsx';
import { TextField } from '../../../fields/TextField.tsx';
import { useBuild } from '../../../session/BuildSession.tsx';
import { useChangeSupply } from './use-supply.ts';

const freshRail = (rails: readonly Rail[]): Rail => ({
  id: freeId('rail', rails),
  name: '5 V supply',
  voltage: typed(5, 'V', 'assumed'),
  gives: typed(3, 'A', 'assumed'),
  efficiency: typed(0.85, '%', 'assumed'),
  atOnce: 1,
  loads: [],
});

const freshLoad = (loads: Rail['loads']): Rail['loads'][number] => ({
  id: freeId('load', loads),
  name: `Load ${loads.length + 1}`,
  count: 1,
  running: typed(0.2, 'A', 'assumed'),
  peak: typed(1, 'A', 'assumed'),
});

/** Lower voltages for controllers, servos, lights. */
export function Rails() {
  const { build } = useBuild();
  const change = useChangeSupply();
  const rails = build.supply.rails ?? [];
  const set = (rail: Rail): void =>
    change({ rails: rails.map((other) => (other.id === rail.id ? rail : other)) });
  return (
    <section className="sheet grid gap-3 p-3" aria-labelledby="rails-title">
      <div className="flex flex-wrap items-center justify-between gap-2">
        <h3 id="rails-title" className="font-semibold">
          Small supplies
        </h3>
        <button
          type="button"
          className="push push-small"
          disabled={rails.length >= 8}
          onClick={() => change({ rails: [...rails, freshRail(rails)] })}
        >
          Add a small supply
        </button>
      </div>
      {rails.length === 0 && (
        <p className="text-[14px] text-soft">
          For what runs on less than the battery’s voltage: a controller, servos, lights, a camera.
        </p>
      )}
      {rails.map((rail) => (
        <RailFields
          key={rail.id}
          rail={rail}
          onChange={set}
          onRemove={() => change({ rails: rails.filter(({ id }) => id !== rail.id) })}
        />
      ))}
    </section>
  );
}

interface RailProps {
  readonly rail: Rail;
  readonly onChange: (rail: Rail) => void;
  readonly onRemove: () => void;
}

function RailFields({ rail, onChange, onRemove }: RailProps) {
  const say = useSay();
  const drawn = railDraw(rail);
  const { loads } = rail;
  const setLoad = (id: string, part: Partial<Rail['loads'][number]>): void =>
    onChange({ ...rail, loads: loads.map((load) => (load.id === id ? { ...load, ...part } : load)) });
  return (
    <div className="grid gap-2 border-t border-line pt-2">
      <div className="grid items-end gap-2 sm:grid-cols-4">
        <TextField
          label="Name of the supply"
          value={rail.name}
          required="A small supply needs a name."
          onChange={(name) => onChange({ ...rail, name })}
        />
        {(['voltage', 'gives', 'efficiency'] as const).map((field) => (
          <SchemaField
            key={field}
            part="rail"
            field={field}
            whose={rail.name}
            value={rail[field]}
            onChange={(quantity) => onChange({ ...rail, [field]: quantity })}
          />
        ))}
      </div>
      {loads.map((load) => (
        <LoadFields
          key={load.id}
          load={load}
          onChange={(part) => setLoad(load.id, part)}
          onRemove={() => onChange({ ...rail, loads: loads.filter(({ id }) => id !== load.id) })}
        />
      ))}
      <div className="flex flex-wrap items-center gap-2">
        <button
          type="button"
          className="push push-small"
          disabled={loads.length >= 20}
          onClick={() => onChange({ ...rail, loads: [...loads, freshLoad(loads)] })}
        >
          {`Add a load to ${rail.name}`}
        </button>
        <button type="button" className="push push-small" onClick={onRemove}>
          {`Remove ${rail.name}`}
        </button>
        {drawn && (
          <span className={`text-[14px] ${drawn.holds ? 'text-soft' : 'text-short'}`}>
            runs at {say(drawn.runningA, 'current')}, up to {say(drawn.peakA, 'current')} where{' '}
            {rail.atOnce === 1 ? 'one peaks' : `${rail.atOnce} peak`}; takes {say(railPower(rail), 'power')}{' '}
            of the battery
          </span>
        )}
      </div>
    </div>
  );
}

interface LoadProps {
  readonly load: Rail['loads'][number];
  readonly onChange: (part: Partial<Rail['loads'][number]>) => void;
  readonly onRemove: () => void;
}

function LoadFields({ load, onChange, onRemove }: LoadProps) {
  return (
    <div className="grid items-end gap-2 pl-3 sm:grid-cols-[2fr_auto_1fr_1fr_auto]">
      <TextField
        label="Load"
        value={load.name}
        required="A load needs a name."
        onChange={(name) => onChange({ name })}
      />
      <CountInput
        label={`${load.name}, count`}
        value={load.count}
        most={100}
        onChange={(count) => onChange({ count })}
      />
      <SchemaField
        part="railLoad"
        field="running"
        whose={load.name}
        value={load.running}
        onChange={(running) => onChange({ running })}
      />
      <SchemaField
        part="railLoad"
        field="peak"
        whose={load.name}
        value={load.peak}
        onChange={(peak) => onChange({ peak })}
      />
      <button type="button" className="push push-small" aria-label={`Remove ${load.name}`} onClick={onRemove}>
        Remove
      </button>
    </div>
  );
}
