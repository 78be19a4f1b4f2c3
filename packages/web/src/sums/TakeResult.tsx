import { intoBuild, placesFor } from '@zubric/core/calculators';
import { useEffect, useRef, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { useBuild } from '../session/BuildSession.tsx';
import { carriedResult } from './put-into.ts';

/** Puts the result of a sum that came along into the open build, once, and says so. */
export function TakeResult() {
  const { build, edit, undo } = useBuild();
  const { state, pathname } = useLocation();
  const navigate = useNavigate();
  const [said, setSaid] = useState<{ readonly text: string; readonly undone: boolean }>();
  const taken = useRef<unknown>(undefined);
  useEffect(() => {
    const carried = carriedResult(state);
    if (!carried || taken.current === state) return;
    taken.current = state;
    const { calculator, key, found, dutyId } = carried;
    const changed = intoBuild(calculator, key, found, build, dutyId);
    const title = placesFor(calculator).find((place) => place.key === key)?.title ?? 'the result';
    if (typeof changed !== 'string')
      edit((now) => {
        const next = intoBuild(calculator, key, found, now, dutyId);
        return typeof next === 'string' ? now : next;
      });
    setSaid({
      text: typeof changed === 'string' ? changed : `From the quick sum: ${title} is put in.`,
      undone: typeof changed === 'string',
    });
    // A reload must not put it in again.
    void navigate(pathname, { replace: true, state: null });
  }, [state, pathname, build, edit, navigate]);
  if (!said) return null;
  return (
    <p
      role="status"
      className="mb-3 flex flex-wrap items-center gap-3 border border-edge bg-sheet px-3 py-1.5"
    >
      {said.text}
      {!said.undone && (
        <button
          type="button"
          className="push push-small"
          onClick={() => {
            undo();
            setSaid(undefined);
          }}
        >
          Take it back
        </button>
      )}
      <button type="button" className="push-plain" onClick={() => setSaid(undefined)}>
        Good
      </button>
    </p>
  );
}
