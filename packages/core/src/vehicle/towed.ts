import type { Quantity } from '../quantity/index.ts';
import { surfacePair } from '../ground/index.ts';
import type { Build } from './document.ts';
import type { Duty } from './duty.ts';
import { layoutKind } from './layout/index.ts';
import { between } from './new-build.ts';

/**
 * What is towed rolls with on a ground, until it is measured: on air tyres, as trailers do, and on a rail on wheels like
 * those of the vehicle itself.
 *
 * @example towedRolling(puffin, 'cobbles').value // 0.08
 */
export function towedRolling({ layout, grounds }: Build, groundId: string | undefined): Quantity {
  const ground = grounds.find(({ id }) => id === groundId);
  const tyre = layoutKind(layout.kind).onRails ? layout.axles[0]?.tyre : undefined;
  if (ground?.surface) return between(surfacePair(ground.surface, tyre ?? 'pneumatic').rolling);
  const { value, unit } = ground?.rolling ?? { value: 0.05, unit: '' };
  return { value, unit, origin: 'assumed' };
}

/**
 * A job on another ground of the build: what it tows rolls as it does there, unless somebody said how it rolls.
 *
 * @example dutyOnGround(puffin, puffin.duties[0], 'quay').groundId // 'quay'
 */
export function dutyOnGround(build: Build, duty: Duty, groundId: string): Duty {
  const { towed } = duty;
  const guessed = towed?.rolling.origin === 'assumed';
  return {
    ...duty,
    groundId,
    ...(guessed ? { towed: { ...towed, rolling: towedRolling(build, groundId) } } : {}),
  };
}
