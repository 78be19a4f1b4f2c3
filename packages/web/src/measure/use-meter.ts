import type { MeterLine } from '@zubric/core/bench';
import { useCallback, useEffect, useRef, useState } from 'react';
import { serialLines, simulatedLines, type Said } from './meter-lines.ts';

export type MeterKind = 'simulated' | 'serial';
const SOURCES: Readonly<Record<MeterKind, (signal: AbortSignal) => AsyncGenerator<Said>>> = {
  simulated: simulatedLines,
  serial: serialLines,
};

export interface Meter {
  readonly state: 'off' | 'on' | 'lost';
  /** What it shows now. */
  readonly now: MeterLine | undefined;
  readonly remark: string;
  /** Why it is not on. */
  readonly problem: string;
  readonly connect: () => void;
  readonly disconnect: () => void;
  /** The lines of the next seconds; those so far where it was lost meanwhile. */
  readonly collect: (seconds: number) => Promise<readonly MeterLine[]>;
}

/** A meter that tells lines as they come; that it fell silent is told, and what was read stays. */
export function useMeter(kind: MeterKind): Meter {
  const [state, setState] = useState<Meter['state']>('off');
  const [now, setNow] = useState<MeterLine>();
  const [remark, setRemark] = useState('');
  const [problem, setProblem] = useState('');
  const stop = useRef<AbortController>(undefined);
  const heard = useRef(new Set<(line: MeterLine) => void>());
  const ended = useRef(new Set<() => void>());

  const disconnect = useCallback((): void => {
    stop.current?.abort();
    stop.current = undefined;
    setState('off');
  }, []);
  useEffect(() => () => stop.current?.abort(), []);

  const hear = useCallback((said: Said): void => {
    if ('line' in said) {
      setNow(said.line);
      for (const tell of heard.current) tell(said.line);
    } else if ('remark' in said) setRemark(said.remark.startsWith('zubric bench') ? '' : said.remark);
    else setProblem(`A line of the meter cannot be read: ${said.unread}.`);
  }, []);

  const connect = useCallback((): void => {
    stop.current?.abort();
    const control = new AbortController();
    stop.current = control;
    setProblem('');
    setRemark('');
    const run = async (): Promise<void> => {
      setState('on');
      let why = 'The meter fell silent: is its plug in? Readings so far are kept.';
      try {
        for await (const said of SOURCES[kind](control.signal)) hear(said);
      } catch (error) {
        if (error instanceof Error && error.name !== 'TypeError') why = error.message;
      }
      for (const tell of ended.current) tell();
      if (control.signal.aborted) return;
      setState('lost');
      setProblem(why);
    };
    void run();
  }, [kind, hear]);

  const collect = useCallback(
    (seconds: number): Promise<readonly MeterLine[]> =>
      new Promise((resolve) => {
        const lines: MeterLine[] = [];
        const add = (line: MeterLine): void => void lines.push(line);
        const done = (): void => {
          clearTimeout(timer);
          heard.current.delete(add);
          ended.current.delete(done);
          resolve(lines);
        };
        heard.current.add(add);
        ended.current.add(done);
        const timer = setTimeout(done, seconds * 1000);
      }),
    [],
  );
  return { state, now, remark, problem, connect, disconnect, collect };
}
