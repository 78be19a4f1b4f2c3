import { STANDARD_GRAVITY } from '../quantity/index.ts';
import { slideAcross } from '../ground/index.ts';
import { taskOf, contactsOf, figuresOf, layoutKind, type Build, type Duty } from '../vehicle/index.ts';
import { askedOfGrip, type Demand } from './demand.ts';
import { cornerOf, groundOf } from './footing.ts';

/** Castors and omni wheels roll away sideways, and what slides already holds nothing across. */
const HOLDS_NOTHING: readonly string[] = ['castor', 'omni', 'slider'];

/**
 * What the calculator of sliding sideways takes; undefined where nothing pulls it sideways, or rails hold it.
 *
 * @example slideInput(puffin, { ...duty, sideSlope: typed(0.1, '°') }, demandOf(puffin, duty))?.sideN // 174.3
 */
export function slideInput(
  build: Build,
  duty: Duty,
  { footing, resistance }: Pick<Demand, 'footing' | 'resistance'>,
) {
  const kind = build.layout.kind;
  const { onRails, pullsByRope, rollsInside } = layoutKind(kind);
  if (onRails || pullsByRope || rollsInside) return undefined;
  if (duty.sideSlope === undefined && duty.turn?.kind !== 'radius') return undefined;
  const ground = groundOf(build, duty);
  const axles = contactsOf(build.layout).map(({ axle }) => axle);
  const held = !taskOf(duty).drives;
  const corner = !taskOf(duty).moves ? 0 : cornerOf(duty);
  return {
    contacts: footing.contacts.map((c, at) => {
      const axle = axles[at];
      const figures = axle && figuresOf(ground, axle);
      return {
        loadN: Math.max(0, c.loadN),
        along: figures?.friction.value ?? 0,
        across: axle && !HOLDS_NOTHING.includes(axle.form) ? (figures?.across.value ?? 0) : 0,
        pushes: held ? c.braked : c.driven,
      };
    }),
    pushN: held ? Math.abs(resistance.gradeN) : askedOfGrip(resistance),
    sideN: footing.massKg * (STANDARD_GRAVITY * Math.sin(Math.abs(duty.sideSlope?.value ?? 0)) + corner),
  };
}

/** What pulls it sideways in a duty, and what holds it there. */
export function slideOf(build: Build, duty: Duty, demand: Demand) {
  const input = slideInput(build, duty, demand);
  return input && { sideN: input.sideN, holdsN: slideAcross.run(input).holdsN };
}
