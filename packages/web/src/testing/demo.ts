import { readFileSync } from 'node:fs';
import { readBuild, type Build } from '@zubric/core/vehicle';

/** A build of the demo by the name of its file. */
export function demo(name: string): Build {
  const read = readBuild(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
  if (!read.ok) throw new Error(`the demo build ${name} cannot be read`);
  return read.build;
}
