import { contactsOf, freeId, type Build, type OtherMass } from '../../build/index.ts';
import { show } from '../../quantity/index.ts';
import { scaled, type Asked, type Candidate } from './candidate.ts';

/** What changes the load need to know: they are made for margins and for what does not stand. */
type OfLoad = (asked: Pick<Asked, 'build' | 'system'>) => readonly Candidate[];

/** The build with its payload changed. */
export const withPayload = (build: Build, change: Partial<Build['masses']['payload']>): Build => ({
  ...build,
  masses: { ...build.masses, payload: { ...build.masses.payload, ...change } },
});

const LESS_LOAD = [0.8, 0.6] as const;

/** Less of the payload, for every duty. */
export const lighter: OfLoad = ({ build, system }) => {
  const { payload } = build.masses;
  return payload.mass.value <= 0
    ? []
    : LESS_LOAD.map((by) => {
        const mass = scaled(payload.mass, by);
        return {
          text: `Payload of ${show(mass.value, 'mass', system).text} instead of ${show(payload.mass.value, 'mass', system).text}`,
          build: withPayload(build, { mass }),
        };
      });
};

/** The middle of what is driven, metres ahead of the rear axle. */
function drivenMiddle({ layout }: Build): number {
  const driven = contactsOf(layout).filter(({ axle }) => axle.driven);
  return driven.reduce((sum, c) => sum + c.aheadM, 0) / Math.max(1, driven.length);
}

/** Ballast over what is driven, or the load moved towards it. */
export const weight: OfLoad = ({ build, system }) => {
  const { masses } = build;
  const middle = drivenMiddle(build);
  const kg = Number((masses.own.mass.value * 0.15).toPrecision(2));
  const ballast: OtherMass = {
    id: freeId('ballast', masses.others),
    name: 'Ballast',
    kind: 'ballast',
    mass: { value: kg, unit: 'kg', origin: 'typed' },
    aheadOfRearAxle: { value: middle, unit: 'mm', origin: 'typed' },
    left: { value: 0, unit: 'mm', origin: 'typed' },
    height: { ...masses.own.height, origin: 'typed' },
  };
  const moved = masses.payload.aheadOfRearAxle.value + (middle - masses.payload.aheadOfRearAxle.value) / 2;
  return [
    {
      text: `${show(kg, 'mass', system).text} of ballast over the driven wheels`,
      build: { ...build, masses: { ...masses, others: [...masses.others, ballast] } },
    },
    ...(masses.payload.mass.value > 0
      ? [
          {
            text: `The payload half-way to the driven wheels`,
            build: withPayload(build, {
              aheadOfRearAxle: { ...masses.payload.aheadOfRearAxle, value: moved, origin: 'typed' },
            }),
          },
        ]
      : []),
  ];
};

/** The load lower. */
export const lowerLoad: OfLoad = ({ build, system }) => {
  const { payload } = build.masses;
  const height = scaled(payload.height, 0.7);
  return payload.mass.value > 0
    ? [
        {
          text: `The payload's middle at ${show(height.value, 'length', system).text} instead of ${show(payload.height.value, 'length', system).text}`,
          build: withPayload(build, { height }),
        },
      ]
    : [];
};
