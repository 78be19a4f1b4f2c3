import { thingsOf, type Thing } from '../layout/index.ts';
import { driveOf, drivesOf, type Build } from '../vehicle/index.ts';
import { partsList, type PartLine } from './parts-list.ts';
import { standingId } from './standing-parts.ts';
import type { Step } from './step.ts';

/** Roles that fit nothing, and the lines whose places they work at. */
const AT: Readonly<Record<string, readonly string[]>> = {
  'motor-bolts': ['motor'],
  labels: ['motor', 'driver'],
  wiring: ['motor', 'driver', 'battery', 'main-switch'],
  polarity: ['driver', 'battery'],
  fuse: ['battery'],
  charge: ['battery'],
  program: ['driver'],
  bearings: ['driven-wheel'],
  axle: ['driven-wheel'],
  hubs: ['driven-wheel'],
  brake: ['driven-wheel'],
};

/** The stage that a step belongs to, by its id. */
function stageOfStep(build: Build, { id }: Step): string | undefined {
  return drivesOf(build)
    .flatMap((seen) => driveOf(seen).stages)
    .find((stage) => id.split('.').includes(stage.id))?.id;
}

/** Whether a thing is what a line of the parts list stands for. */
function isOfLine(build: Build, { id, part, kind }: Thing, line: PartLine): boolean {
  if (part) return part.partId === undefined ? part.id === line.id : part.partId === line.partId;
  return (
    kind === 'wheel' &&
    build.layout.axles.some(
      (axle) => standingId(build.layout, axle) === line.id && id.startsWith(`${axle.id}-`),
    )
  );
}

/**
 * The things of the layout that a step puts in or works at, by their ids: what is marked in its drawing.
 *
 * @example thingsOfStep(puffin, assemblySteps(puffin).steps.find(({ id }) => id === 'wheels')) // ['driven-left', 'driven-right']
 */
export function thingsOfStep(build: Build, step: Step): readonly string[] {
  const wanted = [...step.parts, ...(AT[step.role] ?? [])];
  const lines = partsList(build).filter(({ id }) => wanted.includes(id));
  const stageId = stageOfStep(build, step);
  return thingsOf(build)
    .filter(
      (thing) =>
        lines.some((line) => isOfLine(build, thing, line)) ||
        step.id === `place.${thing.id}` ||
        step.id === `print.${thing.id}` ||
        (stageId !== undefined &&
          (thing.part?.runs?.stageId === stageId || (thing.kind === 'loop' && thing.id.includes(stageId)))),
    )
    .map(({ id }) => id);
}
