/** Holds the examples in comments of the core to what they say. */
import { beforeAll, describe, expect, it } from 'vitest';
import { exampleScope } from './example-scope.ts';
import { examplesOfCore, wrongIn } from './examples.ts';

describe('an example in a comment', () => {
  let scopeOf: Awaited<ReturnType<typeof exampleScope>>;
  beforeAll(async () => {
    scopeOf = await exampleScope();
  });

  it.each(
    examplesOfCore().map((example) => [`${example.file}, ${example.of}: ${example.call}`, example] as const),
  )('%s gives what it says', async (_, example) => {
    expect(await wrongIn(example, await scopeOf(example.file))).toEqual([]);
  });

  it('is held to every digit, key and word that it says', async () => {
    const of = (call: string, gives: string) => wrongIn({ file: '', of: '', call, gives }, {});
    expect(await of('2 / 3', '0.667')).toEqual([]);
    expect(await of('2 / 3', '0.668')).toHaveLength(1);
    expect(await of('2', '3 N')).toHaveLength(1);
    expect(await of('({ a: 1, b: [1, 2] })', '{ a: 1, … }')).toEqual([]);
    expect(await of('({ a: 1, b: [1, 2] })', '{ a: 1 }')).toEqual(['it has b too']);
    expect(await of('({ a: 1, b: [1, 2] })', '{ a: 1, b: [1, 3] }')).toEqual(['it.b[1] is 2, not 3']);
    expect(await of('[1, 2]', '[1, …]')).toEqual([]);
    expect(await of('[1, 2]', '[1]')).toHaveLength(1);
    expect(await of("'a step of'", "'a step…'")).toEqual([]);
    expect(await of("'a step'", "'a Step'")).toHaveLength(1);
    expect(await of('null', 'null: none')).toEqual([]);
    expect(await of('undefined', 'null')).toHaveLength(1);
    expect(await of('JSON.parse("{")', 'throws SyntaxError')).toEqual([]);
    expect(await of('JSON.parse("1")', 'throws SyntaxError')).toHaveLength(1);
    expect(await of('1', '')).toHaveLength(1);
    expect(await of('Promise.resolve(2)', '2')).toEqual([]);
    expect(await of('Promise.resolve(2)', '3')).toHaveLength(1);
    expect(await of('Promise.reject(new TypeError("no"))', 'throws TypeError: no')).toEqual([]);
  });
});
