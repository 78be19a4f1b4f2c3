import { wire } from '../supply/index.ts';
import { driveOf, type Build, type PartOf, type WireRun } from '../vehicle/index.ts';

/** Copper is reckoned with as warm as it gets at work, °C (common practice, no source). */
const WARM_C = 60;

const ofRun = ({ length, area }: WireRun): number =>
  wire.run({ lengthM: length.value, areaMm2: area.value * MM2, currentA: 0, temperatureC: WARM_C })
    .resistanceOhm;
const MM2 = 1e6;

/**
 * Between battery and drivers, out and back: as typed, or of the wire where that is known.
 *
 * @example cableOhm(puffin) // 0.005985
 */
export const cableOhm = ({ supply: { cable, cableResistance } }: Build): number =>
  cable ? ofRun(cable) : cableResistance.value;

/**
 * Of one motor's leads, out and back.
 *
 * @example leadOhm(puffin) // 0.01
 */
export const leadOhm = (build: Build): number => {
  const { leads, leadResistance } = driveOf(build);
  return leads ? ofRun(leads) : leadResistance.value;
};

/**
 * Of a driver's channel, switched on; 0 where a motor has its own electronics.
 *
 * @example channelOhm(driverOf(puffin)) // 0.006
 */
export const channelOhm = (driver?: PartOf<'driver'>): number => (driver?.resistanceMilliohm ?? 0) / 1000;
