import { describe, expect, it } from 'vitest';
import { evaluate } from '../judge/index.ts';
import { typed } from '../quantity/index.ts';
import { textsOf, on } from '../testing/vehicles.ts';
import { freshStage, type Stage } from '../transmission/index.ts';
import { changeDrive, type Build } from '../vehicle/index.ts';
import { largeWheels, roomForWheels } from './large-wheels.ts';

const chain = (id: string, teethDriver: number, teethDriven: number): Stage => ({
  ...(freshStage('chain', id, 3) as Extract<Stage, { kind: 'chain' }>),
  teethDriver,
  teethDriven,
});

/** A vehicle 160 mm high, on wheels of 85 mm. */
function low(stages: readonly Stage[], build = on('four-skid')): Build {
  const { body, layout } = build;
  return changeDrive(
    {
      ...build,
      body: { ...body, height: typed(0.14, 'mm'), clearance: typed(0.02, 'mm') },
      layout: { ...layout, axles: layout.axles.map((axle) => ({ ...axle, diameter: typed(0.085, 'mm') })) },
    },
    { stages: [...stages] },
  );
}

/** Outside diameter of a sprocket of chain of 3/8 inch: pitch (0.6 + cot(180° / teeth)), as handbooks give it; from memory. */
const sprocketM = (teeth: number): number => 0.009525 * (0.6 + 1 / Math.tan(Math.PI / teeth));

describe('the wheels of a stage', () => {
  it('are too large where they are higher than the vehicle: of two stages the larger of the first', () => {
    const build = low([chain('one', 10, 60), chain('two', 15, 24)]);
    expect(roomForWheels(build)).toBeCloseTo(0.16, 12);
    const [large, ...more] = largeWheels(build);
    expect(more).toEqual([]);
    expect(large?.stageId).toBe('one');
    // Makers' tables differ by how much is turned off the tips.
    expect(Math.abs((large?.acrossM ?? 0) / sprocketM(60) - 1)).toBeLessThan(0.02);
    expect(largeWheels(low([chain('one', 10, 40), chain('two', 15, 24)]))).toEqual([]);
  });

  it('that sit on the axle clear the ground instead, and on a winch its drum', () => {
    const onAxle = low([chain('one', 10, 60)]);
    expect(largeWheels(onAxle)).toEqual([]);
    expect(
      evaluate(onAxle).links.some(({ link, verdict }) => link === 'axle-clearance' && verdict === 'fails'),
    ).toBe(true);
    // Turned round, the larger one is on the motor.
    expect(largeWheels(low([chain('one', 60, 20)])).map(({ stageId }) => stageId)).toEqual(['one']);
    expect(largeWheels(low([chain('one', 10, 60)], on('winch'))).map(({ stageId }) => stageId)).toEqual([
      'one',
    ]);
  });

  it('may be as large as wheels that stand higher than the body', () => {
    const { layout, ...rest } = low([chain('one', 10, 60), chain('two', 15, 24)]);
    const axles = layout.axles.map((axle) => ({ ...axle, diameter: typed(0.3, 'mm') }));
    expect(largeWheels({ ...rest, layout: { ...layout, axles } })).toEqual([]);
  });

  it('are told with their size and that of the vehicle', () => {
    const said = textsOf(low([chain('one', 10, 60), chain('two', 15, 24)]));
    expect(said).toMatch(/larger wheel of the chain is 18\d mm across, and the vehicle 160 mm high/);
    expect(textsOf(low([chain('one', 10, 40), chain('two', 15, 24)]))).not.toContain('larger wheel of the');
  });
});
