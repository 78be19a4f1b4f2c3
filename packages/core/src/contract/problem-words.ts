import type { z } from 'zod';

const KINDS: Readonly<Record<string, string>> = {
  number: 'a number',
  int: 'a whole number',
  string: 'a text',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object with its keys',
  record: 'an object with its keys',
};

const kind = (name: string): string => KINDS[name] ?? name;

/** A message of a schema's own stands; what Zod says by itself is said in words that tell what to change. */
const isOwn = (message: string): boolean => !/^(Invalid|Too (big|small)|Unrecognized)/.test(message);

/** What is counted where a length is too small or too big. */
const counted = (origin: string): string =>
  origin === 'string' ? 'characters' : origin === 'array' ? 'entries' : '';

/**
 * One issue of a schema as a sentence that says what to change.
 *
 * @example problemWords(z.number().safeParse('x').error.issues[0]) // 'must be a number, and is a text'
 */
export function problemWords(issue: z.core.$ZodIssue): string {
  if (isOwn(issue.message)) return issue.message;
  switch (issue.code) {
    case 'invalid_type': {
      const received = /received (\w+)/.exec(issue.message)?.[1];
      if (received === undefined || received === 'undefined')
        return `is missing: give ${kind(issue.expected)}`;
      if (String(issue.expected) === 'int' && received === 'number') return 'must be a whole number';
      return `must be ${kind(issue.expected)}, and is ${received === 'null' ? 'empty (null)' : kind(received)}`;
    }
    case 'too_small':
      return counted(issue.origin)
        ? `must have ${String(issue.minimum)} or more ${counted(issue.origin)}`
        : `must be ${issue.inclusive === false ? 'more than' : 'at least'} ${String(issue.minimum)}`;
    case 'too_big':
      return counted(issue.origin)
        ? `must have ${String(issue.maximum)} or fewer ${counted(issue.origin)}`
        : `must be ${issue.inclusive === false ? 'less than' : 'at most'} ${String(issue.maximum)}`;
    case 'invalid_format':
      return issue.format === 'date'
        ? 'must be a day such as 2027-04-24'
        : `must be written as ${issue.format}`;
    case 'invalid_value':
      return `must be ${issue.values.map((value) => JSON.stringify(value)).join(' or ')}`;
    case 'unrecognized_keys':
      return `has ${issue.keys.length === 1 ? 'a key' : 'keys'} that nothing here is called: ${issue.keys.map((key) => `"${key}"`).join(', ')}. Take ${issue.keys.length === 1 ? 'it' : 'them'} out, or check the spelling`;
    case 'invalid_union':
      return 'is none of the kinds that are known here';
    default:
      return issue.message;
  }
}
