import { useMutation, useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { leftDrafts } from '../session/drafts.ts';
import { ApiProblem, api } from '../common/api.ts';
import { download } from '../common/download.ts';
import { Message, NoKey } from '../common/Message.tsx';
import { stationAddress } from '../common/stations.ts';

interface Props {
  readonly id: string;
  readonly error: Error;
  readonly retry: () => void;
}

/** A build that does not open: why, and what is left to do with it. */
export function CannotOpen({ id, error, retry }: Props) {
  const status = error instanceof ApiProblem ? error.status : 0;
  if (status === 401) return <NoKey />;
  if (status === 404) return <NoSuchBuild id={id} />;
  if (status === 422) return <Unreadable id={id} error={error} />;
  return (
    <main id="main">
      <Message title="This build cannot be opened" text={error.message} retry={retry} />
    </main>
  );
}

/** Thrown away or never there; an edit of it that this browser still has is offered. */
function NoSuchBuild({ id }: { readonly id: string }) {
  const navigate = useNavigate();
  const { data: [draft] = [] } = useQuery({ queryKey: ['left', id], queryFn: () => leftDrafts(id) });
  const keep = useMutation({
    mutationFn: api.createFrom,
    onSuccess: (made) => navigate(stationAddress(made.id, 'brief')),
  });
  return (
    <main id="main">
      <Message
        title="There is no such build"
        text={
          draft
            ? `It was thrown away, or its address is wrong. An edit of “${draft.document.name}” that was not saved is still kept in this browser.`
            : 'It was thrown away, or its address is wrong. What was thrown away can be had back from Builds.'
        }
      >
        {draft && (
          <button
            type="button"
            className="push push-main"
            disabled={keep.isPending}
            onClick={() => keep.mutate(draft.document)}
          >
            Save that edit as a new build
          </button>
        )}
      </Message>
      {keep.error && <p role="alert">{keep.error.message}</p>}
    </main>
  );
}

/** Kept in a form that cannot be opened: taken out, mended elsewhere and put in its place from Builds. */
function Unreadable({ id, error }: { readonly id: string; readonly error: Error }) {
  const problems = error instanceof ApiProblem ? error.problems : [];
  const takeOut = useMutation({
    mutationFn: () => api.buildFile(id),
    onSuccess: (file) =>
      download(
        `${id}.zubric.json`,
        new Blob([`${JSON.stringify(file, null, 2)}\n`], { type: 'application/json' }),
      ),
  });
  return (
    <main id="main" className="p-10">
      <h1>This build cannot be opened</h1>
      <p className="mt-2 max-w-[60ch]">{error.message}</p>
      <ul className="mt-2 max-w-[60ch] list-disc pl-5">
        {problems.slice(0, 8).map(({ path, message }) => (
          <li key={path + message} className="break-words">
            <code>{path}</code>: {message}
          </li>
        ))}
      </ul>
      <div className="mt-4 flex flex-wrap gap-3">
        <button type="button" className="push push-main" onClick={() => takeOut.mutate()}>
          Take it out as a file
        </button>
        <Link to="/builds" className="push inline-flex items-center">
          To the builds
        </Link>
      </div>
      {takeOut.error && <p role="alert">{takeOut.error.message}</p>}
    </main>
  );
}
