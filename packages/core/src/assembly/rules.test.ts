/** The rules of the trade: each where it bites, and where it does not (common practice, no source). */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { thingsOf } from '../layout/index.ts';
import { inside, typed } from '../quantity/index.ts';
import { freshPath, freshStage, freshPathElement, type Stage } from '../transmission/index.ts';
import { arranged, m, part } from '../testing/arranged.ts';
import { on } from '../testing/vehicles.ts';
import { buildSchema, changeDrive, driveOf, rollingDiameter, type Build } from '../vehicle/index.ts';
import {
  ASSEMBLY_RULES,
  assemblySteps,
  removeStep,
  screwTorque,
  thingsOfStep,
  type RuleId,
  type Step,
} from './index.ts';
import { RULE_IDS } from './rule-id.ts';

const demo = (name: string): Build =>
  buildSchema.parse(JSON.parse(readFileSync(`data/builds/${name}.zubric.json`, 'utf8')));
const puffin = demo('puffin');
const stepsOf = (build: Build): readonly Step[] => assemblySteps(build).steps;
const step = (build: Build, id: string): Step => {
  const found = stepsOf(build).find((one) => one.id === id);
  if (!found) throw new Error(`no step ${id}`);
  return found;
};
const bitten = (build: Build, rule: RuleId): readonly Step[] =>
  stepsOf(build).filter(
    ({ remarks, reasons }) =>
      remarks.some((one) => one.rule === rule) || Object.values(reasons).some((one) => one.rule === rule),
  );
const driven = (...stages: readonly Stage[]): Build => {
  const build = on('tug');
  return changeDrive(build, {
    stages,
    path: freshPath(stages, { wheelDiameterM: rollingDiameter(build).value }),
  });
};
const chained = driven(freshStage('chain', 'stage-1', 3));
const geared = driven(freshStage('spur', 'stage-1', 3));
const idled = driven({ ...freshStage('chain', 'stage-1', 3), tensioner: 'idler' } as Stage);
const coupled = driven(freshStage('direct', 'stage-1', 1));
/** A battery low in the middle, and a plate over all of it, walls at its sides. */
const covered = ((): Build => {
  const at = (id: string, x: number, y: number, z: number, sides: readonly [number, number, number]) =>
    part({ id, at: [x, y, z], sides });
  const walls = [
    at('front-wall', 0.41, 0, 0.4, [0.01, 0.4, 0.3]),
    at('back-wall', 0.19, 0, 0.4, [0.01, 0.4, 0.3]),
    at('left-wall', 0.3, 0.19, 0.4, [0.2, 0.01, 0.3]),
    at('right-wall', 0.3, -0.19, 0.4, [0.2, 0.01, 0.3]),
  ];
  const battery = {
    ...at('pack', 0.3, 0, 0.35, [0.15, 0.15, 0.1]),
    partId: puffin.supply.packs[0]?.id ?? '',
  };
  return arranged([
    battery,
    at('floor', 0.3, 0, 0.28, [0.2, 0.3, 0.01]),
    at('roof', 0.3, 0, 0.5, [0.2, 0.3, 0.01]),
    ...walls,
  ]);
})();
const printedWheel = arranged([
  {
    ...part({ id: 'printed-sprocket', at: [0.3, 0.2, 0.3], sides: [0.1, 0.02, 0.1] }),
    printed: true,
    runs: {
      driveId: puffin.drives[0]?.id ?? '',
      stageId: puffin.drives[0]?.stages[0]?.id ?? '',
      wheel: 'driver',
    },
  },
]);
const printedPlate = arranged([
  { ...part({ id: 'tray', at: [0.3, 0, 0.4], sides: [0.2, 0.2, 0.01] }), printed: true },
]);
const oneMotor = changeDrive(chained, { together: 'axle' });
const bare: Build = { ...puffin, arrangement: undefined };
const sliderOnly = demo('pip');

/** Without the steps that put screws in. */
const leftOut = (build: Build, ...ids: readonly string[]): Build => ids.reduce(removeStep, build);
const unscrewed = leftOut(
  puffin,
  ...stepsOf(puffin).flatMap(({ id, fasteners }) => (fasteners.length > 0 ? [id] : [])),
);

/** A build in which a rule bites, and one in which it does not. */
const CASES: Readonly<Record<RuleId, readonly [bites: Build, not: Build]>> = {
  'loop-before-wheel': [chained, geared],
  'mesh-then-tighten': [geared, coupled],
  'bearings-before-shafts': [chained, sliderOnly],
  'loose-in-slots': [puffin, idled],
  'hidden-first': [covered, bare],
  'bearing-before-coupler': [
    changeDrive(coupled, {
      path: [
        ...driveOf(coupled).path.filter(({ kind }) => kind !== 'shaft'),
        freshPathElement('shaft', { id: 'axle-1', after: 'stage-1', name: 'Axle', bore: typed(0.012, 'mm') }),
      ],
    }),
    chained,
  ],
  'label-then-wire': [puffin, oneMotor],
  'fuse-last': [puffin, leftOut(puffin, 'fuse')],
  'guard-before-power': [chained, geared],
  'wheels-up': [puffin, on('winch')],
  'brake-before-floor': [demo('moth'), puffin],
  'prints-ahead': [printedPlate, puffin],
  'two-set-screws': [puffin, sliderOnly],
  'spacers-against-rubbing': [puffin, demo('sanderling')],
  'collars-against-float': [puffin, sliderOnly],
  'pattern-finger-tight': [puffin, unscrewed],
  'screw-within-reach': [puffin, sliderOnly],
  'screw-on-metal': [printedWheel, puffin],
  'grease-and-spin': [puffin, sliderOnly],
  'tread-direction': [puffin, demo('glasshouse-rail')],
  'low-heads': [demo('moth'), puffin],
  'heads-towards-turning': [puffin, sliderOnly],
  'lock-what-turns': [puffin, unscrewed],
  'no-warped-plates': [printedPlate, puffin],
  'grease-before-closing': [geared, chained],
  'grommets-for-cables': [demo('moth'), bare],
  'invert-one': [puffin, oneMotor],
};

describe('each rule of the trade', () => {
  it('has a name, a title and a reason of one sentence', () => {
    expect(ASSEMBLY_RULES.map(({ id }) => id)).toEqual([...RULE_IDS]);
    for (const { title, why } of ASSEMBLY_RULES) {
      expect(title).not.toMatch(/\.$/);
      expect(why.match(/\.(\s|$)/g)).toHaveLength(1);
    }
  });
  it.each(RULE_IDS)('%s bites where it applies, and only there', (rule) => {
    const [bites, not] = CASES[rule];
    expect(bitten(bites, rule).map(({ id }) => id)).not.toEqual([]);
    expect(bitten(not, rule).map(({ id }) => id)).toEqual([]);
  });

  it('holds over others: a loop over several, a lock behind its own stage alone', () => {
    const two = driven(freshStage('chain', 'stage-1', 3), freshStage('spur', 'stage-2', 2));
    expect(step(two, 'wheels').reasons['stage-1.loop']).toMatchObject({ rule: 'loop-before-wheel' });
    expect(step(two, 'stage-1.lock').after).toContain('stage-1.align');
    expect(step(two, 'stage-1.lock').after).not.toContain('stage-2.mesh');
  });
  it('says what hides what, and puts a cover on once what is under it is wired', () => {
    const roof = step(covered, 'place.roof');
    expect(roof.after).toEqual(expect.arrayContaining(['tray', 'wiring']));
    expect(roof.remarks.map(({ says }) => says)).toContain('It hides “pack”: tighten and check that before.');
  });
  it('counts a lid that is blocked: what lies over it goes on once what is under it is in and wired', () => {
    expect(step(puffin, 'place.deck').after).toEqual(expect.arrayContaining(['tray', 'wiring']));
  });
  it('tells which spacer a shaft lacks, and where nothing stops it', () => {
    const bearing = (id: string, at: number) => ({
      ...({ id, name: `bearing ${id}`, kind: 'bearing', hold: 'frame' } as const),
      ...{ width: m(0.01), at: m(at) },
    });
    const hub = { id: 'hub', name: 'hub', kind: 'hub', hold: 'shaft', width: m(0.02), at: m(0.05) } as const;
    const shaft = {
      ...{ id: 'axle', name: 'Axle', length: m(0.2), float: m(0.0005) },
      stack: [bearing('a', 0.01), hub, bearing('b', 0.15)],
    };
    const said = bitten(arranged([], { shafts: [shaft] }), 'spacers-against-rubbing')
      .flatMap(({ remarks }) => remarks)
      .flatMap(({ says }) => inside(says))
      .map((piece) => (typeof piece === 'string' ? piece : piece.value.toFixed(4)))
      .join('');
    // Between bearing a (to 15 mm) and the hub (from 40 mm) 25 mm are left, less a float that is allowed.
    expect(said).toMatch(/“Axle” takes a spacer of 0\.02\d+ between bearing a and hub/);
    const free = { ...shaft, stack: [bearing('a', 0.01), bearing('b', 0.15)] };
    expect(
      bitten(arranged([], { shafts: [free] }), 'collars-against-float').flatMap(({ remarks }) =>
        remarks.map(({ says }) => says),
      ),
    ).toContain('Nothing stops “Axle” to one side: it wants a collar there.');
  });
});

describe('screws', () => {
  it('of the path have the sizes that it states; what is aligned first is tightened by the step that locks it', () => {
    expect(step(puffin, 'stage-1.sprockets').fasteners).toEqual([]);
    expect(step(puffin, 'stage-1.lock').fasteners).toMatchObject([
      { size: 'M8', kind: 'set screw', count: 4, each: 2, lock: 'thread lock', torqueNm: 18.6, usual: false },
    ]);
    expect(step(puffin, 'stage-1.lock').tools).toEqual(
      expect.arrayContaining(['hex key, 4\u00a0mm', 'torque wrench', 'thread lock']),
    );
  });
  // Tables of makers of screws for 8.8, friction 0.14: M3 1.3, M4 3.0, M6 10.1, M8 24.6, M10 48 N·m (VDI 2230, from memory).
  it.each([
    ['M3', 1.3],
    ['M4', 3],
    ['M6', 10.1],
    ['M8', 24.6],
    ['M10', 48],
  ])('%s is tightened as tables have it, to a tenth', (size, tableNm) => {
    expect(Math.abs((screwTorque(size) ?? 0) / tableNm - 1)).toBeLessThan(0.1);
  });
  it('in usual sizes follow what they hold: a barrow of 178 kg laden on M8, three diameters long; a palm cart on small ones', () => {
    expect(step(puffin, 'castors').fasteners[0]).toMatchObject({
      size: 'M8',
      lengthMm: 25,
      count: 8,
      usual: true,
    });
    const sizes = stepsOf(sliderOnly).flatMap(({ fasteners }) =>
      fasteners.map(({ size }) => Number(size.slice(1))),
    );
    expect(Math.max(...sizes)).toBeLessThanOrEqual(3);
    for (const { fasteners } of stepsOf(puffin))
      for (const { lengthMm, size } of fasteners)
        if (lengthMm !== undefined) expect(lengthMm).toBeGreaterThanOrEqual(3 * Number(size.slice(1)));
  });
  it('too small for a table are tightened by feel', () => expect(screwTorque('M2')).toBeUndefined());
});

describe('what is marked in the drawing of a step', () => {
  const things = (id: string): readonly string[] => thingsOfStep(puffin, step(puffin, id));
  it('is what it puts in, or works at: wheels left and right, what runs in its stage, the plate that it fits', () => {
    expect(things('wheels')).toEqual(['driven-left', 'driven-right']);
    expect(things('place.deck')).toEqual(['deck']);
    const castors = puffin.layout.axles.filter(({ form }) => form === 'castor').map(({ id }) => id);
    expect(things('castors').map((id) => id.replace(/-(left|right|middle)$/, ''))).toEqual(
      castors.flatMap((id) => [id, id]),
    );
    expect(things('stage-1.align').length).toBeGreaterThan(1);
    expect(things('first-run')).toEqual([]);
  });
  it('names only what the layout has', () => {
    const known = new Set(thingsOf(puffin).map(({ id }) => id));
    for (const one of stepsOf(puffin))
      for (const id of thingsOfStep(puffin, one)) expect(known.has(id)).toBe(true);
  });
});
