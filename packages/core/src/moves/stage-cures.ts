import { show, type UnitSystem } from '../quantity/index.ts';
import {
  CHAIN_SIZES,
  freshStage,
  stageFigures,
  stageName,
  type Stage,
  type StageOf,
} from '../transmission/index.ts';
import type { Build } from '../vehicle/index.ts';
import { scaled, withStage, type Candidate } from './candidate.ts';
import { byOtherKinds, resized, teethOf } from './stage-candidates.ts';

/** Fewest teeth of a gear of 20° that is not undercut: 2/sin²20°, made whole. */
const NOT_UNDERCUT = 18;

/** How far the middles of two wheels stand apart where they would touch, metres. */
const touching = (diametersM: readonly number[]): number => diametersM.reduce((sum, d) => sum + d / 2, 0);
/** Diameter of a wheel whose teeth are a pitch apart, metres. */
const acrossTeeth = (teeth: number, pitchM: number): number => (teeth * pitchM) / Math.PI;

/** Room between two wheels, as shares of where they touch. */
const ROOM = [1.2, 1.6, 2.4] as const;

/** Teeth of a belt round two pulleys at a centre distance of so many pitches. */
const beltRound = (teethDriver: number, teethDriven: number, pitches: number): number =>
  Math.ceil(
    (teethDriver + teethDriven) / 2 +
      2 * pitches +
      ((teethDriven - teethDriver) / (2 * Math.PI)) ** 2 / pitches,
  );

/** What makes a stage that warns or cannot be built whole again. */
export function stageCures(build: Build, stageId: string, system: UnitSystem): readonly Candidate[] {
  const stage = build.drive.stages.find(({ id }) => id === stageId);
  if (!stage) return [];
  const with_ = (text: string, changed: Stage): Candidate => ({ text, build: withStage(build, changed) });
  const instead = byOtherKinds(build, stage);
  /** Its shafts further apart than now, and than where its wheels touch. */
  const further = (
    now: StageOf<'chain' | 'friction-belt' | 'track'>,
    touchM: number,
    what: string,
  ): Candidate[] =>
    [...[1.5, 2, 3].map((by) => by * now.centre.value), ...ROOM.map((room) => room * touchM)].map((apart) =>
      with_(`${what} ${show(apart, 'length', system).text} apart`, {
        ...now,
        centre: { ...now.centre, value: apart, origin: 'typed' },
      }),
    );
  switch (stage.kind) {
    case 'chain': {
      const pitchM = CHAIN_SIZES[stage.chain].pitchMm / 1000;
      const across = [stage.teethDriver, stage.teethDriven].map((teeth) => acrossTeeth(teeth, pitchM));
      return [
        ...[1.25, 1.5, 2].map((by) => {
          const larger = resized(stage, by);
          return with_(`Sprockets of ${teethOf(larger)} teeth`, larger);
        }),
        ...further(stage, touching(across), 'The shafts'),
      ];
    }
    case 'timing-belt': {
      const { teethDriver, teethDriven } = stage;
      const touch = (teethDriver + teethDriven) / (2 * Math.PI);
      const lengths = [
        ...[1.15, 1.3, 1.6].map((by) => Math.ceil(stage.beltTeeth * by)),
        ...ROOM.map((room) => beltRound(teethDriver, teethDriven, room * touch)),
      ];
      return lengths.map((beltTeeth) => with_(`A belt of ${beltTeeth} teeth`, { ...stage, beltTeeth }));
    }
    case 'friction-belt':
      return [
        ...[1.3, 1.6].map((by) =>
          with_(`Pulleys ${by} × as large`, {
            ...stage,
            driverDiameter: scaled(stage.driverDiameter, by),
            drivenDiameter: scaled(stage.drivenDiameter, by),
          }),
        ),
        ...further(stage, touching([stage.driverDiameter.value, stage.drivenDiameter.value]), 'The shafts'),
        ...instead,
      ];
    case 'spur':
    case 'bevel': {
      const whole = NOT_UNDERCUT / Math.min(stage.teethDriver, stage.teethDriven);
      return [
        ...[whole, 1.15, 1.4, 1.8]
          .filter((by) => by > 1)
          .map((by) => {
            const larger = resized(stage, by);
            return with_(`Gears of ${teethOf(larger)} teeth`, larger);
          }),
        with_('Gears half as wide', { ...stage, faceWidth: scaled(stage.faceWidth, 0.5) }),
      ];
    }
    case 'planetary':
      return [
        with_('A set that goes together', freshStage('planetary', stage.id, stageFigures(stage).ratio)),
      ];
    case 'worm':
      // Coming down it drives back more easily too.
      return [with_('Two starts and twice the lead', { ...stage, ...twoStarts(stage) })];
    case 'spool':
      return [
        without(build, stage),
        with_('A thicker core', { ...stage, coreDiameter: scaled(stage.ropeDiameter, 10) }),
      ];
    case 'track':
      return [
        without(build, stage),
        ...[1.3, 1.6].map((by) => {
          const sprocketTeeth = Math.round(stage.sprocketTeeth * by);
          return with_(`A sprocket of ${sprocketTeeth} teeth, its loop longer`, {
            ...stage,
            sprocketTeeth,
            centre: scaled(stage.centre, 1.2),
          });
        }),
        ...further(
          stage,
          touching([acrossTeeth(stage.sprocketTeeth, stage.pitch.value), stage.idlerDiameter.value]),
          'Sprocket and idler',
        ),
      ];
    default:
      return instead;
  }
}

const twoStarts = ({ starts, wheelTeeth, leadAngle }: StageOf<'worm'>) => ({
  starts: starts * 2,
  wheelTeeth: wheelTeeth * 2,
  leadAngle: scaled(leadAngle, 2),
});

/** Takes a stage out of the drive. */
const without = (build: Build, stage: Stage): Candidate => ({
  text: `No ${stageName(stage.kind)}`,
  build: {
    ...build,
    drive: { ...build.drive, stages: build.drive.stages.filter(({ id }) => id !== stage.id) },
  },
});
