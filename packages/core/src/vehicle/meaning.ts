import { z } from 'zod';
import { remembered } from '../contract/index.ts';
import type { Dimension } from '../quantity/index.ts';
import type { Path } from './changes.ts';
import { buildSchema } from './document.ts';

/** What the schema says of a place in the document. */
export interface Meaning {
  readonly title?: string;
  readonly dimension?: Dimension;
  /** The unit of a plain number, as on a data sheet. */
  readonly unit?: string;
  /** Whether it counts something. */
  readonly whole?: boolean;
}

/** A schema as Zod holds it, with the parts that lead further in. */
interface Inner {
  readonly type: string;
  readonly innerType?: z.ZodType;
  readonly element?: z.ZodType;
  readonly shape?: Readonly<Record<string, z.ZodType>>;
  readonly options?: readonly z.ZodType[];
}

const innerOf = (schema: z.ZodType): Inner => schema.def as unknown as Inner;

/** The schemas one step further in: a key of an object, or any item of a list, whatever its id. */
function stepInto(schema: z.ZodType, step: string): readonly z.ZodType[] {
  const { type, innerType, element, shape, options } = innerOf(schema);
  if (innerType) return stepInto(innerType, step);
  if (type === 'array' && element) return [element];
  if (options) return options.flatMap((option) => stepInto(option, step));
  const field = shape?.[step];
  return field ? [field] : [];
}

/** What was noted on a schema or on what it wraps, the outermost word first. */
const noted = remembered((schema: z.ZodType): Meaning => {
  const { innerType } = innerOf(schema);
  const own = (schema.meta() ?? {}) as Meaning & { readonly description?: string };
  const said = own.title ?? own.description;
  return {
    ...(innerType ? noted(innerType) : {}),
    ...own,
    ...(said === undefined ? {} : { title: said }),
    ...(schema instanceof z.ZodNumber && schema.isInt ? { whole: true } : {}),
  };
});

/**
 * What stands at a path of a build: its title, and its dimension or unit where it is a number.
 *
 * @example meaningOf(['name']).title // 'Name'
 */
export function meaningOf(path: Path): Meaning {
  const schemas = path.reduce<readonly z.ZodType[]>(
    (found, step) => found.flatMap((schema) => stepInto(schema, step)),
    [buildSchema],
  );
  const meanings = schemas.map(noted);
  return meanings.find((meaning) => meaning.title !== undefined) ?? meanings[0] ?? {};
}
