import type { Quantity } from '@zubric/core/quantity';
import { Timer } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';

/** Tenths of a second: what a thumb is good for. */
const TICK_MS = 100;

/** Times a run with one button: press to start, press to stop; what it read goes into the field beside. */
export function Stopwatch({ onTime }: { readonly onTime: (time: Quantity) => void }) {
  const [since, setSince] = useState<number>();
  const [shown, setShown] = useState(0);
  const sinceRef = useRef(since);
  useEffect(() => {
    sinceRef.current = since;
    if (since === undefined) return;
    const timer = setInterval(() => setShown(performance.now() - since), TICK_MS);
    return () => clearInterval(timer);
  }, [since]);
  const press = (): void => {
    const began = sinceRef.current;
    if (began === undefined) {
      setShown(0);
      setSince(performance.now());
      return;
    }
    const seconds = Math.round((performance.now() - began) / 10) / 100;
    setSince(undefined);
    if (seconds > 0) onTime({ value: seconds, unit: 's', origin: 'measured' });
  };
  return (
    <button type="button" className="push flex min-h-10 items-center gap-1.5 tabular-nums" onClick={press}>
      <Timer size={17} aria-hidden />
      {since === undefined ? 'Start the watch' : `Stop at ${(shown / 1000).toFixed(1)} s`}
    </button>
  );
}
