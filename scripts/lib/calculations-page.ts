/** Writes out where each calculation stands: `docs/calculations.md`. */
import { readFileSync, readdirSync } from 'node:fs';
import { join, relative } from 'node:path';
import { CALCULATORS } from '@zubric/core/calculators';

const CORE = 'packages/core/src';

/** Files of the core by the name of the calculator that they define. */
function homes(root: string): ReadonlyMap<string, string> {
  const files = readdirSync(join(root, CORE), { recursive: true, withFileTypes: true })
    .filter((file) => file.isFile() && /(?<!\.test)\.ts$/.test(file.name))
    .map((file) => join(file.parentPath, file.name));
  return new Map(
    files.flatMap((file) =>
      [...readFileSync(file, 'utf8').matchAll(/defineCalculator\(\{\s*name: '([\w-]+)'/g)].map(
        ([, name = '']) => [name, relative(join(root, CORE), file)] as const,
      ),
    ),
  );
}

/**
 * Every calculation with the question that it answers, its file and its source, in the order of the trade.
 *
 * @param root the folder of the project
 * @throws Error where a calculator is defined in no file
 */
export function calculationsPage(root: string): string {
  const home = homes(root);
  const rows = CALCULATORS.map(({ name, title, source }) => {
    const file = home.get(name);
    if (file === undefined) throw new Error(`no file defines ${name}`);
    return `| ${title} | \`${name}\` | [${file}](../${CORE}/${file}) | ${source} |\n`;
  });
  return [
    '# Where each calculation stands\n\n',
    'What each takes, gives and leaves out is in its file, and `npm run -s zubric -- calc NAME JSON` works it out. What a build makes of\n',
    'them is told in [physics.md](physics.md). Written from the calculators by `npm run schema`.\n\n',
    '| what | calculator | file | source |\n| --- | --- | --- | --- |\n',
    ...rows,
  ].join('');
}
