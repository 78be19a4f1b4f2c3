import { showNumber, type UnitSystem } from '@zubric/core/quantity';
import type { AnyCalculator } from '@zubric/core/calculators';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useId, useMemo, useState, type PointerEvent } from 'react';
import { useUnits } from '../common/units.tsx';
import { Axes } from '../charts/Axes.tsx';
import { curvedOf, rangeAround, sampleCurve, stepOf, valueOf, type CurvePoint, type Range } from './curve.ts';
import { axisUnit, sayKey, typeKey } from './key-units.ts';
import { inputFields, outputFields, type Entries, type SumField } from './sum-form.ts';

const WIDTH = 450;
const HEIGHT = 240;
const FRAME = { left: 64, right: 18, top: 30, bottom: 46 };

interface Props {
  readonly calculator: AnyCalculator;
  readonly entries: Entries;
  readonly found: Readonly<Record<string, unknown>> | undefined;
  readonly onChange: (key: string, text: string) => void;
}

/** One result over one input, all others as typed; dragging along it types the input. */
export function SumCurve({ calculator, entries, found, onChange }: Props) {
  const inputs = useMemo(() => inputFields(calculator), [calculator]);
  const outputs = useMemo(() => outputFields(calculator), [calculator]);
  const [chosen, setChosen] = useState<{ across?: string; up?: string }>({});
  const own = curvedOf(calculator, inputs, outputs, entries);
  const numbers = inputs.filter((f) => f.kind === 'number' && valueOf(f, entries) !== undefined);
  const results = outputs.filter((f) => f.kind === 'number' && (!found || typeof found[f.key] === 'number'));
  const across = numbers.find((f) => f.key === (chosen.across ?? own?.across)) ?? numbers[0];
  const up = results.find((f) => f.key === (chosen.up ?? own?.up)) ?? results[0];
  if (!across || !up) return null;
  return (
    <section aria-labelledby="curve-title" className="sheet p-3">
      <h2 id="curve-title" className="sr-only">
        How one input matters
      </h2>
      <div className="mb-1 flex flex-wrap items-center gap-2 text-[14px] text-soft">
        <Pick
          label="Result drawn"
          fields={results}
          chosen={up}
          onChoose={(key) => setChosen({ ...chosen, up: key })}
        />
        over
        <Pick
          label="Input drawn along"
          fields={numbers}
          chosen={across}
          onChoose={(key) => setChosen({ ...chosen, across: key })}
        />
      </div>
      <Curve
        key={`${across.key} ${up.key}`}
        calculator={calculator}
        fields={inputs}
        across={across}
        up={up}
        entries={entries}
        found={found}
        onChange={onChange}
      />
    </section>
  );
}

interface PickProps {
  readonly label: string;
  readonly fields: readonly SumField[];
  readonly chosen: SumField;
  readonly onChoose: (key: string) => void;
}

function Pick({ label, fields, chosen, onChoose }: PickProps) {
  return (
    <select
      aria-label={label}
      className="entry w-auto max-w-full flex-auto"
      value={chosen.key}
      onChange={(event) => onChoose(event.target.value)}
    >
      {fields.map((field) => (
        <option key={field.key} value={field.key}>
          {field.description}
        </option>
      ))}
    </select>
  );
}

/** Runs of points that can be worked out: a curve is not drawn over a gap. */
function unbroken(points: readonly CurvePoint[]): { x: number; y: number }[][] {
  const runs: { x: number; y: number }[][] = [[]];
  for (const { x, y } of points)
    if (y === undefined) runs.push([]);
    else runs.at(-1)?.push({ x, y });
  return runs.filter((run) => run.length > 0);
}

/** What an axis shows, and in which unit. */
const title = (field: SumField, symbol: string): string =>
  `${field.description.toLowerCase()}${symbol === '' ? '' : `, ${symbol}`}`;

interface Drawn {
  readonly range: Range;
  readonly across: SumField;
  readonly up: SumField;
  readonly system: UnitSystem;
}

/** Both axes over what is drawn, each in a unit of its own. */
function scalesOf(runs: readonly (readonly { y: number }[])[], { range, across, up, system }: Drawn) {
  const ys = runs.flat().map((p) => p.y);
  const [least, most] = [Math.min(0, ...ys), Math.max(0, ...ys)];
  const xUnit = axisUnit(across.unit, Math.max(Math.abs(range.low), Math.abs(range.high)), system);
  const yUnit = axisUnit(up.unit, Math.max(Math.abs(least), Math.abs(most)), system);
  const x = scaleLinear(
    [xUnit.convert(range.low), xUnit.convert(range.high)],
    [FRAME.left, WIDTH - FRAME.right],
  );
  const y = scaleLinear(
    [yUnit.convert(least), yUnit.convert(most === least ? least + 1 : most)],
    [HEIGHT - FRAME.bottom, FRAME.top],
  ).nice();
  return { x, y, xUnit, yUnit };
}

/** The sum as it stands. */
const Now = ({ x, y }: { readonly x: number; readonly y: number }) => (
  <g>
    <path d={`M${x} ${FRAME.top}V${HEIGHT - FRAME.bottom}`} stroke="var(--color-ink)" strokeDasharray="3 3" />
    <circle cx={x} cy={y} r="6" fill="var(--color-sheet)" stroke="var(--color-ink)" strokeWidth="2.5" />
  </g>
);

interface CurveProps extends Props {
  readonly fields: readonly SumField[];
  readonly across: SumField;
  readonly up: SumField;
}

function Curve({ calculator, fields, across, up, entries, found, onChange }: CurveProps) {
  const { system } = useUnits();
  const id = useId();
  const value = valueOf(across, entries) ?? 0;
  const [range, setRange] = useState<Range>(() => rangeAround(value, across));
  // Typed past the ends of what is drawn: it is drawn anew around the value.
  if (value < range.low || value > range.high) setRange(rangeAround(value, across));
  const points = useMemo(
    () => sampleCurve(calculator, fields, entries, { across, up: up.key, range }),
    [calculator, fields, entries, across, up, range],
  );
  const runs = unbroken(points);
  const { x, y, xUnit, yUnit } = scalesOf(runs, { range, across, up, system });
  const path = line<{ x: number; y: number }>(
    (p) => x(xUnit.convert(p.x)),
    (p) => y(yUnit.convert(p.y)),
  );
  const step = stepOf(range);
  const put = (wanted: number): void => {
    const rounded = Math.round(Math.min(range.high, Math.max(range.low, wanted)) / step) * step;
    onChange(across.key, typeKey(Number(rounded.toPrecision(6)), across.unit));
  };
  const dragTo = (event: PointerEvent<SVGSVGElement>): void => {
    if ((event.buttons & 1) === 0) return;
    const { left, width } = event.currentTarget.getBoundingClientRect();
    const shown = ((event.clientX - left) / width) * WIDTH;
    put(range.low + ((shown - FRAME.left) / (WIDTH - FRAME.right - FRAME.left)) * (range.high - range.low));
  };
  const result = found?.[up.key];
  return (
    <>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block w-full cursor-ew-resize touch-none"
        role="img"
        aria-label={`${up.description} over ${across.description.toLowerCase()}${typeof result === 'number' ? `: now ${showNumber(result)}` : ''}`}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          dragTo(event);
        }}
        onPointerMove={dragTo}
      >
        <Axes
          x={x}
          y={y}
          xTitle={title(across, xUnit.symbol)}
          yTitle={title(up, yUnit.symbol)}
          color="var(--color-mech)"
        />
        {runs.map((run) => (
          <path
            key={run[0]?.x}
            d={path(run) ?? ''}
            fill="none"
            stroke="var(--color-mech)"
            strokeWidth="2.5"
          />
        ))}
        {typeof result === 'number' && <Now x={x(xUnit.convert(value))} y={y(yUnit.convert(result))} />}
      </svg>
      <label htmlFor={id} className="sr-only">
        {across.description}
      </label>
      <input
        id={id}
        type="range"
        className="block w-full accent-mech"
        min={range.low}
        max={range.high}
        step={step}
        value={value}
        aria-valuetext={`${sayKey(value, across.unit, system)}: ${typeof result === 'number' ? sayKey(result, up.unit, system) : 'cannot be worked out'}`}
        onChange={(event) => put(Number(event.target.value))}
      />
      <p className="text-[14px] text-soft">
        Drag along it, or move the slider: {across.description.toLowerCase()} is typed for you.
      </p>
    </>
  );
}
