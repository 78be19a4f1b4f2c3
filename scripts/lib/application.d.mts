import type { ChildProcess } from 'node:child_process';

export interface ServerPlace {
  readonly databaseUrl: string;
  readonly port: number;
  readonly log: string;
}

export function startServer(root: string, place: ServerPlace): Promise<ChildProcess>;
export function stopServer(child: ChildProcess, signal?: NodeJS.Signals): Promise<void>;
