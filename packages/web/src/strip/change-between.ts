import { changeInWords, compareMargins, linkDefinition, type Block, type Report } from '@zubric/core/judge';
import { showNumber } from '@zubric/core/quantity';

/** Blocks that the last edit moved, with what each margin was before. */
export type Moved = ReadonlyMap<Block, string>;

export interface LastChange {
  readonly moved: Moved;
  /** For ears, one sentence. */
  readonly said: string;
}

/** What came to another margin from one report to the next, for eyes and for ears; undefined where nothing did. */
export function changeBetween(before: Report, after: Report): LastChange | undefined {
  const all = compareMargins(before, after).filter(({ moved }) => moved);
  if (all.length === 0) return undefined;
  return {
    moved: new Map(
      all.flatMap(({ link, before: was }) =>
        was ? [[linkDefinition(link).block, `${showNumber(was.ratio)} ×`] as const] : [],
      ),
    ),
    said: changeInWords(all),
  };
}
