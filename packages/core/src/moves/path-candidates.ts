import { pathInOrder } from '../capability/index.ts';
import { motorShaftOf } from '../drive/index.ts';
import { show, typed, type Quantity } from '../quantity/index.ts';
import {
  HUB_KINDS,
  freshPathElement,
  isHub,
  mismatchesOf,
  pathTitle,
  type HubKind,
  type PathElement,
} from '../transmission/index.ts';
import type { Build } from '../vehicle/index.ts';
import { type Asked, type Candidate, type Generator } from './candidate.ts';
import { scaled } from '../quantity/index.ts';

/** The build with one part of its torque path changed. */
const withElement = (build: Build, element: PathElement): Build => ({
  ...build,
  drive: { ...build.drive, path: build.drive.path.map((e) => (e.id === element.id ? element : e)) },
});

/** The build with a part changed; with a shaft, the hubs that sit on it are bored to it. */
function withBored(build: Build, element: PathElement): Build {
  const before = build.drive.path.find(({ id }) => id === element.id);
  const changed = withElement(build, element);
  if (element.kind !== 'shaft' || before?.kind !== 'shaft') return changed;
  const sits = (e: PathElement): boolean =>
    isHub(e) && e.after === element.after && e.bore.value === before.diameter.value;
  return build.drive.path
    .filter(sits)
    .reduce((b, hub) => (isHub(hub) ? withElement(b, { ...hub, bore: element.diameter }) : b), changed);
}

const elementOf = ({ build, link }: Asked): PathElement | undefined =>
  build.drive.path.find(({ id }) => id === link.elementId);

const LARGER_SCREWS = ['M2.5', 'M3', 'M4', 'M5', 'M6', 'M8'] as const;
/** A set screw is no larger than this share of the bore that it presses on (common practice, no source). */
const MOST_OF_BORE = 0.6;

/** Shafts are sold in whole millimetres, thin ones in halves: metres. */
const upToStock = (metres: number): number => {
  const step = metres < 0.004 ? 0.0005 : 0.001;
  return Number((Math.ceil(metres / step - 1e-9) * step).toPrecision(6));
};

interface Stronger {
  readonly text: string;
  readonly changed: PathElement;
}

/** A part, stronger by one step. */
function strongerBy(element: PathElement, system: Asked['system']): readonly Stronger[] {
  const more = (text: string, changed: PathElement): Stronger => ({ text, changed });
  const size = (q: Quantity): string => show(q.value, 'length', system).text;
  switch (element.kind) {
    case 'shaft':
      return [1.2, 1.5].map((by) => {
        const diameter = {
          ...element.diameter,
          value: upToStock(element.diameter.value * by),
          origin: 'typed' as const,
        };
        return more(`a shaft of ${size(diameter)}, its hubs bored to it`, { ...element, diameter });
      });
    case 'key':
      return [more('a key twice as long', { ...element, length: scaled(element.length, 2) })];
    case 'set-screws':
      return [
        more('two set screws more', { ...element, count: Math.min(8, element.count + 2) }),
        ...LARGER_SCREWS.filter(
          (screw) =>
            Number(screw.slice(1)) > Number(element.size.replace('M', '')) &&
            Number(screw.slice(1)) <= MOST_OF_BORE * 1000 * element.bore.value,
        )
          .slice(0, 2)
          .map((screw) => more(`set screws ${screw}`, { ...element, size: screw })),
      ];
    case 'clamp':
      return [
        more('two screws more', { ...element, screws: Math.min(8, element.screws + 2) }),
        more('screws of twice the force', { ...element, screwForce: scaled(element.screwForce, 2) }),
      ];
    case 'press-fit':
      return [more('a seat twice as long', { ...element, length: scaled(element.length, 2) })];
    case 'bolt-circle': {
      const boltDiameter = scaled(element.boltDiameter, 1.25);
      return [
        more(`bolts of ${size(boltDiameter)}`, { ...element, boltDiameter }),
        ...(element.standoff.value > 0
          ? [more('standoffs half as long', { ...element, standoff: scaled(element.standoff, 0.5) })]
          : []),
      ];
    }
    case 'coupling':
      return [1.5, 2].map((by) =>
        more(`a coupling for ${show(element.ratedTorque.value * by, 'torque', system).text}`, {
          ...element,
          ratedTorque: scaled(element.ratedTorque, by),
        }),
      );
    case 'tyre':
      return [
        more('glued on', { ...element, bond: typed(0.2e6, 'MPa') }),
        more('half as much pressure again', { ...element, pressure: scaled(element.pressure, 1.5) }),
      ];
  }
}

/** The same part stronger, and all of its kind alike: two hubs alike let go alike. */
export const strongerPart: Generator = (asked) => {
  const element = elementOf(asked);
  if (!element) return [];
  const { build, system } = asked;
  const alike = build.drive.path.filter(({ kind }) => kind === element.kind);
  return strongerBy(element, system).flatMap(({ text, changed }, step) => [
    { text: `“${element.name}”: ${text}`, build: withBored(build, changed) },
    ...(alike.length > 1
      ? [
          {
            text: `${PLURAL[element.kind]}, ${alike.length} of them: ${text}`,
            build: alike.reduce((b, e) => {
              const own = strongerBy(e, system)[step];
              return own ? withBored(b, own.changed) : b;
            }, build),
          },
        ]
      : []),
  ]);
};

const PLURAL: Readonly<Record<PathElement['kind'], string>> = {
  shaft: 'All shafts',
  key: 'All keys',
  'set-screws': 'All set screws',
  clamp: 'All clamps',
  'press-fit': 'All press fits',
  'bolt-circle': 'All bolt circles',
  coupling: 'All couplings',
  tyre: 'All tyres',
};

/** The hub held another way, and all that are held like it: the schools of set screw, key, clamp and press fit. */
export const otherHub: Generator = ({ build, ...asked }) => {
  const element = elementOf({ build, ...asked });
  if (!element || !isHub(element)) return [];
  const as = (b: Build, e: PathElement, kind: HubKind): Build =>
    isHub(e)
      ? withKeyway(
          withElement(b, freshPathElement(kind, { id: e.id, after: e.after, name: e.name, bore: e.bore })),
          e.id,
        )
      : b;
  const alike = build.drive.path.filter(({ kind }) => kind === element.kind);
  return HUB_KINDS.filter((kind) => kind !== element.kind).flatMap((kind) => [
    { text: `“${element.name}” as a ${pathTitle(kind).toLowerCase()}`, build: as(build, element, kind) },
    ...(alike.length > 1
      ? [
          {
            text: `Each such hub as a ${pathTitle(kind).toLowerCase()}`,
            build: alike.reduce((b, e) => as(b, e, kind), build),
          },
        ]
      : []),
  ]);
};

/** A shaft beside a hub with a key has its keyway cut. */
function withKeyway(build: Build, elementId: string): Build {
  const element = build.drive.path.find(({ id }) => id === elementId);
  if (element?.kind !== 'key') return build;
  const path = build.drive.path.map((e) =>
    e.kind === 'shaft' && e.after === element.after ? { ...e, keyWidth: element.width } : e,
  );
  return { ...build, drive: { ...build.drive, path } };
}

/** A mount that gives half as much, where it was measured. */
export const stifferMount: Generator = ({ build }) => {
  const { mount } = build.drive;
  return [
    ...(mount.twist
      ? [
          {
            text: 'A mount that gives half as much',
            build: {
              ...build,
              drive: { ...build.drive, mount: { ...mount, twist: scaled(mount.twist, 0.5) } },
            },
          },
        ]
      : []),
    {
      text: 'The loop half as far from the mount',
      build: { ...build, drive: { ...build.drive, mount: { ...mount, lever: scaled(mount.lever, 0.5) } } },
    },
  ];
};

/** What makes a part fit its neighbour. */
export function fitCures(build: Build, elementId: string): readonly Candidate[] {
  const mismatch = mismatchesOf(pathInOrder(build), motorShaftOf(build)).find(
    (m) => m.elementId === elementId,
  );
  const element = build.drive.path.find(({ id }) => id === elementId);
  if (!mismatch || !element) return [];
  const { name } = element;
  if (element.kind === 'bolt-circle') {
    const { bolts, circle } = element;
    return [
      {
        text: `“${name}”: both parts with ${bolts} holes on the same circle`,
        build: withElement(build, { ...element, otherBolts: bolts, otherCircle: circle }),
      },
    ];
  }
  if (mismatch.what === 'bore' && isHub(element))
    return [
      {
        text: `“${name}” bored to the size of its shaft`,
        build: withElement(build, { ...element, bore: { ...element.bore, value: mismatch.wants.value } }),
      },
    ];
  if (mismatch.what === 'bore' && element.kind === 'coupling')
    return [
      {
        text: `“${name}” with bores of the size of its shafts`,
        build: withElement(build, couplingBored(build, element)),
      },
    ];
  if (mismatch.adapter === 'cut-keyway')
    return [{ text: `A keyway cut for “${name}”`, build: withKeyway(build, elementId) }];
  return element.kind === 'key'
    ? [
        {
          text: `“${name}” with a key of the width of its keyway`,
          build: withElement(build, { ...element, width: mismatch.wants }),
        },
      ]
    : [];
}

/** A coupling bored for whatever shaft stands before and behind it. */
function couplingBored(build: Build, coupling: Extract<PathElement, { kind: 'coupling' }>): PathElement {
  const beside = pathInOrder(build).filter(({ after }) => after === coupling.after);
  const at = beside.findIndex(({ id }) => id === coupling.id);
  const [before, behind] = [beside[at - 1], beside[at + 1]];
  const motorShaft = at === 0 && coupling.after === null ? motorShaftOf(build)?.diameter : undefined;
  const first = before?.kind === 'shaft' ? before.diameter : motorShaft;
  return {
    ...coupling,
    ...(first ? { bore: { ...coupling.bore, value: first.value } } : {}),
    ...(behind?.kind === 'shaft'
      ? { otherBore: { ...coupling.otherBore, value: behind.diameter.value } }
      : {}),
  };
}
