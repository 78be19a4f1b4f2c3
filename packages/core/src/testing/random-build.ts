import { z } from 'zod';
import { buildSchema, type Build } from '../vehicle/index.ts';
import { boundsOf, DIMENSIONS, type Dimension } from '../quantity/index.ts';
import { seeded } from '../contract/index.ts';

interface Node {
  readonly type?: string;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Node[];
  readonly oneOf?: readonly Node[];
  readonly allOf?: readonly Node[];
  readonly properties?: Readonly<Record<string, Node>>;
  readonly required?: readonly string[];
  readonly items?: Node;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly exclusiveMinimum?: number;
  readonly exclusiveMaximum?: number;
  readonly minLength?: number;
  readonly format?: string;
  readonly pattern?: string;
  readonly default?: unknown;
  readonly dimension?: Dimension;
}

const root = z.toJSONSchema(buildSchema, { io: 'input', unrepresentable: 'any', reused: 'inline' }) as Node;

/** How wild a document is: 0 is a shed's, 1 anything that is reckoned with. */
interface Luck {
  readonly random: () => number;
  readonly wild: number;
}

const between = ({ random }: Luck, low: number, high: number): number => low + (high - low) * random();
const pick = <T>(luck: Luck, items: readonly T[]): T => items[Math.floor(luck.random() * items.length)] as T;

/** A number within limits, its size anywhere between the least and the most. */
function numberIn(luck: Luck, node: Node, least: number, most: number): number {
  const low = Math.max(node.minimum ?? -Infinity, node.exclusiveMinimum ?? -Infinity);
  const high = Math.min(node.maximum ?? Infinity, node.exclusiveMaximum ?? Infinity);
  const size = Math.exp(between(luck, Math.log(least), Math.log(Math.max(least, most))));
  const signed = low < 0 && luck.random() < 0.4 ? -size : size;
  const value =
    luck.random() < 0.1 && low < 0 ? 0 : low === 0 && node.minimum === 0 && luck.random() < 0.2 ? 0 : signed;
  const inside = (x: number): boolean =>
    x >= low && x <= high && x !== node.exclusiveMinimum && x !== node.exclusiveMaximum;
  if (inside(value)) return value;
  const [from, to] = [Math.max(low, -most), Math.min(high, most)];
  const drawn = between(luck, from, to);
  return inside(drawn) ? drawn : (from + to) / 2;
}

function quantityOf(luck: Luck, node: Node, dimension: Dimension): unknown {
  const { least, most, usualLeast, usualMost } = boundsOf(dimension);
  const wild = luck.random() < luck.wild;
  const value = node.properties?.value ?? {};
  const units = DIMENSIONS[dimension].units.map((u) => u.symbol);
  return {
    value: wild ? numberIn(luck, value, least, most) : numberIn(luck, value, usualLeast, usualMost),
    unit: pick(luck, units),
    origin: pick(luck, ['typed', 'measured', 'shelf', 'assumed']),
  };
}

let named = 0;

function valueOf(luck: Luck, node: Node): unknown {
  if (node.const !== undefined) return node.const;
  if (node.enum) return pick(luck, node.enum);
  const choices = node.anyOf ?? node.oneOf;
  if (choices) return valueOf(luck, pick(luck, choices));
  if (node.allOf) return valueOf(luck, Object.assign({}, ...node.allOf) as Node);
  if (node.dimension && node.properties?.value) return quantityOf(luck, node, node.dimension);
  switch (node.type) {
    case 'object': {
      const entries = Object.entries(node.properties ?? {}).filter(
        ([key]) => (node.required ?? []).includes(key) || luck.random() < 0.5,
      );
      return Object.fromEntries(entries.map(([key, child]) => [key, valueOf(luck, child)]));
    }
    case 'array': {
      const most = Math.min(node.maxItems ?? 4, 4);
      const count = Math.max(node.minItems ?? 0, Math.floor(between(luck, 0, most + 1)));
      return Array.from({ length: count }, () => valueOf(luck, node.items ?? {}));
    }
    case 'integer':
      return Math.round(
        numberIn(
          luck,
          { ...node, minimum: node.minimum ?? 1 },
          1,
          Math.min(node.maximum ?? 100, luck.wild > 0.5 ? 500 : 60),
        ),
      );
    case 'number': {
      const wild = luck.random() < luck.wild;
      return numberIn(luck, node, wild ? 1e-9 : 0.01, wild ? 1e9 : 1000);
    }
    case 'boolean':
      return luck.random() < 0.5;
    case 'null':
      return null;
    case 'string':
      if (node.format === 'date') return '2027-03-14';
      named += 1;
      return `n${named}`;
    default:
      return null;
  }
}

type Loose = Record<string, unknown>;
const list = (x: unknown): Loose[] => x as Loose[];

/** The schemas of parts of a kind, those of all its types. */
const ofKind = (kind: string, node: Node | undefined = root.properties?.parts?.items): readonly Node[] => {
  const inner = node?.anyOf ?? node?.oneOf;
  if (inner) return inner.flatMap((option) => ofKind(kind, option));
  return node?.properties?.kind?.const === kind ? [node] : [];
};

/** Motor, driver and battery are often chosen, other parts seldom fitted. */
const drawnParts = (luck: Luck, drawn: readonly Loose[]): Loose[] => [
  ...['motor', 'driver', 'battery']
    .filter(() => luck.random() < 0.9)
    .map((kind) => valueOf(luck, pick(luck, ofKind(kind))) as Loose),
  ...drawn,
];

/** Figures of a part that must agree with each other. */
function agreed(luck: Luck, part: Loose): Loose {
  const less = (than: unknown, share = 1): number => Number(than) * share * Math.max(0.01, luck.random());
  if (part.kind === 'driver')
    return { ...part, leastV: less(part.mostV, 0.9), continuousA: less(part.peakA) };
  if (part.kind !== 'motor') return part;
  if (part.type === 'stepping') return { ...part, stepsPerTurn: pick(luck, [48, 200, 400]) };
  if (part.type !== 'series-wound') return { ...part, noLoadA: less(part.stallA, 0.5) };
  const ratedA = less(part.stallA, 0.9);
  const airGapW = Number(part.voltageV) * ratedA * (1 - ratedA / Number(part.stallA));
  return { ...part, ratedA, ratedTorqueNm: less(airGapW / (Number(part.ratedRpm) * (Math.PI / 30)), 0.99) };
}

/** A length that is a share of another. */
const shareOf = (of: unknown, share: number): unknown => {
  const length = of as { readonly value: number };
  return { ...length, value: length.value * share };
};

/** A hole is for a screw, or has a diameter of its own. */
const drilled = ({ thread, diameter, ...hole }: Loose): Loose =>
  diameter === undefined ? { ...hole, thread: thread ?? 'M4' } : { ...hole, diameter };

/** Of a layout, what must agree: sections of the frame, holes, sheets; wheels run in a stage that there is. */
function arrangedSo(luck: Luck, arrangement: Loose, drives: readonly Loose[]): Loose {
  const stages = drives.flatMap(({ id: driveId, stages: of }) =>
    list(of).map(({ id }) => ({ driveId, stageId: id })),
  );
  return {
    ...arrangement,
    parts: list(arrangement.parts).map((part) => ({
      ...part,
      ...(part.holes === undefined ? {} : { holes: list(part.holes).map(drilled) }),
      ...(part.runs === undefined || stages.length === 0
        ? { runs: undefined }
        : { runs: { ...(part.runs as Loose), ...pick(luck, stages) } }),
    })),
    frame: list(arrangement.frame ?? []).map((member) => ({
      ...member,
      width: member.width ?? member.height,
      wall: shareOf(
        Number((member.width as Loose | undefined)?.value ?? Infinity) <
          Number((member.height as Loose).value)
          ? member.width
          : member.height,
        0.1,
      ),
    })),
    sheets: list(arrangement.sheets ?? []).map(({ bore: _bore, key: _key, ...sheet }) => ({
      ...sheet,
      width: sheet.width ?? sheet.length,
      circles: list(sheet.circles).map(drilled),
    })),
  };
}

/** What no schema of single fields says: ids that lead somewhere, something that drives, figures that agree. */
function joined(luck: Luck, document: Loose): Loose {
  const layout = document.layout as Loose;
  const axles = list(layout.axles).map((axle) => ({
    ...axle,
    ...(axle.form === 'track' ? {} : { contactLength: undefined }),
  }));
  if (axles.every((axle) => !(axle as Loose).driven)) (axles[0] as Loose).driven = true;
  const grounds = list(document.grounds);
  const duties = list(document.duties).map((duty) => ({ ...duty, groundId: pick(luck, grounds).id }));
  const parts = drawnParts(luck, list(document.parts)).map((part) => agreed(luck, part));
  const chosen = (kind: string): unknown => {
    const of = parts.filter((p) => (p as Loose).kind === kind);
    return of.length > 0 && luck.random() < 0.9 ? (pick(luck, of) as Loose).id : null;
  };
  const axleIds = axles.map((axle) => (axle as Loose).id);
  const drives = list(document.drives).map((drive, n): Loose => {
    const stages = list(drive.stages);
    const at = (x: unknown): unknown => (x === null || stages.length === 0 ? null : pick(luck, stages).id);
    const does = n === 0 ? 'propels' : drive.does;
    const { work, axleIds: _own, ...rest } = drive;
    return {
      ...rest,
      does,
      ...(does === 'works' ? { work: work ?? { kind: 'draws', ...drawing } } : {}),
      ...(luck.random() < 0.3 ? { axleIds: [pick(luck, axleIds)] } : {}),
      driverId: chosen('driver'),
      motorId: chosen('motor'),
      path: list(drive.path).map((element) => ({ ...element, after: at(element.after) })),
      release: { ...(drive.release as Loose), at: at((drive.release as Loose).at) },
    };
  });
  const drivers = [...new Set(drives.flatMap(({ driverId }) => (driverId === null ? [] : [driverId])))];
  const battery = chosen('battery');
  const supply = document.supply as Loose;
  const interlocks = list(supply.interlocks ?? []).map(({ driveId, ...interlock }) =>
    driveId === undefined ? interlock : { ...interlock, driveId: pick(luck, drives).id },
  );
  const masses = document.masses as Loose;
  const { mass, ...own } = masses.own as Loose & { readonly mass: Loose };
  return {
    ...document,
    // It must weigh something.
    masses: { ...masses, own: { ...own, mass: { ...mass, value: Number(mass.value) || 1 } } },
    layout: {
      ...layout,
      axles: axles.map((axle) =>
        axle.contactLength === undefined && (axle as Loose).form === 'track'
          ? { ...axle, form: 'wheel' }
          : axle,
      ),
      ...(layout.kind === 'winch' ? { drum: { value: 0.1, unit: 'mm', origin: 'typed' } } : {}),
    },
    duties,
    parts,
    ...(document.arrangement === undefined
      ? {}
      : { arrangement: arrangedSo(luck, document.arrangement as Loose, drives) }),
    fitted: parts
      .filter(() => luck.random() < 0.5)
      .map(({ id }) => ({ id, count: 1 + Math.floor(luck.random() * 6) })),
    drives,
    supply: {
      ...supply,
      ...(supply.interlocks === undefined ? {} : { interlocks }),
      packs: battery === null ? [] : [{ id: battery, inSeries: 1, inParallel: 1 }],
      drivers: drivers.map((id) => ({ id, count: 1 + Math.floor(luck.random() * 3) })),
    },
  };
}

const drawing = {
  power: { value: 50, unit: 'W', origin: 'assumed' },
  share: { value: 0.5, unit: '%', origin: 'assumed' },
  whileDriving: true,
};

/** A random build that the schema takes, the same for the same seed; undefined where this draw is none. */
export function randomBuild(seed: number): Build | undefined {
  const random = seeded(seed);
  const luck: Luck = { random, wild: pick({ random, wild: 0 }, [0, 0, 0.05, 0.3, 1]) };
  const document = JSON.parse(JSON.stringify(joined(luck, valueOf(luck, root) as Loose))) as unknown;
  const read = buildSchema.safeParse(document);
  return read.success ? read.data : undefined;
}

/** A random document that is hardly a build: one of the schema's with something of it spoilt. */
export function spoiltDocument(seed: number): unknown {
  const random = seeded(seed);
  const luck: Luck = { random, wild: 1 };
  const document = JSON.parse(JSON.stringify(joined(luck, valueOf(luck, root) as Loose))) as Loose;
  const junk = [null, -1, 1e308, -1e308, 0, '', 'odd', [], {}, true, '9'.repeat(50)];
  const spoil = (x: unknown, depth: number): unknown => {
    if (depth === 0 || typeof x !== 'object' || x === null) return pick(luck, junk);
    if (Array.isArray(x))
      return x.length === 0
        ? pick(luck, junk)
        : x.map((item, n) => (n === 0 ? spoil(item, depth - 1) : (item as unknown)));
    const keys = Object.keys(x);
    const key = keys.length > 0 ? pick(luck, keys) : 'none';
    return { ...x, [key]: spoil((x as Loose)[key], depth - 1) };
  };
  return spoil(document, 1 + Math.floor(random() * 4));
}
