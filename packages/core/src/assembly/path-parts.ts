import { drivelinesOf, type Build } from '../vehicle/index.ts';
import { show, type Quantity } from '../quantity/index.ts';
import type { PathElement, StagePart } from '../transmission/index.ts';

const size = ({ value, unit }: Quantity): string =>
  show(value, 'length', 'as-typed', { typedUnit: unit }).text;

/** What is bought or made for a part of the torque path beside the wheels and hubs that stages and layout bring. */
function partOf(element: PathElement): Omit<StagePart, 'id'> | undefined {
  const { name } = element;
  switch (element.kind) {
    case 'shaft':
      return { name: `${name}, Ø ${size(element.diameter)}`, count: 1 };
    case 'key':
      return {
        name: `Key for ${name.toLowerCase()}, ${size(element.width)} × ${size(element.height)} × ${size(element.length)}`,
        count: 1,
      };
    case 'set-screws':
      return { name: `Set screw ${element.size} for ${name.toLowerCase()}`, count: element.count };
    case 'clamp':
      return { name: `Clamp screw for ${name.toLowerCase()}`, count: element.screws };
    case 'bolt-circle':
      return { name: `Bolt Ø ${size(element.boltDiameter)} for ${name.toLowerCase()}`, count: element.bolts };
    case 'coupling':
      return { name: `${name}, ${size(element.bore)} to ${size(element.otherBore)}`, count: 1 };
    case 'press-fit':
    case 'tyre':
      return undefined;
  }
}

/** The shafts, keys, screws and bolts of every driveline; what sits on a motor's shaft once for each motor. */
export function pathParts({ layout, drive }: Build): StagePart[] {
  const drivelines = drivelinesOf(layout, drive.together);
  return drive.path.flatMap((element) => {
    const part = partOf(element);
    const times = drivelines * (element.after === null ? drive.motorsPerWheel : 1);
    return part ? [{ ...part, id: `path.${element.id}`, count: part.count * times }] : [];
  });
}
