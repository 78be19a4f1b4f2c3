export type { Paper, PaperBlock } from './paper.ts';
export { reportPaper, type PaperAsked } from './report-paper.ts';
export { markdownOf } from './to-markdown.ts';
export { pdfOf, type PaperFonts } from './to-pdf.ts';
