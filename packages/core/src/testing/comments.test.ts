/** Holds the core to a comment at everything that others may use. */
import { describe, expect, it } from 'vitest';
import { coreFiles, exportsOf, shownByRooms } from './examples.ts';

describe('a comment', () => {
  it('stands before everything that a file of the core exports', () => {
    const bare = coreFiles().flatMap((file) =>
      exportsOf(file).flatMap(({ name, tellsItself, comment }) =>
        comment === undefined && !tellsItself ? [`${file}: ${name}`] : [],
      ),
    );
    expect(bare).toEqual([]);
  });

  it('has an example before every function that a room shows', () => {
    const shown = shownByRooms().filter(({ isFunction }) => isFunction);
    expect(shown.length).toBeGreaterThan(300);
    const without = shown.filter(({ comment }) => comment?.includes('@example') !== true);
    expect(without.map(({ file, name }) => `${file}: ${name}`)).toEqual([]);
  });
});
