import { listInWords, moveToInWords } from '@zubric/core/say';
import { movedTo, type FreePlace, type PartReport } from '@zubric/core/layout';
import {
  AXES,
  changePlaced,
  FACE_KINDS,
  freeId,
  SIDES,
  type Axis,
  type Face,
  type PlacedPart,
} from '@zubric/core/vehicle';
import { showNumber, typed } from '@zubric/core/quantity';
import { useCallback, useState } from 'react';
import { useSay, useUnits } from '../../common/units.tsx';
import { NotWorkedOut } from '../../common/NotWorkedOut.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { Holes } from './Holes.tsx';
import { Remove } from './Remove.tsx';
import { Runs } from './Runs.tsx';
import { Tick } from './Tick.tsx';
import { useBeside, type Ask } from '../../workers/use-beside.ts';

const AXIS_WORDS: Readonly<Record<Axis, string>> = {
  ahead: 'along the vehicle',
  left: 'across it',
  up: 'upwards',
};

interface Props {
  readonly part: PlacedPart;
  readonly report: PartReport | undefined;
}

/** The part that is chosen: its form, its faces, whether they are reached, and where else it could go. */
export function ChosenPart({ part, report }: Props) {
  const { build, edit } = useBuild();
  const change = (values: Partial<PlacedPart>): void => edit((b) => changePlaced(b, part.id, values));
  return (
    <section className="sheet grid gap-2 p-3" aria-label={`Chosen: ${part.name}`}>
      <h2>{part.name}</h2>
      <div className="grid grid-cols-2 items-end gap-2">
        <Choice
          label="Form"
          value={part.form}
          options={[
            { value: 'box', title: 'box' },
            { value: 'cylinder', title: 'cylinder' },
          ]}
          onChange={(form) =>
            change({ form, ...(form === 'cylinder' && !part.axis ? { axis: 'left' } : {}) })
          }
        />
        {part.form === 'cylinder' && (
          <Choice
            label="Its middle line runs"
            value={part.axis ?? 'ahead'}
            options={AXES.map((axis) => ({ value: axis, title: AXIS_WORDS[axis] }))}
            onChange={(axis) => change({ axis })}
          />
        )}
        <SchemaField
          part="placed"
          field="sticksOut"
          label="May stick out of the body by"
          value={part.sticksOut}
          onChange={(sticksOut) => change({ sticksOut })}
          onClear={() => change({ sticksOut: undefined })}
        />
        <Tick
          label="It is printed"
          checked={part.printed ?? false}
          onChange={(printed) => change({ printed })}
        />
        <Runs part={part} onChange={change} />
      </div>
      {report && (
        <p className="text-[14px] text-soft">
          {report.comesOff === null
            ? 'It comes off no straight way.'
            : report.comesOff.after.length === 0
              ? 'It comes off by itself.'
              : `Before it, these come off: ${listInWords(build, report.comesOff.after)}.`}
        </p>
      )}
      <Faces part={part} report={report} onChange={(faces) => change({ faces })} />
      <FindPlace part={part} />
      <Holes part={part} onChange={change} />
    </section>
  );
}

interface FacesProps extends Props {
  readonly onChange: (faces: readonly Face[]) => void;
}

/** The sides that a hand, a plug or a tool must come to. */
function Faces({ part: { faces, name }, report, onChange }: FacesProps) {
  const { build } = useBuild();
  const set = (id: string, values: Partial<Face>): void =>
    onChange(faces.map((face) => (face.id === id ? { ...face, ...values } : face)));
  return (
    <div>
      <h3 className="text-[15px] font-semibold">What must be reached</h3>
      <ul className="divide-y divide-line">
        {faces.map((face) => {
          const reach = report?.faces.find(({ id }) => id === face.id);
          const whose = `${face.kind} of ${name}`;
          return (
            <li key={face.id} className="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2 py-1.5">
              <Choice
                label="What"
                value={face.kind}
                options={FACE_KINDS.map((kind) => ({ value: kind, title: kind }))}
                onChange={(kind) => set(face.id, { kind })}
              />
              <Choice
                label="Side"
                value={face.side}
                options={SIDES.map((side) => ({ value: side, title: side }))}
                onChange={(side) => set(face.id, { side })}
              />
              <SchemaField
                part="face"
                field="room"
                label={`Room before the ${whose}`}
                hideLabel
                value={face.room}
                onChange={(room) => set(face.id, { room })}
              />
              <Remove
                label={`Remove the ${whose}`}
                onRemove={() => onChange(faces.filter(({ id }) => id !== face.id))}
              />
              {reach && (
                <span
                  className={`col-span-4 text-[14px] ${reach.after === null ? 'text-short' : 'text-soft'}`}
                >
                  {reach.free
                    ? 'reached'
                    : reach.after === null
                      ? 'cannot be reached, whatever is taken off'
                      : `reached after taking off ${listInWords(build, reach.after)}`}
                </span>
              )}
            </li>
          );
        })}
      </ul>
      <button
        type="button"
        className="push push-small mt-1"
        onClick={() =>
          onChange([
            ...faces,
            { id: freeId('face', faces), kind: 'plug', side: 'front', room: typed(0.05, 'mm', 'assumed') },
          ])
        }
      >
        Add a plug, button or lid
      </button>
    </div>
  );
}

/** The free places for a part, the best balanced first. */
function FindPlace({ part }: { readonly part: PlacedPart }) {
  const { build, edit } = useBuild();
  const say = useSay();
  const { system } = useUnits();
  const [wanted, setWanted] = useState(false);
  const ask: Ask<FreePlace[]> = useCallback((work) => work.findPlaces(build, part.id), [build, part.id]);
  const { answer, isOfNow, problem } = useBeside(wanted ? ask : undefined);
  const put = (place: FreePlace): void => edit((b) => movedTo(b, { ...place, partId: part.id }));
  return (
    <div>
      <button
        type="button"
        className="push push-small"
        aria-expanded={wanted}
        onClick={() => setWanted(!wanted)}
      >
        Find a place for it
      </button>
      {problem !== undefined && <NotWorkedOut what="Free places" why={problem} />}
      {wanted && !isOfNow && <p className="text-soft">Looking…</p>}
      {wanted && isOfNow && answer && (
        <ol className="mt-1 divide-y divide-line" aria-label={`Free places for ${part.name}`}>
          {answer.length === 0 && (
            <li className="text-soft">
              Nowhere in the body does it keep its gaps with all of its faces reached. Make it smaller, move
              others, or allow less of a gap.
            </li>
          )}
          {answer.map((place) => (
            <li
              key={`${place.aheadM} ${place.leftM} ${place.aboveM}`}
              className="flex items-start justify-between gap-2 py-1 text-[14px]"
            >
              <span>
                {moveToInWords({ ...place, partId: part.id }, build, system)}
                <span className="block text-soft">
                  {showNumber(100 * place.drivenShare, 2)} % on the driven wheels
                  {place.asideM < 5e-4 ? '' : `, ${say(place.asideM, 'length')} off the middle`}
                </span>
              </span>
              <button
                type="button"
                className="push push-small shrink-0 self-start"
                onClick={() => put(place)}
              >
                Put it there
              </button>
            </li>
          ))}
        </ol>
      )}
    </div>
  );
}
