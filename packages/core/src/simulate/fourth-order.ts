import type { Balance, BalanceModel } from './balance-model.ts';

type Swings = Pick<BalanceModel, 'accelerations'>;

type Rates = readonly [number, number, number, number];

/** One step of Runge and Kutta's fourth order, under one voltage. */
export function stepped(model: Swings, at: Balance, volts: number, h: number): Balance {
  const rates = (s: Balance): Rates => {
    const [a, alpha] = model.accelerations(s, volts);
    return [s.v, a, s.rate, alpha];
  };
  const along = ([x, v, lean, rate]: Rates, by: number): Balance => ({
    x: at.x + by * x,
    v: at.v + by * v,
    lean: at.lean + by * lean,
    rate: at.rate + by * rate,
  });
  const k1 = rates(at);
  const k2 = rates(along(k1, h / 2));
  const k3 = rates(along(k2, h / 2));
  const k4 = rates(along(k3, h));
  const mean = (n: 0 | 1 | 2 | 3): number => (k1[n] + 2 * k2[n] + 2 * k3[n] + k4[n]) / 6;
  return along([mean(0), mean(1), mean(2), mean(3)], h);
}
