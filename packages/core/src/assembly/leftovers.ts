import { driveOf, drivesOf, type Build } from '../vehicle/index.ts';
import type { PartLine } from './parts-list.ts';
import type { Step } from './step.ts';

/** Where a part of the torque path goes on that no step names: onto the motor's shaft, or with what comes behind a stage. */
const ON_MOTOR = ['sprockets', 'mesh', 'loop', 'couple', 'press', 'reeve', 'track', 'hubs', 'axle', 'motors'];
const BEHIND = ['hubs', 'axle', 'wheels', 'couple', 'track', 'reeve', 'sprockets', 'mesh', 'loop', 'motors'];

/** Roles of the steps that may fit a line, the likeliest first. */
function rolesFor(build: Build, line: string): readonly string[] {
  const path = drivesOf(build).flatMap((seen) => driveOf(seen).path);
  const element = path.find(({ id }) => line.endsWith(`path.${id}`));
  if (element) return element.after === null ? ON_MOTOR : BEHIND;
  if (line === 'drum') return ['reeve', 'hubs', 'axle', 'motors'];
  return ['track', 'wheels', 'free-wheels', ...BEHIND];
}

/** The steps, each line of the list fitted by one of them: what none of them names goes to the likeliest. */
export function withLeftovers(build: Build, lines: readonly PartLine[], steps: readonly Step[]): Step[] {
  const fitted = new Set(steps.flatMap(({ parts }) => parts));
  const beside = build.drives.slice(1).map(({ id }) => `${id}.`);
  const extra = new Map<string, string[]>();
  for (const { id, source } of lines) {
    if (source === 'own' || fitted.has(id)) continue;
    const stem = beside.find((of) => id.startsWith(of)) ?? '';
    const mine = steps.filter((step) =>
      stem === '' ? !beside.some((of) => step.id.startsWith(of)) : step.id.startsWith(stem),
    );
    const at = rolesFor(build, id)
      .map((role) => mine.find((step) => step.role === role))
      .find((step) => step !== undefined);
    const to = (at ?? mine[0] ?? steps[0])?.id;
    if (to !== undefined) extra.set(to, [...(extra.get(to) ?? []), id]);
  }
  return steps.map((step) => {
    const more = extra.get(step.id) ?? [];
    return more.length === 0
      ? step
      : { ...step, needs: [...step.needs, ...more], parts: [...step.parts, ...more] };
  });
}
