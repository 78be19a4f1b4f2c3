import type { Build, Part, PlacedPart } from '../vehicle/index.ts';
import { bore, shaftOf } from './bore.ts';
import { holedSides, ownSheets } from './own.ts';
import { screwHole } from '../making/index.ts';
import { wheelsOf } from './wheels.ts';
import {
  drawnCircle,
  hole,
  holesOnCircle,
  inMm,
  onCircle,
  plate,
  slot,
  withCheck,
  words,
  type SheetPoint,
  type Template,
} from './template.ts';

const MM = 1000;
const MIDDLE: SheetPoint = [0, 0];

/** How far a motor is moved to tension its loop, mm (common practice, no source). */
const TRAVEL = 10;
/** How wide the sheet stands round a part, mm (common practice, no source). */
const EDGE = 12;
/** A strap that holds a battery, mm wide (common practice, no source). */
const STRAP = { width: 22, thick: 4 };

/** A motor's plate: its body or boss, and slots in which it is drawn back until the loop is taut. */
function motorPlate(part: Part): Template[] {
  if (part.kind !== 'motor' || part.bodyDiameterMm === undefined) return [];
  const body = part.bodyDiameterMm;
  const [shaft, key] = shaftOf(part);
  // Where nobody says its bolt circle: two thirds of its body, four screws (common practice, no source).
  const circle = Number(((2 / 3) * body).toFixed(1));
  const screw = body >= 60 ? 'M6' : body >= 30 ? 'M4' : 'M3';
  const width = screwHole(screw, 'free');
  const half = TRAVEL / 2;
  return [
    {
      name: `motor-plate-${part.id}`,
      title: `Plate for ${part.name}: ${screw} slots on ${inMm(circle)}, ${inMm(TRAVEL)} of travel; check the motor’s own holes`,
      marks: [
        plate(MIDDLE, body + 2 * EDGE + TRAVEL, body + 2 * EDGE, EDGE),
        drawnCircle(MIDDLE, body),
        drawnCircle(MIDDLE, circle),
        slot([-half, 0], [half, 0], Math.max(1.6 * shaft, body / 3)),
        ...[1, 3, 5, 7].map((eighth) => {
          const [x, y] = onCircle(MIDDLE, circle / 2, (Math.PI * eighth) / 4);
          return slot([x - half, y], [x + half, y], width);
        }),
      ],
    },
    {
      name: `shaft-${part.id}`,
      title: `Bore for the shaft of ${part.name}: ${inMm(shaft)}${key > 0 ? `, key ${inMm(key)}` : ''}`,
      marks: [plate(MIDDLE, 3 * shaft, 3 * shaft, shaft / 2), ...bore(shaft, key)],
    },
  ].filter(({ name }) => shaft > 0 || !name.startsWith('shaft-'));
}

/** A tray on which a placed box stands: its outline with the gap it keeps, screws beyond the corners, slots for a strap. */
function tray(part: PlacedPart, clearanceM: number): Template {
  const gap = clearanceM * MM;
  const [length, width] = [part.length.value * MM + 2 * gap, part.width.value * MM + 2 * gap];
  const screw = screwHole('M4', 'free');
  const [right, top] = [length / 2 + EDGE / 2, width / 2 + EDGE / 2];
  const strap = width / 2 + STRAP.thick / 2 + 1;
  return {
    name: `tray-${part.id}`,
    title: `Tray for ${part.name}: M4 screws at its corners, slots for a strap of ${inMm(STRAP.width - 2)}`,
    marks: [
      plate(MIDDLE, length + 2 * EDGE, width + 2 * EDGE, EDGE / 2),
      { kind: 'line', points: rectangle(length, width), closed: true, cut: false },
      ...([1, -1] as const).flatMap((x) =>
        ([1, -1] as const).flatMap((y) => hole([x * right, y * top], screw)),
      ),
      ...([1, -1] as const).map((side) =>
        slot([-STRAP.width / 2, side * strap], [STRAP.width / 2, side * strap], STRAP.thick),
      ),
      words([-length / 2 + 2, -width / 2 + 2], part.name),
    ],
  };
}

const rectangle = (length: number, width: number): SheetPoint[] => [
  [-length / 2, -width / 2],
  [length / 2, -width / 2],
  [length / 2, width / 2],
  [-length / 2, width / 2],
];

/** Adapters between two parts of different bolt circles: both in one, the second turned between the first. */
function adapters(parts: readonly Part[]): Template[] {
  const with_ = parts.flatMap((part) =>
    'boltCircleMm' in part && part.boltCircleMm !== undefined && 'bolts' in part && part.bolts !== undefined
      ? [{ part, circle: part.boltCircleMm, bolts: part.bolts }]
      : [],
  );
  return with_.flatMap((first, n) =>
    with_.slice(n + 1).flatMap((second): Template[] => {
      if (first.circle === second.circle && first.bolts === second.bolts) return [];
      const most = Math.max(first.circle, second.circle);
      const screw = screwHole('M5', 'free');
      return [
        {
          name: `adapter-${first.part.id}-${second.part.id}`,
          title: `Adapter from ${first.part.name} to ${second.part.name}`,
          marks: [
            { kind: 'circle', at: MIDDLE, diameter: most + 2 * EDGE, cut: true },
            ...hole(MIDDLE, Math.min(first.circle, second.circle) / 2),
            ...holesOnCircle(MIDDLE, first.circle, first.bolts, screw),
            ...holesOnCircle(MIDDLE, second.circle, second.bolts, screw, Math.PI / second.bolts),
          ],
        },
      ];
    }),
  );
}

/**
 * The templates that a build asks for: its sprockets, gears and pulleys, plates and bores of its motors, trays for what is
 * placed, adapters between bolt circles, its builder's own sheets and the holes of placed parts; each with its lines to check a print by.
 *
 * @example templatesOf(puffin)[0]?.name // 'sprocket-1-driver'
 */
export function templatesOf(build: Build): Template[] {
  const { arrangement, parts } = build;
  return [
    ...wheelsOf(build),
    ...parts.flatMap(motorPlate),
    ...(arrangement?.parts ?? [])
      .filter(({ form }) => form === 'box')
      .map((part) => tray(part, arrangement?.clearance.value ?? 0)),
    ...adapters(parts),
    ...ownSheets(build),
    ...(arrangement?.parts ?? []).flatMap(holedSides),
  ].map(withCheck);
}
