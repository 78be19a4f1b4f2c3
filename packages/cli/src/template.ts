import { templatesOf, toDxf, toPdf, toSvg, withKerf, type Template } from '@zubric/core/templates';
import { buildIn } from './build-file.ts';
import type { Files } from './calc.ts';
import { done, refused, type Outcome } from './outcome.ts';

export const TEMPLATE_USAGE = [
  'zubric template FILE --list              the names of the templates of a build',
  'zubric template FILE --what NAME         that template on standard output, in true size',
  '  --format svg|dxf|pdf                   in which form (svg)',
  '  --paper A4|Letter                      on which sheets, of a PDF (A4)',
  '  --kerf MM                              what the beam or bit takes away; cuts are moved by half of it (0)',
];

const FORMATS = ['svg', 'dxf', 'pdf'] as const;
const SHEETS = ['A4', 'Letter'] as const;

class Misread extends Error {}

/** What was asked of the command. */
interface TemplateAsked {
  readonly file: string;
  readonly what?: string | undefined;
  readonly format: (typeof FORMATS)[number];
  readonly paper: (typeof SHEETS)[number];
  readonly kerfMm: number;
}

const oneOf = <T extends string>(word: string, of: readonly T[], text: string | undefined): T => {
  const found = of.find((one) => one === text);
  if (!found) throw new Misread(`${word} is followed by ${of.join(', ')}`);
  return found;
};

/** Wider than any saw: a slip of the pen. */
const MOST_KERF_MM = 10;

function kerfIn(text: string | undefined): number {
  const kerfMm = Number(text ?? NaN);
  if (!(kerfMm >= 0 && kerfMm <= MOST_KERF_MM))
    throw new Misread(`--kerf is followed by millimetres, 0 to ${MOST_KERF_MM}`);
  return kerfMm;
}

function askedIn(args: readonly string[]): TemplateAsked {
  const files: string[] = [];
  let [list, what]: [boolean, string | undefined] = [false, undefined];
  let format: TemplateAsked['format'] = 'svg';
  let paper: TemplateAsked['paper'] = 'A4';
  let kerfMm = 0;
  for (let at = 0; at < args.length; at += 1) {
    const word = args[at] ?? '';
    if (word === '--list') list = true;
    else if (word === '--what') what = args[(at += 1)];
    else if (word === '--format') format = oneOf(word, FORMATS, args[(at += 1)]);
    else if (word === '--paper') paper = oneOf(word, SHEETS, args[(at += 1)]);
    else if (word === '--kerf') kerfMm = kerfIn(args[(at += 1)]);
    else if (word.startsWith('--')) throw new Misread(`“${word}” is not known`);
    else files.push(word);
  }
  const [file, ...more] = files;
  if (file === undefined || more.length > 0) throw new Misread('name one build file');
  if (list === (what !== undefined)) throw new Misread('say --list, or --what and the name of a template');
  return { file, what, format, paper, kerfMm };
}

async function written(drawn: Template, { format, paper, kerfMm }: TemplateAsked): Promise<Outcome> {
  const template = withKerf(drawn, kerfMm);
  if (format === 'pdf') return { ...done(''), bytes: await toPdf(template, paper) };
  return done(format === 'dxf' ? toDxf(template) : toSvg(template));
}

/** `zubric template FILE …`: see TEMPLATE_USAGE. */
export async function templateFile(args: readonly string[], files: Files): Promise<Outcome> {
  try {
    const asked = askedIn(args);
    const read = buildIn(asked.file, files);
    if (!read.ok) return read.outcome;
    const templates = templatesOf(read.build);
    if (asked.what === undefined) return done(templates.map(({ name }) => `${name}\n`).join(''));
    const template = templates.find(({ name }) => name === asked.what);
    if (!template)
      return refused([
        `there is no template “${asked.what}”; there are:`,
        ...templates.map(({ name }) => `  ${name}`),
      ]);
    return await written(template, asked);
  } catch (error) {
    if (error instanceof Misread) return refused([error.message, ...TEMPLATE_USAGE]);
    throw error;
  }
}
