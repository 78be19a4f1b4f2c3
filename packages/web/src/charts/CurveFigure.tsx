import { fromSi, toSi, unitOf, type Dimension } from '@zubric/core/quantity';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { PointerEvent, ReactNode } from 'react';
import { useUnits } from '../common/units.tsx';
import { Axes } from './Axes.tsx';
import { chartUnit } from './in-units.ts';

/** An axis by its greatest value, SI. */
interface Along {
  readonly most: number;
  readonly dimension: Dimension;
  readonly title: string;
}

/** Where SI values lie on the sheet. */
export interface Placing {
  readonly x: (si: number) => number;
  readonly y: (si: number) => number;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

interface Props {
  readonly x: Along;
  readonly y: Along;
  /** What the drawing shows, for who does not see it. */
  readonly label: string;
  /** What can be read off it, in words. */
  readonly values?: string | undefined;
  /** Absent while there is nothing to measure. */
  readonly axes?: boolean;
  readonly height?: number;
  readonly color?: string;
  readonly caption?: ReactNode;
  /** Called with the value across, SI, where the pointer is. */
  readonly onPoint?: (across: number) => void;
  readonly below?: ReactNode;
  readonly children: (placing: Placing) => ReactNode;
}

const WIDTH = 500;
const FRAME = { left: 52, right: 16, top: 28, bottom: 46 };

/** A sheet with two axes in the builder's units, drawn on in SI. */
export function CurveFigure({
  x: across,
  y: up,
  label,
  values,
  axes = true,
  height = 330,
  color = 'var(--color-mech)',
  caption,
  onPoint,
  below,
  children,
}: Props) {
  const { system } = useUnits();
  const xUnit = chartUnit(across.most, across.dimension, system);
  const yUnit = chartUnit(up.most, up.dimension, system);
  const x = scaleLinear([0, xUnit.convert(across.most)], [FRAME.left, WIDTH - FRAME.right]);
  const y = scaleLinear([0, yUnit.convert(up.most)], [height - FRAME.bottom, FRAME.top]).nice();
  const pointed = (event: PointerEvent<SVGSVGElement>): void => {
    const box = event.currentTarget.getBoundingClientRect();
    const shown = x.invert(((event.clientX - box.left) / box.width) * WIDTH);
    const [least, most] = [0, across.most];
    const unit = unitOf(across.dimension, xUnit.symbol);
    onPoint?.(Math.min(most, Math.max(least, toSi(shown, unit))));
  };
  return (
    <figure className="sheet p-2">
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        className="block w-full"
        role="img"
        aria-label={label}
        {...(onPoint ? { onPointerMove: pointed, onPointerDown: pointed } : {})}
      >
        {values !== undefined && <desc>{values}</desc>}
        {axes && (
          <Axes
            x={x}
            y={y}
            xTitle={`${across.title}, ${xUnit.symbol}`}
            yTitle={`${up.title}, ${yUnit.symbol}`}
            color={color}
          />
        )}
        {children({
          x: (si) => x(fromSi(si, unitOf(across.dimension, xUnit.symbol))),
          y: (si) => y(fromSi(si, unitOf(up.dimension, yUnit.symbol))),
          left: FRAME.left,
          right: WIDTH - FRAME.right,
          top: FRAME.top,
          bottom: height - FRAME.bottom,
        })}
      </svg>
      {below}
      {caption !== undefined && <figcaption className="px-2 text-[14px] text-soft">{caption}</figcaption>}
    </figure>
  );
}

/** Points across and up, SI, as a drawn line. */
export const drawnLine = (
  { x, y }: Pick<Placing, 'x' | 'y'>,
  points: readonly (readonly [across: number, up: number])[],
): string =>
  line<readonly [number, number]>(
    ([across]) => x(across),
    ([, up]) => y(up),
  )(points) ?? '';

/** Said in the middle of a sheet that has no curve yet. */
export const SheetEmpty = ({
  placing,
  children,
}: {
  readonly placing: Placing;
  readonly children: string;
}) => (
  <text
    x={(placing.left + placing.right) / 2}
    y={(placing.top + placing.bottom) / 2}
    textAnchor="middle"
    fontSize="15"
    fill="var(--color-soft)"
  >
    {children}
  </text>
);

/** A cross at a place. */
export const Cross = ({ x, y }: { readonly x: number; readonly y: number }) => (
  <path d={`M${x - 6} ${y}h12M${x} ${y - 6}v12`} stroke="var(--color-ink)" strokeWidth="2.5" />
);
