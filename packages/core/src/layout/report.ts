import { remembered } from '../contract/index.ts';
import type { Build } from '../vehicle/index.ts';
import { comesOff, reachOf, type ComesOff, type FaceReach } from './access.ts';
import type { LayoutFinding } from './finding.ts';
import { layoutFindings } from './findings.ts';
import { frameReport, type FrameReport } from './frame.ts';
import { linesOf, type Line } from './lines.ts';
import { lowestOf, sticksOut, tooNear, type SticksOut, type TooNear } from './overlaps.ts';
import { printsOf, type PrintReport } from './printing.ts';
import { stackOf, type StackReport } from './stack.ts';
import { thingsOf } from './things.ts';
import { centreOfGravity, inertiaOf, restingOn, type Centre, type Inertia, type Resting } from './weight.ts';

/** A placed part: where it is, what it is too near to, and whether it is reached. */
export interface PartReport {
  readonly id: string;
  readonly name: string;
  readonly place: {
    readonly aheadM: number;
    readonly leftM: number;
    readonly aboveM: number;
    readonly turnRad: number;
  };
  readonly overlaps: readonly TooNear[];
  readonly sticksOut: readonly SticksOut[];
  readonly faces: readonly FaceReach[];
  /** How it comes off; null where it never does. */
  readonly comesOff: ComesOff | null;
}

/** All that is worked out of where things are. SI. */
export interface LayoutReport {
  /** Without payload. */
  readonly centreOfGravity: Centre;
  /** Where the middle was typed before parts were placed; absent where nothing is placed. */
  readonly typed?: Omit<Centre, 'massKg'>;
  readonly inertia: Inertia;
  /** On the level without payload; absent without a job to say what it stands on. */
  readonly resting?: Resting;
  /** Of the lowest part over the ground; absent where nothing is placed. */
  readonly clearanceM?: number;
  readonly parts: readonly PartReport[];
  readonly stacks: readonly StackReport[];
  /** Wheels that run together. */
  readonly lines: readonly Line[];
  readonly frame: readonly FrameReport[];
  readonly prints: readonly PrintReport[];
  readonly findings: readonly LayoutFinding[];
}

/**
 * Where everything is, and what follows: weight, room, reach.
 *
 * @example layoutReport(puffin).centreOfGravity.massKg // 58
 */
export const layoutReport = remembered((build: Build): LayoutReport => {
  const rest = build.arrangement?.parts.length ? build.arrangement.rest : undefined;
  const resting = restingOn(build, 0);
  const lowest = lowestOf(build);
  return {
    centreOfGravity: centreOfGravity(build),
    ...(rest
      ? {
          typed: {
            aheadM: rest.aheadOfRearAxle.value,
            leftM: rest.left.value,
            heightM: rest.height.value,
          },
        }
      : {}),
    inertia: inertiaOf(build),
    ...(resting ? { resting } : {}),
    ...(lowest ? { clearanceM: lowest.aboveM } : {}),
    parts: thingsOf(build).flatMap((thing): PartReport[] => {
      const { id, name, part } = thing;
      if (!part) return [];
      return [
        {
          id,
          name,
          place: {
            aheadM: part.aheadOfRearAxle.value,
            leftM: part.left.value,
            aboveM: part.above.value,
            turnRad: part.turn.value,
          },
          overlaps: tooNear(build, thing),
          sticksOut: sticksOut(build, thing),
          faces: reachOf(build, thing),
          comesOff: comesOff(build).get(id) ?? null,
        },
      ];
    }),
    stacks: (build.arrangement?.shafts ?? []).map(stackOf),
    lines: linesOf(build),
    frame: (build.arrangement?.frame ?? []).map((member) => frameReport(build, member)),
    prints: printsOf(build),
    findings: layoutFindings(build),
  };
});
