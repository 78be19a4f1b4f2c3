import { useMutation } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { useBuild, useSession } from '../session/BuildSession.tsx';
import { api } from '../common/api.ts';
import { stationAddress } from '../common/stations.ts';

/** What must be decided is brought to where it is seen, however far down somebody types. */
const intoView = (section: HTMLElement | null): void => section?.scrollIntoView?.({ block: 'nearest' });

/** Shown where the build was thrown away elsewhere while it was worked on here: nothing of it is lost. */
export function Gone() {
  const { session } = useSession();
  return session.save === 'gone' ? <BringBack /> : null;
}

function BringBack() {
  const { id, whole: build } = useBuild();
  const { returned } = useSession();
  const navigate = useNavigate();
  const putBack = useMutation({ mutationFn: () => api.putBuild(id, 'bench'), onSuccess: returned });
  const saveAsNew = useMutation({
    mutationFn: () => api.createFrom(build),
    onSuccess: (made) => navigate(stationAddress(made.id, 'brief')),
  });
  const problem = putBack.error ?? saveAsNew.error;
  return (
    <section ref={intoView} role="alert" className="mb-3 border border-short bg-short-lo px-4 py-3">
      <h2>This build was thrown away elsewhere.</h2>
      <p className="mt-1">
        What is on this screen is still here. Put the build back, or save it as a new one.
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        <button
          type="button"
          className="push push-main"
          disabled={putBack.isPending}
          onClick={() => putBack.mutate()}
        >
          Put it back
        </button>
        <button
          type="button"
          className="push"
          disabled={saveAsNew.isPending}
          onClick={() => saveAsNew.mutate()}
        >
          Save as a new build
        </button>
      </div>
      {problem && <p className="mt-2">{problem.message}</p>}
    </section>
  );
}
