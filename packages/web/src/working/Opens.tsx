import type { Working } from '@zubric/core/working';
import { NotPhysical } from '@zubric/core/contract';
import type { Sentence } from '@zubric/core/quantity';
import { useSentence } from '../common/units.tsx';
import { Suspense, useState } from 'react';
import { lazyPart } from '../common/lazy-part.ts';

const WorkingPanel = lazyPart(async () => (await import('./WorkingPanel.tsx')).WorkingPanel);

interface Props {
  /** Works the number out again, when it is opened and not before. */
  readonly work: () => Working | undefined | Promise<Working | undefined>;
  /** What the number is, as it ends "how … came about". */
  readonly title: string;
  /** The number as it is shown. */
  readonly children: string;
}

/** Why a number has no working, in a sentence. */
const NONE = 'This number has no working of its own: it was given, or the build has no such part yet.';

async function openedOf(
  work: Props['work'],
  sentence: (said: Sentence) => string,
): Promise<Working | string> {
  try {
    return (await work()) ?? NONE;
  } catch (error) {
    if (error instanceof NotPhysical) return sentence(error.notice.sentence);
    throw error;
  }
}

/** A number of the report that opens to its working. */
export function Opens({ work, title, children }: Props) {
  const [opened, setOpened] = useState<Working | string>();
  const sentence = useSentence();
  return (
    <>
      <button
        type="button"
        className="cursor-pointer underline decoration-edge decoration-dotted underline-offset-4 hover:decoration-solid"
        title="How it came about"
        aria-label={`${children}, ${title}: how it came about`}
        onClick={() => void openedOf(work, sentence).then(setOpened)}
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
