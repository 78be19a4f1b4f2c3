import { UnreadableTable, partsFromCsv } from '@zubric/core/exchange';
import type { LinkReport } from '@zubric/core/judge';
import { whyNot } from '@zubric/core/say';
import {
  inFull,
  PART_SORTS,
  ranked,
  search,
  usualLimits,
  type FoundSet,
  type PartSort,
  type SearchLimits,
} from '@zubric/core/search';
import { partSchema, type Build, type Part } from '@zubric/core/vehicle';
import { buildIn } from './build-file.ts';
import type { Files } from './calc.ts';
import { shelfOf } from './evaluate.ts';
import { asJson, done, parseJson, refused, type Outcome } from './outcome.ts';

export const SEARCH_USAGE = [
  'zubric search FILE        the best sets of motor, driver, battery and stages for a build; - reads standard input',
  '  --shelf FILE…           parts to choose from, as JSON or CSV; else the shelf in data/',
  '  --on-hand               only parts that are on hand',
  '  --loops-on-hand         new chain and belt stages only with chains and belts that are on hand',
  '  --without NAME…         leave out parts by their ids, and all motors or batteries of a sort: stepping, lead-acid, …',
  '  --event                 only what the event of the build allows',
  '  --budget N, --most-kg N what a set may cost, and weigh',
  '  --stages N              stages at most between motor and wheel (2)',
  '  --top N                 so many of the ranked list (10)',
];

/** What was asked of the command. */
interface SearchAsked {
  readonly file: string;
  readonly shelf: readonly string[];
  readonly limits: SearchLimits;
  readonly top: number;
}

const isSort = (name: string): name is PartSort => PART_SORTS.some((sort) => sort === name);
/** What stands after a word of several. */
const LISTED = { '--shelf': 'files', '--without': 'parts or sorts' };

class Misread extends Error {}

const SWITCHES: readonly string[] = ['--on-hand', '--loops-on-hand', '--event'];
const NUMBERS = ['--budget', '--most-kg', '--stages', '--top'] as const;

/** The words after the command; a misread one is told with what would do. */
function askedIn(args: readonly string[]): SearchAsked {
  const lists = { '--shelf': [] as string[], '--without': [] as string[] };
  const files: string[] = [];
  const numbers = new Map<string, number>();
  const told = new Set<string>();
  for (let at = 0; at < args.length; at += 1) {
    const word = args[at] ?? '';
    if (SWITCHES.includes(word)) told.add(word);
    else if (word === '--shelf' || word === '--without') {
      const list = lists[word];
      while (args[at + 1] !== undefined && !args[at + 1]?.startsWith('--')) list.push(args[(at += 1)] ?? '');
      if (list.length === 0) throw new Misread(`${word} is followed by one or more ${LISTED[word]}`);
    } else if (NUMBERS.some((name) => name === word)) numbers.set(word, numberAfter(word, args[(at += 1)]));
    else if (word.startsWith('--')) throw new Misread(`“${word}” is not known`);
    else files.push(word);
  }
  const [file, ...more] = files;
  if (file === undefined || more.length > 0) throw new Misread('name one build file');
  const [budget, mostKg, stages] = ['--budget', '--most-kg', '--stages'].map((name) => numbers.get(name));
  return {
    file,
    shelf: lists['--shelf'],
    top: numbers.get('--top') ?? 10,
    limits: {
      ...usualLimits,
      onHand: told.has('--on-hand'),
      loopsOnHand: told.has('--loops-on-hand'),
      event: told.has('--event'),
      without: lists['--without'].filter((name) => !isSort(name)),
      withoutSorts: lists['--without'].filter(isSort),
      ...(stages === undefined ? {} : { stages }),
      ...(budget === undefined ? {} : { budget }),
      ...(mostKg === undefined ? {} : { mostKg }),
    },
  };
}

function numberAfter(word: string, text: string | undefined): number {
  const value = Number(text);
  if (text === undefined || text.trim() === '' || !Number.isFinite(value) || value < 0)
    throw new Misread(`${word} is followed by a number, 0 or more`);
  return value;
}

/** Parts of a file: a list as JSON or a table. */
function partsOf(path: string, files: Files): readonly Part[] {
  const text = files.read(path);
  if (!/^\s*[[{]/.test(text)) {
    try {
      const { parts, bad } = partsFromCsv(text);
      const [first] = bad;
      if (first) throw new Misread(`${path}, line ${first.line}: ${first.problems.join('; ')}`);
      return parts.map(({ part }) => part);
    } catch (error) {
      if (error instanceof UnreadableTable) throw new Misread(`${path}: ${error.message}`);
      throw error;
    }
  }
  const parsed = parseJson(text);
  if (!parsed.ok) throw new Misread(`${path}: ${parsed.why}`);
  const read = partSchema.array().safeParse(Array.isArray(parsed.value) ? parsed.value : [parsed.value]);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw new Misread(`${path}: ${issue ? `${issue.path.join('.')}: ${issue.message}` : 'these are no parts'}`);
}

/** `zubric search FILE …`: see SEARCH_USAGE. */
export function searchFile(args: readonly string[], files: Files): Outcome {
  try {
    const asked = askedIn(args);
    const read = buildIn(asked.file, files);
    if (!read.ok) return read.outcome;
    const shelf =
      asked.shelf.length > 0 ? asked.shelf.flatMap((path) => partsOf(path, files)) : shelfOf(files);
    // A part misspelt would be left in unnoticed.
    const unknown = asked.limits.without.find(
      (id) => ![...shelf, ...read.build.parts].some((part) => part.id === id),
    );
    if (unknown !== undefined)
      throw new Misread(`“${unknown}” is no part of the shelf, and no sort: ${PART_SORTS.join(', ')}`);
    return done(asJson(found(read.build, shelf, asked)));
  } catch (error) {
    if (error instanceof Misread) return refused([error.message, ...SEARCH_USAGE]);
    throw error;
  }
}

function found(build: Build, shelf: readonly Part[], { limits, top }: SearchAsked) {
  const start = performance.now();
  const { judged, works, front, rejected } = search({ build, shelf, limits });
  const seconds = (performance.now() - start) / 1000;
  const told = new Map(front.map((set) => [set, setOut(build, set)]));
  return {
    judged,
    works,
    seconds,
    front: front.map((set) => told.get(set)),
    ranked: ranked(front)
      .slice(0, top)
      .map((set) => told.get(set)),
    rejected: rejected.map((one) => ({ part: one.part.id, name: one.part.name, why: whyNot(one, build) })),
  };
}

const linkOut = (link: LinkReport | undefined) =>
  link && {
    link: link.link,
    dutyId: link.dutyId,
    ratio: link.ratio,
    rule: link.rule,
    verdict: link.verdict,
  };

/** A set, its parts by their ids; what is nearest to failing of all margins, and of those that it changes. */
function setOut(build: Build, set: FoundSet) {
  const { worst, ofSet } = inFull(build, set);
  return {
    motor: set.motor.id,
    driver: set.driver?.id ?? null,
    battery: set.battery.id,
    stages: set.stages,
    ...(set.wheelDiameterM === undefined ? {} : { wheelDiameterM: set.wheelDiameterM }),
    cost: set.cost ?? null,
    massKg: set.massKg,
    runTimeS: Number.isFinite(set.runTimeS) ? set.runTimeS : null,
    works: set.works,
    worst: linkOut(worst),
    ofSet: linkOut(ofSet),
  };
}
