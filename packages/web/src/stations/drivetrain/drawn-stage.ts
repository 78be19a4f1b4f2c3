import type { Stage } from '@zubric/core/transmission';
import { at, type At, type Shape } from '../../drawings/shapes.ts';

export const mm = (metres: number): number => metres * 1000;

/** One stage as it lies between two shafts, mm: x forward, y up. */
export interface DrawnStage {
  readonly stage: Stage;
  /** Where its driven and its driving shaft are. */
  readonly driven: At;
  readonly driver: At;
  /** Radii on each shaft, and how wide it is across the vehicle. */
  readonly drivenRadius: number;
  readonly driverRadius: number;
  readonly width: number;
  /** Whether a loop or a mesh lies between the two; else they are on one axis. */
  readonly across: 'loop' | 'mesh' | 'none';
  readonly side: readonly Shape[];
  /** Whether its sizes are known; where only tooth counts are, it is drawn in proportion. */
  readonly sized: boolean;
}

/** How shafts are laid out for the drawing: each behind the last, rising a little. */
export const RISE = (12 * Math.PI) / 180;
/** The next shaft, so far from one. */
export const behind = (from: At, distance: number): At =>
  at(from.x - distance * Math.cos(RISE), from.y + distance * Math.sin(RISE));
