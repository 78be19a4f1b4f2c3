import type { z } from 'zod';

/** What is sent or answered where it is no JSON: its kinds of media. */
export interface Media {
  readonly media: readonly string[];
}
/** What is sent or answered. */
type Sent = z.ZodType | Media;

/** A door of the server, by the schemas that it checks and answers with. */
export interface Door {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** With `:name` for what is put in. */
  readonly path: string;
  readonly says: string;
  /** Where it is, under `src`. */
  readonly file: string;
  readonly query?: z.ZodObject;
  readonly body?: Sent;
  /** Absent where nothing is answered. */
  readonly answer?: Sent;
  /** 200, or 204 where nothing is answered, unless said. */
  readonly status?: 201;
  /** Changes what stands only over the version named in `If-Match`. */
  readonly over?: true;
  /** For the machine that the server runs on, and no device. */
  readonly ownMachine?: true;
  /** Needs no key. */
  readonly open?: true;
}
