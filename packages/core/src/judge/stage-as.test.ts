import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { freshStage, stageFigures, type Stage } from '../transmission/index.ts';
import { changeDrive, driveOf, type Build } from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';
import { closeness } from './margin.ts';
import { stageAs } from './stage-as.ts';

const puffin = (): Build => demoBuilds()['puffin'] as Build;
const first = (build: Build): Stage => driveOf(build).stages[0] as Stage;

describe('a stage by a kind', () => {
  it('of its own is the build as it is: ratio, play, pushing and the margins of that stage', () => {
    const build = puffin();
    const stage = first(build);
    const report = evaluate(build);
    const as = stageAs(build, stage.id, stage.kind);
    expect(as?.stage).toBe(stage);
    expect(as?.trainRatio).toBe(report.train.ratio);
    expect(as?.figures).toEqual(stageFigures(stage));
    expect(as?.playRad).toBe(report.train.play?.atWheelRad);
    expect(as?.playRad).toBeGreaterThan(0);
    expect(as?.pushN).toBe(report.train.moved?.engagedN);
    const own = report.links.filter(({ stageId }) => stageId === stage.id);
    expect(as?.onDuty).toEqual(
      own
        .filter(({ dutyId, link }) => dutyId !== null && link !== 'stage-brake')
        .sort((a, b) => closeness(a) - closeness(b))[0],
    );
    expect(as?.atStall).toEqual(own.find(({ link }) => link === 'stage-stall'));
    for (const link of ['torque', 'energy'] as const)
      expect(as?.[link]).toEqual(report.governing.find((one) => one.link === link));
  });

  it('stands in the place of that stage alone, near its ratio', () => {
    const build = changeDrive(puffin(), {
      stages: [...driveOf(puffin()).stages, freshStage('spur', 'behind', 2)],
    });
    const stage = first(build);
    const belt = stageAs(build, stage.id, 'timing-belt');
    expect(belt?.stage).toMatchObject({ kind: 'timing-belt', id: stage.id });
    const { ratio } = stageFigures(stage);
    expect(belt?.figures.ratio).toBeGreaterThan(ratio * 0.9);
    expect(belt?.figures.ratio).toBeLessThan(ratio * 1.1);
    // What stands behind it gears down as before, whichever stands in front.
    const behind = evaluate(build).train.ratio / ratio;
    expect((belt?.trainRatio ?? 0) / (belt?.figures.ratio ?? 1)).toBeCloseTo(behind, 9);
    expect(stageAs(build, 'nobody', 'chain')).toBeUndefined();
  });

  it('is not blamed for the mount that twists under it', () => {
    const build = changeDrive(puffin(), { mount: { lever: typed(0.5, 'mm'), twist: typed(0.2, '°') } });
    const stage = first(build);
    const twists = evaluate(build).links.filter(({ link }) => link === 'mount-twist');
    const as = stageAs(build, stage.id, stage.kind);
    expect(Math.min(...twists.map(closeness))).toBeLessThan(closeness(as?.onDuty ?? (twists[0] as never)));
    expect(as?.onDuty?.link).not.toBe('mount-twist');
  });
});
