import { act, renderHook, waitFor } from '@testing-library/react';
import type { Remote } from 'comlink';
import { describe, expect, it } from 'vitest';
import { workOfTheBench } from '../testing/worker-here.ts';
import type { BenchWork } from './bench-work.ts';
import { useLongWork, type AskLong } from './use-long-work.ts';

describe('a long work', () => {
  it('that is done stays done, though a word of how far it was comes after the answer', async () => {
    workOfTheBench();
    let tellsLate: (progress: number) => void = () => undefined;
    const how: AskLong<string, number, string> = {
      ask: (_work: Remote<BenchWork>, asked, tells) => {
        tellsLate = tells;
        tells(1);
        return Promise.resolve(`${asked} is found`);
      },
      nothingYet: 0,
      found: new Map(),
    };
    const { result } = renderHook(() => useLongWork('b', how));
    act(() => void result.current.start('it'));
    await waitFor(() => expect(result.current.work).toMatchObject({ state: 'done', answer: 'it is found' }));
    act(() => tellsLate(2));
    expect(result.current.work.state).toBe('done');
    expect(how.found.get('b')).toMatchObject({ state: 'done' });
  });
});
