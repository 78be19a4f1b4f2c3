/** What a kind of work asks for, before what is known of it is looked up. */
export type { StagePart as Wanted } from '../transmission/index.ts';
