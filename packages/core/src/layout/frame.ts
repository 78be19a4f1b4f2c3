import { evaluate, scoreOf } from '../judge/index.ts';
import { frameBending, gearboxMount } from '../making/index.ts';
import { degreesToRadians, HOUR_S, MINUTE_S, STANDARD_GRAVITY } from '../quantity/index.ts';
import { FRAME_MATERIALS, type Build, type FrameMember, type FrameMount } from '../vehicle/index.ts';
import { lumpsOf } from './weight.ts';

/** A shaft on a frame: how the frame slopes there, and what that does to it. */
export interface MountReport {
  readonly id: string;
  readonly slopeRad: number;
  /** More slope than its way of mounting stands. */
  readonly binds: boolean;
  /** Were it bolted square: force across its bearing, and stress in the shaft there and back every turn. */
  readonly rigid: { readonly forceN: number; readonly stressPa: number };
  /** Were it floating: force at the end of its arm; absent where nobody says the torque. */
  readonly floating?: { readonly forceN: number };
}

/** A member of a frame under what lies over it. */
export interface FrameReport {
  readonly id: string;
  readonly massKg: number;
  readonly loadN: number;
  readonly sagM: number;
  readonly momentNm: number;
  readonly stressPa: number;
  /** What its material is allowed, over the stress; absent where nothing lies on it. */
  readonly factor?: number;
  readonly mounts: readonly MountReport[];
}

/** The same member lighter or heavier, and what the vehicle then carries. */
export interface FrameChoice {
  /** Of today's wall, or height of a bar. */
  readonly times: number;
  readonly massKg: number;
  readonly sagM: number;
  readonly factor?: number;
  /** The steepest slope at a shaft. */
  readonly slopeRad: number;
  readonly binds: boolean;
  /** Payload, where the vehicle weighs in all what it weighs today. */
  readonly payloadKg: number;
  /** Absent where no job goes a distance. */
  readonly payloadKgPerMinute?: number;
}

/** Slope that rigid and tilting bearings stand, rad (common practice, no source). */
export const MAY_SLOPE: Readonly<Record<FrameMount['kind'], number>> = {
  rigid: degreesToRadians(0.2),
  'self-aligning': degreesToRadians(2.5),
  floating: Infinity,
};

const mm = (m: number): number => m * 1000;

/** Area of the section of one member, m². */
function areaOf({ section, height, width, wall }: FrameMember): number {
  const h = height.value;
  const w = width?.value ?? h;
  const t = wall?.value ?? 0;
  switch (section) {
    case 'bar':
      return w * h;
    case 'tube':
      return w * h - (w - 2 * t) * (h - 2 * t);
    case 'round-bar':
      return (Math.PI / 4) * h ** 2;
    case 'round-tube':
      return (Math.PI / 4) * (h ** 2 - (h - 2 * t) ** 2);
  }
}

const massOf = (member: FrameMember): number =>
  areaOf(member) * member.span.value * member.members * FRAME_MATERIALS[member.material].densityKgM3;

/** Weights over a member, from its first support; what lies beyond a support rests on that. */
function loadsOn(build: Build, member: FrameMember): { atMm: number; forceN: number }[] {
  const axis = member.runs === 'ahead' ? 0 : 1;
  const { payload } = build.masses;
  const at = [payload.aheadOfRearAxle.value, payload.left.value][axis] ?? 0;
  const others = member.spreads ? [] : [{ kg: payload.mass.value, at }];
  return [...lumpsOf(build).map((lump) => ({ kg: lump.kg, at: lump.at[axis] })), ...others].flatMap(
    ({ kg, at: there }) => {
      const from = there - member.from.value;
      const isOver = kg > 0 && from >= 0 && from <= member.span.value;
      return isOver ? [{ atMm: mm(from), forceN: kg * STANDARD_GRAVITY * member.share.value }] : [];
    },
  );
}

/** What a member's bending is worked out of. */
function given(build: Build, member: FrameMember) {
  const span = member.span.value;
  const material = FRAME_MATERIALS[member.material];
  const spreadKg = member.spreads ? build.masses.payload.mass.value * member.share.value : 0;
  return {
    spanMm: mm(span),
    loads: loadsOn(build, member),
    spreadNPerM: ((spreadKg + massOf(member)) * STANDARD_GRAVITY) / span,
    members: member.members,
    shape: member.section,
    heightMm: mm(member.height.value),
    ...(member.width ? { widthMm: mm(member.width.value) } : {}),
    ...(member.wall ? { wallMm: mm(member.wall.value) } : {}),
    modulusGPa: material.modulusGPa,
    allowableMPa: material.allowableMPa,
    shaftsMm: member.mounts.map(({ at }) => Math.min(mm(at.value), mm(span))),
  };
}

function mountOf(mount: FrameMount, slopeDeg: number): MountReport {
  const torqueNm = mount.torque?.value;
  const { bindingN, bindingMPa, armN } = gearboxMount.run({
    slopeDeg: Math.abs(slopeDeg),
    shaftMm: mm(mount.shaft.value),
    freeMm: mm(mount.free.value),
    torqueNm: torqueNm ?? 0,
    armMm: mm(mount.arm.value),
    modulusGPa: FRAME_MATERIALS.steel.modulusGPa,
  });
  const slopeRad = degreesToRadians(slopeDeg);
  return {
    id: mount.id,
    slopeRad,
    binds: Math.abs(slopeRad) > MAY_SLOPE[mount.kind],
    rigid: { forceN: bindingN, stressPa: bindingMPa * 1e6 },
    ...(torqueNm === undefined ? {} : { floating: { forceN: armN } }),
  };
}

/**
 * How a member of the frame bends under all that lies over it, payload and all, and what that does to the shafts on it.
 *
 * @example frameReport(rail, member).mounts // []
 */
export function frameReport(build: Build, member: FrameMember): FrameReport {
  const loads = given(build, member);
  const { sagMm, momentNm, stressMPa, factor, shaftSlopesDeg } = frameBending.run(loads);
  const onIt = loads.loads.reduce((sum, { forceN }) => sum + forceN, 0);
  return {
    id: member.id,
    massKg: massOf(member),
    loadN: onIt + (loads.spreadNPerM * loads.spanMm) / 1000,
    sagM: sagMm / 1000,
    momentNm,
    stressPa: stressMPa * 1e6,
    ...(factor === undefined ? {} : { factor }),
    mounts: member.mounts.map((mount, n) => mountOf(mount, shaftSlopesDeg[n] ?? 0)),
  };
}

/** Of today's wall or height. */
const CHOICES = [0.5, 0.75, 1, 1.5, 2] as const;

/**
 * The member with a thicker or thinner wall, or as a bar of another height; undefined where a tube would be full.
 *
 * @example stiffer(member, 2)?.members // 2
 */
export function stiffer(member: FrameMember, by: number): FrameMember | undefined {
  if (!member.wall)
    return { ...member, height: { ...member.height, value: member.height.value * by, origin: 'typed' } };
  const least = Math.min(member.height.value, member.width?.value ?? member.height.value);
  const wall = member.wall.value * by;
  return 2 * wall < least ? { ...member, wall: { ...member.wall, value: wall, origin: 'typed' } } : undefined;
}

/** The build with a lighter or heavier frame, and so much less or more payload that it weighs in all what it does. */
function withFrame(build: Build, lighterKg: number): Build {
  const { own, payload } = build.masses;
  const kg = Math.max(0, payload.mass.value + lighterKg);
  return {
    ...build,
    masses: {
      ...build.masses,
      own: { ...own, mass: { ...own.mass, value: Math.max(1e-3, own.mass.value - lighterKg) } },
      payload: { ...payload, mass: { ...payload.mass, value: kg } },
    },
  };
}

/**
 * The same member lighter and heavier: how stiff it is, and what the vehicle carries a minute where drives and wheels bear
 * in all what they bear today.
 *
 * @example frameChoices(rail, member).map(({ times }) => times) // [0.5, 0.75, 1, 1.5, 2]
 */
export function frameChoices(build: Build, member: FrameMember): FrameChoice[] {
  return CHOICES.flatMap((by): FrameChoice[] => {
    const changed = stiffer(member, by);
    if (!changed) return [];
    const loaded = withFrame(build, massOf(member) - massOf(changed));
    const { massKg, sagM, factor, mounts } = frameReport(loaded, changed);
    const hourly = scoreOf(loaded, evaluate(loaded), 'payload-rate');
    return [
      {
        times: by,
        massKg,
        sagM,
        ...(factor === undefined ? {} : { factor }),
        slopeRad: Math.max(0, ...mounts.map(({ slopeRad }) => Math.abs(slopeRad))),
        binds: mounts.some(({ binds }) => binds),
        payloadKg: loaded.masses.payload.mass.value,
        ...(hourly === undefined ? {} : { payloadKgPerMinute: (hourly * MINUTE_S) / HOUR_S }),
      },
    ];
  });
}
