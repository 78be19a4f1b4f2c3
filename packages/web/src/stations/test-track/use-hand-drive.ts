import { NotPhysical, type Notice } from '@zubric/core/contract';
import { HandRun, HANDS_OFF, type Hand, type HandAt, type HandState } from '@zubric/core/driving';
import type { Build } from '@zubric/core/vehicle';
import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import { gamepadHand, handOf, type Box, type Pushed } from './hands.ts';
import type { YardHandle } from './Yard.tsx';

/** A frame that came so late is not made up for, s. */
const LATEST_S = 0.1;
/** What is told in words is told so often, s. */
const TOLD_EVERY_S = 0.15;

/** Where a run is: not begun, driven, or driven again from what was recorded. */
type Mode = 'off' | 'driving' | 'again';

/** How the hand drives, and whether its link is cut. */
interface Asks {
  readonly box: Box;
  readonly most: number;
  readonly isCut: boolean;
  readonly steers: boolean;
}

/** What was asked at a moment of a recording; undefined once it is over. */
function recordedAt(recorded: readonly HandAt[], s: number) {
  const last = recorded.at(-1);
  return last === undefined || s > last.s + 1
    ? undefined
    : (recorded.findLast((at) => at.s <= s) ?? HANDS_OFF);
}

/** Time that passes, or why the figures of the build cannot be followed through it. */
function passed(run: HandRun, seconds: number, hand: Hand | undefined): HandState | Notice {
  try {
    return run.pass(seconds, hand);
  } catch (error) {
    if (error instanceof NotPhysical) return error.notice;
    throw error;
  }
}

/** A build driven by hand in true time, frame by frame. */
export function useHandDrive(build: Build, asks: Asks, yard: RefObject<YardHandle | null>) {
  const [mode, setMode] = useState<Mode>('off');
  const [state, setState] = useState<HandState>();
  const [problem, setProblem] = useState<Notice>();
  const [recorded, setRecorded] = useState<readonly HandAt[]>([]);
  const pushed = useRef<Pushed>({});
  const current = useRef<HandRun>(undefined);
  const now = useRef(asks);
  useEffect(() => {
    now.current = asks;
  });
  useEffect(() => {
    if (mode === 'off') return;
    const own = new HandRun(build);
    current.current = own;
    yard.current?.clear();
    let before: number | undefined;
    let told = -Infinity;
    let frame = 0;
    const next = (at: number): void => {
      const seconds = before === undefined ? 0 : Math.min(LATEST_S, (at - before) / 1000);
      before = at;
      const { box, most, isCut, steers } = now.current;
      const hand =
        mode === 'again'
          ? recordedAt(recorded, own.state.s)
          : (gamepadHand(box, most, steers) ?? handOf(box, pushed.current, most, steers));
      if (hand === undefined) {
        setMode('off');
        return;
      }
      const is = passed(own, seconds, isCut ? undefined : hand);
      if (!('s' in is)) {
        setProblem(is);
        setMode('off');
        return;
      }
      yard.current?.show(is);
      if (is.s - told >= TOLD_EVERY_S) {
        told = is.s;
        setState(is);
      }
      frame = requestAnimationFrame(next);
    };
    frame = requestAnimationFrame(next);
    return () => cancelAnimationFrame(frame);
  }, [mode, build, recorded, yard]);
  const push = useCallback((what: keyof Pushed, on: boolean): void => {
    pushed.current = { ...pushed.current, [what]: on };
  }, []);
  const letGo = useCallback((): void => {
    pushed.current = {};
  }, []);
  return {
    ...{ mode, state, problem, push, letGo },
    canRepeat: recorded.length > 1,
    take: () => {
      setProblem(undefined);
      setMode('driving');
    },
    again: () => setMode('again'),
    stop: () => {
      letGo();
      const own = current.current;
      if (mode === 'driving' && own) setRecorded([...own.recorded, { s: own.state.s, ...HANDS_OFF }]);
      setMode('off');
    },
  };
}

export type HandDrive = ReturnType<typeof useHandDrive>;
