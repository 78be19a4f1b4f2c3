import { X } from 'lucide-react';
import { Link, useLocation } from 'react-router';
import { useGuidance } from '../frame/guidance.ts';
import { STATIONS } from '../common/stations.ts';

/** One sentence on what the station is for, until it is put away. */
export function Guidance() {
  const { pathname } = useLocation();
  const { putAway, hide } = useGuidance();
  const station = STATIONS.find(({ path }) => pathname.split('/')[3] === path);
  if (!station || putAway.includes(station.path)) return null;
  return (
    <p className="-mt-1 mb-2 flex items-start gap-2 text-soft print:hidden">
      <span>
        {station.guidance}{' '}
        <Link className="underline" to={`/guide/${station.path}`}>
          How it is worked out
        </Link>
      </span>
      <button
        type="button"
        className="-my-0.5 p-1 hover:text-ink"
        aria-label="Put this sentence away"
        onClick={() => hide(station.path)}
      >
        <X size={15} aria-hidden />
      </button>
    </p>
  );
}
