/** A running PostgreSQL of the project's own. */
export interface Cluster {
  readonly url: string;
  readonly port: number;
  /** The folder of its programs. */
  readonly bin: string;
  readonly pid: number | undefined;
  readonly folder: string;
  readonly exited: Promise<void>;
  stop(): Promise<void>;
}

/** Where a cluster stands that is asked for in a folder. */
export function homeOf(folder: string): string;
export function freePort(wanted?: number): Promise<number>;
/** One for tests: it goes with all its data when it is stopped. */
export interface ThrowAwayCluster {
  readonly url: string;
  readonly bin: string;
  /** Takes it away and brings it back at the same address, its data kept. */
  pause(): Promise<void>;
  resume(): Promise<void>;
  stop(): Promise<void>;
}

export class ClusterFailed extends Error {}
export function startCluster(
  folder: string,
  options?: {
    readonly throwAway?: boolean;
    readonly port?: number;
    readonly told?: (sentence: string) => void;
  },
): Promise<Cluster>;
export function throwAwayCluster(): Promise<ThrowAwayCluster>;
