import { bodyBox, outlineOf as bodyOutline, type Thing, type Vector } from '@zubric/core/layout';
import type { Build } from '@zubric/core/vehicle';
import { memo } from 'react';
import { outlineOf } from '../../drawings/outline.ts';
import { VIEWS, type LayoutView, type Sheet } from '../../drawings/views.ts';

interface OnSheet {
  readonly sheet: Sheet;
  readonly view: LayoutView;
}

type Zone = NonNullable<Build['arrangement']>['zones'][number];

const pathOf = (sheet: Sheet, points: readonly Vector[]): string =>
  `M${points
    .map((point) =>
      sheet
        .at(point)
        .map((x) => x.toFixed(1))
        .join(' '),
    )
    .join('L')}Z`;

const corners = ({ least, most }: { readonly least: Vector; readonly most: Vector }): Vector[] => [
  least,
  most,
  [most[0], least[1], least[2]],
  [least[0], most[1], most[2]],
];

/** The body: its outline from above, its box from the sides. */
export function BodyMark({ build, sheet, view }: OnSheet & { readonly build: Build }) {
  const outline =
    view === 'plan'
      ? bodyOutline(build).map(([ahead, left]): Vector => [ahead, left, 0])
      : boxIn(bodyBox(build), view);
  return <path d={pathOf(sheet, outline)} fill="none" stroke="var(--color-edge)" />;
}

/** The four corners of a box as a side view has them, in order. */
function boxIn(
  { least, most }: { readonly least: Vector; readonly most: Vector },
  view: LayoutView,
): Vector[] {
  const axis = VIEWS[view].across[0];
  const at = (across: number, up: number): Vector => (axis === 0 ? [across, 0, up] : [0, across, up]);
  return [
    at(least[axis], least[2]),
    at(most[axis], least[2]),
    at(most[axis], most[2]),
    at(least[axis], most[2]),
  ];
}

export const WheelMark = memo(function WheelMark({
  thing,
  sheet,
  view,
}: OnSheet & { readonly thing: Thing }) {
  return (
    <>
      {thing.solids.map((solid, n) => (
        <path
          key={n}
          d={pathOf(sheet, outlineOf(solid, view))}
          fill="none"
          stroke="var(--color-edge)"
          strokeDasharray={thing.solids.length > 1 ? '2 3' : undefined}
        />
      ))}
      {thing.standing.map((solid, n) => (
        <path
          key={`standing ${n}`}
          d={pathOf(sheet, outlineOf(solid, view))}
          fill={thing.driven ? 'var(--color-mech-lo)' : 'var(--color-field)'}
          fillOpacity="0.5"
          stroke={thing.driven ? 'var(--color-mech)' : 'var(--color-ink)'}
        />
      ))}
    </>
  );
});

/** A belt or chain: its two strands, and what it adds to its wheels. */
export const LoopMark = memo(function LoopMark({ thing, sheet, view }: OnSheet & { readonly thing: Thing }) {
  return (
    <g fill="none" stroke="var(--color-mech)">
      <title>{thing.name}</title>
      {thing.solids.map((solid, n) => (
        <path key={n} d={pathOf(sheet, outlineOf(solid, view))} />
      ))}
    </g>
  );
});

export function ZoneMark({ zone, sheet }: Pick<OnSheet, 'sheet'> & { readonly zone: Zone }) {
  const half = [zone.length.value / 2, zone.width.value / 2, zone.height.value / 2];
  const middle = [zone.aheadOfRearAxle.value, zone.left.value, zone.above.value];
  const end = (sign: 1 | -1) => middle.map((x, axis) => x + sign * (half[axis] ?? 0)) as unknown as Vector;
  const places = corners({ least: end(-1), most: end(1) }).map(sheet.at);
  const xs = places.map(([x]) => x);
  const ys = places.map(([, y]) => y);
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  return (
    <rect
      x={left}
      y={top}
      width={Math.max(...xs) - left}
      height={Math.max(...ys) - top}
      fill={zone.kind === 'bay' ? 'none' : 'var(--color-short-lo)'}
      fillOpacity="0.6"
      stroke={zone.kind === 'bay' ? 'var(--color-elec)' : 'var(--color-short)'}
      strokeDasharray="6 4"
    >
      <title>{zone.name}</title>
    </rect>
  );
}

/** Letters about as wide as this, in units of the sheet, at 13. */
const LETTER = 6.4;

interface PartShapeProps extends OnSheet {
  readonly thing: Thing;
  readonly isFouled: boolean;
  readonly isChosen: boolean;
}

/** A part as its outline, with its name where there is room or it is the one chosen. */
export const PartShape = memo(function PartShape({
  thing: { part, solids },
  sheet,
  view,
  isFouled,
  isChosen,
}: PartShapeProps) {
  const [solid] = solids;
  if (!part || !solid) return null;
  const points = outlineOf(solid, view);
  const corner = points.map((point) => sheet.at(point));
  const [left, top] = [Math.min(...corner.map(([x]) => x)), Math.min(...corner.map(([, y]) => y))];
  const { across } = VIEWS[view];
  const wide = (solid.most[across[0]] - solid.least[across[0]]) * sheet.scale;
  const fits = Math.floor(wide / LETTER) >= part.name.length;
  return (
    <>
      <path
        d={pathOf(sheet, points)}
        fill={isFouled ? 'var(--color-short-lo)' : 'var(--color-field)'}
        fillOpacity={isFouled ? 0.6 : 0.3}
        stroke={isFouled ? 'var(--color-short)' : 'var(--color-ink)'}
        strokeWidth={isChosen ? 2.6 : 1.2}
      />
      {(fits || isChosen) && (
        <text
          x={left + 3}
          y={top + 13}
          fontSize="13"
          fill="var(--color-ink)"
          stroke="var(--color-sheet)"
          strokeWidth="3"
          paintOrder="stroke"
          className="pointer-events-none"
        >
          {part.name}
        </text>
      )}
    </>
  );
});
