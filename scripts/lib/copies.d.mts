export interface CopyOf {
  /** The folder of PostgreSQL's programs. */
  readonly bin: string;
  readonly databaseUrl: string;
  readonly file: string;
}
export function copyTo(of: CopyOf): Promise<void>;
export function bringBack(of: CopyOf): Promise<void>;
export function isCopy(of: Pick<CopyOf, 'bin' | 'file'>): Promise<boolean>;

export interface OwnCopies {
  /** The file that was made; undefined where today's was there. */
  daily(today?: string): Promise<string | undefined>;
  before(what: string): Promise<string>;
}
export function ownCopies(of: Omit<CopyOf, 'file'> & { readonly folder: string }): OwnCopies;
