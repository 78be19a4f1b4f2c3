import { pullsAt, together } from '../drive/index.ts';
import { figure } from '../quantity/index.ts';
import { throughDrive, driveOf } from '../vehicle/index.ts';
import { found, type Finding } from './finding.ts';
import type { FindingContext } from './finding-context.ts';

declare module './finding.ts' {
  interface FindingFigures {
    /** A drive that the others drag round at a speed past its own: what that costs, and the ratio at which it would help. */
    'drives-fight': 'speed' | 'drag' | 'ratio';
  }
}

/** Dragging less than this share of what the others push is no fight (common practice, no source). */
const WORTH_A_WORD = 0.02;

/** The speeds at which drives meet: of each duty, and the most that it reaches. */
const speedsOf = ({ duties }: FindingContext) =>
  duties.flatMap(({ id, point, turn, speedMps, attainableMps = 0 }) =>
    point ? [{ dutyId: id, speedMps: turn?.outerMps ?? speedMps, mostMps: attainableMps }] : [],
  );

/**
 * Drives on one road that fight: one turns past its free speed where another still pulls, so the road drags it round. At
 * a duty's own speed that costs pull; at full command alone it holds the top speed back.
 */
export function fightFindings(context: FindingContext): Finding[] {
  const { build, line } = context;
  if (!line || line.beside.length === 0) return [];
  const drives = together(line);
  const at = speedsOf(context);
  const pulls = new Map(
    at.flatMap(({ speedMps, mostMps }) => [speedMps, mostMps]).map((mps) => [mps, pullsAt(line, mps)]),
  );
  return drives.flatMap((one, n) => {
    const dragAt = (speedMps: number): number => {
      const all = pulls.get(speedMps) ?? [];
      const push = Math.max(0, ...all);
      const own = all[n] ?? 0;
      return speedMps > 0 && push > 0 && -own > WORTH_A_WORD * push ? -own : 0;
    };
    const inDuty = at.map((duty) => ({ ...duty, dragN: dragAt(duty.speedMps) }));
    const worst = [...inDuty].sort((a, b) => b.dragN - a.dragN)[0];
    const flatOut = [...at].sort((a, b) => b.mostMps - a.mostMps)[0];
    const fights =
      worst && worst.dragN > 0
        ? ({ dutyId: worst.dutyId, speedMps: worst.speedMps, severity: 'tight' } as const)
        : flatOut && dragAt(flatOut.mostMps) > 0
          ? ({ dutyId: null, speedMps: flatOut.mostMps, severity: 'note' } as const)
          : undefined;
    if (!fights) return [];
    const freeRadS = one.circuit.motor.fastestRadS(one.circuit.openCircuitV * one.circuit.commandShare);
    return [
      found(
        'drives-fight',
        fights.severity,
        {
          speed: figure(fights.speedMps, 'speed'),
          drag: figure(dragAt(fights.speedMps), 'force'),
          // Free at that speed and a fifth more, it still pulls there.
          ratio: figure((freeRadS * one.wheelRadiusM) / (FREE_OVER * fights.speedMps), 'ratio'),
        },
        {
          of: one.driveId,
          driveId: one.driveId,
          dutyId: fights.dutyId,
          link: 'speed',
          title: driveOf(throughDrive(build, one.driveId)).name,
        },
      ),
    ];
  });
}
const FREE_OVER = 1.2;
