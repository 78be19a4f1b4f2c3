import type { Footing } from '@zubric/core/demand';
import { placedKg, type Axle, type Build } from '@zubric/core/vehicle';
import { useState } from 'react';
import { useSay } from '../common/units.tsx';
import type { Fit } from '../drawings/shapes.ts';
import { backFrom, frameOf, massesOf, placer, roomOf, stepFor, type Placing, type View } from './frame.ts';
import { Handle } from './Handle.tsx';
import { moveAxle, moveHitch, moveMassInPlan, moveMassInSide, namedMasses } from './move.ts';
import { placeNames } from './place-names.ts';
import { AxleLoads, Hitch, WheelLoads } from './Loads.tsx';
import { AxleFromAbove, AxleFromSide, Body, CentreMark, Words } from './parts.tsx';
import { GroundLine, SupportLines } from './Setting.tsx';

interface Props {
  readonly build: Build;
  readonly view: View;
  readonly width: number;
  readonly height: number;
  /** How it stands: wheel loads and centre of gravity are then drawn. */
  readonly footing?: Footing;
  readonly gradeRad?: number;
  /** Share of the payload on board. */
  readonly payloadShare?: number;
  /** Pull at the hitch, drawn where there is one. */
  readonly drawbarN?: number;
  /** Where masses and axles may be moved. */
  readonly edit?: (change: (build: Build) => Build) => void;
  /** What it shows, for those who do not see it. */
  readonly label: string;
}

/** The vehicle to scale from the side on its grade, or from above; what stands on it is moved by hand or by keys. */
export function VehicleDrawing({
  build,
  view,
  width,
  height,
  footing,
  gradeRad = 0,
  drawbarN = 0,
  payloadShare = 1,
  edit,
  label,
}: Props) {
  const [held, setHeld] = useState<Fit | null>(null);
  const fit = held ?? frameOf(build, view, { width, height }, view === 'side' ? gradeRad : 0);
  const turn = view === 'side' ? gradeRad : 0;
  const place =
    view === 'side' ? placer(build, fit, turn) : (x: number, y: number) => ({ x: fit.x(x), y: fit.y(y) });
  const hold = (on: boolean): void => setHeld(on ? fit : null);
  const hands = {
    step: stepFor(roomOf(build, view, { carried: massesOf(build) })),
    back: (dx: number, dy: number) => backFrom(fit, turn, dx, dy),
    onHold: hold,
  };
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="block w-full select-none"
      role="group"
      aria-label={label}
    >
      {view === 'side' && <GroundLine place={place} fit={fit} width={width} />}
      {view === 'plan' && footing && <SupportLines footing={footing} place={place} />}
      <Body shape={build} place={place} from={view} />
      {build.layout.axles.map((axle) => (
        <AxleOnDrawing key={axle.id} axle={axle} {...{ view, place, fit, edit, hands }} />
      ))}
      <Masses {...{ build, view, place, edit, hands, payloadShare, width }} />
      {footing && (
        <CentreMark at={place(footing.cgAheadM, view === 'side' ? footing.cgHeightM : footing.cgLeftM)} />
      )}
      {footing && view === 'side' && <AxleLoads footing={footing} build={build} place={place} />}
      {footing && view === 'plan' && <WheelLoads footing={footing} build={build} place={place} fit={fit} />}
      {view === 'side' && drawbarN > 0 && <HitchOnDrawing {...{ build, place, drawbarN, edit, hands }} />}
    </svg>
  );
}

interface Hands {
  readonly step: number;
  readonly back: (dx: number, dy: number) => readonly [number, number];
  readonly onHold: (held: boolean) => void;
}

interface AxleProps {
  readonly axle: Axle;
  readonly view: View;
  readonly place: Placing;
  readonly fit: Fit;
  readonly edit: Props['edit'];
  readonly hands: Hands;
}

function AxleOnDrawing({ axle, view, place, fit, edit, hands }: AxleProps) {
  const say = useSay();
  const drawn =
    view === 'side' ? (
      <AxleFromSide axle={axle} place={place} fit={fit} />
    ) : (
      <AxleFromAbove axle={axle} place={place} fit={fit} />
    );
  if (!edit) return drawn;
  const says = `${say(axle.ahead.value, 'length')} ahead of the rear axle${
    axle.track.value > 0 ? `, ${say(axle.track.value, 'length')} apart` : ''
  }`;
  return (
    <Handle
      {...hands}
      label={`${axle.name}, ${view === 'side' ? 'from the side' : 'from above'}`}
      says={says}
      now={Math.round(axle.ahead.value * 1000)}
      onMove={(dx, dy) =>
        edit((b) => {
          const now = b.layout.axles.find(({ id }) => id === axle.id);
          return now ? moveAxle(b, now, dx, view === 'plan' ? 2 * dy : 0) : b;
        })
      }
    >
      {drawn}
    </Handle>
  );
}

const LEAST_DOT = 7;
const MOST_DOT = 17;

interface HitchProps {
  readonly build: Build;
  readonly place: Placing;
  readonly drawbarN: number;
  readonly edit: Props['edit'];
  readonly hands: Hands;
}

function HitchOnDrawing({ build, place, drawbarN, edit, hands }: HitchProps) {
  const say = useSay();
  const drawn = <Hitch build={build} place={place} drawbarN={drawbarN} />;
  if (!edit) return drawn;
  const { behind, height } = build.hitch;
  return (
    <Handle
      {...hands}
      label="Hitch, from the side"
      says={`${say(behind.value, 'length')} behind the rear axle, ${say(height.value, 'length')} up`}
      now={Math.round(behind.value * 1000)}
      onMove={(dx, dy) => edit((b) => moveHitch(b, dx, dy))}
    >
      {drawn}
    </Handle>
  );
}

interface MassesProps {
  readonly build: Build;
  readonly view: View;
  readonly place: Placing;
  readonly edit: Props['edit'];
  readonly hands: Hands;
  readonly payloadShare: number;
  readonly width: number;
}

function Masses({ build, view, place, edit, hands, payloadShare, width }: MassesProps) {
  const say = useSay();
  const all = namedMasses(build);
  const isPlaced = placedKg(build) > 0;
  const most = Math.max(...all.map(({ mass }) => mass.mass.value), 1e-9);
  const dots = all.map(({ key, name, mass, tone }) => {
    const share = key === 'payload' ? payloadShare : 1;
    return {
      key,
      id: typeof key === 'string' ? key : key.other,
      mass,
      tone,
      share,
      called: name,
      at: place(mass.aheadOfRearAxle.value, view === 'side' ? mass.height.value : mass.left.value),
      radius: LEAST_DOT + (MOST_DOT - LEAST_DOT) * Math.cbrt((mass.mass.value * share) / most),
      name: share > 0 ? `${name} ${say(mass.mass.value * share, 'mass')}` : `${name}, left behind`,
    };
  });
  const names = placeNames(dots, width);
  return (
    <>
      {dots.map(({ key, id, mass, tone, share, called, at, radius }) => {
        const dot = (
          <circle
            cx={at.x}
            cy={at.y}
            r={radius}
            fill={tone === 'mech' ? 'var(--color-mech-mid)' : 'var(--color-edge)'}
            fillOpacity={share > 0 ? 0.75 : 0}
            stroke={tone === 'mech' ? 'var(--color-mech)' : 'var(--color-ink)'}
            strokeWidth="1.6"
            strokeDasharray={share > 0 ? undefined : '4 3'}
          />
        );
        // Where its parts are placed its own middle follows from them.
        if (!edit || (key === 'own' && isPlaced)) return <g key={id}>{dot}</g>;
        const aside =
          view === 'side'
            ? `${say(mass.height.value, 'length')} up`
            : `${say(mass.left.value, 'length')} to the left`;
        return (
          <Handle
            key={id}
            {...hands}
            label={`${called}, ${view === 'side' ? 'from the side' : 'from above'}`}
            says={`${say(mass.aheadOfRearAxle.value, 'length')} ahead of the rear axle, ${aside}`}
            now={Math.round(mass.aheadOfRearAxle.value * 1000)}
            onMove={(dx, dy) =>
              edit((b) => (view === 'side' ? moveMassInSide(b, key, dx, dy) : moveMassInPlan(b, key, dx, dy)))
            }
          >
            {dot}
          </Handle>
        );
      })}
      {dots.map(({ id, name }, n) => {
        const placed = names[n];
        return (
          placed && (
            <Words key={id} at={placed.at} anchor={placed.anchor}>
              {name}
            </Words>
          )
        );
      })}
    </>
  );
}
