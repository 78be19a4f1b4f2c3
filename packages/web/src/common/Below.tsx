import { Suspense, useEffect, useState, useTransition, type ReactNode } from 'react';

interface BelowProps {
  /** False while the first answer is still on its way. */
  readonly answered?: boolean;
  /** What holds its place until then. */
  readonly waiting: ReactNode;
  readonly children: ReactNode;
}

/** What stands below the first answer: fetched and drawn after it, not before. */
export function Below({ answered = true, waiting, children }: BelowProps) {
  const [wanted, setWanted] = useState(false);
  const [, startTransition] = useTransition();
  useEffect(() => {
    if (answered) startTransition(() => setWanted(true));
  }, [answered]);
  const fallback = <div aria-busy="true">{waiting}</div>;
  return wanted ? <Suspense fallback={fallback}>{children}</Suspense> : fallback;
}
