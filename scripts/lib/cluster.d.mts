/** A running PostgreSQL of the project's own. */
export interface Cluster {
  readonly url: string;
  readonly port: number;
  readonly folder: string;
  readonly exited: Promise<void>;
  stop(): Promise<void>;
}

export function freePort(wanted?: number): Promise<number>;
export function startCluster(folder: string, options?: { readonly throwAway?: boolean }): Promise<Cluster>;
export function throwAwayCluster(): Promise<Cluster>;
