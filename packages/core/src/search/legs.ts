import { STRETCH_S } from '../supply/index.ts';

/** The legs of an outing: how long each is, and what is drawn of the battery; hardest first. */
export interface Legs {
  readonly seconds: number[];
  readonly amps: number[];
}

/** Puts a leg where it belongs: what draws most comes first. */
export function putLeg({ seconds, amps }: Legs, at: number, durationS: number, currentA: number): void {
  let n = at;
  for (; n > 0 && (amps[n - 1] ?? 0) < currentA; n -= 1) {
    amps[n] = amps[n - 1] ?? 0;
    seconds[n] = seconds[n - 1] ?? 0;
  }
  amps[n] = currentA;
  seconds[n] = durationS;
}

/** Root-mean-square current over the hardest stretch of ten minutes, A: `meanDraw` of the supply. */
export function worstRms({ seconds, amps }: Legs, count: number): number {
  let left = STRETCH_S;
  let all = 0;
  let squares = 0;
  for (let n = 0; n < count; n += 1) {
    const part = Math.min(seconds[n] ?? 0, left);
    left -= part;
    all += part;
    squares += (amps[n] ?? 0) ** 2 * part;
  }
  return all > 0 ? Math.sqrt(squares / all) : 0;
}

/** The steady current that empties a battery as fast, by Peukert, A: `meanDraw` of the supply. */
export function equivalentA(
  { seconds, amps }: Legs,
  count: number,
  durationS: number,
  exponent: number,
): number {
  let most = 0;
  for (let n = 0; n < count; n += 1) most = Math.max(most, amps[n] ?? 0);
  let mean = 0;
  for (let n = 0; n < count; n += 1)
    mean += ((amps[n] ?? 0) / most) ** exponent * ((seconds[n] ?? 0) / durationS);
  return most * mean ** (1 / exponent);
}
