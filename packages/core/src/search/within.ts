import { driveOf, itselfKg, piecesOf, throughDrive, whole, type Build } from '../vehicle/index.ts';
import { alikeDrives } from './found-set.ts';
import type { SearchLimits } from './limits.ts';

/** What the parts cost that stay whatever set is put in: all but its motors, their drivers and the batteries. */
function staysCost(build: Build): number {
  const drives = alikeDrives(build).map((id) => driveOf(throughDrive(build, id)));
  const goes = new Set(drives.flatMap(({ motorId, driverId }) => [motorId, driverId]));
  return piecesOf(whole(build))
    .filter(({ part }) => part.kind !== 'battery' && !goes.has(part.id))
    .reduce((sum, { part, count }) => sum + (part.cost ?? 0) * count, 0);
}

/**
 * The limits of a search with what the event of the build allows of a set beside: volts of the full battery, and what is left
 * of the cost of all parts.
 *
 * @example withinEvent({ ...puffin, aims: { ...puffin.aims, voltage: typed(12, 'V') } }, { ...usualLimits, event: true }).mostV // 12
 */
export function withinEvent(build: Build, limits: SearchLimits): SearchLimits {
  if (!limits.event) return limits;
  const { voltage, cost } = build.aims;
  return {
    ...limits,
    ...(voltage ? { mostV: Math.min(voltage.value, limits.mostV ?? Infinity) } : {}),
    ...(cost ? { listed: Math.max(0, cost.value - staysCost(build)) } : {}),
  };
}

/**
 * The same, with no set that weighs more than the vehicle of which it is to be part.
 *
 * @example withinVehicle(puffin, usualLimits).mostKg // 58
 */
export const withinVehicle = (build: Build, limits: SearchLimits): SearchLimits => ({
  ...limits,
  mostKg: Math.min(limits.mostKg ?? Infinity, itselfKg(build)),
});
