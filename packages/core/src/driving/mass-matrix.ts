import type { Rig } from './rig.ts';

/** What resists being sped up, of ahead, left, turning and each spin, row by row: rotors behind a differential tie what they turn. */
export function massMatrix({ massKg, yawInertiaKgM2, spins, motors }: Rig): Float64Array {
  const size = 3 + spins.length;
  const mass = new Float64Array(size * size);
  const add = (row: number, column: number, value: number): void => {
    mass[row * size + column] = (mass[row * size + column] ?? 0) + value;
  };
  add(0, 0, massKg);
  add(1, 1, massKg);
  add(2, 2, yawInertiaKgM2);
  spins.forEach(({ inertiaKgM2 }, k) => {
    add(3 + k, 3 + k, inertiaKgM2);
  });
  for (const { count, rotorKgM2, ratio, turns } of motors)
    for (const a of turns)
      for (const b of turns) add(3 + a.spin, 3 + b.spin, count * rotorKgM2 * ratio ** 2 * a.share * b.share);
  return mass;
}

/** From each speed to one at a rim or corner, m/s. */
export function armsOf({ contacts, spins }: Rig): Float64Array {
  const corner = Math.max(...contacts.map(({ aheadM, leftM }) => Math.hypot(aheadM, leftM)));
  const rims = spins.map((_, k) =>
    Math.max(0, ...contacts.flatMap((c) => (c.spin === k ? [c.radiusM] : []))),
  );
  return Float64Array.from([1, 1, corner, ...rims]);
}
