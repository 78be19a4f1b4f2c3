import type { Notice } from '../contract/index.ts';

/** The train from motor to wheel as it stands. */
export interface Train {
  readonly ratio: number;
  readonly efficiency: number;
  /** From wheel to motor; 0 where a stage locks itself. */
  readonly backEfficiency: number;
  readonly stages: readonly {
    readonly id: string;
    readonly title: string;
    readonly ratio: number;
    readonly efficiency: number;
    readonly problem?: Notice;
    readonly warnings: readonly Notice[];
  }[];
}
