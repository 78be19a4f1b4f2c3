/**
 * `npm run test:mutants -- FOLDER [COUNT [SAID]]`: changes one small thing of the code at a time (an operator, a bound, a sign) and
 * sees whether a test falls. Of all mutants of a folder of the core, COUNT (300) are drawn, the same at every run; the last
 * lines say which lived. With what an earlier run said, in a file, only those that lived then are tried again. Slow: on request,
 * not in `npm test`.
 */
import { existsSync, readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Stryker } from '@stryker-mutator/core';
import { ROOT, ensurePackages, giveUp } from './lib/setup.mjs';

const [folder = '', count = '300', said] = process.argv.slice(2);
const at = folder.startsWith('packages/') ? folder : join('packages/core/src', folder);
if (folder === '' || !existsSync(join(ROOT, at)))
  giveUp(`There is no "${at}": name a folder of packages/core/src, such as judge.`);
ensurePackages();
process.chdir(ROOT);
// Read by vitest.mutants.config.ts, in whichever process.
process.env.ZUBRIC_MUTANTS = at;

/** Mutants that change nothing, each with why: `docs/mutants.json`. */
const EXPLAINED = new Set(
  JSON.parse(readFileSync(join(ROOT, 'docs/mutants.json'), 'utf8')).map(({ file, was, is }) =>
    [file, was, is].join(' | '),
  ),
);

/** Those that lived in an earlier run, as it told of them. */
const livedIn = (file) =>
  readFileSync(file, 'utf8')
    .split('\n')
    .flatMap((line) => {
      const [, at, is] =
        /^(packages\/\S+:\d+): .*? {2}→ {2}(.*?)(?: {2}\(no test runs it\))?$/.exec(line) ?? [];
      return at === undefined ? [] : [`${at} ${is.trim()}`];
    });

const results = await new Stryker({
  mutate: [`${at}/**/*.ts`, '!**/*.test.ts'],
  testRunner: 'vitest',
  vitest: { configFile: 'vitest.mutants.config.ts', related: true },
  plugins: ['@stryker-mutator/vitest-runner', './scripts/lib/mutant-sample.mjs'],
  checkers: ['sample'],
  sample: {
    ...{ count: Number(count), seed: '20261128' },
    ...(said === undefined ? {} : { lived: livedIn(said) }),
  },
  // Words are held by tests of their own, where they matter.
  mutator: { excludedMutations: ['StringLiteral', 'Regex'] },
  reporters: ['progress-append-only'],
  coverageAnalysis: 'perTest',
  // What is made once, as a file is read, would need all files anew for each: tables are held by tests against their source.
  ignoreStatic: true,
  concurrency: availableParallelism(),
  dryRunTimeoutMinutes: 20,
  timeoutFactor: 2,
  timeoutMS: 5_000,
  tempDirName: '.mutants',
  ignorePatterns: ['.zubric', 'test-results', 'packages/web', 'docs/screenshots'],
  disableTypeChecks: false,
  warnings: { unknownOptions: false },
  allowConsoleColors: false,
}).runMutationTest();

const tried = results.filter(({ status }) => status !== 'CompileError' && status !== 'Ignored');
const lived = tried.filter(({ status }) => status === 'Survived' || status === 'NoCoverage');
const text = (file) => readFileSync(file, 'utf8').split('\n');
const told = lived.map(({ fileName, location: { start, end }, replacement, status }) => {
  const lines = text(fileName).slice(start.line - 1, end.line);
  const was =
    lines.length === 1
      ? lines[0].slice(start.column - 1, end.column - 1)
      : `${lines[0].slice(start.column - 1)} …`;
  const file = fileName.replace(`${ROOT}/`, '');
  const line = [file, was, replacement].join(' | ');
  return { line, at: `${file}:${start.line}`, was, is: replacement, status, explained: EXPLAINED.has(line) };
});
const share = (n) => `${((100 * n) / tried.length).toFixed(1)} %`;
for (const { at: place, was, is, status, explained } of told)
  if (!explained)
    console.log(`${place}: ${was}  →  ${is}${status === 'NoCoverage' ? '  (no test runs it)' : ''}`);
const explained = told.filter((one) => one.explained).length;
const killed = tried.length - lived.length;
console.log(
  `\n${at}: ${tried.length} tried, ${killed} killed (${share(killed)}), ${explained} change nothing (${share(explained)}), ${lived.length - explained} lived (${share(lived.length - explained)})`,
);
