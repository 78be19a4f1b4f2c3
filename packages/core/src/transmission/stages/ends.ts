import { notice } from '../../contract/index.ts';
import { z } from 'zod';
import { quantity, sentence } from '../../quantity/index.ts';
import { allowedLoad } from '../allowed-load.ts';
import { rimPull } from '../rim-pull.ts';
import { spool } from '../spool.ts';
import { trackLoop } from '../track-loop.ts';
import { diameter, efficiency, orProblem, stageCommon, toMm } from './fields.ts';
import type { StageFigures, StageLoad, StageStrength } from './stage-report.ts';

export const spoolSchema = z.strictObject({
  ...stageCommon,
  kind: z.literal('spool'),
  coreDiameter: diameter('Core diameter'),
  ropeDiameter: diameter('Rope diameter'),
  layers: z.int().min(1).max(20).meta({ title: 'Layers of rope' }),
  ropeStrength: quantity('force', { above: 0 }, 'Rope strength', 'Pull at which the rope breaks'),
  efficiency,
});

export const trackSchema = z.strictObject({
  ...stageCommon,
  kind: z.literal('track'),
  pitch: quantity('length', { above: 0 }, 'Pitch'),
  sprocketTeeth: z.int().min(3).max(200).meta({ title: 'Sprocket teeth' }),
  idlerDiameter: diameter('Idler diameter'),
  centre: quantity('length', { above: 0 }, 'Centre distance', 'Between sprocket and idler'),
  allowablePull: quantity('force', { above: 0 }, 'Working pull', 'Pull that the track may work with'),
  efficiency,
});

export type Spool = z.output<typeof spoolSchema>;
export type Track = z.output<typeof trackSchema>;

/** Breaking over working load of a winch rope (common practice, no source; the maker’s and local rules stand). */
export const SAFETY_OF_ROPE = 5;

/** What the calculator takes of a spool at a layer. */
const spoolInput = (stage: Spool, layer: number) => ({
  torqueNm: 0,
  rpm: 0,
  coreDiameterMm: toMm(stage.coreDiameter.value),
  ropeDiameterMm: toMm(stage.ropeDiameter.value),
  layer,
});

const onLayer = (stage: Spool, layer: number): number =>
  spool.run(spoolInput(stage, layer)).workingDiameterMm / 1000;

/** The outermost layer asks the most torque: the duty is reckoned on it. */
export const spoolFigures = (stage: Spool): StageFigures => ({
  ratio: 1,
  efficiency: stage.efficiency.value,
  warnings:
    stage.coreDiameter.value < 8 * stage.ropeDiameter.value
      ? [
          notice(
            'thin-core',
            'A core under eight times the rope’s thickness bends the rope sharply and wears it: take a thicker one.',
          ),
        ]
      : [],
  facts: [
    { title: 'outer layer', value: onLayer(stage, stage.layers), dimension: 'length' },
    { title: 'first layer', value: onLayer(stage, 1), dimension: 'length' },
  ],
  rollsM: onLayer(stage, stage.layers),
});

const rimOf = (rollsM: number, { inputTorqueNm }: StageLoad, share: number) => ({
  torqueNm: inputTorqueNm * share,
  diameterMm: toMm(rollsM),
});

export function spoolStrength(stage: Spool, load: StageLoad): StageStrength | undefined {
  if (load.inputTorqueNm <= 0) return undefined;
  const given = rimOf(onLayer(stage, stage.layers), load, stage.efficiency.value);
  return {
    link: 'rope-pull',
    needs: rimPull.run(given).pullN,
    has: allowedLoad.run({ strengthN: stage.ropeStrength.value, safetyFactor: SAFETY_OF_ROPE }).allowedN,
    sum: { calculator: rimPull, given, key: 'pullN' },
    // At a stall a rope still keeps twice what it takes.
    momentary: SAFETY_OF_ROPE / 2,
  };
}

/** What the calculator takes of this stage. */
export const trackInput = (stage: Track) => ({
  pitchMm: toMm(stage.pitch.value),
  sprocketTeeth: stage.sprocketTeeth,
  idlerDiameterMm: toMm(stage.idlerDiameter.value),
  centreMm: toMm(stage.centre.value),
});

/** A track goes on by its teeth: a turn of the sprocket is so many links. */
const trackRolls = (stage: Track): number => (stage.sprocketTeeth * stage.pitch.value) / Math.PI;

/** Under this a track sprocket runs rough (common practice, no source). */
const ROUGH_SPROCKET = 9;

export const trackFigures = (stage: Track): StageFigures =>
  orProblem({ ratio: 1, efficiency: stage.efficiency.value, rollsM: trackRolls(stage) }, () => {
    const { links, centreForLinksMm, slotTravelMm, sprocketPitchDiameterMm } = trackLoop.run(
      trackInput(stage),
    );
    return {
      warnings:
        stage.sprocketTeeth < ROUGH_SPROCKET
          ? [
              notice(
                'few-teeth',
                sentence`A track sprocket of ${stage.sprocketTeeth} teeth runs rough: the track’s speed swings as each link comes on.`,
              ),
            ]
          : [],
      facts: [
        { title: 'links', value: links, dimension: 'number' },
        { title: 'taut at', value: centreForLinksMm / 1000, dimension: 'length' },
        ...(slotTravelMm === undefined
          ? []
          : [{ title: 'tensioner travel', value: slotTravelMm / 1000, dimension: 'length' as const }]),
      ],
      outsideM: { driver: sprocketPitchDiameterMm / 1000 },
    };
  });

export function trackStrength(stage: Track, load: StageLoad): StageStrength | undefined {
  if (load.inputTorqueNm <= 0) return undefined;
  const given = rimOf(trackRolls(stage), load, stage.efficiency.value);
  return {
    link: 'track-pull',
    needs: rimPull.run(given).pullN,
    has: stage.allowablePull.value,
    sum: { calculator: rimPull, given, key: 'pullN' },
    momentary: 2,
  };
}
