import { remembered } from '@zubric/core/contract';
import {
  bodyBox,
  outlineOf as bodyOutline,
  thingsOf,
  type Centre,
  type Resting,
  type Thing,
  type Vector,
} from '@zubric/core/layout';
import { contactsOf, type Build } from '@zubric/core/vehicle';
import { memo, useCallback, useMemo, useState } from 'react';
import { useSay } from '../../common/units.tsx';
import { Handle } from '../../vehicle/Handle.tsx';
import { CentreMark } from '../../vehicle/parts.tsx';
import { Corners } from './Corners.tsx';
import type { Held } from './moved-by.ts';
import { outlineOf } from './outline.ts';
import { moveIn, sheetOf, VIEWS, type extentOf, type LayoutView, type Sheet } from './views.ts';

interface Props {
  readonly build: Build;
  readonly view: LayoutView;
  readonly extent: ReturnType<typeof extentOf>;
  readonly scale: number;
  readonly centre: Centre;
  readonly resting: Resting | undefined;
  /** Parts that are in each other's way. */
  readonly fouled: ReadonlySet<string>;
  readonly chosen: string | undefined;
  readonly stepM: number;
  readonly onChoose: (id: string) => void;
  readonly onMove: (what: Held['what'], id: string, by: Held['by']) => void;
  readonly onDone: () => void;
}

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

/** The vehicle with its parts from one side, to scale; parts are moved by hand or by keys. */
export function ViewDrawing(props: Props) {
  const { build, view, extent, scale, centre, resting, fouled, chosen, stepM, onChoose, onMove, onDone } =
    props;
  const say = useSay();
  const [held, setHeld] = useState<Sheet>();
  const now = useMemo(() => sheetOf(view, extent, scale), [view, extent, scale]);
  // While something is held the drawing keeps its scale.
  const sheet = held ?? now;
  const onHold = useCallback((on: boolean) => setHeld(on ? sheet : undefined), [sheet]);
  const things = thingsOf(build);
  const ground = sheet.at([0, 0, 0])[1];
  return (
    <figure className="min-w-0">
      <figcaption className="text-[14px] text-soft">{VIEWS[view].title}</figcaption>
      <svg
        viewBox={`0 0 ${sheet.width} ${sheet.height}`}
        className="block w-full select-none"
        style={{ maxHeight: 380 }}
        role="group"
        aria-label={`${VIEWS[view].title}: parts can be moved`}
      >
        <BodyMark {...{ build, sheet, view }} />
        {view !== 'plan' && <path d={`M0 ${ground}H${sheet.width}`} stroke="var(--color-ink)" />}
        {(build.arrangement?.zones ?? []).map((zone) => (
          <ZoneMark key={zone.id} {...{ zone, sheet }} />
        ))}
        {things
          .filter(({ kind }) => kind === 'wheel')
          .map((thing) => (
            <WheelMark key={thing.id} thing={thing} sheet={sheet} view={view} />
          ))}
        {things
          .filter(({ kind }) => kind === 'loop')
          .map((thing) => (
            <LoopMark key={thing.id} thing={thing} sheet={sheet} view={view} />
          ))}
        {things
          .filter(({ kind }) => kind === 'part')
          .sort((a, b) => seenAreas(b)[view] - seenAreas(a)[view])
          .map((thing) => (
            <PartMark
              key={thing.id}
              {...{ thing, sheet, view, onChoose, onMove, onHold, onDone, stepM }}
              isFouled={fouled.has(thing.id)}
              isChosen={chosen === thing.id}
            />
          ))}
        {view === 'plan' && <Corners {...{ build, sheet, stepM, onMove, onHold, onDone }} />}
        <Centre at={sheet.at([centre.aheadM, centre.leftM, centre.heightM])} />
        {view === 'side' &&
          resting?.axles.map(({ axleId, loadN }) => {
            const contact = contactsOf(build.layout).find(({ axle }) => axle.id === axleId);
            const [x, y] = sheet.at([contact?.aheadM ?? 0, 0, 0]);
            return (
              <text key={axleId} x={x} y={y + 17} fontSize="14" textAnchor="middle" fill="var(--color-mech)">
                {say(loadN, 'force')}
              </text>
            );
          })}
      </svg>
    </figure>
  );
}

/** The body: its outline from above, its box from the sides. */
function BodyMark({ build, sheet, view }: Pick<Props, 'build' | 'view'> & { readonly sheet: Sheet }) {
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

/** How much of the sheet a part takes in each view: what is small is drawn last, so that it can be taken hold of. */
const seenAreas = remembered(({ solids }: Thing): Readonly<Record<LayoutView, number>> => {
  const seen = (view: LayoutView): number => {
    const { across, up } = VIEWS[view];
    return solids.reduce(
      (sum, { least, most }) => sum + (most[across[0]] - least[across[0]]) * (most[up[0]] - least[up[0]]),
      0,
    );
  };
  return { plan: seen('plan'), side: seen('side'), rear: seen('rear') };
});

const Centre = ({ at: [x, y] }: { readonly at: readonly [number, number] }) => <CentreMark at={{ x, y }} />;

const WheelMark = memo(function WheelMark({
  thing,
  sheet,
  view,
}: {
  readonly thing: Thing;
  readonly sheet: Sheet;
  readonly view: LayoutView;
}) {
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
          fill="var(--color-mech-lo)"
          fillOpacity="0.5"
          stroke="var(--color-mech)"
        />
      ))}
    </>
  );
});

/** A belt or chain: its two strands, and what it adds to its wheels. */
const LoopMark = memo(function LoopMark({
  thing,
  sheet,
  view,
}: {
  readonly thing: Thing;
  readonly sheet: Sheet;
  readonly view: LayoutView;
}) {
  return (
    <g fill="none" stroke="var(--color-mech)">
      <title>{thing.name}</title>
      {thing.solids.map((solid, n) => (
        <path key={n} d={pathOf(sheet, outlineOf(solid, view))} />
      ))}
    </g>
  );
});

function ZoneMark({
  zone,
  sheet,
}: {
  readonly zone: NonNullable<Build['arrangement']>['zones'][number];
  readonly sheet: Sheet;
}) {
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

interface PartProps extends Pick<Props, 'view' | 'stepM' | 'onChoose' | 'onMove' | 'onDone'> {
  readonly thing: Thing;
  readonly sheet: Sheet;
  readonly isFouled: boolean;
  readonly isChosen: boolean;
  readonly onHold: (held: boolean) => void;
}

/** Letters about as wide as this, in units of the sheet, at 13. */
const LETTER = 6.4;

const PartMark = memo(function PartMark(props: PartProps) {
  const { thing, sheet, view, isFouled, isChosen, stepM, onChoose, onMove, onHold, onDone } = props;
  const say = useSay();
  const { part } = thing;
  const [solid] = thing.solids;
  if (!part || !solid) return null;
  const points = outlineOf(solid, view);
  const corner = points.map((point) => sheet.at(point));
  const [left, top] = [Math.min(...corner.map(([x]) => x)), Math.min(...corner.map(([, y]) => y))];
  const { across } = VIEWS[view];
  const wide = (solid.most[across[0]] - solid.least[across[0]]) * sheet.scale;
  const fits = Math.floor(wide / LETTER) >= part.name.length;
  return (
    <g onFocus={() => onChoose(part.id)} onPointerDown={() => onChoose(part.id)}>
      <Handle
        label={`${part.name}, ${VIEWS[view].title.toLowerCase()}`}
        says={`${say(part.aheadOfRearAxle.value, 'length')} ahead of the rear axle, ${say(part.left.value, 'length')} to the left, ${say(part.above.value, 'length')} up`}
        now={Math.round(part.aheadOfRearAxle.value * 1000)}
        step={stepM}
        back={(dx, dy) => [dx / sheet.scale, -dy / sheet.scale]}
        onMove={(right, up) => onMove('part', part.id, moveIn(view, right, up))}
        onHold={onHold}
        onDone={onDone}
      >
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
      </Handle>
    </g>
  );
});
