import { pathPart, type StagePart } from '../transmission/index.ts';
import { drivelinesOf, type Build } from '../vehicle/index.ts';

/** The shafts, keys, screws and bolts of every driveline; what sits on a motor's shaft once for each motor. */
export function pathParts({ layout, drive }: Build): StagePart[] {
  const drivelines = drivelinesOf(layout, drive.together);
  return drive.path.flatMap((element) => {
    const part = pathPart(element);
    const times = drivelines * (element.after === null ? drive.motorsPerWheel : 1);
    return part ? [{ ...part, id: `path.${element.id}`, count: part.count * times }] : [];
  });
}
