import { asSchool, type DriveAsk, type DriveMove, type DriveStudy } from '@zubric/core/driving';
import { driveFindingInWords, driveMoveInWords } from '@zubric/core/say';
import { useUnits } from '../../common/units.tsx';
import type { Set } from './CourseSettings.tsx';
import { EndsChart } from './EndsChart.tsx';
import { KeepFound, MakeTrial } from './MakeTrial.tsx';

/** The ask with a move taken. */
function takes(move: DriveMove, { control, mismatch }: DriveAsk, set: Set): void {
  if (move.does === 'control') set.setControl(asSchool(control, move.school));
  else if (move.does === 'calibrate') set.setControl({ ...control, turnFactor: move.turnFactor });
  else if (move.cause === 'motors') set.setMismatch({ ...mismatch, motors: 0, rightFaster: 0 });
  else if (move.cause === 'wheels') set.setMismatch({ ...mismatch, wheels: 0, rightLarger: 0 });
  else if (move.cause === 'steering') set.setMismatch({ ...mismatch, steerDeg: 0, playDeg: 0 });
  else set.setMismatch({ ...mismatch, weight: 0 });
}

/** Where runs end, what is found of it, and what would mend it. */
export function Found({ study, ask, ...set }: Set & { readonly study: DriveStudy; readonly ask: DriveAsk }) {
  const { system } = useUnits();
  const color = { stop: 'text-short', short: 'text-short', note: 'text-soft' } as const;
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,2fr)_minmax(0,3fr)]">
      <div className="sheet p-3">
        <h2>Where {study.cloud.runs} runs end</h2>
        <EndsChart runs={study.runs} cloud={study.cloud} />
        <p className="text-[14px] text-soft">
          About where each was to end. The oval holds nineteen of twenty; the cross is their middle.
        </p>
      </div>
      <div className="sheet grid content-start gap-3 p-3">
        <h2>What came out</h2>
        <ul className="grid gap-2">
          {study.findings.map((finding) => (
            <li key={finding.kind} className={color[finding.severity]}>
              {driveFindingInWords(finding, study, ask.course, system)}
            </li>
          ))}
        </ul>
        {study.moves.length > 0 && (
          <>
            <h2>What would bring it nearer</h2>
            <ul className="grid gap-2" aria-label="What would bring it nearer">
              {study.moves.map((move) => (
                <li
                  key={JSON.stringify([
                    move.does,
                    'school' in move ? move.school : 'cause' in move ? move.cause : '',
                  ])}
                  className="flex flex-wrap items-center gap-3"
                >
                  <span className="min-w-0 flex-1">{driveMoveInWords(move, system)}</span>
                  <button type="button" className="push push-small" onClick={() => takes(move, ask, set)}>
                    Try it
                  </button>
                </li>
              ))}
            </ul>
          </>
        )}
        <div className="flex flex-wrap gap-3">
          <MakeTrial study={study} course={ask.course} />
          <KeepFound study={study} course={ask.course} />
        </div>
      </div>
    </div>
  );
}
