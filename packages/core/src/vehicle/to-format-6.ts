import { isJson, type Json } from '../contract/index.ts';

/**
 * Format 6 has several drives, each with its driver and its motors' leads, and a supply of packs and boards that are
 * counted. What was there drove the vehicle from one pack.
 */
export function toFormat6({ drive, supply, ...document }: Json): Json {
  if (!isJson(drive) || !isJson(supply)) return { ...document, formatVersion: 6, drives: drive, supply };
  const { batteryId, driverId, driverCount, motorLeadResistance, ...rest } = supply;
  return {
    ...document,
    formatVersion: 6,
    drives: [{ ...drive, does: 'propels', driverId, leadResistance: motorLeadResistance }],
    supply: {
      ...rest,
      packs: batteryId === null ? [] : [{ id: batteryId, inSeries: 1, inParallel: 1 }],
      joined: 'in series',
      drivers: driverId === null ? [] : [{ id: driverId, count: driverCount }],
    },
  };
}
