import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { firmwareHeader, firmwareJson, firmwareLines, firmwareOf, urdfOf } from '@zubric/core/outward';
import { markdownOf, pdfOf, reportPaper } from '@zubric/core/papers';
import { buildIn, type ReadBuild } from './build-file.ts';
import type { Files } from './calc.ts';
import { done, refused, type Outcome } from './outcome.ts';

export const OUT_USAGE = [
  'zubric out FILE --as FORM                a build for programs of others, on standard output:',
  '                                         urdf; its constants as header, json or lines; its report as markdown or pdf',
  '  --units metric|imperial                of the report (metric)',
  '  --paper A4|Letter                      of the report as a PDF (A4)',
];

const FORMS = ['urdf', 'header', 'json', 'lines', 'markdown', 'pdf'] as const;
const UNITS = ['metric', 'imperial'] as const;
const SHEETS = ['A4', 'Letter'] as const;

/** What was asked, or what is wrong with it. */
interface OutAsked {
  readonly file: string;
  readonly as: (typeof FORMS)[number];
  readonly units: (typeof UNITS)[number];
  readonly paper: (typeof SHEETS)[number];
}

const oneOf = <T extends string>(option: string, of: readonly T[], text: string): T => {
  const found = of.find((one) => one === text);
  if (!found) throw new TypeError(`--${option} is followed by ${of.join(', ')}`);
  return found;
};

function askedIn(args: readonly string[]): OutAsked {
  const { values, positionals } = parseArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      as: { type: 'string', default: '' },
      units: { type: 'string', default: 'metric' },
      paper: { type: 'string', default: 'A4' },
    },
  });
  const [file, ...more] = positionals;
  if (file === undefined || more.length > 0) throw new TypeError('name one build file');
  return {
    file,
    as: oneOf('as', FORMS, values.as),
    units: oneOf('units', UNITS, values.units),
    paper: oneOf('paper', SHEETS, values.paper),
  };
}

/** The letters of a PDF, as the library brings them. */
const fontAt = (name: string): Uint8Array =>
  readFileSync(new URL(import.meta.resolve(`pdfmake/fonts/Roboto/Roboto-${name}.ttf`)));

async function written({ build, trialSets }: ReadBuild, { as, units, paper }: OutAsked): Promise<Outcome> {
  const sets = trialSets.map((set, n) => ({ ...set, id: set.id ?? `set-${n + 1}` }));
  const report = () => reportPaper(build, { system: units, trialSets: sets });
  switch (as) {
    case 'urdf':
      return done(urdfOf(build));
    case 'header':
      return done(firmwareHeader(firmwareOf(build)));
    case 'json':
      return done(firmwareJson(firmwareOf(build)));
    case 'lines':
      return done(firmwareLines(firmwareOf(build)));
    case 'markdown':
      return done(markdownOf(report()));
    case 'pdf': {
      const fonts = { regular: fontAt('Regular'), bold: fontAt('Medium') };
      return { ...done(''), bytes: await pdfOf(report(), fonts, paper) };
    }
  }
}

/** `zubric out FILE --as FORM`: a build in a form that programs of others read; or one line per problem. */
export async function outFile(args: readonly string[], files: Files): Promise<Outcome> {
  let asked: OutAsked;
  try {
    asked = askedIn(args);
  } catch (error) {
    if (!(error instanceof TypeError)) throw error;
    return refused([error.message, ...OUT_USAGE]);
  }
  const read = buildIn(asked.file, files);
  return read.ok ? written(read, asked) : read.outcome;
}
