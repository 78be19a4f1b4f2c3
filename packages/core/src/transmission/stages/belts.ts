import { z } from 'zod';
import { degreesToRadians, radiansToDegrees, quantity, figure, sentence } from '../../quantity/index.ts';
import { remembered, notice, type Notice } from '../../contract/index.ts';
import { V_SECTIONS, V_SECTION_NAMES, meshShare, sectionFor } from '../belt-tables.ts';
import { frictionBelt } from '../friction-belt.ts';
import { frictionWheel } from '../friction-wheel.ts';
import { rimPull } from '../rim-pull.ts';
import { timingBelt } from '../timing-belt.ts';
import { diameter, efficiency, friction, orProblem, stageCommon, teeth, tensioner, toMm } from './fields.ts';
import type { ShaftPull, StageFigures, StageLoad, StageStrength } from './stage-report.ts';

export const timingBeltSchema = z.strictObject({
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

export const frictionBeltSchema = z.strictObject({
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

export const frictionWheelSchema = z.strictObject({
  ...stageCommon,
  kind: z.literal('friction-wheel'),
  driverDiameter: diameter('Roller diameter'),
  drivenDiameter: diameter('Wheel diameter'),
  press: quantity('force', { above: 0 }, 'Press', 'Force that presses the roller on'),
  friction: friction(),
  efficiency,
});

export type TimingBelt = z.output<typeof timingBeltSchema>;
export type FrictionBelt = z.output<typeof frictionBeltSchema>;
export type FrictionWheel = z.output<typeof frictionWheelSchema>;

/** What the calculator takes of this stage. */
export const timingBeltInput = (stage: TimingBelt) => ({
  pitchMm: toMm(stage.pitch.value),
  teethSmall: Math.min(stage.teethDriver, stage.teethDriven),
  teethLarge: Math.max(stage.teethDriver, stage.teethDriven),
  beltTeeth: stage.beltTeeth,
});

const pulleyOf = (stage: TimingBelt, teethOf: number): number => (stage.pitch.value * teethOf) / Math.PI;

export const timingBeltFigures = remembered((stage: TimingBelt): StageFigures =>
  orProblem({ ratio: stage.teethDriven / stage.teethDriver, efficiency: stage.efficiency.value }, () => {
    const { centreMm, warnings, teethInMesh, wrapDeg } = timingBelt.run(timingBeltInput(stage));
    return {
      warnings,
      facts: [
        { title: 'shafts apart', value: centreMm / 1000, dimension: 'length' },
        { title: 'wrap', value: degreesToRadians(wrapDeg), dimension: 'angle' },
        { title: 'teeth in mesh', value: Math.floor(teethInMesh), dimension: 'number' },
      ],
      outsideM: { driver: pulleyOf(stage, stage.teethDriver), driven: pulleyOf(stage, stage.teethDriven) },
    };
  }),
);

/** What a toothed belt may work with, N: by its width, less with few teeth in mesh. */
export function workingPull(stage: TimingBelt): number {
  const { teethInMesh } = timingBelt.run(timingBeltInput(stage));
  return stage.width.value * stage.pullPerWidth.value * meshShare(teethInMesh);
}

export function timingBeltStrength(
  stage: TimingBelt,
  { inputTorqueNm }: StageLoad,
): StageStrength | undefined {
  if (inputTorqueNm <= 0 || timingBeltFigures(stage).problem !== undefined) return undefined;
  const given = {
    torqueNm: inputTorqueNm,
    diameterMm: (toMm(stage.pitch.value) * stage.teethDriver) / Math.PI,
  };
  return {
    link: 'belt-pull',
    needs: rimPull.run(given).pullN,
    has: workingPull(stage),
    sum: { calculator: rimPull, given, key: 'pullN' },
    momentary: MOMENTARY_OF_BELT,
  };
}

/** Each strand is set to about the pull of the hardest duty, so that no tooth jumps (common practice, no source). */
export function timingBeltPull(stage: TimingBelt, load: StageLoad): ShaftPull | undefined {
  const strength = timingBeltStrength(stage, load);
  if (!strength || timingBeltFigures(stage).problem !== undefined) return undefined;
  const { wrapDeg } = timingBelt.run(timingBeltInput(stage));
  return {
    tightN: 1.5 * strength.needs,
    slackN: 0.5 * strength.needs,
    wrapDeg: stage.teethDriver <= stage.teethDriven ? wrapDeg : 360 - wrapDeg,
  };
}

/** A toothed belt at a stall, once: about twice its working pull, then teeth jump (common practice, no source). */
const MOMENTARY_OF_BELT = 2;

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
            sentence`A V-belt ${section.title} takes ${figure(section.tensionN, 'force')} of tension a strand; more wears belt and bearings and does not count.`,
          ),
        ]
      : []),
  ];
}
const UNLOADED: StageLoad = { inputTorqueNm: 1e-9, inputRpm: 0 };

export const frictionBeltFigures = remembered((stage: FrictionBelt): StageFigures =>
  orProblem(
    { ratio: stage.drivenDiameter.value / stage.driverDiameter.value, efficiency: stage.efficiency.value },
    () => {
      const { wrapDeg } = frictionBelt.run(frictionBeltInput(stage, UNLOADED));
      return {
        warnings: vBeltWarnings(stage),
        facts: [{ title: 'wrap', value: degreesToRadians(wrapDeg), dimension: 'angle' }],
        outsideM: { driver: stage.driverDiameter.value, driven: stage.drivenDiameter.value },
      };
    },
  ),
);

/** The most pull that a belt's section stands, less round a pulley that is too small for it; a flat belt only slips. */
function mostPull(stage: FrictionBelt): number {
  const section = sectionOf(stage);
  return section ? section.pullN * Math.min(1, smallPulley(stage) / section.smallestM) : Infinity;
}

export function frictionBeltStrength(stage: FrictionBelt, load: StageLoad): StageStrength | undefined {
  if (load.inputTorqueNm <= 0 || frictionBeltFigures(stage).problem !== undefined) return undefined;
  const given = frictionBeltInput(stage, load);
  const { pullN, transmissiblePullN } = frictionBelt.run(given);
  return {
    link: 'slip',
    needs: pullN,
    has: Math.min(transmissiblePullN, mostPull(stage)),
    sum: { calculator: frictionBelt, given, key: 'pullN' },
  };
}

/** Standing still each strand has the tension it was given; under load one takes what the other gives. */
export function frictionBeltPull(stage: FrictionBelt, load: StageLoad): ShaftPull | undefined {
  const strength = frictionBeltStrength(stage, load);
  if (!strength) return undefined;
  const { wrapDeg } = frictionBelt.run(frictionBeltInput(stage, load));
  const half = Math.min(strength.needs / 2, stage.tension.value);
  return {
    tightN: stage.tension.value + half,
    slackN: stage.tension.value - half,
    wrapDeg: Math.min(wrapDeg, 180),
  };
}

export const frictionWheelFigures = (stage: FrictionWheel): StageFigures => ({
  ratio: stage.drivenDiameter.value / stage.driverDiameter.value,
  efficiency: stage.efficiency.value,
  warnings: [],
});

export function frictionWheelStrength(
  stage: FrictionWheel,
  { inputTorqueNm }: StageLoad,
): StageStrength | undefined {
  if (inputTorqueNm <= 0) return undefined;
  const given = {
    driverDiameterMm: toMm(stage.driverDiameter.value),
    torqueNm: inputTorqueNm,
    pressN: stage.press.value,
    friction: stage.friction.value,
  };
  const { pullN, transmissiblePullN } = frictionWheel.run(given);
  return {
    link: 'slip',
    needs: pullN,
    has: transmissiblePullN,
    sum: { calculator: frictionWheel, given, key: 'pullN' },
  };
}

/** The press and the pull stand square to each other. */
export function frictionWheelPull(stage: FrictionWheel, load: StageLoad): ShaftPull {
  const { pullN } = frictionWheel.run({
    driverDiameterMm: toMm(stage.driverDiameter.value),
    torqueNm: Math.max(load.inputTorqueNm, 0),
    pressN: stage.press.value,
    friction: stage.friction.value,
  });
  return { tightN: Math.hypot(stage.press.value, pullN), slackN: 0, wrapDeg: 180 };
}
