import { FRAME_MATERIALS, type Build } from '../vehicle/index.ts';
import { driveOf, drivesOf, outputsOf } from '../vehicle/index.ts';
import { figure, sentence, type Words } from '../quantity/index.ts';

/** Something that is cut to length. */
export interface Cut {
  readonly name: string;
  readonly of: Words;
  /** At least: what lies beyond its supports is the builder's. */
  readonly lengthM: number;
  readonly count: number;
}

/** A hole in a placed part. */
export interface Drilled {
  readonly part: string;
  readonly side: string;
  readonly hole: Words;
  /** From the middle of that side, seen from outside, m. */
  readonly rightM: number;
  readonly upM: number;
}

type Member = NonNullable<NonNullable<Build['arrangement']>['frame']>[number];

function sectionOf({ section, height, width, wall, material }: Member): Words {
  const { title } = FRAME_MATERIALS[material];
  const isRound = section === 'round-tube' || section === 'round-bar';
  const sides = isRound
    ? sentence`Ø ${figure(height.value, 'length')}`
    : sentence`${figure(width?.value ?? height.value, 'length')} × ${figure(height.value, 'length')}`;
  return wall && section.endsWith('tube')
    ? sentence`${title} tube, ${sides}, wall ${figure(wall.value, 'length')}`
    : sentence`${title} bar or sheet, ${sides}`;
}

/**
 * What is cut to length: members of the frame, shafts of the layout, and shafts of the torque path that have a length.
 *
 * @example cutList(gull) // []
 */
export function cutList(build: Build): readonly Cut[] {
  const { frame = [], shafts = [] } = build.arrangement ?? {};
  const ofPath = drivesOf(build).flatMap((seen) =>
    driveOf(seen).path.flatMap((element): Cut[] =>
      element.kind === 'shaft' && element.length
        ? [
            {
              name: element.name,
              of: sentence`shaft, Ø ${figure(element.diameter.value, 'length')}`,
              ...{ lengthM: element.length.value, count: outputsOf(seen) },
            },
          ]
        : [],
    ),
  );
  return [
    ...frame.map((member): Cut => ({
      ...{ name: member.name, of: sectionOf(member), lengthM: member.span.value, count: member.members },
    })),
    ...shafts.map(({ name, length }): Cut => ({ name, of: 'shaft', lengthM: length.value, count: 1 })),
    ...ofPath,
  ];
}

/**
 * Every hole of the placed parts: in which side, where, and for what.
 *
 * @example drillingList(gull) // []
 */
export const drillingList = (build: Build): readonly Drilled[] =>
  (build.arrangement?.parts ?? []).flatMap(({ name, holes = [] }) =>
    holes.map(({ side, right, up, thread, fit, diameter, depth }): Drilled => ({
      ...{ part: name, side, rightM: right.value, upM: up.value },
      hole: sentence`${thread === undefined ? sentence`Ø ${figure(diameter?.value ?? 0, 'length')}` : `${thread}${fit === undefined ? '' : `, ${fit}`}`}${depth ? sentence`, ${figure(depth.value, 'length')} deep` : ''}`,
    })),
  );
