import { z } from 'zod';
import { notice } from '../../contract/index.ts';
import { HOUR_S, assumed, quantity, scaled, sentence } from '../../quantity/index.ts';
import { trackLoop } from '../track-loop.ts';
import { acrossTeeth, further, touching } from './changes.ts';
import { diameter, efficiency, orProblem, stageCommon, toMm } from './fields.ts';
import { mm, share } from './fresh-sizes.ts';
import type { StageMember } from './member.ts';
import { pullAtRim } from './rim.ts';
import type { StageFigures } from './stage-report.ts';
import { sizeOf } from './work.ts';

const schema = z.strictObject({
  ...stageCommon,
  kind: z.literal('track'),
  pitch: quantity('length', { above: 0 }, 'Pitch'),
  sprocketTeeth: z.int().min(3).max(200).meta({ title: 'Sprocket teeth' }),
  idlerDiameter: diameter('Idler diameter'),
  centre: quantity('length', { above: 0 }, 'Centre distance', 'Between sprocket and idler'),
  allowablePull: quantity('force', { above: 0 }, 'Working pull', 'Pull that the track may work with'),
  efficiency,
});
export type Track = z.output<typeof schema>;

/**
 * What the calculator takes of this stage.
 *
 * @example trackInput(freshStage('track', 't', 1)).sprocketTeeth // 10
 */
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

const figures = (stage: Track): StageFigures =>
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

/** A track laid down and taken up. */
export const track = {
  schema,
  title: 'Track and sprocket',
  school: {
    good: 'Spreads the weight: goes where wheels dig in.',
    bad: 'Drags, scrubs in every turn, and picks up what lies about.',
  },
  usualPlayDeg: 1,
  hubs: ['Track sprocket', undefined],
  holdsBy: 'teeth',
  ends: { needs: 'onTracks', of: 'tracked vehicle' },
  fresh: (id) => ({
    id,
    kind: 'track',
    pitch: mm(25),
    sprocketTeeth: 10,
    idlerDiameter: mm(70),
    centre: mm(300),
    allowablePull: assumed(400, 'N'),
    efficiency: share(0.94),
  }),
  figures,
  strength: (stage, load) => {
    if (load.inputTorqueNm <= 0) return undefined;
    const { pullN, ...sum } = pullAtRim(trackRolls(stage), load, stage.efficiency.value);
    return { link: 'track-pull', needs: pullN, has: stage.allowablePull.value, sum, momentary: 2 };
  },
  stands: ({ allowablePull }) => ({
    said: allowablePull,
    dimension: 'force',
    where: 'Drivetrain, its working pull',
  }),
  cures: (stage) => [
    ...[1.3, 1.6].map((by) => {
      const sprocketTeeth = Math.round(stage.sprocketTeeth * by);
      return {
        text: `A sprocket of ${sprocketTeeth} teeth, its loop longer`,
        stage: { ...stage, sprocketTeeth, centre: scaled(stage.centre, 1.2) },
      };
    }),
    ...further(
      stage,
      touching([acrossTeeth(stage.sprocketTeeth, stage.pitch.value), stage.idlerDiameter.value]),
      { what: 'Sprocket and idler' },
    ),
  ],
  stronger: (stage) => [
    {
      text: 'A track twice as strong',
      cost: 'another track',
      stage: { ...stage, allowablePull: scaled(stage.allowablePull, 2) },
    },
  ],
  work: {
    parts: (stage) => {
      const pitch = sizeOf(stage.pitch);
      const links =
        figures(stage).problem === undefined ? `, ${trackLoop.run(trackInput(stage)).links} links` : '';
      return [
        { id: 'sprocket', name: `Track sprocket, ${stage.sprocketTeeth} teeth`, count: 1 },
        { id: 'idler', name: `Idler, ${sizeOf(stage.idlerDiameter)}`, count: 1 },
        { id: 'track', name: `Track, ${pitch} pitch${links}`, count: 1 },
      ];
    },
    before: () => [],
    after: () => [
      {
        id: 'track',
        title: 'Put the track round sprocket and idler and tension it',
        detail:
          'Idler slack, track on, then tight until the upper run sags about 2 % of its length; no screw may foul it.',
        handsOnS: HOUR_S,
        parts: ['sprocket', 'idler', 'track'],
        caution: 'Tracks pull fingers in: battery unplugged.',
      },
    ],
  },
} as const satisfies StageMember<Track>;
