/** What the way from the motor to the ground says beside its margins. */
import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { needed } from '../testing/numbers.ts';
import { foundOf, shelfPart } from '../testing/on-the-shelf.ts';
import { withDuty } from '../testing/vehicles.ts';
import { changeDrive, choosePart, driveOf, type Build } from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';

const puffin = needed(demoBuilds().puffin, 'Puffin');

describe('the way from the motor', () => {
  const drive = driveOf(puffin);
  const [chain] = drive.stages;

  it('names a loop that has nothing to take it up, and what would', () => {
    const loose = changeDrive(puffin, {
      stages: drive.stages.map((stage) => ({ ...stage, tensioner: 'none' as const })),
    });
    const id = needed(chain, 'chain').id;
    expect(foundOf(loose, 'no-tensioner').map(({ cures }) => cures)).toEqual([
      [{ kind: 'tension', stageId: id }],
    ]);
    expect(foundOf(puffin, 'no-tensioner')).toEqual([]);
  });

  it('asks a brake that holds by itself of whoever is carried', () => {
    const ridden = {
      ...puffin,
      people: 'riding' as const,
      brake: { ...puffin.brake, kind: 'none' as const },
    };
    const [stop] = foundOf(ridden, 'rider-needs-brake');
    expect(stop).toMatchObject({ link: 'brake-hold', cures: [{ kind: 'brake' }], severity: 'stop' });
    expect(foundOf({ ...ridden, people: 'beside' }, 'rider-needs-brake')).toEqual([]);
  });

  it('tells of rotors only where something is sped up: at a rate, within a time, or by starts', () => {
    const geared = changeDrive(choosePart(puffin, shelfPart('motor-24v-500w-9', { rotorGcm2: 60_000 })), {
      stages: drive.stages.map((stage) => (stage.kind === 'chain' ? { ...stage, teethDriven: 80 } : stage)),
    });
    const going = (part: Parameters<typeof withDuty>[1]): number =>
      foundOf(withDuty(geared, { acceleration: typed(0, 'm/s²'), ...part }), 'rotors').length;
    expect(going({})).toBe(0);
    expect(going({ acceleration: typed(0.1, 'm/s²') })).toBe(1);
    expect(going({ upToSpeed: { kind: 'time', time: typed(2, 's') } })).toBe(1);
    expect(going({ startsAnHour: typed(5, '') })).toBe(1);
  });

  it('tells two of one thing on an element apart, and others by what does not meet', () => {
    const [element] = drive.path;
    if (element?.kind !== 'set-screws') throw new Error('it begins with set screws');
    const wide = { ...element, bore: typed(0.03, 'mm') };
    const again = { ...wide, id: 'again', after: 'stage-1' as string | null };
    const ids = (build: Build): string[] =>
      evaluate(build).findings.flatMap(({ id }) => (id.startsWith('mismatch') ? [id] : []));
    const found = ids(changeDrive(puffin, { path: [wide, ...drive.path.slice(1), again] }));
    expect(found.length).toBeGreaterThan(0);
    expect(new Set(found).size).toBe(found.length);
    expect(found.filter((id) => /\/2$/.test(id))).toEqual([]);
  });
});
