import { partsList } from '../assembly/index.ts';
import { evaluate } from '../judge/index.ts';
import { centreOfGravity, restingOn } from '../layout/index.ts';
import { firmwareOf } from '../outward/index.ts';
import { takeOver, usualConditions, protocolOf } from '../protocols/index.ts';
import { STANDARD_GRAVITY, typed, type Quantity } from '../quantity/index.ts';
import { freshStage, type Stage } from '../transmission/index.ts';
import {
  changeDrivenDiameter,
  choosePart,
  drivenDiameter,
  partSchema,
  startBuild,
  type Build,
  type PlacedPart,
} from '../vehicle/index.ts';
import type { WorkedExample } from './page.ts';

const kg = (value: number): Quantity => typed(value, 'kg');
const mm = (value: number): Quantity => typed(value, 'mm');

/** One in ten. */
const SLOPE = Math.atan(0.1);
const ROLLING = 0.02;

/** A cart of 60 kg with 40 kg on it, wheels of 400 mm, up one in ten over ground that holds back by 2 %. */
function cart(name: string): Build {
  const build = startBuild({
    ...{ name, layout: 'two-castors', mass: kg(60), wheel: mm(0.4), payload: kg(40), people: 'beside' },
    jobs: [
      {
        id: 'climb',
        stated: { grade: typed(SLOPE, '°'), speed: typed(1, 'm/s'), acceleration: typed(0, 'm/s²') },
      },
    ],
  });
  const ground = { rolling: typed(ROLLING, ''), freeRolling: typed(ROLLING, '') };
  return {
    ...build,
    grounds: build.grounds.map(({ tyres: _tyres, ...one }) => ({ ...one, ...ground })),
  };
}

const withLayoutOf = (build: Build, wheelbaseM: number, trackM: number): Build => ({
  ...build,
  layout: {
    ...build.layout,
    axles: build.layout.axles.map((axle) => ({
      ...axle,
      ahead: mm(axle.driven ? 0 : wheelbaseM),
      track: mm(trackM),
    })),
  },
});

const withStages = (build: Build, stages: readonly Stage[]): Build => ({
  ...build,
  drives: build.drives.map((drive, n) => (n === 0 ? { ...drive, stages } : drive)),
});

/** A chain of so many teeth. */
const chain = (teethDriver: number, teethDriven: number): Stage =>
  ({ ...freshStage('chain', 'stage-2', teethDriven / teethDriver), teethDriver, teethDriven }) as Stage;

const box = (id: string, aheadM: number, massKg: number): PlacedPart => ({
  ...{ id, name: id === 'battery' ? 'Battery' : 'Drive', form: 'box', faces: [] },
  ...{ length: mm(0.2), width: mm(0.2), height: mm(0.2) },
  ...{ aheadOfRearAxle: mm(aheadM), left: mm(0), above: mm(0.3) },
  ...{ mass: kg(massKg), turn: typed(0, '°') },
});

const brief: WorkedExample = {
  id: 'pull-on-a-slope',
  title: 'What a slope asks',
  given: 'A cart of 60 kg with 40 kg on it, up one in ten, over ground that holds back by 2 % of its weight.',
  byHand: '100 kg × 9.807 m/s² × (sin 5.71° + 0.02 × cos 5.71°) = 981 N × 0.1194',
  what: 'The pull that the job asks, in its row',
  dimension: 'force',
  value: 100 * STANDARD_GRAVITY * (Math.sin(SLOPE) + ROLLING * Math.cos(SLOPE)),
  make: () => cart('Example: a slope'),
  seen: (build) => evaluate(build).duties[0]?.resistance.totalN,
};

const ground: WorkedExample = {
  id: 'load-on-an-axle',
  title: 'Which axle carries what',
  given:
    'A cart of 60 kg, empty, its weight 0.3 m ahead of the rear axle; the castors stand 1 m ahead of it.',
  byHand: 'About the rear axle: 60 kg × 9.807 m/s² × 0.3 m ÷ 1 m',
  what: 'What the castors carry',
  dimension: 'force',
  value: 60 * STANDARD_GRAVITY * 0.3,
  make: () => {
    const build = withLayoutOf(cart('Example: axle loads'), 1, 0.5);
    const { own, payload } = build.masses;
    return {
      ...build,
      masses: {
        ...build.masses,
        own: { ...own, mass: kg(60), aheadOfRearAxle: mm(0.3) },
        payload: { ...payload, mass: kg(0) },
      },
    };
  },
  seen: (build) => {
    const castors = build.layout.axles.find(({ driven }) => !driven);
    return restingOn(build, 0)?.axles.find(({ axleId }) => axleId === castors?.id)?.loadN;
  },
};

const drivetrain: WorkedExample = {
  id: 'a-gearhead-and-a-chain',
  title: 'A ratio over two stages',
  given: 'A gearhead of 9 : 1, and behind it a chain from 12 to 48 teeth.',
  byHand: '9 × 48 ÷ 12',
  what: 'The ratio fitted',
  dimension: 'ratio',
  value: 36,
  make: () => withStages(cart('Example: two stages'), [freshStage('gearhead', 'stage-1', 9), chain(12, 48)]),
  seen: (build) => evaluate(build).train.ratio,
};

const power: WorkedExample = {
  id: 'energy-of-a-pack',
  title: 'What a battery holds',
  given: 'Eight cells of 3.2 V and 20 Ah in a row, of which 80 % are to be used.',
  byHand: '8 × 3.2 V × 20 Ah × 0.8',
  what: 'The energy that the outing may take',
  dimension: 'energy',
  value: 8 * 3.2 * 20 * 0.8 * 3600,
  make: () => {
    const part = (given: object) => partSchema.parse({ massKg: 3, state: 'on-hand', ...given });
    const parts = [
      part({
        ...{ id: 'example-motor', kind: 'motor', name: 'Example motor, 24 V', type: 'brushed' },
        ...{ voltageV: 24, noLoadRpm: 3000, noLoadA: 1, stallTorqueNm: 7, stallA: 95, continuousA: 14 },
      }),
      part({
        ...{ id: 'example-battery', kind: 'battery', name: 'Example battery, 8 cells', chemistry: 'lifepo4' },
        ...{ series: 8, parallel: 1, cellAh: 20, cellMilliohm: 4, continuousA: 40, peakA: 80 },
      }),
    ];
    const build = withStages(cart('Example: a battery'), [
      freshStage('gearhead', 'stage-1', 9),
      chain(12, 48),
    ]);
    const chosen = parts.reduce(choosePart, build);
    return { ...chosen, supply: { ...chosen.supply, usableShare: typed(0.8, '%') } };
  },
  seen: (build) => evaluate(build).links.find(({ link }) => link === 'energy')?.has,
};

const layout: WorkedExample = {
  id: 'middle-of-two-weights',
  title: 'Where the weight is',
  given:
    'A drive of 3 kg over the rear axle and a battery of 9 kg, 0.8 m ahead of it; nothing else weighs anything.',
  byHand: '(3 kg × 0 + 9 kg × 0.8 m) ÷ 12 kg',
  what: 'The middle of its weight, ahead of the rear axle',
  dimension: 'length',
  value: 0.6,
  make: () => {
    const build = cart('Example: two weights');
    const { own } = build.masses;
    const rest = { aheadOfRearAxle: mm(0), left: mm(0), height: mm(0.3) };
    return {
      ...build,
      masses: { ...build.masses, own: { ...own, mass: kg(12) } },
      arrangement: {
        ...{ clearance: mm(0.003), rest, zones: [] },
        parts: [box('drive', 0, 3), box('battery', 0.8, 9)],
      },
    };
  },
  seen: (build) => centreOfGravity(build).aheadM,
};

const assembly: WorkedExample = {
  id: 'mass-of-chosen-parts',
  title: 'What its motors weigh',
  given: 'Two driven wheels, each with a motor of 3 kg by itself.',
  byHand: '2 × 3 kg',
  what: 'The motors’ mass on the parts list',
  dimension: 'mass',
  value: 6,
  make: () => {
    const motor = partSchema.parse({
      ...{ id: 'example-motor', kind: 'motor', name: 'Example motor, 24 V', type: 'brushed', massKg: 3 },
      ...{ state: 'on-hand', voltageV: 24, noLoadRpm: 3000, noLoadA: 1, stallTorqueNm: 7, stallA: 95 },
      continuousA: 14,
    });
    return choosePart(cart('Example: parts'), motor);
  },
  seen: (build) =>
    partsList(build)
      .filter(({ partId }) => partId === 'example-motor')
      .reduce((sum, { count, massEachKg = NaN }) => sum + count * massEachKg, 0),
};

const perDegree = (build: Build): number | undefined => {
  const of = (name: string) => firmwareOf(build).constants.find((one) => one.name === name)?.value;
  const [degree, metre] = [of('COUNTS_PER_DEG'), of('COUNTS_PER_M')];
  return degree === undefined || metre === undefined ? undefined : (360 * degree) / metre;
};

const testTrack: WorkedExample = {
  id: 'a-turn-on-the-spot',
  title: 'How far a wheel rolls in a turn on the spot',
  given: 'Two driven wheels, 0.6 m apart; one turns ahead, the other back.',
  byHand: 'Each rolls round a circle of that track: π × 0.6 m',
  what: 'The way of each wheel for a whole turn (Take out: COUNTS_PER_DEG × 360 ÷ COUNTS_PER_M)',
  dimension: 'length',
  value: Math.PI * 0.6,
  make: () => withLayoutOf(cart('Example: a turn'), 0.8, 0.6),
  seen: perDegree,
};

const trials: WorkedExample = {
  id: 'a-measured-wheel',
  title: 'The wheel that the runs tell',
  given:
    'Five runs of 10 m by counted turns ended at 9.80 m on average; the program took the wheel for 400 mm.',
  byHand: '400 mm × 9.80 ÷ 10',
  what: 'The diameter that is taken over',
  dimension: 'length',
  value: 0.392,
  make: () => cart('Example: a measured wheel'),
  seen: (build) => {
    const conditions = { ...usualConditions('distance', build), commanded: typed(10, 'm') };
    const readings = [9.79, 9.8, 9.81, 9.8, 9.8].map((way) => ({ distance: typed(way, 'm', 'measured') }));
    const result = protocolOf('distance').analyse(conditions, readings);
    const measured = result.measured.find(({ key }) => key === 'diameter');
    const next = measured && takeOver('distance', build, { measured, conditions, result });
    return next === undefined || typeof next === 'string' ? undefined : drivenDiameter(next.layout).value;
  },
};

const logbook: WorkedExample = {
  id: 'before-and-after',
  title: 'Before and after a smaller wheel',
  given: 'Wheels of 360 mm in place of 400 mm, the same motor and ratio.',
  byHand: 'The torque at the wheel stays, its lever is shorter: 400 ÷ 360 times the pull',
  what: 'Counts a metre after over before, the same proportion',
  dimension: 'number',
  value: 400 / 360,
  make: () => cart('Example: before and after'),
  seen: (build) => {
    const counts = (of: Build) => firmwareOf(of).constants.find(({ name }) => name === 'COUNTS_PER_M')?.value;
    const [before, after] = [counts(build), counts(changeDrivenDiameter(build, mm(0.36)))];
    return before === undefined || after === undefined ? undefined : after / before;
  },
};

/** One for each station, by its place in an address. */
export const EXAMPLES = {
  ...{ brief, ground, drivetrain, power, layout, assembly, trials, logbook },
  'test-track': testTrack,
} as const;
