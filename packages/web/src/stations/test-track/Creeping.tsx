import type { CreepReport } from '@zubric/core/simulate';
import { CREEP_TURNS, type Creeping as Set, type CreepTurns } from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import { useCallback, useState } from 'react';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { Caution } from '../../findings/Findings.tsx';
import type { Crept } from '../../workers/bench-work.ts';
import { useBeside, type Ask } from '../../workers/use-beside.ts';
import { JobChoice } from './JobChoice.tsx';
import { between, PlainNumber } from './PlainNumber.tsx';
import { RunFigures } from './RunFigures.tsx';
import { RunCharts } from './RunCharts.tsx';
import { TriedSection } from './TriedSection.tsx';
import { useTrying } from './use-trying.ts';

const TURNS: Readonly<Record<CreepTurns, string>> = {
  evenly: 'evenly, as a geared motor',
  'in-steps': 'in steps',
};
const FORCE = between(0, 1e6, 'From nothing to 1 MN.');

/** A dolly at a few millimetres a second: whether it creeps smoothly or sticks and slips, and what would mend it. */
export function Creeping() {
  const { build, set, change } = useTrying('creeping');
  const [dutyId, setDutyId] = useState(build.duties[0]?.id ?? '');
  const ask: Ask<Crept | undefined> = useCallback(
    (work) => work.creep(build, { ...set, dutyId }),
    [build, set, dutyId],
  );
  const beside = useBeside(ask);
  const { answer, isOfNow } = beside;
  const report = answer?.report;
  return (
    <TriedSection
      id="creeping"
      title="Does it creep smoothly, or by jerks?"
      what="The creep"
      beside={beside}
      answer={report && <Answer report={report} />}
      lacks="State a job with a speed in the Brief and choose a motor in Power first."
    >
      <div className="flex flex-wrap items-end gap-4">
        <JobChoice label="Ground, load, pull and speed of" value={dutyId} onChange={setDutyId} />
        {report && <Measured set={set} report={report} onChange={change} />}
      </div>
      {answer && report && (
        <div className={`grid gap-3 ${isOfNow ? '' : 'opacity-60'}`}>
          <Figures report={report} />
          <RunCharts
            samples={answer.trace}
            charts={[
              {
                ...{ of: 'speedMps', dimension: 'speed', title: 'speed', kind: 'mechanical' },
                mark: report.speedMps,
              },
              { of: 'placeM', dimension: 'length', title: 'way', kind: 'mechanical' },
            ]}
          />
          <Beside report={report} />
        </div>
      )}
      <Caution>
        Slow is not weak: geared down so far it crushes a finger. Keep hands off rail and rollers while it
        runs, and give both ends a stop that cuts the motor.
      </Caution>
    </TriedSection>
  );
}

interface MeasuredProps {
  readonly set: Set;
  readonly report: CreepReport;
  readonly onChange: (part: { readonly [Key in keyof Set]?: Set[Key] | undefined }) => void;
}

/** What can be measured of it with a scale and a ruler; what is cleared is taken as usual again. */
const MEASURED = [
  { key: 'speedMps', label: 'Speed', dimension: 'speed', unit: 'mm/s', className: 'w-32' },
  { key: 'breakawayN', label: 'To get it moving', dimension: 'force', unit: 'N', className: 'w-36' },
  { key: 'movingN', label: 'To keep it moving', dimension: 'force', unit: 'N', className: 'w-36' },
  { key: 'pushedN', label: 'Pushed, its motor held, with', dimension: 'force', unit: 'N', className: 'w-48' },
  { key: 'givesM', label: 'it gives way by', dimension: 'length', unit: 'mm', className: 'w-36' },
  {
    key: 'swings',
    label: 'Swings after a tap till it rests',
    dimension: 'number',
    unit: '',
    className: 'w-52',
  },
] as const;

/** What each may be. */
const CHECKS = {
  speedMps: between(1e-6, 10, 'More than 0, up to 10 m/s.'),
  breakawayN: FORCE,
  movingN: FORCE,
  pushedN: between(1e-3, 1e6, 'More than 0, up to 1 MN.'),
  givesM: between(1e-7, 1, 'More than 0, up to 1 m.'),
  swings: between(1, 100, 'From 1 to 100.'),
};

const Measured = ({ set, report: { rig, speedMps, turns }, onChange }: MeasuredProps) => (
  <>
    {MEASURED.map(({ key, ...field }) => {
      const usual = { speedMps, breakawayN: rounded(rig.breakawayN), movingN: rounded(rig.movingN) };
      const value = set[key] ?? (key in usual ? usual[key as keyof typeof usual] : 0);
      return (
        <PlainNumber
          key={key}
          {...field}
          value={value}
          check={(given) =>
            CHECKS[key](given) ??
            (key === 'breakawayN' && given < (set.movingN ?? 0)
              ? 'It takes at least what keeps it moving.'
              : undefined)
          }
          onChange={(given) =>
            onChange({
              [key]: given,
              // To get it moving takes no less.
              ...(key === 'movingN' && set.breakawayN !== undefined && set.breakawayN < given
                ? { breakawayN: given }
                : {}),
            })
          }
          onClear={() => onChange({ [key]: undefined })}
        />
      );
    })}
    <Choice
      label="Its motor turns"
      className="w-56"
      value={turns}
      options={CREEP_TURNS.map((value) => ({ value, title: TURNS[value] }))}
      onChange={(value) => onChange({ turns: value })}
    />
    {turns === 'in-steps' && (
      <PlainNumber
        label="Steps a turn, those between counted"
        dimension="number"
        unit=""
        value={set.stepsPerTurn ?? 3200}
        check={between(1, 1e6, 'From 1 to a million.')}
        onChange={(stepsPerTurn) => onChange({ stepsPerTurn })}
        className="w-60"
      />
    )}
  </>
);

/** A figure that nobody has said, as it is put into a field. */
const rounded = (value: number): number => Number(value.toPrecision(3));

/** It goes so evenly that nothing is seen of it: off an even motion by less than a fiftieth of a millimetre. */
const SMOOTH_M = 2e-5;

/** How far it is off an even motion; less than can be seen is said so. */
const off = (unevenM: number, say: ReturnType<typeof useSay>): string =>
  unevenM < SMOOTH_M ? `under ${say(SMOOTH_M, 'length')}` : say(unevenM, 'length');

/** The answer in words, with what would mend it. */
function Answer({ report }: { readonly report: CreepReport }) {
  const say = useSay();
  const { run, speedMps, smoothAboveMps, toBeSmooth, turns, rig } = report;
  const strong = 'font-semibold text-ink';
  const short = 'font-semibold text-short';
  const sticks = run.standsShare > 0;
  return (
    <>
      At {say(speedMps, 'speed')} it{' '}
      {sticks ? (
        <>
          <b className={short}>sticks and slips</b>: it stands for {say(run.standsShare, 'share')} of the time
          and starts {showNumber(run.starts / run.lastsS, 2)} times a second, up to{' '}
          {say(run.mostMps, 'speed')} fast
        </>
      ) : run.unevenM <= SMOOTH_M ? (
        <>
          creeps <b className={strong}>smoothly</b>
        </>
      ) : (
        <>
          never stands, but goes from {say(run.leastMps, 'speed')} to {say(run.mostMps, 'speed')},{' '}
          <b className={strong}>{say(run.unevenM, 'length')}</b> off an even motion
        </>
      )}
      .{' '}
      {turns === 'evenly' &&
        (toBeSmooth === null ? (
          <>Under {say(smoothAboveMps, 'speed')} it would begin to stick.</>
        ) : (
          <>
            It goes smoothly above <b className={strong}>{say(smoothAboveMps, 'speed')}</b>; or at this speed
            if it gives way by no more than{' '}
            <b className={strong}>{say(toBeSmooth.givesMPerN * TEN_N, 'length')}</b> for {say(TEN_N, 'force')}{' '}
            (tighter belt, firmer mounts and tyres), or if getting it moving takes no more than{' '}
            <b className={strong}>{say(toBeSmooth.breakawayN, 'force')}</b>, {say(rig.movingN, 'force')}{' '}
            keeping it so (clean rail, ball bearings, less load).
          </>
        ))}
    </>
  );
}
const TEN_N = 10;

function Figures({ report: { run, travel, runsOnM, swingHz } }: { readonly report: CreepReport }) {
  const say = useSay();
  return (
    <RunFigures
      figures={[
        { title: 'Stands', text: say(run.standsShare, 'share'), tone: run.standsShare > 0 ? 'short' : 'ink' },
        { title: 'Off an even motion', text: off(run.unevenM, say), tone: 'mech' },
        { title: 'Fastest', text: say(run.mostMps, 'speed'), tone: 'mech' },
        {
          title: travel ? `Over ${say(travel.lengthM, 'length')}` : 'Swings, times a second',
          text: travel ? say(travel.timeS, 'time') : showNumber(swingHz, 2),
        },
        { title: 'Runs on after its stop', text: say(runsOnM, 'length'), tone: 'mech' },
      ]}
    />
  );
}

/** Counts so few in a cycle of the loop are no speed. */
const FEW_COUNTS = 5;

/** What steps and counts do at this speed. */
function Beside({ report }: { readonly report: CreepReport }) {
  const say = useSay();
  const { steps, counts, swingHz, otherwise, speedMps } = report;
  const near = steps && Math.abs(steps.perS / swingHz - 1) < 0.3;
  return (
    <ul className="grid list-disc gap-1 pl-5 text-soft">
      {steps && (
        <li>
          A step moves it by {say(steps.stepM, 'length')}, {showNumber(steps.perS, 3)} of them a second; it
          swings {showNumber(swingHz, 2)} times a second by itself
          {near ? (
            <b className="font-semibold text-short">
              : steps that come as it swings shake it. Go faster, slower, or in finer steps
            </b>
          ) : (
            ''
          )}
          .
        </li>
      )}
      <li>
        With its motor turning {TURNS[otherwise.turns]} instead it would{' '}
        {otherwise.run.standsShare > 0
          ? `stand for ${say(otherwise.run.standsShare, 'share')} of the time`
          : 'never stand'}{' '}
        and be {off(otherwise.run.unevenM, say)} off an even motion.
      </li>
      <li>
        An encoder of the Test track’s controller gives {showNumber(counts.perS, 3)} counts a second at{' '}
        {say(speedMps, 'speed')}, {showNumber(counts.perLoop, 2)} in a cycle of its loop
        {counts.perLoop < FEW_COUNTS ? (
          <b className="font-semibold text-ink">
            : too few for a speed. Hold the place instead, or count at the motor
          </b>
        ) : (
          ''
        )}
        .
      </li>
    </ul>
  );
}
