import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { afterPaint, soon } from './soon.ts';

const FRAME_MS = 16;
/** Until what was painted is on the screen. */
const DRAWN_MS = 8;

describe('what is done once a frame is painted', () => {
  beforeEach(() =>
    vi.useFakeTimers({
      toFake: ['setTimeout', 'clearTimeout', 'requestAnimationFrame', 'cancelAnimationFrame'],
    }),
  );
  afterEach(() => {
    vi.runAllTimers();
    vi.useRealTimers();
  });

  it('waits until the frame is drawn', () => {
    const done: string[] = [];
    afterPaint(() => done.push('work'));
    requestAnimationFrame(() => done.push('frame'));
    expect(done).toEqual([]);
    vi.advanceTimersByTime(FRAME_MS);
    vi.advanceTimersByTime(DRAWN_MS - 1);
    expect(done).toEqual(['frame']);
    vi.advanceTimersByTime(1);
    expect(done).toEqual(['frame', 'work']);
    vi.advanceTimersByTime(1000);
    expect(done).toHaveLength(2);
  });

  it('is done all the same where no frame comes, as on a page out of sight', () => {
    const work = vi.fn();
    vi.stubGlobal('requestAnimationFrame', () => 1);
    afterPaint(work);
    vi.advanceTimersByTime(1000);
    expect(work).toHaveBeenCalledTimes(1);
    vi.unstubAllGlobals();
  });

  it('is done in one turn with all that waits for that frame, and holds up none of them where it fails', () => {
    const done: string[] = [];
    const turns: string[] = [];
    afterPaint(() => {
      setTimeout(() => turns.push('next turn'));
      done.push('first');
    });
    afterPaint(() => {
      throw new Error('it fails');
    });
    afterPaint(() => done.push(`last, before ${turns.length} turns`));
    vi.advanceTimersByTime(FRAME_MS);
    // Asked for once the frame began: that is for the next one.
    afterPaint(() => done.push('after the next'));
    expect(() => vi.advanceTimersByTime(DRAWN_MS)).toThrow('it fails');
    expect(done).toEqual(['first', 'last, before 0 turns']);
    vi.advanceTimersByTime(2 * FRAME_MS);
    expect(done).toEqual(['first', 'last, before 0 turns', 'after the next']);
  });

  it.each([0, FRAME_MS])('is not done any more once it is called off, %d ms after', (ms) => {
    const work = vi.fn();
    const callOff = afterPaint(work);
    vi.advanceTimersByTime(ms);
    callOff();
    vi.advanceTimersByTime(1000);
    expect(work).not.toHaveBeenCalled();
  });

  it('is done at once, and once, where the page goes away', () => {
    const work = vi.fn();
    const now = soon(work);
    window.dispatchEvent(new Event('pagehide'));
    expect(work).toHaveBeenCalledTimes(1);
    now();
    vi.advanceTimersByTime(1000);
    window.dispatchEvent(new Event('pagehide'));
    expect(work).toHaveBeenCalledTimes(1);
  });

  it('is done at once where somebody asks for it, and else after the frame', () => {
    const [asked, left] = [vi.fn(), vi.fn()];
    soon(asked)();
    soon(left);
    expect(asked).toHaveBeenCalledTimes(1);
    expect(left).not.toHaveBeenCalled();
    vi.advanceTimersByTime(FRAME_MS + DRAWN_MS);
    expect(left).toHaveBeenCalledTimes(1);
  });
});
