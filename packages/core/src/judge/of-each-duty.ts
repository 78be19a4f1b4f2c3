import { remembered } from '../contract/index.ts';
import { rememberedBesidesJobs, type Build, type Duty } from '../vehicle/index.ts';

/**
 * A function of a build and one of its duties, asked once for each duty as long as nothing of the build but its duties
 * is changed: an edit of one job works out that job anew, not the others. For what reads no other duty.
 *
 * @param work pure; given the build besides its jobs, answers for each of them
 */
export const ofEachDuty = <V>(
  work: (besides: Build) => (duty: Duty) => V,
): ((build: Build) => (duty: Duty) => V) => rememberedBesidesJobs((besides) => remembered(work(besides)));
