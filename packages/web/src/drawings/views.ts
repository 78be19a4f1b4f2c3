import { bodyBox, outlineOf, thingsOf, type Vector } from '@zubric/core/layout';
import type { Build } from '@zubric/core/vehicle';

/** From above, from the right side, and from behind. */
export type LayoutView = 'plan' | 'side' | 'rear';

/** What lies across the page and up it in a view: which axis of the vehicle, and which way round. */
interface Axes {
  readonly title: string;
  readonly across: readonly [axis: 0 | 1 | 2, sign: 1 | -1];
  readonly up: readonly [axis: 0 | 1 | 2, sign: 1 | -1];
}

/** The front to the right from above and from the right side; the left side to the left from behind. */
export const VIEWS: Readonly<Record<LayoutView, Axes>> = {
  plan: { title: 'From above', across: [0, 1], up: [1, 1] },
  side: { title: 'From the right side', across: [0, 1], up: [2, 1] },
  rear: { title: 'From behind', across: [1, -1], up: [2, 1] },
};

/** A sheet with one scale, on which places of the vehicle lie. */
export interface Sheet {
  readonly width: number;
  readonly height: number;
  /** Of the sheet, for a metre of the vehicle. */
  readonly scale: number;
  readonly at: (place: Vector) => readonly [x: number, y: number];
}

const MARGIN = 26;

/** What everything takes, m. */
export function extentOf(build: Build): { readonly least: Vector; readonly most: Vector } {
  const body = bodyBox(build);
  const solids = [
    ...thingsOf(build).flatMap((thing) => thing.standing),
    ...outlineOf(build).map(([ahead, left]) => {
      const corner: Vector = [ahead, left, body.least[2]];
      return { least: corner, most: corner };
    }),
  ];
  const end = (axis: 0 | 1 | 2, sign: 1 | -1): number =>
    sign > 0
      ? Math.max(body.most[axis], ...solids.map(({ most }) => most[axis]))
      : Math.min(axis === 2 ? 0 : body.least[axis], ...solids.map(({ least }) => least[axis]));
  return { least: [end(0, -1), end(1, -1), end(2, -1)], most: [end(0, 1), end(1, 1), end(2, 1)] };
}

/** Both views of the length beside each other have the same scale: so many units of the sheet a metre. */
export function scaleFor(
  { least, most }: ReturnType<typeof extentOf>,
  width: number,
  mostHigh: number,
): number {
  const [long, wide, high] = [most[0] - least[0], most[1] - least[1], most[2] - least[2]];
  return Math.min((width - 2 * MARGIN) / long, (mostHigh - 2 * MARGIN) / Math.max(wide, high));
}

/** The sheet of a view at a scale. */
export function sheetOf(
  view: LayoutView,
  { least, most }: ReturnType<typeof extentOf>,
  scale: number,
): Sheet {
  const { across, up } = VIEWS[view];
  const span = ([axis]: Axes['across']): number => most[axis] - least[axis];
  const from = ([axis, sign]: Axes['across'], place: Vector): number =>
    sign > 0 ? place[axis] - least[axis] : most[axis] - place[axis];
  const height = span(up) * scale + 2 * MARGIN;
  return {
    width: span(across) * scale + 2 * MARGIN,
    height,
    scale,
    at: (place) => [MARGIN + from(across, place) * scale, height - MARGIN - from(up, place) * scale],
  };
}

/** A move on the sheet as one of the vehicle, m. */
export function moveIn(view: LayoutView, right: number, upwards: number): readonly [number, number, number] {
  const { across, up } = VIEWS[view];
  const by = [0, 0, 0];
  by[across[0]] = right * across[1];
  by[up[0]] = upwards * up[1];
  return by as unknown as readonly [number, number, number];
}
