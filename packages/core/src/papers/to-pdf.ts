import type { Paper, PaperBlock } from './paper.ts';

/** The letters of a paper, as the bytes of their files. */
export interface PaperFonts {
  readonly regular: Uint8Array;
  readonly bold: Uint8Array;
}

const [REGULAR, BOLD] = ['regular.ttf', 'bold.ttf'];
const SIZE = { title: 20, heading: 13, text: 10, table: 8.5 };
/** Points. */
const MARGIN = 40;

function contentOf(block: PaperBlock): unknown {
  switch (block.kind) {
    case 'heading':
      return { text: block.text, style: 'heading', headlineLevel: 1 };
    case 'text':
      return { text: block.text, margin: [0, 0, 0, 4] };
    case 'list':
      return { ul: block.items, margin: [0, 0, 0, 4] };
    case 'table': {
      const aligned = (row: readonly string[], bold: boolean) =>
        row.map((text, column) => ({
          text,
          bold,
          alignment: block.numbers.includes(column) ? 'right' : 'left',
        }));
      return {
        fontSize: SIZE.table,
        ...{ layout: 'lightHorizontalLines', margin: [0, 0, 0, 6] },
        table: {
          // The head stands on each page, no row is cut.
          ...{
            headerRows: 1,
            dontBreakRows: true,
            widths: block.heads.map((_, n) => (n === block.heads.length - 1 ? '*' : 'auto')),
          },
          body: [aligned(block.heads, true), ...block.rows.map((row) => aligned(row, false))],
        },
      };
    }
  }
}

/** A heading alone at the foot of a page goes to the next. */
const staysAlone = (
  node: { readonly headlineLevel?: number },
  { getFollowingNodesOnPage }: { readonly getFollowingNodesOnPage: () => readonly unknown[] },
): boolean => node.headlineLevel !== undefined && getFollowingNodesOnPage().length === 0;

/**
 * A paper as a PDF, on A4 or Letter, its pages numbered.
 *
 * @returns the bytes of the file
 * @example pdfOf({ title: 'A cart', blocks: [] }, letters, 'A4').then((file) => String.fromCharCode(...file.slice(0, 5))) // '%PDF-'
 */
export async function pdfOf(
  { title, blocks }: Paper,
  fonts: PaperFonts,
  paper: 'A4' | 'Letter',
): Promise<Uint8Array> {
  const { default: pdf } = await import('pdfmake');
  pdf.virtualfs.writeFileSync(REGULAR, fonts.regular);
  pdf.virtualfs.writeFileSync(BOLD, fonts.bold);
  pdf.setFonts({ plain: { normal: REGULAR, bold: BOLD, italics: REGULAR, bolditalics: BOLD } });
  // A paper is made of what it is given: it asks neither a network nor a disk.
  pdf.setUrlAccessPolicy(() => false);
  // A browser has no disk to be kept from.
  pdf.setLocalAccessPolicy?.((path) => [REGULAR, BOLD].includes(path));
  return pdf
    .createPdf({
      ...{ pageSize: paper.toUpperCase(), pageMargins: MARGIN, info: { title } },
      defaultStyle: { font: 'plain', fontSize: SIZE.text },
      styles: { heading: { fontSize: SIZE.heading, bold: true, margin: [0, 12, 0, 4] } },
      content: [
        { text: title, fontSize: SIZE.title, bold: true, margin: [0, 0, 0, 6] },
        ...blocks.map(contentOf),
      ],
      footer: (page: number, pages: number) => ({
        ...{ text: `${title}, ${page} of ${pages}`, fontSize: SIZE.table, alignment: 'center' },
      }),
      pageBreakBefore: staysAlone,
    })
    .getBuffer();
}
