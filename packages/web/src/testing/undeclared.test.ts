// @vitest-environment node
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { bundled, undeclaredIn } from './undeclared.ts';

interface Manifest {
  readonly dependencies: Readonly<Record<string, string>>;
}

/** Everything that ships to the browser, styles and our own packages left out. */
const shipped = ['core', 'web'].flatMap((name) => {
  const { dependencies } = JSON.parse(readFileSync(`packages/${name}/package.json`, 'utf8')) as Manifest;
  return Object.keys(dependencies)
    .filter((dependency) => !/^@(fontsource|zubric)\//.test(dependency))
    .map((dependency) => ({ dependency, from: `packages/${name}` }));
});

describe('libraries in strict modules', () => {
  it('are told by what they assign and never declare', () => {
    expect(undeclaredIn('export function f() { for (b = 0; b < 3; b++); let c = 1; c = 2; }')).toEqual([
      'b',
      'b',
    ]);
  });

  it.each(shipped)('$dependency assigns only what it declares', async ({ dependency, from }) => {
    const script = await bundled(dependency, from);
    expect(script.length).toBeGreaterThan(100);
    expect(undeclaredIn(script)).toEqual([]);
  });
});
