import type { SearchLimits } from '@zubric/core/search';
import type { Part } from '@zubric/core/vehicle';
import { freshStage, isToothed, stageKind, stageTitle, STAGE_KINDS } from '@zubric/core/transmission';
import { showNumber, typed } from '@zubric/core/quantity';
import { useCallback, useId, useState, type ReactNode } from 'react';
import { useSay } from '../common/units.tsx';
import { Choice } from '../fields/Choice.tsx';
import { FormQuantity } from '../fields/FormQuantity.tsx';
import { useBuild } from '../session/BuildSession.tsx';
import { SpeedCap } from '../vehicle/SpeedCap.tsx';
import { LeftOut } from './LeftOut.tsx';
import { readLengths, readTeeth, sayTeeth } from './lists.ts';

/** Kinds of stages whose ratio is one of teeth, and that may be put in. */
const KINDS = STAGE_KINDS.filter(
  (kind) => stageKind(kind).ends === undefined && isToothed(freshStage(kind, 'fresh', 3)),
);

const STAGES = [
  { value: 'usual', title: 'its own, or two new' },
  { value: '0', title: 'none' },
  { value: '1', title: 'one' },
  { value: '2', title: 'two' },
] as const;

interface Props {
  /** What lies on the shelf. */
  readonly parts: readonly Part[];
  readonly limits: SearchLimits;
  readonly onChange: (limits: SearchLimits) => void;
  /** Whether something stands in a field that cannot be read. */
  readonly onUnread: (name: string, unread: boolean) => void;
}

/** What the builder allows. */
export function LimitsForm({ parts, limits, onChange, onUnread }: Props) {
  const change = (part: Partial<SearchLimits>): void => onChange({ ...limits, ...part });
  const stages = STAGES.find(({ value }) => value === String(limits.stages))?.value ?? 'usual';
  return (
    <div className="grid gap-2">
      <div>
        <Tick label="Only what is on hand" on={limits.onHand} onChange={(onHand) => change({ onHand })} />
        <Tick
          label="What is on hand costs nothing more"
          on={limits.ownedIsPaid}
          onChange={(ownedIsPaid) => change({ ownedIsPaid })}
        />
        <Tick
          label="Only chains and belts on hand"
          on={limits.loopsOnHand}
          onChange={(loopsOnHand) => change({ loopsOnHand })}
        />
        <EventTick on={limits.event} onChange={(event) => change({ event })} />
        <Tick
          label="Only motors with an encoder"
          on={limits.encoder}
          onChange={(encoder) => change({ encoder })}
        />
      </div>
      <Most {...{ limits, change, onUnread }} />
      <SpeedCap />
      <Choice
        label="Stages behind the motor"
        value={stages}
        options={STAGES}
        onChange={(value) => change({ stages: value === 'usual' ? undefined : Number(value) })}
      />
      <fieldset>
        <legend className="block text-[14px] text-soft">New stages may be</legend>
        <div className="flex flex-wrap gap-x-4">
          {KINDS.map((kind) => (
            <Tick
              key={kind}
              label={stageTitle(kind)}
              on={limits.kinds.includes(kind)}
              onChange={(on) =>
                change({ kinds: KINDS.filter((k) => (k === kind ? on : limits.kinds.includes(k))) })
              }
            />
          ))}
        </div>
      </fieldset>
      <ToBeHad {...{ limits, change, onUnread }} />
      <LeftOut {...{ parts, limits, change }} />
    </div>
  );
}

/** What the event of the build allows, where it allows not all. */
function EventTick({ on, onChange }: Pick<TickProps, 'on' | 'onChange'>) {
  const { aims } = useBuild().build;
  const say = useSay();
  const allows = [
    ...(aims.voltage ? [say(aims.voltage.value, 'voltage')] : []),
    ...(aims.cost ? [`a cost of ${showNumber(aims.cost.value)}`] : []),
  ];
  return allows.length === 0 ? null : (
    <Tick label={`Only what its event allows: ${allows.join(' and ')}`} {...{ on, onChange }} />
  );
}

interface PartProps {
  readonly limits: SearchLimits;
  readonly change: (part: Partial<SearchLimits>) => void;
  readonly onUnread: (name: string, unread: boolean) => void;
}

/** What all parts of a set may come to together. */
const MOST = [
  { key: 'budget', title: 'Cost at most', dimension: 'number', unit: '', range: { least: 0 } },
  { key: 'mostKg', title: 'Mass at most', dimension: 'mass', unit: 'kg', range: { above: 0 } },
  { key: 'mostV', title: 'Volts at most', dimension: 'voltage', unit: 'V', range: { above: 0 } },
] as const;

const Most = ({ limits, change, onUnread }: PartProps) => (
  <div className="grid grid-cols-3 gap-2">
    {MOST.map(({ key, title, dimension, unit, range }) => {
      const value = limits[key];
      return (
        <FormQuantity
          key={key}
          name={key}
          title={title}
          dimension={dimension}
          range={range}
          value={value === undefined ? undefined : typed(value, unit)}
          onChange={(quantity) => change({ [key]: quantity?.value })}
          onUnread={onUnread}
        />
      );
    })}
  </div>
);

/** Teeth and wheels. */
function ToBeHad({ limits, change, onUnread }: PartProps) {
  return (
    <details>
      <summary className="cursor-pointer">Teeth and wheels to be had</summary>
      <div className="mt-2 grid gap-2">
        <ListField
          name="driver"
          label="Teeth on the driving side"
          text={sayTeeth(limits.teeth.driver)}
          read={readTeeth}
          help="Counts and runs of them: 10–20, 22, 24."
          onRead={(driver) => change({ teeth: { ...limits.teeth, driver } })}
          onUnread={onUnread}
        />
        <ListField
          name="driven"
          label="Teeth on the driven side"
          text={sayTeeth(limits.teeth.driven)}
          read={readTeeth}
          help="Counts and runs of them: 20–60, 72."
          onRead={(driven) => change({ teeth: { ...limits.teeth, driven } })}
          onUnread={onUnread}
        />
        <ListField
          name="wheels"
          label="Other driven wheels"
          text=""
          read={readLengths}
          help="Diameters with their units: 250 mm, 12 in. Nothing: the wheels that it has."
          onRead={(wheelsM) => change({ wheelsM })}
          onUnread={onUnread}
        />
      </div>
    </details>
  );
}

interface TickProps {
  readonly label: ReactNode;
  readonly on: boolean;
  readonly onChange: (on: boolean) => void;
}

/** Yes or no. */
export const Tick = ({ label, on, onChange }: TickProps) => (
  <label className="flex min-h-7 items-center gap-2">
    <input type="checkbox" checked={on} onChange={(event) => onChange(event.target.checked)} />
    <span>{label}</span>
  </label>
);

interface ListFieldProps<T> {
  readonly name: string;
  readonly label: string;
  readonly text: string;
  readonly read: (text: string) => T | undefined;
  readonly help: string;
  readonly onRead: (value: T) => void;
  readonly onUnread: (name: string, unread: boolean) => void;
}

/** A list that is typed; what cannot be read stays and is marked. */
function ListField<T>({ name, label, text, read, help, onRead, onUnread }: ListFieldProps<T>) {
  const id = useId();
  const [typedText, setTyped] = useState(text);
  const [unread, setUnread] = useState(false);
  const mark = useCallback(
    (value: string) => {
      const found = read(value);
      setUnread(found === undefined);
      onUnread(name, found === undefined);
      if (found !== undefined) onRead(found);
    },
    [name, onRead, onUnread, read],
  );
  return (
    <div>
      <label htmlFor={id} className="block text-[14px] text-soft">
        {label}
      </label>
      <input
        id={id}
        className="entry"
        value={typedText}
        aria-invalid={unread}
        aria-describedby={`${id}-help`}
        onChange={(event) => {
          setTyped(event.target.value);
          mark(event.target.value);
        }}
      />
      <p id={`${id}-help`} className={`text-[14px] ${unread ? 'text-short' : 'text-soft'}`}>
        {unread ? `This cannot be read. ${help}` : help}
      </p>
    </div>
  );
}
