import { fitInPrinter, type PrintFit } from '../making/index.ts';
import type { Build, PlacedPart, Printer } from '../vehicle/index.ts';
import { solidOfPart } from './placed-solid.ts';

/** Of a straight cut: square to which side of the part, and where, from its first end. */
export interface PrintCut {
  readonly side: 'length' | 'width' | 'height';
  readonly atM: number;
}

/** Whether a printed part goes into the printer, and where it is cut if not. */
export interface PrintReport {
  readonly id: string;
  readonly fits: PrintFit['fits'];
  /** Empty where it fits, and where it would take more pieces than anybody glues. */
  readonly cuts: readonly PrintCut[];
}

const SIDES = ['length', 'width', 'height'] as const;

/** Nobody glues more pieces than these together: no cuts are told then. */
const MOST_PIECES = 30;

/** Even cuts of a side into so many pieces. */
const evenCuts = (long: number, pieces: number): number[] =>
  Array.from({ length: pieces - 1 }, (_, n) => (long * (n + 1)) / pieces);

/** Whether one part goes into the printer, and the fewest straight cuts if not. */
export function printReport(part: PlacedPart, printer: Printer): PrintReport {
  // As it lies in the vehicle unturned: its own sides.
  const { least, most } = solidOfPart({ ...part, turn: { ...part.turn, value: 0 } });
  const sides = [most[0] - least[0], most[1] - least[1], most[2] - least[2]] as const;
  const { fits, along } = fitInPrinter(sides, [
    printer.length.value,
    printer.width.value,
    printer.height.value,
  ]);
  if (along[0] * along[1] * along[2] > MOST_PIECES) return { id: part.id, fits, cuts: [] };
  return {
    id: part.id,
    fits,
    cuts: SIDES.flatMap((side, n) =>
      evenCuts(sides[n] ?? 0, along[n] ?? 1).map((atM): PrintCut => ({ side, atM })),
    ),
  };
}

/**
 * The printed parts of a build, each with whether the printer holds it; none where nobody says what it holds.
 *
 * @example printsOf(puffin) // []
 */
export function printsOf({ arrangement }: Build): PrintReport[] {
  const { printer, parts } = arrangement ?? { parts: [] };
  return printer ? parts.filter(({ printed }) => printed).map((part) => printReport(part, printer)) : [];
}
