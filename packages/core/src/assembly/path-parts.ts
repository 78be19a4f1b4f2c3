import { pathPart, type StagePart } from '../transmission/index.ts';
import { type Build, driveOf, outputsOf } from '../vehicle/index.ts';

/** The shafts, keys, screws and bolts of every driveline; what sits on a motor's shaft once for each motor. */
export function pathParts(build: Build): StagePart[] {
  const drive = driveOf(build);
  const drivelines = outputsOf(build);
  return drive.path.flatMap((element) => {
    const part = pathPart(element);
    const times = drivelines * (element.after === null ? drive.motorsPerWheel : 1);
    return part ? [{ ...part, id: `path.${element.id}`, count: part.count * times }] : [];
  });
}
