import {
  batteryOf,
  choosePart,
  driverOf,
  motorOf,
  type Build,
  type Duty,
  type PartKind,
  type PartOf,
} from '../../build/index.ts';
import { show, showNumber } from '../../quantity/index.ts';
import type { LinkReport } from '../report.ts';
import { brakedAll, scaled, type Asked, type Candidate, type Generator } from './candidate.ts';
import { lighter, lowerLoad, weight } from './load-candidates.ts';
import { otherHub, stifferMount, strongerPart } from './path-candidates.ts';
import { largerChain, otherKind, smallerOnAxle, stronger, teeth, widerDriver } from './stage-candidates.ts';

const withDuty = (build: Build, id: string, part: Partial<Duty>): Build => ({
  ...build,
  duties: build.duties.map((d) => (d.id === id ? { ...d, ...part } : d)),
});

/** Parts of a kind on the shelf, the ones nearest to what is fitted by a figure: two on either side. */
function neighbours<K extends PartKind>(
  { build, shelf }: Asked,
  kind: K,
  { fitted, by }: { readonly fitted: PartOf<K> | undefined; readonly by: (part: PartOf<K>) => number },
): readonly Candidate[] {
  const others = shelf.filter((part): part is PartOf<K> => part.kind === kind && part.id !== fitted?.id);
  const at = fitted ? by(fitted) : 0;
  const ranked = [...others].sort((a, b) => by(a) - by(b));
  const above = ranked.filter((part) => by(part) > at).slice(0, 3);
  const below = ranked.filter((part) => by(part) <= at).slice(-2);
  return [...below, ...above].map((part) => ({ text: part.name, build: choosePart(build, part) }));
}

const motors: Generator = (asked) =>
  neighbours(asked, 'motor', {
    fitted: motorOf(asked.build),
    by: (motor) => motor.stallTorqueNm * motor.noLoadRpm,
  });
const drivers: Generator = (asked) =>
  neighbours(asked, 'driver', { fitted: driverOf(asked.build), by: (driver) => driver.continuousA });
const batteries: Generator = (asked) =>
  neighbours(asked, 'battery', {
    fitted: batteryOf(asked.build),
    by: (battery) => battery.cellAh * battery.parallel * battery.series,
  });

/** The duty slower; what it takes longer, its time says. */
const slower: Generator = ({ build, duty, system }) =>
  duty && duty.speed.value > 0
    ? [0.8, 0.6].map((by) => {
        const speed = scaled(duty.speed, by);
        return {
          text: `“${duty.name}” at ${show(speed.value, 'speed', system).text} instead of ${show(duty.speed.value, 'speed', system).text}`,
          build: withDuty(build, duty.id, { speed }),
        };
      })
    : [];

/** Catching less of a lean. */
const lessLean: Generator = ({ build, duty, system }) =>
  duty?.lean
    ? [0.75, 0.5].map((by) => {
        const lean = scaled(duty.lean ?? duty.grade, by);
        return {
          text: `“${duty.name}” from ${show(lean.value, 'angle', system).text}`,
          build: withDuty(build, duty.id, { lean }),
        };
      })
    : [];

/** Smaller or larger driven wheels. */
const wheels: Generator = ({ build, system }) =>
  build.layout.drum
    ? []
    : [0.9, 1.1, 1.25].map((by) => {
        const axles = build.layout.axles.map((axle) =>
          axle.driven ? { ...axle, diameter: scaled(axle.diameter, by) } : axle,
        );
        const size = axles.find(({ driven }) => driven)?.diameter.value ?? 0;
        return {
          text: `Driven wheels of ${show(size, 'length', system).text}`,
          build: { ...build, layout: { ...build.layout, axles } },
        };
      });

/** A second axle driven, where one is and its motors are each a wheel's or an axle's own. */
const secondAxle: Generator = ({ build }) => {
  const { axles, kind } = build.layout;
  if (kind !== 'steered' && kind !== 'rail-dolly') return [];
  const undriven = axles.filter((axle) => !axle.driven);
  return undriven.length === 0
    ? []
    : [
        {
          text: 'Every axle driven, all as one',
          build: {
            ...build,
            layout: { ...build.layout, axles: axles.map((axle) => ({ ...axle, driven: true })) },
            drive: { ...build.drive, together: 'all' },
          },
        },
      ];
};

const differential: Generator = ({ build }) =>
  build.drive.together === 'wheel' || build.drive.together === 'side'
    ? []
    : [
        build.drive.differential === 'locked'
          ? {
              text: 'A differential instead of the live axle',
              build: { ...build, drive: { ...build.drive, differential: 'open' as const } },
            }
          : {
              text: 'A live axle instead of the differential',
              build: { ...build, drive: { ...build.drive, differential: 'locked' as const } },
            },
      ];

/** A narrower or wider stand. */
const track: Generator = ({ build, system }) =>
  [0.7, 0.85, 1.2, 1.4].map((by) => {
    const axles = build.layout.axles.map((axle) => ({ ...axle, track: scaled(axle.track, by) }));
    const widest = Math.max(...axles.map((axle) => axle.track.value));
    return {
      text: `A track of ${show(widest, 'length', system).text}`,
      build: { ...build, layout: { ...build.layout, axles } },
    };
  });

/** Tracks that stand shorter on the ground scrub less. */
const shorterTracks: Generator = ({ build, system }) =>
  build.layout.kind === 'tracked'
    ? [0.8, 0.65].map((by) => {
        const axles = build.layout.axles.map((axle) =>
          axle.contactLength ? { ...axle, contactLength: scaled(axle.contactLength, by) } : axle,
        );
        const longest = Math.max(...axles.map((axle) => axle.contactLength?.value ?? 0));
        return {
          text: `Tracks of ${show(longest, 'length', system).text} on the ground`,
          build: { ...build, layout: { ...build.layout, axles } },
        };
      })
    : [];

const brake: Generator = ({ build }) => [brakedAll(build)];

const frictionBrake: Generator = (asked) => (asked.build.brake.kind === 'friction' ? [] : brake(asked));

const quickerBrake: Generator = ({ build }) =>
  build.brake.force
    ? [
        {
          text: 'A brake of twice the force',
          build: { ...build, brake: { ...build.brake, force: scaled(build.brake.force, 2) } },
        },
      ]
    : [];

const steeringLinkage: Generator = ({ build }) =>
  build.steering
    ? [1.5, 2].map((by) => {
        const linkageRatio = scaled(
          build.steering?.linkageRatio ?? { value: 1, unit: ': 1', origin: 'typed' },
          by,
        );
        return {
          text: `A steering linkage of ${showNumber(linkageRatio.value)} : 1`,
          build: { ...build, steering: build.steering && { ...build.steering, linkageRatio } },
        };
      })
    : [];

/** Which changes may mend which margin. */
const GENERATORS: Readonly<Record<LinkReport['link'], readonly Generator[]>> = {
  grip: [weight, lighter, secondAxle, differential, slower, track, shorterTracks, lessLean],
  'tip-along': [lowerLoad, lighter, weight],
  'tip-side': [track, lowerLoad, lighter],
  corner: [slower, track, lowerLoad],
  step: [wheels, weight, secondAxle],
  clearance: [wheels],
  'push-on': [differential, track, weight, slower],
  steering: [steeringLinkage],
  'brake-hold': [brake, quickerBrake],
  'brake-stop': [brake, quickerBrake, slower],
  torque: [teeth, motors, lighter, slower, wheels, batteries, drivers, lessLean],
  speed: [teeth, motors, batteries, slower, wheels, weight, lighter, track, shorterTracks, lessLean],
  ratio: [teeth, motors, slower, batteries, lessLean],
  'chain-pull': [largerChain, teeth, lighter],
  'gearhead-torque': [teeth, lighter, wheels],
  'tooth-stress': [stronger, otherKind, teeth, lighter],
  'belt-pull': [stronger, otherKind, teeth],
  slip: [otherKind, stronger],
  'rope-pull': [stronger, lighter],
  'track-pull': [stronger, lighter],
  'stage-stall': [stronger, largerChain, drivers, otherKind, teeth],
  'stage-brake': [frictionBrake, stronger, largerChain],
  path: [strongerPart, otherHub, lighter],
  'path-stall': [strongerPart, otherHub, drivers],
  'mount-twist': [stifferMount, widerDriver, teeth],
  'axle-clearance': [smallerOnAxle, wheels],
  'axle-room': [smallerOnAxle],
  'motor-heat': [teeth, motors, lighter, slower],
  'driver-current': [drivers, teeth, motors, lighter, slower],
  'driver-peak': [drivers, motors],
  'driver-voltage': [drivers, batteries],
  'battery-current': [batteries, teeth, lighter, slower],
  'battery-peak': [batteries, drivers],
  'battery-voltage': [batteries, teeth, lighter],
  energy: [batteries, lighter, slower],
};

/** Every candidate for a margin; those that leave the build as it is are left out. */
export const candidatesFor = (asked: Asked): Candidate[] =>
  GENERATORS[asked.link.link]
    .flatMap((generate) => generate(asked))
    .filter(({ build }) => build !== asked.build);
