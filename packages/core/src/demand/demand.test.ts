import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { readBuild, type Build, type Duty } from '../vehicle/index.ts';
import { firstDuty, on, twoAxles, withDuty } from '../testing/vehicles.ts';
import {
  accelerationOf,
  askedOf,
  demandOf,
  extentOf,
  gripLimit,
  roughAnswer,
  speedUpInput,
  turnSweep,
} from './index.ts';

function demo(name: string): Build {
  const read = readBuild(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
  if (!read.ok) throw new Error(`the demo build ${name} cannot be read`);
  return read.build;
}
const puffin = demo('puffin');
const jobOf = (build: Build): Duty => {
  const [duty] = build.duties;
  if (!duty) throw new Error('it has a job');
  return duty;
};

describe('getting up to speed', () => {
  const at = (upToSpeed?: Duty['upToSpeed']): Duty => {
    const { upToSpeed: _none, ...duty } = jobOf(puffin);
    return {
      ...duty,
      speed: typed(2, 'm/s'),
      acceleration: typed(0.3, 'm/s²'),
      ...(upToSpeed ? { upToSpeed } : {}),
    };
  };

  it('takes v²/2s where a way is stated, v/t where a time is, and what is stated itself otherwise', () => {
    expect(accelerationOf(at({ kind: 'distance', distance: typed(4, 'm') }))).toBeCloseTo(
      2 ** 2 / (2 * 4),
      12,
    );
    expect(accelerationOf(at({ kind: 'time', time: typed(4, 's') }))).toBeCloseTo(2 / 4, 12);
    expect(accelerationOf(at())).toBe(0.3);
    expect(speedUpInput(at())).toEqual({ speedMps: 2 });
  });
});

describe('the first rough answer', () => {
  const answer = roughAnswer(puffin);
  if (!answer) throw new Error('Puffin drives');
  const drives = puffin.duties.filter(({ task }) => task === 'drive');
  const forceOf = (duty: Duty): number => demandOf(puffin, duty).resistance.totalN;

  it('is of the duty that pulls the hardest and the one that takes the most power', () => {
    for (const duty of drives) {
      expect(answer.forceN).toBeGreaterThanOrEqual(forceOf(duty));
      expect(answer.groundW).toBeGreaterThanOrEqual(forceOf(duty) * duty.speed.value);
    }
    expect(answer.forceN).toBe(forceOf(answer.pullsHardest));
    expect(answer.groundW).toBe(forceOf(answer.takesMost) * answer.takesMost.speed.value);
  });

  it('has the same power at the wheels as along the ground', () => {
    const wheelW = answer.wheelTorqueNm * answer.drivelines * (answer.wheelRpm / 60) * 2 * Math.PI;
    expect(wheelW).toBeCloseTo(answer.forceN * answer.pullsHardest.speed.value, 6);
  });

  it('asks more of the battery than comes to the ground, and twice as much for twice the way', () => {
    const groundJ = drives.reduce((sum, duty) => sum + forceOf(duty) * extentOf(duty).distanceM, 0);
    expect(answer.batteryWh * 3600).toBeGreaterThan(groundJ);
    const twice = roughAnswer({
      ...puffin,
      duties: puffin.duties.map((d) => ({ ...d, duration: { ...d.duration, value: 2 * d.duration.value } })),
    });
    expect((twice?.batteryWh ?? 0) / answer.batteryWh).toBeCloseTo(2, 9);
  });

  it('is none where nothing drives or nothing is asked', () => {
    expect(roughAnswer({ ...puffin, duties: [] })).toBeUndefined();
    expect(
      roughAnswer({ ...puffin, duties: drives.map((d) => ({ ...d, task: 'hold' as const })) }),
    ).toBeUndefined();
  });
});

describe('scrub against length and width', () => {
  const onTheSpot = (build: Build): Build => withDuty(build, { turn: { kind: 'on-the-spot' } });
  const sweepOf = (build: Build) => {
    const duty = firstDuty(build);
    return turnSweep(build, duty, askedOf(build, duty, undefined).asked, 12);
  };

  it.each(['four-skid', 'tracked'])(
    '%s: longer drags more, wider less, and at its own size it is what it is',
    (layout) => {
      const sweep = sweepOf(onTheSpot(on(layout)));
      if (!sweep) throw new Error('it scrubs');
      expect(sweep.points).toHaveLength(12);
      expect([sweep.points[0]?.share, sweep.points.at(-1)?.share]).toEqual([0.5, expect.closeTo(1.6, 12)]);
      for (const [n, point] of sweep.points.entries()) {
        const next = sweep.points[n + 1];
        if (!next) continue;
        expect(next.longerN).toBeGreaterThan(point.longerN);
        expect(next.widerN).toBeLessThan(point.widerN);
        // Both lines cross where nothing is changed.
        if (point.share <= 1 && next.share >= 1) {
          expect(sweep.nowN).toBeGreaterThanOrEqual(Math.min(point.longerN, next.widerN));
          expect(sweep.nowN).toBeLessThanOrEqual(Math.max(next.longerN, point.widerN));
        }
      }
      expect(sweep.lengthOverWidth).toBeGreaterThan(0);
      expect(sweep.gripN).toBeGreaterThan(0);
    },
  );

  it('is nothing where no wheel is dragged sideways, or nothing turns', () => {
    expect(sweepOf(onTheSpot(puffin))).toBeUndefined();
    expect(sweepOf(on('tracked'))).toBeUndefined();
  });
});

describe('the steepest grade', () => {
  const vehicle = (friction: number, height: number) =>
    twoAxles({ layout: 'rear-drive', wheelbaseM: 1, ahead: 0.4, height, friction });

  it('is where the wheels slip, as the closed form for two axles has it', () => {
    const build = vehicle(0.5, 0.3);
    const { limitRad, limitedBy } = gripLimit(build, firstDuty(build));
    expect(limitedBy).toBe('grip');
    // Rear drive: tan θ = μ (1 − a/L)/(1 − μ h/L) (J. Y. Wong, Theory of Ground Vehicles, ch. 3).
    expect(Math.tan(limitRad)).toBeCloseTo((0.5 * (1 - 0.4)) / (1 - 0.5 * 0.3), 4);
  });

  it('is where the front lifts, b/h, where the wheels hold longer', () => {
    const build = vehicle(5, 0.8);
    const { limitRad, limitedBy } = gripLimit(build, firstDuty(build));
    expect(limitedBy).toBe('tipping');
    expect(Math.tan(limitRad)).toBeCloseTo(0.4 / 0.8, 3);
  });
});
