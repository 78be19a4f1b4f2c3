import {
  chainGeometry,
  stageFigures,
  trackInput,
  trackLoop,
  type Stage,
  type StageKind,
  type StageOf,
} from '../transmission/index.ts';
import { show, showNumber, type Quantity } from '../quantity/index.ts';

import { HOUR_S, MINUTE_S, type StepPlan } from './step.ts';
import type { Wanted } from './wanted.ts';

/** What a kind of stage brings to the shed: its parts (for one wheel) and its steps (for all). */
interface StageWork<S extends Stage> {
  parts(stage: S): readonly Wanted[];
  /** Steps before the wheels go on, and after. Ids are the stage's own; the caller puts its id before them. */
  before(stage: S): readonly StepPlan[];
  after(stage: S): readonly StepPlan[];
}

/** Thread lock reaches its strength in a day (common practice; the maker's sheet stands). */
const CURE_S = 24 * HOUR_S;

const chain: StageWork<StageOf<'chain'>> = {
  parts: (stage) => {
    const size = stage.chain.toUpperCase().replace('-', ' ');
    const links = stageFigures(stage).problem === undefined ? `, ${chainGeometry(stage).links} links` : '';
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
      detail:
        'Two set screws at an angle to each other, one on the flat of the shaft. Do not tighten them yet.',
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
    {
      id: 'lock',
      title: 'Thread lock the set screws and tighten them',
      detail: 'Only now that the line is true.',
      handsOnS: 30 * MINUTE_S,
      waitingS: CURE_S,
      waitingFor: 'the thread lock to cure',
      after: ['align'],
    },
    {
      id: 'guard',
      title: 'Put the chain guard on',
      handsOnS: HOUR_S,
      parts: ['guard'],
      after: ['align'],
      caution: 'A chain takes fingers: no power while the guard is off.',
    },
  ],
};

const gearhead: StageWork<StageOf<'gearhead'>> = {
  parts: (stage) => [
    { id: 'gearhead', name: `Gearhead, ${show(stage.ratio.value, 'ratio', 'metric').text}`, count: 1 },
  ],
  before: () => [
    {
      id: 'mesh',
      title: 'Bolt the gearhead to the motor',
      detail: 'Mesh and align the gears before their set screws are tightened; it must turn freely by hand.',
      handsOnS: HOUR_S,
      parts: ['gearhead'],
      needs: ['motor'],
    },
  ],
  after: () => [],
};

const sizeOf = ({ value, unit }: Quantity): string =>
  show(value, 'length', 'as-typed', { typedUnit: unit }).text;

/** Two gears that mesh: aligned before their set screws are tightened. */
const meshing = <S extends Stage>(
  parts: (stage: S) => readonly Wanted[],
  title: string,
  detail: string,
): StageWork<S> => ({
  parts,
  before: (stage) => [
    { id: 'mesh', title, detail, handsOnS: HOUR_S, parts: parts(stage).map(({ id }) => id) },
  ],
  after: () => [
    {
      id: 'lock',
      title: 'Thread lock the set screws and tighten them',
      detail: 'Two at an angle, one on the flat; only now that it meshes true.',
      handsOnS: 30 * MINUTE_S,
      waitingS: CURE_S,
      waitingFor: 'the thread lock to cure',
      after: ['mesh'],
      caution: 'Gears take fingers: guard them before first power.',
    },
  ],
});

const MESH =
  'Mesh and align the gears before their set screws are tightened; a strip of paper between the teeth.';

const gearsOf = (stage: StageOf<'spur' | 'bevel'>): readonly Wanted[] => {
  const kind = stage.kind === 'spur' ? 'Gear' : 'Bevel gear';
  const module = `module ${showNumber(stage.module.value * 1000)}`;
  return [
    { id: 'driver', name: `${kind}, ${module}, ${stage.teethDriver} teeth`, count: 1 },
    { id: 'driven', name: `${kind}, ${module}, ${stage.teethDriven} teeth`, count: 1 },
  ];
};

const spur: StageWork<StageOf<'spur'>> = meshing(gearsOf, 'Mesh the gears, still loose', MESH);
const bevel: StageWork<StageOf<'bevel'>> = meshing(gearsOf, 'Mesh the bevel gears, still loose', MESH);

const planetary: StageWork<StageOf<'planetary'>> = meshing(
  (stage) => [
    { id: 'sun', name: `Sun gear, ${stage.sunTeeth} teeth`, count: 1 },
    { id: 'ring', name: `Ring gear, ${stage.ringTeeth} teeth`, count: 1 },
    {
      id: 'planet',
      name: `Planet gear, ${Math.round((stage.ringTeeth - stage.sunTeeth) / 2)} teeth`,
      count: stage.planets,
    },
  ],
  'Put sun, planets and ring together',
  'Planets marked and set in evenly; it must turn freely by hand before the cover goes on.',
);

const worm: StageWork<StageOf<'worm'>> = meshing(
  (stage) => [
    { id: 'worm', name: `Worm, ${stage.starts === 1 ? 'one start' : `${stage.starts} starts`}`, count: 1 },
    { id: 'wheel', name: `Worm wheel, ${stage.wheelTeeth} teeth`, count: 1 },
  ],
  'Set the worm to its wheel, still loose',
  'A touch of play, the marks of the worm in the middle of the teeth; collars against the push along the worm.',
);

/** A belt goes round before the wheel goes on, and is tensioned after. */
const belted = <S extends Stage>(
  parts: (stage: S) => readonly Wanted[],
  tension: (stage: S) => string,
): StageWork<S> => ({
  parts,
  before: () => [
    {
      id: 'loop',
      title: 'Fit the pulleys and loop the belt over them',
      detail: 'Before what it drives goes on: afterwards the loop cannot pass it.',
      handsOnS: HOUR_S,
      parts: ['driver', 'driven', 'belt'],
    },
  ],
  after: (stage) => [
    {
      id: 'align',
      title: 'Align the pulleys and tension the belt',
      detail: tension(stage),
      handsOnS: HOUR_S,
      after: ['loop'],
      caution: 'Belts pull fingers in: no power while the guard is off.',
    },
  ],
});

const timingBelt: StageWork<StageOf<'timing-belt'>> = belted(
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
);

const frictionBelt: StageWork<StageOf<'friction-belt'>> = belted(
  (stage) => [
    { id: 'driver', name: `Pulley, ${sizeOf(stage.driverDiameter)}`, count: 1 },
    { id: 'driven', name: `Pulley, ${sizeOf(stage.drivenDiameter)}`, count: 1 },
    { id: 'belt', name: stage.groove.value < Math.PI ? 'V-belt' : 'Flat belt', count: 1 },
  ],
  (stage) =>
    `Each strand to ${show(stage.tension.value, 'force', 'as-typed', { typedUnit: stage.tension.unit }).text} standing still; check again after the first hour.`,
);

const frictionWheel: StageWork<StageOf<'friction-wheel'>> = {
  parts: (stage) => [{ id: 'roller', name: `Roller, ${sizeOf(stage.driverDiameter)}`, count: 1 }],
  before: () => [],
  after: () => [
    {
      id: 'press',
      title: 'Press the roller on the wheel',
      detail: 'Square to the wheel, with the spring set to its press; clean and dry.',
      handsOnS: HOUR_S,
      parts: ['roller'],
      caution: 'The roller draws in cloth and fingers: guard the nip.',
    },
  ],
};

const direct: StageWork<StageOf<'direct'>> = {
  parts: () => [{ id: 'coupling', name: 'Coupling or hub', count: 1 }],
  before: () => [
    {
      id: 'couple',
      title: 'Join the shafts',
      detail: 'In line: a rigid coupling on shafts that are not breaks one of them.',
      handsOnS: 30 * MINUTE_S,
      parts: ['coupling'],
    },
  ],
  after: () => [],
};

const spool: StageWork<StageOf<'spool'>> = {
  parts: (stage) => [
    { id: 'spool', name: `Spool, core ${sizeOf(stage.coreDiameter)}`, count: 1 },
    { id: 'rope', name: `Rope, ${sizeOf(stage.ropeDiameter)}, by the metre`, count: 1 },
  ],
  before: () => [],
  after: () => [
    {
      id: 'reeve',
      title: 'Fasten the rope and wind it on under load',
      detail: 'Five turns stay on the spool at full length; layers side by side, never crossed.',
      handsOnS: HOUR_S,
      parts: ['spool', 'rope'],
      caution: 'Nobody in line with the rope; gloves on; the anchor proved first.',
    },
  ],
};

const track: StageWork<StageOf<'track'>> = {
  parts: (stage) => [
    { id: 'sprocket', name: `Track sprocket, ${stage.sprocketTeeth} teeth`, count: 1 },
    { id: 'idler', name: `Idler, ${sizeOf(stage.idlerDiameter)}`, count: 1 },
    {
      id: 'track',
      name:
        stageFigures(stage).problem === undefined
          ? `Track, ${sizeOf(stage.pitch)} pitch, ${trackLoop.run(trackInput(stage)).links} links`
          : `Track, ${sizeOf(stage.pitch)} pitch`,
      count: 1,
    },
  ],
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
};

const STAGE_WORK: { readonly [K in StageKind]: StageWork<StageOf<K>> } = {
  gearhead,
  chain,
  spur,
  bevel,
  planetary,
  worm,
  'timing-belt': timingBelt,
  'friction-belt': frictionBelt,
  'friction-wheel': frictionWheel,
  direct,
  spool,
  track,
};

/** The table's type ties each kind to its work; the compiler cannot follow that through a union. */
export const stageWork = (stage: Stage): StageWork<Stage> => STAGE_WORK[stage.kind];
