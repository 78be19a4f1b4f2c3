import type { PartOf } from './part.ts';

/**
 * The cells of a battery as they are reckoned with: what its age has left of their charge, their resistance risen by as much.
 *
 * @example packCells({ ...batteryOf(puffin), cellAh: 5, capacityLeft: 0.8 }).cellAh // 4
 */
export const packCells = ({
  chemistry,
  series,
  parallel,
  cellAh,
  cellMilliohm,
  capacityLeft = 1,
}: PartOf<'battery'>) => ({
  chemistry,
  series,
  parallel,
  cellAh: cellAh * capacityLeft,
  // A cell that holds less resists more: as much again for what it lost (common practice, no source).
  cellMilliohm: cellMilliohm / capacityLeft,
});
