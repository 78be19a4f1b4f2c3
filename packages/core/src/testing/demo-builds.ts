import { readdirSync, readFileSync } from 'node:fs';
import { readBuild, type Build } from '../vehicle/index.ts';

/** The builds of the club, by the names of their files. */
export const demoBuilds = (): Readonly<Record<string, Build>> =>
  Object.fromEntries(
    readdirSync('data/builds').map((file) => {
      const read = readBuild(JSON.parse(readFileSync(`data/builds/${file}`, 'utf8')));
      if (!read.ok) throw new Error(`${file}: ${JSON.stringify(read.problems)}`);
      return [file.replace('.zubric.json', ''), read.build];
    }),
  );
