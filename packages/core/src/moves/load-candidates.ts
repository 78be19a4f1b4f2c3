import { STANDARD_GRAVITY, showNumber, figure, sentence } from '../quantity/index.ts';
import { contactsOf, freeId, massAllUp, type Build, type OtherMass } from '../vehicle/index.ts';
import { type MoveContext, type Candidate, type Generator } from './candidate.ts';
import { scaled } from '../quantity/index.ts';

/** What changes the load need to know: they are made for margins and for what does not stand. */
type OfLoad = (asked: Pick<MoveContext, 'build'>) => readonly Candidate[];

/** The build with its payload changed. */
export const withPayload = (build: Build, change: Partial<Build['masses']['payload']>): Build => ({
  ...build,
  masses: { ...build.masses, payload: { ...build.masses.payload, ...change } },
});

const LESS_LOAD = [0.8, 0.6] as const;

/** Less of the payload, for every duty. */
export const lighter: OfLoad = ({ build }) => {
  const { payload } = build.masses;
  return payload.mass.value <= 0
    ? []
    : LESS_LOAD.map((by) => {
        const mass = scaled(payload.mass, by);
        return {
          text: sentence`Payload of ${figure(mass.value, 'mass')} instead of ${figure(payload.mass.value, 'mass')}`,
          build: withPayload(build, { mass }),
          cost: `asks less: carries ${showNumber((1 - by) * 100)} % less`,
          asksLess: true as const,
        };
      });
};

/** The middle of what is driven, metres ahead of the rear axle. */
function drivenMiddle({ layout }: Build): number {
  const driven = contactsOf(layout).filter((contact) => contact.driven);
  return driven.reduce((sum, c) => sum + c.aheadM, 0) / Math.max(1, driven.length);
}

/** The build with a mass more over its driven wheels, at the height of its own. */
function withMass(build: Build, kg: number, name: string, kind: OtherMass['kind']): Build {
  const { masses } = build;
  const added: OtherMass = {
    id: freeId(kind, masses.others),
    name,
    kind,
    mass: { value: kg, unit: 'kg', origin: 'typed' },
    aheadOfRearAxle: { value: drivenMiddle(build), unit: 'mm', origin: 'typed' },
    left: { value: 0, unit: 'mm', origin: 'typed' },
    height: { ...masses.own.height, origin: 'typed' },
  };
  return { ...build, masses: { ...masses, others: [...masses.others, added] } };
}

/** The load moved towards what is driven. */
export const weight: OfLoad = ({ build }) => {
  const { payload } = build.masses;
  const moved = payload.aheadOfRearAxle.value + (drivenMiddle(build) - payload.aheadOfRearAxle.value) / 2;
  return payload.mass.value > 0
    ? [
        {
          text: `The payload half-way to the driven wheels`,
          cost: 'its place on the vehicle',
          build: withPayload(build, {
            aheadOfRearAxle: { ...payload.aheadOfRearAxle, value: moved, origin: 'typed' },
          }),
        },
      ]
    : [];
};

/** More ballast than the vehicle itself is no tweak any more. */
const MOST_BALLAST = 1;

/** Steps of Newton's method: from below a curve that bends down each comes nearer. */
const STEPS = 20;

/** Mass over the driven wheels that brings grip to so many times what is asked, kg, what it asks itself counted. */
function massForGrip({ build, report, link, duty }: MoveContext, times: number): number | undefined {
  const at = report.duties.find(({ id }) => id === link.dutyId);
  if (!at || !duty || !(at.footing.drivenN > 0)) return undefined;
  const perKgN = STANDARD_GRAVITY * Math.cos(duty.grade.value);
  const friction = link.has / at.footing.drivenN;
  const asks = (at.resistance.rollingN + at.resistance.gradeN + at.resistance.inertiaN) / at.footing.massKg;
  const { drivenN: sunkN, loadExponent } = at.sink ?? { drivenN: 0, loadExponent: 1 };
  const most = MOST_BALLAST * (massAllUp(build) - build.masses.payload.mass.value);
  let kg = 0;
  for (let step = 0; step < STEPS; step++) {
    const loads = 1 + (kg * perKgN) / at.footing.drivenN;
    // On soft ground the driven wheels sink deeper under it, and drag more than in proportion.
    const needs = link.needs + asks * kg + sunkN * (loads ** loadExponent - 1);
    const sinks = ((loadExponent * sunkN) / at.footing.drivenN) * loads ** (loadExponent - 1) * perKgN;
    const gain = friction * perKgN - times * (asks + sinks);
    const missing = times * needs - link.has - friction * perKgN * kg;
    if (Math.abs(missing) <= 1e-9 * link.needs) break;
    if (!(gain > 0)) return undefined;
    kg += missing / gain;
    if (kg > most) return undefined;
  }
  return kg > 0 ? kg : undefined;
}

/** Rounded up to two digits: as much as is said does it. */
const roundedUp = (kg: number): number => {
  const step = 10 ** (Math.floor(Math.log10(kg)) - 1);
  return Number((Math.ceil(kg / step) * step).toPrecision(2));
};

/** As much ballast over the driven wheels as grip lacks, to hold at all and to hold by the rule. */
export const ballast: Generator = (asked) =>
  [1, asked.link.rule].flatMap((times) => {
    const kg = massForGrip(asked, times * SPARE);
    if (kg === undefined) return [];
    const much = roundedUp(kg);
    return [
      {
        text: sentence`${figure(much, 'mass')} of ballast over the driven wheels`,
        build: withMass(asked.build, much, 'Ballast', 'ballast'),
      },
    ];
  });

/** A hair over what is asked. */
const SPARE = 1.005;

/** Part of what is towed carried on the vehicle, over its driven wheels. */
export const carriedOver: Generator = (asked) => {
  const { build, duty } = asked;
  if (!duty?.towed) return [];
  const { towed } = duty;
  return [1, asked.link.rule].flatMap((times): Candidate[] => {
    const kg = massForGrip(asked, times * SPARE);
    const much = kg === undefined ? towed.mass.value / 4 : roundedUp(kg);
    if (!(much > 0) || much >= towed.mass.value) return [];
    const left = {
      ...towed.mass,
      value: Number((towed.mass.value - much).toPrecision(6)),
      origin: 'typed' as const,
    };
    const carried = withMass(build, much, 'Part of the load', 'part');
    return [
      {
        text: sentence`${figure(much, 'mass')} of the towed load carried over the driven wheels`,
        cost: 'the vehicle carries it on every job',
        build: {
          ...carried,
          duties: carried.duties.map((d) =>
            d.id === duty.id ? { ...d, towed: { ...towed, mass: left } } : d,
          ),
        },
      },
    ];
  });
};

/** The load lower. */
export const lowerLoad: OfLoad = ({ build }) => {
  const { payload } = build.masses;
  const height = scaled(payload.height, 0.7);
  return payload.mass.value > 0
    ? [
        {
          cost: 'its place on the vehicle',
          text: sentence`The payload's middle at ${figure(height.value, 'length')} instead of ${figure(payload.height.value, 'length')}`,
          build: withPayload(build, { height }),
        },
      ]
    : [];
};
