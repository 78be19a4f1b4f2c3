export interface Held {
  readonly pid: number;
  readonly address?: string;
  readonly server?: number;
  readonly database?: string;
}
export interface Lock {
  update(more: object): void;
  release(): void;
}
type Told = (sentence: string) => void;

export function stateFolder(): string;
export function ownFolder(folder: string): string;
export function setAside(path: string, why: string): string;
export function writeWhole(path: string, text: string): void;
export function takeLock(folder: string, told: Told): { readonly lock?: Lock; readonly heldBy?: Held };
export function whatRuns(folder: string): Held | undefined;
export function tokenFile(folder: string): string;
