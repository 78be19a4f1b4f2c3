/**
 * Numbers from 0 to 1 that look like chance and are the same at every run with one seed. Source: mulberry32, T. Ettinger, public
 * domain; good for sampling, not for secrets.
 *
 * @example seeded(1)() === seeded(1)() // true
 */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/**
 * A number of the standard normal distribution from an even generator, by its polar form.
 *
 * Source: G. E. P. Box & M. E. Muller, Annals of Mathematical Statistics 29 (1958).
 *
 * @example normalFrom(seeded(1)) === normalFrom(seeded(1)) // true
 */
export function normalFrom(random: () => number): number {
  const size = Math.sqrt(-2 * Math.log(1 - random()));
  return size * Math.cos(2 * Math.PI * random());
}
