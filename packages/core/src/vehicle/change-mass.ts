import type { Build, PlacedMass } from './document.ts';

/** Which mass of a build: its own, the payload, or one of the others by its id. */
export type MassKey = 'own' | 'payload' | { readonly other: string };

/**
 * The build with one of its masses changed.
 *
 * @example changeMass(puffin, 'payload', (mass) => ({ ...mass, mass: typed(60, 'kg') })).masses.payload.mass.value
 *   // 60
 */
export function changeMass(
  build: Build,
  which: MassKey,
  change: <M extends PlacedMass>(mass: M) => M,
): Build {
  const { masses } = build;
  if (typeof which === 'string') return { ...build, masses: { ...masses, [which]: change(masses[which]) } };
  return {
    ...build,
    masses: { ...masses, others: masses.others.map((m) => (m.id === which.other ? change(m) : m)) },
  };
}
