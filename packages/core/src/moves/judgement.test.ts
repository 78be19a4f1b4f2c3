/** What a move may offer at all: parts that suit, teeth that are made, as much ballast as it takes, nothing dear for little. */
import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { VERDICTS, evaluate, marginId, shortlist, type LinkId } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { freshStage } from '../transmission/index.ts';
import {
  applyChanges,
  buildSchema,
  choosePart,
  motorOf,
  partSchema,
  type Build,
  type PartOf,
  motorNominal,
  driveOf,
  changeDrive,
  driverCountOf,
  startBuild,
} from '../vehicle/index.ts';
import { movesOfFinding, type MoveInWords as Move } from '../say/index.ts';
import { askedOnce } from '../testing/many.ts';
import { firstDuty, on, twoAxles, withDuty, saidMoves as moves } from '../testing/vehicles.ts';

const read = (path: string): Build => buildSchema.parse(JSON.parse(readFileSync(path, 'utf8')));
const puffin = read('packages/core/src/testing/puffin.zubric.json');
const demos = readdirSync('data/builds').map((file) => [file, read(`data/builds/${file}`)] as const);
const shelf = ['motors', 'drivers', 'batteries'].flatMap((file) =>
  partSchema.array().parse(JSON.parse(readFileSync(`data/shelf/${file}.json`, 'utf8'))),
);
const motors = shelf.filter((part): part is PartOf<'motor'> => part.kind === 'motor');
const [anyMotor] = motors;
if (!anyMotor) throw new Error('the shelf has a motor');
const movesOf = askedOnce((build: Build) => moves(build, evaluate(build), { shelf }));
const offered = (build: Build, link?: LinkId): readonly Move[] =>
  movesOf(build)
    .filter((m) => link === undefined || m.link === link)
    .flatMap((m) => m.moves);
const tried = (build: Build, move: Move | undefined): Build => {
  if (!move) throw new Error('there is such a move');
  return applyChanges(build, move.changes);
};
const ratioOf = (build: Build, link: LinkId): number =>
  evaluate(build).governing.find((l) => l.link === link)?.ratio ?? NaN;
const massOf = (build: Build, kg: number): Build => ({
  ...build,
  masses: { ...build.masses, own: { ...build.masses.own, mass: typed(kg, 'kg') } },
});

describe('a move', () => {
  /** A winch as a new build begins it, with parts that keep their rules by a little. */
  const winch = (): Build => {
    const begun = startBuild({ name: 'Log winch', layout: 'winch', like: 'barrow', jobs: [{ id: 'pull' }] });
    const chosen = ['motor', 'driver', 'battery'].reduce((build, kind) => {
      const best = shortlist(build, shelf).find(({ part }) => part.kind === kind)?.part;
      return best ? choosePart(build, best) : build;
    }, begun);
    expect(motorOf(chosen)).toBeDefined();
    return chosen;
  };

  it.each([...demos, ['a winch', winch()] as const])(
    'leaves no margin of %s with a worse verdict than it had, and pays for what keeps its rule with none that does not',
    (_, build) => {
      const verdictsOf = (b: Build): Map<string, number> =>
        new Map(evaluate(b).governing.map(({ link, verdict }) => [link, VERDICTS.indexOf(verdict)]));
      const before = verdictsOf(build);
      const [short, tight] = [VERDICTS.indexOf('short'), VERDICTS.indexOf('tight')];
      for (const { finding, link, moves: all } of movesOf(build))
        for (const move of all) {
          if (link === null || finding !== marginId(link)) continue;
          const after = verdictsOf(tried(build, move));
          const was = before.get(link) ?? tight;
          expect(after.get(link) ?? VERDICTS.length, `${link}: ${move.text}`).toBeGreaterThanOrEqual(was);
          if (was < tight) continue;
          for (const [other, is] of after)
            if (is <= short)
              expect(before.get(other) ?? VERDICTS.length, `${other}: ${move.text}`).toBeLessThanOrEqual(
                short,
              );
        }
    },
  );
});

describe('a part that is offered', () => {
  it.each(demos)(
    'suits the rest of %s: no motor of another system, none that the vehicle cannot carry',
    (_, build) => {
      const now = motorOf(build);
      for (const move of offered(build)) {
        const motor = motorOf(tried(build, move));
        if (!motor || !now || motor.id === now.id) continue;
        expect(motor.voltageV / now.voltageV, move.text).toBeLessThan(1.6);
        expect(now.voltageV / motor.voltageV, move.text).toBeLessThan(1.6);
      }
    },
  );

  it.each(demos)('brings no torque of nothing at any price: %s still does its jobs', (_, build) => {
    const before = ratioOf(build, 'torque');
    for (const move of offered(build)) {
      const after = ratioOf(tried(build, move), 'torque');
      // What did its duties before does them after.
      if (before >= 1) expect(after, move.text).toBeGreaterThanOrEqual(1);
    }
  });
});

describe('teeth that are offered', () => {
  it.each(demos)('for %s are to be had: 10 to 80, and no loop turns down by more than eight', (_, build) => {
    for (const move of offered(build))
      for (const [n, stage] of driveOf(tried(build, move)).stages.entries()) {
        if (!('teethDriver' in stage)) continue;
        const was = driveOf(build).stages[n];
        const asIs = was && 'teethDriver' in was && was.teethDriver === stage.teethDriver;
        if (asIs && was.teethDriven === stage.teethDriven) continue;
        expect(stage.teethDriven, move.text).toBeLessThanOrEqual(80);
        if (stage.kind === 'chain' || stage.kind === 'timing-belt')
          expect(stage.teethDriven / stage.teethDriver, move.text).toBeLessThanOrEqual(8 * (1 + 1e-9));
      }
  });

  it('are a stage more, or two, where one does not reach: a bare motor at a wheel', () => {
    const bare = motors.find((motor) => !motor.gearhead && motorNominal(motor).noLoadRpm > 2000);
    if (!bare) throw new Error('the shelf has a bare motor');
    const direct = choosePart(changeDrive(puffin, { stages: [], path: [] }), bare);
    const more = offered(direct, 'ratio').concat(offered(direct, 'torque'));
    const stages = more.filter(({ text }) => text.startsWith('A stage more'));
    expect(stages.length).toBeGreaterThan(0);
    for (const move of stages) expect(driveOf(tried(direct, move)).stages.length).toBeGreaterThan(0);
  });

  it('come near each ratio that the finding names', () => {
    const slow = changeDrive(puffin, { stages: [freshStage('chain', 'stage-1', 1.2)] });
    const report = evaluate(slow);
    const ratio = report.governing.find(({ link }) => link === 'ratio');
    expect(ratio?.verdict).not.toBe('ample');
    const trains = offered(slow, 'ratio').map((move) => evaluate(tried(slow, move)).train.ratio);
    expect(trains.length).toBeGreaterThan(0);
    expect(Math.max(...trains)).toBeGreaterThan(report.train.ratio);
  });
});

describe('ballast that is offered', () => {
  // A pusher with little weight on what drives it.
  const light = withDuty(
    twoAxles({ layout: 'scooter', wheelbaseM: 1, ahead: 0.7, height: 0.1, friction: 0.4, rolling: 0.02 }),
    { drawbar: typed(60, 'N'), grade: typed(0.03, '°') },
  );

  it('is as much as grip lacks, its own weight up the slope counted', () => {
    const build = choosePart(massOf(light, 60), anyMotor);
    const heavier = offered(build, 'grip').filter(({ text }) => text.includes('of ballast'));
    expect(heavier.length).toBeGreaterThan(0);
    for (const move of heavier) {
      const grip = evaluate(tried(build, move)).governing.find(({ link }) => link === 'grip');
      expect(grip?.ratio).toBeGreaterThanOrEqual(1);
      const added = tried(build, move).masses.others.at(-1);
      // A tenth less of it does not: nothing is carried for nothing.
      if (!added || !grip) throw new Error('ballast was added');
      const times = grip.ratio >= grip.rule ? grip.rule : 1;
      const less = {
        ...tried(build, move),
        masses: {
          ...build.masses,
          others: [{ ...added, mass: { ...added.mass, value: added.mass.value * 0.8 } }],
        },
      };
      expect(ratioOf(less, 'grip')).toBeLessThan(times);
    }
  });

  it('is never more than the vehicle itself', () => {
    const towing = withDuty(light, { drawbar: typed(2000, 'N') });
    for (const move of offered(choosePart(massOf(towing, 20), anyMotor)))
      for (const { mass } of tried(towing, move).masses.others) expect(mass.value).toBeLessThanOrEqual(20.01);
  });

  it('may ride on the vehicle instead, taken off what it tows: nothing is made lighter altogether', () => {
    const towed = {
      mass: typed(120, 'kg'),
      rolling: typed(0.05, ''),
    };
    const duty = firstDuty(light);
    const tows: Build = choosePart(
      {
        ...massOf(light, 40),
        duties: [{ ...duty, drawbar: typed(0, 'N'), towed: { ...duty.towed, ...towed } }],
      },
      anyMotor,
    );
    const carried = offered(tows, 'grip').filter(({ text }) =>
      text.includes('carried over the driven wheels'),
    );
    for (const move of carried) {
      const after = tried(tows, move);
      const added = after.masses.others.reduce((sum, { mass }) => sum + mass.value, 0);
      expect((after.duties[0]?.towed?.mass.value ?? NaN) + added).toBeCloseTo(120, 4);
      expect(move.costs).toContain('the vehicle carries it on every job');
    }
  });
});

describe('what a move costs is said', () => {
  it.each(demos)('of %s: a smaller payload or speed asks less, and says so', (_, build) => {
    for (const move of offered(build)) {
      const after = tried(build, move);
      if (after.masses.payload.mass.value < build.masses.payload.mass.value) {
        expect(move.asksLess).toBe(true);
        expect(move.costs).toMatch(/^asks less: carries/);
      }
      const slower = after.duties.some((d, n) => d.speed.value < (build.duties[n]?.speed.value ?? 0));
      if (slower) expect(move.costs).toMatch(/^asks less/);
      // A differential, a brake, a belt of more pull: each has its price.
      if (
        /differential|brake|tension|Larger wheels|as wide|A stage more|(chain|belt) instead of/i.test(
          move.text,
        )
      )
        expect(move.costs, move.text).not.toBe('no other margin');
    }
  });

  it('of a finding that is no margin: what ends it, or nothing', () => {
    for (const [, build] of demos) {
      const report = evaluate(build);
      const all = moves(build, report, { shelf });
      for (const finding of report.findings.filter(({ cures }) => cures.length > 0))
        for (const move of movesOfFinding(all, finding))
          expect(evaluate(tried(build, move)).findings.map(({ id }) => id)).not.toContain(finding.id);
    }
  });
});

describe('the shortlist', () => {
  it('puts what fails last, then by what is short, and names the worst link of the part’s own', () => {
    for (const [, build] of demos) {
      const judged = shortlist(build, motors);
      for (const heavy of [false, true]) {
        const fails = judged
          .filter((one) => one.heavy === heavy && !one.otherSort)
          .map(({ fails: n }) => n > 0);
        expect([...fails].sort()).toEqual(fails);
      }
      for (const { worst } of judged)
        if (worst) expect(['grip', 'tip-along', 'step']).not.toContain(worst.link);
    }
  });

  it('offers a robot of 1.2 kg no motor of a quarter of its mass before one that it can carry', () => {
    const robot = massOf(changeDrive(on('tug'), { stages: [] }), 1.2);
    const judged = shortlist(robot, motors);
    const firstHeavy = judged.findIndex(({ heavy }) => heavy);
    const lastLight = judged.map(({ heavy }) => heavy).lastIndexOf(false);
    if (judged[0]?.fails === 0) expect(judged[0].heavy).toBe(false);
    expect(judged.filter(({ heavy }) => heavy).length).toBeGreaterThan(0);
    // Among those that do it alike, the light ones come first.
    expect(firstHeavy).toBeGreaterThanOrEqual(0);
    expect(lastLight).toBeGreaterThanOrEqual(0);
  });

  it('judges a bare motor at its best ratio where no stage is laid, and as it is where one is', () => {
    const free = changeDrive(puffin, { stages: [], path: [] });
    // What turns as it is comes before what wants a stage first, as long as neither fails more.
    const listed = shortlist(free, motors);
    listed.slice(1).forEach((one, at) => {
      const before = listed[at];
      if (
        before &&
        before.fails === 0 &&
        one.fails === 0 &&
        before.short === one.short &&
        before.heavy === one.heavy
      )
        expect(Number(before.atRatio !== undefined)).toBeLessThanOrEqual(Number(one.atRatio !== undefined));
    });
    for (const { part, atRatio, worst } of shortlist(free, motors)) {
      const motor = motors.find(({ id }) => id === part.id);
      const moves = evaluate(choosePart(free, part)).duties.some(
        (d) => (d.ratioWindow?.best.margin ?? 0) > 0,
      );
      if (!motor?.gearhead && worst && moves) expect(atRatio).toBeGreaterThan(0);
      else expect(atRatio).toBeUndefined();
    }
    for (const { atRatio } of shortlist(puffin, motors)) expect(atRatio).toBeUndefined();
  });

  it('takes as many drivers as the motors have channels, and counts them all', () => {
    const drivers = shelf.filter(({ kind }) => kind === 'driver');
    const judged = shortlist(puffin, drivers);
    for (const { part, count } of judged)
      expect(count).toBe(Math.ceil(2 / (part.kind === 'driver' ? part.channels : 1)));
    const single = judged.find(({ count }) => count === 2);
    if (!single) throw new Error('the shelf has drivers of one channel');
    const taken = choosePart(puffin, single.part);
    expect(driverCountOf(taken)).toBe(2);
    expect(evaluate(taken).findings.map(({ code }) => code)).not.toContain('few-channels');
  });

  it('offers no servo that turns from stop to stop only', () => {
    const offered = shortlist(puffin, motors).map(({ part }) => part);
    expect(motors.some(({ type }) => type === 'servo')).toBe(true);
    expect(offered.some((part) => part.kind === 'motor' && part.type === 'servo')).toBe(false);
  });

  it('says how far a voltage is off that of the battery chosen, the same both ways', () => {
    for (const { part, voltsOff } of shortlist(puffin, motors)) {
      const volts = motors.find(({ id }) => id === part.id)?.voltageV ?? NaN;
      // Eight lithium-iron cells: 25.6 V; within 15 % voltages are alike.
      const off = Math.max(volts / 25.6, 25.6 / volts);
      expect(voltsOff).toBeCloseTo(off < 1.15 ? 1 : off, 9);
    }
  });

  it('chooses nothing by itself: the build stays as it is', () => {
    const before = JSON.stringify(puffin);
    shortlist(
      puffin,
      shelf.filter(({ kind }) => kind === 'battery'),
    );
    expect(JSON.stringify(puffin)).toBe(before);
  });
});
