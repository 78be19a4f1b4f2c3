import { HOUR_S, MINUTE_S, show, type Quantity } from '../../quantity/index.ts';

/** A part that a stage, or other work on the vehicle, brings to the shed; ids are its own. */
export interface StagePart {
  readonly id: string;
  readonly name: string;
  readonly count: number;
}

/** A step of a stage. Times are usual ones (common practice, no source); the builder may change them. */
export interface StageStep {
  readonly id: string;
  readonly title: string;
  readonly detail?: string;
  readonly handsOnS: number;
  readonly waitingS?: number;
  readonly waitingFor?: string;
  /** Parts of the same stage, by their ids there. */
  readonly parts?: readonly string[];
  /** Lines of the whole parts list. */
  readonly needs?: readonly string[];
  /** Steps of the same stage that come before. */
  readonly after?: readonly string[];
  readonly caution?: string;
}

/** What a kind of stage brings to the shed: its parts (for one wheel) and its steps (for all). */
export interface StageWork<S> {
  parts(stage: S): readonly StagePart[];
  /** Steps before the wheels go on, and after. */
  before(stage: S): readonly StageStep[];
  after(stage: S): readonly StageStep[];
}

/** Thread lock reaches its strength in a day (common practice; the maker's sheet stands). */
const CURE_S = 24 * HOUR_S;

/** Set screws last: only when all runs true. */
export const lockScrews = (detail: string, after: string): StageStep => ({
  id: 'lock',
  title: 'Thread lock the set screws and tighten them',
  detail,
  handsOnS: 30 * MINUTE_S,
  waitingS: CURE_S,
  waitingFor: 'the thread lock to cure',
  after: [after],
});

/** A size as it was typed. */
export const sizeOf = ({ value, unit }: Quantity): string =>
  show(value, 'length', 'as-typed', { typedUnit: unit }).text;

/** Two gears that mesh: aligned before their set screws are tightened. */
export const meshing = <S>(
  parts: (stage: S) => readonly StagePart[],
  title: string,
  detail: string,
): StageWork<S> => ({
  parts,
  before: (stage) => [
    { id: 'mesh', title, detail, handsOnS: HOUR_S, parts: parts(stage).map(({ id }) => id) },
  ],
  after: () => [
    {
      ...lockScrews('Only now that it meshes true.', 'mesh'),
      caution: 'Gears take fingers: guard them before first power.',
    },
  ],
});

/** How gears are brought together. */
export const MESH =
  'Mesh and align the gears before their set screws are tightened; a strip of paper between the teeth.';

/** A belt goes round before the wheel goes on, and is tensioned after. */
export const belted = <S>(
  parts: (stage: S) => readonly StagePart[],
  tension: (stage: S) => string,
): StageWork<S> => ({
  parts,
  before: () => [
    {
      id: 'loop',
      title: 'Fit the pulleys and loop the belt over them',
      detail: 'Before what it drives goes on: afterwards the loop cannot pass it.',
      handsOnS: HOUR_S,
      parts: ['driver', 'driven', 'belt'],
    },
  ],
  after: (stage) => [
    {
      id: 'align',
      title: 'Align the pulleys and tension the belt',
      detail: tension(stage),
      handsOnS: HOUR_S,
      after: ['loop'],
      caution: 'Belts pull fingers in: no power while the guard is off.',
    },
  ],
});
