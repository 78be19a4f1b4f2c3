import { Suspense, useState } from 'react';
import { useLocation } from 'react-router';
import { carriedResult } from './put-into.ts';
import { lazyPart } from '../common/lazy-part.ts';

const TakeResult = lazyPart(async () => (await import('./TakeResult.tsx')).TakeResult);

/** Where the result of a sum is put in; the sums are fetched only once one has come along. */
export function CarriedResult() {
  const { state } = useLocation();
  const [came, setCame] = useState(false);
  if (!came && carriedResult(state)) setCame(true);
  return came ? (
    <Suspense fallback={null}>
      <TakeResult />
    </Suspense>
  ) : null;
}
