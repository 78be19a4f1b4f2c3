import type { Build } from '@zubric/core/vehicle';
import { strToU8, zipSync } from 'fflate';
import { fileNameOf } from './file-name.ts';

const textOf = (build: Build): string => `${JSON.stringify(build, null, 2)}\n`;

/** One build as its file, several as a zip of theirs; builds of one name are numbered. */
export function takenOut(builds: readonly Build[]): { readonly name: string; readonly content: Blob } {
  const [first] = builds;
  if (first && builds.length === 1)
    return {
      name: `${fileNameOf(first.name)}.zubric.json`,
      content: new Blob([textOf(first)], { type: 'application/json' }),
    };
  const files: Record<string, Uint8Array> = {};
  for (const build of builds) {
    const name = fileNameOf(build.name);
    let n = 1;
    while (`${name}${n === 1 ? '' : `-${n}`}.zubric.json` in files) n++;
    files[`${name}${n === 1 ? '' : `-${n}`}.zubric.json`] = strToU8(textOf(build));
  }
  return { name: 'builds.zip', content: new Blob([zipSync(files)], { type: 'application/zip' }) };
}
