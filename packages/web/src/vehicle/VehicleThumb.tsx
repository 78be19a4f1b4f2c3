import type { VehicleShape } from '@zubric/core/vehicle';
import { bareFrameOf, placer, type View } from './frame.ts';
import { AxleFromAbove, AxleFromSide, Body } from './parts.tsx';
import { GroundLine } from './Setting.tsx';

interface Props {
  readonly shape: VehicleShape;
  readonly view: View;
  readonly width: number;
  readonly height: number;
}

/** Wheels and body alone, to scale and without words: a picture beside words that say the same. */
export function VehicleThumb({ shape, view, width, height }: Props) {
  const fit = bareFrameOf(shape, view, { width, height });
  const place =
    view === 'side' ? placer(shape, fit, 0) : (x: number, y: number) => ({ x: fit.x(x), y: fit.y(y) });
  return (
    <svg viewBox={`0 0 ${width} ${height}`} className="block w-full" aria-hidden="true">
      {view === 'side' && <GroundLine place={place} fit={fit} width={width} />}
      <Body shape={shape} place={place} from={view} />
      {shape.layout.axles.map((axle) =>
        view === 'side' ? (
          <AxleFromSide key={axle.id} axle={axle} place={place} fit={fit} />
        ) : (
          <AxleFromAbove key={axle.id} axle={axle} place={place} fit={fit} />
        ),
      )}
    </svg>
  );
}
