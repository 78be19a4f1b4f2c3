import type { PowerFlows } from './power-flows.ts';

/** Where energy came from and went to: flows over time, J. */
export type EnergyFlows = PowerFlows;

/** No energy at all. */
export const NO_ENERGY: EnergyFlows = {
  fromBattery: 0,
  fromSun: 0,
  into: {
    inBattery: 0,
    inCable: 0,
    inLeads: 0,
    inMotors: 0,
    inStages: 0,
    rolling: 0,
    drag: 0,
    turning: 0,
    pulling: 0,
    climbing: 0,
    speedingUp: 0,
    starting: 0,
    works: 0,
    beside: 0,
    braked: 0,
  },
};

const SINKS = Object.keys(NO_ENERGY.into) as (keyof PowerFlows['into'])[];

/** Energy so far, and what flows for a time, s. */
export const withFlow = (energy: EnergyFlows, flows: PowerFlows, seconds: number): EnergyFlows => ({
  fromBattery: energy.fromBattery + flows.fromBattery * seconds,
  fromSun: energy.fromSun + flows.fromSun * seconds,
  into: Object.fromEntries(
    SINKS.map((sink) => [sink, energy.into[sink] + flows.into[sink] * seconds]),
  ) as unknown as EnergyFlows['into'],
});
