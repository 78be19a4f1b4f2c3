/** Which motor is where, what commands do, and the circuit as it is drawn. */
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { finite, near } from '../testing/numbers.ts';
import { on } from '../testing/vehicles.ts';
import {
  addDrive,
  buildSchema,
  changeDrive,
  throughDrive,
  withoutDrive,
  type Build,
} from '../vehicle/index.ts';
import {
  circuitPlan,
  commandsOf,
  commandTable,
  motorPlaces,
  steersBySides,
  type CommandRow,
} from './index.ts';

const read = (file: string): Build =>
  buildSchema.parse(JSON.parse(readFileSync(`data/builds/${file}.zubric.json`, 'utf8')));
const puffin = read('puffin');

/** Where the middle between two wheels gets to, and its heading, by small steps of each wheel’s way. */
function driven(row: CommandRow, trackM: number) {
  const steps = 20_000;
  const [left, right] = [row.left / steps, row.right / steps];
  let [x, y, heading] = [0, 0, 0];
  for (let n = 0; n < steps; n += 1) {
    const turned = (right - left) / trackM;
    x += ((left + right) / 2) * Math.cos(heading + turned / 2);
    y += ((left + right) / 2) * Math.sin(heading + turned / 2);
    heading += turned;
  }
  return { x, y, heading };
}

describe('what the commands of two sides do', () => {
  it('is where small steps of both wheels lead, and how far from the middle they turn', () => {
    fc.assert(
      fc.property(finite(0.1, 2), (trackM) => {
        for (const row of commandTable(trackM)) {
          const { x, y, heading } = driven(row, trackM);
          if (row.radiusM === null) {
            expect(heading).toBe(0);
            near(x, row.left, 1e-9);
            continue;
          }
          // A chord of a circle: 2 R sin(θ/2).
          near(Math.hypot(x, y), 2 * row.radiusM * Math.abs(Math.sin(heading / 2)), 1e-4);
          const left = heading > 0;
          if (row.way.startsWith('on the spot')) {
            expect(row.radiusM).toBe(0);
            expect(row.way.endsWith('left')).toBe(left);
          }
          // The wheel that stands is the one that it goes round.
          if (row.way.includes('round the')) {
            near(row.radiusM, trackM / 2, 1e-12);
            expect(row.way.includes('left wheel')).toBe(row.left === 0);
            expect(row.way.startsWith('ahead')).toBe(row.left + row.right > 0);
          }
        }
      }),
      { numRuns: 5 },
    );
  });

  it('is told of every pair once, the right motor’s leads the other way round', () => {
    const rows = commandTable(0.4);
    expect(rows).toHaveLength(9);
    expect(new Set(rows.map(({ way }) => way)).size).toBe(9);
    for (const row of rows) {
      expect(row.leftMotor).toBe(row.left);
      expect(row.rightMotor + row.right).toBe(0);
    }
  });

  it('is asked only of what is steered by its sides', () => {
    expect(steersBySides(on('two-castors'))).toBe(true);
    expect(commandsOf(on('two-castors'))).toHaveLength(9);
    for (const id of ['rear-drive', 'scooter', 'winch']) {
      const build = on(id);
      expect(steersBySides(build), id).toBe(false);
      expect(commandsOf(build), id).toBeUndefined();
    }
  });
});

describe('the places of motors', () => {
  it('are left and right of a pair, the right one mirrored', () => {
    expect(motorPlaces(on('two-castors'))).toEqual([
      { label: 'left', side: 'left', mirrored: false },
      { label: 'right', side: 'right', mirrored: true },
    ]);
  });

  it('are as many as the build has motors, each told from the others', () => {
    for (const name of ['puffin', 'moth', 'pip', 'sanderling', 'teasel', 'glasshouse-rail']) {
      const build = read(name);
      const places = motorPlaces(build);
      const labels = places.map(({ label }) => label);
      expect(new Set(labels).size, name).toBe(labels.length);
      expect(circuitPlan(build).boards.flatMap(({ motors }) => motors)).toHaveLength(
        build.drives.reduce((sum, { id }) => sum + motorPlaces(throughDrive(build, id)).length, 0),
      );
    }
    const two = changeDrive(on('two-castors'), { motorsPerWheel: 2 });
    expect(motorPlaces(two).map(({ label }) => label)).toEqual(['left 1', 'left 2', 'right 1', 'right 2']);
  });
});

describe('the circuit of a build', () => {
  it('has what is chosen, from the battery to each motor', () => {
    const plan = circuitPlan(puffin);
    expect(plan.packs).toHaveLength(1);
    expect(plan.fuseA).toBe(50);
    expect(plan.boards[0]?.motors.map(({ label }) => label)).toEqual(['left', 'right']);
    expect(plan.boards[0]?.driverName).toBe(puffin.parts.find(({ kind }) => kind === 'driver')?.name);
    expect(plan.startA).toBeGreaterThan(0);
  });

  it('of nothing chosen is empty and stands all the same', () => {
    const plan = circuitPlan(on('two-castors'));
    expect(plan).toMatchObject({ packs: [], boards: [], rails: [], interlocks: [] });
    expect(plan.fuseA).toBeUndefined();
    expect(plan.voltageV).toBeUndefined();
  });

  it('names the drive of an interlock, which goes with that drive', () => {
    const { build: added, driveId } = addDrive(puffin, 'turning');
    const build: Build = {
      ...added,
      supply: {
        ...added.supply,
        charger: { current: typed(4, 'A'), plug: typed(10, 'A') },
        interlocks: [
          { id: 'a', at: 'handle', acts: 'runs only while worked', driveId },
          { id: 'b', at: 'seat', acts: 'runs only while worked' },
        ],
      },
    };
    expect(buildSchema.safeParse(build).success).toBe(true);
    expect(circuitPlan(build).interlocks.map(({ driveName }) => driveName)).toEqual([
      build.drives.at(-1)?.name,
      undefined,
    ]);
    expect(circuitPlan(build).charger).toEqual({ currentA: 4, plugA: 10 });
    const without = withoutDrive(build, driveId);
    expect(without.supply.interlocks?.map(({ id }) => id)).toEqual(['b']);
    const lost = { ...build, drives: build.drives.filter(({ id }) => id !== driveId) };
    expect(buildSchema.safeParse(lost).success).toBe(false);
  });
});
