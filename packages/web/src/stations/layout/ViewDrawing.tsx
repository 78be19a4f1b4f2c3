import { remembered } from '@zubric/core/contract';
import { thingsOf, type Centre, type Resting, type Thing } from '@zubric/core/layout';
import { contactsOf, type Build } from '@zubric/core/vehicle';
import { memo, useCallback, useMemo, useState } from 'react';
import { useSay } from '../../common/units.tsx';
import { Handle } from '../../vehicle/Handle.tsx';
import { CentreMark } from '../../vehicle/parts.tsx';
import { Corners } from './Corners.tsx';
import { BodyMark, LoopMark, PartShape, WheelMark, ZoneMark } from './marks.tsx';
import type { Held } from './moved-by.ts';
import { moveIn, sheetOf, VIEWS, type extentOf, type LayoutView, type Sheet } from '../../drawings/views.ts';

interface StillProps {
  /** As it is kept. */
  readonly build: Build;
  readonly view: LayoutView;
  /** Parts that are in each other's way. */
  readonly fouled: ReadonlySet<string>;
  readonly chosen: string | undefined;
  /** What is held: it is drawn where it goes, and only faintly where it was. */
  readonly heldId: string | undefined;
  readonly stepM: number;
  readonly onChoose: (id: string) => void;
  readonly onMove: (what: Held['what'], id: string, by: Held['by']) => void;
  readonly onDone: () => void;
}

interface Props extends StillProps {
  /** With what is held where it is now. */
  readonly shown: Build;
  readonly extent: ReturnType<typeof extentOf>;
  readonly scale: number;
  readonly centre: Centre;
  readonly resting: Resting | undefined;
}

/**
 * The vehicle with its parts from one side, to scale; parts are moved by hand or by keys. What follows a part
 * that is held lies on a sheet of its own over the rest, so that the rest need not be drawn again for each move.
 */
export function ViewDrawing({ shown, extent, scale, centre, resting, ...still }: Props) {
  const { build, view } = still;
  const [held, setHeld] = useState<Sheet>();
  const now = useMemo(() => sheetOf(view, extent, scale), [view, extent, scale]);
  // While something is held the drawing keeps its scale.
  const sheet = held ?? now;
  const onHold = useCallback((on: boolean) => setHeld(on ? sheet : undefined), [sheet]);
  const box = `0 0 ${sheet.width} ${sheet.height}`;
  return (
    <figure className="min-w-0">
      <figcaption className="text-[14px] text-soft">{VIEWS[view].title}</figcaption>
      <div className="relative">
        <svg
          viewBox={box}
          className="block w-full select-none"
          style={{ maxHeight: 380 }}
          role="group"
          aria-label={`${VIEWS[view].title}: parts can be moved`}
        >
          <Still {...still} sheet={sheet} onHold={onHold} />
        </svg>
        <svg
          viewBox={box}
          className="pointer-events-none absolute inset-0 h-full w-full will-change-transform select-none"
        >
          <Moved {...{ build, shown, sheet, view }} />
          <Weight {...{ build: shown, sheet, view, centre, resting }} />
        </svg>
      </div>
    </figure>
  );
}

interface OnSheet {
  readonly sheet: Sheet;
}

/** Everything where it is kept. */
const Still = memo(function Still(props: StillProps & OnSheet & { readonly onHold: (on: boolean) => void }) {
  const { build, view, sheet, fouled, chosen, heldId, stepM, onChoose, onMove, onHold, onDone } = props;
  const things = thingsOf(build);
  const ground = sheet.at([0, 0, 0])[1];
  return (
    <>
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
            isHeld={heldId === thing.id}
          />
        ))}
      {view === 'plan' && <Corners {...{ build, sheet, stepM, onMove, onHold, onDone }} />}
    </>
  );
});

/** What is elsewhere than where it is kept: what is held, and what goes with it. */
function Moved({ build, shown, sheet, view }: Pick<Props, 'build' | 'shown' | 'view'> & OnSheet) {
  if (shown === build) return null;
  const kept = new Set(thingsOf(build));
  return (
    <>
      <BodyMark {...{ build: shown, sheet, view }} />
      {thingsOf(shown)
        .filter((thing) => !kept.has(thing))
        .map((thing) =>
          thing.kind === 'loop' ? (
            <LoopMark key={thing.id} {...{ thing, sheet, view }} />
          ) : (
            <PartShape key={thing.id} {...{ thing, sheet, view }} isFouled={false} isChosen />
          ),
        )}
    </>
  );
}

/** Where its weight lies, and from the side what stands on each axle. */
function Weight({
  build,
  sheet,
  view,
  centre,
  resting,
}: Pick<Props, 'build' | 'view' | 'centre' | 'resting'> & OnSheet) {
  const say = useSay();
  const [x, y] = sheet.at([centre.aheadM, centre.leftM, centre.heightM]);
  return (
    <>
      <CentreMark at={{ x, y }} />
      {view === 'side' &&
        resting?.axles.map(({ axleId, loadN }) => {
          const contact = contactsOf(build.layout).find(({ axle }) => axle.id === axleId);
          const [under, ground] = sheet.at([contact?.aheadM ?? 0, 0, 0]);
          return (
            <text
              key={axleId}
              x={under}
              y={ground + 17}
              fontSize="14"
              textAnchor="middle"
              fill="var(--color-mech)"
            >
              {say(loadN, 'force')}
            </text>
          );
        })}
    </>
  );
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

interface PartProps extends Pick<StillProps, 'view' | 'stepM' | 'onChoose' | 'onMove' | 'onDone'>, OnSheet {
  readonly thing: Thing;
  readonly isFouled: boolean;
  readonly isChosen: boolean;
  readonly isHeld: boolean;
  readonly onHold: (held: boolean) => void;
}

const PartMark = memo(function PartMark(props: PartProps) {
  const { thing, sheet, view, isFouled, isChosen, isHeld, stepM, onChoose, onMove, onHold, onDone } = props;
  const say = useSay();
  const { part } = thing;
  if (!part) return null;
  return (
    <g
      onFocus={() => onChoose(part.id)}
      onPointerDown={() => onChoose(part.id)}
      opacity={isHeld ? 0.3 : undefined}
    >
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
        <PartShape {...{ thing, sheet, view, isFouled, isChosen }} />
      </Handle>
    </g>
  );
});
