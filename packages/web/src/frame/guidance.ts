import { useSyncExternalStore } from 'react';
import type { StationPath } from '../common/stations.ts';

const STORED = 'zubric-guidance-read';
const listeners = new Set<() => void>();

function read(): string {
  return localStorage.getItem(STORED) ?? '';
}

function write(paths: readonly string[]): void {
  localStorage.setItem(STORED, paths.join(' '));
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Which stations' sentences the builder has put away; kept on this machine. */
export function useGuidance() {
  const putAway = useSyncExternalStore(subscribe, read)
    .split(' ')
    .filter((path) => path !== '');
  return {
    putAway,
    hide: (path: StationPath): void => write([...putAway, path]),
    showAll: (): void => write([]),
  };
}
