/** Motors that are held, and drives that drag each other round. */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { greatestPull, propelling, pullsAt } from '../drive/index.ts';
import { curesOf } from '../moves/cures.ts';
import { moves } from '../moves/index.ts';
import { typed } from '../quantity/index.ts';
import { findingsInWords } from '../say/index.ts';
import {
  addDrive,
  applyChanges,
  buildSchema,
  changeDrive,
  withoutDrive,
  type Build,
  type Part,
} from '../vehicle/index.ts';
import { circuitPlan } from '../wiring/index.ts';
import { evaluate } from './evaluate.ts';

const puffin = buildSchema.parse(JSON.parse(readFileSync('data/builds/puffin.zubric.json', 'utf8')));
const of = (build: Build, code: string) => evaluate(build).findings.filter((found) => found.code === code);

const withMotors = (build: Build, change: Partial<Part>): Build => ({
  ...build,
  parts: build.parts.map((part) => (part.kind === 'motor' ? ({ ...part, ...change } as Part) : part)),
});
/** Drivers that hold no current, so that a stall draws all that the battery gives. */
const unlimited = (build: Build): Build => ({
  ...build,
  parts: build.parts.map((part) =>
    part.kind === 'driver' ? { ...part, limitsCurrent: false, resistanceMilliohm: 0 } : part,
  ),
});

describe('a motor that is held', () => {
  it('is told with the time in which its winding burns: a light one, not a heavy one', () => {
    const light = unlimited(withMotors(puffin, { massKg: 0.1 }));
    const [held] = of(light, 'burns-held');
    expect(held?.severity).toBe('tight');
    const line = propelling(light)[0]?.line;
    const { resistanceOhm = NaN } = line?.circuit.motor.constants ?? {};
    const current = held && 'current' in held.figures ? held.figures.current.value : NaN;
    const least = held && 'least' in held.figures ? held.figures.least.value : NaN;
    const seconds = held && 'time' in held.figures ? held.figures.time.value : NaN;
    const leads = puffin.drives[0]?.leadResistance.value ?? NaN;
    // From 40 to 120 °C: ln(1.393/1.0786)/(k I² R α), of 0.1 kg a tenth copper of 385, all of it of 440 J/(kg·K) (closed form).
    const kPerJ = 1 / (0.01 * 385) + 1 / (0.1 * 440);
    const known = Math.log(1.393 / 1.0786) / (kPerJ * current ** 2 * (resistanceOhm - leads) * 0.00393);
    expect(least / known).toBeCloseTo(1, 6);
    expect(seconds).toBeGreaterThanOrEqual(least);
    expect(of(unlimited(withMotors(puffin, { massKg: 60 })), 'burns-held')).toEqual([]);
  });

  it('is cured by a command that is held back: it then lasts as long as a stall is seen', () => {
    const light = unlimited(withMotors(puffin, { massKg: 0.3 }));
    const cure = of(light, 'burns-held')[0]?.cures[0];
    if (!cure) throw new Error('no cure');
    const [candidate] = curesOf(light, cure);
    expect(candidate?.build.supply.commandShare?.value).toBeLessThan(1);
    expect(candidate && of(candidate.build, 'burns-held')).toEqual([]);
  });

  it('says what to do in a sentence', () => {
    const light = unlimited(withMotors(puffin, { massKg: 0.1 }));
    const words = findingsInWords({ build: light, report: evaluate(light) });
    expect(words.find(({ code }) => code === 'burns-held')?.text).toMatch(/let go at once where it stalls/);
  });
});

/** The barrow on two drives, the second geared so many times as low. */
function twoDrives(lower: number): Build {
  const [drive] = puffin.drives;
  if (!drive) throw new Error('a build has a drive');
  const stage = {
    id: 'more',
    kind: 'gearhead' as const,
    ratio: typed(lower, ': 1'),
    efficiency: typed(0.9, '%'),
  };
  const second = { ...drive, id: 'second', name: 'Front wheels', stages: [...drive.stages, stage] };
  return { ...puffin, drives: [drive, second] };
}

describe('drives on one road', () => {
  it('that are alike do not fight', () => {
    expect(of(twoDrives(1), 'drives-fight')).toEqual([]);
  });

  it('fight where one is dragged past its free speed, at a ratio that it would still pull with', () => {
    const build = twoDrives(6);
    const [fight] = of(build, 'drives-fight');
    expect(fight).toMatchObject({ driveId: 'second', title: 'Front wheels' });
    const line = propelling(build)[0]?.line;
    const speed = fight && 'speed' in fight.figures ? fight.figures.speed.value : NaN;
    const drag = fight && 'drag' in fight.figures ? fight.figures.drag.value : NaN;
    const [pushes = NaN, drags = NaN] = line ? pullsAt(line, speed) : [];
    expect(pushes).toBeGreaterThan(0);
    expect(drags).toBeCloseTo(-drag, 9);
    expect(line && greatestPull(line, speed)).toBeCloseTo(pushes - drag, 9);
    const ratio = fight && 'ratio' in fight.figures ? fight.figures.ratio.value : NaN;
    const second = propelling(build)[1]?.line;
    const total = second?.ratio ?? NaN;
    expect(ratio).toBeLessThan(total);
    const geared = twoDrives((6 * ratio) / total);
    const better = propelling(geared)[0]?.line;
    expect(better && pullsAt(better, speed)[1]).toBeGreaterThan(0);
    expect(
      findingsInWords({ build, report: evaluate(build) }).some(({ text }) =>
        /past its free speed/.test(text),
      ),
    ).toBe(true);
  });

  it('of which one has no motor are told no fight', () => {
    const build = changeDrive(twoDrives(6), {});
    const without = {
      ...build,
      drives: build.drives.map((drive) => (drive.id === 'second' ? { ...drive, motorId: null } : drive)),
    };
    expect(of(without, 'drives-fight')).toEqual([]);
  });
});

describe('what turns beside people', () => {
  const brush: Build = { ...addDrive(puffin, 'turning').build, people: 'beside' };

  it('is cut by a switch in its handle, by one move; where nobody is near nothing is asked', () => {
    const [uncut] = of(brush, 'no-interlock');
    expect(uncut).toMatchObject({ severity: 'tight', title: brush.drives.at(-1)?.name });
    const cure = uncut?.cures[0];
    const [candidate] = cure ? curesOf(brush, cure) : [];
    expect(candidate?.build.supply.interlocks).toMatchObject([{ at: 'handle', driveId: uncut?.driveId }]);
    expect(candidate && buildSchema.safeParse(candidate.build).success).toBe(true);
    expect(candidate && of(candidate.build, 'no-interlock')).toEqual([]);
    expect(of({ ...brush, people: 'nobody' }, 'no-interlock')).toEqual([]);
  });

  it('is not asked of a lift, nor where a switch cuts every drive', () => {
    const lift: Build = { ...addDrive(puffin, 'lift').build, people: 'beside' };
    expect(of(lift, 'no-interlock')).toEqual([]);
    const seat: Build = {
      ...brush,
      supply: { ...brush.supply, interlocks: [{ id: 'a', at: 'seat', acts: 'runs only while worked' }] },
    };
    expect(of(seat, 'no-interlock')).toEqual([]);
  });
});

describe('a charging plug', () => {
  it('carries what the charger gives, or a stronger one is offered', () => {
    const weak: Build = {
      ...puffin,
      supply: { ...puffin.supply, charger: { current: typed(8, 'A'), plug: typed(5, 'A') } },
    };
    const report = evaluate(weak);
    expect(report.governing.find(({ link }) => link === 'charge-plug')).toMatchObject({
      needs: 8,
      has: 5,
      verdict: 'fails',
    });
    const [offered] =
      moves(weak, report, { shelf: [] }).find(({ link }) => link === 'charge-plug')?.moves ?? [];
    const mended = applyChanges(weak, offered?.changes ?? []);
    expect(mended.supply.charger?.plug?.value).toBe(10);
  });
});

describe('a vehicle of modules', () => {
  const whimbrel = buildSchema.parse(JSON.parse(readFileSync('data/builds/whimbrel.zubric.json', 'utf8')));

  it('that a drive steers is not asked what steers it; without that drive it is', () => {
    expect(of(whimbrel, 'no-steering')).toEqual([]);
    const steering = whimbrel.drives.find(({ does }) => does === 'steers')?.id ?? '';
    expect(of(withoutDrive(whimbrel, steering), 'no-steering')).toHaveLength(1);
  });

  it('counts each module: four motors drive, four steer, one lifts', () => {
    const plan = circuitPlan(whimbrel);
    const motors = plan.boards.flatMap((board) => board.motors);
    const named = (does: string) => whimbrel.drives.find((drive) => drive.does === does)?.id;
    const of_ = (does: string) => motors.filter(({ driveId }) => driveId === named(does)).length;
    expect([of_('propels'), of_('steers'), of_('works')]).toEqual([4, 4, 1]);
  });
});
