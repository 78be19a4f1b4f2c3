import { celsius, sentence } from '../quantity/index.ts';
import { z } from 'zod';
import { NotPhysical, defineCalculator, key } from '../contract/index.ts';
import { COPPER_PER_K, REFERENCE_C } from './copper.ts';

const input = z.strictObject({
  currentA: key.nonNegative('Current', 'A'),
  resistanceOhm: key.positive('Resistance of the winding at 20 °C', 'Ω'),
  ambientC: key.real('Temperature around the motor', '°C').default(25),
  startC: key.real('Temperature of the winding at the start; that around it unless given', '°C').optional(),
  thermalResistanceKPerW: key.positive('Thermal resistance from winding to air', 'K/W'),
  timeConstantS: key.positive('Thermal time constant', 's'),
  limitC: key.real('Greatest temperature of the winding', '°C').default(120),
});

const temperature = (description: string, unit: string) => z.number().nullable().meta({ description, unit });

const output = z.strictObject({
  steadyC: temperature('Where it settles; null where it runs away', '°C'),
  timeToLimitS: temperature('Time to the limit; null where it never gets there', 's'),
  continuousA: key.positive('Current that just reaches the limit', 'A'),
});

interface Heating {
  /** Heating that feeds on itself, as a share of the cooling: 1 and more runs away. */
  readonly feedback: number;
  /** Temperature to which cooling and the cold winding's heat would take it, °C. */
  readonly drive: number;
}

/** Time to the limit by T(t) = T∞ + (T0 − T∞)e^(−(1−x)t/τ); null where it settles below. */
function timeToLimit(
  { feedback: x, drive }: Heating,
  startC: number,
  limitC: number,
  timeConstantS: number,
): number | null {
  if (startC >= limitC) return 0;
  if (x === 1) return drive > 0 ? (timeConstantS * (limitC - startC)) / drive : null;
  const endC = drive / (1 - x);
  if (x < 1 && endC <= limitC) return null;
  const share = (limitC - endC) / (startC - endC);
  return share > 0 ? (-timeConstantS / (1 - x)) * Math.log(share) : null;
}

export const motorHeat = defineCalculator({
  name: 'motor-heat',
  topic: 'motor',
  asks: 'How hot does it get?',
  title: 'How hot a motor gets',
  purpose: 'Steady temperature, time to the limit and current a winding stands all day.',
  input,
  output,
  formula:
    'q = Rth I² R;  T∞ = (Ta + q (1 − 20 α))/(1 − q α);  T = T∞ + (T0 − T∞) e^(−(1 − q α) t/τ);  Ic = √((Tl − Ta)/(Rth R (1 + α (Tl − 20))))',
  symbols: {
    given: {
      I: 'currentA',
      R: 'resistanceOhm',
      Ta: 'ambientC',
      T0: 'startC',
      Rth: 'thermalResistanceKPerW',
      τ: 'timeConstantS',
      Tl: 'limitC',
    },
    found: { 'T∞': 'steadyC', Ic: 'continuousA' },
  },
  source: 'first-order thermal model; copper coefficient: IEC 60028',
  limits: 'Winding and case each at one temperature; a fan, a closed box or the sun change the constants.',
  examples: [
    {
      origin: '20 °C + 1/α, exact; checked against the differential equation',
      input: {
        currentA: 10,
        resistanceOhm: 0.1,
        thermalResistanceKPerW: 1 / (20 * COPPER_PER_K),
        ambientC: 20,
        timeConstantS: 100,
      },
      output: { steadyC: 274.4529262086514, timeToLimitS: 99.8453 },
      tolerance: 1e-6,
    },
  ],
  run: (i) => {
    if (i.limitC <= i.ambientC)
      throw new NotPhysical(
        'limit-below-ambient',
        sentence`The limit of ${celsius(i.limitC)} is not above the ${celsius(i.ambientC)} around the motor: raise it or cool the room.`,
      );
    const q = i.thermalResistanceKPerW * i.currentA ** 2 * i.resistanceOhm;
    const heating = { feedback: q * COPPER_PER_K, drive: i.ambientC + q * (1 - REFERENCE_C * COPPER_PER_K) };
    return {
      steadyC: heating.feedback >= 1 ? null : heating.drive / (1 - heating.feedback),
      timeToLimitS: timeToLimit(heating, i.startC ?? i.ambientC, i.limitC, i.timeConstantS),
      continuousA: Math.sqrt(
        (i.limitC - i.ambientC) /
          (i.thermalResistanceKPerW * i.resistanceOhm * (1 + COPPER_PER_K * (i.limitC - REFERENCE_C))),
      ),
    };
  },
});
