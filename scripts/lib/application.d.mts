import type { ChildProcess } from 'node:child_process';

export interface ServerPlace {
  readonly databaseUrl: string;
  readonly port: number;
  readonly log: string;
  /** The address that it opens to devices on request. */
  readonly network?: string;
  /** Further host:port pairs that it answers to, with commas. */
  readonly hosts?: string;
  /** The folder with the built interface. */
  readonly web?: string;
}

export function startServer(root: string, place: ServerPlace): Promise<ChildProcess>;
export function stopServer(child: ChildProcess, signal?: NodeJS.Signals): Promise<void>;
