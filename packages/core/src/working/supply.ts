import {
  dutyReport,
  batteryCurrent,
  legsOf,
  peukertOf,
  runTimeInput,
  type DutyReport,
} from '../capability/index.ts';
import { NotPhysical } from '../contract/index.ts';
import { demandOf, sidesAlike } from '../demand/index.ts';
import type { Driveline } from '../drive/index.ts';
import { STRETCH_S, driverDraw, energyDrawn, outingDraw, runTime } from '../supply/index.ts';
import { taskOf, type Build, type Duty } from '../vehicle/index.ts';
import { currentWorking, packWorking } from './drive.ts';
import {
  calculated,
  fixed,
  from,
  readFor,
  shelf,
  worked,
  type Calculation,
  type CalculationBy,
} from './working.ts';

/** @throws NotPhysical where the battery cannot give it, or the motor is pushed. */
export function drawWorking(
  build: Build,
  duty: Duty,
  line: Driveline,
  key: 'batteryA' | 'batteryV',
): CalculationBy<typeof driverDraw> {
  const current = currentWorking(build, duty, line);
  const { turn } = demandOf(build, duty);
  if (!sidesAlike(duty) && turn && turn.outerN !== turn.innerN)
    throw new NotPhysical(
      'unlike-sides',
      'Round a bend each side draws its own: what the battery gives is the sum of both, and is not one sum by itself.',
    );
  const pack = packWorking(line, 'nominalV');
  const { motors, openCircuitV, supplyResistanceOhm, auxiliaryW } = line.circuit;
  const given = {
    motors,
    motorV: Number(current.given.voltageV),
    currentA: current.found.currentA,
    auxiliaryW,
    openCircuitV,
    supplyResistanceOhm,
  };
  return calculated(driverDraw, given, key, [
    fixed('motors', 'Drivetrain'),
    fixed('motorV', 'what the speed and the current ask of the driver'),
    worked('currentA', `Brief, ${duty.name}`, current),
    from('auxiliaryW', build.supply.auxiliaryPower, 'Power, beside the motors'),
    pack
      ? worked('openCircuitV', 'the pack at its nominal voltage', pack)
      : shelf('openCircuitV', `no battery yet: ${line.motor.name}`),
    from('supplyResistanceOhm', build.supply.cableResistance, 'Power, the cable; the pack’s own added'),
  ]);
}

type Figure = 'batteryA' | 'currentA';

const reportsOf = (build: Build, line: Driveline): DutyReport[] =>
  build.duties.map((duty) => dutyReport(build, duty, line));

/** Means over the outing of what the battery gives, or of what each motor carries. */
export function outingWorking(
  build: Build,
  line: Driveline,
  figure: Figure,
  key: 'meanA' | 'equivalentA' | 'worstRmsA' | 'durationS',
): CalculationBy<typeof outingDraw> {
  const legs = legsOf(reportsOf(build, line), (d) =>
    figure === 'batteryA' ? batteryCurrent(build, d, line) : Math.abs(d.point?.currentA ?? 0),
  );
  return calculated(outingDraw, { legs, exponent: peukertOf(line), stretchS: STRETCH_S }, key, [
    fixed('exponent', 'by the chemistry: 1.2 for lead-acid, 1 for others'),
    fixed('stretchS', 'ten minutes (common practice)'),
    ...build.duties.flatMap((duty, row) => [
      {
        key: 'legs',
        cell: { row, column: 'durationS' },
        origin: duty.extent.kind === 'time' ? duty.duration.origin : ('worked' as const),
        where: duty.name,
      },
      {
        key: 'legs',
        cell: { row, column: 'currentA' },
        origin: 'worked' as const,
        where: duty.name,
        ...legWorking(build, duty, line, figure),
      },
    ]),
  ]);
}

/** One step further, where that leg has a working of its own. */
function legWorking(build: Build, duty: Duty, line: Driveline, figure: Figure): { working?: Calculation } {
  if (!taskOf(duty).drives || duty.startsAnHour) return {};
  try {
    return {
      working:
        figure === 'batteryA'
          ? drawWorking(build, duty, line, 'batteryA')
          : currentWorking(build, duty, line),
    };
  } catch {
    return {};
  }
}

const SECONDS_PER_HOUR = 3600;

/** How the energy of an outing came about. */
export function energyNeeded(build: Build, line: Driveline): CalculationBy<typeof energyDrawn> {
  const mean = outingWorking(build, line, 'batteryA', 'meanA');
  const pack = packWorking(line, 'nominalV');
  const given = {
    voltageV: line.circuit.openCircuitV,
    currentA: mean.found.meanA,
    hours: mean.found.durationS / SECONDS_PER_HOUR,
  };
  return calculated(energyDrawn, given, 'energyWh', [
    pack ? worked('voltageV', 'the pack at its nominal voltage', pack) : shelf('voltageV', line.motor.name),
    worked('currentA', 'the mean over the jobs', mean),
    worked('hours', 'the jobs one after the other', readFor(mean, 'durationS')),
  ]);
}

/** How the time that the battery lasts came about. */
export function runTimeWorking(build: Build, line: Driveline): CalculationBy<typeof runTime> | undefined {
  const mean = outingWorking(build, line, 'batteryA', 'meanA');
  const given = runTimeInput(build, line, {
    meanA: mean.found.meanA,
    equivalentA: mean.found.equivalentA,
  });
  const capacity = packWorking(line, 'capacityAh');
  if (!given || !capacity) return undefined;
  return calculated(runTime, given, 'hours', [
    worked('capacityAh', 'the pack', capacity),
    fixed('ratedHours', 'by the chemistry: 20 h for lead-acid, 1 h for others'),
    fixed(
      'exponent',
      'by the chemistry: 1.2 for lead-acid, 1 for others; never more than the rated capacity',
    ),
    given.exponent === 1
      ? worked('currentA', 'the mean over the jobs', mean)
      : worked('currentA', 'what empties it as fast as the jobs do', readFor(mean, 'equivalentA')),
    from('usableShare', build.supply.usableShare, 'Power'),
  ]);
}

/** How the energy that may be spent came about. */
export function energyToSpend(build: Build, line: Driveline): CalculationBy<typeof energyDrawn> | undefined {
  const needed = energyNeeded(build, line);
  const lasts = runTimeWorking(build, line);
  if (!lasts) return undefined;
  const given = {
    voltageV: Number(needed.given.voltageV),
    currentA: Number(needed.given.currentA),
    hours: lasts.found.hours,
  };
  return calculated(energyDrawn, given, 'energyWh', [
    ...needed.inputs.filter(({ key }) => key !== 'hours'),
    worked('hours', 'how long the battery lasts at that', lasts),
  ]);
}
