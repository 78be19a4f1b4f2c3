import {
  arrange,
  arrangementOf,
  changeAxle,
  drawnOutline,
  freeId,
  freshShell,
  OPENS,
  type Opens,
  type Shell,
} from '@zubric/core/vehicle';
import { Choice } from '../../fields/Choice.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { OutlineFromDrawing } from './OutlineFromDrawing.tsx';
import { Remove } from './Remove.tsx';

const OPENS_WORDS: Readonly<Record<Opens, string>> = {
  open: 'is open: nothing is closed in',
  lid: 'is closed, and its top lifts off',
  'halves-along': 'is closed, and parts into left and right',
  'halves-across': 'is closed, and parts into front and rear',
};

/** The body where it is more than a box, and how far its wheels go up and down. */
export function BodyForm() {
  const { build, edit } = useBuild();
  const shell = arrangementOf(build).shell ?? freshShell('open');
  const set = (values: Partial<Shell>): void => edit((b) => arrange(b, { shell: { ...shell, ...values } }));
  const isClosed = shell.opens !== 'open';
  return (
    <section className="sheet grid grid-cols-[minmax(0,1fr)] gap-3 p-3" aria-labelledby="body-form">
      <h2 id="body-form">Body: its outline, how it opens, and its springs</h2>
      <div className="grid items-end gap-2 sm:grid-cols-3">
        <Choice
          label="The body"
          value={shell.opens}
          options={OPENS.map((value) => ({ value, title: OPENS_WORDS[value] }))}
          onChange={(opens) => set({ opens, at: undefined })}
        />
        {isClosed && (
          <>
            <SchemaField
              part="shell"
              field="at"
              label={shell.opens === 'lid' ? 'It parts, above the ground' : 'It parts at'}
              value={shell.at}
              onChange={(at) => set({ at })}
              onClear={() => set({ at: undefined })}
            />
            <SchemaField part="shell" field="wall" value={shell.wall} onChange={(wall) => set({ wall })} />
          </>
        )}
      </div>
      <Outline shell={shell} onChange={set} />
      <OutlineFromDrawing onChange={set} />
      <Springs />
    </section>
  );
}

interface OutlineProps {
  readonly shell: Shell;
  readonly onChange: (values: Partial<Shell>) => void;
}

/** The outline from above, corner by corner; they are dragged in the view from above too. */
function Outline({ shell: { outline }, onChange }: OutlineProps) {
  const { build } = useBuild();
  if (!outline)
    return (
      <p>
        <button
          type="button"
          className="push push-small"
          onClick={() => onChange({ outline: drawnOutline(build) })}
        >
          Draw its outline
        </button>
      </p>
    );
  const add = (after: number): void => {
    const [here, next] = [outline[after], outline[(after + 1) % outline.length]];
    if (!here || !next) return;
    const between = (a: number, b: number): number => Number(((a + b) / 2).toFixed(4));
    const corner = {
      id: freeId('corner', outline),
      ahead: { ...here.ahead, value: between(here.ahead.value, next.ahead.value) },
      left: { ...here.left, value: between(here.left.value, next.left.value) },
    };
    onChange({ outline: outline.toSpliced(after + 1, 0, corner) });
  };
  return (
    <>
      <table className="grid-table stacked max-w-2xl">
        <caption className="text-left text-[14px] text-soft">
          Its outline from above, corner by corner; corners can be dragged in the drawing.
        </caption>
        <thead>
          <tr>
            {['Corner', 'Ahead of the rear axle', 'Left of the middle', ''].map((head) => (
              <th key={head} scope="col">
                {head === '' ? <span className="sr-only">Add or remove</span> : head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {outline.map((corner, n) => (
            <CornerRow key={corner.id} {...{ outline, corner, n }} onChange={onChange} onAdd={() => add(n)} />
          ))}
        </tbody>
      </table>
      <p>
        <button type="button" className="push push-small" onClick={() => onChange({ outline: undefined })}>
          Back to a box
        </button>
      </p>
    </>
  );
}

interface CornerProps extends Pick<OutlineProps, 'onChange'> {
  readonly outline: NonNullable<Shell['outline']>;
  readonly corner: NonNullable<Shell['outline']>[number];
  readonly n: number;
  readonly onAdd: () => void;
}

function CornerRow({ outline, corner, n, onChange, onAdd }: CornerProps) {
  return (
    <tr>
      <th scope="row">{n + 1}</th>
      {(['ahead', 'left'] as const).map((field) => (
        <td key={field} data-title={field === 'ahead' ? 'Ahead of the rear axle' : 'Left of the middle'}>
          <SchemaField
            part="corner"
            field={field}
            label={`${field === 'ahead' ? 'Ahead' : 'Left'}, corner ${n + 1}`}
            hideLabel
            value={corner[field]}
            onChange={(value) => onChange({ outline: outline.with(n, { ...corner, [field]: value }) })}
          />
        </td>
      ))}
      <td>
        <button type="button" className="push push-small" disabled={outline.length >= 60} onClick={onAdd}>
          Add one after {n + 1}
        </button>
        {outline.length > 3 && (
          <Remove
            label={`Remove corner ${n + 1}`}
            onRemove={() => onChange({ outline: outline.filter(({ id }) => id !== corner.id) })}
          />
        )}
      </td>
    </tr>
  );
}

/** How far the wheels of each axle go up: what they sweep then. */
function Springs() {
  const { build, edit } = useBuild();
  return (
    <div className="grid gap-2 sm:grid-cols-3">
      {build.layout.axles.map((axle) => (
        <SchemaField
          key={axle.id}
          part="axle"
          field="travel"
          label={`${axle.name}: up on springs by`}
          value={axle.travel}
          onChange={(travel) => edit((b) => changeAxle(b, axle.id, { travel }))}
          onClear={() => edit((b) => changeAxle(b, axle.id, { travel: undefined }))}
        />
      ))}
    </div>
  );
}
