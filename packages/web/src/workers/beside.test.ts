import { describe, expect, it, vi } from 'vitest';
import { workerHere } from '../testing/worker-here.ts';
import { beside, besideWatched, BesideFailed, letGo, type Watched } from './beside.ts';

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

  it('answers, and its worker is at hand for the next question, one of them', async () => {
    const double = (n: number) => beside<Work, number>(start, (there) => there.double(n), live());
    await expect(double(21)).resolves.toBe(42);
    const [first, before] = [Here.last, Here.terminated];
    await expect(double(4)).resolves.toBe(8);
    expect(Here.last).toBe(first);
    // Asked twice at a time, another is begun, and one of the two is let go after.
    await expect(Promise.all([double(1), double(2)])).resolves.toEqual([2, 4]);
    expect(Here.last).not.toBe(first);
    expect(Here.terminated).toBe(before + 1);
    letGo();
    expect(Here.terminated).toBe(before + 2);
  });

  it('lets a worker go that nobody asks for two minutes', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    await beside<Work, number>(start, (there) => there.double(1), live());
    const before = Here.terminated;
    vi.advanceTimersByTime(119_000);
    await beside<Work, number>(start, (there) => there.double(1), live());
    vi.advanceTimersByTime(119_000);
    expect(Here.terminated).toBe(before);
    vi.advanceTimersByTime(2000);
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
    await expect(asked).rejects.toThrow(new BesideFailed('out of memory', true));
  });
});

describe('work that is watched', () => {
  const Here = workerHere(work);
  const watched = <Answer>(
    ask: Watched<Work, Answer>['ask'],
    signal = new AbortController().signal,
  ): { readonly answer: Promise<Answer>; readonly onAnew: () => void } => {
    const onAnew = vi.fn();
    return {
      answer: besideWatched<Work, Answer>({
        start: () => new Here() as unknown as Worker,
        ask,
        signal,
        onAnew,
      }),
      onAnew,
    };
  };
  const dies = (): void => {
    Here.last?.dispatchEvent(Object.assign(new Event('error'), { message: 'out of memory' }));
  };

  it('is begun anew where its worker dies, and answers', async () => {
    let asked = 0;
    const { answer, onAnew } = watched((there) => {
      asked += 1;
      return asked === 1 ? there.never() : there.double(21);
    });
    dies();
    await expect(answer).resolves.toBe(42);
    expect(onAnew).toHaveBeenCalledOnce();
  });

  it('says why where it dies again', async () => {
    const { answer, onAnew } = watched((there) => there.never());
    dies();
    await vi.waitFor(() => expect(onAnew).toHaveBeenCalled());
    dies();
    await expect(answer).rejects.toThrow('out of memory');
    expect(onAnew).toHaveBeenCalledOnce();
  });

  it('is not tried again where the work itself fails, or was called off', async () => {
    const failed = watched((there) => there.fail());
    await expect(failed.answer).rejects.toThrow('no such number');
    const called = new AbortController();
    const off = watched((there) => there.never(), called.signal);
    called.abort(new Error('a newer build'));
    await expect(off.answer).rejects.toThrow('a newer build');
    expect([failed.onAnew, off.onAnew].flatMap((told) => vi.mocked(told).mock.calls)).toEqual([]);
  });

  it('that says nothing for half a minute has died, but not while it is heard', async () => {
    vi.useFakeTimers();
    try {
      const heard: (() => void)[] = [];
      const { answer, onAnew } = watched((there, hear) => {
        heard.push(hear);
        return there.never();
      });
      const ended = expect(answer).rejects.toThrow('it stopped by itself');
      await vi.advanceTimersByTimeAsync(20_000);
      heard[0]?.();
      await vi.advanceTimersByTimeAsync(20_000);
      expect(onAnew).not.toHaveBeenCalled();
      await vi.advanceTimersByTimeAsync(11_000);
      expect(onAnew).toHaveBeenCalledOnce();
      await vi.advanceTimersByTimeAsync(31_000);
      await ended;
    } finally {
      vi.useRealTimers();
    }
  });
});
