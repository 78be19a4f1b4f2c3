import type { LayoutFinding, LayoutMove, MoveTo, TooNear, Way } from '../layout/index.ts';
import { show, type UnitSystem } from '../quantity/index.ts';
import { cutsInWords, runningFindingInWords, thingName as nameOf } from './running-findings.ts';
import type { Build, FrameMount } from '../vehicle/index.ts';

/**
 * Ways, as they are said of something that goes there.
 *
 * @example WAY_WORDS.top // 'up'
 */
export const WAY_WORDS: Readonly<Record<Way, string>> = {
  front: 'forwards',
  back: 'backwards',
  left: 'to the left',
  right: 'to the right',
  top: 'up',
  bottom: 'down',
};

/**
 * Things in the order in which they come off.
 *
 * @example listInWords(puffin, ['driven-left', 'driven-right']) // 'Driven wheels, left, then Driven wheels, right'
 */
export const listInWords = (build: Build, ids: readonly string[]): string =>
  ids.map((id) => nameOf(build, id)).join(', then ');

function faceName(build: Build, partId: string, faceId: string): string {
  const part = build.arrangement?.parts.find(({ id }) => id === partId);
  const face = part?.faces.find(({ id }) => id === faceId);
  return `the ${face?.kind ?? 'face'} of “${part?.name ?? partId}”`;
}

const upperFirst = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/**
 * A finding of a layout in a sentence or two.
 *
 * @example layoutFindingInWords({ code: 'falls-over', severity: 'stop', moves: [] }, puffin)
 *   // 'Without its load it does not stand: a wheel lifts. Bring weight between its wheels.'
 */
export function layoutFindingInWords(
  finding: LayoutFinding,
  build: Build,
  system: UnitSystem = 'metric',
): string {
  const length = (m: number): string => show(m, 'length', system).text;
  const named = (id: string): string => `“${nameOf(build, id)}”`;
  const clear = ({ way, byM }: TooNear['moved']): string => `${length(byM)} ${WAY_WORDS[way]} it is clear.`;
  switch (finding.code) {
    case 'overlap':
      return `${named(finding.partId)} and ${named(finding.near.withId)} ${finding.near.whenSwept ? 'meet at full lock or full travel' : 'are in the same place'}. ${upperFirst(clear(finding.near.moved))}`;
    case 'near':
      return `${named(finding.partId)} is ${length(finding.near.gapM)} from ${named(finding.near.withId)}, nearer than the gap asked for${finding.near.whenSwept ? ', at full lock or full travel' : ''}. ${upperFirst(clear(finding.near.moved))}`;
    case 'sticks-out':
      return `${named(finding.partId)} sticks out of the body ${WAY_WORDS[finding.out.way]} by ${length(finding.out.byM)} more than it may.`;
    case 'in-the-ground':
      return `${named(finding.partId)} reaches ${length(-finding.aboveM)} into the ground.`;
    case 'hangs-low':
      return `${named(finding.partId)} hangs ${length(finding.aboveM)} over the ground, lower than the body (${length(build.body.clearance.value)}): it meets a step first.`;
    case 'no-reach':
      return `${upperFirst(faceName(build, finding.partId, finding.faceId))} cannot be reached, whatever is taken off.`;
    case 'reach-after':
      return `${upperFirst(faceName(build, finding.partId, finding.faceId))} is reached only after taking off ${listInWords(build, finding.after)}.`;
    case 'never-off':
      return `${named(finding.partId)} comes off no straight way: it is held from all sides.`;
    case 'battery-buried':
      return `To change the battery ${named(finding.partId)} ${finding.after.length} things have to come off: ${listInWords(build, finding.after)}.`;
    case 'heavier-than-own': {
      const mass = (kg: number): string => show(kg, 'mass', system).text;
      return `The placed parts weigh ${mass(finding.placedKg)}, more than the whole vehicle was said to (${mass(finding.ownKg)}). Weigh it again, or the parts.`;
    }
    case 'falls-over':
      return 'Without its load it does not stand: a wheel lifts. Bring weight between its wheels.';
    case 'off-the-driven':
      return `Without its load only ${Math.round(100 * finding.drivenShare)} % of its weight stands on the driven wheels: they slip soon. Move what is heavy towards them.`;
    case 'off-the-middle':
      return `Its middle of gravity is ${length(Math.abs(finding.leftM))} ${finding.leftM > 0 ? 'left' : 'right'} of the middle line: it pulls to that side.`;
    case 'beyond-limit':
      return `With its parts it comes to ${length(finding.hasM)} of ${finding.side}; at most ${length(finding.mayM)} are allowed.`;
    default:
      return runningFindingInWords(finding, build, system);
  }
}

/**
 * Where a part would go.
 *
 * @example moveToInWords({ partId: 'free-left', aheadM: 0.1, leftM: 0, aboveM: 0.2, turnRad: 0 }, puffin)
 *   // '“Castors, left” to 100 mm ahead of the rear axle, on the middle line, 200 mm up'
 */
export function moveToInWords(
  { partId, aheadM, leftM, aboveM, turnRad }: MoveTo,
  build: Build,
  system: UnitSystem = 'metric',
): string {
  const length = (m: number): string => show(Math.abs(m), 'length', system).text;
  const along =
    Math.abs(aheadM) < 5e-4
      ? 'over the rear axle'
      : `${length(aheadM)} ${aheadM < 0 ? 'behind' : 'ahead of'} the rear axle`;
  const aside =
    Math.abs(leftM) < 5e-4 ? 'on the middle line' : `${length(leftM)} ${leftM > 0 ? 'left' : 'right'}`;
  const before = build.arrangement?.parts.find(({ id }) => id === partId)?.turn.value ?? turnRad;
  const turn = Math.abs(before - turnRad) > 1e-6 ? ', turned' : '';
  return `“${nameOf(build, partId)}” to ${along}, ${aside}, ${length(aboveM)} up${turn}`;
}

/**
 * How a shaft is mounted, as it is said.
 *
 * @example MOUNT_WORDS.rigid // 'bolted square'
 */
export const MOUNT_WORDS: Readonly<Record<FrameMount['kind'], string>> = {
  rigid: 'bolted square',
  'self-aligning': 'in bearings that tilt',
  floating: 'floating, held by an arm',
};

/**
 * What would be done, in a few words.
 *
 * @example layoutMoveInWords({ memberId: 'rails', mountId: 'half-axles', mount: 'floating' }, puffin)
 *   // '“Half axles” floating, held by an arm'
 */
export function layoutMoveInWords(move: LayoutMove, build: Build, system: UnitSystem = 'metric'): string {
  const length = (m: number): string => show(m, 'length', system).text;
  if ('partId' in move) return moveToInWords(move, build, system);
  if ('put' in move) {
    const shaft = build.arrangement?.shafts?.find(({ id }) => id === move.shaftId);
    const after = shaft?.stack.find(({ id }) => id === move.afterId)?.name;
    const where = after === undefined ? 'at its first end' : `after “${after}”`;
    return `On “${shaft?.name ?? move.shaftId}” a ${move.put} of ${length(move.widthM)} ${where}`;
  }
  if ('cutId' in move)
    return `“${nameOf(build, move.cutId)}” in pieces: cut ${cutsInWords(move.cuts, length)}`;
  const member = build.arrangement?.frame?.find(({ id }) => id === move.memberId);
  if ('mountId' in move) {
    const mount = member?.mounts.find(({ id }) => id === move.mountId);
    return `“${mount?.name ?? move.mountId}” ${MOUNT_WORDS[move.mount]}`;
  }
  const size = (member?.wall ?? member?.height)?.value ?? 0;
  return `“${member?.name ?? move.memberId}” with ${member?.wall ? 'a wall' : 'a height'} of ${length(size * move.times)}`;
}
