import { remembered } from '../contract/index.ts';
import { besidesJobs, besidesPower, drivesThat, type Build, type Duty } from '../vehicle/index.ts';

/** Of several drives each takes its share by what it can do: there, what drives it has a say in how it grips. */
const standing = remembered((besides: Build): Build =>
  drivesThat(besides, 'propels').length > 1 ? besides : besidesPower(besides),
);

/**
 * A function of a build and one of its duties in which motors, stages and supply have no say: asked once for each duty,
 * whatever is tried to drive it.
 *
 * @param work pure; given the build besides its jobs and its power
 */
export function whateverDrives<V>(
  work: (standing: Build) => (duty: Duty) => V,
): (build: Build, duty: Duty) => V {
  const answers = remembered((build: Build) => remembered(work(build)));
  return (build, duty) => answers(standing(besidesJobs(build)))(duty);
}
