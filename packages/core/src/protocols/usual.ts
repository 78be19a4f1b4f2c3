import { askedOf } from '../demand/index.ts';
import { marginsOf } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import {
  bankOf,
  courseOf,
  drivenDiameter,
  scaleOf,
  trackOf,
  usual,
  whole,
  type Build,
} from '../vehicle/index.ts';
import type { ProtocolName } from './protocols.ts';
import type { TrialConditions } from './reading.ts';

/** What a set begins with where nothing else is said: by the size of the build (common practice, no source). */
const BEGINS: { readonly [N in ProtocolName]?: (build: Build) => TrialConditions } = {
  'straight-run': (build) => ({
    commanded: typed(usual.trialM(scaleOf(build)), 'm'),
    by: build.driving?.control?.ends === 'time' ? 'time' : 'counts',
  }),
  distance: (build) => ({
    commanded: typed(usual.trialM(scaleOf(build)), 'm'),
    diameter: { ...drivenDiameter(build.layout), origin: 'typed' },
  }),
  'course-run': (build) => ({
    course: build.driving?.course ?? courseOf([{ kind: 'go', distanceM: usual.trialM(scaleOf(build)) }]),
    by: build.driving?.control?.ends === 'time' ? 'time' : 'counts',
  }),
  pivots: () => ({ commanded: typed(4 * Math.PI, '°'), by: 'counts' }),
  square: (build) => ({
    side: typed(usual.trialM(scaleOf(build)) / 2, 'm'),
    ...track(build),
  }),
  'wheel-matching': (build) => ({
    wheels: ['1', '2'],
    commanded: typed(usual.trialM(scaleOf(build)), 'm'),
    ...track(build),
  }),
  'motor-matching': (build) => ({
    motors: ['1', '2', '3', '4'],
    powers: POWERS.map((power) => typed(power, '%')),
    ...weights(build),
    ways: 'both',
    reads: 'speed',
    repeats: typed(3, ''),
    ...chargeUnder(build),
  }),
  'coast-down': (build) => ({
    mass: typed(massOfFirstJob(build), 'kg'),
    rotating: typed(1.03, ''),
    dragArea: build.dragArea,
  }),
  'slip-slope': () => ({ heldShare: typed(1, '%') }),
  stopping: (build) => ({
    speed: typed(build.duties[0]?.speed.value || usual.paceMps(scaleOf(build)), 'm/s'),
  }),
  'with-and-without': () => ({ measures: 'time', better: 'less' }),
  'run-down': (build) => ({ ...stopAt(build) }),
  warming: () => ({ ambient: typed(293.15, '°C') }),
  diagnosis: (build) => ({
    symptom: 'veers',
    commanded: typed(2, 'm'),
    ...track(build),
  }),
  own: () => ({ reads: ['Time, s'], runs: typed(5, '') }),
};

const POWERS = [0.25, 0.5, 0.75, 1];

/** How much of its time the vehicle's jobs run the motor near each power: by the volts that each job takes of the battery. */
function weights(build: Build): TrialConditions {
  const bank = bankOf(build);
  const { duties } = marginsOf(build);
  if (!bank || duties.every(({ point }) => point === undefined)) return {};
  const times = POWERS.map((power) =>
    duties
      .filter(({ point }) => {
        const share = Math.min(1, Math.abs(point?.motorV ?? NaN) / bank.nominalV);
        return POWERS.every((other) => Math.abs(share - power) <= Math.abs(share - other));
      })
      .reduce((sum, { durationS }) => sum + durationS, 0),
  );
  const all = times.reduce((sum, time) => sum + time, 0);
  // Whatever is never run still counts a little: it is run on the way there.
  return all > 0
    ? { weights: times.map((time) => typed(LITTLE + (1 - LITTLE) * Number((time / all).toFixed(2)), '%')) }
    : {};
}

/** Weight of a power that no job runs at (common practice, no source). */
const LITTLE = 0.1;

const track = (build: Build): TrialConditions =>
  trackOf(build.layout).value > 0 ? { track: { ...trackOf(build.layout), origin: 'typed' } } : {};

/** Cells under which a pack is charged before motors are compared, and under which it is empty, as shares of its nominal voltage. */
const CHARGE = 0.98;

function chargeUnder(build: Build): TrialConditions {
  const battery = bankOf(build);
  return battery ? { chargeUnder: typed(battery.nominalV * CHARGE, 'V') } : {};
}

function stopAt(build: Build): TrialConditions {
  const battery = bankOf(build);
  return battery?.emptyV === undefined ? {} : { stopAt: typed(battery.emptyV, 'V') };
}

function massOfFirstJob(build: Build): number {
  const [duty] = build.duties;
  return duty ? askedOf(whole(build), duty, undefined).asked.footing.massKg : build.masses.own.mass.value;
}

/**
 * What a new set of a build begins with.
 *
 * @example usualConditions('pivots', puffin).by // 'counts'
 */
export const usualConditions = (name: ProtocolName, build: Build): TrialConditions =>
  BEGINS[name]?.(build) ?? {};
