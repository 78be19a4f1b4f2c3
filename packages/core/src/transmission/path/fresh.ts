import { assumed, type Quantity } from '../../quantity/index.ts';
import { stageHubs, stageKind, type Stage } from '../stages/index.ts';
import type { PathElement, PathKind, PathOf } from './elements.ts';
import type { MotorShaft } from './matches.ts';

const mm = (n: number): Quantity => assumed(n / 1000, 'mm');
const megapascals = (n: number): Quantity => assumed(n * 1e6, 'MPa');

interface Fresh {
  readonly id: string;
  readonly after: string | null;
  readonly name: string;
  readonly bore: Quantity;
}

/** Width of a parallel key for shafts up to so many millimetres: DIN 6885-1 (from memory). */
const KEYS: readonly (readonly [upTo: number, width: number])[] = [
  [8, 2],
  [10, 3],
  [12, 4],
  [17, 5],
  [22, 6],
  [30, 8],
  [38, 10],
];
const LARGEST_KEY = 12;

/** Width of the key of a shaft, mm; as high as it is wide in these sizes. */
const keyFor = ({ value }: Quantity): number =>
  KEYS.find(([upTo]) => value * 1000 <= upTo + 1e-9)?.[1] ?? LARGEST_KEY;

/** Screws and bolts that go with a bore of up to so many millimetres (common practice, no source). */
interface Fastening {
  readonly setScrew: PathOf<'set-screws'>['size'];
  /** What a clamp screw of 8.8 pulls, tightened to three quarters of its proof load (ISO 898-1, from memory), N. */
  readonly clampN: number;
  readonly boltMm: number;
}

const FASTENINGS: readonly (readonly [upTo: number, with_: Fastening])[] = [
  [3.2, { setScrew: 'M2', clampN: 900, boltMm: 2 }],
  [5, { setScrew: 'M3', clampN: 2200, boltMm: 3 }],
  [8, { setScrew: 'M4', clampN: 3800, boltMm: 3 }],
  [14, { setScrew: 'M5', clampN: 6200, boltMm: 4 }],
  [20, { setScrew: 'M6', clampN: 8700, boltMm: 5 }],
];
const LARGEST: Fastening = { setScrew: 'M8', clampN: 15_900, boltMm: 6 };

const fastening = ({ value }: Quantity): Fastening =>
  FASTENINGS.find(([upTo]) => value * 1000 <= upTo + 1e-9)?.[1] ?? LARGEST;

/** Torque that a small coupling of a bore is usually rated for, N·m: 10 at 12 mm, by the cube (common practice, no source). */
const couplingTorque = ({ value }: Quantity): number => Number((10 * (value / 0.012) ** 3).toPrecision(2));

/** Shear that mild steel may carry where it jerks (common practice, no source). */
const STEEL_SHEAR = 60;
const STEEL_BEARING = 120;

const FRESH: { readonly [K in PathKind]: (common: Fresh) => PathOf<K> } = {
  shaft: ({ bore, ...common }) => ({
    ...common,
    kind: 'shaft',
    diameter: bore,
    allowable: megapascals(STEEL_SHEAR),
  }),
  key: (common) => ({
    ...common,
    kind: 'key',
    width: mm(keyFor(common.bore)),
    height: mm(keyFor(common.bore)),
    length: { ...common.bore, value: common.bore.value * 1.25 },
    allowable: megapascals(STEEL_SHEAR),
    allowableBearing: megapascals(STEEL_BEARING),
  }),
  'set-screws': (common) => ({
    ...common,
    kind: 'set-screws',
    size: fastening(common.bore).setScrew,
    count: 2,
  }),
  clamp: (common) => ({
    ...common,
    kind: 'clamp',
    screws: 2,
    screwForce: assumed(fastening(common.bore).clampN, 'N'),
    friction: assumed(0.12, ''),
  }),
  'press-fit': (common) => ({
    ...common,
    kind: 'press-fit',
    hubDiameter: { ...common.bore, value: common.bore.value * 2 },
    length: common.bore,
    interference: { ...common.bore, value: common.bore.value * 0.001 },
    friction: assumed(0.12, ''),
  }),
  'bolt-circle': ({ bore, ...common }) => ({
    ...common,
    kind: 'bolt-circle',
    bolts: 4,
    circle: { ...bore, value: bore.value * 3 },
    boltDiameter: mm(fastening(bore).boltMm),
    standoff: mm(0),
    allowable: megapascals(100),
    otherBolts: 4,
    otherCircle: { ...bore, value: bore.value * 3 },
  }),
  coupling: (common) => ({
    ...common,
    kind: 'coupling',
    otherBore: common.bore,
    ratedTorque: assumed(couplingTorque(common.bore), 'N·m'),
  }),
  tyre: ({ bore, ...common }) => ({
    ...common,
    kind: 'tyre',
    rimDiameter: { ...bore, value: bore.value * 10 },
    seatWidth: mm(20),
    pressure: assumed(150e3, 'kPa'),
    friction: assumed(0.4, ''),
    bond: assumed(0, 'MPa'),
  }),
};

/** A new part of the path round a bore or shaft of that diameter; its other numbers are assumed. */
export const freshPathElement = (kind: PathKind, common: Fresh): PathElement => FRESH[kind](common);

/** Shaft diameter that a wheel of so many metres usually has (common practice, no source). */
const usualShaft = (wheelDiameterM: number): Quantity =>
  mm(wheelDiameterM > 0.3 ? 17 : wheelDiameterM > 0.12 ? 12 : wheelDiameterM > 0.07 ? 8 : 5);

/**
 * A usual torque path through some stages: each driving hub held on the shaft before it, each driven hub on a shaft of
 * its own, and the wheel on the last.
 */
export function freshPath(
  stages: readonly Stage[],
  { motorShaft, wheelDiameterM }: { readonly motorShaft?: MotorShaft; readonly wheelDiameterM: number },
): PathElement[] {
  const path: PathElement[] = [];
  const add = (kind: PathKind, after: string | null, name: string, bore: Quantity): void => {
    path.push(freshPathElement(kind, { id: `path-${path.length + 1}`, after, name, bore }));
  };
  const wheelShaft = usualShaft(wheelDiameterM);
  const hub: PathKind = wheelDiameterM > 0.12 ? 'key' : 'set-screws';
  let place: string | null = null;
  let shaft = motorShaft?.diameter ?? usualShaft(wheelDiameterM / 2);
  const lastDriven = stages.findLastIndex((stage) => stageHubs(stage)[1] !== undefined);
  for (const stage of stages) {
    const [driver, driven] = stageHubs(stage);
    const holds = stageKind(stage.kind).joinsShafts ? 'coupling' : place === null ? 'set-screws' : hub;
    if (driver) add(holds, place, driver, shaft);
    place = stage.id;
    if (driven) {
      shaft = wheelShaft;
      add(hub, place, driven, shaft);
      add('shaft', place, stages.indexOf(stage) === lastDriven ? 'Axle' : 'Layshaft', shaft);
    }
  }
  if (!stages.some(({ kind }) => stageKind(kind).ends)) add(hub, place, 'Wheel hub', shaft);
  // A key needs its keyway in the shaft beside it.
  return path.map((element) =>
    element.kind === 'shaft' && hub === 'key'
      ? { ...element, keyWidth: mm(keyFor(element.diameter)) }
      : element,
  );
}
