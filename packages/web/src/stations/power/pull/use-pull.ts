import { tiredLine } from '@zubric/core/capability';
import { drivelineOf, flatOut, greatestPull, together, type Driveline } from '@zubric/core/drive';
import type { Limit } from '@zubric/core/supply';
import { useMemo } from 'react';
import { useBuild } from '../../../session/BuildSession.tsx';

const SAMPLES = 120;

type Curve = readonly (readonly [speedMps: number, pullN: number])[];

/** Speeds over which something else than the battery's voltage holds the drive back. */
export interface HeldBack {
  readonly by: Exclude<Limit, 'voltage'>;
  readonly curve: Curve;
}

export interface Pull {
  readonly line: Driveline;
  readonly curve: Curve;
  /** On the battery as it is at the end of the outing, where that is no longer as new. */
  readonly tired?: { readonly line: Driveline; readonly curve: Curve };
  readonly heldBack: readonly HeldBack[];
  readonly freeMps: number;
}

const curveOf = (line: Driveline, freeMps: number): Curve =>
  Array.from({ length: SAMPLES + 1 }, (_, n) => {
    const speedMps = (freeMps * n) / SAMPLES;
    return [speedMps, greatestPull(line, speedMps)] as const;
  }).filter(([, pullN]) => pullN >= 0);

/** Stretches of a curve along which this drive is held back by one limit. */
function heldBackOf(line: Driveline, curve: Curve): readonly HeldBack[] {
  const stretches: { by: HeldBack['by']; curve: (readonly [number, number])[] }[] = [];
  let last: Limit | undefined;
  for (const point of curve) {
    const by = flatOut(line, point[0]).drives[0]?.point.limitedBy ?? 'voltage';
    if (by !== 'voltage') {
      if (by === last) stretches.at(-1)?.curve.push(point);
      else stretches.push({ by, curve: [point] });
    }
    last = by;
  }
  return stretches.filter((stretch) => stretch.curve.length > 1);
}

/** What the drives pull over their speeds: fresh, at the outing's end, and what holds them back. */
export function usePull(): Pull | undefined {
  const { build, report } = useBuild();
  return useMemo(() => {
    const line = drivelineOf(build);
    if (!line) return undefined;
    const freeMps = Math.max(
      ...together(line).map(
        ({ circuit, ratio, wheelRadiusM }) =>
          (circuit.motor.fastestRadS(circuit.openCircuitV) / ratio) * wheelRadiusM,
      ),
    );
    const curve = curveOf(line, freeMps);
    const end = report.outing && tiredLine(build, line, report.outing);
    return {
      line,
      curve,
      freeMps,
      heldBack: heldBackOf(line, curve),
      ...(end ? { tired: { line: end, curve: curveOf(end, freeMps) } } : {}),
    };
  }, [build, report.outing]);
}
