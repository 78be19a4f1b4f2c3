import { screwHole } from '../making/index.ts';
import type { Build, Hole, HoleCircle, OwnSheet, PlacedPart } from '../vehicle/index.ts';
import { bore } from './bore.ts';
import {
  drawnCircle,
  hole,
  inMm,
  onCircle,
  plate,
  slot,
  words,
  type SheetPoint,
  type Mark,
  type Template,
} from './template.ts';

const MM = 1000;
const MIDDLE: SheetPoint = [0, 0];

type Drilled = Pick<Hole, 'thread' | 'fit' | 'diameter' | 'depth'>;

/** The drill of a hole, mm. */
const drillOf = ({ thread, fit, diameter }: Drilled): number =>
  thread ? screwHole(thread, fit ?? 'free') : (diameter?.value ?? 0) * MM;

/** What is written beside a hole that does not go through. */
const depthBeside = (at: SheetPoint, drilled: Drilled): Mark[] =>
  drilled.depth
    ? [words([at[0] + drillOf(drilled) / 2 + 1, at[1] + 1], `${inMm(drilled.depth.value * MM)} deep`)]
    : [];

/** Equal holes on a circle; as slots, where what is bolted on moves along. */
function circleOf(of: HoleCircle, travel: number): Mark[] {
  const across = of.circle.value * MM;
  const drill = drillOf(of);
  const places = Array.from({ length: of.count }, (_, n) =>
    onCircle(MIDDLE, across / 2, of.turn.value + (2 * Math.PI * n) / of.count),
  );
  const [first = MIDDLE] = places;
  return [
    drawnCircle(MIDDLE, across),
    ...places.flatMap(([x, y]) =>
      travel > 0 ? [slot([x - travel / 2, y], [x + travel / 2, y], drill)] : hole([x, y], drill),
    ),
    ...depthBeside(first, of),
  ];
}

/** In the words of a title: how many, how large, on which circle. */
const circleInWords = (of: HoleCircle): string => {
  const screw = of.thread ? ` (${of.thread}, ${of.fit ?? 'free'})` : '';
  const depth = of.depth ? `, ${inMm(of.depth.value * MM)} deep` : '';
  return `${of.count} of ${inMm(drillOf(of))}${screw} on ${inMm(of.circle.value * MM)}${depth}`;
};

function sheetOf(sheet: OwnSheet): Template {
  const [length, width] = [sheet.length.value * MM, (sheet.width ?? sheet.length).value * MM];
  const travel = (sheet.travel?.value ?? 0) * MM;
  const wide = (sheet.bore?.value ?? 0) * MM;
  const middle = (): Mark[] => {
    if (wide <= 0) return [drawnCircle(MIDDLE, 1)];
    return travel > 0
      ? [slot([-travel / 2, 0], [travel / 2, 0], wide)]
      : bore(wide, (sheet.key?.value ?? 0) * MM);
  };
  const said = sheet.circles.map(circleInWords).join('; ');
  return {
    name: `own-${sheet.id}`,
    title: said === '' ? sheet.name : `${sheet.name}: ${said}`,
    marks: [
      sheet.form === 'disc'
        ? { kind: 'circle', at: MIDDLE, diameter: length, cut: true }
        : plate(MIDDLE, length, width),
      ...middle(),
      ...sheet.circles.flatMap((circle) => circleOf(circle, travel)),
    ],
  };
}

/** The discs and plates that the builder typed. */
export const ownSheets = ({ arrangement }: Build): Template[] => (arrangement?.sheets ?? []).map(sheetOf);

/** How wide and how high a side of a part is, seen from outside: on top and bottom the front is up. */
function faceOf(
  { length, width, height }: PlacedPart,
  side: Hole['side'],
): readonly [wide: number, high: number] {
  const [l, w, h] = [length.value * MM, width.value * MM, height.value * MM];
  if (side === 'front' || side === 'back') return [w, h];
  return side === 'left' || side === 'right' ? [l, h] : [w, l];
}

/** Each side of a placed part that has holes, with all of them. */
export function holedSides(part: PlacedPart): Template[] {
  const holes = part.holes ?? [];
  return [...new Set(holes.map(({ side }) => side))].map((side): Template => {
    const [wide, high] = faceOf(part, side);
    const on = holes.filter((one) => one.side === side);
    return {
      name: `holes-${part.id}-${side}`,
      title: `Holes of ${part.name}, ${side}: ${on.length} of them`,
      marks: [
        plate(MIDDLE, wide, high),
        ...on.flatMap((one) => {
          const at: SheetPoint = [one.right.value * MM, one.up.value * MM];
          return [...hole(at, drillOf(one)), ...depthBeside(at, one)];
        }),
      ],
    };
  });
}
