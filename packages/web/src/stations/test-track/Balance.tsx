import { centreOfGravity } from '@zubric/core/layout';
import { cycleTimes, USUAL_CYCLE, type BalanceAsk, type BalanceGains } from '@zubric/core/simulate';
import { showNumber, typed, type Dimension, type Quantity } from '@zubric/core/quantity';
import { useCallback, useId, useMemo, useState } from 'react';
import { NotWorkedOut } from '../../common/NotWorkedOut.tsx';
import { useSay } from '../../common/units.tsx';
import { QuantityEntry } from '../../fields/QuantityField.tsx';
import type { Check } from '../../fields/useQuantityText.ts';
import { Caution } from '../../findings/Findings.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import type { Balanced } from '../../workers/bench-work.ts';
import { useBeside, type Ask } from '../../workers/use-beside.ts';
import { GainEntry } from './GainEntry.tsx';
import { GainsMap } from './GainsMap.tsx';
import { TimeChart } from './TimeChart.tsx';

const DEGREE = Math.PI / 180;
const ignore = (): void => undefined;

/** What is set on the page. */
interface Settings {
  readonly loaded: boolean;
  readonly lean: Quantity;
  readonly jump: Quantity;
  readonly readAngle: Quantity;
  readonly readEncoders: Quantity;
  readonly rest: Quantity;
  readonly gains: BalanceGains | undefined;
}

const BEGIN: Settings = {
  loaded: true,
  lean: typed(3 * DEGREE, '°', 'assumed'),
  jump: typed(0, 'm/s', 'assumed'),
  readAngle: typed(USUAL_CYCLE.readAngleS, 's', 'assumed'),
  readEncoders: typed(USUAL_CYCLE.readEncodersS, 's', 'assumed'),
  rest: typed(USUAL_CYCLE.computeS + USUAL_CYCLE.sendS, 's', 'assumed'),
  gains: undefined,
};
const RUN_S = 5;
const LONGEST_PART_S = 0.2;

const within =
  (least: number, most: number, said: string): Check =>
  (value) =>
    value >= least && value <= most ? undefined : said;
const OF_A_CYCLE = within(0, LONGEST_PART_S, 'This takes from 0 to 0.2 s.');
const OF_LEAN = within(-44 * DEGREE, 44 * DEGREE, 'It is let go at less than 45°.');
const OF_JUMP = within(-5, 5, 'At most 5 m/s.');

const ENTRIES = [
  { key: 'lean', label: 'Let go at a lean of', dimension: 'angle', check: OF_LEAN },
  { key: 'jump', label: 'Nudged: its speed jumps by', dimension: 'speed', check: OF_JUMP },
  { key: 'readAngle', label: 'Reading the angle', dimension: 'time', check: OF_A_CYCLE },
  { key: 'readEncoders', label: 'Reading encoders', dimension: 'time', check: OF_A_CYCLE },
  { key: 'rest', label: 'Computing and sending', dimension: 'time', check: OF_A_CYCLE },
] as const;

const askOf = (
  { loaded, lean, jump, readAngle, readEncoders, rest, gains }: Settings,
  massKg: number,
): BalanceAsk => ({
  loaded,
  cycle: {
    readAngleS: readAngle.value,
    readEncodersS: readEncoders.value,
    computeS: rest.value / 2,
    sendS: Math.max(rest.value / 2, 1e-4),
  },
  startLeanDeg: lean.value / DEGREE,
  nudgeNs: massKg * jump.value,
  durationS: RUN_S,
  ...(gains ? { gains } : {}),
});

/** A balancer: whether it stands, by which gains, and how quick its loop must be. */
export function Balance() {
  const { build } = useBuild();
  const [set, setSet] = useState(BEGIN);
  const massKg = centreOfGravity(build).massKg + (set.loaded ? build.masses.payload.mass.value : 0);
  const asked = useMemo(() => askOf(set, massKg), [set, massKg]);
  const ask: Ask<Balanced | undefined> = useCallback((work) => work.balance(build, asked), [build, asked]);
  const { answer, isOfNow, problem } = useBeside(ask);
  const change = (part: Partial<Settings>): void => setSet((before) => ({ ...before, ...part }));
  const proposed = answer?.report.proposed;
  const gains = set.gains ?? proposed ?? undefined;
  return (
    <section className="grid gap-3" aria-labelledby="balance" aria-busy={!isOfNow && problem === undefined}>
      <div>
        <h1 id="balance">Does it stay up, and with which gains?</h1>
        <Stands answer={answer} cycle={asked.cycle} isOfNow={isOfNow && problem === undefined} />
      </div>
      {problem !== undefined && <NotWorkedOut what="The balance" why={problem} />}
      <Tried set={set} onChange={change} />
      {gains && (
        <Gains gains={gains} own={set.gains !== undefined} onChange={(own) => change({ gains: own })} />
      )}
      {answer && gains && (
        <div className={`grid gap-3 ${isOfNow ? '' : 'opacity-60'}`}>
          <Course trace={answer.trace} />
          <GainsMap
            region={answer.report.region}
            now={gains}
            onTake={({ kp, ki }) => change({ gains: { kp, ki, kd: gains.kd } })}
          />
        </div>
      )}
      <Caution>
        Tune it over a soft floor, a hand behind it and one at the switch: it runs off when it falls. Here it
        has no play, no soft tyres and no slip, so on the floor it does a little worse.
      </Caution>
    </section>
  );
}

/** The lean, the place and the current over the run. */
const Course = ({ trace }: Pick<Balanced, 'trace'>) => (
  <div className="sheet grid gap-1 p-3">
    <TimeChart samples={trace} of="leanRad" dimension="angle" title="lean" kind="mechanical" />
    <TimeChart samples={trace} of="placeM" dimension="length" title="place" kind="mechanical" />
    <TimeChart
      samples={trace}
      of="currentA"
      dimension="current"
      title="current of a motor"
      kind="electrical"
      last
    />
  </div>
);

interface TriedProps {
  readonly set: Settings;
  readonly onChange: (part: Partial<Settings>) => void;
}

/** What it is tried by, and how quick its controller is. */
const Tried = ({ set, onChange }: TriedProps) => (
  <div className="flex flex-wrap items-end gap-4">
    {ENTRIES.map(({ key, label, dimension, check }) => (
      <Entry
        key={key}
        {...{ label, dimension, check }}
        value={set[key]}
        onChange={(value) => onChange({ [key]: value })}
      />
    ))}
    <label className="flex min-h-8 items-center gap-2">
      <input
        type="checkbox"
        className="size-5 accent-ink"
        checked={set.loaded}
        onChange={(event) => onChange({ loaded: event.target.checked })}
      />
      With its load
    </label>
  </div>
);

interface GainsProps {
  readonly gains: BalanceGains;
  /** Whether they are the builder's own, and not what is proposed. */
  readonly own: boolean;
  readonly onChange: (gains: BalanceGains | undefined) => void;
}

/** The gains in use. */
const Gains = ({ gains: { kp, ki, kd }, own, onChange }: GainsProps) => (
  <div className="flex flex-wrap items-end gap-4">
    <GainEntry name="kp" value={kp} onChange={(value) => onChange({ kp: value, ki, kd })} />
    <GainEntry name="ki" value={ki} onChange={(value) => onChange({ kp, ki: value, kd })} />
    <GainEntry name="kd" value={kd} onChange={(value) => onChange({ kp, ki, kd: value })} />
    {own ? (
      <button type="button" className="push" onClick={() => onChange(undefined)}>
        Take what is proposed
      </button>
    ) : (
      <p className="pb-1.5 text-soft">
        Proposed: poles of the linear theory, as quick as the loop allows, that stand in the run.
      </p>
    )}
  </div>
);

interface EntryProps {
  readonly label: string;
  readonly dimension: Dimension;
  readonly value: Quantity;
  readonly check: Check;
  readonly onChange: (value: Quantity) => void;
}

function Entry({ label, dimension, value, check, onChange }: EntryProps) {
  const id = useId();
  return (
    <QuantityEntry {...{ id, label, dimension, value, check, onChange }} className="w-40" onUnread={ignore} />
  );
}

interface StandsProps {
  readonly answer: Balanced | undefined;
  readonly cycle: BalanceAsk['cycle'];
  /** Whether that is the answer to what is asked now: none is one, too. */
  readonly isOfNow: boolean;
}

/** The answer in words: how fast it falls, how quick the loop is, and what becomes of the run. */
function Stands({ answer, cycle, isOfNow }: StandsProps) {
  const say = useSay();
  if (!answer)
    return (
      <p className="text-soft">
        {isOfNow
          ? 'Choose a motor with magnets in Power first: by its law the wheels catch a lean.'
          : 'It is being tried …'}
      </p>
    );
  const { plant, run, withoutEncoders, proposed } = answer.report;
  const { loopTimeS } = cycleTimes(cycle);
  const slow = loopTimeS > plant.longestLoopS;
  const strong = 'font-semibold text-ink';
  const falls = (at: number | null): string => `falls after ${say(at ?? 0, 'time')}`;
  return (
    <p className="mt-0.5 text-[16px] text-soft">
      Let go, a lean grows to nearly three times itself in{' '}
      <b className={strong}>{say(plant.fallTimeS, 'time')}</b>; its loop runs every{' '}
      <b className={slow ? 'font-semibold text-short' : strong}>{say(loopTimeS, 'time')}</b>,{' '}
      {slow ? 'which is more than' : 'and may take up to'} {say(plant.longestLoopS, 'time')}.{' '}
      {run === null ? (
        <b className="font-semibold text-short">No gains were found that hold: make the loop quicker.</b>
      ) : run.falls ? (
        <>
          With these gains it <b className="font-semibold text-short">{falls(run.fallS)}</b>
          {proposed ? '.' : ', and none were found that hold: make the loop quicker.'}
        </>
      ) : (
        <>
          With these gains it <b className={strong}>stands</b>: it leans{' '}
          {say(run.peakLeanDeg * DEGREE, 'angle')} at most,{' '}
          {run.settleS === null
            ? 'and does not come to rest'
            : `is back within 1° after ${say(run.settleS, 'time')}`}
          , ends {say(Math.abs(run.endM), 'length')} from where it was, and a motor draws up to{' '}
          <b className="font-semibold text-elec">{say(run.peakA, 'current')}</b>.
        </>
      )}{' '}
      {withoutEncoders !== null &&
        cycle.readEncodersS > 0 &&
        `Without reading the encoders the loop takes ${say(withoutEncoders.loopTimeS, 'time')}: it ${withoutEncoders.falls ? falls(withoutEncoders.fallS) : `stands, leans ${showNumber(withoutEncoders.peakLeanDeg, 2)}° at most`}, and no place is held.`}
    </p>
  );
}
