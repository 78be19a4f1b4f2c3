import { compareMargins, evaluate, marginInWords } from '@zubric/core/judge';
import { withCopyOf, type Part } from '@zubric/core/vehicle';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api } from '../common/api.ts';
import { Panel } from '../common/Panel.tsx';
import { stationAddress } from '../common/stations.ts';

interface Props {
  readonly part: Part;
  readonly onClose: () => void;
}

/** Where a part is used; where a build's copy is another than the shelf has, what taking it over would change. */
export function UsedIn({ part, onClose }: Props) {
  const uses = useQuery({ queryKey: ['parts', part.id, 'builds'], queryFn: () => api.partUses(part.id) });
  return (
    <Panel title={`Where “${part.name}” is used`} onClose={onClose}>
      {uses.isPending && <p>Looking through the builds …</p>}
      {uses.isError && <p role="alert">{uses.error.message}</p>}
      {uses.data?.length === 0 && <p>No build holds it.</p>}
      <ul className="grid gap-3">
        {uses.data?.map(({ id, name, asOnShelf }) => (
          <li key={id}>
            <Link className="font-semibold underline" to={stationAddress(id, 'power')}>
              {name}
            </Link>{' '}
            {asOnShelf ? (
              <span className="text-soft">has it as it is on the shelf</span>
            ) : (
              <TakeOver part={part} buildId={id} name={name} />
            )}
          </li>
        ))}
      </ul>
    </Panel>
  );
}

interface TakeOverProps {
  readonly part: Part;
  readonly buildId: string;
  readonly name: string;
}

/** What a build's margins would come to with the part as it is on the shelf now, and the taking over of it. */
function TakeOver({ part, buildId, name }: TakeOverProps) {
  const queries = useQueryClient();
  const build = useQuery({
    queryKey: ['build', buildId, 'for-parts'],
    queryFn: () => api.build(buildId),
    staleTime: 0,
  });
  const save = useMutation({
    mutationFn: async () => {
      const { document, version } = await api.build(buildId);
      return api.saveBuild(buildId, withCopyOf(document, part), version);
    },
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: ['parts', part.id, 'builds'] }),
        queries.invalidateQueries({ queryKey: ['build', buildId] }),
      ]),
  });
  if (!build.data) return <span className="text-soft">{build.error?.message ?? 'is looked at …'}</span>;
  const { document } = build.data;
  const moved = compareMargins(evaluate(document), evaluate(withCopyOf(document, part))).filter(
    (margin) => margin.moved,
  );
  return (
    <>
      <span>holds an earlier copy. Taken over from the shelf, </span>
      {moved.length === 0 ? 'no margin would move.' : 'these margins would move:'}
      {moved.length > 0 && (
        <ul className="list-disc pl-5">
          {moved.map((margin) => (
            <li key={margin.link}>{marginInWords(margin)}</li>
          ))}
        </ul>
      )}
      {save.error && <p role="alert">{save.error.message}</p>}
      <p className="mt-1">
        <button
          type="button"
          className="push push-small"
          disabled={save.isPending}
          aria-label={`Take it over into ${name}`}
          onClick={() => save.mutate()}
        >
          Take it over
        </button>
      </p>
    </>
  );
}
