import type { TestProject } from 'vitest/node';
import { throwAwayCluster } from '../../../../scripts/lib/cluster.mjs';

declare module 'vitest' {
  interface ProvidedContext {
    databaseUrl: string;
  }
}

/** One throw-away PostgreSQL for the server's tests. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const cluster = await throwAwayCluster();
  project.provide('databaseUrl', cluster.url);
  return () => cluster.stop();
}
