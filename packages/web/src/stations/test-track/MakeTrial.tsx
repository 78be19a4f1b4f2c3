import type { DriveStudy } from '@zubric/core/driving';
import { driveFindingInWords, driveMoveInWords, endsInWords } from '@zubric/core/say';
import { typed } from '@zubric/core/quantity';
import type { Build, Course } from '@zubric/core/vehicle';
import { useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { newId } from '../../common/new-id.ts';
import { useUnits } from '../../common/units.tsx';
import { record } from '../../offline/outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import { RecordPush } from './RecordPush.tsx';

/** How far a course goes that is nothing but straight on: what Trials records as straight runs. */
const straightM = ({ legs }: Course): number | undefined => {
  const [leg, ...more] = legs;
  return leg?.kind === 'go' && leg.distanceM > 0 && more.length === 0 ? leg.distanceM : undefined;
};

/** The ground that a course is driven on, as it is called. */
const floorOf = ({ duties, grounds }: Build, { surface }: Course): string =>
  surface ?? grounds.find(({ id }) => id === duties[0]?.groundId)?.name ?? '';

interface Props {
  readonly study: DriveStudy;
  readonly course: Course;
}

/** The same course as a set of runs to record, with what was predicted in its note. */
export function MakeTrial({ study, course }: Props) {
  const { id, build } = useBuild();
  const { system } = useUnits();
  const queries = useQueryClient();
  const make = async (): Promise<void> => {
    const conditions = {
      floor: floorOf(build, course),
      by: build.driving?.control?.ends === 'time' ? 'time' : 'counts',
      note: `Predicted on the Test track: ${endsInWords(study.cloud, system)}.`,
    };
    const distanceM = straightM(course);
    const body =
      distanceM === undefined
        ? { protocol: 'course-run' as const, conditions: { ...conditions, course } }
        : {
            protocol: 'straight-run' as const,
            conditions: { ...conditions, commanded: typed(distanceM, 'm') },
          };
    await record(id, { kind: 'set', setId: newId(), body: { ...body, name: course.name } });
  };
  return (
    <RecordPush
      label="Make this a trial"
      record={make}
      onDone={() => queries.invalidateQueries({ queryKey: ['trial-sets', id] })}
      done={
        <>
          It waits for its runs in{' '}
          <Link className="push-plain" to={`/builds/${id}/trials`}>
            Trials
          </Link>
          , the prediction in its note.
        </>
      }
    />
  );
}

/** What was found of the runs, with what would mend it, as a note of the logbook. */
export function KeepFound({ study, course }: Props) {
  const { id } = useBuild();
  const { system } = useUnits();
  const queries = useQueryClient();
  const keep = (): Promise<unknown> => {
    const { findings, moves, cloud } = study;
    const note = [
      `“${course.name}”, driven ${cloud.runs} times on the Test track. ${endsInWords(cloud, system)}.`,
      ...findings.map((finding) => driveFindingInWords(finding, study, course, system)),
      ...(moves.length === 0
        ? []
        : ['What would bring it nearer:', ...moves.map((move) => `– ${driveMoveInWords(move, system)}.`)]),
    ].join('\n');
    return record(id, { kind: 'note', noteId: newId(), note });
  };
  return (
    <RecordPush
      label="Keep this in the logbook"
      record={keep}
      onDone={() => queries.invalidateQueries({ queryKey: ['log', id] })}
      done={
        <>
          It stands in the{' '}
          <Link className="push-plain" to={`/builds/${id}/logbook`}>
            Logbook
          </Link>
          .
        </>
      }
    />
  );
}
