import {
  arrange,
  arrangementOf,
  changeMember,
  freeId,
  type Build,
  type PlacedPart,
  type Stacked,
} from '../vehicle/index.ts';
import { typed } from '../quantity/index.ts';
import type { CutUp, LayoutMove, PutOn } from './finding.ts';
import { stiffer } from './frame.ts';
import { movedTo } from './place-free.ts';
import { turned, type Vector } from './vector.ts';

/** What is put on a shaft, behind what it comes after. */
function putOn(build: Build, { shaftId, put, afterId, widthM, atM }: PutOn): Build {
  return arrange(build, {
    shafts: (arrangementOf(build).shafts ?? []).map((shaft) => {
      if (shaft.id !== shaftId) return shaft;
      const at = afterId === null ? 0 : shaft.stack.findIndex(({ id }) => id === afterId) + 1;
      const one: Stacked = {
        id: freeId(put, shaft.stack),
        name: put === 'spacer' ? 'Spacer' : 'Collar',
        kind: put,
        width: typed(widthM, 'mm'),
        hold: put === 'spacer' ? 'loose' : 'shaft',
        ...(atM === undefined ? {} : { at: typed(atM, 'mm') }),
      };
      return { ...shaft, stack: shaft.stack.toSpliced(at, 0, one) };
    }),
  });
}

const SIDES = ['length', 'width', 'height'] as const;

/** The pieces of a part along one of its sides: as long as the cuts make them, where they were, each with its share of the mass. */
function piecesAlong(part: PlacedPart, side: (typeof SIDES)[number], cuts: readonly number[]): PlacedPart[] {
  const whole = part[side].value;
  const ends = [0, ...cuts, whole];
  return ends.slice(1).map((to, n): PlacedPart => {
    const from = ends[n] ?? 0;
    const by = (from + to - whole) / 2;
    const along: Vector = side === 'length' ? [by, 0, 0] : side === 'width' ? [0, by, 0] : [0, 0, by];
    const [ahead, left, up] = turned(along, part.turn.value);
    return {
      ...part,
      [side]: { ...part[side], value: to - from },
      aheadOfRearAxle: { ...part.aheadOfRearAxle, value: part.aheadOfRearAxle.value + ahead },
      left: { ...part.left, value: part.left.value + left },
      above: { ...part.above, value: part.above.value + up },
      mass: { ...part.mass, value: (part.mass.value * (to - from)) / whole },
    };
  });
}

/** A part in pieces; its faces and holes stay with the first, to be moved by the builder. */
function cutUp(build: Build, { cutId, cuts }: CutUp): Build {
  const { parts } = arrangementOf(build);
  const part = parts.find(({ id }) => id === cutId);
  if (!part) return build;
  const pieces = SIDES.reduce<PlacedPart[]>(
    (all, side) => {
      const at = cuts.filter((cut) => cut.side === side).map(({ atM }) => atM);
      return all.flatMap((piece) => piecesAlong(piece, side, at));
    },
    [part],
  );
  const named: PlacedPart[] = [];
  for (const [n, piece] of pieces.entries())
    named.push({
      ...piece,
      id: n === 0 ? part.id : freeId('piece', [...parts, ...named]),
      name: `${part.name.slice(0, 54)}, ${n + 1}`,
      ...(n === 0 ? {} : { faces: [], holes: undefined }),
    });
  return arrange(build, { parts: parts.flatMap((one) => (one.id === cutId ? named : one)) });
}

/**
 * The build after a move that ends a finding of its layout.
 *
 * @example withLayoutMove(puffin, { memberId: 'rails', times: 2 }).arrangement?.frame?.[0]?.wall?.value // 0.004
 */
export function withLayoutMove(build: Build, move: LayoutMove): Build {
  if ('partId' in move) return movedTo(build, move);
  if ('put' in move) return putOn(build, move);
  if ('cutId' in move) return cutUp(build, move);
  if ('mountId' in move)
    return changeMember(build, move.memberId, (member) => ({
      ...member,
      mounts: member.mounts.map((one) => (one.id === move.mountId ? { ...one, kind: move.mount } : one)),
    }));
  return changeMember(build, move.memberId, (member) => stiffer(member, move.times) ?? member);
}
