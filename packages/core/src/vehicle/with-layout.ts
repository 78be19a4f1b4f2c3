import { changeDrive, withoutLostAxles } from './through.ts';
import { wheelLoads } from '../ground/index.ts';
import type { Build, PlacedMass } from './document.ts';
import type { LayoutTemplate, Size } from './layout-fill.ts';
import { contactsOf, drivenDiameter, layoutKind, trackOf, wheelbaseOf, type Layout } from './layout/index.ts';

const LEAST_M = 0.02;

/** Measures of a build as it stands, for the layout that comes after it. */
function sizeOf({ layout, body }: Build): Size {
  const trackM = trackOf(layout).value || body.width.value * 0.8;
  const wheelM = layoutKind(layout.kind).pullsByRope
    ? (layout.axles[0]?.diameter.value ?? trackM / 2)
    : drivenDiameter(layout).value;
  return {
    trackM: Math.max(LEAST_M, trackM),
    wheelbaseM: Math.max(LEAST_M, wheelbaseOf(layout) || trackM * 1.2),
    wheelM: Math.max(LEAST_M, layoutKind(layout.kind).rollsInside ? trackM / 3 : Math.min(wheelM, trackM)),
  };
}

/** How far a mass may stand from the middle of what carries it, as a share: well inside. */
const INSIDE = 0.5;

/** A mass kept over what it stands on: moved only where the new layout would fall over with it. */
function keptOver<M extends PlacedMass>(mass: M, layout: Layout): M {
  const ahead = contactsOf(layout).map(({ aheadM }) => aheadM);
  const [least, most] = [Math.min(...ahead), Math.max(...ahead)];
  const middle = (least + most) / 2;
  const reach = ((most - least) / 2) * INSIDE;
  const value = Math.min(middle + reach, Math.max(middle - reach, mass.aheadOfRearAxle.value));
  if (value === mass.aheadOfRearAxle.value) return mass;
  return { ...mass, aheadOfRearAxle: { ...mass.aheadOfRearAxle, value, origin: 'assumed' } };
}

/** Whether the masses as they lie stand on a layout. */
function standsOn(build: Build, layout: Layout): boolean {
  const { own, payload, others } = build.masses;
  const all = [own, payload, ...others];
  const massKg = all.reduce((sum, m) => sum + m.mass.value, 0);
  const middle = (of: 'aheadOfRearAxle' | 'left'): number =>
    all.reduce((sum, m) => sum + m.mass.value * m[of].value, 0) / massKg;
  return wheelLoads.run({
    massKg,
    cgAheadOfRearAxleM: middle('aheadOfRearAxle'),
    cgLeftM: middle('left'),
    cgHeightM: 0,
    contacts: contactsOf(layout).map(({ axle: { driven }, aheadM, leftM }) => ({ aheadM, leftM, driven })),
    gradeDeg: 0,
    sideSlopeDeg: 0,
    accelerationMps2: 0,
    cornerMps2: 0,
    drawbarN: 0,
    hitchHeightM: 0,
    hitchVerticalN: 0,
    hitchBehindRearAxleM: 0,
    pushN: 0,
    pushHeightM: 0,
    pushVerticalN: 0,
    pushAheadOfRearAxleM: 0,
    balanced: layoutKind(layout.kind).balanced === 'across' ? 'across' : 'none',
  }).stands;
}

/**
 * The build on another layout, filled from its own measures.
 *
 * @example withLayout(gull, layoutTemplate('tracked')).layout.kind // 'tracked'
 */
export const withLayout = (build: Build, template: LayoutTemplate): Build =>
  withTemplate(build, template, sizeOf(build));

/**
 * The build on another layout, filled to a size. Masses stay where they are as long as the vehicle stands
 * with them; else they come over its middle.
 */
export function withTemplate(build: Build, template: LayoutTemplate, size: Size): Build {
  const { layout, together, differential, steering, innerDrive } = template.fill(size);
  const { own, payload, others } = build.masses;
  const keep = <M extends PlacedMass>(mass: M): M =>
    standsOn(build, layout) ? mass : keptOver(mass, layout);
  const { steering: _steering, innerDrive: _inner, ...rest } = build;
  return withoutLostAxles({
    ...rest,
    layout,
    ...(steering ? { steering: build.steering ?? steering } : {}),
    ...(innerDrive ? { innerDrive: build.innerDrive ?? innerDrive } : {}),
    drives: changeDrive(build, { together, differential: differential ?? 'open' }).drives,
    masses: { own: keep(own), payload: keep(payload), others: others.map(keep) },
  });
}
