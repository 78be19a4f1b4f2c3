import {
  addOwnSheet,
  arrange,
  arrangementOf,
  freshCircle,
  type HoleCircle,
  type OwnSheet,
} from '@zubric/core/vehicle';
import { CountInput } from '../../fields/CountInput.tsx';
import { FieldsOf } from '../../fields/FieldsOf.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { Drilled } from './Drilled.tsx';
import { Remove } from './Remove.tsx';

/** Discs and plates of the builder's own: bolt circles, adapters, rings of magnets, blanks, plates with slots. */
export function OwnSheets({ onShow }: { readonly onShow: (name: string) => void }) {
  const { build, edit } = useBuild();
  const sheets = arrangementOf(build).sheets ?? [];
  const change = (id: string, alter: (now: OwnSheet) => OwnSheet | undefined): void =>
    edit((b) =>
      arrange(b, {
        sheets: (arrangementOf(b).sheets ?? []).flatMap((one) => (one.id === id ? (alter(one) ?? []) : one)),
      }),
    );
  const add = (form: OwnSheet['form']): void => {
    onShow(`own-${arrangementOf(addOwnSheet(build, form)).sheets?.at(-1)?.id ?? ''}`);
    edit((b) => addOwnSheet(b, form));
  };
  return (
    <div className="grid gap-2">
      <h3 className="text-[15px] font-semibold">
        Your own: bolt circles, hub adapters, rings of magnets, blanks
      </h3>
      {sheets.map((sheet) => (
        <FieldsOf key={sheet.id} name={sheet.name}>
          <div onFocus={() => onShow(`own-${sheet.id}`)}>
            <SheetForm sheet={sheet} onChange={(alter) => change(sheet.id, alter)} />
          </div>
        </FieldsOf>
      ))}
      <p className="flex flex-wrap gap-2">
        <button type="button" className="push push-small" onClick={() => add('disc')}>
          Add a disc
        </button>
        <button type="button" className="push push-small" onClick={() => add('plate')}>
          Add a plate
        </button>
      </p>
    </div>
  );
}

interface SheetProps {
  readonly sheet: OwnSheet;
  readonly onChange: (alter: (now: OwnSheet) => OwnSheet | undefined) => void;
}

const MAY_LACK = ['bore', 'key', 'travel'] as const;

function SheetForm({ sheet, onChange }: SheetProps) {
  const set = (values: Partial<OwnSheet>): void => onChange((now) => ({ ...now, ...values }));
  const setCircle = (id: string, values: Partial<HoleCircle>): void =>
    onChange((now) => ({
      ...now,
      circles: now.circles.map((one) => (one.id === id ? { ...one, ...values } : one)),
    }));
  return (
    <div className="grid gap-2 border-t border-line pt-2">
      <div className="grid grid-cols-2 items-end gap-2 sm:grid-cols-4 xl:grid-cols-[repeat(6,minmax(0,1fr))_auto]">
        <TextField
          label={sheet.form === 'disc' ? 'Disc' : 'Plate'}
          value={sheet.name}
          required="Give it a name."
          onChange={(name) => set({ name })}
        />
        <SchemaField
          part="ownSheet"
          field="length"
          label={sheet.form === 'disc' ? 'Diameter' : 'Length'}
          value={sheet.length}
          onChange={(length) => set({ length })}
        />
        {sheet.form === 'plate' && (
          <SchemaField
            part="ownSheet"
            field="width"
            value={sheet.width}
            onChange={(width) => set({ width })}
          />
        )}
        {MAY_LACK.map((field) => (
          <SchemaField
            key={field}
            part="ownSheet"
            field={field}
            value={sheet[field]}
            onChange={(quantity) => set({ [field]: quantity })}
            onClear={() => set({ [field]: undefined })}
          />
        ))}
        <Remove label={`Remove ${sheet.name}`} onRemove={() => onChange(() => undefined)} />
      </div>
      {sheet.circles.map((circle, n) => (
        <CircleForm
          key={circle.id}
          {...{ circle, n, sheet }}
          onChange={(values) => setCircle(circle.id, values)}
          onRemove={() => set({ circles: sheet.circles.filter(({ id }) => id !== circle.id) })}
        />
      ))}
      <p>
        <button
          type="button"
          className="push push-small"
          disabled={sheet.circles.length >= 10}
          onClick={() => onChange((now) => ({ ...now, circles: [...now.circles, freshCircle(now.circles)] }))}
        >
          Add a circle of holes to {sheet.name}
        </button>
      </p>
    </div>
  );
}

interface CircleProps {
  readonly circle: HoleCircle;
  readonly n: number;
  readonly sheet: OwnSheet;
  readonly onChange: (values: Partial<HoleCircle>) => void;
  readonly onRemove: () => void;
}

/** Equal holes on a circle. */
function CircleForm({ circle, n, sheet, onChange, onRemove }: CircleProps) {
  return (
    <div className="grid grid-cols-2 items-end gap-2 sm:grid-cols-4 xl:grid-cols-[repeat(6,minmax(0,1fr))_auto]">
      <SchemaField
        part="holeCircle"
        field="circle"
        label={`Circle ${n + 1}, across`}
        value={circle.circle}
        onChange={(across) => onChange({ circle: across })}
      />
      <div>
        <span className="block text-[14px] text-soft">Holes</span>
        <CountInput
          label={`Holes on circle ${n + 1} of ${sheet.name}`}
          value={circle.count}
          most={200}
          onChange={(count) => onChange({ count })}
        />
      </div>
      <SchemaField
        part="holeCircle"
        field="turn"
        label={`First hole, circle ${n + 1}`}
        value={circle.turn}
        onChange={(turn) => onChange({ turn })}
      />
      <Drilled whose={`circle ${n + 1}`} hole={circle} onChange={onChange} />
      <Remove label={`Remove circle ${n + 1} of ${sheet.name}`} onRemove={onRemove} />
    </div>
  );
}
