import { roomOf, type SheetPoint, type Template } from './template.ts';

const MARGIN = 5;
const THIN = 0.2;
const number = (x: number): string => String(Number(x.toFixed(4)));
const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');

/**
 * A template as SVG: in true size, a unit a millimetre; what is cut black, what is only marked grey.
 *
 * @example toSvg({ name: 'a', title: 'A', marks: [] }).startsWith('<svg') // true
 */
export function toSvg({ title, marks }: Template): string {
  const { least, most } =
    marks.length > 0 ? roomOf(marks) : { least: [0, 0] as const, most: [0, 0] as const };
  const [width, height] = [most[0] - least[0] + 2 * MARGIN, most[1] - least[1] + 2 * MARGIN];
  const put = ([x, y]: SheetPoint): string =>
    `${number(x - least[0] + MARGIN)} ${number(most[1] - y + MARGIN)}`;
  const drawn = marks.map((mark) => {
    if (mark.kind === 'text') {
      const [x, y] = put(mark.at).split(' ');
      return `<text x="${x}" y="${y}" font-size="${mark.height}" font-family="sans-serif">${escaped(mark.text)}</text>`;
    }
    const line = `fill="none" stroke="${mark.cut ? '#000' : '#888'}" stroke-width="${THIN}"`;
    if (mark.kind === 'circle') {
      const [x, y] = put(mark.at).split(' ');
      return `<circle cx="${x}" cy="${y}" r="${number(mark.diameter / 2)}" ${line}/>`;
    }
    return `<path d="M${mark.points.map(put).join('L')}${mark.closed ? 'Z' : ''}" ${line}/>`;
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${number(width)}mm" height="${number(height)}mm" viewBox="0 0 ${number(width)} ${number(height)}">`,
    `<title>${escaped(title)}</title>`,
    ...drawn,
    '</svg>',
    '',
  ].join('\n');
}
