import { evaluate, type Report } from '../judge/index.ts';
import {
  changeAxle,
  layoutTemplate,
  newBuild,
  withLayout,
  type Build,
  type Duty,
  type Part,
} from '../vehicle/index.ts';
import { typed, type UnitSystem } from '../quantity/index.ts';
import { findingsInWords, movesInWords, type FindingInWords } from '../say/index.ts';
import { moves } from '../moves/index.ts';

export const degrees = (n: number) => typed((n * Math.PI) / 180, '°');

export const on = (id: string, build: Build = newBuild('Gull')): Build => {
  const template = layoutTemplate(id);
  if (!template) throw new Error(`no layout ${id}`);
  return withLayout(build, template);
};

interface Vehicle {
  readonly layout: string;
  readonly wheelbaseM: number;
  readonly ahead: number;
  readonly height: number;
  readonly friction: number;
  readonly rolling?: number;
}

/** One mass on two axles, all wheels alike. */
export function twoAxles({ layout, wheelbaseM, ahead, height, friction, rolling = 0 }: Vehicle): Build {
  const build = changeAxle(on(layout), 'front', { ahead: typed(wheelbaseM, 'm') });
  const { own, payload } = build.masses;
  const [ground] = build.grounds;
  const [duty] = build.duties;
  if (!ground || !duty) throw new Error('a new build has a ground and a job');
  const at = { aheadOfRearAxle: typed(ahead, 'm'), left: typed(0, 'm'), height: typed(height, 'm') };
  return {
    ...build,
    masses: { own: { ...own, ...at }, payload: { ...payload, ...at }, others: [] },
    grounds: [
      {
        ...ground,
        rolling: typed(rolling, ''),
        freeRolling: typed(rolling, ''),
        friction: typed(friction, ''),
        across: typed(friction, ''),
      },
    ],
    duties: [duty],
  };
}

/** A cart of a metre between its axles, driven behind; what is told otherwise is otherwise. */
export const rearDriven = (more: Partial<Vehicle> = {}): Build =>
  twoAxles({
    layout: 'rear-drive',
    wheelbaseM: 1,
    ahead: 0.4,
    height: 0.3,
    friction: 0.7,
    rolling: 0.04,
    ...more,
  });

export const firstDuty = (build: Build): Duty => {
  const [duty] = build.duties;
  if (!duty) throw new Error('the build has no job');
  return duty;
};
export const withDuty = (build: Build, part: Partial<Duty>): Build => ({
  ...build,
  duties: [{ ...firstDuty(build), ...part }],
});
/** The build with each of its grounds so changed. */
export const withGround = (build: Build, part: Partial<Build['grounds'][number]>): Build => ({
  ...build,
  grounds: build.grounds.map((ground) => ({ ...ground, ...part })),
});
/** What is found of a build, each with its sentence. */
export const saidOf = (build: Build, system?: UnitSystem): readonly FindingInWords[] =>
  findingsInWords({ build, report: evaluate(build) }, system);
/** Every sentence that is said of a build, with ordinary spaces. */
export const textsOf = (build: Build, system?: UnitSystem): string =>
  saidOf(build, system)
    .map(({ text }) => text)
    .join('\n')
    .replaceAll('\u00a0', ' ');
export const reportOf = (build: Build): Report['duties'][number] => {
  const [report] = evaluate(build).duties;
  if (!report) throw new Error('the build has no job');
  return report;
};

/** The moves of a build as they are read. */
export const saidMoves = (
  build: Build,
  report: Report,
  { shelf, system = 'metric' }: { readonly shelf: readonly Part[]; readonly system?: UnitSystem },
) => movesInWords(moves(build, report, { shelf }), system);
