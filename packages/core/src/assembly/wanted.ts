/** What a kind of work asks for, before what is known of it is looked up. */
export interface Wanted {
  readonly id: string;
  readonly name: string;
  readonly count: number;
}
