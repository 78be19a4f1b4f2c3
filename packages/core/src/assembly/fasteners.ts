import { BOLT_SIZES, boltTightening } from '../making/index.ts';
import { isHub, type PathElement } from '../transmission/index.ts';
import { driveOf, massAllUp, motorOf, motorsIn, outputsOf, wheelsOf, type Build } from '../vehicle/index.ts';
import type { Fastener } from './fastener.ts';
import type { Step } from './step.ts';

/** Seating torque of a set screw, N·m: Shigley, table 7-4 (from memory), in the nearest inch size. */
const SEATING_NM: Readonly<Record<string, number>> = {
  ...{ '#4': 0.56, '#6': 1.13, '#8': 2.26, '#10': 4.07, '1/4': 9.83, '5/16': 18.6, '3/8': 32.8 },
  ...{ M2: 0.2, 'M2.5': 0.56, M3: 0.56, M4: 2.26, M5: 4.07, M6: 9.83, M8: 18.6 },
};

const SIZES = [2, 2.5, 3, 4, 5, 6, 8, 10, 12] as const;
const nameOf = (diameterMm: number): string => {
  const size = SIZES.find((d) => d >= diameterMm - 0.05) ?? 12;
  return `M${size}`;
};

/** Lengths that screws are sold in, mm. */
const LENGTHS = [6, 8, 10, 12, 16, 20, 25, 30, 35, 40, 50, 60, 80] as const;
/** Three diameters: a plate, a washer, and a diameter and a half of thread (common practice, no source). */
const usualLength = (size: string): number =>
  LENGTHS.find((length) => length >= Number(size.slice(1)) * 3) ?? 80;

/** Steel of 8.8, dry, to three quarters of its proof load (common practice, no source). */
const USUAL_TIGHTENING = { grade: '8.8', nutFactor: 0.2, proofShare: 0.75 } as const;

/**
 * Torque for a screw of grade 8.8 in steel, N·m; none where a small one is tightened by feel.
 *
 * @example screwTorque('M6') // 10.4922
 */
export function screwTorque(size: string): number | undefined {
  const known = BOLT_SIZES.find((one) => one === size);
  return known && boltTightening.run({ size: known, ...USUAL_TIGHTENING }).torqueNm;
}

interface Screwed {
  readonly holds: string;
  readonly size: string;
  readonly each: number;
  readonly things: number;
  readonly lock?: Fastener['lock'];
  readonly usual?: boolean;
}

const screws = ({ holds, size, each, things, lock, usual = true }: Screwed): Fastener[] => {
  const torqueNm = screwTorque(size);
  const count = each * things;
  if (count === 0) return [];
  const of = { size, count, holds, each, usual };
  return [
    {
      ...of,
      kind: 'screw',
      lengthMm: usualLength(size),
      ...(torqueNm === undefined ? {} : { torqueNm }),
      ...(lock ? { lock } : {}),
    },
    ...(lock === 'self-locking nut' ? [{ ...of, kind: 'nut' as const }] : []),
  ];
};

/** Screws that usually hold a thing of a mass, by the mass up to which (common practice, no source). */
const BY_MASS: readonly (readonly [upToKg: number, size: string])[] = [
  [0.05, 'M2'],
  [0.12, 'M2.5'],
  [0.4, 'M3'],
  [0.9, 'M4'],
  [2, 'M5'],
  [5, 'M6'],
  [15, 'M8'],
];
/** The size of screw that usually holds a thing of a mass. */
const sizeForMass = (massKg: number): string => BY_MASS.find(([upTo]) => massKg <= upTo)?.[1] ?? 'M10';

/** Of the vehicle, each wheel or castor is held by screws as if it weighed this share of it (common practice, no source). */
const SHARE_OF_VEHICLE = 0.05;

/** What a part of the torque path is held with. */
function ofElement(element: PathElement, things: number): Fastener[] {
  const holds = element.name.toLowerCase();
  if (element.kind === 'set-screws')
    return [
      {
        ...{ size: element.size, kind: 'set screw', count: element.count * things, holds },
        ...{ each: element.count, lock: 'thread lock', usual: false },
        ...(SEATING_NM[element.size] === undefined ? {} : { torqueNm: SEATING_NM[element.size] }),
      },
    ];
  if (element.kind === 'bolt-circle')
    return screws({
      ...{ holds, things, each: element.bolts, lock: 'thread lock', usual: false },
      size: nameOf(element.boltDiameter.value * 1000),
    }).map((bolts) => ({ ...bolts, flange: true as const }));
  if (element.kind === 'clamp')
    return screws({
      ...{ holds, things, each: element.screws, size: sizeForMass(0.4), lock: 'thread lock' },
    });
  return [];
}

/** Screws that hold motors, castors, boards and wheels, by the role of the step that puts them in. */
const BY_ROLE: Readonly<Record<string, (build: Build) => Fastener[]>> = {
  motors: (build) => {
    const motor = motorOf(build);
    return screws({
      ...{ holds: 'motor', each: 4, things: motorsIn(build), lock: 'thread lock' },
      size: sizeForMass(motor?.massKg ?? 0.5),
    });
  },
  castors: (build) => standing(build, 'castor', 4, 'castor'),
  sliders: (build) => standing(build, 'slider', 2, 'slider'),
  'free-wheels': (build) => standing(build, 'wheel', 1, 'free wheel'),
  drivers: (build) =>
    screws({
      ...{ holds: 'board', each: 4, size: massAllUp(build) < 3 ? 'M2.5' : 'M3' },
      things: Math.max(1, new Set(build.drives.flatMap(({ driverId }) => driverId ?? [])).size),
    }),
};

function standing(build: Build, form: string, each: number, holds: string): Fastener[] {
  const axles = build.layout.axles.filter((axle) => !axle.driven && axle.form === form);
  return screws({
    ...{ holds, each, lock: 'self-locking nut' },
    things: axles.reduce((sum, axle) => sum + wheelsOf(axle), 0),
    size: sizeForMass(massAllUp(build) * SHARE_OF_VEHICLE),
  });
}

/**
 * The screws that a step of the first drive, or of the whole vehicle, puts in: those of the torque path by their sizes, others
 * in usual ones.
 */
export function fastenersOf(build: Build, step: Step): readonly Fastener[] {
  const drive = driveOf(build);
  const outputs = outputsOf(build);
  const path = drive.path.flatMap((element) => {
    if (!step.parts.includes(`path.${element.id}`)) return [];
    const things = outputs * (element.after === null ? drive.motorsPerWheel : 1);
    return isHub(element) || element.kind === 'bolt-circle' ? ofElement(element, things) : [];
  });
  return [...(BY_ROLE[step.id]?.(build) ?? []), ...path];
}

/** Hexagon keys by the thread of a socket head: ISO 4762; of set screws: ISO 4026 (from memory). */
const KEYS: Readonly<Record<string, string>> = {
  ...{ M2: '1.5 mm', 'M2.5': '2 mm', M3: '2.5 mm', M4: '3 mm', M5: '4 mm', M6: '5 mm', M8: '6 mm' },
  ...{ M10: '8 mm', M12: '10 mm' },
};
const SET_SCREW_KEYS: Readonly<Record<string, string>> = {
  ...{ M2: '0.9 mm', 'M2.5': '1.3 mm', M3: '1.5 mm', M4: '2 mm', M5: '2.5 mm', M6: '3 mm', M8: '4 mm' },
};

/** The hexagon key that turns a fastener; undefined where none does. */
export const keyOfFastener = ({ size, kind }: Fastener): string | undefined =>
  kind === 'nut' ? undefined : (kind === 'set screw' ? SET_SCREW_KEYS : KEYS)[size];
