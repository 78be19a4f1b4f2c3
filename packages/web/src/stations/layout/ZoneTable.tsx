import { addZone, arrange, arrangementOf, fieldOf, type Zone } from '@zubric/core/vehicle';
import { Sideways } from '../../common/Sideways.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { Remove } from './Remove.tsx';

const KEYS = ['length', 'width', 'height', 'aheadOfRearAxle', 'left', 'above'] as const;

/** Bays, in which places are looked for, and spaces that must stay free. */
export function ZoneTable() {
  const { build, edit } = useBuild();
  const { zones } = arrangementOf(build);
  return (
    <section className="sheet grid grid-cols-[minmax(0,1fr)] gap-2 p-3" aria-labelledby="zones">
      <h2 id="zones">Bays and spaces to keep free</h2>
      {zones.length > 0 && (
        <Sideways label="Bays and spaces to keep free">
          <table className="grid-table stacked md:min-w-[58rem]">
            <caption className="sr-only">Bays and spaces to keep free</caption>
            <thead>
              <tr>
                <th scope="col">Name</th>
                <th scope="col">Kind</th>
                {KEYS.map((key) => (
                  <th key={key} scope="col">
                    {fieldOf('zone', key).title}
                  </th>
                ))}
                <th scope="col">
                  <span className="sr-only">Remove</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {zones.map((zone) => (
                <Row key={zone.id} zone={zone} />
              ))}
            </tbody>
          </table>
        </Sideways>
      )}
      <p className="flex gap-2">
        <button type="button" className="push push-small" onClick={() => edit((b) => addZone(b, 'bay'))}>
          Add a bay
        </button>
        <button type="button" className="push push-small" onClick={() => edit((b) => addZone(b, 'keep-out'))}>
          Add a space to keep free
        </button>
      </p>
    </section>
  );
}

function Row({ zone }: { readonly zone: Zone }) {
  const { edit } = useBuild();
  const set = (id: string, values: Partial<Zone>): void =>
    edit((b) =>
      arrange(b, {
        zones: arrangementOf(b).zones.map((zone) => (zone.id === id ? { ...zone, ...values } : zone)),
      }),
    );
  return (
    <tr>
      <th scope="row">
        <TextField
          label={`Name of ${zone.name}`}
          hideLabel
          value={zone.name}
          required="Give it a name."
          onChange={(name) => set(zone.id, { name })}
        />
      </th>
      <td data-title="Kind">{zone.kind === 'bay' ? 'bay' : 'keep free'}</td>
      {KEYS.map((key) => (
        <td key={key} data-title={fieldOf('zone', key).title}>
          <SchemaField
            part="zone"
            field={key}
            label={`${fieldOf('zone', key).title}, ${zone.name}`}
            hideLabel
            value={zone[key]}
            onChange={(quantity) => set(zone.id, { [key]: quantity })}
          />
        </td>
      ))}
      <td>
        <Remove
          label={`Remove ${zone.name}`}
          onRemove={() =>
            edit((b) => arrange(b, { zones: arrangementOf(b).zones.filter(({ id }) => id !== zone.id) }))
          }
        />
      </td>
    </tr>
  );
}
