/** Charging by a charger and by the sun, against integrals and balances. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { calculate } from '../calculators/index.ts';
import { finite, near } from '../testing/numbers.ts';
import { chargedAfter } from './charge-time.ts';

type Numbers = Record<string, number>;
const ask = (name: string, given: object): Numbers => calculate(name, { ...given }) as Numbers;

describe('charging', () => {
  it('gives what was drawn and what charging loses: the current’s integral over the hours it says', () => {
    fc.assert(
      fc.property(
        finite(0.1, 1),
        finite(0.05, 0.5),
        finite(0.02, 0.5),
        (drawnShare, taperShare, endShare) => {
          const asked = { capacityAh: 20, drawnShare, chargerA: 4, taperShare, endShare };
          const {
            constantHours = NaN,
            taperHours = NaN,
            hours = NaN,
            backAh = NaN,
          } = ask('charge-time', asked);
          // Falling from I to e I in that time: its integral is I t (1 − e)/ln(1/e).
          const given = 4 * constantHours + (4 * taperHours * (1 - endShare)) / Math.log(1 / endShare);
          near(given, backAh, 1e-9);
          near(hours, constantHours + taperHours, 1e-12);
          near(0.95 * backAh, 20 * drawnShare, 1e-12);
        },
      ),
    );
  });

  it('as far as a time goes: nothing at first, all of it at the hours it says, and its slope the current', () => {
    fc.assert(
      fc.property(
        finite(0.1, 1),
        finite(0, 0.5),
        finite(0.02, 0.5),
        finite(0, 1),
        (drawnShare, taperShare, endShare, at) => {
          const given = {
            capacityAh: 20,
            drawnShare,
            chargerA: 4,
            chargeEfficiency: 0.9,
            taperShare,
            endShare,
          };
          const { hours = NaN, constantHours = NaN } = ask('charge-time', given);
          near(chargedAfter(given, hours), drawnShare, 1e-9);
          near(chargedAfter(given, 2 * hours), drawnShare, 1e-12);
          const time = at * hours;
          const step = 1e-5 * hours;
          const slope = (chargedAfter(given, time + step) - chargedAfter(given, time)) / step;
          expect(slope * 20).toBeLessThanOrEqual(0.9 * 4 * (1 + 1e-6));
          if (time + step < constantHours) near(slope * 20, 0.9 * 4, 1e-5);
          expect(slope * 20).toBeGreaterThanOrEqual(
            time + step < hours ? 0.9 * 4 * endShare * (1 - 1e-3) : 0,
          );
        },
      ),
    );
  });

  it('by the sun: what comes in a day is what goes, standing by and under way', () => {
    fc.assert(
      fc.property(finite(5, 200), finite(0.5, 7), finite(0, 3), (panelW, peakSunHours, standbyW) => {
        const found = calculate('charging-by-sun', {
          panelW,
          peakSunHours,
          whPerOuting: 80,
          standbyW,
        }) as Numbers;
        const { whPerDay = 0, standbyWhPerDay = 0, outingsPerDay = 0, daysPerOuting } = found;
        if (outingsPerDay > 0) near(whPerDay, standbyWhPerDay + 80 * outingsPerDay, 1e-9);
        else expect([daysPerOuting, whPerDay <= standbyWhPerDay]).toEqual([null, true]);
      }),
    );
  });
});
