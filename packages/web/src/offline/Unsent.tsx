import { Suspense } from 'react';
import { lazyPart } from '../common/lazy-part.ts';
import { useUnsent } from './use-outbox.ts';

const UnsentList = lazyPart(async () => (await import('./UnsentList.tsx')).UnsentList);

/** How much of what was recorded on this device the server does not have yet, where there is any. */
export const Unsent = () =>
  useUnsent().length > 0 && (
    <Suspense>
      <UnsentList />
    </Suspense>
  );
