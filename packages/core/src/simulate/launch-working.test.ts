import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../judge/index.ts';
import { readBuild, changeDrive } from '../vehicle/index.ts';
import { launchOfBuild, launchWorking, runLaunch } from './index.ts';

const read = readBuild(
  JSON.parse(
    readFileSync(
      new URL('../../../../packages/core/src/testing/puffin.zubric.json', import.meta.url),
      'utf8',
    ),
  ),
);
if (!read.ok) throw new Error('the demo build does not read');
const { build } = read;
const report = evaluate(build);

describe('the working of a launch', () => {
  it.each(build.duties.map((duty, at) => [duty.name, duty, report.duties[at]] as const))(
    'says what the Test track shows, on “%s”',
    (_name, duty, dutyReport) => {
      if (!dutyReport) throw new Error('each job has a report');
      const launch = launchOfBuild(build, duty, dutyReport, 4);
      if (!launch) throw new Error('the demo build has a motor');
      const shown = runLaunch(launch);
      for (const key of ['finalMps', 'distanceM', 'peakA', 'timeTo90S'] as const) {
        const working = launchWorking(build, duty, dutyReport, { durationS: 4, key });
        const opened = Number(working?.found[key]);
        expect(Math.abs(opened / Number(shown[key]) - 1), key).toBeLessThan(1e-9);
      }
    },
  );

  it('names where every number that was given came from', () => {
    const [duty] = build.duties;
    const [dutyReport] = report.duties;
    if (!duty || !dutyReport) throw new Error('the demo build has jobs');
    const working = launchWorking(build, duty, dutyReport, { durationS: 4, key: 'finalMps' });
    const named = working?.inputs.map(({ key }) => key).sort();
    expect(named).toEqual(Object.keys(working?.given ?? {}).sort());
    expect(working?.inputs.find(({ key }) => key === 'massKg')?.working?.calculator).toBe('loaded-mass');
  });

  it('says of the pull at the hitch that it presses soft ground down, and only there', () => {
    const beach = readBuild(JSON.parse(readFileSync('data/builds/sanderling.zubric.json', 'utf8')));
    if (!beach.ok) throw new Error('the demo build does not read');
    const whence = (duty: (typeof build.duties)[number], of: typeof build): string | undefined => {
      const at = of.duties.indexOf(duty);
      const dutyReport = evaluate(of).duties[at];
      if (!dutyReport) throw new Error('each job has a report');
      const working = launchWorking(of, duty, dutyReport, { durationS: 4, key: 'finalMps' });
      return working?.inputs.find(({ key }) => key === 'drawbarN')?.where;
    };
    const soft = beach.build.duties.filter((duty) =>
      beach.build.grounds.some(({ id, soil }) => id === duty.groundId && soil),
    );
    expect(soft.length).toBeGreaterThan(0);
    for (const duty of soft)
      if (!duty.turn) expect(whence(duty, beach.build)).toMatch(/pressing soft ground down/);
    for (const duty of build.duties) expect(whence(duty, build)).not.toMatch(/soft ground/);
  });

  it('has none before a motor is chosen', () => {
    const bare = changeDrive(build, { motorId: null });
    const [duty] = bare.duties;
    const [dutyReport] = evaluate(bare).duties;
    if (!duty || !dutyReport) throw new Error('the demo build has jobs');
    expect(launchWorking(bare, duty, dutyReport, { durationS: 4, key: 'finalMps' })).toBeUndefined();
  });
});
