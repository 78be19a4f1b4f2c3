export { FITS, screwHole, THREADS, type Fit, type Thread } from '../making/index.ts';
export { withKerf } from './kerf.ts';
export { templatesOf } from './of-build.ts';
export { sprocketCircles, sprocketOutline, type SprocketCircles } from './sprocket.ts';
export { CHECK_MM, roomOf, type SheetPoint, type Mark, type Template } from './template.ts';
export { toDxf } from './to-dxf.ts';
export { PAPERS, toPdf, type Paper } from './to-pdf.ts';
export { toSvg } from './to-svg.ts';
