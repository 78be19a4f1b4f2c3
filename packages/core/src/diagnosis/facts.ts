import { evaluate } from '../judge/index.ts';
import { contactsOf, type Build } from '../vehicle/index.ts';
import type { Facts } from './symptom.ts';

const THIRD_LEGS: ReadonlySet<string> = new Set(['castor', 'omni', 'slider']);

/**
 * What a build says of its symptoms before anything is tried: the worst margin of each link over its rule, and what it has.
 *
 * @example factsOf(puffin).thirdLeg // true
 */
export function factsOf(build: Build): Facts {
  const { governing } = evaluate(build);
  const control = build.driving?.control;
  return {
    margins: Object.fromEntries(governing.map(({ link, ratio, rule }) => [link, ratio / rule])),
    loop: control?.sync !== undefined || control?.heading !== undefined,
    thirdLeg: contactsOf(build.layout).some(({ axle, driven }) => !driven && THIRD_LEGS.has(axle.form)),
  };
}
