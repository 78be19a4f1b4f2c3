import { contactsOf, type Build, type PlacedMass, type VehicleShape } from '@zubric/core/vehicle';
import { extentOf, fitTo, type At, type Extent, type Fit } from '../drawings/shapes.ts';

/** From the side, or from above with the front to the right and the left side up. */
export type View = 'side' | 'plan';

/** Where a place of the vehicle lies on the page. */
export type Placing = (x: number, y: number) => At;

export interface PageSize {
  readonly width: number;
  readonly height: number;
}

const MARGIN = { side: { x: 40, y: 20 }, plan: { x: 56, y: 34 } } as const;
/** Room under the wheels for the arrows of their loads and what they say. */
const UNDER_WHEELS = 52;

/** The body between its ends, about the middle of what it stands on, metres ahead of the rear axle. */
export function bodySpan(shape: VehicleShape): readonly [number, number] {
  const { body } = shape;
  const middle = middleOf(shape);
  return [middle - body.length.value / 2, middle + body.length.value / 2];
}

export const massesOf = ({ masses: { own, payload, others } }: Build) => [own, payload, ...others];

const middleOf = ({ layout }: Pick<VehicleShape, 'layout'>): number => {
  const ahead = contactsOf(layout).map(({ aheadM }) => aheadM);
  return (Math.min(...ahead) + Math.max(...ahead)) / 2;
};

/** A place turned with the grade about the middle of what it stands on. */
const turnedAt = (middle: number, gradeRad: number, x: number, y: number): At => ({
  x: middle + (x - middle) * Math.cos(gradeRad) - y * Math.sin(gradeRad),
  y: (x - middle) * Math.sin(gradeRad) + y * Math.cos(gradeRad),
});

/** The room that a vehicle takes in a view, metres; from the side turned with its grade. */
export function roomOf(
  shape: VehicleShape,
  view: View,
  {
    gradeRad = 0,
    carried = [],
  }: { readonly gradeRad?: number; readonly carried?: readonly PlacedMass[] } = {},
): Extent {
  const [rear, front] = bodySpan(shape);
  const { layout, body, hitch } = shape;
  const wheels = layout.axles.flatMap((axle): At[] => {
    const half = (axle.contactLength?.value ?? 0) / 2 + axle.diameter.value / 2;
    const ends = [axle.ahead.value - half, axle.ahead.value + half];
    return view === 'side'
      ? ends.map((x, n) => ({ x, y: n * axle.diameter.value }))
      : ends.flatMap((x) =>
          [1, -1].map((side) => ({ x, y: (side * (axle.track.value + axle.width.value)) / 2 })),
        );
  });
  const placed = carried.map((m): At => ({
    x: m.aheadOfRearAxle.value,
    y: view === 'side' ? m.height.value : m.left.value,
  }));
  const shell: At[] =
    view === 'side'
      ? [
          { x: rear, y: 0 },
          { x: front, y: body.height.value },
          { x: -hitch.behind.value, y: hitch.height.value },
        ]
      : [
          { x: rear, y: -body.width.value / 2 },
          { x: front, y: body.width.value / 2 },
        ];
  const middle = middleOf(shape);
  const points = [...wheels, ...placed, ...shell].map(({ x, y }) =>
    view === 'side' ? turnedAt(middle, gradeRad, x, y) : { x, y },
  );
  return extentOf([{ kind: 'line', points, tone: 'ink' }]);
}

/** How metres become the page: the vehicle as large as it fits, with room to turn on its grade. */
export const frameOf = (build: Build, view: View, { width, height }: PageSize, gradeRad = 0): Fit =>
  fitTo(roomOf(build, view, { gradeRad, carried: massesOf(build) }), {
    width,
    height: view === 'side' ? height - UNDER_WHEELS : height,
    margin: MARGIN[view],
  });

/** The same for a small picture without words. */
export const bareFrameOf = (shape: VehicleShape, view: View, page: PageSize): Fit =>
  fitTo(roomOf(shape, view), { ...page, margin: { x: 8, y: 10 } });

/** A place of the vehicle on the page, turned with the grade. */
export function placer(shape: VehicleShape, fit: Fit, gradeRad: number): Placing {
  const middle = middleOf(shape);
  return (x, y) => {
    const at = turnedAt(middle, gradeRad, x, y);
    return { x: fit.x(at.x), y: fit.y(at.y) };
  };
}

/** A distance on the page back to the vehicle's own directions, metres. */
export const backFrom = (fit: Fit, gradeRad: number, dx: number, dy: number): readonly [number, number] => {
  const [x, y] = [dx / fit.scale, -dy / fit.scale];
  return [x * Math.cos(gradeRad) + y * Math.sin(gradeRad), -x * Math.sin(gradeRad) + y * Math.cos(gradeRad)];
};

/** A step that a hand can set on a vehicle of this size: 1, 2 or 5 times a power of ten, metres. */
export function stepFor({ left, right }: Extent): number {
  const rough = Math.max(right - left, 1e-3) / 200;
  const power = 10 ** Math.floor(Math.log10(rough));
  return ([1, 2, 5].find((n) => n * power >= rough) ?? 10) * power;
}
