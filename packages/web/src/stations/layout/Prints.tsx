import { printsOf, type PrintReport } from '@zubric/core/layout';
import { arrange, arrangementOf, USUAL_PRINTER } from '@zubric/core/vehicle';
import { useSay } from '../../common/units.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

/** What the printer holds, and which printed parts it does not. */
export function Prints() {
  const { build, edit } = useBuild();
  const { printer, parts } = arrangementOf(build);
  const prints = printsOf(build);
  if (!printer && !parts.some(({ printed }) => printed)) return null;
  if (!printer)
    return (
      <section className="sheet grid gap-2 p-3" aria-labelledby="prints">
        <h2 id="prints">Printed parts</h2>
        <p>
          <button
            type="button"
            className="push push-small"
            onClick={() => edit((b) => arrange(b, { printer: USUAL_PRINTER }))}
          >
            Say what the printer holds
          </button>
        </p>
      </section>
    );
  return (
    <section className="sheet grid gap-2 p-3" aria-labelledby="prints">
      <h2 id="prints">Printed parts: does the printer hold them?</h2>
      <div className="grid max-w-xl grid-cols-3 gap-2">
        {(['length', 'width', 'height'] as const).map((field) => (
          <SchemaField
            key={field}
            part="printer"
            field={field}
            value={printer[field]}
            onChange={(quantity) => edit((b) => arrange(b, { printer: { ...printer, [field]: quantity } }))}
          />
        ))}
      </div>
      {prints.length === 0 && <p className="text-soft">No placed part is marked as printed.</p>}
      <ul className="divide-y divide-line">
        {prints.map((print) => (
          <li key={print.id} className="py-1">
            <PrintLine print={print} />
          </li>
        ))}
      </ul>
      <p>
        <button
          type="button"
          className="push push-small"
          onClick={() => edit((b) => arrange(b, { printer: undefined }))}
        >
          Without a printer
        </button>
      </p>
    </section>
  );
}

function PrintLine({ print: { id, fits, cuts } }: { readonly print: PrintReport }) {
  const { build } = useBuild();
  const say = useSay();
  const name = arrangementOf(build).parts.find((part) => part.id === id)?.name ?? id;
  if (fits === 'straight') return <>{name}: goes in as it is.</>;
  if (fits === 'turned') return <>{name}: goes in turned on the bed.</>;
  if (cuts.length === 0) return <span className="text-short">{name}: would take too many pieces.</span>;
  return (
    <span className="text-short">
      {name}: {cuts.length === 1 ? 'one cut' : `${cuts.length} cuts`}:{' '}
      {cuts.map(({ side, atM }) => `${say(atM, 'length')} along its ${side}`).join(', ')}.
    </span>
  );
}
