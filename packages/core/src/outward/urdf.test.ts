import { JSDOM } from 'jsdom';
import URDFLoader, { type URDFJoint, type URDFLink, type URDFRobot } from 'urdf-loader';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drivelineOf, greatestPull } from '../drive/index.ts';
import { centreOfGravity, inertiaOf } from '../layout/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { randomBuild } from '../testing/random-build.ts';
import { contactsOf, type Build } from '../vehicle/index.ts';
import { bodiesOf } from './solid-links.ts';
import { urdfOf } from './urdf.ts';

const window = new JSDOM('').window;
globalThis.DOMParser = window.DOMParser;
globalThis.Document = window.Document;
globalThis.Element = window.Element;

/** The file as a reader of others sees it (urdf-loader, from the registry): what it cannot follow it throws at. */
function read(build: Build): URDFRobot {
  const loader = new URDFLoader();
  loader.parseVisual = true;
  return loader.parse(urdfOf(build));
}
const xmlOf = (build: Build): Document =>
  new window.DOMParser().parseFromString(urdfOf(build), 'application/xml');
const numbers = (text: string | null | undefined): number[] => (text ?? '').split(' ').map(Number);

/** Mass, middle and inertia of all links where the joints put them, by the parallel-axis theorem. */
function wholeOf(build: Build) {
  const robot = read(build);
  robot.updateMatrixWorld(true);
  const document = xmlOf(build);
  const lumps = [...document.querySelectorAll('link')].flatMap((link) => {
    const kg = Number(link.querySelector('inertial > mass')?.getAttribute('value') ?? 0);
    if (kg === 0) return [];
    const at = numbers(link.querySelector('inertial > origin')?.getAttribute('xyz'));
    const { x, y, z } = (robot.links[link.getAttribute('name') ?? ''] as URDFLink).localToWorld(
      robot.position.clone().set(at[0] ?? 0, at[1] ?? 0, at[2] ?? 0),
    );
    const inertia = link.querySelector('inertia');
    const own = ['ixx', 'iyy', 'izz'].map((key) => Number(inertia?.getAttribute(key)));
    return [{ kg, at: [x, y, z] as const, own }];
  });
  const massKg = lumps.reduce((sum, { kg }) => sum + kg, 0);
  const middle = [0, 1, 2].map((n) => lumps.reduce((sum, { kg, at }) => sum + kg * (at[n] ?? 0), 0) / massKg);
  const inertia = [0, 1, 2].map((n) =>
    lumps.reduce(
      (sum, { kg, at, own }) =>
        sum +
        (own[n] ?? 0) +
        kg * [0, 1, 2].reduce((far, m) => far + (m === n ? 0 : ((at[m] ?? 0) - (middle[m] ?? 0)) ** 2), 0),
      0,
    ),
  );
  return { massKg, middle, inertia, lumps };
}

const builds = Object.entries(demoBuilds());

describe('the vehicle for simulators of others', () => {
  it.each(builds)('%s is read by a reader of others, each link hung once on the base', (_, build) => {
    const document = xmlOf(build);
    expect(document.querySelector('parsererror')).toBeNull();
    const links = [...document.querySelectorAll('link')].map((link) => link.getAttribute('name'));
    const joints = [...document.querySelectorAll('joint')];
    expect(new Set(links).size).toBe(links.length);
    expect(new Set(joints.map((joint) => joint.getAttribute('name'))).size).toBe(joints.length);
    const children = joints.map((joint) => joint.querySelector('child')?.getAttribute('link'));
    expect([...children].sort()).toEqual(links.filter((name) => name !== 'base_link').sort());
    expect(
      joints.every((joint) => links.includes(joint.querySelector('parent')?.getAttribute('link') ?? '')),
    ).toBe(true);
    const robot = read(build);
    expect(Object.keys(robot.links).sort()).toEqual([...links].sort());
    expect(Object.keys(robot.joints)).toHaveLength(joints.length);
  });

  it.each(builds)('%s weighs, balances and turns as the build does', (_, build) => {
    const { massKg, middle, inertia, lumps } = wholeOf(build);
    const centre = centreOfGravity(build);
    expect(massKg / centre.massKg).toBeCloseTo(1, 5);
    [centre.aheadM, centre.leftM, centre.heightM].forEach((at, n) => expect(middle[n]).toBeCloseTo(at, 4));
    const { rollKgM2, pitchKgM2, yawKgM2 } = inertiaOf(build);
    if (!bodiesOf(build).clipped)
      [rollKgM2, pitchKgM2, yawKgM2].forEach((own, n) => expect((inertia[n] ?? NaN) / own).toBeCloseTo(1, 4));
    for (const { own } of lumps) {
      expect(own.every((moment) => moment > 0)).toBe(true);
      // Of any body there is, no moment is more than the other two together (mechanics).
      const [x = 0, y = 0, z = 0] = own;
      expect(Math.max(x - y - z, y - x - z, z - x - y)).toBeLessThan(1e-6 * Math.max(...own));
    }
  });

  it('stands on its wheels where the build does, and rolls ahead where they turn ahead', () => {
    const build = demoBuilds()['puffin'] as Build;
    const robot = read(build);
    robot.updateMatrixWorld(true);
    const driven = contactsOf(build.layout).filter((contact) => contact.driven);
    expect(driven).toHaveLength(2);
    for (const { aheadM, leftM, axle, side } of driven) {
      const name = `${axle.id.replaceAll('-', '_')}_${side}`;
      const { x, y, z } = (robot.links[name] as URDFLink).getWorldPosition(robot.position.clone());
      expect([x, y, z]).toEqual([aheadM, leftM, axle.diameter.value / 2].map((at) => expect.closeTo(at, 6)));
      const { axis, jointType } = robot.joints[`${name}_turns`] as URDFJoint;
      // About the axis to the left a positive turn takes the top of a wheel ahead (right-hand rule).
      expect([jointType, axis.x, axis.y, axis.z]).toEqual(['continuous', 0, 1, 0]);
    }
  });

  it('limits driven joints by what the drive gives: together they push with its greatest pull', () => {
    const build = demoBuilds()['puffin'] as Build;
    const line = drivelineOf(build);
    if (!line) throw new Error('no drive');
    const joints = [...xmlOf(build).querySelectorAll('joint')].filter((joint) =>
      joint.querySelector('limit'),
    );
    const push = joints.reduce(
      (sum, joint) => sum + Number(joint.querySelector('limit')?.getAttribute('effort')) / line.wheelRadiusM,
      0,
    );
    expect(joints).toHaveLength(2);
    expect(push / greatestPull(line, 0)).toBeCloseTo(1, 5);
  });

  it('steers wheels to their lock, swings castors behind their pivot, and turns a track as one', () => {
    const { moth, sanderling, pip } = demoBuilds() as Record<string, Build>;
    const steered = [...xmlOf(moth as Build).querySelectorAll('joint[type="revolute"] > limit')];
    expect(steered).toHaveLength(2);
    for (const limit of steered)
      expect(Number(limit.getAttribute('upper'))).toBe(-Number(limit.getAttribute('lower')));
    const track = [...xmlOf(sanderling as Build).querySelectorAll('mimic')];
    expect(new Set(track.map((mimic) => mimic.getAttribute('joint'))).size).toBe(2);
    const text = urdfOf(pip as Build);
    expect(/_fork|_fixed/.test(text)).toBe(true);
  });

  it('is made of any build, and never of a number that is none', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const build = randomBuild(seed);
        fc.pre(build !== undefined);
        const text = urdfOf(build as Build);
        expect(text).not.toMatch(/NaN|Infinity|undefined/);
        const parsed = new window.DOMParser().parseFromString(text, 'application/xml');
        expect(parsed.querySelector('parsererror')).toBeNull();
      }),
      { numRuns: 60 },
    );
  });
});
