import { pathInOrder } from '../capability/index.ts';
import { motorShaftOf } from '../drive/index.ts';
import { scaled, sentence } from '../quantity/index.ts';
import {
  HUB_KINDS,
  allOfPath,
  fittedPathElement,
  freshPathElement,
  isHub,
  mismatchesOf,
  pathTitle,
  strongerPathElement,
  type Beside,
  type Hub,
  type PathElement,
} from '../transmission/index.ts';
import { driveOf, changeDrive, type Build } from '../vehicle/index.ts';
import { type MoveContext, type Candidate, type Generator } from './candidate.ts';

/** The build with one part of its torque path changed. */
const withElement = (build: Build, element: PathElement): Build =>
  changeDrive(build, { path: driveOf(build).path.map((e) => (e.id === element.id ? element : e)) });

/** The build with a part changed; with a shaft, the hubs that sit on it are bored to it. */
function withBored(build: Build, element: PathElement): Build {
  const before = driveOf(build).path.find(({ id }) => id === element.id);
  const changed = withElement(build, element);
  if (element.kind !== 'shaft' || before?.kind !== 'shaft') return changed;
  const sits = (e: PathElement): boolean =>
    isHub(e) && e.after === element.after && e.bore.value === before.diameter.value;
  return driveOf(build)
    .path.filter(sits)
    .reduce((b, hub) => (isHub(hub) ? withElement(b, { ...hub, bore: element.diameter }) : b), changed);
}

const elementOf = ({ build, link }: MoveContext): PathElement | undefined =>
  driveOf(build).path.find(({ id }) => id === link.elementId);

/** The same part stronger, and all of its kind alike: two hubs alike let go alike. */
export const strongerPart: Generator = (asked) => {
  const element = elementOf(asked);
  if (!element) return [];
  const { build } = asked;
  const alike = driveOf(build).path.filter(({ kind }) => kind === element.kind);
  return strongerPathElement(element).flatMap(({ text, element: changed }, step) => [
    { text: sentence`“${element.name}”: ${text}`, build: withBored(build, changed) },
    ...(alike.length > 1
      ? [
          {
            text: sentence`${allOfPath(element.kind)}, ${alike.length} of them: ${text}`,
            build: alike.reduce((b, e) => {
              const own = strongerPathElement(e)[step];
              return own ? withBored(b, own.element) : b;
            }, build),
          },
        ]
      : []),
  ]);
};

/** The hub held another way, and all that are held like it: the schools of set screw, key, clamp and press fit. */
export const otherHub: Generator = ({ build, ...asked }) => {
  const element = elementOf({ build, ...asked });
  if (!element || !isHub(element)) return [];
  const as = (b: Build, e: PathElement, kind: Hub['kind']): Build =>
    isHub(e)
      ? withKeyway(
          withElement(b, freshPathElement(kind, { id: e.id, after: e.after, name: e.name, bore: e.bore })),
          e.id,
        )
      : b;
  const alike = driveOf(build).path.filter(({ kind }) => kind === element.kind);
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
  const element = driveOf(build).path.find(({ id }) => id === elementId);
  if (element?.kind !== 'key') return build;
  const path = driveOf(build).path.map((e) =>
    e.kind === 'shaft' && e.after === element.after ? { ...e, keyWidth: element.width } : e,
  );
  return changeDrive(build, { path });
}

/** A mount that gives half as much, where it was measured. */
export const stifferMount: Generator = ({ build }) => {
  const { mount } = driveOf(build);
  return [
    ...(mount.twist
      ? [
          {
            text: 'A mount that gives half as much',
            build: changeDrive(build, { mount: { ...mount, twist: scaled(mount.twist, 0.5) } }),
          },
        ]
      : []),
    {
      text: 'The loop half as far from the mount',
      build: changeDrive(build, { mount: { ...mount, lever: scaled(mount.lever, 0.5) } }),
    },
  ];
};

/** What makes a part fit its neighbour. */
export function fitCures(build: Build, elementId: string): readonly Candidate[] {
  const mismatch = mismatchesOf(pathInOrder(build), motorShaftOf(build)).find(
    (m) => m.elementId === elementId,
  );
  const element = driveOf(build).path.find(({ id }) => id === elementId);
  if (!mismatch || !element) return [];
  const fitted = fittedPathElement(element, mismatch, besideOf(build, element));
  if (fitted) return [{ text: fitted.text, build: withElement(build, fitted.element) }];
  return mismatch.adapter === 'cut-keyway'
    ? [{ text: `A keyway cut for “${element.name}”`, build: withKeyway(build, elementId) }]
    : [];
}

/** The shafts before and behind a part of the path. */
function besideOf(build: Build, element: PathElement): Beside {
  const among = pathInOrder(build).filter(({ after }) => after === element.after);
  const at = among.findIndex(({ id }) => id === element.id);
  const [before, behind] = [among[at - 1], among[at + 1]];
  const ofMotor = at === 0 && element.after === null ? motorShaftOf(build)?.diameter : undefined;
  const first = before?.kind === 'shaft' ? before.diameter : ofMotor;
  return {
    ...(first ? { before: first } : {}),
    ...(behind?.kind === 'shaft' ? { behind: behind.diameter } : {}),
  };
}
