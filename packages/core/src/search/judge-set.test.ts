import { readFileSync, readdirSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { askedOf } from '../demand/index.ts';
import { drivelineOf, propelling } from '../drive/index.ts';
import { marginsOf } from '../judge/index.ts';
import { isToothed, withTeeth } from '../transmission/index.ts';
import {
  changeDrive,
  choosePart,
  driveOf,
  motorOf,
  partSchema,
  readBuild,
  type Build,
  type Part,
  type PartKind,
  type PartOf,
} from '../vehicle/index.ts';
import { batteryFigures, driverFigures, frameFigures, motorFigures } from './part-figures.ts';
import { SetBook } from './set-book.ts';
import { isGivenIn } from './tally.ts';
import { SetJudge } from './judge-set.ts';
import { many } from '../testing/many.ts';

const shelf = ['motors', 'drivers', 'batteries'].flatMap((file) =>
  partSchema.array().parse(JSON.parse(readFileSync(`data/shelf/${file}.json`, 'utf8'))),
);
const ofKind = <K extends PartKind>(kind: K) =>
  shelf.filter((part): part is Extract<Part, { kind: K }> => part.kind === kind);
const motors = ofKind('motor').filter((part) => motorFigures(part) !== undefined);
const [drivers, batteries] = [ofKind('driver'), ofKind('battery')];
/** The demo builds that it knows of, each through the drive that moves it. */
const builds = readdirSync('data/builds').flatMap((file) => {
  const read = readBuild(JSON.parse(readFileSync(`data/builds/${file}`, 'utf8')));
  if (!read.ok) throw new Error(`${file} does not read`);
  return read.build.brake.kind === 'electronic' ? [] : propelling(read.build).slice(0, 1);
});

interface Drawn {
  readonly build: number;
  readonly motor: number;
  readonly driver: number;
  readonly battery: number;
  readonly teeth: readonly [number, number];
  readonly dragM2: number;
  readonly share: number;
  readonly rotorGcm2: number | undefined;
}

const anySet = fc.record<Drawn>({
  build: fc.nat(builds.length - 1),
  motor: fc.nat(motors.length - 1),
  driver: fc.nat(drivers.length - 1),
  battery: fc.nat(batteries.length - 1),
  teeth: fc.tuple(fc.integer({ min: 9, max: 30 }), fc.integer({ min: 12, max: 80 })),
  dragM2: fc.constantFrom(0, 0.3, 2),
  share: fc.constantFrom(1, 0.6),
  rotorGcm2: fc.constantFrom(undefined, 0, 5000),
});

const at = <T>(list: readonly T[], n: number): T => {
  const found = list[n];
  if (found === undefined) throw new RangeError(`no ${n}`);
  return found;
};

/** A demo build with a set of the shelf in it. */
function putIn({ build: n, motor, driver, battery, teeth, dragM2, share, rotorGcm2 }: Drawn): Build {
  const motorPart: PartOf<'motor'> = at(motors, motor);
  const parts = [
    rotorGcm2 === undefined ? motorPart : { ...motorPart, rotorGcm2 },
    at(drivers, driver),
    at(batteries, battery),
  ];
  const fitted = parts.reduce<Build>(choosePart, at(builds, n).seen);
  return changeDrive(
    {
      ...fitted,
      dragArea: { ...fitted.dragArea, value: dragM2 },
      supply: { ...fitted.supply, commandShare: { value: share, unit: '%', origin: 'typed' } },
    },
    {
      stages: driveOf(fitted).stages.map((stage) => (isToothed(stage) ? withTeeth(stage, ...teeth) : stage)),
    },
  );
}

/** What the kernel says of the set in a build: margin by link and duty, and what they come to. */
function judged(build: Build) {
  const line = drivelineOf(build);
  const motor = motorOf(build);
  const figures = motor && motorFigures(motor);
  const asked = build.duties.map((duty) => askedOf(build, duty, line).asked);
  const battery = batteryFigures(build, asked);
  if (!figures || !battery) throw new Error('a set has a motor and a battery');
  const frame = frameFigures(build);
  const book = new SetBook(build, frame);
  const shape = book.shapeOf(driveOf(build).stages);
  if (!shape || !book.startWith(motor)) throw new Error('it has a train');
  const train = book.figuresOf(shape);
  const heard = new Map<string, number>();
  const judge = new SetJudge(frame, (link, dutyId, ratio) => heard.set(`${link} ${dutyId}`, ratio));
  fc.pre(judge.with(figures, battery, driverFigures(line?.driver)));
  const { tally, worst, runTimeS } = judge.judge(train);
  return { heard, worst, fails: tally.fails, runTimeS };
}

const near = (a: number, b: number): boolean => Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(b));

describe('a set judged by itself', () => {
  it('has the margins that evaluate gives, to a part in a thousand million', () => {
    fc.assert(
      fc.property(anySet, (drawn) => {
        const build = putIn(drawn);
        const { id } = driveOf(build);
        const { heard, worst, fails, runTimeS } = judged(build);
        const margins = marginsOf(build);
        const { links, outing } = margins;
        expect(near(runTimeS, outing?.runTimeS ?? NaN)).toBe(true);
        for (const [key, ratio] of heard) {
          // Of some only the worst over all duties is worked out: of no duty in particular.
          const same = links.filter(
            ({ link, dutyId, driveId }) =>
              (`${link} ${dutyId}` === key || `${link} null` === key) && (driveId ?? id) === id,
          );
          const least = Math.min(...same.map((link) => link.ratio));
          expect(near(ratio, least), `${key}: ${ratio} and ${least}`).toBe(true);
        }
        expect(heard.size).toBeGreaterThan(10);
        expect(fails).toBe(margins.links.some((link) => !isGivenIn(margins, link) && link.ratio < 1));
        expect(near(worst, Math.min(...links.map(({ ratio, rule }) => ratio / rule)))).toBe(true);
      }),
      { numRuns: many(400, 4000) },
    );
  });
});
