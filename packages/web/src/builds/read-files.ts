import { FORMAT_VERSION, readBuild, type Build, type Problem } from '@zubric/core/vehicle';
import { unzipSync, type UnzipFileInfo } from 'fflate';

/** What became of one file that was handed over. */
export type FileRead =
  | {
      readonly ok: true;
      readonly file: string;
      readonly build: Build;
      readonly upgradedFrom?: number;
      /** With what belongs to it: its trials, or all of its logbook. */
      readonly whole?: Blob;
      /** Sets of trials that travel in a build's own file. */
      readonly trialSets?: number;
    }
  | { readonly ok: false; readonly file: string; readonly problems: readonly Problem[] };

/** The largest file of one build, and of a zip of several; the server takes no larger ones. */
export const MOST_BYTES = 2 * 1024 * 1024;
const MOST_ZIP_BYTES = 20 * 1024 * 1024;
const MOST_IN_ZIP = 200;

const megabytes = (bytes: number): string => `${(bytes / 1024 / 1024).toFixed(1)} MB`;
const refuse = (file: string, message: string): FileRead => ({
  ok: false,
  file,
  problems: [{ path: '(whole)', message }],
});
const tooLarge = (file: string, bytes: number, most: number): FileRead =>
  refuse(
    file,
    `this file is ${megabytes(bytes)}; a build is at most ${megabytes(most)}. Is it another file?`,
  );

/** The text of one file as a build: its problems path by path, or the build in the format of today. */
export function readBuildText(file: string, text: string): FileRead {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return refuse(
      file,
      `this is not readable JSON: ${error instanceof Error ? error.message : 'unknown reason'}`,
    );
  }
  const { trialSets, build } = withoutTrials(json);
  const read = readBuild(build);
  if (!read.ok) return { ok: false, file, problems: read.problems };
  const version = (json as { readonly formatVersion: number }).formatVersion;
  return {
    ok: true,
    file,
    build: read.build,
    ...(version < FORMAT_VERSION ? { upgradedFrom: version } : {}),
    ...(trialSets.length === 0 ? {} : { trialSets: trialSets.length, whole: asWhole(read.build, trialSets) }),
  };
}

/** A build's file parted from the trials that travel in it; whether they are any is for the server to say. */
function withoutTrials(json: unknown): { readonly build: unknown; readonly trialSets: readonly unknown[] } {
  if (typeof json !== 'object' || json === null || !('trialSets' in json))
    return { build: json, trialSets: [] };
  const { trialSets, ...build } = json;
  return { build, trialSets: Array.isArray(trialSets) ? trialSets : [] };
}

/** A build with its trials, as the server takes both at once. */
const asWhole = (build: Build, trialSets: readonly unknown[]): Blob =>
  new Blob(
    [JSON.stringify({ format: 'zubric-whole', version: 1, build, snapshots: [], log: [], trialSets })],
    {
      type: 'application/json',
    },
  );

function readZip(file: string, bytes: Uint8Array): FileRead[] {
  const refused: FileRead[] = [];
  let taken = 0;
  const wanted = ({ name, originalSize }: UnzipFileInfo): boolean => {
    if (!name.endsWith('.json')) return false;
    taken++;
    if (taken > MOST_IN_ZIP) return false;
    if (originalSize > MOST_BYTES) refused.push(tooLarge(name, originalSize, MOST_BYTES));
    return originalSize <= MOST_BYTES;
  };
  try {
    const entries = Object.entries(unzipSync(bytes, { filter: wanted }));
    if (taken > MOST_IN_ZIP)
      refused.push(refuse(file, `it holds more than ${MOST_IN_ZIP} builds; the rest was left out`));
    if (taken === 0) return [refuse(file, 'there is no .zubric.json file in it')];
    return [
      ...entries.map(([name, content]) => readBuildText(name, new TextDecoder().decode(content))),
      ...refused,
    ];
  } catch (error) {
    return [
      refuse(
        file,
        `this zip file cannot be opened: ${error instanceof Error ? error.message : 'unknown reason'}`,
      ),
    ];
  }
}

/** A build with its logbook begins so; it may be far larger than a build, for its photographs. */
const WHOLE = /^\s*\{\s*"format"\s*:\s*"zubric-whole"/;
const MOST_WHOLE_BYTES = 150 * 1024 * 1024;

async function readWhole(file: File): Promise<FileRead> {
  let json: { readonly build?: unknown };
  try {
    json = JSON.parse(await file.text()) as { readonly build?: unknown };
  } catch (error) {
    return refuse(
      file.name,
      `this is not readable JSON: ${error instanceof Error ? error.message : 'unknown reason'}`,
    );
  }
  const read = readBuild(json.build);
  if (!read.ok) return { ok: false, file: file.name, problems: read.problems };
  return {
    ok: true,
    file: file.name,
    build: read.build,
    whole: new Blob([file], { type: 'application/json' }),
  };
}

/** A zip begins so, whatever it is called. */
const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** Every file handed over, read; zips are opened. No file is refused without a sentence. */
export async function readBuildFiles(files: readonly File[]): Promise<FileRead[]> {
  const read = await Promise.all(
    files.map(async (file): Promise<FileRead[]> => {
      const start = new Uint8Array(await file.slice(0, 2).arrayBuffer());
      const whole = WHOLE.test(await file.slice(0, 200).text());
      const most = isZip(start) ? MOST_ZIP_BYTES : whole ? MOST_WHOLE_BYTES : MOST_BYTES;
      if (file.size > most) return [tooLarge(file.name, file.size, most)];
      if (isZip(start)) return readZip(file.name, new Uint8Array(await file.arrayBuffer()));
      return [whole ? await readWhole(file) : readBuildText(file.name, await file.text())];
    }),
  );
  return read.flat();
}
