/** What a sum refuses, leaves out and says where one number becomes another case, and laws that a wrong sign would break. */
import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { bevelPair } from './bevel-pair.ts';
import { formFactor } from './gear-bending.ts';
import { jockeyLever } from './jockey-lever.ts';
import { largestSprocket } from './largest-sprocket.ts';
import { frictionBeltInput } from './stages/friction-belt.ts';
import { orProblem } from './stages/fields.ts';
import { pairNear } from './stages/fresh-sizes.ts';
import { gearCures, outsideOf, toothPull } from './stages/toothed.ts';
import { trackInput } from './stages/track.ts';
import { trackLoop } from './track-loop.ts';
import {
  boltCircle,
  chainDrive,
  freshStage,
  frictionBelt,
  gearPair,
  stageCures,
  stageFigures,
  stageName,
  stageStrength,
  stageWork,
  teethForRatio,
  timingBelt,
  type StageOf,
} from './index.ts';

const codesOf = (warnings: readonly { readonly code: string }[]): string[] =>
  warnings.map(({ code }) => code);
const accepts = (
  sum: { readonly input: { safeParse(given: unknown): { success: boolean } } },
  given: object,
) => sum.input.safeParse(given).success;

const RUNNING = {
  smallDiameterMm: 100,
  largeDiameterMm: 100,
  centreMm: 500,
  grooveAngleDeg: 180,
  friction: 0.3,
  massKgPerM: 0.1,
  smallRpm: 3000,
  torqueNm: 5,
  installedTensionN: 200,
  idlerExtraWrapDeg: 0,
};

describe('a belt that holds by friction', () => {
  // Tensions of both strands from T1 − Fc = e^{fθ}(T2 − Fc) and T1 + T2 = 2 Ti (Shigley, ch. 17).
  it('loses by its own whirling what presses it on', () => {
    const { transmissiblePullN, centrifugalN } = frictionBelt.run(RUNNING);
    const whirl = 0.1 * ((Math.PI * 0.1 * 3000) / 60) ** 2;
    const e = Math.exp(0.3 * Math.PI);
    const slack = (2 * 200 - whirl + e * whirl) / (1 + e);
    expect(centrifugalN).toBeCloseTo(whirl, 9);
    expect(transmissiblePullN).toBeCloseTo(2 * 200 - 2 * slack, 9);
  });

  it('is just before slip at the tension that it is said to need', () => {
    const { installedTensionNeededN } = frictionBelt.run(RUNNING);
    const at = frictionBelt.run({ ...RUNNING, installedTensionN: installedTensionNeededN });
    expect(at.slipMargin).toBeCloseTo(1, 9);
    expect(frictionBelt.run({ ...RUNNING, installedTensionN: 0.99 * installedTensionNeededN }).slips).toBe(
      true,
    );
  });

  it('runs as fast over its small pulley as over its large one, whichever drives', () => {
    for (const ratio of [3, 1 / 3]) {
      const stage = freshStage('friction-belt', 's', ratio) as StageOf<'friction-belt'>;
      const given = frictionBeltInput(stage, { inputTorqueNm: 2, inputRpm: 900 });
      expect(given.smallDiameterMm * given.smallRpm).toBeCloseTo(1000 * stage.driverDiameter.value * 900, 6);
      // Force along the belt is the same by either pulley.
      expect(given.torqueNm / given.smallDiameterMm).toBeCloseTo(2 / (1000 * stage.driverDiameter.value), 12);
    }
  });

  it('holds nothing where its pulleys cannot stand so near', () => {
    const stage = freshStage('friction-belt', 's', 3) as StageOf<'friction-belt'>;
    const near = { ...stage, centre: typed(0.001, 'mm') };
    expect(stageFigures(near).problem).toBeDefined();
    expect(stageStrength(near, { inputTorqueNm: 2, inputRpm: 900 })).toBeUndefined();
    expect(stageStrength(stage, { inputTorqueNm: 2, inputRpm: 900 })).toMatchObject({ link: 'slip' });
  });
});

describe('pulleys and sprockets', () => {
  it('of a toothed belt overlap where their shafts are nearer than half of both, not half of what they differ', () => {
    const at = (centreMm: number) => () =>
      timingBelt.run({ pitchMm: 5, teethSmall: 20, teethLarge: 60, centreMm });
    // Pitch diameters 31.8 and 95.5 mm: they touch at 63.7.
    expect(at(50)).toThrow('overlap');
    expect(at(63)).toThrow('overlap');
    expect(at(70)).not.toThrow();
  });

  it('that overlap are told how far apart they were put, and how far they must be', () => {
    expect(() => frictionBelt.run({ ...RUNNING, largeDiameterMm: 300, centreMm: 150 })).toThrow(
      /At 150.mm .* more than 200.mm/,
    );
    const toothed = { pitchMm: 5, teethSmall: 20, teethLarge: 60, centreMm: 50 };
    // (20 + 60) × 5 / 2π = 63.7 mm.
    expect(() => timingBelt.run(toothed)).toThrow(/At 50.mm .* more than 63[.]7.mm/);
  });

  it('are cured by shafts further apart than now, and than where their wheels touch', () => {
    const stage = { ...(freshStage('chain', 's', 3) as StageOf<'chain'>), centre: typed(0.02, 'mm') };
    const apart = (stageCures(stage) ?? []).flatMap(({ stage: cure }) =>
      cure.kind === 'chain' && cure.teethDriver === stage.teethDriver ? [cure.centre.value] : [],
    );
    const touch = ((stage.teethDriver + stage.teethDriven) * 9.525) / 1000 / (2 * Math.PI);
    expect(stage.chain).toBe('ansi-35');
    for (const [at, value] of [0.03, 0.04, 0.06, 1.2 * touch, 1.6 * touch, 2.4 * touch].entries())
      expect(apart[at]).toBeCloseTo(value, 12);
  });

  it('of a toothed belt are as wide as their pitch circles, each on its own side', () => {
    const stage = freshStage('timing-belt', 's', 3) as StageOf<'timing-belt'>;
    const circle = (teeth: number) => (stage.pitch.value * teeth) / Math.PI;
    expect(stageFigures(stage).outsideM).toEqual({
      driver: circle(stage.teethDriver),
      driven: circle(stage.teethDriven),
    });
  });

  it('of a track run rough below nine teeth (common practice, no source)', () => {
    const stage = freshStage('track', 's', 1) as StageOf<'track'>;
    const warned = (sprocketTeeth: number) => codesOf(stageFigures({ ...stage, sprocketTeeth }).warnings);
    expect(warned(8)).toEqual(['few-teeth']);
    expect(warned(9)).toEqual([]);
  });

  it('of a chain are given by a number or a pitch, and lie alike by either', () => {
    const wheels = { teethSmall: 17, teethLarge: 34, centreMm: 400 };
    expect(accepts(chainDrive, { ...wheels, chain: 'ansi-40' })).toBe(true);
    expect(accepts(chainDrive, { ...wheels, pitchMm: 12.7 })).toBe(true);
    expect(accepts(chainDrive, wheels)).toBe(false);
    expect(accepts(chainDrive, { ...wheels, chain: 'ansi-40', pitchMm: 12.7 })).toBe(false);
    expect(accepts(chainDrive, { ...wheels, chain: 'ansi-40', teethLarge: 17 })).toBe(true);
    expect(accepts(chainDrive, { ...wheels, chain: 'ansi-40', teethLarge: 16 })).toBe(false);
    const byPitch = chainDrive.run({ ...wheels, pitchMm: 12.7 });
    const byNumber = chainDrive.run({ ...wheels, chain: 'ansi-40' });
    expect(byPitch.links).toBe(byNumber.links);
    expect(byPitch.centreForLinksMm).toBeCloseTo(byNumber.centreForLinksMm, 9);
  });

  it('of a chain stand further apart than half of both', () => {
    expect(() => chainDrive.run({ chain: 'ansi-25', teethSmall: 10, teethLarge: 120, centreMm: 30 })).toThrow(
      /overlap/,
    );
  });

  it('leave beside the largest sprocket half of what the wheel is wider than its chain', () => {
    const wheelDiameterM = 0.4;
    const { overChainMm, clearanceLeftM } = largestSprocket.run({
      ...largestSprocket.input.parse({ chain: 'ansi-40', wheelDiameterM, clearanceM: 0.02 }),
    });
    expect(clearanceLeftM).toBeCloseTo((wheelDiameterM - overChainMm / 1000) / 2, 12);
    expect(clearanceLeftM).toBeGreaterThanOrEqual(0.02);
  });

  it('of a pair begin as usual, and smaller where the other would be too large', () => {
    const limits = { usual: 17, least: 9, most: 60 };
    expect(pairNear(2, limits)).toEqual({ teethDriver: 17, teethDriven: 34 });
    expect(pairNear(1 / 2, limits)).toEqual({ teethDriver: 34, teethDriven: 17 });
    expect(pairNear(5, limits)).toEqual({ teethDriver: 12, teethDriven: 60 });
    expect(pairNear(20, limits).teethDriver).toBe(9);
  });
});

describe('gears', () => {
  const stage = freshStage('spur', 's', 2) as StageOf<'spur'>;
  const gears = { ...stage, teethDriver: 40, teethDriven: 80, module: typed(0.002, 'mm') };

  it('are two modules wider over their tips than at the pitch circle (ISO 21771)', () => {
    expect(outsideOf(gears).driver).toBeCloseTo(0.084, 12);
    expect(outsideOf(gears).driven).toBeCloseTo(0.164, 12);
  });

  it('press their shafts apart by the force along the flanks, at twenty degrees; not without a load', () => {
    const pull = toothPull(gears, { inputTorqueNm: 8, inputRpm: 100 });
    expect(pull?.tightN).toBeCloseTo(200 / Math.cos(Math.PI / 9), 9);
    expect(pull?.slackN).toBe(0);
    expect(toothPull(gears, { inputTorqueNm: 0, inputRpm: 100 })).toBeUndefined();
  });

  it('that are too weak are cured by larger or narrower ones, never by fewer teeth', () => {
    const cures = gearCures(gears).map((cure) => cure.stage);
    expect(cures).toHaveLength(4);
    for (const cure of cures)
      if (cure.faceWidth.value === gears.faceWidth.value)
        expect(cure.teethDriver).toBeGreaterThan(gears.teethDriver);
      else expect(cure.faceWidth.value).toBeCloseTo(gears.faceWidth.value / 2, 12);
  });

  it('lose no power but what their efficiency says', () => {
    const { outputRpm = NaN, outputTorqueNm = NaN } = gearPair.run(
      gearPair.input.parse({
        ...{ teethDriver: 20, teethDriven: 60, moduleMm: 1 },
        ...{ inputRpm: 900, inputTorqueNm: 2, efficiency: 0.97 },
      }),
    );
    expect(outputRpm).toBeCloseTo(300, 9);
    expect((outputTorqueNm * outputRpm) / (2 * 900)).toBeCloseTo(0.97, 12);
  });

  it('have their set screws locked once they mesh, never before', () => {
    const work = stageWork(stage);
    expect(work.before(stage).map(({ id }) => id)).toContain('mesh');
    expect(work.after(stage)).toMatchObject([{ id: 'lock', after: ['mesh'] }]);
  });

  it('on a cone with too few teeth are told so, and given no stress', () => {
    const few = bevelPair.run(
      bevelPair.input.parse({ moduleMm: 2, teethDriver: 10, teethDriven: 40, faceWidthMm: 8, torqueNm: 1 }),
    );
    // 10/cos(14.04°) = 10.3 virtual teeth, under the twelve where the form factors begin.
    expect(few.virtualTeeth).toBeCloseTo(10 * Math.hypot(1, 0.25), 9);
    expect(codesOf(few.warnings)).toEqual(['few-teeth']);
    expect(few).not.toHaveProperty('stressMPa');
  });

  it('have a form factor below the first row of the table, too', () => {
    expect(formFactor(9)).toBe(formFactor(12));
    expect(formFactor(100_000)).toBeGreaterThan(formFactor(300));
  });

  it('on a cone are warned of where they are wider than a third of it, and stressed once they turn something', () => {
    const pair = bevelPair.input.parse({ moduleMm: 2, teethDriver: 20, teethDriven: 40, faceWidthMm: 12 });
    const without = bevelPair.run(pair);
    expect(without).not.toHaveProperty('stressMPa');
    // Half of the pitch diagonal: 44.7 mm, a third of which is 14.9.
    expect(without.coneDistanceMm).toBeCloseTo(Math.hypot(20, 40), 9);
    expect(codesOf(without.warnings)).not.toContain('face-wide');
    expect(codesOf(bevelPair.run({ ...pair, faceWidthMm: 16 }).warnings)).toContain('face-wide');
    // Tredgold: as a straight gear of as many teeth as the back cone has, at the mean module, standing still.
    const { stressMPa, virtualTeeth, meanModuleMm } = bevelPair.run({ ...pair, torqueNm: 4 });
    const tangentialN = 4000 / ((meanModuleMm * 20) / 2);
    expect(virtualTeeth).toBeCloseTo(20 / Math.cos(Math.atan(0.5)), 9);
    expect(stressMPa).toBeCloseTo(tangentialN / (12 * meanModuleMm * formFactor(virtualTeeth)), 6);
  });
});

describe('what is left out', () => {
  it('of a bolt circle that clamps plate on plate is bending', () => {
    const bolts = { bolts: 4, circleDiameterMm: 50, boltDiameterMm: 5, torqueNm: 10, allowableShearMPa: 200 };
    const flat = boltCircle.run(bolts);
    expect(flat).not.toHaveProperty('bendingMPa');
    expect(flat.factor).toBeCloseTo(200 / flat.shearMPa, 12);
    expect(boltCircle.run({ ...bolts, standoffMm: 10 }).factor).toBeLessThan(flat.factor);
  });

  it('of a jockey is how it holds, without a friction or a wrap', () => {
    const lever = { leverForceN: 20, leverArmM: 0.3, jockeyArmM: 0.1, turnDeg: 60 };
    for (const part of [{}, { friction: 0.3 }, { wrapDeg: 180 }])
      expect(Object.keys(jockeyLever.run({ ...lever, ...part }))).toEqual(['jockeyN', 'tensionN']);
    expect(jockeyLever.run({ ...lever, friction: 0.3, wrapDeg: 180 }).rimPullN).toBeCloseTo(
      60 * (Math.exp(0.3 * Math.PI) - 1),
      9,
    );
  });

  it('of a search for teeth is a range that is none', () => {
    expect(accepts(teethForRatio, { ratio: 3, teethLeast: 20, teethMost: 20 })).toBe(true);
    expect(accepts(teethForRatio, { ratio: 3, teethLeast: 21, teethMost: 20 })).toBe(false);
    expect(accepts(teethForRatio, { ratio: 3, teethLeast: 20, teethMost: 501 })).toBe(false);
  });

  it('of a track without a tensioner is its travel; of others it stands in metres', () => {
    const stage = freshStage('track', 's', 1) as StageOf<'track'>;
    const factOf = (title: string) => stageFigures(stage).facts?.find((fact) => fact.title === title)?.value;
    const loop = trackLoop.run(trackInput(stage));
    expect(factOf('taut at')).toBeCloseTo(loop.centreForLinksMm / 1000, 12);
    expect(factOf('tensioner travel')).toBe(
      loop.slotTravelMm === undefined ? undefined : loop.slotTravelMm / 1000,
    );
  });
});

describe('a winch drum', () => {
  it('is thin below eight times its rope, and not at eight (common practice, no source)', () => {
    const stage = freshStage('spool', 's', 1) as StageOf<'spool'>;
    const thin = (mm: number) =>
      codesOf(
        stageFigures({ ...stage, coreDiameter: typed(mm / 1000, 'mm'), ropeDiameter: typed(0.004, 'mm') })
          .warnings,
      ).includes('thin-core');
    expect(thin(31.9)).toBe(true);
    expect(thin(32)).toBe(false);
  });
});

it('a stage is called within a sentence by a small letter, but for a lone capital', () => {
  expect(stageName('timing-belt')).toBe('toothed belt');
  expect(stageName('friction-belt')).toBe('V or flat belt');
});

it('a fault of the program is not taken for a stage that cannot be built', () => {
  const broken = () => {
    throw new TypeError('a fault');
  };
  expect(() => orProblem({ ratio: 1, efficiency: 1 }, broken)).toThrow(TypeError);
});

it.each(['friction-belt', 'timing-belt', 'chain'] as const)(
  'the working of a %s says that its torque is that of its load',
  (kind) => {
    const sum = stageStrength(freshStage(kind, 's', 2), { inputTorqueNm: 2, inputRpm: 900 })?.sum;
    expect(sum?.from).toMatchObject({ torqueNm: 'load' });
  },
);
