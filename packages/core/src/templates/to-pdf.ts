import {
  clip,
  endPath,
  PDFDocument,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
  rgb,
  StandardFonts,
  type PDFFont,
  type PDFPage,
} from 'pdf-lib';
import { roomOf, type SheetPoint, type Template } from './template.ts';

/** Sheets of paper, mm. */
export const PAPERS = { A4: [210, 297], Letter: [215.9, 279.4] } as const;
export type Paper = keyof typeof PAPERS;

const POINTS_PER_MM = 72 / 25.4;
/** What a printer leaves white, mm. */
const MARGIN = 10;
/** So much of a sheet is on the next one too, mm. */
const OVERLAP = 10;
/** Corners by which sheets are laid together, mm. */
const CORNER = 4;

const pt = (mm: number): number => mm * POINTS_PER_MM;
/** Helvetica writes these; others are left away. */
const writable = (text: string): string => text.replaceAll(/[^\x20-\x7e\xa0-\xff\u2018-\u201d]/g, '');

interface Tile {
  readonly page: PDFPage;
  /** The place of the template at the lower left of what is printed, mm. */
  readonly from: SheetPoint;
  readonly font: PDFFont;
}

/** Draws all marks on a page; what lies beside it is clipped away. */
function draw({ marks }: Template, { page, from, font }: Tile): void {
  const put = ([x, y]: SheetPoint): { x: number; y: number } => ({
    x: pt(x - from[0] + MARGIN),
    y: pt(y - from[1] + MARGIN),
  });
  for (const mark of marks) {
    if (mark.kind === 'text') {
      page.drawText(writable(mark.text), { ...put(mark.at), size: pt(mark.height), font });
      continue;
    }
    const color = mark.cut ? rgb(0, 0, 0) : rgb(0.55, 0.55, 0.55);
    if (mark.kind === 'circle') {
      page.drawCircle({ ...put(mark.at), size: pt(mark.diameter / 2), borderColor: color, borderWidth: 0.5 });
      continue;
    }
    const points = mark.closed ? [...mark.points, mark.points[0] ?? ([0, 0] as const)] : mark.points;
    points.slice(1).forEach((to, n) => {
      page.drawLine({ start: put(points[n] ?? to), end: put(to), color, thickness: 0.5 });
    });
  }
}

/** Corners of the printed part of a sheet, to lay the next one on, and which sheet it is. */
function corners({ page, font }: Tile, [width, height]: SheetPoint, told: string): void {
  const grey = rgb(0.4, 0.4, 0.4);
  for (const [x, right] of [
    [MARGIN, 1],
    [MARGIN + width, -1],
  ] as const)
    for (const [y, up] of [
      [MARGIN, 1],
      [MARGIN + height, -1],
    ] as const) {
      const at = { x: pt(x), y: pt(y) };
      page.drawLine({ start: at, end: { x: pt(x + right * CORNER), y: at.y }, color: grey, thickness: 0.3 });
      page.drawLine({ start: at, end: { x: at.x, y: pt(y + up * CORNER) }, color: grey, thickness: 0.3 });
    }
  page.drawText(told, { x: pt(MARGIN + 6), y: pt(4), size: 8, font, color: grey });
}

/**
 * A template as PDF, in true size on sheets of paper; where it is larger than one it goes over several, which overlap by
 * 10 mm and have corners to lay them together.
 *
 * @example typeof toPdf // 'function'
 */
export async function toPdf(template: Template, paper: Paper = 'A4'): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(template.title);
  const font = await pdf.embedFont(StandardFonts.Helvetica);
  const [pageWidth, pageHeight] = PAPERS[paper];
  const inside: SheetPoint = [pageWidth - 2 * MARGIN, pageHeight - 2 * MARGIN];
  const { least, most } = roomOf(template.marks);
  const count = (axis: 0 | 1): number => {
    const long = most[axis] - least[axis];
    return Math.max(1, Math.ceil((long - OVERLAP) / (inside[axis] - OVERLAP)));
  };
  const [across, up] = [count(0), count(1)];
  for (let row = 0; row < up; row += 1)
    for (let column = 0; column < across; column += 1) {
      const page = pdf.addPage([pt(pageWidth), pt(pageHeight)]);
      const from: SheetPoint = [
        least[0] + column * (inside[0] - OVERLAP),
        least[1] + row * (inside[1] - OVERLAP),
      ];
      const tile = { page, from, font };
      page.pushOperators(
        pushGraphicsState(),
        rectangle(pt(MARGIN), pt(MARGIN), pt(inside[0]), pt(inside[1])),
        clip(),
        endPath(),
      );
      draw(template, tile);
      page.pushOperators(popGraphicsState());
      const which = across * up > 1 ? `, sheet ${column + 1} of ${across} along, ${row + 1} of ${up} up` : '';
      corners(tile, inside, writable(`Print at 100 %: measure the lines of 100 mm first${which}`));
    }
  return pdf.save({ useObjectStreams: false });
}
