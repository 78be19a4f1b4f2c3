import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { glossaryPage, TERMS } from './glossary.ts';

describe('the glossary', () => {
  it('is the page of the documentation (npm run schema writes it)', () => {
    const unwrapped = (text: string): string => text.replace(/\s+/g, ' ').trim();
    expect(unwrapped(readFileSync('docs/glossary.md', 'utf8'))).toBe(unwrapped(glossaryPage()));
  });

  it('says each word once, in one sentence, in the order of the alphabet of its ids', () => {
    expect(new Set(TERMS.map(({ term }) => term)).size).toBe(TERMS.length);
    expect(TERMS.map(({ id }) => id)).toEqual(TERMS.map(({ id }) => id).sort());
    for (const { sentence } of TERMS) {
      expect(sentence).toMatch(/^[A-Z].*\.$/);
      expect(sentence.slice(0, -1)).not.toMatch(/[.!?] /);
    }
  });
});
