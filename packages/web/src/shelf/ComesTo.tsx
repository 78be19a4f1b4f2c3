import type { MotorFigures } from '@zubric/core/motor';
import { inUnits, rpmToRadS, showNumber, type Dimension } from '@zubric/core/quantity';
import { Link } from 'react-router';
import { useSay, useUnits } from '../common/units.tsx';
import type { Drafted } from './part-draft.ts';

/** The figures of a motor as they are said: title, dimension, SI. */
const FIGURES: readonly (readonly [keyof MotorFigures, string, Dimension, (n: number) => number])[] = [
  ['noLoadRpm', 'Speed without load', 'rotation', rpmToRadS],
  ['noLoadA', 'Current without load', 'current', (n) => n],
  ['stallTorqueNm', 'Stall torque', 'torque', (n) => n],
  ['stallA', 'Stall current', 'current', (n) => n],
  ['continuousA', 'Current all day', 'current', (n) => n],
];

/** What a motor's figures come to, which of them are guesses, what would settle those, and what cannot be so. */
export function ComesTo({ found: { motor, problem } }: { readonly found: Drafted }) {
  const say = useSay();
  const { system } = useUnits();
  if (problem !== undefined)
    return (
      <p role="status" className="text-short">
        {inUnits(problem, system)}
      </p>
    );
  if (!motor) return null;
  const { figures, between, settles, contradictions, gearhead } = motor;
  return (
    <section className="border border-line p-3" aria-label="What it comes to" aria-live="polite">
      <dl className="flex flex-wrap gap-x-5 gap-y-1">
        {FIGURES.map(([key, title, dimension, si]) => (
          <div key={key}>
            <dt className="text-[14px] text-soft">{title}</dt>
            <dd>
              <b className="font-semibold">{say(si(figures[key]), dimension)}</b>
              {between[key] && (
                <span className="text-soft">
                  {' '}
                  {say(si(between[key][0]), dimension, 2)} to {say(si(between[key][1]), dimension, 2)}
                </span>
              )}
            </dd>
          </div>
        ))}
      </dl>
      <p className="mt-1 text-[14px] text-soft">
        {gearhead
          ? `Of the motor itself, before its gearhead of ${showNumber(gearhead.ratio)} : 1.`
          : 'Of the shaft that turns the rest.'}{' '}
        What has a range rests on a guess: it is reckoned with the figure before it.
      </p>
      {contradictions.map(({ title, dimension, printed, follows }) => (
        <p key={title} className="mt-1 text-short">
          {title}: {say(printed, dimension)} is printed, and the rest comes to {say(follows, dimension)}. One
          of them is of another voltage, another shaft, or wrong.
        </p>
      ))}
      {settles.length > 0 && (
        <ul className="mt-1 list-disc pl-5 text-[14px]">
          {settles.map(({ text, calculator }) => (
            <li key={inUnits(text, system)}>
              {inUnits(text, system)}{' '}
              {calculator !== undefined && (
                <Link className="underline" to={`/sums/${calculator}`}>
                  The sum
                </Link>
              )}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
