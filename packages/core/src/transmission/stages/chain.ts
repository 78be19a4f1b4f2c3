import { z } from 'zod';
import { degreesToRadians, quantity, figure, sentence } from '../../quantity/index.ts';
import { NotPhysical, remembered, notice, type Notice } from '../../contract/index.ts';
import { allowedLoad } from '../allowed-load.ts';
import { chainDrive } from '../chain-drive.ts';
import { CHAIN_NAMES, chainSize } from '../chains.ts';
import { stageCommon, tensioner } from './fields.ts';
import type { ShaftPull, StageFigures, StageLoad, StageStrength } from './stage-report.ts';

export const chainSchema = z.strictObject({
  ...stageCommon,
  kind: z.literal('chain'),
  tensioner,
  chain: z.enum(CHAIN_NAMES).meta({ title: 'Chain size' }),
  teethDriver: z.int().min(3).max(500).meta({ title: 'Driver teeth' }),
  teethDriven: z.int().min(3).max(500).meta({ title: 'Driven teeth' }),
  centre: quantity('length', { above: 0 }, 'Centre distance', 'Distance between the shafts'),
  efficiency: quantity('share', { above: 0, most: 1 }, 'Efficiency', 'Share of the power that comes through'),
});

export type Chain = z.output<typeof chainSchema>;

/** Sprockets under this run rough and wear the chain (common practice, no source). */
const LEAST_TEETH = 9;
/** Tensile strength over working pull of a chain that starts, stops and runs dirty (common practice, no source). */
export const SAFETY_OF_CHAIN = 7;
/** A chain that is held at a stall keeps three times what it takes (common practice, no source). */
const SAFETY_AT_STALL = 3;
/** Least wrap on the small sprocket, degrees (common practice, no source). */
const LEAST_WRAP_DEG = 120;

/** What the calculator takes of this stage, and of its load where there is one. */
export const chainLoad = (stage: Chain, load?: StageLoad) => ({
  chain: stage.chain,
  teethSmall: Math.min(stage.teethDriver, stage.teethDriven),
  teethLarge: Math.max(stage.teethDriver, stage.teethDriven),
  centreMm: stage.centre.value * 1000,
  ...(load && load.inputTorqueNm > 0 ? { torqueNm: smallSprocketTorque(stage, load) } : {}),
});

/** The calculator's answer for this stage: the one geometry that screens, drawings and evaluation share. */
export const chainGeometry = (stage: Chain, load?: StageLoad) => chainDrive.run(chainLoad(stage, load));

/** A chain that speeds up is driven at its large sprocket: the small one then carries the lesser torque. */
const smallSprocketTorque = (stage: Chain, load: StageLoad): number =>
  load.inputTorqueNm * Math.min(1, stage.teethDriven / stage.teethDriver);

export const chainFigures = remembered((stage: Chain): StageFigures => {
  const figures = {
    ratio: stage.teethDriven / stage.teethDriver,
    efficiency: stage.efficiency.value,
  };
  try {
    const geometry = chainGeometry(stage);
    const small = Math.min(stage.teethDriver, stage.teethDriven);
    const warnings: Notice[] = [];
    if (small < LEAST_TEETH)
      warnings.push(
        notice(
          'few-teeth',
          sentence`A sprocket of ${small} teeth runs rough: the chain’s speed swings by ${figure(geometry.chordalVariation, 'share', 2)}. Use ${LEAST_TEETH} or more.`,
        ),
      );
    if (geometry.wrapDeg < LEAST_WRAP_DEG)
      warnings.push(
        notice(
          'little-wrap',
          sentence`The chain wraps only ${geometry.wrapDeg.toFixed(0)}° of the small sprocket: move the shafts apart for ${LEAST_WRAP_DEG}° or more.`,
        ),
      );
    const outside = [geometry.outsideDiameterSmallMm / 1000, geometry.outsideDiameterLargeMm / 1000] as const;
    const [driver, driven] = stage.teethDriver <= stage.teethDriven ? outside : [outside[1], outside[0]];
    const wrap = { title: 'wrap', value: degreesToRadians(geometry.wrapDeg), dimension: 'angle' } as const;
    return { ...figures, warnings, facts: [wrap], outsideM: { driver, driven } };
  } catch (error) {
    if (!(error instanceof NotPhysical)) throw error;
    return { ...figures, problem: error.notice, warnings: [] };
  }
});

export function chainStrength(stage: Chain, load: StageLoad): StageStrength | undefined {
  if (load.inputTorqueNm <= 0 || chainFigures(stage).problem !== undefined) return undefined;
  const { tensileN } = chainSize(stage.chain);
  return {
    link: 'chain-pull',
    needs: chainGeometry(stage, load).pullN ?? 0,
    has: allowedLoad.run({ strengthN: tensileN, safetyFactor: SAFETY_OF_CHAIN }).allowedN,
    momentary: SAFETY_OF_CHAIN / SAFETY_AT_STALL,
  };
}

export function chainPull(stage: Chain, load: StageLoad): ShaftPull | undefined {
  const strength = chainStrength(stage, load);
  if (!strength) return undefined;
  const { wrapDeg } = chainGeometry(stage);
  return { tightN: strength.needs, slackN: 0, wrapDeg };
}
