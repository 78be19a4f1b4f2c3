import { NotPhysical } from '../contract/index.ts';

/**
 * What is said of figures that overflow on their way through a simulation.
 *
 * @example tooExtreme().notice.code // 'out-of-range'
 */
export const tooExtreme = (): NotPhysical =>
  new NotPhysical('out-of-range', 'These figures are too extreme to simulate: check the units of each.');

/** What is found of something; undefined where its figures are too extreme to follow. */
export function unlessExtreme<T>(find: () => T): T | undefined {
  try {
    return find();
  } catch (error) {
    if (error instanceof NotPhysical) return undefined;
    throw error;
  }
}
