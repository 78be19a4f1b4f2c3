import { centreOfGravity } from '@zubric/core/layout';
import { cycleTimes, type BalanceAsk } from '@zubric/core/simulate';
import { showNumber } from '@zubric/core/quantity';
import { BALANCE_COMMANDS, type BalanceCommands, type Balancing } from '@zubric/core/vehicle';
import { useCallback, useMemo } from 'react';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { Caution } from '../../findings/Findings.tsx';
import type { Balanced } from '../../workers/bench-work.ts';
import { useBeside, type Ask } from '../../workers/use-beside.ts';
import { Gains, ownOf } from './Gains.tsx';
import { GainsMap } from './GainsMap.tsx';
import { between, PlainNumber } from './PlainNumber.tsx';
import { HeadedTable } from './HeadedTable.tsx';
import { OnFloor } from './OnFloor.tsx';
import { RunCharts } from './RunCharts.tsx';
import { TriedSection } from './TriedSection.tsx';
import { useTrying } from './use-trying.ts';

const DEGREE = Math.PI / 180;
const RUN_S = 5;
const LONGEST_PART_S = 0.2;

const OF_A_CYCLE = between(0, LONGEST_PART_S, 'This takes from 0 to 0.2 s.');
const OF_LEAN = between(-44 * DEGREE, 44 * DEGREE, 'It is let go at less than 45°.');
const OF_JUMP = between(-5, 5, 'At most 5 m/s.');

/** What is set in numbers; leans are kept in degrees. */
const ENTRIES = [
  { key: 'leanDeg', label: 'Let go at a lean of', dimension: 'angle', unit: '°', check: OF_LEAN },
  { key: 'jumpMps', label: 'Nudged: its speed jumps by', dimension: 'speed', unit: 'm/s', check: OF_JUMP },
  { key: 'readAngleS', label: 'Reading the angle', dimension: 'time', unit: 's', check: OF_A_CYCLE },
  { key: 'readEncodersS', label: 'Reading encoders', dimension: 'time', unit: 's', check: OF_A_CYCLE },
  { key: 'restS', label: 'Computing and sending', dimension: 'time', unit: 's', check: OF_A_CYCLE },
] as const;

const askOf = (
  { commands, loaded, leanDeg, jumpMps, readAngleS, readEncodersS, restS, gains }: Balancing,
  massKg: number,
): BalanceAsk => ({
  ...{ commands, loaded },
  cycle: { readAngleS, readEncodersS, computeS: restS / 2, sendS: Math.max(restS / 2, 1e-4) },
  startLeanDeg: leanDeg,
  nudgeNs: massKg * jumpMps,
  durationS: RUN_S,
  ...(gains ? { gains } : {}),
});

/** What its motors are told, and the unit of that. */
const TOLD: Readonly<Record<BalanceCommands, { readonly title: string; readonly unit: string }>> = {
  voltage: { title: 'a voltage', unit: 'V' },
  speed: { title: 'a wheel speed that the driver holds', unit: 'm/s' },
};

/** A balancer: whether it stands, by which gains, and how quick its loop must be. */
export function Balance() {
  const { build, set, change } = useTrying('balancing');
  const massKg = centreOfGravity(build).massKg + (set.loaded ? build.masses.payload.mass.value : 0);
  const asked = useMemo(() => askOf(set, massKg), [set, massKg]);
  const ask: Ask<Balanced | undefined> = useCallback((work) => work.balance(build, asked), [build, asked]);
  const beside = useBeside(ask);
  const { answer, isOfNow } = beside;
  const gains = set.gains ?? ownOf(answer?.report.proposed);
  return (
    <div className="grid gap-6">
      <TriedSection
        id="balance"
        title="Does it stay up, and with which gains?"
        what="The balance"
        beside={beside}
        answer={answer && <Stands of={answer} cycle={asked.cycle} />}
        lacks="Choose a motor with magnets in Power first: by its law the wheels catch a lean."
      >
        <Tried set={set} onChange={change} />
        {gains && (
          <Gains
            gains={gains}
            told={TOLD[set.commands].unit}
            own={set.gains !== undefined}
            onChange={(own) => change({ gains: own })}
          />
        )}
        {answer && gains && (
          <div className={`grid gap-3 ${isOfNow ? '' : 'opacity-60'}`}>
            <RunCharts samples={answer.trace} charts={CHARTS} />
            <GainsMap
              region={answer.report.region}
              now={gains}
              onTake={({ kp, ki }) => change({ gains: { ...gains, kp, ki } })}
            />
            <Heights heights={answer.report.heights} />
          </div>
        )}
        <Caution>
          Tune it over a soft floor, a hand behind it and one at the switch: it runs off when it falls. Here
          it has no play, no soft tyres and no slip; below it has tyres that give and slide.
        </Caution>
      </TriedSection>
      {answer && gains && <OnFloor asked={asked} />}
    </div>
  );
}

/** The lean, the place and the current over the run. */
const CHARTS = [
  { of: 'leanRad', dimension: 'angle', title: 'lean', kind: 'mechanical' },
  { of: 'placeM', dimension: 'length', title: 'place', kind: 'mechanical' },
  { of: 'currentA', dimension: 'current', title: 'current of a motor', kind: 'electrical' },
] as const;

interface TriedProps {
  readonly set: Balancing;
  readonly onChange: (part: { readonly [Key in keyof Balancing]?: Balancing[Key] | undefined }) => void;
}

/** What it is tried by, and how quick its controller is. */
const Tried = ({ set, onChange }: TriedProps) => (
  <div className="flex flex-wrap items-end gap-4">
    {ENTRIES.map(({ key, label, dimension, unit, check }) => {
      const per = dimension === 'angle' ? DEGREE : 1;
      return (
        <PlainNumber
          key={key}
          {...{ label, dimension, unit, check }}
          value={set[key] * per}
          onChange={(value) => onChange({ [key]: value / per })}
          className="w-40"
        />
      );
    })}
    <Choice
      label="Its loop tells the motors"
      className="w-64"
      value={set.commands}
      options={BALANCE_COMMANDS.map((value) => ({ value, title: TOLD[value].title }))}
      // Gains of the one are none of the other.
      onChange={(commands) => onChange({ commands, gains: undefined })}
    />
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

/** The same body lower and taller: what it is easier for, and what harder. */
function Heights({ heights }: Pick<Balanced['report'], 'heights'>) {
  const say = useSay();
  return (
    <section aria-labelledby="heights" className="grid gap-1">
      <h2 id="heights">Lower or taller</h2>
      <p className="text-soft">
        Tall falls slowly and leaves its loop time, but tips sideways in a bend; low the other way.
      </p>
      <HeadedTable
        heads={[
          'Its middle of mass over the ground',
          'Nearly triples a lean in',
          'Its loop may take',
          'Tips sideways at',
        ]}
      >
        {heights.map(({ times, heightM, fallTimeS, longestLoopS, sidewaysDeg }) => (
          <tr key={times} className={`border-t border-line ${times === 1 ? 'font-semibold' : ''}`}>
            <th scope="row" className="px-3 py-1 font-normal">
              {say(heightM, 'length')}
              {times === 1 ? ', as it is' : ''}
            </th>
            <td className="px-3">{say(fallTimeS, 'time')}</td>
            <td className="px-3">{say(longestLoopS, 'time')}</td>
            <td className="px-3">{say(sidewaysDeg * DEGREE, 'angle')}</td>
          </tr>
        ))}
      </HeadedTable>
    </section>
  );
}

interface StandsProps {
  readonly of: Balanced;
  readonly cycle: BalanceAsk['cycle'];
}

/** The answer in words: how fast it falls, how quick the loop is, and what becomes of the run. */
function Stands({ of, cycle }: StandsProps) {
  const say = useSay();
  const { plant, run, withoutEncoders, proposed, catches } = of.report;
  const { loopTimeS } = cycleTimes(cycle);
  const slow = loopTimeS > plant.longestLoopS;
  const strong = 'font-semibold text-ink';
  const falls = (at: number | null): string => `falls after ${say(at ?? 0, 'time')}`;
  return (
    <>
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
      {catches !== null && <Catches {...catches} />}{' '}
      {withoutEncoders !== null &&
        cycle.readEncodersS > 0 &&
        `Without reading the encoders the loop takes ${say(withoutEncoders.loopTimeS, 'time')}: it ${withoutEncoders.falls ? falls(withoutEncoders.fallS) : `stands, leans ${showNumber(withoutEncoders.peakLeanDeg, 2)}° at most`}, and no place is held.`}
    </>
  );
}

/** Less than this of a lean is nobody's concern, degrees. */
const HARDLY_DEG = 0.05;

/** How far it may lean and still comes back, and what the battery's sag takes of that. */
function Catches({ leanDeg, lessForSagDeg }: NonNullable<Balanced['report']['catches']>) {
  const say = useSay();
  if (leanDeg === 0) return 'It comes to rest from no lean.';
  return (
    <>
      It comes to rest from leans up to{' '}
      <b className="font-semibold text-ink">{say(leanDeg * DEGREE, 'angle')}</b>
      {lessForSagDeg > HARDLY_DEG &&
        `, ${say(lessForSagDeg * DEGREE, 'angle')} less than from a battery that does not sag`}
      .
    </>
  );
}
