import { freeId, newGround, type Ground } from '@zubric/core/build';
import { Trash2 } from 'lucide-react';
import { aboveZero, upTo } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import type { Check } from '../../fields/useQuantityText.ts';
import { useBuild } from '../../session/BuildSession.tsx';

const frictionCheck: Check = (value) => aboveZero(value) ?? upTo(3)(value);

/** The grounds it meets: rolling resistance and grip. */
export function GroundTable() {
  const { build, edit } = useBuild();
  const change = (id: string, part: Partial<Ground>): void =>
    edit((b) => ({ ...b, grounds: b.grounds.map((g) => (g.id === id ? { ...g, ...part } : g)) }));
  const used = (id: string): boolean => build.duties.some((d) => d.groundId === id);
  return (
    <section aria-labelledby="grounds-title">
      <h2 id="grounds-title">Grounds it meets</h2>
      <table className="grid-table sheet mt-1">
        <thead>
          <tr>
            <th scope="col">Ground</th>
            <th scope="col" title="Rolling resistance over weight">
              Rolling
            </th>
            <th scope="col" title="Friction of the driven wheels">
              Grip
            </th>
            <th scope="col">
              <span className="sr-only">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {build.grounds.map((ground) => (
            <tr key={ground.id}>
              <td>
                <TextField
                  label={`Name of the ground ${ground.name}`}
                  hideLabel
                  value={ground.name}
                  required="A ground needs a name."
                  onChange={(name) => change(ground.id, { name })}
                />
              </td>
              <td>
                <QuantityField
                  label={`Rolling coefficient of ${ground.name}`}
                  hideLabel
                  className="w-[98px]"
                  dimension="coefficient"
                  value={ground.rolling}
                  check={upTo(2)}
                  onChange={(rolling) => change(ground.id, { rolling })}
                />
              </td>
              <td>
                <QuantityField
                  label={`Friction of ${ground.name}`}
                  hideLabel
                  className="w-[98px]"
                  dimension="coefficient"
                  value={ground.friction}
                  check={frictionCheck}
                  onChange={(friction) => change(ground.id, { friction })}
                />
              </td>
              <td>
                <button
                  type="button"
                  className="p-1.5 hover:text-short disabled:text-line"
                  aria-label={`Remove ${ground.name}`}
                  title={used(ground.id) ? 'A duty stands on it' : undefined}
                  disabled={used(ground.id) || build.grounds.length === 1}
                  onClick={() =>
                    edit((b) => ({ ...b, grounds: b.grounds.filter((g) => g.id !== ground.id) }))
                  }
                >
                  <Trash2 size={18} aria-hidden="true" />
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <button
        type="button"
        className="push mt-2"
        onClick={() =>
          edit((b) => {
            const id = freeId('ground', b.grounds);
            return { ...b, grounds: [...b.grounds, newGround(id, `Ground ${b.grounds.length + 1}`)] };
          })
        }
      >
        Add a ground
      </button>
    </section>
  );
}
