import type { Quantity } from '../../quantity/index.ts';
import { stageHubs, stageKind, type Stage } from '../stages/index.ts';
import { ofMm } from './common.ts';
import { freshPathElement, type PathElement, type PathKind } from './elements.ts';
import type { MotorShaft } from './matches.ts';
import { keyFor } from './usual-sizes.ts';

/** Shaft diameter that a wheel of so many metres usually has (common practice, no source). */
const usualShaft = (wheelDiameterM: number): Quantity =>
  ofMm(wheelDiameterM > 0.3 ? 17 : wheelDiameterM > 0.12 ? 12 : wheelDiameterM > 0.07 ? 8 : 5);

/**
 * A usual torque path through some stages: each driving hub held on the shaft before it, each driven hub on a shaft of
 * its own, and the wheel on the last.
 *
 * @example freshPath([stage], { wheelDiameterM: 0.4 }).map(({ kind }) => kind)
 *   // ['set-screws', 'key', 'shaft', 'key']
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
      ? { ...element, keyWidth: ofMm(keyFor(element.diameter)) }
      : element,
  );
}
