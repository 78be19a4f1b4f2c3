import { useBuild } from '../session/BuildSession.tsx';

/** Shown when the build was changed elsewhere: nothing is written over until the builder chooses. */
export function Conflict() {
  const { session, resolve } = useBuild();
  if (session.save !== 'conflict') return null;
  return (
    <section role="alert" className="mb-3 border border-short bg-short-lo px-4 py-3">
      <h2>This build was changed elsewhere since you opened it.</h2>
      <p className="mt-1">Your version is on screen and is not lost. Which one is to be kept?</p>
      <div className="mt-2 flex gap-3">
        <button type="button" className="push push-main" onClick={() => resolve('kept-mine')}>
          Keep mine
        </button>
        <button type="button" className="push" onClick={() => resolve('took-theirs')}>
          Take the other
        </button>
      </div>
    </section>
  );
}
