import type { Dimension } from '@zubric/core/quantity';
import { TimeChart } from './TimeChart.tsx';

interface Chart<Of extends string> {
  readonly of: Of;
  readonly dimension: Dimension;
  readonly title: string;
  readonly kind: 'mechanical' | 'electrical';
  readonly mark?: number | undefined;
}

interface Props<Of extends string> {
  readonly samples: readonly ({ readonly tS: number } & Readonly<Record<Of, number>>)[];
  readonly charts: readonly Chart<Of>[];
}

/** Figures of a run over one time, below each other. */
export const RunCharts = <Of extends string>({ samples, charts }: Props<Of>) => (
  <div className="sheet grid gap-1 p-3">
    {charts.map(({ mark, ...chart }, n) => (
      <TimeChart
        key={chart.of}
        samples={samples}
        {...chart}
        {...(mark === undefined ? {} : { mark })}
        last={n === charts.length - 1}
      />
    ))}
  </div>
);
