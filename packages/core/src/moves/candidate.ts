import type { LinkReport, Report } from '../judge/index.ts';
import type { Words } from '../quantity/index.ts';
import type { Stage } from '../transmission/index.ts';
import { driveOf, changeDrive, type Build, type Duty, type Part } from '../vehicle/index.ts';

/** A change of the build that may mend something, before it is known what it does. */
export interface Candidate {
  readonly text: Words;
  readonly build: Build;
  /** What it costs that no margin tells: less that is asked of the vehicle, a part more. */
  readonly cost?: Words;
  /** Whether it asks less of the vehicle instead of making it do more. */
  readonly asksLess?: true;
}

/** What a generator may look at. */
export interface MoveContext {
  readonly build: Build;
  readonly link: LinkReport;
  readonly report: Report;
  readonly duty: Duty | undefined;
  readonly shelf: readonly Part[];
  /** What its duties come to once it is so, asked once for each build. */
  readonly reports: (made: Build) => Pick<Report, 'duties' | 'drives' | 'train'>;
}

/** What proposes changes for a margin. */
export type Generator = (asked: MoveContext) => readonly Candidate[];

/** The build with one stage changed. */
export const withStage = (build: Build, stage: Stage): Build =>
  changeDrive(build, { stages: driveOf(build).stages.map((s) => (s.id === stage.id ? stage : s)) });

/** A brake on the wheels that carry the weight going down: all of them. */
export const brakedAll = (build: Build): Candidate => ({
  text: build.brake.kind === 'friction' ? 'Every axle braked' : 'A friction brake on every axle',
  cost: 'brakes with lever and cables to buy, fit and look after',
  build: {
    ...build,
    brake: { ...build.brake, kind: 'friction' },
    layout: { ...build.layout, axles: build.layout.axles.map((axle) => ({ ...axle, braked: true })) },
  },
});

/** No part runs at more than this times its rated voltage (common practice, no source). */
export const MOST_OVER_RATED = 1.3;
