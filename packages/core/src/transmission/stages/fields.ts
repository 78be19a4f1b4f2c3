import { z } from 'zod';
import { NotPhysical } from '../../contract/index.ts';
import { quantity } from '../../quantity/index.ts';
import type { StageFigures } from './stage-report.ts';

/** Fields that several kinds of stage have. */
const stageId = z.string().min(1).max(40);
/** What every stage has. */
export const stageCommon = {
  id: stageId,
  play: quantity('angle', { least: 0 }, 'Play', 'Of its output while its input is held').optional(),
} as const;
/** A number of teeth. */
export const teeth = (title: string) => z.int().min(3).max(500).meta({ title });
/** Share of the power that comes through. */
export const efficiency = quantity(
  'share',
  { above: 0, most: 1 },
  'Efficiency',
  'Share of the power that comes through',
);
/** A diameter of a wheel. */
export const diameter = (title: string) => quantity('length', { above: 0 }, title);
/** Friction of what grips. */
export const friction = (title = 'Friction') => quantity('coefficient', { above: 0, most: 2 }, title);

/** What teeth are cut with, and what they may carry. */
export const cut = {
  module: quantity('length', { above: 0 }, 'Module'),
  faceWidth: quantity('length', { above: 0 }, 'Face width'),
  allowable: quantity('stress', { above: 0 }, 'Allowable stress', 'Bending stress that the teeth may carry'),
} as const;

/** The same where a set is bought and its maker does not say. */
export const cutIfKnown = {
  module: cut.module.optional(),
  faceWidth: cut.faceWidth.optional(),
  allowable: cut.allowable.optional(),
} as const;

/** A length in millimetres, as the trade's tables have it. */
export const toMm = (metres: number): number => metres * 1000;

/** The figures of a stage, or why it cannot be built. */
export function orProblem(
  base: Omit<StageFigures, 'warnings'>,
  work: () => Partial<StageFigures>,
): StageFigures {
  try {
    return { warnings: [], ...base, ...work() };
  } catch (error) {
    if (!(error instanceof NotPhysical)) throw error;
    return { ...base, problem: error.notice, warnings: [] };
  }
}

/** How a belt or chain is kept tight. */
export const TENSIONERS = ['slots', 'idler', 'none'] as const;
/** What keeps a loop tight. */
export const tensioner = z.enum(TENSIONERS).optional().meta({ title: 'Tensioned by' });
