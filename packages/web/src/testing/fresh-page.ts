import { cleanup } from '@testing-library/react';
import { afterEach, vi } from 'vitest';
import { letGo } from '../workers/beside.ts';
import { emptyOutbox } from './empty-outbox.ts';

/**
 * What a test left on its page, in the outbox or in the browser is not the next one's: files of tests share their modules,
 * which takes half the time.
 */
afterEach(async () => {
  vi.useRealTimers();
  vi.restoreAllMocks();
  if (typeof document === 'undefined') return;
  cleanup();
  letGo();
  await emptyOutbox();
  localStorage.clear();
  sessionStorage.clear();
  history.replaceState(null, '', '/');
  vi.unstubAllGlobals();
});
