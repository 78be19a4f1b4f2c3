import { z } from 'zod';
import { NotPhysical, remembered, type Sum } from '../../contract/index.ts';
import { fieldsOf, type NumberField } from '../../quantity/index.ts';
import { torqueHeld } from '../torque-held.ts';
import { boltCircle } from './bolt-circle.ts';
import { clamp } from './clamp.ts';
import { coupling } from './coupling.ts';
import { key } from './key.ts';
import type { Beside, Fresh, Mismatch, PathAbilities, PathChange, PathMember } from './member.ts';
import { pressFit } from './press-fit.ts';
import { setScrews } from './set-screws.ts';
import { shaft } from './shaft.ts';
import { tyre } from './tyre.ts';

/** One part of the way that the torque takes beside gears and loops: from motor to tyre. */
export const pathElementSchema = z
  .discriminatedUnion('kind', [
    shaft.schema,
    key.schema,
    setScrews.schema,
    clamp.schema,
    pressFit.schema,
    boltCircle.schema,
    coupling.schema,
    tyre.schema,
  ])
  .readonly();

export type PathElement = z.output<typeof pathElementSchema>;
/** The kinds of parts of the path. */
export type PathKind = PathElement['kind'];
/** A part of the path of one kind. */
export type PathOf<K extends PathKind> = Extract<PathElement, { kind: K }>;

/** Every kind of part by its name in a build, in the order in which they are offered. */
const MEMBERS = {
  shaft,
  'set-screws': setScrews,
  key,
  clamp,
  'press-fit': pressFit,
  'bolt-circle': boltCircle,
  coupling,
  tyre,
} as const satisfies { readonly [K in PathKind]: PathMember<PathOf<K>> };

/** The table's type ties each kind to its member; the compiler cannot follow that through a union. */
const memberOf = (element: PathElement): PathMember<PathElement> => MEMBERS[element.kind] as never;

const kindOf = (kind: PathKind): PathAbilities => MEMBERS[kind];

/** All kinds of parts of the path. */
export const PATH_KINDS = Object.keys(MEMBERS) as readonly PathKind[];
/**
 * How a part of the path is called.
 *
 * @example pathTitle('bolt-circle') // 'Bolt circle'
 */
export const pathTitle = (kind: PathKind): string => kindOf(kind).title;
/**
 * All parts of a kind together: "All shafts".
 *
 * @example allOfPath('key') // 'All keys'
 */
export const allOfPath = (kind: PathKind): string => kindOf(kind).all;
/**
 * The counts and quantities of a kind of part, as its schema calls and limits them.
 *
 * @example pathFields('key').map(({ key }) => key) // ['bore', 'width', 'height', 'length', …]
 */
export const pathFields = (kind: PathKind): readonly NumberField[] => fieldsOf(MEMBERS[kind].schema);

type HubKind = { [K in PathKind]: (typeof MEMBERS)[K] extends { isHub: true } ? K : never }[PathKind];
/** A part that fastens something on a shaft. */
export type Hub = PathOf<HubKind>;
/** The ways of holding a hub on a shaft. */
export const HUB_KINDS = PATH_KINDS.filter((kind): kind is HubKind => kindOf(kind).isHub === true);
/**
 * Whether it fastens something on a shaft.
 *
 * @example isHub(pathInOrder(puffin)[0]) // true
 */
export const isHub = (element: PathElement): element is Hub => kindOf(element.kind).isHub === true;

/**
 * A new part of the path round a bore or shaft of that diameter; its other numbers are assumed.
 *
 * @example freshPathElement('key', { id: 'k', after: null, name: 'wheel', bore: typed(0.012, 'mm') }).kind // 'key'
 */
export const freshPathElement = (kind: PathKind, own: Fresh): PathElement => MEMBERS[kind].fresh(own);
/**
 * The same part, stronger by one step.
 *
 * @example strongerPathElement(pathInOrder(puffin)[0]).length // 1
 */
export const strongerPathElement = (element: PathElement): readonly PathChange<PathElement>[] =>
  memberOf(element).stronger(element);
/**
 * The same part made to fit what is beside it; undefined where its neighbour is what is changed.
 *
 * @example fittedPathElement(
 *   pathInOrder(puffin)[0],
 *   { elementId: 'path-1', what: 'bore', has: typed(0.012, 'mm'), wants: typed(0.015, 'mm'), adapter: 'bush' },
 *   { before: typed(0.015, 'mm') },
 * )?.element.bore.value // 0.015 m
 */
export const fittedPathElement = (
  element: PathElement,
  mismatch: Mismatch,
  beside: Beside,
): PathChange<PathElement> | undefined => memberOf(element).fitted?.(element, mismatch, beside);
/** What a part of the path shows towards the motor and towards the wheel. */
export const facesOf = (element: PathElement) => memberOf(element).faces?.(element);
/** What of a part does not fit together within itself. */
export const mismatchWithin = (element: PathElement): Omit<Mismatch, 'elementId'> | undefined =>
  memberOf(element).mismatch?.(element);
/**
 * What is bought or made for a part, beside the hubs that stages and layout bring.
 *
 * @example pathPart(pathInOrder(puffin)[0]) // { name: 'Set screw M8 for driver sprocket', count: 2 }
 */
export const pathPart = (
  element: PathElement,
): { readonly name: string; readonly count: number } | undefined => memberOf(element).part?.(element);

/**
 * How far what a part holds stands over the working torque; 1 where that is in its allowable stress.
 *
 * @example safetyOf('key') // 1
 */
export const safetyOf = (kind: PathKind): number => kindOf(kind).safety ?? 1;

/** What is given as an allowable stress or a rated torque stands about twice that for a moment (common practice, no source). */
const MOMENTARY = 2;
/** The same at a stall: friction and screws need only hold. */
const stallSafety = (kind: PathKind): number => (safetyOf(kind) > 1 ? 1 : 1 / MOMENTARY);

/**
 * How a part holds a torque: by a sum, with what turns its factor into the torque it may work with; or as its maker says.
 *
 * @example holdOf(pathInOrder(puffin)[0], 10, { stalled: false }) !== undefined // true
 */
export function holdOf(element: PathElement, torqueNm: number, { stalled }: { readonly stalled: boolean }) {
  const holds = memberOf(element).holds(element, torqueNm);
  const safetyFactor = stalled ? stallSafety(element.kind) : safetyOf(element.kind);
  return 'rated' in holds
    ? { rated: holds.rated, heldNm: holds.rated.value / safetyFactor }
    : { sum: holds, input: inputOf(holds, torqueNm, safetyFactor) };
}

const inputOf = (sum: Sum, torqueNm: number, safetyFactor: number) => ({
  torqueNm,
  factor: sum.answer(),
  safetyFactor,
});

const heldAtAll = (element: PathElement, stalled: boolean): number => {
  try {
    // Stress and slip grow with the torque: what it holds is the same whatever is asked.
    const hold = holdOf(element, 1, { stalled });
    return hold.input ? torqueHeld.run(hold.input).heldNm : hold.heldNm;
  } catch (error) {
    if (error instanceof NotPhysical) return 0;
    throw error;
  }
};

const held = remembered((element: PathElement) => ({
  working: heldAtAll(element, false),
  stalled: heldAtAll(element, true),
}));

/**
 * The torque that a part of the path may work with, or stands at a stall: N·m. A part that cannot be made holds nothing.
 *
 * @example pathHolds(pathInOrder(puffin)[0], { stalled: false }) // 20.02
 */
export const pathHolds = (element: PathElement, { stalled }: { readonly stalled: boolean }): number =>
  held(element)[stalled ? 'stalled' : 'working'];
