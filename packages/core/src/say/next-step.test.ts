import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { assemblyOutlook, markStep } from '../assembly/index.ts';
import { evaluate } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { changeDrive, newBuild, readBuild, type Build } from '../vehicle/index.ts';
import { nextStep } from './next-step.ts';

const read = readBuild(JSON.parse(readFileSync('data/builds/puffin.zubric.json', 'utf8')));
if (!read.ok) throw new Error('the demo build cannot be read');
const puffin = read.build;
const TODAY = '2027-03-14';
const next = (build: Build) => nextStep(build, evaluate(build), TODAY);

describe('what is next to do', () => {
  it('is to say what it must do, then to choose what is not chosen, motor before driver before battery', () => {
    expect(next({ ...newBuild('Gull'), duties: [] })).toEqual({
      text: 'Say what it must do',
      station: 'brief',
    });
    expect(next(newBuild('Gull'))).toEqual({ text: 'Choose a motor', station: 'power' });
    expect(next(changeDrive(puffin, { driverId: null })).text).toBe('Choose a driver');
    expect(next({ ...puffin, supply: { ...puffin.supply, packs: [] } }).text).toBe('Choose a battery');
  });

  it('is then to mend what stops it, at the station that can', () => {
    const { payload } = puffin.masses;
    const heavy = {
      ...puffin,
      masses: { ...puffin.masses, payload: { ...payload, mass: typed(400, 'kg') } },
    };
    const { text, station } = next(heavy);
    expect(text).toMatch(/^Mend: /);
    expect(['ground', 'drivetrain', 'power']).toContain(station);
  });

  it('is then the first step that can be done, and to try it once all are', () => {
    expect(next(puffin).station).toBe('assembly');
    const done = assemblyOutlook(puffin, TODAY).steps.reduce(
      (build, { id }) => markStep(build, id, { doneOn: TODAY }),
      puffin,
    );
    expect(next(done)).toEqual({ text: 'Try it: straight runs first', station: 'trials' });
  });
});
