/** What is built for the browser, whoever asks for it: a runner of tests too. */
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ensureWeb } from '../scripts/lib/setup.mjs';

describe('the interface that ships', () => {
  it('has the libraries as they are shipped, not as their developers run them', () => {
    const assets = join(ensureWeb(), 'assets');
    const script = readdirSync(assets)
      .filter((name) => name.endsWith('.js'))
      .map((name) => readFileSync(join(assets, name), 'utf8'))
      .join('\n');
    // React says its errors by number only where it is built to be shipped, and speaks of its tools where it is not.
    expect(script.includes('Minified React error')).toBe(true);
    expect(script.includes('React DevTools')).toBe(false);
  });
});
