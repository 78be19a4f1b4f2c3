import { layoutKind, type Build, type Duty } from '@zubric/core/vehicle';
import {
  launchOfBuild,
  launchOutlook,
  launchWorking,
  runLaunch,
  sampleLaunch,
  usualRunS,
} from '@zubric/core/simulate';
import { NotPhysical } from '@zubric/core/contract';
import { typed, type Quantity } from '@zubric/core/quantity';
import { useId, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useSay, useSentence } from '../../common/units.tsx';
import { PlainSwitch } from '../../common/PlainSwitch.tsx';
import { useTitle } from '../../common/use-title.ts';
import { QuantityEntry } from '../../fields/QuantityField.tsx';
import type { Check } from '../../fields/useQuantityText.ts';
import { Caution } from '../../findings/Findings.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { Opens } from '../../working/Opens.tsx';
import { Balance } from './Balance.tsx';
import { ByHand } from './ByHand.tsx';
import { CourseView } from './CourseView.tsx';
import { Creeping } from './Creeping.tsx';
import { Rolling } from './Rolling.tsx';
import { JobChoice } from './JobChoice.tsx';
import { RunCharts } from './RunCharts.tsx';
import { RunFigures } from './RunFigures.tsx';

const ignore = (): void => undefined;

const LONGEST_S = 600;
const runLength: Check = (value) =>
  value > 0 && value <= LONGEST_S ? undefined : `A run lasts more than 0 and at most ${LONGEST_S / 60} min.`;

/** A launch of the open build on one of its duties, again at every edit. */
function useLaunch(duty: Duty | undefined, asked: number | undefined) {
  const { build, report } = useBuild();
  return useMemo(() => {
    const dutyReport = report.duties.find((d) => d.id === duty?.id);
    const launch = duty && dutyReport && launchOfBuild(build, duty, dutyReport, asked ?? 1);
    if (!launch) return undefined;
    try {
      // Until it has settled, unless another length is asked for.
      const input = { ...launch, durationS: asked ?? usualRunS(launch) };
      const result = runLaunch(input);
      const outlook = launchOutlook(input, result.finalMps);
      return { input, result, outlook, samples: sampleLaunch(input, result), problem: undefined };
    } catch (error) {
      if (!(error instanceof NotPhysical)) throw error;
      return { problem: error.notice };
    }
  }, [build, report, duty, asked]);
}

/** What is tried here: first what its kind is built for. */
const VIEWS = [
  { value: 'balance', title: 'Balance' },
  { value: 'roll', title: 'Rolling' },
  { value: 'creep', title: 'Creeping' },
  { value: 'start', title: 'Starting' },
  { value: 'course', title: 'A course' },
  { value: 'hand', title: 'By hand' },
] as const;
type View = (typeof VIEWS)[number]['value'];

/** What can be tried of a layout, in the order of what matters most. */
function viewsOf({ layout }: Build): readonly View[] {
  const { balances, rollsInside, onRails } = layoutKind(layout.kind);
  if (balances) return ['balance', 'start', 'course'];
  if (rollsInside) return ['roll', 'start'];
  return [...(onRails ? (['creep'] as const) : []), 'start', 'course', 'hand'];
}

/** Station 7: how it starts, drives and stands. */
export function TestTrack() {
  const { build } = useBuild();
  useTitle('Test track', build.name);
  const tried = viewsOf(build);
  const views = VIEWS.filter(({ value }) => tried.includes(value));
  const [search, setSearch] = useSearchParams();
  const view: View =
    views.find(({ value }) => value === search.get('view'))?.value ?? views[0]?.value ?? 'start';
  return (
    <div className="grid gap-3">
      <PlainSwitch
        label="What is tried"
        options={views}
        value={view}
        onChoose={(next) => setSearch({ view: next }, { replace: true })}
      />
      {view === 'balance' && <Balance />}
      {view === 'roll' && <Rolling />}
      {view === 'creep' && <Creeping />}
      {view === 'start' && <Starting />}
      {view === 'course' && <CourseView />}
      {view === 'hand' && <ByHand />}
    </div>
  );
}

/** How it starts, on a job's ground. */
function Starting() {
  const { build } = useBuild();
  const [dutyId, setDutyId] = useState(build.duties[0]?.id ?? '');
  /** Until it has settled, where nothing is said. */
  const [asked, setAsked] = useState<Quantity>();
  const duty = build.duties.find((d) => d.id === dutyId) ?? build.duties[0];
  const launch = useLaunch(duty, asked?.value);
  const duration = asked ?? typed(launch?.input?.durationS ?? 4, 's', 'assumed');
  const id = useId();
  return (
    <div className="grid gap-3">
      <div>
        <h1>How does it start{duty ? ` on “${duty.name}”` : ''}?</h1>
        <Answer launch={launch} hasDuty={duty !== undefined} />
      </div>
      {duty && (
        <div className="flex flex-wrap items-end gap-4">
          <JobChoice label="Ground, grade and load of" value={duty.id} onChange={setDutyId} />
          <QuantityEntry
            label="Length of the run"
            className="w-32"
            dimension="time"
            value={duration}
            check={runLength}
            onChange={setAsked}
            onClear={() => setAsked(undefined)}
            id={id}
            onUnread={ignore}
          />
          <Conditions duty={duty} />
        </div>
      )}
      {duty && launch?.result && (
        <>
          <Figures result={launch.result} duty={duty} durationS={duration.value} />
          <RunCharts
            samples={launch.samples}
            charts={[
              {
                ...{ of: 'speedMps', dimension: 'speed', title: 'road speed', kind: 'mechanical' },
                mark: duty.speed.value,
              },
              { of: 'forceN', dimension: 'force', title: 'pull at the ground', kind: 'mechanical' },
              { of: 'currentA', dimension: 'current', title: 'current from the battery', kind: 'electrical' },
            ]}
          />
        </>
      )}
      <Caution>
        The first real start: wheels off the ground, then level and unloaded, one hand on the main switch,
        nobody in front or below.
      </Caution>
    </div>
  );
}

type Launch = ReturnType<typeof useLaunch>;

function Answer({ launch, hasDuty }: { readonly launch: Launch; readonly hasDuty: boolean }) {
  const say = useSay();
  const sentence = useSentence();
  const cap = useBuild().build.speedCap?.value;
  const strong = 'font-semibold text-ink';
  const text = (): React.ReactNode => {
    if (!hasDuty) return 'State a job in the Brief first.';
    if (!launch) return 'Choose a motor in Power first.';
    if (!launch.result) return sentence(launch.problem.sentence);
    const { finalMps, distanceM, timeTo90S, peakA } = launch.result;
    const { settled, settlesMps, spinsToMps } = launch.outlook;
    const draws = <b className="font-semibold text-elec">{say(peakA, 'current')}</b>;
    if (timeTo90S === null)
      return (
        <>
          It does <b className="font-semibold text-short">not move</b>:{' '}
          {spinsToMps === undefined
            ? 'stalled, it draws'
            : 'the wheels spin where they stand; stalled, it would draw'}{' '}
          {say(peakA, 'current')}.
        </>
      );
    return (
      <>
        {settled ? (
          <>
            Its top speed is <b className={strong}>{say(finalMps, 'speed')}</b>, nine tenths of it in{' '}
            <b className={strong}>{say(timeTo90S, 'time')}</b>, over{' '}
            <b className={strong}>{say(distanceM, 'length')}</b>
          </>
        ) : (
          <>
            After {say(launch.input.durationS, 'time')} it goes{' '}
            <b className={strong}>{say(finalMps, 'speed')}</b>, {say(distanceM, 'length')} on, and is{' '}
            <b className={strong}>still speeding up</b>: in the end {say(settlesMps, 'speed')}
          </>
        )}
        ; the battery gives up to {draws}.
        {spinsToMps !== undefined && (
          <>
            {' '}
            <b className="font-semibold text-short">The wheels spin</b> at full command
            {spinsToMps < settlesMps ? <> up to {say(spinsToMps, 'speed')}</> : ' all the way'}: start gently,
            or they dig in.
          </>
        )}
        {cap !== undefined && settlesMps > cap && (
          <>
            {' '}
            That is <b className="font-semibold text-short">faster than its cap</b> of {say(cap, 'speed')}.
          </>
        )}
      </>
    );
  };
  return <p className="mt-0.5 text-[16px] text-soft">{text()}</p>;
}

function Conditions({ duty }: { readonly duty: Duty }) {
  const { build, report } = useBuild();
  const say = useSay();
  const ground = build.grounds.find((g) => g.id === duty.groundId);
  const footing = report.duties.find((d) => d.id === duty.id)?.footing;
  return (
    <p className="pb-1.5 text-soft">
      {say(duty.grade.value, 'angle')} of {ground?.name.toLowerCase()},{' '}
      {footing && say(footing.massKg, 'mass')} in total,{' '}
      {footing?.gripN === undefined ? 'pulled by its rope' : `grip ${say(footing.gripN, 'force')}`}; full
      command from rest.
    </p>
  );
}

interface FiguresProps {
  readonly result: NonNullable<NonNullable<Launch>['result']>;
  readonly duty: Duty;
  readonly durationS: number;
}

function Figures({ result, duty, durationS }: FiguresProps) {
  const { build, report } = useBuild();
  const say = useSay();
  const { timeTo90S } = result;
  const figures = [
    ['Speed at the end', 'finalMps', say(result.finalMps, 'speed'), 'mech'],
    ['Nine tenths of it after', 'timeTo90S', timeTo90S === null ? 'never' : say(timeTo90S, 'time'), 'ink'],
    ['Distance', 'distanceM', say(result.distanceM, 'length'), 'mech'],
    ['Most from the battery', 'peakA', say(result.peakA, 'current'), 'elec'],
    ['Energy', 'energyWh', say(result.energyJ, 'energy'), 'elec'],
  ] as const;
  const work = (key: (typeof figures)[number][1]) => () => {
    const footed = report.duties.find((d) => d.id === duty.id);
    return footed && launchWorking(build, duty, footed, { durationS, key });
  };
  return (
    <RunFigures
      figures={figures.map(([title, key, text, tone]) => ({
        ...{ title, tone },
        text: (
          <Opens title={`“${title.toLowerCase()}”`} work={work(key)}>
            {text}
          </Opens>
        ),
      }))}
    />
  );
}
