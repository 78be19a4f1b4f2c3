import type { DutyReport, TrainReport } from '../capability/index.ts';
import type { Notice } from '../contract/index.ts';
import type { Finding, Report } from '../judge/index.ts';
import { inUnits, type UnitSystem } from '../quantity/index.ts';
import type { Build } from '../vehicle/index.ts';
import { aboutBuild } from './about.ts';
import { sayFinding } from './finding.ts';

/** A finding with its sentence; what follows from it is said in its place. */
export type FindingInWords = Omit<Finding, 'within'> & {
  readonly text: string;
  readonly within?: readonly string[];
};

type StageInWords = Omit<TrainReport['stages'][number], 'problem' | 'warnings'> & {
  readonly problem?: string;
  readonly warnings: readonly string[];
};

type DutyInWords = Omit<DutyReport, 'footing' | 'step' | 'sink'> & {
  readonly footing: Omit<DutyReport['footing'], 'problem'> & { readonly problem?: string };
  readonly step?: Exclude<DutyReport['step'], { readonly problem: Notice }> | { readonly problem: string };
  readonly sink?: Omit<NonNullable<DutyReport['sink']>, 'warnings'> & {
    readonly warnings: readonly string[];
  };
};

/** A report whose every sentence is written out, as the command and the API give it. */
export type ReportInWords = Omit<Report, 'train' | 'duties' | 'findings'> & {
  readonly train: Omit<TrainReport, 'stages'> & { readonly stages: readonly StageInWords[] };
  readonly duties: readonly DutyInWords[];
  readonly findings: readonly FindingInWords[];
};

/**
 * The findings of a report with their sentences.
 *
 * @example findingsInWords({ report: evaluate(pip), build: pip })[0]?.text
 *   // 'It does not get over the step on “Over the seam”: …'
 */
export function findingsInWords(
  { report, build }: { readonly report: Report; readonly build: Build },
  system: UnitSystem = 'metric',
): readonly FindingInWords[] {
  const about = aboutBuild(build, report, system);
  const said = ({ within, ...finding }: Finding): FindingInWords => ({
    ...(finding as Omit<Finding, 'within'>),
    text: sayFinding(finding as Finding, about),
    ...(within ? { within: within.map((follows) => sayFinding(follows, about)) } : {}),
  });
  return report.findings.map(said);
}

/**
 * A report in words: findings, and what stages, footing, steps and soil say, in the builder's units.
 *
 * @example reportInWords(report, puffin).findings.length // 4
 */
export function reportInWords(report: Report, build: Build, system: UnitSystem = 'metric'): ReportInWords {
  const say = ({ sentence }: Notice): string => inUnits(sentence, system);
  const stage = ({ problem, warnings, ...rest }: TrainReport['stages'][number]): StageInWords => ({
    ...rest,
    ...(problem ? { problem: say(problem) } : {}),
    warnings: warnings.map(say),
  });
  const duty = ({ footing: { problem, ...footing }, step, sink, ...rest }: DutyReport): DutyInWords => ({
    ...rest,
    footing: { ...footing, ...(problem ? { problem: say(problem) } : {}) },
    ...(step ? { step: 'problem' in step ? { problem: say(step.problem) } : step } : {}),
    ...(sink ? { sink: { ...sink, warnings: sink.warnings.map(say) } } : {}),
  });
  return {
    ...report,
    train: { ...report.train, stages: report.train.stages.map(stage) },
    duties: report.duties.map(duty),
    findings: findingsInWords({ report, build }, system),
  };
}
