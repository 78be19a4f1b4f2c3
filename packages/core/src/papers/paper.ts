/** A piece of a paper, one under the other. */
export type PaperBlock =
  | { readonly kind: 'heading'; readonly text: string }
  | { readonly kind: 'text'; readonly text: string }
  | { readonly kind: 'list'; readonly items: readonly string[] }
  | {
      readonly kind: 'table';
      readonly heads: readonly string[];
      readonly rows: readonly (readonly string[])[];
      /** Columns of numbers, from 0. */
      readonly numbers: readonly number[];
    };

/** What is handed to others to read, without a form yet. */
export interface Paper {
  readonly title: string;
  readonly blocks: readonly PaperBlock[];
}
