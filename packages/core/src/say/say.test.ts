import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { evaluate, type Finding, type Report } from '../judge/index.ts';
import { DIMENSIONS, type UnitSystem } from '../quantity/index.ts';
import { many } from '../testing/many.ts';
import { randomBuild } from '../testing/random-build.ts';
import { openBuild, type Build, driveOf } from '../vehicle/index.ts';
import { findingsInWords, reportInWords } from './index.ts';

const demos = readdirSync('data/builds').map((file): Build => {
  const opened = openBuild(JSON.parse(readFileSync(`data/builds/${file}`, 'utf8')));
  if (!opened.ok) throw new Error(`${file} does not open`);
  return opened.build;
});
const drawn = Array.from({ length: many(400, 4000) }, (_, seed) => randomBuild(seed)).filter(
  (b) => b !== undefined,
);
const all = [...demos, ...drawn];

const reports = new Map<Build, Report>();
/** A build judged once, whatever is asked of it. */
const judged = (build: Build): Report => {
  const report = reports.get(build) ?? evaluate(build);
  reports.set(build, report);
  return report;
};
const said = (build: Build, system?: UnitSystem) => findingsInWords({ build, report: judged(build) }, system);

/** Words that belong to one system alone; names of belts and screws keep their sizes. */
const METRIC_ONLY = /\d\u00a0(mm|m|km|kg|g|N|kN|N·m|m\/s|km\/h|°C)(?![\w/·²])/;
const IMPERIAL_ONLY = /\d\u00a0(in|ft|mi|lb|oz|lbf|ft·lb|in·lb|oz·in|mph|ft\/s|°F)(?![\w/·²])/;

describe('what is said of a build', () => {
  it('has a sentence for each finding, without gaps', () => {
    const codes = new Set<Finding['code']>();
    for (const build of all)
      for (const { code, text, within = [] } of said(build)) {
        codes.add(code);
        for (const words of [text, ...within]) {
          expect(words).toMatch(/^\S.{8,}[.?]$/su);
          expect(words).not.toMatch(/undefined|NaN|Infinity|\[object|“”/);
        }
      }
    // Random builds find nearly everything there is to find.
    expect(codes.size).toBeGreaterThan(40);
  });

  it('is in the builder’s units, and in no others', () => {
    for (const build of all) {
      for (const { text } of said(build, 'imperial')) expect(text).not.toMatch(METRIC_ONLY);
      for (const { text } of said(build, 'metric')) expect(text).not.toMatch(IMPERIAL_ONLY);
    }
  });

  it('leaves every figure of the report as it is', () => {
    for (const build of demos) {
      const report = evaluate(build);
      const { findings, train, duties, ...rest } = reportInWords(report, build);
      const { findings: _f, train: asIs, duties: _d, ...same } = report;
      expect(rest).toEqual(same);
      expect(train.ratio).toBe(asIs.ratio);
      expect(duties.map(({ point }) => point)).toEqual(report.duties.map(({ point }) => point));
      expect(findings.map(({ id }) => id)).toEqual(report.findings.map(({ id }) => id));
    }
  });
});

describe('a finding', () => {
  it('is data: figures are finite, SI, each with its dimension; ids are told apart', () => {
    for (const build of all) {
      const { findings } = judged(build);
      expect(new Set(findings.map(({ id }) => id)).size).toBe(findings.length);
      for (const { figures } of findings)
        for (const { value, dimension } of Object.values(figures)) {
          expect(Number.isFinite(value)).toBe(true);
          expect(Object.keys(DIMENSIONS)).toContain(dimension);
        }
    }
  });

  it('names only what is there', () => {
    for (const build of all)
      for (const { stageId, elementId, axleId, dutyId, driveId } of judged(build).findings) {
        const drive = build.drives.find(({ id }) => id === driveId) ?? driveOf(build);
        if (dutyId !== null) expect(build.duties.map(({ id }) => id)).toContain(dutyId);
        if (axleId !== undefined) expect(build.layout.axles.map(({ id }) => id)).toContain(axleId);
        if (elementId !== undefined) expect(drive.path.map(({ id }) => id)).toContain(elementId);
        if (stageId !== undefined && stageId !== 'motor-gearhead')
          expect(drive.stages.map(({ id }) => id)).toContain(stageId);
      }
  });
});

describe('units', () => {
  it('stand in no sentence but those of say/ and what shows quantities', () => {
    const files = (folder: string): string[] =>
      readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
        entry.isDirectory() ? files(`${folder}/${entry.name}`) : [`${folder}/${entry.name}`],
      );
    const withUnit = files('packages/core/src')
      .filter(
        (file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && !/src\/(say|quantity)\//.test(file),
      )
      .filter((file) =>
        /\}[ \u00a0](mm|cm|m|km|g|kg|N|N·m|W|V|A|Ah|Wh|m\/s|km\/h|°C|rpm|: 1|MPa|Ω)(?![\w·/])/.test(
          readFileSync(file, 'utf8').replaceAll(/^ *(\/\*|\*|\/\/).*$/gm, ''),
        ),
      );
    expect(withUnit).toEqual([]);
  });
});
