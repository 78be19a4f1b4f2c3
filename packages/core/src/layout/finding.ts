import type { Severity } from '../judge/index.ts';
import type { FrameMount } from '../vehicle/index.ts';
import type { Line } from './lines.ts';
import type { SticksOut, TooNear } from './overlaps.ts';
import type { PrintCut } from './printing.ts';

/** Where a part would go to mend what was found. */
export interface MoveTo {
  readonly partId: string;
  readonly aheadM: number;
  readonly leftM: number;
  readonly aboveM: number;
  readonly turnRad: number;
}

/** Something that is put on a shaft: a loose spacer, or a collar clamped to it. */
export interface PutOn {
  readonly shaftId: string;
  readonly put: 'spacer' | 'collar';
  /** What it comes after from the first end on; null: at the beginning. */
  readonly afterId: string | null;
  readonly widthM: number;
  /** Where the middle of a collar is clamped. */
  readonly atM?: number;
}

/** A shaft on the frame mounted in another way. */
export interface MountOtherwise {
  readonly memberId: string;
  readonly mountId: string;
  readonly mount: FrameMount['kind'];
}

/** A member of the frame with a thicker wall, or higher as a bar. */
export interface MakeStiffer {
  readonly memberId: string;
  readonly times: number;
}

/** A part made in pieces. */
export interface CutUp {
  readonly cutId: string;
  readonly cuts: readonly PrintCut[];
}

/** What ends a finding of a layout, in one press. */
export type LayoutMove = MoveTo | PutOn | MountOtherwise | MakeStiffer | CutUp;

interface Common {
  readonly severity: Severity;
  /** Each ends it; the best first. */
  readonly moves: readonly LayoutMove[];
}

/** Something that stands in the way of a layout. */
export type LayoutFinding = Common &
  (
    | { readonly code: 'overlap' | 'near'; readonly partId: string; readonly near: TooNear }
    | { readonly code: 'sticks-out'; readonly partId: string; readonly out: SticksOut }
    | { readonly code: 'in-the-ground' | 'hangs-low'; readonly partId: string; readonly aboveM: number }
    | { readonly code: 'no-reach'; readonly partId: string; readonly faceId: string }
    | {
        readonly code: 'reach-after';
        readonly partId: string;
        readonly faceId: string;
        readonly after: readonly string[];
      }
    | { readonly code: 'never-off'; readonly partId: string }
    | { readonly code: 'battery-buried'; readonly partId: string; readonly after: readonly string[] }
    | {
        readonly code: 'floats';
        readonly shaftId: string;
        readonly way: 'on' | 'back';
        readonly byM: number | null;
      }
    | {
        readonly code: 'does-not-fit';
        readonly shaftId: string;
        readonly afterId: string;
        readonly beforeId: string;
        readonly byM: number;
      }
    | { readonly code: 'overhangs'; readonly shaftId: string; readonly byM: number }
    | { readonly code: 'heavier-than-own'; readonly placedKg: number; readonly ownKg: number }
    | { readonly code: 'falls-over' }
    | { readonly code: 'off-the-driven'; readonly drivenShare: number }
    | { readonly code: 'off-the-middle'; readonly leftM: number }
    | {
        readonly code: 'beyond-limit';
        readonly side: 'length' | 'width' | 'height';
        readonly hasM: number;
        readonly mayM: number;
      }
    | {
        readonly code: 'out-of-line' | 'askew' | 'wrong-distance';
        readonly partId: string;
        readonly line: Line;
      }
    | { readonly code: 'taut-once-a-turn'; readonly partId: string; readonly line: Line }
    | { readonly code: 'not-round'; readonly partId: string }
    | {
        readonly code: 'frame-binds';
        readonly memberId: string;
        readonly mountId: string;
        readonly slopeRad: number;
      }
    | { readonly code: 'frame-weak'; readonly memberId: string; readonly factor: number }
    | { readonly code: 'not-printed-whole'; readonly partId: string; readonly cuts: readonly PrintCut[] }
  );
