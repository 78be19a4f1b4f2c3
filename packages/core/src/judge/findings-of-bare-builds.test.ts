import { describe, expect, it } from 'vitest';
import { demoBuilds } from '../testing/demo-builds.ts';
import { degrees, on, withDuty } from '../testing/vehicles.ts';
import { typed } from '../quantity/index.ts';
import { choosePart, LAYOUT_TEMPLATES, newBuild, type Build } from '../vehicle/index.ts';
import { misfits, shelfPart, withParts } from '../testing/on-the-shelf.ts';
import { evaluate } from './evaluate.ts';
import { SEVERITIES } from './finding.ts';

/** Builds in every state of being begun: without jobs, parts, a battery, a drive's stages, and as the club has them. */
function halfDone(): Build[] {
  const whole = Object.values(demoBuilds());
  return [
    ...whole,
    ...LAYOUT_TEMPLATES.map(({ id }) => on(id)),
    ...[...whole, newBuild('Gull')].flatMap((build): Build[] => [
      { ...build, duties: [] },
      { ...build, parts: [] },
      { ...build, parts: build.parts.filter(({ kind }) => kind !== 'battery') },
      { ...build, parts: build.parts.filter(({ kind }) => kind !== 'driver') },
      { ...build, brake: { ...build.brake, kind: 'none' } },
      { ...build, people: 'riding' },
    ]),
  ];
}

describe('what is found of a build, however far it has come', () => {
  it('is a finding each, by its own name and as grave as one can be', () => {
    for (const build of halfDone()) {
      const { findings } = evaluate(build);
      for (const { code, severity, id } of findings) {
        expect(code, build.name).toMatch(/^[a-z]+(-[a-z\d]+)*$/);
        expect(SEVERITIES).toContain(severity);
        expect(id).not.toBe('');
      }
      expect(new Set(findings.map(({ id }) => id)).size, build.name).toBe(findings.length);
    }
  });

  it('is that it has no job where it has none, with parts and without', () => {
    const codes = (build: Build) => evaluate(build).findings.map(({ code }) => code);
    for (const build of [newBuild('Gull'), demoBuilds()['puffin'] as Build]) {
      expect(codes(build)).not.toContain('no-duty');
      expect(codes({ ...build, duties: [] })).toContain('no-duty');
    }
  });

  it('is that a motor is missing, said at its torque, until one is chosen', () => {
    const found = (build: Build) => evaluate(build).findings.find(({ code }) => code === 'no-motor');
    expect(found(newBuild('Gull'))).toMatchObject({ link: 'torque', severity: 'short' });
    expect(found(demoBuilds()['puffin'] as Build)).toBeUndefined();
  });

  it('is no other margin than one that is not ample', () => {
    for (const build of Object.values(demoBuilds())) {
      const { findings, governing } = evaluate(build);
      const named = findings.filter(({ code }) => code === 'margin');
      const verdicts = named.map(({ link }) => governing.find((one) => one.link === link)?.verdict);
      expect(verdicts, build.name).not.toContain('ample');
      expect(named.length).toBeLessThanOrEqual(governing.filter(({ verdict }) => verdict !== 'ample').length);
    }
  });

  it('is nothing about ports of a controller whose ports nobody said', () => {
    const build = choosePart(
      demoBuilds()['puffin'] as Build,
      shelfPart('driver-2x32', { signal: 'direction and PWM', logicV: undefined }),
    );
    const board = (ports: number | undefined) =>
      shelfPart('controller-small', { ports, signal: 'direction and PWM', logicV: undefined });
    const asked = (ports: number | undefined) =>
      misfits(withParts(build, [board(ports), 1])).includes('ports');
    expect([asked(1), asked(undefined)]).toEqual([true, false]);
  });

  it('is three wheels on a side slope alone', () => {
    const three = on('three-wheels');
    const codes = (build: Build) => evaluate(build).findings.map(({ code }) => code);
    expect(codes(withDuty(three, { sideSlope: degrees(5), speed: typed(0.5, 'm/s') }))).toContain(
      'three-wheels',
    );
    expect(codes(three)).not.toContain('three-wheels');
  });
});
