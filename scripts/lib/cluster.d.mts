/** A running PostgreSQL of the project's own. */
export interface Cluster {
  readonly url: string;
  readonly port: number;
  readonly folder: string;
  readonly exited: Promise<void>;
  stop(): Promise<void>;
}

export function freePort(wanted?: number): Promise<number>;
/** One for tests: it goes with all its data when it is stopped. */
export interface ThrowAwayCluster {
  readonly url: string;
  /** Takes it away and brings it back at the same address, its data kept. */
  pause(): Promise<void>;
  resume(): Promise<void>;
  stop(): Promise<void>;
}

export function startCluster(
  folder: string,
  options?: { readonly throwAway?: boolean; readonly port?: number },
): Promise<Cluster>;
export function throwAwayCluster(): Promise<ThrowAwayCluster>;
