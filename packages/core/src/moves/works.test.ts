/** What is offered where a drive that works is geared wrong. */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { drivelineOf, trainOf } from '../drive/index.ts';
import { evaluate, fastestAgainst, greatestAt, ratioOfWork } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import {
  addDrive,
  applyChanges,
  buildSchema,
  changeDrive,
  choosePart,
  partSchema,
  throughDrive,
  whole,
  type Build,
  type Part,
} from '../vehicle/index.ts';
import { moves } from './index.ts';

const read = (path: string): unknown => JSON.parse(readFileSync(path, 'utf8'));
const puffin = buildSchema.parse(read('data/builds/puffin.zubric.json'));
const motors = (read('data/shelf/motors.json') as unknown[]).map((part): Part => partSchema.parse(part));
const motor = (id: string): Part => {
  const found = motors.find((part) => part.id === id);
  if (!found) throw new Error(`no motor ${id}`);
  return found;
};

/** The barrow with a blade on a motor with a plain shaft. */
function mowing(torqueNm: number, rpm: number, motorId = 'motor-24v-250w'): Build {
  const { build, driveId } = addDrive(puffin, 'turning');
  const work = {
    kind: 'turns' as const,
    torque: typed(torqueNm, 'N·m'),
    speed: typed((rpm * Math.PI) / 30, 'rpm'),
    share: typed(0.5, '%'),
    whileDriving: true,
  };
  return choosePart(changeDrive(throughDrive(build, driveId), { work }), motor(motorId));
}

const offeredFor = (build: Build, link: string, shelf: readonly Part[] = []) =>
  moves(whole(build), evaluate(whole(build)), { shelf }).find((of) => of.link === link)?.moves ?? [];

describe('a work that its motor turns', () => {
  it('too slowly is geared up, to where it does it', () => {
    const build = mowing(0.25, 4000);
    expect(ratioOfWork(build)).toBeLessThan(1);
    const [offered] = offeredFor(build, 'work-speed');
    const mended = applyChanges(whole(build), offered?.changes ?? []);
    const seen = throughDrive(mended, build.drives.at(-1)?.id ?? '');
    expect(trainOf(seen).ratio).toBeLessThan(1);
    expect(offered?.after).toBeGreaterThanOrEqual(1);
  });

  it('too fast is geared down, to where it does it', () => {
    const build = mowing(2, 300);
    expect(ratioOfWork(build)).toBeGreaterThan(4);
    const [offered] = offeredFor(build, 'work-torque');
    const mended = applyChanges(whole(build), offered?.changes ?? []);
    const seen = throughDrive(mended, build.drives.at(-1)?.id ?? '');
    expect(trainOf(seen).ratio).toBeGreaterThan(2);
    expect(offered?.after).toBeGreaterThanOrEqual(1);
  });

  it('that is too weak for it is replaced by one of the shelf that does it, geared to its pace', () => {
    const build = mowing(1.1, 2800);
    const worst = evaluate(whole(build)).governing.find(({ link }) => link === 'work-torque');
    expect(worst?.verdict).toBe('fails');
    const [offered] = offeredFor(build, 'work-torque', motors);
    expect(offered?.after).toBeGreaterThanOrEqual(1);
  });

  it('has the most to spare at the ratio that is wanted: no other has more of both', () => {
    const build = mowing(1, 1000);
    const line = drivelineOf(build);
    if (!line) throw new Error('it has a motor');
    const speedRadS = (1000 * Math.PI) / 30;
    const spareAt = (ratio: number): number =>
      Math.min(
        greatestAt({ ...line, ratio }, speedRadS) / 2,
        fastestAgainst({ ...line, ratio }, 1) / speedRadS / 1.1,
      );
    const best = ratioOfWork(build) ?? NaN;
    for (const times of [0.5, 0.7, 0.85, 1.15, 1.3, 1.6])
      expect(spareAt(best * times)).toBeLessThan(spareAt(best));
    const free = line.circuit.motor.fastestRadS(line.circuit.openCircuitV);
    expect((best * speedRadS) / free).toBeGreaterThanOrEqual(0.5);
  });
});

describe('a battery that is too small for the outing', () => {
  it('is doubled, or more, side by side: as many as the energy asks', () => {
    const long = {
      ...puffin,
      duties: puffin.duties.map((duty) => ({
        ...duty,
        extent: { kind: 'time' as const },
        duration: { ...duty.duration, value: 1800 },
      })),
    };
    const found = evaluate(long).governing.find(({ link }) => link === 'energy');
    expect(found?.verdict).toBe('fails');
    const asked = Math.ceil(((found?.needs ?? NaN) * (found?.rule ?? NaN)) / (found?.has ?? NaN));
    const offered = offeredFor(long, 'energy').map(({ changes }) => applyChanges(long, changes));
    expect(offered.map(({ supply }) => supply.packs[0]?.inParallel)).toContain(asked);
  });
});
