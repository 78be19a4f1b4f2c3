import { skidTurnTracked, skidTurnWheeled } from '../ground/index.ts';
import { turningOf, type Build, type Duty } from '../vehicle/index.ts';
import type { DutyAsked } from './report.ts';
import { scrubInput, trackInput } from './turning.ts';

/** Thrust of the outer side in a turn, were the length on the ground or the width another share of what it is. */
export interface TurnSweep {
  readonly points: readonly { readonly share: number; readonly longerN: number; readonly widerN: number }[];
  readonly nowN: number;
  /** Of one side. */
  readonly gripN: number;
  /** Length on the ground over the distance between the sides. */
  readonly lengthOverWidth: number;
}

const FROM = 0.5;
const TO = 1.6;

/**
 * How scrub goes with length and width; undefined where nothing is dragged sideways in this duty.
 *
 * @example turnSweep(sanderling, sanderling.duties.at(-1), askedOf(sanderling, sanderling.duties.at(-1), undefined).asked, 3)?.points.length
 *   // undefined
 */
export function turnSweep(
  build: Build,
  duty: Duty,
  { footing }: DutyAsked,
  count = 23,
): TurnSweep | undefined {
  const turning = turningOf(build.layout);
  if (!duty.turn || (turning !== 'tracks' && turning !== 'scrub')) return undefined;
  const tracks = trackInput(build, duty, footing);
  const wheels = scrubInput(build, duty, footing);
  const thrust = (long: number, wide: number): number =>
    turning === 'tracks'
      ? skidTurnTracked.run({
          ...tracks,
          contactLengthM: tracks.contactLengthM * long,
          gaugeM: tracks.gaugeM * wide,
        }).outerN
      : skidTurnWheeled.run({
          ...wheels,
          wheelbaseM: wheels.wheelbaseM * long,
          trackM: wheels.trackM * wide,
        }).thrustPerSideN;
  const points = Array.from({ length: count }, (_, n) => {
    const share = FROM + ((TO - FROM) * n) / (count - 1);
    return { share, longerN: thrust(share, 1), widerN: thrust(1, share) };
  });
  return {
    points,
    nowN: thrust(1, 1),
    gripN: (footing.gripN ?? 0) / 2,
    lengthOverWidth:
      turning === 'tracks' ? tracks.contactLengthM / tracks.gaugeM : wheels.wheelbaseM / wheels.trackM,
  };
}
