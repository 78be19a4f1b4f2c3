import { z } from 'zod';
import { remembered, sumOf } from '../../contract/index.ts';
import { assumed, degreesToRadians, quantity, figure, sentence } from '../../quantity/index.ts';
import { BELT_WIDTHS_M, meshShare, usualPullPerWidth } from '../belt-tables.ts';
import { rimPull } from '../rim-pull.ts';
import { timingBelt as timingBeltSum } from '../timing-belt.ts';
import { ROOM } from './changes.ts';
import { efficiency, orProblem, stageCommon, teeth, tensioner, toMm } from './fields.ts';
import { mm, pairNear, share, type TeethLimits } from './fresh-sizes.ts';
import type { StageMember } from './member.ts';
import type { StageFigures, StageLoad, StageStrength } from './stage-report.ts';
import { belted, sizeOf } from './work.ts';

const schema = z.strictObject({
  ...stageCommon,
  kind: z.literal('timing-belt'),
  tensioner,
  pitch: quantity('length', { above: 0 }, 'Pitch'),
  teethDriver: teeth('Driver teeth'),
  teethDriven: teeth('Driven teeth'),
  beltTeeth: z.int().min(6).max(5000).meta({ title: 'Belt teeth' }),
  width: quantity('length', { above: 0 }, 'Width'),
  pullPerWidth: quantity(
    'line-pull',
    { above: 0 },
    'Pull for its width',
    'Pull that each length of its width may work with',
  ),
  efficiency,
});
export type TimingBelt = z.output<typeof schema>;

/** Teeth as they are to be had (common practice, no source): no stage turns down by more than eight. */
const TEETH: TeethLimits = { usual: 20, least: 16, most: 128 };
/** A toothed belt at a stall, once: about twice its working pull, then teeth jump (common practice, no source). */
const MOMENTARY_OF_BELT = 2;

/**
 * What the calculator takes of this stage.
 *
 * @example timingBeltInput(freshStage('timing-belt', 'b', 3)).pitchMm // 5
 */
export const timingBeltInput = (stage: TimingBelt) => ({
  pitchMm: toMm(stage.pitch.value),
  teethSmall: Math.min(stage.teethDriver, stage.teethDriven),
  teethLarge: Math.max(stage.teethDriver, stage.teethDriven),
  beltTeeth: stage.beltTeeth,
});

/** A toothed belt is so thick, in pitches, teeth counted; and stretches so much at its working pull (common practice, no source). */
const THICK = 0.75;
const STRETCH = 0.003;

const pulleyOf = (stage: TimingBelt, count: number): number => (stage.pitch.value * count) / Math.PI;

const figures = remembered((stage: TimingBelt): StageFigures =>
  orProblem({ ratio: stage.teethDriven / stage.teethDriver, efficiency: stage.efficiency.value }, () => {
    const { centreMm, warnings, teethInMesh, wrapDeg } = timingBeltSum.run(timingBeltInput(stage));
    return {
      warnings,
      facts: [
        { title: 'shafts apart', value: centreMm / 1000, dimension: 'length' },
        { title: 'wrap', value: degreesToRadians(wrapDeg), dimension: 'angle' },
        { title: 'teeth in mesh', value: Math.floor(teethInMesh), dimension: 'number' },
      ],
      outsideM: { driver: pulleyOf(stage, stage.teethDriver), driven: pulleyOf(stage, stage.teethDriven) },
      apartM: centreMm / 1000,
      loop: {
        driverRadiusM: pulleyOf(stage, stage.teethDriver) / 2,
        drivenRadiusM: pulleyOf(stage, stage.teethDriven) / 2,
        thickM: THICK * stage.pitch.value,
        wideM: stage.width.value,
        stiffnessN: (stage.width.value * stage.pullPerWidth.value) / STRETCH,
      },
    };
  }),
);

/** What a toothed belt may work with, N: by its width, less with few teeth in mesh. */
function workingPull(stage: TimingBelt): number {
  const { teethInMesh } = timingBeltSum.run(timingBeltInput(stage));
  return stage.width.value * stage.pullPerWidth.value * meshShare(teethInMesh);
}

function strength(stage: TimingBelt, { inputTorqueNm }: StageLoad): StageStrength | undefined {
  if (inputTorqueNm <= 0 || figures(stage).problem !== undefined) return undefined;
  const given = {
    torqueNm: inputTorqueNm,
    diameterMm: (toMm(stage.pitch.value) * stage.teethDriver) / Math.PI,
  };
  return {
    link: 'belt-pull',
    needs: rimPull.run(given).pullN,
    has: workingPull(stage),
    sum: { ...sumOf(rimPull, given, 'pullN'), from: { torqueNm: 'load' } },
    momentary: MOMENTARY_OF_BELT,
  };
}

/** Belt teeth that leave as much between the pulleys as the large one is wide. */
function beltFor({ teethDriver, teethDriven }: { teethDriver: number; teethDriven: number }): number {
  const large = Math.max(teethDriver, teethDriven);
  return Math.round((teethDriver + teethDriven) / 2 + (3 * large) / Math.PI);
}

/** Teeth of a belt round two pulleys at a centre distance of so many pitches. */
const beltRound = (teethDriver: number, teethDriven: number, pitches: number): number =>
  Math.ceil(
    (teethDriver + teethDriven) / 2 +
      2 * pitches +
      ((teethDriven - teethDriver) / (2 * Math.PI)) ** 2 / pitches,
  );

/** A toothed belt. */
export const timingBelt = {
  schema,
  title: 'Toothed belt',
  school: {
    good: 'Holds by teeth, quiet and clean, almost no play: straight and slow drives like it.',
    bad: 'Jumps when slack or overloaded; comes in set lengths; sand in the teeth eats it.',
  },
  usualPlayDeg: 0.3,
  hubs: ['Driver pulley', 'Driven pulley'],
  holdsBy: 'teeth',
  loop: { name: 'toothed belt' },
  fresh: (id, ratio) => {
    const pair = pairNear(ratio, TEETH);
    return {
      id,
      kind: 'timing-belt',
      pitch: mm(5),
      ...pair,
      beltTeeth: beltFor(pair),
      width: mm(15),
      pullPerWidth: assumed(usualPullPerWidth(0.005), 'N/mm'),
      efficiency: share(0.96),
    };
  },
  figures,
  strength,
  stands: (stage) => ({
    said: { value: workingPull(stage), origin: stage.pullPerWidth.origin },
    dimension: 'force',
    where: 'Drivetrain: its width times the pull for its width, a fifth off for each tooth under six in mesh',
  }),
  /** Each strand is set to about the pull of the hardest duty, so that no tooth jumps (common practice, no source). */
  pull: (stage, load) => {
    const found = strength(stage, load);
    if (!found) return undefined;
    const { wrapDeg } = timingBeltSum.run(timingBeltInput(stage));
    return {
      tightN: 1.5 * found.needs,
      slackN: 0.5 * found.needs,
      wrapDeg: stage.teethDriver <= stage.teethDriven ? wrapDeg : 360 - wrapDeg,
    };
  },
  /** The belt grows as much as its pulleys, so that the shafts stay about where they are. */
  withTeeth: (stage, teethDriver, teethDriven) => {
    const more = teethDriver - stage.teethDriver + teethDriven - stage.teethDriven;
    return { ...stage, teethDriver, teethDriven, beltTeeth: stage.beltTeeth + Math.round(more / 2) };
  },
  cures: (stage) => {
    const { teethDriver, teethDriven } = stage;
    const touch = (teethDriver + teethDriven) / (2 * Math.PI);
    const lengths = [
      ...[1.15, 1.3, 1.6].map((by) => Math.ceil(stage.beltTeeth * by)),
      ...ROOM.map((room) => beltRound(teethDriver, teethDriven, room * touch)),
    ];
    return lengths.map((beltTeeth) => ({
      text: `A belt of ${beltTeeth} teeth`,
      stage: { ...stage, beltTeeth },
    }));
  },
  stronger: (stage) =>
    BELT_WIDTHS_M.filter((width) => width > stage.width.value)
      .slice(0, 4)
      .map((width) => ({
        text: sentence`A belt ${figure(width, 'length')} wide instead of ${figure(stage.width.value, 'length')}`,
        cost: 'pulleys as wide',
        stage: { ...stage, width: { ...stage.width, value: width, origin: 'typed' } },
      })),
  work: belted(
    (stage) => {
      const pitch = sizeOf(stage.pitch);
      return [
        { id: 'driver', name: `Toothed pulley, ${pitch}, ${stage.teethDriver} teeth`, count: 1 },
        { id: 'driven', name: `Toothed pulley, ${pitch}, ${stage.teethDriven} teeth`, count: 1 },
        { id: 'belt', name: `Toothed belt, ${pitch}, ${stage.beltTeeth} teeth`, count: 1 },
      ];
    },
    () =>
      'Straight edge across both flanges; tight enough not to jump, no more: a slot or an idler to set it by.',
  ),
} as const satisfies StageMember<TimingBelt>;
