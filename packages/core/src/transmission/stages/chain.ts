import { z } from 'zod';
import { remembered, notice, type Notice, sumOf } from '../../contract/index.ts';
import {
  HOUR_S,
  MINUTE_S,
  degreesToRadians,
  figure,
  quantity,
  sentence,
  show,
} from '../../quantity/index.ts';
import { allowedLoad } from '../allowed-load.ts';
import { chainDrive } from '../chain-drive.ts';
import { CHAIN_NAMES, CHAIN_SIZES, chainSize } from '../chains.ts';
import { acrossTeeth, further, resizedPair, teethOf, touching } from './changes.ts';
import { efficiency, orProblem, stageCommon, teeth, tensioner } from './fields.ts';
import { mm, pairNear, share, type TeethLimits } from './fresh-sizes.ts';
import type { StageMember } from './member.ts';
import type { StageFigures, StageLoad, StageStrength } from './stage-report.ts';
import { lockScrews } from './work.ts';

const schema = z.strictObject({
  ...stageCommon,
  kind: z.literal('chain'),
  tensioner,
  chain: z.enum(CHAIN_NAMES).meta({ title: 'Chain size' }),
  teethDriver: teeth('Driver teeth'),
  teethDriven: teeth('Driven teeth'),
  centre: quantity('length', { above: 0 }, 'Centre distance', 'Distance between the shafts'),
  efficiency,
});
export type Chain = z.output<typeof schema>;

/** Teeth as they are to be had (common practice, no source): no stage turns down by more than eight. */
const TEETH: TeethLimits = { usual: 12, least: 10, most: 80 };
/** Sprockets under this run rough and wear the chain (common practice, no source). */
const LEAST_TEETH = 9;
/** Tensile strength over working pull of a chain that starts, stops and runs dirty (common practice, no source). */
const SAFETY_OF_CHAIN = 7;
/** A chain that is held at a stall keeps three times what it takes (common practice, no source). */
const SAFETY_AT_STALL = 3;
/** Least wrap on the small sprocket, degrees (common practice, no source). */
const LEAST_WRAP_DEG = 120;

/**
 * What the calculator takes of this stage, and of its load where there is one.
 *
 * @example chainLoad(stage).chain // 'ansi-35'
 */
export const chainLoad = (stage: Chain, load?: StageLoad) => ({
  chain: stage.chain,
  teethSmall: Math.min(stage.teethDriver, stage.teethDriven),
  teethLarge: Math.max(stage.teethDriver, stage.teethDriven),
  centreMm: stage.centre.value * 1000,
  ...(load && load.inputTorqueNm > 0 ? { torqueNm: smallSprocketTorque(stage, load) } : {}),
});

/**
 * The calculator's answer for this stage: the one geometry that screens, drawings and evaluation share.
 *
 * @example chainGeometry(stage).links // 66
 */
export const chainGeometry = (stage: Chain, load?: StageLoad) => chainDrive.run(chainLoad(stage, load));

/** A chain that speeds up is driven at its large sprocket: the small one then carries the lesser torque. */
const smallSprocketTorque = (stage: Chain, load: StageLoad): number =>
  load.inputTorqueNm * Math.min(1, stage.teethDriven / stage.teethDriver);

function warningsOf(stage: Chain, geometry: ReturnType<typeof chainGeometry>): Notice[] {
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
  return warnings;
}

/** Height of a chain's plates and its width over the pins, in pitches: the most that ISO 606 has (from memory). */
const PLATE_HEIGHT = 0.95;
const OVER_PINS = 1.5;

/** From a shaft to the pins on its sprocket. */
function pitchRadii({ chain: name, teethDriver, teethDriven }: Chain) {
  const radius = (count: number): number => chainSize(name).pitchMm / 2000 / Math.sin(Math.PI / count);
  return { driverRadiusM: radius(teethDriver), drivenRadiusM: radius(teethDriven) };
}

const figures = remembered((stage: Chain): StageFigures =>
  orProblem({ ratio: stage.teethDriven / stage.teethDriver, efficiency: stage.efficiency.value }, () => {
    const geometry = chainGeometry(stage);
    const pitchM = chainSize(stage.chain).pitchMm / 1000;
    const outside = [geometry.outsideDiameterSmallMm / 1000, geometry.outsideDiameterLargeMm / 1000] as const;
    const [driver, driven] = stage.teethDriver <= stage.teethDriven ? outside : [outside[1], outside[0]];
    return {
      warnings: warningsOf(stage, geometry),
      facts: [{ title: 'wrap', value: degreesToRadians(geometry.wrapDeg), dimension: 'angle' }],
      outsideM: { driver, driven },
      apartM: stage.centre.value,
      loop: {
        ...pitchRadii(stage),
        thickM: PLATE_HEIGHT * pitchM,
        wideM: OVER_PINS * pitchM,
      },
    };
  }),
);

const allowedOf = (stage: Chain) => ({
  strengthN: chainSize(stage.chain).tensileN,
  safetyFactor: SAFETY_OF_CHAIN,
});

function strength(stage: Chain, load: StageLoad): StageStrength | undefined {
  if (load.inputTorqueNm <= 0 || figures(stage).problem !== undefined) return undefined;
  return {
    link: 'chain-pull',
    needs: chainGeometry(stage, load).pullN ?? 0,
    has: allowedLoad.run(allowedOf(stage)).allowedN,
    sum: {
      ...sumOf(chainDrive, chainLoad(stage, load), 'pullN'),
      from: { torqueNm: 'load', centreMm: stage.centre },
    },
    momentary: SAFETY_OF_CHAIN / SAFETY_AT_STALL,
  };
}

/** A roller chain. */
export const chain = {
  schema,
  title: 'Chain',
  school: {
    good: 'Holds by teeth, takes dirt and large torque, any length by a link.',
    bad: 'Wants a true line, collars, a stiff mount and slack taken up; noisy, oily, hammered by electronic braking.',
  },
  usualPlayDeg: 2,
  hubs: ['Driver sprocket', 'Driven sprocket'],
  holdsBy: 'teeth',
  loop: { name: 'chain', throws: true },
  fresh: (id, ratio) => {
    const pair = pairNear(ratio, TEETH);
    return {
      id,
      kind: 'chain',
      chain: 'ansi-35',
      ...pair,
      centre: mm(Math.max(200, 3.2 * Math.max(pair.teethDriver, pair.teethDriven))),
      efficiency: share(0.96),
    };
  },
  figures,
  strength,
  stands: (stage) => ({
    sum: {
      ...sumOf(allowedLoad, allowedOf(stage), 'allowedN'),
      from: {
        strengthN: { shelf: `the least tensile strength of ${stage.chain}` },
        safetyFactor: { fixed: 'common practice' },
      },
    },
  }),
  pull: (stage, load) => {
    const found = strength(stage, load);
    return found && { tightN: found.needs, slackN: 0, wrapDeg: chainGeometry(stage).wrapDeg };
  },
  cures: (stage) => {
    const pitchM = CHAIN_SIZES[stage.chain].pitchMm / 1000;
    const across = [stage.teethDriver, stage.teethDriven].map((count) => acrossTeeth(count, pitchM));
    return [
      ...[1.25, 1.5, 2].map((by) => {
        const larger = resizedPair(stage, by);
        return { text: `Sprockets of ${teethOf(larger)} teeth`, stage: { ...stage, ...larger } };
      }),
      ...further(stage, touching(across), { what: 'The shafts' }),
    ];
  },
  /** The next larger chains. */
  stronger: (stage) => {
    const now = CHAIN_SIZES[stage.chain];
    return CHAIN_NAMES.filter((name) => CHAIN_SIZES[name].tensileN > now.tensileN)
      .sort((a, b) => CHAIN_SIZES[a].tensileN - CHAIN_SIZES[b].tensileN)
      .slice(0, 2)
      .map((name) => ({
        text: `A chain ${CHAIN_SIZES[name].title} instead of ${now.title}`,
        cost: 'a heavier chain and its sprockets',
        stage: { ...stage, chain: name },
      }));
  },
  work: {
    parts: (stage) => {
      const size = stage.chain.toUpperCase().replace('-', ' ');
      const links = figures(stage).problem === undefined ? `, ${chainGeometry(stage).links} links` : '';
      return [
        { id: 'driver', name: `Sprocket, ${size}, ${stage.teethDriver} teeth`, count: 1 },
        { id: 'driven', name: `Sprocket, ${size}, ${stage.teethDriven} teeth`, count: 1 },
        { id: 'chain', name: `Chain, ${size}${links}, with connecting link`, count: 1 },
        { id: 'guard', name: 'Chain guard', count: 1 },
      ];
    },
    before: () => [
      {
        id: 'sprockets',
        title: 'Fit both sprockets, still loose',
        detail: 'Do not tighten their screws yet.',
        handsOnS: HOUR_S,
        parts: ['driver', 'driven'],
      },
      {
        id: 'loop',
        title: 'Loop the chain over the sprockets',
        detail: 'Before what it drives goes on: afterwards the loop cannot pass it.',
        handsOnS: 30 * MINUTE_S,
        parts: ['chain'],
        after: ['sprockets'],
      },
    ],
    after: (stage) => [
      {
        id: 'align',
        title: 'Align the sprockets and tension the chain',
        detail: `Straight edge across both faces; collars against float. Play in the slack run about 2 % of the centre distance: ${show(stage.centre.value * 0.02, 'length', 'as-typed', { typedUnit: stage.centre.unit }).text}.`,
        handsOnS: HOUR_S,
        after: ['loop'],
      },
      lockScrews('Only now that the line is true.', 'align'),
      {
        id: 'guard',
        title: 'Put the chain guard on',
        handsOnS: HOUR_S,
        parts: ['guard'],
        after: ['align'],
        caution: 'A chain takes fingers: no power while the guard is off.',
      },
    ],
  },
} as const satisfies StageMember<Chain>;
