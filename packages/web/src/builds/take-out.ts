import type { Build } from '@zubric/core/build';
import { strToU8, zipSync } from 'fflate';

/** A name as a file is called: letters and digits, nothing that a file system minds. */
export function fileNameOf(name: string): string {
  const plain = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60);
  return plain === '' ? 'build' : plain;
}

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
