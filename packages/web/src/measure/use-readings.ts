import { fitReadings, measuredFigures, nextStep, type BenchFit } from '@zubric/core/bench';
import { NotPhysical } from '@zubric/core/contract';
import { benchReading, READ_BY, type BenchReading } from '@zubric/core/motor';
import type { Words } from '@zubric/core/quantity';
import { useMemo, useState } from 'react';
import { z } from 'zod';

const KEPT = 'zubric-bench-readings';
export type ReadBy = (typeof READ_BY)[number];

/** What is on the bench: what it is rated for, and what was read of it. Kept on this machine until it lies on the shelf. */
const kept = z.object({
  ratedV: z.number().positive(),
  by: z.enum(READ_BY),
  readings: z.array(benchReading),
});
export type OnBench = z.output<typeof kept>;

const EMPTY: OnBench = { ratedV: 12, by: 'typed', readings: [] };

function before(): OnBench {
  try {
    return kept.catch(EMPTY).parse(JSON.parse(localStorage.getItem(KEPT) ?? 'null'));
  } catch {
    return EMPTY;
  }
}

/** Whether it could be kept. */
function keep(bench: OnBench): boolean {
  try {
    localStorage.setItem(KEPT, JSON.stringify(bench));
    return true;
  } catch {
    return false;
  }
}

/** What readings come to, or why not. */
function workedOut({ readings, ratedV }: OnBench) {
  try {
    const fit: BenchFit = fitReadings(readings);
    return { fit, measured: measuredFigures(fit, ratedV), problem: undefined };
  } catch (error) {
    if (!(error instanceof NotPhysical)) throw error;
    const problem: Words = error.notice.sentence;
    return { fit: undefined, measured: undefined, problem };
  }
}

/** The readings on the bench, and what they come to. */
export function useReadings() {
  const [bench, setBench] = useState(before);
  const [keptHere, setKeptHere] = useState(true);
  const change = (next: (now: OnBench) => OnBench): void =>
    setBench((now) => {
      const then = next(now);
      setKeptHere(keep(then));
      return then;
    });
  const found = useMemo(() => workedOut(bench), [bench]);
  return {
    ...bench,
    ...found,
    keptHere,
    step: nextStep(bench.readings, bench.ratedV, found.fit),
    setRated: (ratedV: number): void => change((now) => ({ ...now, ratedV })),
    add: (readings: readonly BenchReading[], by: ReadBy): void =>
      change((now) => ({ ...now, by, readings: [...now.readings, ...readings] })),
    remove: (at: number): void =>
      change((now) => ({ ...now, readings: now.readings.filter((_, n) => n !== at) })),
    clear: (): void => change(() => EMPTY),
  };
}
export type Readings = ReturnType<typeof useReadings>;
