import { z } from 'zod';
import { radSToRpm } from '../quantity/index.ts';
import { defineCalculator, key } from '../contract/index.ts';

const input = z.strictObject({
  wheelTorqueNm: key.real('Torque at each driven wheel', 'N·m'),
  speedMps: key.nonNegative('Road speed', 'm/s'),
  wheelDiameterM: key.positive('Diameter of the driven wheels under load', 'm'),
  ratio: key.positive('Turns of the motor for one of the wheel'),
  efficiency: key.share('Share of the power that comes through'),
  backEfficiency: z.number().min(0).max(1).optional().meta({
    description: 'Share that comes through from wheel to motor; as forwards where left away',
    unit: '',
  }),
  motorsPerWheel: key.count('Motors that share a wheel').default(1),
});

const output = z.strictObject({
  torqueNm: key.real('Torque that each motor must give', 'N·m'),
  rpm: key.nonNegative('Speed of the motor', 'rpm'),
  wheelRpm: key.nonNegative('Speed of the wheel', 'rpm'),
});

export const motorLoad = defineCalculator({
  name: 'motor-load',
  topic: 'ratio',
  asks: 'What does a wheel ask of its motor?',
  title: 'What a wheel asks of its motor',
  purpose: 'Torque and speed of each motor behind a wheel. Pushed by the wheel, losses help it.',
  input,
  output,
  formula:
    'T = max(Tw, 0)/(i η k) + min(Tw, 0) η′/(i k), η′ the efficiency the other way;  nw = 60 v/(π d);  n = i nw',
  symbols: {
    given: {
      Tw: 'wheelTorqueNm',
      v: 'speedMps',
      d: 'wheelDiameterM',
      i: 'ratio',
      η: 'efficiency',
      k: 'motorsPerWheel',
    },
    found: { T: 'torqueNm', n: 'rpm', nw: 'wheelRpm' },
  },
  source: 'kinematics and power balance',
  limits: 'Efficiency is that of a fair load; at a light load or when cold, losses are a larger share.',
  examples: [
    {
      origin: 'power in is power out over the efficiency: 40 N·m through 20 : 1 at 80 % (exact)',
      input: { wheelTorqueNm: 40, speedMps: Math.PI * 0.4, wheelDiameterM: 0.4, ratio: 20, efficiency: 0.8 },
      output: { torqueNm: 2.5, wheelRpm: 60, rpm: 1200 },
    },
    {
      origin: 'the same pushed: losses take from what reaches the motor (exact)',
      input: { wheelTorqueNm: -40, speedMps: 0, wheelDiameterM: 0.4, ratio: 20, efficiency: 0.8 },
      output: { torqueNm: -1.6, rpm: 0 },
    },
  ],
  run: (i) => {
    const wheelRpm = radSToRpm(i.speedMps / (i.wheelDiameterM / 2));
    const loss = i.wheelTorqueNm >= 0 ? 1 / i.efficiency : (i.backEfficiency ?? i.efficiency);
    return {
      torqueNm: (i.wheelTorqueNm * loss) / i.ratio / i.motorsPerWheel,
      rpm: wheelRpm * i.ratio,
      wheelRpm,
    };
  },
});
