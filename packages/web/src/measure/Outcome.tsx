import { inUnits, rpmToRadS, showNumber, type Dimension } from '@zubric/core/quantity';
import { useSay, useUnits } from '../common/units.tsx';
import type { Readings } from './use-readings.ts';

const SHEET = [
  ['noLoadRpm', 'Speed without load', 'rotation', rpmToRadS],
  ['noLoadA', 'Current without load', 'current', (n: number) => n],
  ['stallTorqueNm', 'Stall torque', 'torque', (n: number) => n],
  ['stallA', 'Stall current', 'current', (n: number) => n],
] as const;

/** A torque constant by the arm that is further than this off the one by the speed (common practice, no source). */
const APART = 0.15;

/** The motor that the readings come to, each figure with how far it may be off. */
export function Outcome({ fit, measured, problem, ratedV }: Readings) {
  const say = useSay();
  const { system } = useUnits();
  if (!fit || !measured) return <p role="status">{problem === undefined ? '' : inUnits(problem, system)}</p>;
  const { resistanceOhm, constant, torqueConstant } = fit;
  const armOff = torqueConstant ? torqueConstant.value / constant.value - 1 : 0;
  const figures: readonly (readonly [string, string])[] = [
    ...SHEET.map(([key, title, dimension, si]): readonly [string, string] => [
      title,
      withOff(say, si(measured.figures[key]), measured.within[key], dimension),
    ]),
    ['Winding', withOff(say, resistanceOhm.value, resistanceOhm.off / resistanceOhm.value, 'resistance')],
    [
      'Turns a minute for a volt',
      `${showNumber(30 / Math.PI / constant.value, 3)} ± ${showNumber((100 * constant.off) / constant.value, 2)} %`,
    ],
  ];
  return (
    <section className="sheet p-3" aria-label="The motor" aria-live="polite">
      <h2>At {say(ratedV, 'voltage')} it is</h2>
      <dl className="mt-1 grid grid-cols-2 gap-x-5 gap-y-1 sm:grid-cols-3">
        {figures.map(([title, text]) => (
          <div key={title}>
            <dt className="text-[14px] text-soft">{title}</dt>
            <dd className="font-semibold">{text}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-1 text-[14px] text-soft">
        19 times of 20 the true figure is within what stands behind ±. Of the shaft that was read; cold.
      </p>
      {Math.abs(armOff) > APART && (
        <p className="mt-1 text-short">
          The arm gives a torque constant {showNumber(100 * Math.abs(armOff), 2)} %{' '}
          {armOff > 0 ? 'above' : 'below'} the one by its speed: check the arm’s length and the scale, or a
          gearhead takes its part.
        </p>
      )}
    </section>
  );
}

type Say = ReturnType<typeof useSay>;

const withOff = (say: Say, si: number, within: number, dimension: Dimension): string =>
  `${say(si, dimension, 3)} ± ${showNumber(100 * within, 2)} %`;
