import { STANDARD_GRAVITY } from '../quantity/index.ts';
import { remembered } from '../contract/index.ts';
import { meanRolling } from '../ground/index.ts';
import {
  figuresOf,
  turningOf,
  type Build,
  type Duty,
  type Ground,
  type GroundFigures,
  type Layout,
} from '../vehicle/index.ts';
import { groundOf } from './footing.ts';
import type { ContactLoad, Footing } from './report.ts';

/** What a contact carries, and of which axle it is. */
export type Carried = Pick<ContactLoad, 'axleId' | 'loadN'>;

/** Σ of something over the contacts. */
const summed = <C extends Carried>(contacts: readonly C[], of: (contact: C) => number): number =>
  contacts.reduce((sum, c) => sum + of(c), 0);

const loadOn = (c: Carried): number => Math.max(0, c.loadN);

/** Figures of a ground under each axle of a layout, by the axle's id. */
const figuresUnder = remembered((layout: Layout) =>
  remembered((ground: Ground) => new Map(layout.axles.map((axle) => [axle.id, figuresOf(ground, axle)]))),
);

/** What the wheels of a duty drag: Σ f N over some of its contacts, N. */
export function rollingForce(build: Build, duty: Duty, contacts: readonly Carried[]): number {
  const figures = figuresUnder(build.layout)(groundOf(build, duty));
  return summed(contacts, (c) => loadOn(c) * (figures.get(c.axleId)?.rolling.value ?? 0));
}

/**
 * A figure of the ground over some contacts, each by its load; plainly the mean where they carry nothing.
 *
 * @example meanFigure(puffin, duty, footing.contacts, 'friction') // 0.55
 */
export function meanFigure(
  build: Build,
  duty: Duty,
  contacts: readonly Carried[],
  key: keyof GroundFigures,
): number {
  const ground = groundOf(build, duty);
  const figures = figuresUnder(build.layout)(ground);
  const figure = (c: Carried): number => figures.get(c.axleId)?.[key].value ?? 0;
  const [first] = contacts;
  if (!first) return ground[key].value;
  // One figure for all is that figure, to the last digit.
  if (contacts.every((c) => figure(c) === figure(first))) return figure(first);
  const loadN = summed(contacts, loadOn);
  return loadN > 0
    ? summed(contacts, (c) => figure(c) * loadOn(c)) / loadN
    : summed(contacts, figure) / contacts.length;
}

/** Whether a duty turns on its driven wheels alone, its castors or sliders dragged round: their drag is in its moment. */
const swings = (build: Build, duty: Duty): boolean =>
  duty.turn?.kind === 'on-the-spot' && turningOf(build.layout) === 'pivot';

/**
 * What driven and free contacts drag, as the calculator takes it.
 *
 * @example meanRollingInput(puffin, duty, footing).weightN // 1724
 */
export const meanRollingInput = (build: Build, duty: Duty, footing: Footing) => {
  const driven = footing.contacts.filter((c) => c.driven);
  const free = swings(build, duty) ? [] : footing.contacts.filter((c) => !c.driven);
  return {
    drivenLoadN: summed(driven, loadOn),
    rollingCoefficient: meanFigure(build, duty, driven, 'rolling'),
    freeLoadN: summed(free, loadOn),
    freeCoefficient: meanFigure(build, duty, free, 'rolling'),
    weightN: footing.massKg * STANDARD_GRAVITY * Math.cos(duty.grade.value),
  };
};

/**
 * Rolling of all its wheels, by their true loads, over its weight square to the grade.
 *
 * @example rollingOf(puffin, duty, footing) // 0.08
 */
export const rollingOf = (build: Build, duty: Duty, footing: Footing): number =>
  meanRolling.run(meanRollingInput(build, duty, footing)).meanCoefficient;
