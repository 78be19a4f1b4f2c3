import { describe, expect, it } from 'vitest';
import { workerHere } from '../testing/worker-here.ts';
import { beside, BesideFailed } from './beside.ts';

const work = {
  double: (n: number): number => 2 * n,
  fail: (): number => {
    throw new RangeError('no such number');
  },
  never: (): Promise<number> => new Promise(() => undefined),
};
type Work = typeof work;

describe('work beside the screen', () => {
  const Here = workerHere(work);
  const start = (): Worker => new Here() as unknown as Worker;
  const live = (): AbortSignal => new AbortController().signal;

  it('answers, and its worker is gone with the answer', async () => {
    const before = Here.terminated;
    await expect(beside<Work, number>(start, (there) => there.double(21), live())).resolves.toBe(42);
    expect(Here.terminated).toBe(before + 1);
  });

  it('that fails says why', async () => {
    const asked = beside<Work, number>(start, (there) => there.fail(), live());
    await expect(asked).rejects.toThrow(new BesideFailed('no such number'));
  });

  it('ends at once where it is called off, before it began too', async () => {
    const called = new AbortController();
    const before = Here.terminated;
    const asked = beside<Work, number>(start, (there) => there.never(), called.signal);
    called.abort(new Error('a newer build'));
    await expect(asked).rejects.toThrow('a newer build');
    expect(Here.terminated).toBe(before + 1);
    await expect(beside<Work, number>(start, (there) => there.double(1), called.signal)).rejects.toThrow(
      'a newer build',
    );
  });

  it('is told of where its worker dies', async () => {
    const asked = beside<Work, number>(start, (there) => there.never(), live());
    Here.last?.dispatchEvent(Object.assign(new Event('error'), { message: 'out of memory' }));
    await expect(asked).rejects.toThrow(new BesideFailed('out of memory'));
  });
});
