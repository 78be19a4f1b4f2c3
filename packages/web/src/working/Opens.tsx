import type { Working } from '@zubric/core/evaluate';
import { NotPhysical } from '@zubric/core/contract';
import { lazy, Suspense, useState } from 'react';

const WorkingPanel = lazy(async () => ({ default: (await import('./WorkingPanel.tsx')).WorkingPanel }));

interface Props {
  /** Works the number out again, when it is opened and not before. */
  readonly work: () => Working | undefined;
  /** What the number is, as it ends "how … came about". */
  readonly title: string;
  /** The number as it is shown. */
  readonly children: string;
}

/** Why a number has no working, in a sentence. */
const NONE = 'This number has no working of its own: it was given, or the build has no such part yet.';

function openedOf(work: Props['work']): Working | string {
  try {
    return work() ?? NONE;
  } catch (error) {
    if (error instanceof NotPhysical) return error.message;
    throw error;
  }
}

/** A number of the report that opens to its working. */
export function Opens({ work, title, children }: Props) {
  const [opened, setOpened] = useState<Working | string>();
  return (
    <>
      <button
        type="button"
        className="cursor-pointer underline decoration-edge decoration-dotted underline-offset-4 hover:decoration-solid"
        title="How it came about"
        aria-label={`${children}, ${title}: how it came about`}
        onClick={() => setOpened(openedOf(work))}
      >
        {children}
      </button>
      {opened !== undefined && (
        <Suspense>
          <WorkingPanel title={title} opened={opened} onClose={() => setOpened(undefined)} />
        </Suspense>
      )}
    </>
  );
}
