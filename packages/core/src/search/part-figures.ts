import { peukertOf, ratedHoursOf, sunWhileRunning } from '../capability/index.ts';
import type { DutyAsked } from '../demand/index.ts';
import { cableOhm, channelOhm, drivelineOf, leadOhm, worksDraw } from '../drive/index.ts';
import { ampacityOf, fuseOf, mainSwitchOf, marginsOf, steeringLinks, workLinks } from '../judge/index.ts';
import { AIR_DENSITY } from '../quantity/index.ts';
import {
  driveOf,
  motorModel,
  outputsOf,
  rollingDiameter,
  type Build,
  type PartOf,
} from '../vehicle/index.ts';
import type { BatteryFigures, DriverFigures, FrameFigures, MotorFigures } from './figures.ts';
import { isGiven, tallyOf } from './tally.ts';

/** What no part of a set changes; of a build with a motor. */
export function frameFigures(build: Build): FrameFigures {
  const { supply, dragArea, marginPolicy } = build;
  const { cable, charger, commandShare, usableShare } = supply;
  const { leads, motorsPerWheel } = driveOf(build);
  return {
    policy: marginPolicy,
    outputs: outputsOf(build),
    motorsPerWheel,
    wheelRadiusM: rollingDiameter(build).value / 2,
    leadOhm: leadOhm(build),
    commandShare: commandShare?.value ?? 1,
    dragNs2PerM2: 0.5 * AIR_DENSITY * dragArea.value,
    usableShare: usableShare.value,
    cableA: cable && ampacityOf(cable),
    leadsA: leads && ampacityOf(leads),
    fuseA: fuseOf(build),
    switchA: mainSwitchOf(build),
    charge: charger?.hours && { chargerA: charger.current.value, withinS: charger.hours.value },
    given: tallyOf(marginsOf(build).links.filter(({ link, dutyId }) => isGiven(link) && dutyId === null)),
  };
}

/** A motor with magnets; undefined of any other. */
export function motorFigures(motor: PartOf<'motor'>): MotorFigures | undefined {
  const { constants } = motorModel(motor);
  if (!constants) return undefined;
  const { resistanceOhm, keVsPerRad, ktNmPerA, noLoadA } = constants;
  return { ohm: resistanceOhm, keVsPerRad, ktNmPerA, noLoadA, continuousA: motor.continuousA };
}

const NO_DRIVER: DriverFigures = {
  there: false,
  ohm: 0,
  limitA: Infinity,
  limits: true,
  continuousA: Infinity,
  peakA: Infinity,
  mostV: Infinity,
  leastV: 0,
};

/** A driver, or what stands for none before a motor with electronics of its own. */
export const driverFigures = (driver: PartOf<'driver'> | undefined): DriverFigures =>
  driver
    ? {
        there: true,
        ohm: channelOhm(driver),
        limitA: driver.limitsCurrent ? driver.peakA : Infinity,
        limits: driver.limitsCurrent,
        continuousA: driver.continuousA,
        peakA: driver.peakA,
        mostV: driver.mostV,
        leastV: driver.leastV,
      }
    : NO_DRIVER;

/** A battery in its build, of which a motor and what the duties ask are known. */
export function batteryFigures(build: Build, duties: readonly DutyAsked[]): BatteryFigures | undefined {
  const line = drivelineOf(build);
  const bank = line?.bank;
  if (!line || !bank) return undefined;
  const { drivingW, meanW } = worksDraw(build);
  const beside = [...workLinks(build), ...steeringLinks(build, duties)];
  return {
    openCircuitV: bank.nominalV,
    fullV: bank.fullV,
    emptyV: bank.emptyV,
    ohm: bank.resistanceOhm + cableOhm(build),
    limitA: bank.limitA,
    continuousA: bank.continuousA,
    peakA: bank.peakA,
    capacityAh: bank.capacityAh,
    exponent: peukertOf(line),
    ratedHours: ratedHoursOf(line),
    auxiliaryW: line.circuit.auxiliaryW,
    moreW: meanW - drivingW - sunWhileRunning(build),
    fixed: tallyOf(beside.filter(({ link }) => !isGiven(link))),
    given: tallyOf(beside.filter(({ link }) => isGiven(link))),
  };
}
