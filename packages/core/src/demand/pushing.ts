import { radiansToDegrees } from '../quantity/index.ts';
import { heapPush, STRAIGHT_BLADE } from '../ground/index.ts';
import { pushedOf, taskOf, type Duty } from '../vehicle/index.ts';

type Heap = Extract<NonNullable<Duty['push']>, { readonly kind: 'heap' }>;

/**
 * A heap before a blade as the calculator takes it.
 *
 * @example heapInput({ kind: 'heap', what: 'wet-snow', width: typed(0.9, 'm'), heap: typed(0.2, 'm') }, 0).widthM
 *   // 0.9
 */
export function heapInput({ what, width, heap }: Heap, gradeRad: number) {
  const { densityKgM3, friction } = pushedOf(what);
  return {
    widthM: width.value,
    heightM: heap.value,
    densityKgM3,
    friction,
    gradeDeg: radiansToDegrees(gradeRad),
    fill: STRAIGHT_BLADE,
  };
}

/**
 * Force of what a blade pushes against the vehicle, N; a heap on the way down may slide by itself, and never pulls.
 *
 * @example pushOf({ ...duty, push: { kind: 'force', force: typed(200, 'N'), height: typed(0.1, 'm'), ahead: typed(0.5, 'm'), load: typed(0, 'N') } })
 *   // 200
 */
export function pushOf(duty: Duty, gradeRad = duty.grade.value): number {
  const { push } = duty;
  if (!push || !taskOf(duty).drives) return 0;
  return push.kind === 'force'
    ? push.force.value
    : Math.max(0, heapPush.run(heapInput(push, gradeRad)).forceN);
}

/** What a blade does to the loads under the wheels; in a stance in which it does not push, nothing. */
export const bladeKeys = ({ push }: Duty, pushN: number) => ({
  pushN,
  pushHeightM: push?.height.value ?? 0,
  pushVerticalN: push && pushN > 0 ? push.load.value : 0,
  pushAheadOfRearAxleM: push?.ahead.value ?? 0,
});
