import { show, showNumber, type Figure, type UnitSystem } from '../quantity/index.ts';
import type { DutyReport } from '../capability/index.ts';
import type { FindingCode, FindingOf, Report } from '../judge/index.ts';
import { driveOf, type Build, type Duty } from '../vehicle/index.ts';

/** What sentences are said of, and in which units. */
export interface About {
  readonly build: Build;
  readonly report: Report;
  readonly system: UnitSystem;
  readonly say: (figure: Figure) => string;
}

/** The sentence of one kind of finding. */
export type Sayer<Code extends FindingCode> = (finding: FindingOf<Code>, about: About) => string;

/** What sentences about a build are made with: the build, its report, the units. */
export const aboutBuild = (build: Build, report: Report, system: UnitSystem): About => ({
  build,
  report,
  system,
  say: (figure) => show(figure.value, figure.dimension, system, figure).text,
});

/** The duty that a finding is about. */
export const dutyOf = ({ build }: About, dutyId: string | null): Duty | undefined =>
  build.duties.find(({ id }) => id === dutyId);

/** What was worked out of the duty that a finding is about. */
export const reportOf = ({ report }: About, dutyId: string | null): DutyReport | undefined =>
  report.duties.find(({ id }) => id === dutyId);

/**
 * Whether a kilogram more on the driven wheels grips more than it asks itself, by rolling, grade, speeding up and by
 * sinking deeper.
 *
 * @param gripN what the driven wheels can put on the ground
 */
export function weightHelps(gripN: number, { footing, resistance, sink }: DutyReport): boolean {
  const { rollingN, gradeN, inertiaN } = resistance;
  const sunkN = sink ? sink.loadExponent * sink.drivenN : 0;
  return ((gripN - sunkN) / footing.drivenN) * footing.acrossN > rollingN + gradeN + inertiaN;
}

/** " on “Slip, loaded”"; nothing where there is no such duty. */
export const onDuty = (about: About, dutyId: string | null): string => {
  const duty = dutyOf(about, dutyId);
  return duty ? ` on “${duty.name}”` : '';
};

/** A stage by its kind, within a sentence. */
export const stageTitle = ({ report }: About, stageId: string | undefined): string =>
  (report.train.stages.find(({ id }) => id === stageId)?.title ?? 'drive').toLowerCase();

/** A part of the torque path by its name. */
export const elementName = ({ build }: About, elementId: string | undefined, otherwise = ''): string =>
  driveOf(build).path.find(({ id }) => id === elementId)?.name ?? otherwise;

/** "1.4 ×" */
export const times = (n: number): string => `${showNumber(n)}\u00a0×`;
