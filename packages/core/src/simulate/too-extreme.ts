import { NotPhysical } from '../contract/index.ts';

/**
 * What is said of figures that overflow on their way through a simulation.
 *
 * @example tooExtreme().notice.code // 'out-of-range'
 */
export const tooExtreme = (): NotPhysical =>
  new NotPhysical('out-of-range', 'These figures are too extreme to simulate: check the units of each.');
