import { MOST_OF_VEHICLE, shortlist, type LinkReport } from '../judge/index.ts';
import { showNumber, typed, figure, sentence, scaled } from '../quantity/index.ts';
import {
  bankOf,
  batteryOf,
  choosePart,
  driverOf,
  drivesMotor,
  massAllUp,
  motorAbilities,
  motorNominal,
  motorOf,
  type Build,
  type Duty,
  type ChosenKind,
  type ChosenPart,
  type Part,
  type PartOf,
  driveOf,
} from '../vehicle/index.ts';
import {
  morePacks,
  strongerCharger,
  strongerPlug,
  strongerRail,
  strongerSwitch,
  suitedFuse,
  thickerCable,
  thickerLeads,
} from './supply-candidates.ts';
import { brake, frictionBrake, quickerBrake } from './brake-candidates.ts';
import { MOST_OVER_RATED, type MoveContext, type Candidate, type Generator } from './candidate.ts';
import { ballast, lighter, lowerLoad, carriedOver, weight } from './load-candidates.ts';
import { otherHub, stifferMount, strongerPart } from './path-candidates.ts';
import { atItsBest, lowerGear, ratios } from './ratio-candidates.ts';
import { otherKind, smallerOnAxle, stronger, teeth, widerDriver } from './stage-candidates.ts';
import {
  wheels,
  wheelsOnSoft,
  wider,
  secondAxle,
  differential,
  track,
  shorterTracks,
  steeringLinkage,
  bothWheels,
  otherTyres,
} from './running-gear-candidates.ts';

const withDuty = (build: Build, id: string, part: Partial<Duty>): Build => ({
  ...build,
  duties: build.duties.map((d) => (d.id === id ? { ...d, ...part } : d)),
});

/** Parts of a kind on the shelf, the ones nearest to what is fitted by a figure: two on either side. */
function neighbours<P extends ChosenPart>(
  build: Build,
  parts: readonly P[],
  { fitted, by }: { readonly fitted: P | undefined; readonly by: (part: P) => number },
): readonly Candidate[] {
  const others = parts.filter((part) => part.id !== fitted?.id);
  const at = fitted ? by(fitted) : 0;
  const ranked = [...others].sort((a, b) => by(a) - by(b));
  const above = ranked.filter((part) => by(part) > at).slice(0, 3);
  const below = ranked.filter((part) => by(part) <= at).slice(-2);
  return [...below, ...above].map((part) => ({ text: part.name, build: choosePart(build, part) }));
}

/** Those of a kind on the shelf. */
const ofKind = <K extends ChosenKind>({ shelf }: MoveContext, kind: K) =>
  shelf.filter((part): part is Extract<Part, { kind: K }> => part.kind === kind);

/** So many of the shelf are tried for a work. */
const BEST_OF_SHELF = 4;

/** Motors that fit the voltage there is and are no burden, each at the ratio that suits it best. */
const motors: Generator = (asked) => {
  const { build } = asked;
  const fitted = motorOf(build);
  const volts = bankOf(build)?.nominalV ?? fitted?.voltageV ?? Infinity;
  const vehicleKg = massAllUp(build) - build.masses.payload.mass.value;
  const fits = ofKind(asked, 'motor').filter(
    (part) =>
      (motorAbilities(part).propels || driveOf(build).does !== 'propels') &&
      part.massKg <= MOST_OF_VEHICLE * vehicleKg &&
      part.voltageV <= MOST_OVER_RATED * volts &&
      volts <= MOST_OVER_RATED * part.voltageV,
  );
  // What a work asks has little to do with what is fitted for it: the best of the shelf, each geared to its pace.
  if (driveOf(build).does === 'works')
    return shortlist(build, fits)
      .slice(0, BEST_OF_SHELF)
      .flatMap(({ part }) => (part.kind === 'motor' ? atItsBest(asked, part) : []));
  return neighbours(build, fits, {
    fitted,
    by: (motor) => motorNominal(motor).stallTorqueNm * motorNominal(motor).noLoadRpm,
  }).map(({ build: chosen }) => {
    const motor = motorOf(chosen);
    return motor ? atItsBest(asked, motor) : { text: '', build };
  });
};
/** Whether a driver turns a motor at all. */
const isFor =
  (motor: ReturnType<typeof motorOf>) =>
  (driver: PartOf<'driver'>): boolean =>
    motor === undefined || drivesMotor(driver, motor);
const drivers: Generator = (asked) =>
  neighbours(asked.build, ofKind(asked, 'driver').filter(isFor(motorOf(asked.build))), {
    fitted: driverOf(asked.build),
    by: (driver) => driver.continuousA,
  });
const batteries: Generator = (asked) =>
  neighbours(asked.build, ofKind(asked, 'battery'), {
    fitted: batteryOf(asked.build),
    by: (battery) => battery.cellAh * battery.parallel * battery.series,
  });

/** The duty slower; what it takes longer, its time says. */
const slower: Generator = ({ build, duty }) =>
  duty && duty.speed.value > 0
    ? [0.8, 0.6].map((by) => {
        const speed = scaled(duty.speed, by);
        return {
          text: sentence`“${duty.name}” at ${figure(speed.value, 'speed')} instead of ${figure(duty.speed.value, 'speed')}`,
          build: withDuty(build, duty.id, { speed }),
          cost: `asks less: ${showNumber(1 / by)} times as long on the way`,
          asksLess: true as const,
        };
      })
    : [];

/** Catching less of a lean. */
const lessLean: Generator = ({ build, duty }) =>
  duty?.lean
    ? [0.75, 0.5].map((by) => {
        const lean = scaled(duty.lean ?? duty.grade, by);
        return {
          text: sentence`“${duty.name}” from ${figure(lean.value, 'angle')}`,
          build: withDuty(build, duty.id, { lean }),
          cost: 'asks less: it falls from leans beyond that',
          asksLess: true as const,
        };
      })
    : [];

/** A share of full command that the top speed then keeps to, rounded down to whole per cents. */
const cappedCommand: Generator = ({ build, link }) => {
  const now = build.supply.commandShare?.value ?? 1;
  return [0.98, 0.9].flatMap((spare): Candidate[] => {
    const share = Math.floor(((now * link.has) / link.needs) * spare * 100) / 100;
    if (!(share > 0) || share >= now) return [];
    return [
      {
        text: `The controller lets through ${showNumber(share * 100)} % of full command`,
        cost: 'as much less is left for climbing fast',
        build: { ...build, supply: { ...build.supply, commandShare: typed(share, '%') } },
      },
    ];
  });
};

/** Of a drive that steers: another ratio or motor. */
const steeringMotor: Generator = (asked) =>
  driveOf(asked.build).does === 'steers' ? [...ratios(asked), ...motors(asked)] : [];

/** Which changes may mend which margin. */
const GENERATORS: Readonly<Record<LinkReport['link'], readonly Generator[]>> = {
  grip: [
    weight,
    ballast,
    carriedOver,
    bothWheels,
    otherTyres,
    wider,
    wheelsOnSoft,
    lighter,
    secondAxle,
    differential,
    slower,
    track,
    shorterTracks,
    lessLean,
  ],
  'wheel-load': [lighter, lowerLoad, secondAxle],
  'tip-along': [lowerLoad, lighter, weight],
  'tip-side': [track, lowerLoad, lighter],
  'slide-side': [slower, lighter, otherTyres],
  'over-speed': [cappedCommand, lowerGear, motors],
  corner: [slower, track, lowerLoad],
  step: [wheels, weight, secondAxle],
  clearance: [wheels],
  'push-on': [differential, track, weight, slower],
  steering: [steeringLinkage, steeringMotor],
  'brake-hold': [brake, quickerBrake],
  'brake-stop': [brake, quickerBrake, slower],
  torque: [ratios, motors, wider, lighter, slower, wheels, batteries, drivers, lessLean],
  speed: [ratios, motors, batteries, slower, wider, wheels, weight, lighter, track, shorterTracks, lessLean],
  ratio: [ratios, motors, slower, batteries, lessLean],
  'chain-pull': [stronger, teeth, lighter],
  'gearhead-torque': [teeth, lighter, wheels],
  'tooth-stress': [stronger, otherKind, teeth, lighter],
  'belt-pull': [stronger, otherKind, teeth],
  slip: [otherKind, stronger],
  'rope-pull': [stronger, lighter],
  'track-pull': [stronger, lighter],
  'stage-stall': [stronger, drivers, otherKind, teeth],
  'stage-brake': [frictionBrake, stronger],
  path: [strongerPart, otherHub, lighter],
  'path-stall': [strongerPart, otherHub, drivers],
  'mount-twist': [stifferMount, widerDriver, teeth],
  'shaft-load': [widerDriver, stronger],
  'axle-clearance': [smallerOnAxle, wheels],
  'axle-room': [smallerOnAxle],
  'motor-heat': [ratios, teeth, motors, wider, lighter, slower],
  'work-torque': [ratios, motors, drivers, batteries],
  'work-speed': [ratios, motors, batteries],
  'steer-speed': [ratios, motors, steeringLinkage],
  travel: [ratios],
  'driver-current': [drivers, ratios, teeth, motors, wider, lighter, slower],
  'driver-peak': [drivers, motors],
  'driver-voltage': [drivers, batteries],
  'battery-current': [batteries, morePacks, teeth, wider, lighter, slower],
  'battery-peak': [batteries, morePacks, drivers],
  'battery-voltage': [batteries, teeth, lighter],
  energy: [batteries, morePacks, wider, lighter, slower],
  cable: [thickerCable, slower, lighter],
  leads: [thickerLeads, teeth, slower, lighter],
  fuse: [suitedFuse, slower, lighter],
  'fuse-wire': [suitedFuse, thickerCable],
  'main-switch': [strongerSwitch, slower],
  rail: [strongerRail],
  'charge-plug': [strongerPlug],
  charge: [strongerCharger],
};

/** Every candidate for a margin; those that leave the build as it is are left out. */
export const candidatesFor = (asked: MoveContext): Candidate[] =>
  GENERATORS[asked.link.link]
    .flatMap((generate) => generate(asked))
    .filter(({ build }) => build !== asked.build);
