import { z } from 'zod';
import { defineCalculator, key } from '../contract/index.ts';

const input = z
  .strictObject({
    driverRunOutMm: key.nonNegative('Run-out of the driving wheel, all its swing in one turn', 'mm'),
    drivenRunOutMm: key.nonNegative('Run-out of the driven wheel', 'mm'),
    driverDiameterMm: key.positive('Driving wheel, at its cord or pins', 'mm'),
    drivenDiameterMm: key.positive('Driven wheel, at its cord or pins', 'mm'),
    centreMm: key.positive('Centre distance', 'mm'),
    tensionN: key.positive('Tension of a belt’s strand, standing still', 'N').optional(),
    stiffnessN: key.positive('Force that would stretch the belt by its own length', 'N').optional(),
    sagMm: key.positive('Sag of a chain’s slack strand in its middle', 'mm').optional(),
  })
  .superRefine((i, context) => {
    const say = (path: string, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message });
    if (i.centreMm <= (i.driverDiameterMm + i.drivenDiameterMm) / 2)
      say('centreMm', 'the wheels overlap: their shafts are further apart');
    if (i.driverRunOutMm >= i.driverDiameterMm / 2)
      say('driverRunOutMm', 'no wheel swings by its own radius');
    if (i.drivenRunOutMm >= i.drivenDiameterMm / 2)
      say('drivenRunOutMm', 'no wheel swings by its own radius');
    if ((i.tensionN === undefined) !== (i.stiffnessN === undefined))
      say(
        i.tensionN === undefined ? 'tensionN' : 'stiffnessN',
        'the swing of tension wants both, tension and stiffness',
      );
  });

const output = z.strictObject({
  lengthSwingMm: key.nonNegative('How much longer and shorter its way gets, in all', 'mm'),
  speedSwing: key.nonNegative('Swing of the speed to either side', ''),
  tensionSwingN: key.nonNegative('Swing of the tension, in all', 'N').optional(),
  leastTensionN: key.real('Least tension; under 0 it hangs loose', 'N').optional(),
  mostTensionN: key.nonNegative('Most tension', 'N').optional(),
  leastSagMm: key.nonNegative('Least sag; 0: taut once a turn', 'mm').optional(),
  mostSagMm: key.nonNegative('Most sag', 'mm').optional(),
});

type Given = z.output<typeof input>;

/** How much longer the way round two wheels gets for each length that their shafts are apart: 2 cos α, and all of the way. */
function wayRound({ driverDiameterMm, drivenDiameterMm, centreMm }: Given) {
  const [r, s] = [driverDiameterMm / 2, drivenDiameterMm / 2];
  const alpha = Math.asin((r - s) / centreMm);
  const strand = centreMm * Math.cos(alpha);
  return {
    perMm: 2 * Math.cos(alpha),
    strandMm: strand,
    lengthMm: 2 * strand + Math.PI * (r + s) + 2 * alpha * (r - s),
  };
}

/** A strand that is longer than its chord by so much sags so far: a shallow parabola. */
const sagOf = (excessMm: number, strandMm: number): number =>
  Math.sqrt((3 / 8) * Math.max(0, excessMm) * strandMm);

export const runOut = defineCalculator({
  name: 'run-out',
  topic: 'making',
  asks: 'My pulley wobbles: what does that do?',
  title: 'Run-out of a wheel that a loop runs round',
  purpose: 'How tension or sag swings where a home-made pulley or sprocket does not run true.',
  input,
  output,
  formula:
    'an eccentric wheel moves by its run-out: ΔL = 2 cos α (e1 + e2);  α = asin((D1 − D2)/(2 C));  belt: ΔT = K ΔL/L;  chain: f = √(3 s (x ± ΔL/2)/8), x = 8 f0²/(3 s)',
  symbols: {
    given: {
      e1: 'driverRunOutMm',
      e2: 'drivenRunOutMm',
      D1: 'driverDiameterMm',
      D2: 'drivenDiameterMm',
      C: 'centreMm',
      K: 'stiffnessN',
      f0: 'sagMm',
    },
    found: { ΔL: 'lengthSwingMm', ΔT: 'tensionSwingN' },
  },
  source: 'geometry of an open belt; a shallow parabola for what hangs (any text of mechanics)',
  limits:
    'Both wheels at their worst at once: with unlike turns that comes round sooner or later. Bending of shafts and give of bearings take some of it up. All of a chain’s slack in one strand.',
  examples: [
    {
      origin: 'equal wheels: both strands take all of the run-out, ΔL = 2 e (geometry)',
      input: {
        driverRunOutMm: 0.5,
        drivenRunOutMm: 0,
        driverDiameterMm: 100,
        drivenDiameterMm: 100,
        centreMm: 500 - 50 * Math.PI,
        tensionN: 100,
        stiffnessN: 50000,
      },
      output: {
        lengthSwingMm: 1,
        speedSwing: 0.005,
        tensionSwingN: 50,
        leastTensionN: 75,
        mostTensionN: 125,
      },
      tolerance: 1e-9,
    },
  ],
  run: (i) => {
    const { perMm, strandMm, lengthMm } = wayRound(i);
    const lengthSwingMm = perMm * (i.driverRunOutMm + i.drivenRunOutMm);
    const speedSwing = i.driverRunOutMm / i.driverDiameterMm + i.drivenRunOutMm / i.drivenDiameterMm;
    const tension = i.tensionN;
    const swing = i.stiffnessN === undefined ? 0 : (i.stiffnessN * lengthSwingMm) / lengthMm;
    const excess = i.sagMm === undefined ? 0 : (8 * i.sagMm ** 2) / (3 * strandMm);
    return {
      lengthSwingMm,
      speedSwing,
      ...(tension === undefined
        ? {}
        : { tensionSwingN: swing, leastTensionN: tension - swing / 2, mostTensionN: tension + swing / 2 }),
      ...(i.sagMm === undefined
        ? {}
        : {
            leastSagMm: sagOf(excess - lengthSwingMm / 2, strandMm),
            mostSagMm: sagOf(excess + lengthSwingMm / 2, strandMm),
          }),
    };
  },
});
