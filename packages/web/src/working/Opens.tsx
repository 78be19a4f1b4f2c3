import { workingOf, type Opened } from '@zubric/core/evaluate';
import { lazy, Suspense, useState } from 'react';
import { useBuild } from '../session/BuildSession.tsx';

const WorkingPanel = lazy(async () => ({ default: (await import('./WorkingPanel.tsx')).WorkingPanel }));

interface Props {
  readonly number: Opened;
  readonly dutyId: string;
  /** What the number is, as it ends "how … came about". */
  readonly title: string;
  /** The number as it is shown. */
  readonly children: string;
}

/** A number of the report that opens to its working; where it has none it is only shown. */
export function Opens({ number, dutyId, title, children }: Props) {
  const { build } = useBuild();
  const [open, setOpen] = useState(false);
  const working = workingOf(build, number, dutyId);
  if (!working) return <>{children}</>;
  return (
    <>
      <button
        type="button"
        className="cursor-pointer underline decoration-edge decoration-dotted underline-offset-4 hover:decoration-solid"
        title="How it came about"
        aria-label={`${children}, ${title}: how it came about`}
        onClick={() => setOpen(true)}
      >
        {children}
      </button>
      {open && (
        <Suspense>
          <WorkingPanel title={title} working={working} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
