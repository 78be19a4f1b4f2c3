import { assemblyOutlook, type Day } from '../assembly/index.ts';
import { linkDefinition, MENDED_AT, type Finding, type Report } from '../judge/index.ts';
import { batteryOf, driverOf, motorOf, type Build } from '../vehicle/index.ts';

/** What is next to do with a build, and at which station. */
export interface NextStep {
  readonly text: string;
  readonly station: 'brief' | 'ground' | 'drivetrain' | 'power' | 'assembly' | 'trials';
}

const lowerFirst = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** A finding as something to mend, by its link. */
function toMend({ link, dutyId }: Finding, build: Build): NextStep | undefined {
  if (link === null) return undefined;
  const { title, block } = linkDefinition(link);
  const duty = build.duties.find(({ id }) => id === dutyId)?.name;
  return {
    text: `Mend: ${lowerFirst(title)}${duty === undefined ? '' : ` on “${duty}”`}`,
    station: MENDED_AT[block],
  };
}

/** What must be chosen before all can be judged. */
function toChoose(build: Build): NextStep | undefined {
  if (build.duties.length === 0) return { text: 'Say what it must do', station: 'brief' };
  const lacks = !motorOf(build)
    ? 'a motor'
    : !driverOf(build)
      ? 'a driver'
      : !batteryOf(build)
        ? 'a battery'
        : undefined;
  return lacks === undefined ? undefined : { text: `Choose ${lacks}`, station: 'power' };
}

/**
 * The one thing to do next: what is not chosen yet, then what stops it, then what is short, then the first step that is
 * not done, then to try it.
 *
 * @example nextStep(gull, evaluate(gull), '2027-03-14') // { text: 'Choose a motor', station: 'power' }
 */
export function nextStep(build: Build, { findings }: Pick<Report, 'findings'>, today: Day): NextStep {
  const chosen = toChoose(build);
  if (chosen) return chosen;
  for (const severity of ['stop', 'short'] as const) {
    const mend = findings.filter((f) => f.severity === severity).flatMap((f) => toMend(f, build) ?? [])[0];
    if (mend) return mend;
  }
  const { steps } = assemblyOutlook(build, today);
  const next = steps.find(({ state }) => state === 'now') ?? steps.find(({ state }) => state !== 'done');
  if (!next) return { text: 'Try it: straight runs first', station: 'trials' };
  return next.lacking[0]
    ? { text: `Get ${lowerFirst(next.lacking[0].name)}`, station: 'assembly' }
    : { text: next.title, station: 'assembly' };
}
