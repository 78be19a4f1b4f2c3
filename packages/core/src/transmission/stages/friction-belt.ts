import { z } from 'zod';
import { remembered, notice, type Notice, sumOf } from '../../contract/index.ts';
import {
  assumed,
  degreesToRadians,
  figure,
  quantity,
  radiansToDegrees,
  scaled,
  sentence,
  show,
  showNumber,
} from '../../quantity/index.ts';
import { V_SECTIONS, V_SECTION_NAMES, sectionFor } from '../belt-tables.ts';
import { frictionBelt as frictionBeltSum } from '../friction-belt.ts';
import { further, touching } from './changes.ts';
import { diameter, efficiency, friction, orProblem, stageCommon, tensioner, toMm } from './fields.ts';
import { degrees, diameters, mm, share } from './fresh-sizes.ts';
import type { StageMember } from './member.ts';
import type { StageFigures, StageLoad, StageStrength } from './stage-report.ts';
import { belted, sizeOf } from './work.ts';

const schema = z.strictObject({
  ...stageCommon,
  kind: z.literal('friction-belt'),
  tensioner,
  driverDiameter: diameter('Driver diameter'),
  drivenDiameter: diameter('Driven diameter'),
  centre: quantity('length', { above: 0 }, 'Centre distance'),
  /** Of a V-belt; absent: the largest that its small pulley takes. */
  section: z.enum(V_SECTION_NAMES).optional().meta({ title: 'Section' }),
  groove: quantity('angle', { above: 0, most: Math.PI }, 'Groove angle', '180° is a flat belt'),
  friction: friction(),
  tension: quantity('force', { above: 0 }, 'Tension', 'Of each strand, standing still'),
  idlerWrap: quantity('angle', { least: 0, most: Math.PI }, 'Wrap of the idler'),
  efficiency,
});
export type FrictionBelt = z.output<typeof schema>;

/** What the calculator takes of this stage under a load; the small pulley carries the lesser torque. */
export function frictionBeltInput(stage: FrictionBelt, load: StageLoad) {
  const [driver, driven] = [toMm(stage.driverDiameter.value), toMm(stage.drivenDiameter.value)];
  const small = Math.min(driver, driven);
  return {
    smallDiameterMm: small,
    largeDiameterMm: Math.max(driver, driven),
    centreMm: toMm(stage.centre.value),
    grooveAngleDeg: radiansToDegrees(stage.groove.value),
    friction: stage.friction.value,
    massKgPerM: 0,
    smallRpm: (load.inputRpm * driver) / small,
    torqueNm: (load.inputTorqueNm * small) / driver,
    // More tension than its section takes makes no V-belt hold better.
    installedTensionN: Math.min(stage.tension.value, sectionOf(stage)?.tensionN ?? Infinity),
    idlerExtraWrapDeg: radiansToDegrees(stage.idlerWrap.value),
  };
}

const smallPulley = ({ driverDiameter, drivenDiameter }: FrictionBelt): number =>
  Math.min(driverDiameter.value, drivenDiameter.value);

/** What its section allows; undefined for a flat belt. */
function sectionOf(stage: FrictionBelt) {
  if (stage.groove.value >= Math.PI) return undefined;
  return V_SECTIONS[stage.section ?? sectionFor(smallPulley(stage))];
}

/** What a V-belt is wary of: a pulley too small for it, more tension than it takes. */
function vBeltWarnings(stage: FrictionBelt): Notice[] {
  const section = sectionOf(stage);
  if (!section) return [];
  const small = smallPulley(stage);
  return [
    ...(small < section.smallestM
      ? [
          notice(
            'small-pulley',
            sentence`A V-belt ${section.title} round a pulley of ${figure(small, 'length')} bends badly, under its least of ${figure(section.smallestM, 'length')}, and slips at low speed: a larger pulley, or a chain or toothed belt.`,
          ),
        ]
      : []),
    ...(stage.tension.value > section.tensionN
      ? [
          notice(
            'over-tension',
            sentence`A V-belt ${section.title} takes ${figure(section.tensionN, 'force')} of tension in each strand; more wears belt and bearings and does not count.`,
          ),
        ]
      : []),
  ];
}
const UNLOADED: StageLoad = { inputTorqueNm: 1e-9, inputRpm: 0 };

/** A flat belt where nobody says its size (common practice, no source). */
const FLAT = { wideM: 0.025, thickM: 0.003 };
/** A V or flat belt stretches so much at its working pull (common practice, no source). */
const STRETCH = 0.008;

const figures = remembered((stage: FrictionBelt): StageFigures =>
  orProblem(
    { ratio: stage.drivenDiameter.value / stage.driverDiameter.value, efficiency: stage.efficiency.value },
    () => {
      const { wrapDeg } = frictionBeltSum.run(frictionBeltInput(stage, UNLOADED));
      const { wideM, thickM, pullN } = sectionOf(stage) ?? { ...FLAT, pullN: undefined };
      return {
        warnings: vBeltWarnings(stage),
        facts: [{ title: 'wrap', value: degreesToRadians(wrapDeg), dimension: 'angle' }],
        outsideM: { driver: stage.driverDiameter.value, driven: stage.drivenDiameter.value },
        apartM: stage.centre.value,
        loop: {
          driverRadiusM: stage.driverDiameter.value / 2,
          drivenRadiusM: stage.drivenDiameter.value / 2,
          wideM,
          thickM,
          stiffnessN: (pullN ?? 2 * stage.tension.value) / STRETCH,
        },
      };
    },
  ),
);

/** The most pull that a belt's section stands, less round a pulley that is too small for it; a flat belt only slips. */
function mostPull(stage: FrictionBelt): number {
  const section = sectionOf(stage);
  return section ? section.pullN * Math.min(1, smallPulley(stage) / section.smallestM) : Infinity;
}

function strength(stage: FrictionBelt, load: StageLoad): StageStrength | undefined {
  if (load.inputTorqueNm <= 0 || figures(stage).problem !== undefined) return undefined;
  const given = frictionBeltInput(stage, load);
  const { pullN, transmissiblePullN } = frictionBeltSum.run(given);
  return {
    link: 'slip',
    needs: pullN,
    has: Math.min(transmissiblePullN, mostPull(stage)),
    sum: { ...sumOf(frictionBeltSum, given, 'pullN'), from: { torqueNm: 'load' } },
  };
}

/** A belt that holds by friction. */
export const frictionBelt = {
  schema,
  title: 'V or flat belt',
  school: {
    good: 'Slips before something breaks, forgives the line, and a jockey makes a clutch of it.',
    bad: 'Slips on small pulleys at low speed however tight, and more when wet; pulls hard at its bearings.',
  },
  usualPlayDeg: 0,
  hubs: ['Driver pulley', 'Driven pulley'],
  holdsBy: 'friction',
  loop: { name: 'belt' },
  fresh: (id, ratio) => ({
    id,
    kind: 'friction-belt',
    ...diameters(ratio, 80),
    centre: mm(80 * (Math.max(ratio, 1 / ratio) + 2)),
    section: 'A',
    groove: degrees(38),
    friction: assumed(0.35, ''),
    tension: assumed(80, 'N'),
    idlerWrap: degrees(0),
    efficiency: share(0.93),
  }),
  figures,
  strength,
  /** Standing still each strand has the tension it was given; under load one takes what the other gives. */
  pull: (stage, load) => {
    const found = strength(stage, load);
    if (!found) return undefined;
    const { wrapDeg } = frictionBeltSum.run(frictionBeltInput(stage, load));
    const half = Math.min(found.needs / 2, stage.tension.value);
    return {
      tightN: stage.tension.value + half,
      slackN: stage.tension.value - half,
      wrapDeg: Math.min(wrapDeg, 180),
    };
  },
  cures: (stage) => [
    ...[1.3, 1.6].map((by) => ({
      text: `Pulleys ${by} × as large`,
      stage: {
        ...stage,
        driverDiameter: scaled(stage.driverDiameter, by),
        drivenDiameter: scaled(stage.drivenDiameter, by),
      },
    })),
    ...further(stage, touching([stage.driverDiameter.value, stage.drivenDiameter.value]), {
      what: 'The shafts',
    }),
  ],
  stronger: (stage) =>
    [1.5, 2].map((by) => ({
      text: `${showNumber(by)} × the belt's tension`,
      cost: `${showNumber(by)} times the pull on its shafts and bearings`,
      stage: { ...stage, tension: scaled(stage.tension, by) },
    })),
  work: belted(
    (stage) => [
      { id: 'driver', name: `Pulley, ${sizeOf(stage.driverDiameter)}`, count: 1 },
      { id: 'driven', name: `Pulley, ${sizeOf(stage.drivenDiameter)}`, count: 1 },
      { id: 'belt', name: stage.groove.value < Math.PI ? 'V-belt' : 'Flat belt', count: 1 },
    ],
    (stage) =>
      `Each strand to ${show(stage.tension.value, 'force', 'as-typed', { typedUnit: stage.tension.unit }).text} standing still; check again after the first hour.`,
  ),
} as const satisfies StageMember<FrictionBelt>;
