import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

/** A charge of a lithium battery where its charger's data sheet is silent (common practice, no source). */
export const CHARGE = { chargeEfficiency: 0.95, taperShare: 0.2, endShare: 0.05 } as const;

const input = z.strictObject({
  capacityAh: key.positive('Capacity of the pack', 'Ah'),
  drawnShare: key.share('Share of it that was drawn'),
  chargerA: key.positive('Current of the charger', 'A'),
  chargeEfficiency: key.share('Share of the charge that stays').default(CHARGE.chargeEfficiency),
  taperShare: z
    .number()
    .min(0)
    .max(1)
    .default(CHARGE.taperShare)
    .meta({ description: 'Share of the capacity that is charged while the current falls', unit: '' }),
  endShare: z
    .number()
    .gt(0)
    .lt(1)
    .default(CHARGE.endShare)
    .meta({ description: 'Share of the charger’s current at which it ends', unit: '' }),
});

const output = z.strictObject({
  constantHours: key.nonNegative('Time at full current', 'h'),
  taperHours: key.nonNegative('Time while it falls', 'h'),
  hours: key.nonNegative('Time in all', 'h'),
  backAh: key.positive('Charge that the charger gives', 'Ah'),
});

export const chargeTime = defineCalculator({
  name: 'charge-time',
  topic: 'supply',
  asks: 'How long does it charge?',
  title: 'Charging a pack',
  purpose: 'Hours until a pack is full again: at full current, then at one that falls.',
  input,
  output,
  formula: 'tc = max(0, s − f) C/(η I);  tt = min(s, f) C ln(1/e)/(η I (1 − e));  t = tc + tt;  back = s C/η',
  symbols: {
    given: {
      C: 'capacityAh',
      s: 'drawnShare',
      I: 'chargerA',
      η: 'chargeEfficiency',
      f: 'taperShare',
      e: 'endShare',
    },
    found: { tc: 'constantHours', tt: 'taperHours', t: 'hours', back: 'backAh' },
  },
  source: 'constant current, then a current falling exponentially to its end: its integral',
  limits: 'A charger made for the pack, as its maker says; cold packs and old ones take longer. Watch it.',
  examples: [
    {
      origin: 'half of 10 Ah at 5 A, none of it falling, none lost: one hour (arithmetic)',
      input: { capacityAh: 10, drawnShare: 0.5, chargerA: 5, chargeEfficiency: 1, taperShare: 0 },
      output: { constantHours: 1, taperHours: 0, hours: 1, backAh: 5 },
    },
  ],
  run: ({ capacityAh, drawnShare, chargerA, chargeEfficiency, taperShare, endShare }) => {
    const fullCurrentHours = capacityAh / (chargeEfficiency * chargerA);
    const constantHours = Math.max(0, drawnShare - taperShare) * fullCurrentHours;
    const taperHours =
      (Math.min(drawnShare, taperShare) * fullCurrentHours * Math.log(1 / endShare)) / (1 - endShare);
    return {
      constantHours,
      taperHours,
      hours: constantHours + taperHours,
      backAh: fullCurrentHours * chargerA * drawnShare,
    };
  },
});

/**
 * Share of a pack's capacity that a charger puts back in a time: at full current, then at one that falls, as `chargeTime`.
 *
 * @param drawnShare of the capacity, that is missing at first
 * @returns never more than was missing
 * @example chargedAfter({ capacityAh: 10, drawnShare: 0.5, chargerA: 5, ...CHARGE, chargeEfficiency: 1, taperShare: 0 }, 0.5) // 0.25
 */
export function chargedAfter(given: z.output<typeof input>, hours: number): number {
  const { capacityAh, drawnShare, chargerA, chargeEfficiency, endShare } = given;
  if (drawnShare === 0) return 0;
  const sharePerHour = (chargeEfficiency * chargerA) / capacityAh;
  const { constantHours, taperHours } = chargeTime.run(given);
  if (hours <= constantHours) return sharePerHour * hours;
  if (hours >= constantHours + taperHours) return drawnShare;
  const tau = taperHours / Math.log(1 / endShare);
  return sharePerHour * (constantHours - tau * Math.expm1(-(hours - constantHours) / tau));
}
