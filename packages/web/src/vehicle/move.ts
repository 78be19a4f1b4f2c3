import { changeAxle, changeMass, type Axle, type Build, type MassKey } from '@zubric/core/vehicle';
import type { Quantity } from '@zubric/core/quantity';

/** Moved values are what a hand set: no finer than a tenth of a millimetre. */
const FINEST = 1e-4;
const by = (q: Quantity, d: number, least = -Infinity): Quantity => ({
  ...q,
  value: Math.max(least, Math.round((q.value + d) / FINEST) * FINEST),
  origin: 'typed',
});

export const moveMassInSide = (build: Build, which: MassKey, dx: number, dy: number): Build =>
  changeMass(build, which, (mass) => ({
    ...mass,
    aheadOfRearAxle: by(mass.aheadOfRearAxle, dx),
    height: dy === 0 ? mass.height : by(mass.height, dy, 0),
  }));

export const moveMassInPlan = (build: Build, which: MassKey, dx: number, dy: number): Build =>
  changeMass(build, which, (mass) => ({
    ...mass,
    aheadOfRearAxle: dx === 0 ? mass.aheadOfRearAxle : by(mass.aheadOfRearAxle, dx),
    left: dy === 0 ? mass.left : by(mass.left, dy),
  }));

/** An axle moved along, and its wheels apart; a lone wheel in the middle stays there. */
export function moveAxle(build: Build, axle: Axle, dx: number, apart: number): Build {
  const part: Partial<Axle> = {
    ...(dx === 0 ? {} : { ahead: by(axle.ahead, dx) }),
    ...(apart === 0 || axle.track.value === 0 ? {} : { track: by(axle.track, apart, FINEST) }),
  };
  return Object.keys(part).length === 0 ? build : changeAxle(build, axle.id, part);
}

/** The hitch moved: ahead is less behind. */
export const moveHitch = (build: Build, dx: number, dy: number): Build => ({
  ...build,
  hitch: {
    ...build.hitch,
    behind: dx === 0 ? build.hitch.behind : by(build.hitch.behind, -dx),
    height: dy === 0 ? build.hitch.height : by(build.hitch.height, dy, 0),
  },
});

/** The masses of a build by name, with what moves each. */
export const namedMasses = ({ masses: { own, payload, others } }: Build) => [
  { key: 'own' as MassKey, name: 'Itself', mass: own, tone: 'ink' as const },
  ...(payload.mass.value > 0
    ? [{ key: 'payload' as MassKey, name: 'Payload', mass: payload, tone: 'mech' as const }]
    : []),
  ...others.map((mass) => ({
    key: { other: mass.id } as MassKey,
    name: mass.name,
    mass,
    tone: 'ink' as const,
  })),
];
