import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { moves } from '../moves/index.ts';
import { typed } from '../quantity/index.ts';
import { freshPath, freshStage, type PathElement, type Stage, type StageOf } from '../transmission/index.ts';
import { buildSchema, type Build, type Duty, driveOf, changeDrive, type Drive } from '../vehicle/index.ts';
import { textsOf } from '../testing/vehicles.ts';
import { evaluate } from './evaluate.ts';
import type { LinkId } from './links.ts';
import type { LinkReport } from './report.ts';

const read = (file: string): Build =>
  buildSchema.parse(JSON.parse(readFileSync(`data/builds/${file}.zubric.json`, 'utf8')));
const puffin = buildSchema.parse(
  JSON.parse(readFileSync('packages/core/src/testing/puffin.zubric.json', 'utf8')),
);
const mm = (n: number) => typed(n / 1000, 'mm');

const drive = (build: Build, part: Partial<Drive>): Build => changeDrive(build, { ...part });
const onStages = (...stages: readonly Stage[]): Build => drive(puffin, { stages, path: [] });
const links = (build: Build, id: LinkId): readonly LinkReport[] =>
  evaluate(build).links.filter(({ link }) => link === id);
const firstDuty = ({ duties }: Build): Duty => {
  const [duty] = duties;
  if (!duty) throw new Error('no job');
  return duty;
};

describe('the torque path in a build', () => {
  it('carries at each part what the stages before it make of the motor’s torque', () => {
    const report = evaluate(puffin);
    const point = report.duties.find(({ id }) => id === firstDuty(puffin).id)?.point;
    const path = report.links.filter(
      ({ link, dutyId }) => link === 'path' && dutyId === firstDuty(puffin).id,
    );
    const at = (name: string): number => {
      const id = driveOf(puffin).path.find((e) => e.name === name)?.id;
      return path.find(({ elementId }) => elementId === id)?.needs ?? NaN;
    };
    // Behind the gearhead of the motor, and behind the chain: the wheel's own torque.
    const { motorTorqueNm = NaN, wheelTorqueNm = NaN } = point ?? {};
    expect(at('Driver sprocket')).toBeCloseTo(motorTorqueNm * 9 * 0.9, 9);
    expect(at('Wheel hub')).toBeCloseTo(wheelTorqueNm, 9);
    expect(at('Tyre')).toBeCloseTo(wheelTorqueNm, 9);
  });

  it('is asked about at a stall too, where only the torque of the motor counts', () => {
    const stalled = links(puffin, 'path-stall');
    expect(stalled).toHaveLength(driveOf(puffin).path.length);
    expect(stalled.every(({ dutyId }) => dutyId === null)).toBe(true);
    const slower = { ...puffin, duties: puffin.duties.map((d) => ({ ...d, speed: typed(0.1, 'm/s') })) };
    expect(links(slower, 'path-stall').map(({ needs }) => needs)).toEqual(stalled.map(({ needs }) => needs));
  });

  it('names the adapter where a bore does not fit its shaft, and none where it does', () => {
    const bored = (bore: number): Build =>
      drive(puffin, {
        path: driveOf(puffin).path.map(
          (e) => (e.name === 'Driver sprocket' ? { ...e, bore: mm(bore) } : e) as PathElement,
        ),
      });
    expect(textsOf(bored(16))).toContain('take a bush from 16');
    expect(textsOf(bored(10))).toMatch(/does not go on a shaft of 12/);
    expect(textsOf(puffin)).not.toMatch(/bush|does not go on/);
  });

  it('says where a part stands behind a stage that is gone, and judges it no more', () => {
    const gone = drive(puffin, { stages: [] });
    expect(textsOf(gone)).toContain('“Wheel hub” stands behind a stage that is no longer there');
    expect(links(gone, 'path').every(({ elementId }) => elementId === 'path-1')).toBe(true);
  });
});

describe('stages at a stall', () => {
  it('stand a multiple of their working load; what slips is not asked', () => {
    const chain = freshStage('chain', 'stage-1', 3.6) as StageOf<'chain'>;
    const [stall] = links(onStages(chain), 'stage-stall').filter(({ stageId }) => stageId === 'stage-1');
    const [pull] = links(onStages(chain), 'chain-pull');
    if (!stall || !pull) throw new Error('the chain is judged');
    // A third of the tensile strength against a seventh: 7/3 of the torque that reaches it at its working pull.
    const perNewton = stall.has / ((pull.has * 7) / 3);
    expect(perNewton).toBeCloseTo(9.525e-3 / Math.sin(Math.PI / 12) / 2, 6);
    const belt = onStages(freshStage('friction-belt', 'stage-1', 3.6));
    expect(links(belt, 'stage-stall').filter(({ stageId }) => stageId === 'stage-1')).toEqual([]);
  });

  it('carry what the wheel pushes with going down, though a worm lets nothing back to the motor', () => {
    const worm = {
      ...freshStage('worm', 'stage-1', 24),
      leadAngle: typed(0.05, '°'),
      friction: typed(0.12, ''),
    } as Stage;
    const chain = freshStage('chain', 'stage-2', 2);
    const down = { ...onStages(worm, chain), duties: [{ ...firstDuty(puffin), grade: typed(-0.15, '°') }] };
    const [pull] = links(down, 'chain-pull');
    const wheelNm = -(evaluate(down).duties[0]?.point?.wheelTorqueNm ?? NaN);
    expect(wheelNm).toBeGreaterThan(0);
    // 24 teeth of 3/8 in on the wheel's shaft.
    const radius = 9.525e-3 / Math.sin(Math.PI / 24) / 2;
    expect(pull?.needs).toBeCloseTo(wheelNm / 2 / (9.525e-3 / Math.sin(Math.PI / 12) / 2), 6);
    expect(pull?.needs ?? 0).toBeGreaterThan((0.9 * wheelNm) / radius);
  });
});

describe('braking by the motors', () => {
  const down: Duty = {
    ...firstDuty(puffin),
    task: 'stop',
    grade: typed(-0.12, '°'),
    stopWithin: typed(2, 'm'),
  };

  it('puts on the stages what the stop asks, and a friction brake takes it off them', () => {
    const electronic: Build = { ...puffin, duties: [down], brake: { ...puffin.brake, kind: 'electronic' } };
    const report = evaluate(electronic);
    const brakeN = report.duties[0]?.brake?.brakeN ?? NaN;
    const [braked] = report.links.filter(
      ({ link, stageId }) => link === 'stage-brake' && stageId === 'stage-1',
    );
    // Two wheels of 200 mm radius, a chain of 36 over 10.
    expect(braked?.needs).toBeCloseTo((brakeN * 0.2) / 2 / 3.6, 6);
    const friction: Build = {
      ...electronic,
      brake: { ...puffin.brake, kind: 'friction', force: typed(400, 'N') },
    };
    expect(links(friction, 'stage-brake')).toEqual([]);
  });

  it('is not enough where somebody rides', () => {
    const ridden = (kind: Build['brake']['kind']): string =>
      textsOf({ ...puffin, people: 'riding', brake: { ...puffin.brake, kind } });
    expect(ridden('electronic')).toContain('fit a friction brake');
    expect(ridden('friction')).not.toContain('fit a friction brake');
  });
});

describe('the mount', () => {
  it('twists with the pull of the chain and its lever, and is silent until it is measured', () => {
    const twist = (lever: number, angle?: number): number | undefined =>
      links(
        drive(puffin, {
          mount: { lever: mm(lever), ...(angle === undefined ? {} : { twist: typed(angle, '°') }) },
        }),
        'mount-twist',
      )[0]?.needs;
    expect(twist(40)).toBeUndefined();
    const pullN = links(puffin, 'chain-pull')[0]?.needs ?? NaN;
    expect(twist(40, 0.002)).toBeCloseTo(pullN * 0.04 * 0.0002, 9);
    expect((twist(80, 0.002) ?? NaN) / (twist(40, 0.002) ?? NaN)).toBeCloseTo(2, 9);
  });
});

describe('what sits on the axle', () => {
  it('clears the ground by half the wheel less half of itself, and must reach under the frame', () => {
    const [height] = links(puffin, 'axle-clearance');
    // 36 teeth of 3/8 in: 9.525 (0.6 + cot 5°) = 114.6 mm over the tips; 200 − 57.3.
    expect(height?.has).toBeCloseTo(0.2 - (9.525e-3 * (0.6 + 1 / Math.tan(Math.PI / 36))) / 2, 5);
    expect(links(drive(puffin, { room: mm(50) }), 'axle-room')[0]?.verdict).toBe('fails');
    expect(links(drive(puffin, { room: mm(90) }), 'axle-room')[0]?.verdict).toBe('ample');
  });
});

describe('disengaging', () => {
  it('needs a loop to let slack, and holds nothing on a slope', () => {
    const released = (kind: 'jockey' | 'pin', at: string | null): string =>
      textsOf(drive(puffin, { release: { kind, at, drag: typed(0.5, 'N·m') } }));
    expect(released('jockey', null)).toContain('say at which of them it disengages');
    expect(released('jockey', 'stage-1')).not.toContain('say at which of them');
    expect(released('pin', null)).toMatch(/Disengaged, the drive holds nothing/);
    // Half a newton metre at each of two wheels of 200 mm.
    const pinned = drive(puffin, { release: { kind: 'pin', at: null, drag: typed(0.5, 'N·m') } });
    expect(evaluate(pinned).train.moved?.releasedN).toBeCloseTo(5, 9);
    expect(evaluate(puffin).train.moved?.releasedN).toBeUndefined();
  });

  it('frees nothing where a worm that locks is left between it and the wheel', () => {
    const worm = {
      ...freshStage('worm', 'stage-1', 24),
      leadAngle: typed(0.05, '°'),
      friction: typed(0.12, ''),
    } as Stage;
    const build = (at: string | null): Build =>
      drive(onStages(worm, freshStage('chain', 'stage-2', 2)), {
        release: { kind: 'dog', at, drag: typed(0.5, 'N·m') },
      });
    expect(evaluate(build(null)).train.moved?.releasedN).toBeNull();
    expect(textsOf(build(null))).toContain('disengage behind that stage');
    expect(evaluate(build('stage-1')).train.moved?.releasedN).toBeCloseTo(5, 9);
    const cure = moves(build(null), evaluate(build(null)), { shelf: [] }).find(
      ({ finding }) => finding === 'still-locks',
    );
    expect(cure?.moves.map(({ text }) => text)).toEqual([
      'A jockey at the chain',
      'A dog clutch behind the chain',
      'A pin behind the chain',
    ]);
  });

  it('is the only way to push by hand what a worm locks', () => {
    const worm = {
      ...freshStage('worm', 'stage-1', 24),
      leadAngle: typed(0.05, '°'),
      friction: typed(0.12, ''),
    } as Stage;
    expect(evaluate(onStages(worm)).train.moved?.engagedN).toBeNull();
    expect(evaluate(puffin).train.moved?.engagedN).toBeGreaterThan(0);
  });
});

describe('rotors', () => {
  it('count with the square of the reduction when it speeds up, and not at a steady speed', () => {
    const inertia = (build: Build): number =>
      evaluate(build).duties.reduce((n, d) => n + d.resistance.inertiaN, 0);
    const bare = {
      ...puffin,
      parts: puffin.parts.map((p) => (p.kind === 'motor' ? { ...p, rotorGcm2: 0 } : p)),
    };
    expect(inertia(puffin)).toBeGreaterThan(inertia(bare));
    const steady = (build: Build): Build => ({
      ...build,
      duties: build.duties.map(({ upToSpeed: _up, ...d }) => ({ ...d, acceleration: typed(0, 'm/s²') })),
    });
    expect(inertia(steady(puffin))).toBe(0);
  });
});

describe('spools and tracks', () => {
  it('are refused where the vehicle has none, or where something comes behind them', () => {
    expect(textsOf(onStages(freshStage('track', 'stage-1', 1)))).toContain('choose that layout');
    const sanderling = read('sanderling');
    const { stages } = driveOf(sanderling);
    expect(textsOf(drive(sanderling, { stages: [...stages].reverse() }))).toContain('ends the drive');
    expect(evaluate(sanderling).train.stages.every(({ problem }) => problem === undefined)).toBe(true);
  });

  it('set the diameter that torque and speed meet at', () => {
    const sanderling = read('sanderling');
    const track = driveOf(sanderling).stages.at(-1);
    if (track?.kind !== 'track') throw new Error('a track is last');
    const speed = (build: Build): number => evaluate(build).duties[0]?.point?.wheelRpm ?? NaN;
    const larger = { ...track, sprocketTeeth: track.sprocketTeeth * 2 };
    const on = drive(sanderling, { stages: [...driveOf(sanderling).stages.slice(0, -1), larger] });
    expect(speed(sanderling) / speed(on)).toBeCloseTo(2, 9);
  });
});

describe('judgements of sizing and of the drive (common practice, no source)', () => {
  const saidOf = (build: Build): string => textsOf(build);

  it('packs in series, large steering actuators, play that adds up, and motors that creep', () => {
    const series = {
      ...puffin,
      parts: puffin.parts.map((p) => (p.kind === 'battery' ? { ...p, packsInSeries: 2 } : p)),
    };
    expect(saidOf(series)).toContain('2 packs in series have no cut-off in common');
    expect(saidOf(puffin)).not.toContain('packs in series');
    const moth = read('moth');
    const steering = moth.steering && { ...moth.steering, actuatorTorque: typed(4, 'N·m') };
    expect(saidOf({ ...moth, steering })).toContain('give it a supply of its own');
    const loose = driveOf(puffin).stages.map((s) => ({ ...s, play: typed((4 * Math.PI) / 180, '°') }));
    expect(saidOf(drive(puffin, { stages: loose }))).toMatch(/Backlash adds up: 4\.42°/);
    expect(saidOf(read('glasshouse-rail'))).toMatch(/it creeps unevenly/);
  });

  it('chains want their mount measured, loops a tensioner', () => {
    const [chain] = driveOf(puffin).stages;
    if (chain?.kind !== 'chain') throw new Error('Puffin has a chain');
    const bare = drive(puffin, { stages: [{ ...chain, tensioner: undefined }], mount: { lever: mm(40) } });
    expect(saidOf(bare)).toMatch(/Say how the chain is tensioned/);
    expect(saidOf(bare)).toMatch(/Chains come off by misalignment/);
    expect(saidOf(drive(puffin, { stages: [{ ...chain, tensioner: 'none' }] }))).toMatch(
      /Nothing tensions the chain/,
    );
    expect(saidOf(puffin)).not.toMatch(/tension|Chains come off/);
  });
});

describe('the demo builds', () => {
  it.each(['puffin', 'moth', 'sanderling', 'pip', 'teasel', 'glasshouse-rail'])(
    '%s is complete through Drivetrain',
    (file) => {
      const build = read(file);
      const report = evaluate(build);
      expect(report.train.stages.length).toBeGreaterThan(0);
      expect(report.train.stages.every(({ problem }) => problem === undefined)).toBe(true);
      expect(driveOf(build).path.length).toBeGreaterThan(1);
      expect(report.links.some(({ link }) => link === 'path')).toBe(true);
    },
  );

  it('take a usual path where their own is left out', () => {
    const path = freshPath(driveOf(puffin).stages, { wheelDiameterM: 0.4 });
    expect(
      evaluate(drive(puffin, { path })).links.filter(({ link }) => link === 'path').length,
    ).toBeGreaterThan(0);
  });
});

describe('a part of which figures are guessed', () => {
  const guessing = (guessed: Readonly<Record<string, number>>) => ({
    ...puffin,
    parts: puffin.parts.map((part) => (part.kind === 'motor' ? { ...part, guessed } : part)),
  });
  it('is told with how far off it may be, and by its name', () => {
    const name = puffin.parts.find(({ kind }) => kind === 'motor')?.name ?? '';
    expect(textsOf(guessing({ stallTorqueNm: 0.45, noLoadA: 0.3 }))).toContain(
      `“${name}” is partly guessed, up to 45`,
    );
  });
  it('is not where the guess is near, or of its mass alone', () => {
    expect(textsOf(guessing({ stallTorqueNm: 0.1, massKg: 0.7 }))).not.toContain('partly guessed');
  });
});
