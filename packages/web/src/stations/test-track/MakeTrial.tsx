import type { DriveStudy } from '@zubric/core/driving';
import { endsInWords } from '@zubric/core/say';
import { typed } from '@zubric/core/quantity';
import type { Build, Course } from '@zubric/core/vehicle';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { newId } from '../../common/new-id.ts';
import { useUnits } from '../../common/units.tsx';
import { record } from '../../offline/outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';

/** How far a course goes that is nothing but straight on: what Trials records. */
const straightM = ({ legs }: Course): number | undefined => {
  const [leg, ...more] = legs;
  return leg?.kind === 'go' && leg.distanceM > 0 && more.length === 0 ? leg.distanceM : undefined;
};

/** The ground that a course is driven on, as it is called. */
const floorOf = ({ duties, grounds }: Build, { surface }: Course): string =>
  surface ?? grounds.find(({ id }) => id === duties[0]?.groundId)?.name ?? '';

/** The same course as a set of runs to record, with what was predicted in its note. */
export function MakeTrial({ study, course }: { readonly study: DriveStudy; readonly course: Course }) {
  const { id, build } = useBuild();
  const { system } = useUnits();
  const queries = useQueryClient();
  const distanceM = straightM(course);
  const make = useMutation({
    mutationFn: async (commandedM: number) => {
      const conditions = {
        floor: floorOf(build, course),
        commanded: typed(commandedM, 'm'),
        by: build.driving?.control?.ends === 'time' ? 'time' : 'counts',
        note: `Predicted on the Test track: ${endsInWords(study.cloud, system)}.`,
      };
      const body = { protocol: 'straight-run' as const, name: course.name, conditions };
      await record(id, { kind: 'set', setId: newId(), body });
    },
    retry: false,
    onSuccess: () => queries.invalidateQueries({ queryKey: ['trial-sets', id] }),
  });
  if (distanceM === undefined) return null;
  return (
    <p className="flex flex-wrap items-center gap-3">
      <button
        type="button"
        className="push"
        disabled={make.isPending || make.isSuccess}
        onClick={() => make.mutate(distanceM)}
      >
        Make this a trial
      </button>
      {make.isSuccess && (
        <span role="status">
          It waits for its runs in{' '}
          <Link className="push-plain" to={`/builds/${id}/trials`}>
            Trials
          </Link>
          , the prediction in its note.
        </span>
      )}
      {make.isError && (
        <span role="alert" className="text-short">
          {make.error.message}
        </span>
      )}
    </p>
  );
}
