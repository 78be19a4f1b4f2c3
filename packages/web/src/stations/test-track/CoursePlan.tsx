import { meantPath, movesOf, type PathPoint, type RunTold } from '@zubric/core/driving';
import { show } from '@zubric/core/quantity';
import type { Course } from '@zubric/core/vehicle';
import { useMemo } from 'react';
import { useUnits } from '../../common/units.tsx';

const WIDTH = 640;
const MOST_HEIGHT = 420;
const LEAST_HEIGHT = 150;
const MARGIN = 34;

interface Spot {
  readonly x: number;
  readonly y: number;
}

/** A place on the page from one on the ground: ahead to the right of the page, the right side downwards, one scale both ways. */
export interface PlanScale {
  readonly width: number;
  readonly height: number;
  readonly perM: number;
  readonly at: (spot: Spot) => readonly [number, number];
}

/**
 * The scale that shows all of some places.
 *
 * @param leastM shown at least, so that a short way is not blown up without end
 */
export function planScale(spots: readonly Spot[], leastM: number): PlanScale {
  const xs = spots.map(({ x }) => x);
  const ys = spots.map(({ y }) => y);
  const [west, east] = [Math.min(0, ...xs), Math.max(0, ...xs)];
  const [south, north] = [Math.min(0, ...ys), Math.max(0, ...ys)];
  const across = Math.max(east - west, leastM);
  const up = Math.max(north - south, leastM / 4);
  const perM = Math.min((WIDTH - 2 * MARGIN) / across, (MOST_HEIGHT - 2 * MARGIN) / up);
  const height = Math.max(LEAST_HEIGHT, up * perM + 2 * MARGIN);
  const middle = (north + south) / 2;
  return {
    width: WIDTH,
    height,
    perM,
    at: ({ x, y }) => [MARGIN + (x - west) * perM, height / 2 - (y - middle) * perM],
  };
}

const pathOf = (spots: readonly Spot[], { at }: PlanScale): string =>
  spots
    .map(
      (spot, n) =>
        `${n === 0 ? 'M' : 'L'}${at(spot)
          .map((p) => p.toFixed(1))
          .join(' ')}`,
    )
    .join('');

/** A round length for a ruler, about a fifth of the drawing. */
function rulerOf(perM: number): number {
  const about = WIDTH / 5 / perM;
  const ten = 10 ** Math.floor(Math.log10(about));
  return [5, 2, 1].map((n) => n * ten).find((length) => length <= about) ?? ten;
}

interface Props {
  readonly course: Course;
  readonly onTheSpot: boolean;
  readonly path: readonly PathPoint[];
  /** Where other runs ended, seen from where the course means to end. */
  readonly ends?: readonly (RunTold & { readonly aheadM: number })[] | undefined;
}

/** Patches and kerbs under the course. */
function Ground({ course, scale }: { readonly course: Course; readonly scale: PlanScale }) {
  const patches = (course.patches ?? []).map((p) => ({
    ...p,
    corner: { x: p.aheadM, y: -p.rightM + p.widthM / 2 },
  }));
  const { height } = scale;
  return (
    <>
      {patches.map((patch, n) => {
        const [x, y] = scale.at(patch.corner);
        return (
          <rect
            key={n}
            {...{ x, y, width: patch.lengthM * scale.perM, height: patch.widthM * scale.perM }}
            fill="var(--color-elec-lo)"
            opacity="0.6"
          />
        );
      })}
      {(course.kerbs ?? []).map((kerb, n) => {
        const [x, y] = scale.at({ x: kerb.aheadM, y: -kerb.rightM });
        return (
          <path
            key={n}
            d={`M0 -${height}V${height}`}
            transform={`translate(${x} ${y}) rotate(${kerb.headingDeg})`}
            stroke="var(--color-edge)"
            strokeWidth="2"
          />
        );
      })}
    </>
  );
}

/** The course as it is meant and as it was driven, on the ground, in one scale. */
export function CoursePlan({ course, onTheSpot, path, ends = [] }: Props) {
  const { system } = useUnits();
  const meant = useMemo(() => meantPath(movesOf(course, onTheSpot)), [course, onTheSpot]);
  const scale = useMemo(() => planScale([...meant, ...path], 1), [meant, path]);
  const last = meant.at(-1) ?? { x: 0, y: 0, heading: 0 };
  const [c, s] = [Math.cos(last.heading), Math.sin(last.heading)];
  const endAt = ({ aheadM, sideM }: { readonly aheadM: number; readonly sideM: number }): Spot => ({
    x: last.x + c * aheadM + s * sideM,
    y: last.y + s * aheadM - c * sideM,
  });
  const ruler = rulerOf(scale.perM);
  const [startX, startY] = scale.at({ x: 0, y: 0 });
  const [endX, endY] = scale.at(last);
  const driven = path.at(-1);
  const { height } = scale;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="block w-full"
      role="img"
      aria-label={`The course from above: it begins at the left, meant as a light line${
        driven
          ? `, driven as a dark one to ${show(Math.hypot(driven.x - last.x, driven.y - last.y), 'length', system).text} from its end`
          : ''
      }.`}
      fontSize="14"
      fill="var(--color-soft)"
    >
      <Ground {...{ course, scale }} />
      <path
        d={pathOf(meant, scale)}
        fill="none"
        stroke="var(--color-mech-mid)"
        strokeWidth="7"
        opacity="0.45"
      />
      {ends.map((end) => {
        const [x, y] = scale.at(endAt(end));
        return <circle key={end.seed} cx={x} cy={y} r="2.5" fill="var(--color-elec)" opacity="0.6" />;
      })}
      <path d={pathOf(path, scale)} fill="none" stroke="var(--color-ink)" strokeWidth="2" />
      <circle cx={startX} cy={startY} r="5" fill="var(--color-ink)" />
      <text x={startX} y={startY - 12} textAnchor="middle">
        start
      </text>
      <circle cx={endX} cy={endY} r="6" fill="none" stroke="var(--color-mech)" strokeWidth="2" />
      <g transform={`translate(${WIDTH - MARGIN - ruler * scale.perM} ${height - 10})`}>
        <path d={`M0 -4V0H${ruler * scale.perM}V-4`} fill="none" stroke="var(--color-ink)" />
        <text x={(ruler * scale.perM) / 2} y="-6" textAnchor="middle">
          {show(ruler, 'length', system).text}
        </text>
      </g>
    </svg>
  );
}
