import type { BenchFit } from '@zubric/core/bench';
import type { BenchReading } from '@zubric/core/motor';
import { rpmToRadS } from '@zubric/core/quantity';
import { scaleLinear } from 'd3-scale';
import { Axes } from '../charts/Axes.tsx';
import { chartUnit } from '../charts/in-units.ts';
import { useSay, useUnits } from '../common/units.tsx';

const WIDTH = 560;
const HEIGHT = 250;
const FRAME = { left: 62, right: 14, top: 30, bottom: 46 };

interface Props {
  readonly fit: BenchFit;
  readonly readings: readonly BenchReading[];
  readonly ratedV: number;
}

/** Speed against current at the rated voltage: the line of the constants, and the readings brought to that voltage. */
export function FitChart({ fit, readings, ratedV }: Props) {
  const { system } = useUnits();
  const say = useSay();
  const [r, k] = [fit.resistanceOhm.value, fit.constant.value];
  const stallA = ratedV / r;
  const freeRadS = (ratedV - fit.noLoadA.value * r) / k;
  const speed = chartUnit(freeRadS, 'rotation', system);
  const x = scaleLinear([0, stallA * 1.03], [FRAME.left, WIDTH - FRAME.right]);
  const y = scaleLinear([0, speed.convert(freeRadS) * 1.12], [HEIGHT - FRAME.bottom, FRAME.top]);
  const marks = readings.map(({ voltageV, currentA, speedRpm }, at) => ({
    amps: currentA,
    // As fast as it would have turned with the same current at the rated voltage.
    speed: rpmToRadS(speedRpm) + (ratedV - voltageV) / k,
    outlier: fit.residuals[at]?.outlier ?? false,
  }));
  return (
    <figure className="sheet p-2">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block w-full"
        role="img"
        aria-label={`Speed against current at ${say(ratedV, 'voltage')}, the readings as marks`}
      >
        <Axes
          x={x}
          y={y}
          xTitle="current, A"
          yTitle={`speed, ${speed.symbol}`}
          yTicks={4}
          color="var(--color-mech)"
        />
        <path
          d={`M${x(fit.noLoadA.value)} ${y(speed.convert(freeRadS))}L${x(stallA)} ${y(0)}`}
          stroke="var(--color-mech)"
          strokeWidth="2.5"
        />
        {marks.map((mark, at) => (
          <path
            key={at}
            transform={`translate(${x(mark.amps)} ${y(speed.convert(mark.speed))})`}
            d={mark.outlier ? 'M-5-5L5 5M5-5L-5 5' : 'M-5 0H5M0-5V5'}
            stroke={mark.outlier ? 'var(--color-short)' : 'var(--color-ink)'}
            strokeWidth="2"
          />
        ))}
      </svg>
      <figcaption className="px-2 text-[14px] text-soft">
        At {say(ratedV, 'voltage')}: from free at the left to held fast at the right. Crosses: readings,
        brought to that voltage; a slanted one is left out.
      </figcaption>
    </figure>
  );
}
