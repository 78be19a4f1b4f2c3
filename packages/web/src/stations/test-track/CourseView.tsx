import { whyNotDriven, type DriveAsk, type DriveStudy } from '@zubric/core/driving';
import { layoutKind, type Build } from '@zubric/core/vehicle';
import { useCallback } from 'react';
import { NotWorkedOut } from '../../common/NotWorkedOut.tsx';
import { Caution } from '../../findings/Findings.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import type { DrivenOnce } from '../../workers/bench-work.ts';
import { useBeside, type Ask } from '../../workers/use-beside.ts';
import { useLongWork, type AskLong, type LongWork } from '../../workers/use-long-work.ts';
import { Answer, Assumed, RunFigures } from './CourseAnswer.tsx';
import { Found } from './CourseFound.tsx';
import { CoursePlan } from './CoursePlan.tsx';
import { How } from './CourseSettings.tsx';
import { Legs } from './Legs.tsx';
import { NOT_DRIVEN } from './not-driven.ts';
import { steersByWheels, useDriving } from './use-driving.ts';

const RUNS = 100;

interface StudyAsked {
  readonly build: Build;
  readonly ask: DriveAsk;
}
type Study = DriveStudy | undefined;
interface Progress {
  readonly share: number;
}

const STUDY: AskLong<StudyAsked, Progress, Study> = {
  ask: (work, { build, ask }, tells) =>
    work.driveStudy(build, ask, { runs: RUNS, seed: 1, oneVehicle: false }, tells),
  nothingYet: { share: 0 },
  found: new Map<string, LongWork<StudyAsked, Progress, Study>>(),
};

/** A course driven: once as soon as anything is changed, a hundred times when asked. */
export function CourseView() {
  const { id } = useBuild();
  const { build, ask, ...set } = useDriving();
  const why = whyNotDriven(build);
  const question: Ask<DrivenOnce | undefined> = useCallback(
    (work) => work.driveOnce(build, ask, 1),
    [build, ask],
  );
  const { answer, isOfNow, problem } = useBeside(why === undefined ? question : undefined);
  const { work, start, stop } = useLongWork(id, STUDY);
  const study =
    work.state === 'done' && work.asked.build === build && work.asked.ask === ask ? work.answer : undefined;
  if (why !== undefined)
    return (
      <div>
        <h1>Where does it end up?</h1>
        <p className="mt-0.5 text-[16px] text-soft">{NOT_DRIVEN[why]}</p>
      </div>
    );
  return (
    <section className="grid gap-3" aria-labelledby="course" aria-busy={!isOfNow && problem === undefined}>
      <div>
        <h1 id="course">Where does it end up?</h1>
        <Answer once={answer} study={study} />
      </div>
      {problem !== undefined && <NotWorkedOut what="The course" why={problem} />}
      <How {...{ ask, steers: steersByWheels(build) }} {...set} />
      <div className="grid gap-3 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <div className={`sheet self-start p-2 lg:sticky lg:top-16 ${isOfNow ? '' : 'opacity-60'}`}>
          <CoursePlan
            course={ask.course}
            onTheSpot={layoutKind(build.layout.kind).onTheSpot}
            path={answer?.run.path ?? []}
            ends={study?.runs}
          />
          <p className="px-2 text-[14px] text-soft">
            Wide and light: as it is meant. Dark: one run{study ? '; dots: where all runs end' : ''}. Its
            right is below.
          </p>
        </div>
        <div className="sheet p-3">
          <Legs course={ask.course} onChange={set.setCourse} />
        </div>
      </div>
      {answer && <RunFigures once={answer} />}
      <Assumed build={build} />
      <div className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="push push-main"
          disabled={work.state === 'running'}
          onClick={() => void start({ build, ask })}
        >
          Drive it {RUNS} times
        </button>
        {work.state === 'running' && (
          <>
            <progress value={work.progress.share} aria-label="Runs driven" />
            <button type="button" className="push push-small" onClick={stop}>
              Stop
            </button>
          </>
        )}
        {work.state === 'failed' && (
          <p role="alert" className="text-short">
            It could not be driven: {work.why}
          </p>
        )}
      </div>
      {study && <Found {...{ study, ask }} {...set} />}
      <Caution>
        On the floor: nobody in its way, a hand at the switch, and the first runs slow. Here tyres, floors and
        motors are as alike as is usual; yours may not be.
      </Caution>
    </section>
  );
}
