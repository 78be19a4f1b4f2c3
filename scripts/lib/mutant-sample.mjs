/** A sample of the mutants, the same at every run: the others are passed over. */
import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PluginKind, commonTokens, declareFactoryPlugin } from '@stryker-mutator/api/plugin';
import { CheckStatus } from '@stryker-mutator/api/check';

/** Where a mutant falls in the draw: by what it is, so that code elsewhere does not change it. */
const drawOf = ({ fileName, mutatorName, replacement, location }, root, seed) =>
  createHash('sha256')
    .update(JSON.stringify([seed, fileName.replace(root, ''), mutatorName, replacement, location]))
    .digest('hex');

/** How a run tells of a mutant, whose lines are counted from 0 here: its file, its line, and the first line of what it became. */
const placeOf = ({ fileName, location, replacement }, root) =>
  `${fileName.replace(`${root}/`, '')}:${location.start.line + 1} ${replacement.split('\n')[0].trim()}`;

/** One of several processes draws; all read what it drew. */
const DRAWN = join(tmpdir(), `mutants-drawn-${process.ppid}.json`);

class Sample {
  constructor(options) {
    const { count, seed, lived } = options.sample;
    this.count = count;
    this.seed = seed;
    this.lived = lived && new Set(lived);
  }

  async init() {}

  /** All mutants at once: the sample is drawn here. */
  async group(mutants) {
    const root = process.cwd();
    const drawn = mutants
      .map((mutant) => ({ mutant, draw: drawOf(mutant, root, this.seed) }))
      .sort((a, b) => (a.draw < b.draw ? -1 : 1))
      .slice(0, this.count)
      .map(({ mutant }) => mutant)
      .filter((mutant) => this.lived?.has(placeOf(mutant, root)) ?? true);
    writeFileSync(DRAWN, JSON.stringify(drawn.map(({ id }) => id)));
    return [mutants.map(({ id }) => id)];
  }

  async check(mutants) {
    this.tried ??= new Set(JSON.parse(readFileSync(DRAWN, 'utf8')));
    const passed = { status: CheckStatus.Passed };
    const over = { status: CheckStatus.CompileError, reason: 'not in the sample' };
    return Object.fromEntries(mutants.map(({ id }) => [id, this.tried.has(id) ? passed : over]));
  }
}

const sampleFrom = (options) => new Sample(options);
sampleFrom.inject = [commonTokens.options];

export const strykerPlugins = [declareFactoryPlugin(PluginKind.Checker, 'sample', sampleFrom)];
