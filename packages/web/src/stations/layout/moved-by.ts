import { arrange, arrangementOf, movePlaced, type Build } from '@zubric/core/vehicle';

/** A part or a corner of the body that is held, and how far it was moved, m. */
export interface Held {
  readonly what: 'part' | 'corner';
  readonly id: string;
  readonly by: readonly [ahead: number, left: number, up: number];
}

/** Finer than this, m, a corner is not moved. */
const FINEST = 1e-4;

/** The build with what is held where it is now; each place that changes falls on the grid of a pitch. */
export function movedBy(build: Build, { what, id, by }: Held, pitchM: number): Build {
  if (what === 'part') return movePlaced(build, id, by, pitchM);
  const { shell } = arrangementOf(build);
  if (!shell?.outline) return build;
  const step = pitchM > 0 ? pitchM : FINEST;
  const onGrid = (value: number): number => Number((Math.round(value / step) * step).toFixed(9));
  return arrange(build, {
    shell: {
      ...shell,
      outline: shell.outline.map((corner) =>
        corner.id === id
          ? {
              ...corner,
              ahead: { ...corner.ahead, value: onGrid(corner.ahead.value + by[0]), origin: 'typed' },
              left: { ...corner.left, value: onGrid(corner.left.value + by[1]), origin: 'typed' },
            }
          : corner,
      ),
    },
  });
}
