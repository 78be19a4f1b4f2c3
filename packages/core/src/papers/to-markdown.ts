import type { BlockContent, PhrasingContent, RootContent, TableCell } from 'mdast';
import { gfmTableToMarkdown } from 'mdast-util-gfm-table';
import { toMarkdown } from 'mdast-util-to-markdown';
import type { Paper, PaperBlock } from './paper.ts';

/** Text as one line: what stands in a cell or an item is not broken. */
const words = (value: string): PhrasingContent[] => [
  { type: 'text', value: value.replace(/\s*\n\s*/g, ' ') },
];
const paragraph = (text: string): BlockContent => ({ type: 'paragraph', children: words(text) });
const cell = (text: string): TableCell => ({ type: 'tableCell', children: words(text) });

function nodeOf(block: PaperBlock): RootContent {
  switch (block.kind) {
    case 'heading':
      return { type: 'heading', depth: 2, children: words(block.text) };
    case 'text':
      return paragraph(block.text);
    case 'list':
      return {
        ...{ type: 'list', spread: false },
        children: block.items.map((item) => ({
          type: 'listItem',
          spread: false,
          children: [paragraph(item)],
        })),
      };
    case 'table':
      return {
        type: 'table',
        align: block.heads.map((_, column) => (block.numbers.includes(column) ? 'right' : 'left')),
        children: [block.heads, ...block.rows].map((row) => ({ type: 'tableRow', children: row.map(cell) })),
      };
  }
}

/**
 * A paper as Markdown with tables; whatever a name holds stands as it was typed.
 *
 * @example markdownOf({ title: 'A cart', blocks: [] }) // '# A cart\n'
 */
export const markdownOf = ({ title, blocks }: Paper): string =>
  toMarkdown(
    {
      type: 'root',
      children: [{ type: 'heading', depth: 1, children: words(title) }, ...blocks.map(nodeOf)],
    },
    { bullet: '-', extensions: [gfmTableToMarkdown()] },
  );
