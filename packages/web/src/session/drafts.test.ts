import { newBuild } from '@zubric/core/build';
import { afterEach, describe, expect, it } from 'vitest';
import { dropDraft, findDraft, keepDraft } from './drafts.ts';

const gull = newBuild('Gull');

describe('a draft', () => {
  afterEach(() => localStorage.clear());

  it('is kept by build and given back whole', () => {
    keepDraft('a', { version: 3, document: gull, base: gull });
    expect(findDraft('a')).toEqual({ version: 3, document: gull, base: gull });
    expect(findDraft('b')).toBeUndefined();
    dropDraft('a');
    expect(findDraft('a')).toBeUndefined();
  });

  it('that cannot be read is passed over, not fallen over', () => {
    for (const text of [
      '{',
      'null',
      '{"version":1}',
      '{"version":"1","document":{}}',
      '{"version":1,"document":{"format":"x"}}',
      JSON.stringify({ version: 1, document: gull }),
    ]) {
      localStorage.setItem('zubric-draft-a', text);
      expect(findDraft('a')).toBeUndefined();
    }
  });
});
