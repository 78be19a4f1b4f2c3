import type { Quantity } from '../quantity/index.ts';
import { stageFigures } from '../transmission/index.ts';
import type { Build } from './document.ts';
import { drivenDiameter } from './layout/index.ts';
import { driveOf, servedLayout } from './through.ts';

/**
 * The diameter at which the drive's torque meets its pull: of the wheels or the drum as the layout has it, or that of a
 * spool or track sprocket where the drive ends in one.
 *
 * @example rollingDiameter(puffin).value // 0.4
 */
export function rollingDiameter(build: Build): Quantity {
  const layout = servedLayout(build);
  const last = driveOf(build).stages.at(-1);
  const rollsM = last && stageFigures(last).rollsM;
  return rollsM === undefined ? drivenDiameter(layout) : { ...drivenDiameter(layout), value: rollsM };
}

/**
 * Where that diameter is said.
 *
 * @example rollingPlace(puffin) // 'Brief, the layout'
 */
export const rollingPlace = (build: Build): string => {
  const last = driveOf(build).stages.at(-1);
  return last && stageFigures(last).rollsM !== undefined ? 'Drivetrain, the last stage' : 'Brief, the layout';
};
