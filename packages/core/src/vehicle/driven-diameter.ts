import type { Quantity } from '../quantity/index.ts';
import { stageFigures } from '../transmission/index.ts';
import type { Build } from './document.ts';
import { drivenDiameter } from './layout/index.ts';

/**
 * The diameter at which the drive's torque meets its pull: of the wheels or the drum as the layout has it, or that of a
 * spool or track sprocket where the drive ends in one.
 */
export function rollingDiameter({ layout, drive }: Build): Quantity {
  const last = drive.stages.at(-1);
  const rollsM = last && stageFigures(last).rollsM;
  return rollsM === undefined ? drivenDiameter(layout) : { ...drivenDiameter(layout), value: rollsM };
}

/** Where that diameter is said. */
export const rollingPlace = ({ drive }: Build): string => {
  const last = drive.stages.at(-1);
  return last && stageFigures(last).rollsM !== undefined ? 'Drivetrain, the last stage' : 'Brief, the layout';
};
