import type { Notice, Sum } from '../../contract/index.ts';
import type { Dimension, Quantity } from '../../quantity/index.ts';

/** Something of a stage's geometry that a builder asks for. */
export interface StageFact {
  readonly title: string;
  /** SI of the dimension. */
  readonly value: number;
  readonly dimension: Dimension;
}

/** What a stage is, whatever its load. Ratio: turns in for one turn out. */
export interface StageFigures {
  readonly ratio: number;
  readonly efficiency: number;
  /** Share of the power that comes through the other way; as `efficiency` where absent, 0 where it locks. */
  readonly backEfficiency?: number;
  /** Why the stage cannot be built, in a sentence that says what to change. */
  readonly problem?: Notice;
  readonly warnings: readonly Notice[];
  readonly facts?: readonly StageFact[];
  /** Where the stage itself rolls along ground or rope: the diameter at which its torque meets its pull, metres. */
  readonly rollsM?: number;
  /** Greatest diameters of what sits on its driving and driven shaft, metres. */
  readonly outsideM?: { readonly driver?: number; readonly driven?: number };
  /** How far its two shafts are apart, metres; absent where it does not say. */
  readonly apartM?: number;
  /** The chain or belt that runs round its two wheels; absent where none does. */
  readonly loop?: StageLoop;
}

/** What runs round two wheels, metres. */
export interface StageLoop {
  /** From each shaft to the middle of its cord, or to its pins. */
  readonly driverRadiusM: number;
  readonly drivenRadiusM: number;
  readonly thickM: number;
  readonly wideM: number;
  /** Force that would stretch it by its own length, N; absent of a chain, which hangs slack. */
  readonly stiffnessN?: number;
}

/** What of a stage gives out. */
export type StageLink =
  | 'gearhead-torque'
  | 'chain-pull'
  | 'tooth-stress'
  | 'belt-pull'
  | 'slip'
  | 'rope-pull'
  | 'track-pull';

/** Where a number of a sum comes from: what reaches the stage, what its builder said, a table, or a choice of ours. */
export type SumSource = 'load' | Quantity | { readonly shelf: string } | { readonly fixed: string };

/** A sum of the registry that says it, and where its numbers come from. */
export interface StageSum extends Sum {
  /** Of its numbers, by name; what is not told is set at the stage. */
  readonly from?: Readonly<Record<string, SumSource>>;
}

/** How what a stage stands came about: said by its builder or maker, or by a sum. */
export type StageStands =
  | {
      readonly said: Pick<Quantity, 'value' | 'origin'>;
      readonly dimension: Dimension;
      readonly where: string;
    }
  | { readonly sum: StageSum };

/** What a load asks of a stage and what it stands, in the SI unit of its link. */
export interface StageStrength {
  readonly link: StageLink;
  readonly needs: number;
  readonly has: number;
  /** How `needs` is worked out, where a sum does it. */
  readonly sum?: StageSum;
  /** How many times `has` it stands for a moment; absent where it slips before it breaks. */
  readonly momentary?: number;
}

/** What a stage pulls across its shafts: its tight and slack strands, or the force between its teeth, and the wrap. */
export interface ShaftPull {
  readonly tightN: number;
  readonly slackN: number;
  readonly wrapDeg: number;
}

/** The load on a stage: torque (N·m) and speed (rpm) of its driving side. */
export interface StageLoad {
  readonly inputTorqueNm: number;
  readonly inputRpm: number;
}
