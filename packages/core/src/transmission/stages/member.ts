import type { z } from 'zod';
import type { Words } from '../../quantity/index.ts';
import type { ShaftPull, StageFigures, StageLoad, StageStands, StageStrength } from './stage-report.ts';
import type { StageWork } from './work.ts';

/** What those who build with a kind of stage say for it, and what against it (common practice, no source). */
export interface School {
  readonly good: string;
  readonly bad: string;
}

/** A stage changed, as it is offered to its builder. */
export interface StageChange<S> {
  readonly text: Words;
  readonly stage: S;
  /** What it costs beside money, where that is not plain. */
  readonly cost?: Words;
}

/** What others ask of a kind of stage, so that none of them need know it by name. */
export interface StageAbilities {
  /** What holds its two sides together, where anything does. */
  readonly holdsBy?: 'teeth' | 'friction';
  /** It goes round two wheels and slackens as it wears: how it is called, and whether it is apt to come off. */
  readonly loop?: { readonly name: string; readonly throws?: true };
  /** Its two shafts cross: the drive goes on round a corner. */
  readonly turnsCorner?: true;
  /** Its two shafts lie on one axis. */
  readonly onAxis?: true;
  /** Its maker closes it: nothing inside is worked out, drawn or set. */
  readonly sealed?: true;
  /** It is no wheel of its own: a coupling joins its shafts. */
  readonly joinsShafts?: true;
  /** It ends at the ground or a rope, so that nothing comes behind it; what its layout must do, and how that is called. */
  readonly ends?: { readonly needs: 'pullsByRope' | 'onTracks'; readonly of: string };
}

/**
 * A kind of stage: all that is known of it, in one module. `S` is what its schema reads.
 *
 * Added by a module of its own and a line in `index.ts`; what else has to know of it does not compile without.
 */
export interface StageMember<S> extends StageAbilities {
  readonly schema: z.ZodType<S>;
  readonly title: string;
  readonly school: School;
  /** Usual play of its output, degrees (common practice, no source). */
  readonly usualPlayDeg: number;
  /** How the hub on its driving and on its driven side is called; none where it has no hub there. */
  readonly hubs: readonly [string | undefined, string | undefined];
  /** A new one near a ratio; its other numbers are assumed. */
  fresh(id: string, ratio: number): S;
  figures(stage: S): StageFigures;
  strength?(stage: S, load: StageLoad): StageStrength | undefined;
  /** How what it stands came about; absent where that is not worked out or said. */
  stands?(stage: S): StageStands | undefined;
  pull?(stage: S, load: StageLoad): ShaftPull | undefined;
  /** With other tooth counts, where more than those changes with them. */
  withTeeth?(stage: S, teethDriver: number, teethDriven: number): S;
  /** What makes one that warns or cannot be built whole again; absent where only another kind does. */
  cures?(stage: S): readonly StageChange<S>[];
  /** More of what it holds by. */
  stronger?(stage: S): readonly StageChange<S>[];
  readonly work: StageWork<S>;
}
