/** What is said of wheels that slip, against what weight then does. */
import { describe, expect, it } from 'vitest';
import { evaluate } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { shelfPart } from '../testing/on-the-shelf.ts';
import {
  degrees,
  firstDuty,
  rearDriven,
  saidOf,
  textsOf,
  withDuty,
  withGround,
} from '../testing/vehicles.ts';
import { choosePart, contactsOf, type Build, type ChosenPart, type Part } from '../vehicle/index.ts';

const isChosen = (part: Part): part is ChosenPart => ['motor', 'driver', 'battery'].includes(part.kind);

const onSlope = (build: Build, deg: number): Build => withDuty(build, { grade: degrees(deg) });

const gripLink = (build: Build) => {
  const grip = evaluate(build).links.find(({ link }) => link === 'grip');
  if (!grip) throw new Error('grip is asked');
  return grip;
};
/** How many times the grip that is asked it has; and what it lacks of it, N. */
const gripOf = (build: Build): number => gripLink(build).ratio;
const missingOf = (build: Build): number => gripLink(build).needs - gripLink(build).has;

/** The same with ten kilograms more over the middle of what is driven, on the ground. */
function heavier(build: Build): Build {
  const { others, own } = build.masses;
  const driven = contactsOf(build.layout).filter((contact) => contact.driven);
  const ahead = driven.reduce((sum, { aheadM }) => sum + aheadM, 0) / driven.length;
  const kg = { mass: typed(10, 'kg'), aheadOfRearAxle: typed(ahead, 'm'), left: typed(0, 'm') };
  const more = { ...own, ...kg, height: typed(0, 'm'), id: 'more', name: 'More', kind: 'ballast' as const };
  return { ...build, masses: { ...build.masses, others: [...others, more] } };
}

describe('what mends wheels that slip', () => {
  it('is weight on them, where what it grips is more than what it asks', () => {
    const cart = onSlope(rearDriven({ friction: 0.4, rolling: 0.02 }), 20);
    expect(gripOf(cart)).toBeLessThan(1);
    expect(textsOf(cart)).toContain('Put weight on them.');
    expect(gripOf(heavier(cart))).toBeGreaterThan(gripOf(cart));
  });

  // μ cos α < sin α + f cos α: whatever weighs more slips as well.
  it('is no weight on a slope that all wheels together do not hold', () => {
    const cart = onSlope(rearDriven({ layout: 'all-drive', friction: 0.17, rolling: 0.04 }), 8);
    expect(gripOf(cart)).toBeLessThan(1);
    expect(textsOf(cart)).toContain(
      'More weight would ask as much more of them: it takes tyres that grip better, or a gentler slope.',
    );
    expect(gripOf(heavier(cart))).toBeLessThanOrEqual(gripOf(cart) + 1e-9);
  });

  // μ cos α against sin α + f cos α, of each kilogram over the driven wheels: 0.1 against 0.07 and 0.18.
  it.each([
    { deg: 3, rolling: 0.02, ballast: true },
    { deg: 8, rolling: 0.04, ballast: false },
  ])('is ballast over a driven axle on $deg°: $ballast', ({ deg, rolling, ballast }) => {
    const cart = onSlope(rearDriven({ friction: 0.1, rolling }), deg);
    expect(textsOf(cart)).toContain(
      `Move the load towards the driven ones${ballast ? ', put ballast over them' : ''}, or drive more wheels.`,
    );
    expect(missingOf(heavier(cart)) < missingOf(cart)).toBe(ballast);
  });

  // What its own sinking asks of a kilogram, by the slope of Rc over the load, is less on firm loam, more on loose sand.
  it.each([
    { kphiKnPerM: 20_000, weight: true },
    { kphiKnPerM: 300, weight: false },
  ])('is weight on soft ground of $kphiKnPerM kN/m³: $weight', ({ kphiKnPerM, weight }) => {
    const soil = { name: 'soil', kcKnPerM: 1, kphiKnPerM, exponent: 1.1, cohesionKPa: 1, shearAngleDeg: 28 };
    const cart = onSlope(withGround(rearDriven({ friction: 0.36, rolling: 0.02 }), { soil }), 8);
    expect(gripOf(cart)).toBeLessThan(1);
    expect(textsOf(cart)).toContain(
      weight
        ? 'Put weight on them, or fit wider or larger wheels.'
        : 'More weight would sink deeper and ask as much more of them: it takes wider or larger wheels, or more wheels driven, or a gentler slope.',
    );
    expect(missingOf(heavier(cart)) < missingOf(cart)).toBe(weight);
  });

  it('says what is needed and what there is in digits that tell them apart', () => {
    // μ cos α is a thousandth less than sin α + f cos α, where every wheel is driven.
    const rolling = 0.02;
    const friction = (Math.tan((8 * Math.PI) / 180) + rolling) * 0.999;
    const cart = onSlope(rearDriven({ layout: 'all-drive', friction, rolling }), 8);
    const [, needs, has] = /need (\S+) N, grip gives (\S+) N/.exec(textsOf(cart)) ?? [];
    expect(Number(has) / Number(needs)).toBeCloseTo(0.999, 3);
    expect(has).not.toBe(needs);
  });

  it('may be more wheels that are driven, where some are not', () => {
    const cart = onSlope(rearDriven({ friction: 0.1, rolling: 0.04 }), 8);
    expect(textsOf(cart)).toContain('tyres that grip better, or more wheels driven, or a gentler slope.');
    expect(
      gripOf(onSlope(rearDriven({ layout: 'all-drive', friction: 0.1, rolling: 0.04 }), 8)),
    ).toBeGreaterThan(gripOf(cart));
  });
});

/** What is told to follow from something else. */
const followsOf = (build: Build): string[] => saidOf(build).flatMap(({ within = [] }) => within);

describe('what does not get moving', () => {
  const powered = (friction: number, deg: number): Build =>
    ['motor-24v-500w-9', 'driver-2x60', 'battery-8s-20'].reduce(
      (build, id) => {
        const part = shelfPart(id);
        return isChosen(part) ? choosePart(build, part) : build;
      },
      onSlope(rearDriven({ friction, rolling: 0.04 }), deg),
    );

  it('is told to slip where its wheels do, and not to lack what its motors have', () => {
    const slips = powered(0.1, 8);
    expect(gripOf(slips)).toBeLessThan(1);
    expect(followsOf(slips)).toContain(
      `It does not get moving on “${firstDuty(slips).name}”: the driven wheels slip first.`,
    );
    const quick = powered(0.9, 2);
    expect(textsOf(quick) + followsOf(quick).join()).not.toContain('does not get moving');
  });
});
