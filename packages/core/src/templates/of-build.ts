import { show } from '../quantity/index.ts';
import { gearOutline, type Stage } from '../transmission/index.ts';
import type { Build, Part, PlacedPart } from '../vehicle/index.ts';
import { screwHole } from './holes.ts';
import { rollerMiddles, sprocketCircles, sprocketOutline } from './sprocket.ts';
import {
  drawnCircle,
  hole,
  holesOnCircle,
  onCircle,
  outline,
  plate,
  slot,
  withCheck,
  words,
  type At,
  type Mark,
  type Template,
} from './template.ts';

const MM = 1000;
const MIDDLE: At = [0, 0];
const DIGITS = 4;
const mm = (value: number): string => show(value / MM, 'length', 'metric', { digits: DIGITS }).text;

/** How far a motor is moved to tension its loop, mm (common practice, no source). */
const TRAVEL = 10;
/** How wide the sheet stands round a part, mm (common practice, no source). */
const EDGE = 12;
/** A strap that holds a battery, mm wide (common practice, no source). */
const STRAP = { width: 22, thick: 4 };

type Wheel = 'driver' | 'driven';

/** The bore that goes on a shaft: round, with a keyway where there is one (width, and half as deep into the hub). */
function bore(diameter: number, key: number): Mark[] {
  if (diameter <= 0) return hole(MIDDLE, 3);
  if (key <= 0) return hole(MIDDLE, diameter);
  const depth = Math.sqrt((diameter / 2) ** 2 - (key / 2) ** 2);
  const top = diameter / 2 + 0.4 * key;
  return [
    ...hole(MIDDLE, diameter),
    outline([
      [-key / 2, depth],
      [key / 2, depth],
      [key / 2, top],
      [-key / 2, top],
    ]),
  ];
}

/** The shaft on which the wheels before the first stage sit. */
const shaftOf = (motor: Part | undefined): readonly [diameter: number, key: number] =>
  motor?.kind === 'motor' ? [motor.shaftDiameterMm ?? 0, motor.shaftKeyMm ?? 0] : [0, 0];

function wheelOf(stage: Stage, which: Wheel, [shaft, key]: readonly [number, number], n: number): Template[] {
  const teeth = 'teethDriver' in stage ? (which === 'driver' ? stage.teethDriver : stage.teethDriven) : 0;
  const place = `stage ${n + 1}, ${which}`;
  if (stage.kind === 'chain') {
    const { pitchDiameter, rollerDiameter } = sprocketCircles(stage.chain, teeth);
    return [
      {
        name: `sprocket-${n + 1}-${which}`,
        title: `Sprocket of ${teeth} teeth, ${place}; drill the roots ${mm(rollerDiameter)}`,
        marks: [
          outline(sprocketOutline(stage.chain, teeth)),
          drawnCircle(MIDDLE, pitchDiameter),
          ...rollerMiddles(stage.chain, teeth).map((at) => drawnCircle(at, 1)),
          ...bore(shaft, key),
        ],
      },
    ];
  }
  if (stage.kind === 'spur') {
    const moduleMm = stage.module.value * MM;
    return [
      {
        name: `gear-${n + 1}-${which}`,
        title: `Spur gear of ${teeth} teeth, module ${mm(moduleMm)}, ${place}`,
        marks: [
          outline(gearOutline({ moduleMm, teeth, points: 12 })),
          drawnCircle(MIDDLE, moduleMm * teeth),
          ...bore(shaft, key),
        ],
      },
    ];
  }
  return [];
}

/** Sprockets and spur gears of every drive, the wheels before the first stage bored for the motor. */
const wheelsOf = (build: Build): Template[] =>
  build.drives.flatMap(({ id, motorId, stages }, at) =>
    stages.flatMap((stage, n) =>
      (['driver', 'driven'] as const).flatMap((which) =>
        wheelOf(
          stage,
          which,
          n === 0 && which === 'driver' ? shaftOf(build.parts.find((part) => part.id === motorId)) : [0, 0],
          n,
        ).map((template) =>
          build.drives.length > 1 && at > 0 ? { ...template, name: `${template.name}-${id}` } : template,
        ),
      ),
    ),
  );

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
      title: `Plate for ${part.name}: ${screw} slots on ${mm(circle)}, ${mm(TRAVEL)} of travel; check the motor’s own holes`,
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
      title: `Bore for the shaft of ${part.name}: ${mm(shaft)}${key > 0 ? `, key ${mm(key)}` : ''}`,
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
    title: `Tray for ${part.name}: M4 screws at its corners, slots for a strap of ${mm(STRAP.width - 2)}`,
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

const rectangle = (length: number, width: number): At[] => [
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
 * The templates that a build asks for: its sprockets and gears, plates and bores of its motors, trays for what is placed,
 * adapters between bolt circles; each with its lines to check a print by.
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
  ].map(withCheck);
}
