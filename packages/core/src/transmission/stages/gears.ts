import { notice } from '../../contract/index.ts';
import { z } from 'zod';
import { degreesToRadians, sentence } from '../../quantity/index.ts';
import { bevelPair } from '../bevel-pair.ts';
import { LEAST_TEETH } from '../gear-bending.ts';
import { gearPair } from '../gear-pair.ts';
import { planetary } from '../planetary.ts';
import { cut, cutIfKnown, efficiency, orProblem, stageCommon, teeth, toMm } from './fields.ts';
import { MOMENTARY_OF_TEETH, PASCALS, toothStrength } from './tooth-strength.ts';
import type { ShaftPull, StageFigures, StageLoad, StageStrength } from './stage-report.ts';

const toothed = {
  teethDriver: teeth('Driver teeth'),
  teethDriven: teeth('Driven teeth'),
  ...cut,
  efficiency,
} as const;

export const spurSchema = z.strictObject({ ...stageCommon, kind: z.literal('spur'), ...toothed });
export const bevelSchema = z.strictObject({ ...stageCommon, kind: z.literal('bevel'), ...toothed });
export const planetarySchema = z.strictObject({
  ...stageCommon,
  kind: z.literal('planetary'),
  sunTeeth: teeth('Sun teeth'),
  ringTeeth: teeth('Ring teeth'),
  planets: z.int().min(1).max(12).meta({ title: 'Planets' }),
  ...cutIfKnown,
  efficiency,
});

export type Spur = z.output<typeof spurSchema>;
export type Bevel = z.output<typeof bevelSchema>;
export type Planetary = z.output<typeof planetarySchema>;

/** Over the tips of the teeth, metres. */
const outsideOf = ({ teethDriver, teethDriven, module }: Spur | Bevel) => ({
  driver: (teethDriver + 2) * module.value,
  driven: (teethDriven + 2) * module.value,
});

/** Teeth press square to their flanks, at 20°. */
const PRESSURE_ANGLE = degreesToRadians(20);

export const toothPull = (stage: Spur | Bevel, load: StageLoad): ShaftPull | undefined =>
  load.inputTorqueNm <= 0
    ? undefined
    : {
        tightN:
          (2 * load.inputTorqueNm) / (stage.teethDriver * stage.module.value) / Math.cos(PRESSURE_ANGLE),
        slackN: 0,
        wrapDeg: 180,
      };

export const spurFigures = (stage: Spur): StageFigures =>
  orProblem({ ratio: stage.teethDriven / stage.teethDriver, efficiency: stage.efficiency.value }, () => {
    const { teethDriver, teethDriven } = stage;
    const pair = gearPair.run({
      moduleMm: toMm(stage.module.value),
      teethDriver,
      teethDriven,
      pressureAngleDeg: 20,
      efficiency: stage.efficiency.value,
    });
    return {
      warnings:
        pair.undercutDriver || pair.undercutDriven
          ? [
              notice(
                'undercut',
                sentence`A gear of ${Math.min(teethDriver, teethDriven)} teeth is undercut at 20°: weaker at the root, and rough.`,
              ),
            ]
          : [],
      facts: [{ title: 'shafts apart', value: pair.centreDistanceMm / 1000, dimension: 'length' }],
      outsideM: outsideOf(stage),
    };
  });

/** The smaller gear gives out first: its torque and speed, from those of the driver. */
export function spurStrength(stage: Spur, load: StageLoad): StageStrength | undefined {
  const small = Math.min(stage.teethDriver, stage.teethDriven);
  if (load.inputTorqueNm <= 0 || small < LEAST_TEETH) return undefined;
  const turns = stage.teethDriver / small;
  return toothStrength(stage, {
    teeth: small,
    torqueNm: load.inputTorqueNm / turns,
    rpm: load.inputRpm * turns,
  });
}

const bevelInput = (stage: Bevel) => ({
  moduleMm: toMm(stage.module.value),
  teethDriver: stage.teethDriver,
  teethDriven: stage.teethDriven,
  faceWidthMm: toMm(stage.faceWidth.value),
  rpm: 0,
});

export const bevelFigures = (stage: Bevel): StageFigures =>
  orProblem({ ratio: stage.teethDriven / stage.teethDriver, efficiency: stage.efficiency.value }, () => {
    const { coneDistanceMm, warnings } = bevelPair.run(bevelInput(stage));
    return {
      warnings,
      facts: [{ title: 'cone distance', value: coneDistanceMm / 1000, dimension: 'length' }],
      outsideM: outsideOf(stage),
    };
  });

export function bevelStrength(stage: Bevel, load: StageLoad): StageStrength | undefined {
  if (load.inputTorqueNm <= 0 || bevelFigures(stage).problem !== undefined) return undefined;
  const given = { ...bevelInput(stage), torqueNm: load.inputTorqueNm, rpm: load.inputRpm };
  const { stressMPa } = bevelPair.run(given);
  if (stressMPa === undefined) return undefined;
  return {
    link: 'tooth-stress',
    needs: stressMPa * PASCALS,
    has: stage.allowable.value,
    sum: { calculator: bevelPair, given, key: 'stressMPa' },
    momentary: MOMENTARY_OF_TEETH,
  };
}

/** Planets never share quite evenly: the hardest carries a quarter more than its part (common practice, no source). */
const UNEVEN = 1.25;

/** The smaller of sun and planet gives out first; where module, width and material are known. */
export function planetaryStrength(stage: Planetary, load: StageLoad): StageStrength | undefined {
  const { sunTeeth, ringTeeth, planets, module, faceWidth, allowable } = stage;
  const small = Math.min(sunTeeth, (ringTeeth - sunTeeth) / 2);
  if (!module || !faceWidth || !allowable || load.inputTorqueNm <= 0 || small < LEAST_TEETH) return undefined;
  return toothStrength(
    { module, faceWidth, allowable },
    {
      teeth: small,
      torqueNm: ((load.inputTorqueNm * small) / sunTeeth / planets) * (planets > 1 ? UNEVEN : 1),
      // Teeth mesh as fast as the sun turns past the carrier.
      rpm: (load.inputRpm * (1 - 1 / (1 + ringTeeth / sunTeeth)) * sunTeeth) / small,
    },
  );
}

export const planetaryFigures = (stage: Planetary): StageFigures =>
  orProblem(
    { ratio: 1 + stage.ringTeeth / stage.sunTeeth, efficiency: stage.efficiency.value },
    (): Partial<StageFigures> => {
      const { sunTeeth, ringTeeth, planets } = stage;
      const { planetTeeth, assembles } = planetary.run({ sunTeeth, ringTeeth, planets });
      return assembles
        ? {
            facts: [{ title: 'planet teeth', value: planetTeeth, dimension: 'number' }],
            ...(stage.module
              ? {
                  outsideM: {
                    driver: (ringTeeth + 5) * stage.module.value,
                    driven: (ringTeeth + 5) * stage.module.value,
                  },
                }
              : {}),
          }
        : {
            problem: notice(
              'planets-do-not-fit',
              sentence`${planets} planets do not go between ${sunTeeth} and ${ringTeeth} teeth: ring and sun together must divide by the planets, the planets have whole teeth, and neighbours clear each other.`,
            ),
          };
    },
  );
