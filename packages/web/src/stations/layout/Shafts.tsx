import { stackOf, type StackReport } from '@zubric/core/layout';
import {
  addShaft,
  addStacked,
  arrange,
  arrangementOf,
  HOLDS,
  STACKED,
  type Shaft,
  type Stacked,
} from '@zubric/core/vehicle';
import { useState } from 'react';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { FieldsOf } from '../../fields/FieldsOf.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { Remove } from './Remove.tsx';

const HOLD_WORDS: Readonly<Record<Stacked['hold'], string>> = {
  frame: 'the frame',
  shaft: 'the shaft',
  loose: 'nothing',
};

/** What sits on each shaft, in order: how far it floats, and which spacer is missing. */
export function Shafts() {
  const { build, edit } = useBuild();
  const shafts = arrangementOf(build).shafts ?? [];
  const change = (id: string, alter: (shaft: Shaft) => Shaft | undefined): void =>
    edit((b) =>
      arrange(b, {
        shafts: (arrangementOf(b).shafts ?? []).flatMap((shaft) =>
          shaft.id === id ? (alter(shaft) ?? []) : shaft,
        ),
      }),
    );
  return (
    <section className="sheet grid grid-cols-[minmax(0,1fr)] gap-3 p-3" aria-labelledby="shafts">
      <h2 id="shafts">What sits on each shaft</h2>
      {shafts.map((shaft) => (
        <FieldsOf key={shaft.id} name={shaft.name}>
          <ShaftForm shaft={shaft} onChange={(alter) => change(shaft.id, alter)} />
        </FieldsOf>
      ))}
      <p>
        <button type="button" className="push push-small" onClick={() => edit(addShaft)}>
          Add a shaft
        </button>
      </p>
    </section>
  );
}

interface ShaftProps {
  readonly shaft: Shaft;
  readonly onChange: (alter: (shaft: Shaft) => Shaft | undefined) => void;
}

function ShaftForm({ shaft, onChange }: ShaftProps) {
  const { edit } = useBuild();
  const [kind, setKind] = useState<Stacked['kind']>('bearing');
  const set = (values: Partial<Shaft>): void => onChange((now) => ({ ...now, ...values }));
  return (
    <div className="grid gap-2 border-t border-line pt-2 first:border-0">
      <div className="grid items-end gap-2 sm:grid-cols-[2fr_1fr_1fr_auto]">
        <TextField
          label="Shaft"
          value={shaft.name}
          required="Give it a name."
          onChange={(name) => set({ name })}
        />
        <SchemaField
          part="shaft"
          field="length"
          value={shaft.length}
          onChange={(length) => set({ length })}
        />
        <SchemaField part="shaft" field="float" value={shaft.float} onChange={(float) => set({ float })} />
        <Remove label={`Remove ${shaft.name}`} onRemove={() => onChange(() => undefined)} />
      </div>
      {shaft.stack.length > 0 && <StackTable shaft={shaft} onChange={onChange} />}
      <div className="flex flex-wrap items-end gap-2">
        <Choice
          label="Put on its end"
          value={kind}
          options={STACKED.map((one) => ({ value: one, title: one }))}
          onChange={setKind}
        />
        <button
          type="button"
          className="push push-small"
          onClick={() => edit((b) => addStacked(b, shaft.id, kind))}
        >
          Put it on
        </button>
      </div>
      {shaft.stack.length > 0 && <Floats shaft={shaft} report={stackOf(shaft)} />}
    </div>
  );
}

const HEADS = ['On it', 'Width', 'Held by', 'Its middle, from the first end'] as const;

function StackTable({ shaft, onChange }: ShaftProps) {
  const set = (id: string, values: Partial<Stacked>): void =>
    onChange((now) => ({
      ...now,
      stack: now.stack.map((one) => (one.id === id ? { ...one, ...values } : one)),
    }));
  return (
    <table className="grid-table stacked">
      <caption className="sr-only">On {shaft.name}, from its first end</caption>
      <thead>
        <tr>
          {HEADS.map((head) => (
            <th key={head} scope="col">
              {head}
            </th>
          ))}
          <th scope="col">
            <span className="sr-only">Remove</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {shaft.stack.map((one) => (
          <tr key={one.id}>
            <th scope="row">
              <TextField
                label={`Name of ${one.name}`}
                hideLabel
                value={one.name}
                required="Give it a name."
                onChange={(name) => set(one.id, { name })}
              />
            </th>
            <td data-title="Width">
              <SchemaField
                part="stacked"
                field="width"
                label={`Width, ${one.name}`}
                hideLabel
                value={one.width}
                onChange={(width) => set(one.id, { width })}
              />
            </td>
            <td data-title="Held by">
              <Choice
                label={`${one.name} is held by`}
                hideLabel
                value={one.hold}
                options={HOLDS.map((hold) => ({ value: hold, title: HOLD_WORDS[hold] }))}
                onChange={(hold) => set(one.id, { hold })}
              />
            </td>
            <td data-title="Its middle, from the first end">
              <SchemaField
                part="stacked"
                field="at"
                label={`Middle, ${one.name}`}
                hideLabel
                value={one.at}
                onChange={(at) => set(one.id, { at })}
                onClear={() => set(one.id, { at: undefined })}
              />
            </td>
            <td>
              <TakeOff one={one} shaft={shaft} onChange={onChange} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const TakeOff = ({ one, shaft, onChange }: ShaftProps & { readonly one: Stacked }) => (
  <Remove
    label={`Take ${one.name} off ${shaft.name}`}
    onRemove={() => onChange((now) => ({ ...now, stack: now.stack.filter(({ id }) => id !== one.id) }))}
  />
);

/** How far the shaft goes either way, and what would take it up. */
function Floats({ shaft, report }: { readonly shaft: Shaft; readonly report: StackReport }) {
  const say = useSay();
  const name = (id: string): string => shaft.stack.find((one) => one.id === id)?.name ?? id;
  const { on, back } = report.floatM;
  const told = (float: number | null): string => (float === null ? 'nothing stops it' : say(float, 'length'));
  return (
    <div className="text-[14px]">
      <p>
        Towards its second end: {told(on)}; towards its first: {told(back)}.
      </p>
      {report.spacers.map(({ afterId, beforeId, thickM }) => (
        <p key={afterId}>
          A spacer of {say(thickM, 'length')} between {name(afterId)} and {name(beforeId)} would take it up.
        </p>
      ))}
      {report.gaps
        .filter(({ slackM }) => slackM < -1e-7)
        .map(({ afterId, beforeId, slackM }) => (
          <p key={afterId} className="text-short">
            Between {name(afterId)} and {name(beforeId)} it is {say(-slackM, 'length')} too wide.
          </p>
        ))}
    </div>
  );
}
