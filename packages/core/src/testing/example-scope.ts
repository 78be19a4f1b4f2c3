/** What an example in a comment may name without saying whence it is. */
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { z } from 'zod';
import { footingOf } from '../demand/index.ts';
import { drivelineOf } from '../drive/index.ts';
import { evaluate } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { whatIf } from '../sensitivity/index.ts';
import { addMember, driveOf, newBuild, numbersOf, readBuild, type Build } from '../vehicle/index.ts';
import { CORE } from './examples.ts';

type Scope = Readonly<Record<string, unknown>>;

const loaded = (file: string): Promise<Scope> =>
  import(/* @vite-ignore */ pathToFileURL(resolve(CORE, file)).href) as Promise<Scope>;

function demo(name: string): Build {
  const read = readBuild(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
  if (!read.ok) throw new Error(`the demo build ${name} cannot be read`);
  return read.build;
}

/** Readings of a motor of 0.5 Ω and 0.02 V·s/rad that runs free on 0.6 A, as exact as its law. */
const READINGS = [
  { kind: 'free', voltageV: 12, currentA: 0.6, speedRpm: 5586 },
  { kind: 'free', voltageV: 6, currentA: 0.6, speedRpm: 2722 },
  { kind: 'loaded', voltageV: 12, currentA: 5, speedRpm: 4536 },
  { kind: 'loaded', voltageV: 12, currentA: 10, speedRpm: 3342 },
  { kind: 'loaded', voltageV: 12, currentA: 15, speedRpm: 2149 },
];

/** Letters to set a paper in, as the package of the printing brings them. */
const letter = (weight: string) => readFileSync(`node_modules/pdfmake/fonts/Roboto/Roboto-${weight}.ttf`);

const mm = (value: number) => typed(value, 'mm');

/** A box of 400 × 200 × 100 mm of which the middle lies at 0.1, 0, 0.45 m. */
const BOX = {
  id: 'box',
  name: 'Box',
  form: 'box',
  length: mm(0.4),
  width: mm(0.2),
  height: mm(0.1),
  aheadOfRearAxle: mm(0.1),
  left: mm(0),
  above: mm(0.45),
  mass: typed(2, 'kg'),
  turn: typed(0, '°'),
  faces: [],
};

/** Builds of the demo by name, and what of Puffin the examples speak of most. */
function known(): Scope {
  const puffin = demo('puffin');
  const [duty] = puffin.duties;
  if (!duty) throw new Error('Puffin has no job');
  const [stage] = driveOf(puffin).stages;
  const payload = numbersOf(puffin).find(({ path }) => path.join('.') === 'masses.payload.mass');
  return {
    ...Object.fromEntries(
      ['moth', 'pip', 'sanderling', 'teasel', 'whimbrel'].map((name) => [name, demo(name)]),
    ),
    rail: demo('glasshouse-rail'),
    puffin,
    report: evaluate(puffin),
    duty,
    footing: footingOf(puffin, duty),
    line: drivelineOf(puffin),
    payload,
    payloadCurve: payload && whatIf(puffin, payload, { steps: 4 }),
    grade: numbersOf(puffin).find(({ path }) => path.join('.') === `duties.${duty.id}.grade`),
    ground: puffin.grounds.find(({ id }) => id === duty.groundId),
    drive: driveOf(puffin),
    stage,
    gull: newBuild('Gull'),
    box: BOX,
    member: addMember(demo('glasshouse-rail')).arrangement?.frame?.[0],
    readings: READINGS,
    letters: { regular: letter('Regular'), bold: letter('Medium') },
    z,
  };
}

/** What every room shows, and builds of the demo; what the file of an example exports comes before both. */
export async function exampleScope(): Promise<(file: string) => Promise<Scope>> {
  const rooms = readdirSync(CORE).map((room) => join(room, 'index.ts'));
  const shown = await Promise.all(rooms.filter((file) => existsSync(join(CORE, file))).map(loaded));
  const all: Scope = Object.assign({}, ...shown, known()) as Scope;
  return async (file) => ({ ...all, ...(await loaded(file)) });
}
