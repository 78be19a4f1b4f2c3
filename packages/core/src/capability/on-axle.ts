import { stageFigures, stageKind, type Stage } from '../transmission/index.ts';
import { driveOf, type Build } from '../vehicle/index.ts';

/** The stage whose driven side sits on the driven axle. */
export const lastOnAxle = (stages: readonly Stage[]): Stage | undefined =>
  stages.findLast(({ kind }) => {
    const { ends, joinsShafts } = stageKind(kind);
    return ends?.needs !== 'onTracks' && !joinsShafts;
  });

/**
 * What hangs on the driven axle: radius of the last stage's driven side, metres.
 *
 * @example onAxleRadius(sanderling) // { radiusM: 0.02546, stageId: 'stage-3' }
 */
export function onAxleRadius(build: Build): { radiusM: number; stageId: string } | undefined {
  const last = lastOnAxle(driveOf(build).stages);
  const driven = last && stageFigures(last).outsideM?.driven;
  return driven === undefined ? undefined : { radiusM: driven / 2, stageId: last?.id ?? '' };
}
