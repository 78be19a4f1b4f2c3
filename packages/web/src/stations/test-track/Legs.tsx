import type { Course, Leg } from '@zubric/core/vehicle';
import { ArrowDown, ArrowUp, X } from 'lucide-react';
import { useId, useState } from 'react';
import { Choice } from '../../fields/Choice.tsx';
import { FieldsOf } from '../../fields/FieldsOf.tsx';
import { FRESH_LEGS, LEG_TITLES } from './courses.ts';
import { PlacesTools } from './PlacesTools.tsx';
import { between, PlainNumber } from './PlainNumber.tsx';

const DEGREE = Math.PI / 180;
const WAY = (value: number) =>
  value !== 0 && Math.abs(value) <= 1000 ? undefined : 'A way of up to 1000 m, back where it is negative.';
const TURNED = (value: number) =>
  value !== 0 && Math.abs(value) <= 3600 * DEGREE ? undefined : 'A turn of up to ten times round.';
const RADIUS = between(0, 1000, 'A radius of up to 1000 m; 0 turns on the spot.');
const SECONDS = between(0, 600, 'Up to 10 min.');
const SIDE = between(1e-3, 1000, 'More than 0, up to 1000 m.');
const APART = between(1e-3, 100, 'More than 0, up to 100 m.');
const COMMAND = between(-1, 1, 'From −100 % to 100 % of full command.');

interface LegProps<K extends Leg['kind']> {
  readonly leg: Extract<Leg, { kind: K }>;
  readonly onChange: (leg: Leg) => void;
}

const GoLeg = ({ leg, onChange }: LegProps<'go'>) => (
  <PlainNumber
    label="Way, back negative"
    dimension="length"
    unit="m"
    value={leg.distanceM}
    check={WAY}
    onChange={(distanceM) => onChange({ ...leg, distanceM })}
  />
);

const TurnLeg = ({ leg, onChange }: LegProps<'turn'>) => (
  <>
    <PlainNumber
      label="Right, left negative"
      dimension="angle"
      unit="°"
      value={leg.deg * DEGREE}
      check={TURNED}
      onChange={(rad) => onChange({ ...leg, deg: rad / DEGREE })}
    />
    <PlainNumber
      label="Radius, 0 on the spot"
      dimension="length"
      unit="m"
      value={leg.radiusM}
      check={RADIUS}
      onChange={(radiusM) => onChange({ ...leg, radiusM })}
    />
  </>
);

const FreeLeg = ({ leg, onChange }: LegProps<'free'>) => (
  <>
    {(['left', 'right'] as const).map((side) => (
      <PlainNumber
        key={side}
        label={side === 'left' ? 'Command, left' : 'Command, right'}
        dimension="share"
        unit="%"
        value={leg[side]}
        check={COMMAND}
        onChange={(command) => onChange({ ...leg, [side]: command })}
        className="w-28"
      />
    ))}
    <PlainNumber
      label="For"
      dimension="time"
      unit="s"
      value={leg.seconds}
      check={between(0.01, 600, 'More than 0, up to 10 min.')}
      onChange={(seconds) => onChange({ ...leg, seconds })}
      className="w-24"
    />
  </>
);

const RowsLeg = ({ leg, onChange }: LegProps<'rows'>) => (
  <>
    {(
      [
        ['lengthM', 'Length of a row', SIDE],
        ['widthM', 'Width of the area', SIDE],
        ['apartM', 'Rows apart', APART],
      ] as const
    ).map(([key, label, check]) => (
      <PlainNumber
        key={key}
        {...{ label, check }}
        dimension="length"
        unit="m"
        value={leg[key]}
        onChange={(value) => onChange({ ...leg, [key]: value })}
      />
    ))}
  </>
);

/** Places as lines of two numbers, ahead and to the right, in metres. */
function PointsLeg({ leg, onChange }: LegProps<'points'>) {
  const id = useId();
  const [draft, setDraft] = useState<string>();
  const shown = leg.points.map(({ aheadM, rightM }) => `${aheadM}, ${rightM}`).join('\n');
  const problem = draft === undefined ? undefined : placesIn(draft).problem;
  return (
    <>
      <div className="w-64">
        <label htmlFor={id} className="block text-[14px] text-soft">
          Places: metres ahead, metres to the right
        </label>
        <textarea
          id={id}
          className="entry"
          rows={Math.min(8, leg.points.length + 1)}
          value={draft ?? shown}
          aria-invalid={problem !== undefined}
          aria-describedby={problem === undefined ? undefined : `${id}-problem`}
          onChange={(event) => {
            setDraft(event.target.value);
            const { points } = placesIn(event.target.value);
            if (points) onChange({ ...leg, points });
          }}
          onBlur={() => {
            if (problem === undefined) setDraft(undefined);
          }}
        />
        {problem !== undefined && (
          <p id={`${id}-problem`} role="alert" className="text-[14px] text-short">
            {problem}
          </p>
        )}
      </div>
      <PlacesTools points={leg.points} onChange={(points) => onChange({ ...leg, points })} />
    </>
  );
}

const MOST_PLACES = 2000;

/** Places from lines of text: two numbers each, parted by a comma, a semicolon or a blank. */
export function placesIn(text: string): {
  readonly points?: Extract<Leg, { kind: 'points' }>['points'];
  readonly problem?: string;
} {
  const lines = text.split('\n').filter((line) => line.trim() !== '');
  const points = lines.map((line) =>
    line
      .trim()
      .split(/[;\s]+|,\s*/)
      .map(Number),
  );
  const wrong = points.findIndex((p) => p.length !== 2 || !p.every((n) => Math.abs(n) <= 1000));
  if (wrong >= 0) return { problem: `Line ${wrong + 1} is no place: two numbers up to 1000, as “2, 0.5”.` };
  if (points.length === 0) return { problem: 'Give at least one place.' };
  if (points.length > MOST_PLACES) return { problem: `At most ${MOST_PLACES} places.` };
  return { points: points.map(([aheadM = 0, rightM = 0]) => ({ aheadM, rightM })) };
}

/** What a leg asks, by its kind. */
function LegFields({ leg, onChange }: { readonly leg: Leg; readonly onChange: (leg: Leg) => void }) {
  switch (leg.kind) {
    case 'go':
      return <GoLeg {...{ leg, onChange }} />;
    case 'turn':
      return <TurnLeg {...{ leg, onChange }} />;
    case 'free':
      return <FreeLeg {...{ leg, onChange }} />;
    case 'rows':
      return <RowsLeg {...{ leg, onChange }} />;
    case 'points':
      return <PointsLeg {...{ leg, onChange }} />;
    case 'wait':
      return (
        <PlainNumber
          label="For"
          dimension="time"
          unit="s"
          value={leg.seconds}
          check={SECONDS}
          onChange={(seconds) => onChange({ ...leg, seconds })}
          className="w-24"
        />
      );
  }
}

const KINDS = Object.entries(LEG_TITLES).map(([value, title]) => ({ value: value as Leg['kind'], title }));

interface Props {
  readonly course: Course;
  readonly onChange: (course: Course) => void;
}

/** The legs of a course, one after the other: changed, moved, taken out, added. */
export function Legs({ course, onChange }: Props) {
  const { legs } = course;
  const set = (next: readonly Leg[]): void => onChange({ ...course, legs: [...next] });
  const swap = (at: number, to: number): void => {
    const next = [...legs];
    [next[at], next[to]] = [next[to] as Leg, next[at] as Leg];
    set(next);
  };
  return (
    <ol className="grid gap-2" aria-label="Legs of the course">
      {legs.map((leg, at) => (
        <li key={at} className="flex flex-wrap items-end gap-2 border-b border-line pb-2">
          <FieldsOf name={`leg ${at + 1}`}>
            <span className="w-5 pb-1.5 text-right font-narrow font-semibold">{at + 1}</span>
            <Choice
              label="Leg"
              hideLabel
              className="w-40"
              value={leg.kind}
              options={KINDS}
              onChange={(kind) => set(legs.map((l, n) => (n === at ? FRESH_LEGS[kind] : l)))}
            />
            <LegFields leg={leg} onChange={(next) => set(legs.map((l, n) => (n === at ? next : l)))} />
          </FieldsOf>
          <span className="ml-auto flex">
            <button
              type="button"
              className="flex size-8 items-center justify-center hover:bg-field disabled:opacity-30"
              aria-label={`Leg ${at + 1}: earlier`}
              disabled={at === 0}
              onClick={() => swap(at, at - 1)}
            >
              <ArrowUp size={16} aria-hidden="true" />
            </button>
            <button
              type="button"
              className="flex size-8 items-center justify-center hover:bg-field disabled:opacity-30"
              aria-label={`Leg ${at + 1}: later`}
              disabled={at === legs.length - 1}
              onClick={() => swap(at, at + 1)}
            >
              <ArrowDown size={16} aria-hidden="true" />
            </button>
            <button
              type="button"
              className="flex size-8 items-center justify-center hover:bg-field disabled:opacity-30"
              aria-label={`Leg ${at + 1}: take out`}
              disabled={legs.length === 1}
              onClick={() => set(legs.filter((_, n) => n !== at))}
            >
              <X size={16} aria-hidden="true" />
            </button>
          </span>
        </li>
      ))}
      <li>
        <button
          type="button"
          className="push push-small"
          onClick={() => set([...legs, FRESH_LEGS.go])}
          disabled={legs.length >= 200}
        >
          Add a leg
        </button>
      </li>
    </ol>
  );
}
