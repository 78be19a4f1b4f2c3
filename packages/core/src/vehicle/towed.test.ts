import { describe, expect, it } from 'vitest';
import { typed } from '../quantity/index.ts';
import { on } from '../testing/vehicles.ts';
import { needed } from '../testing/numbers.ts';
import { dutyFrom, dutyOnGround, groundOfSurface, towedRolling, type Build, type Duty } from './index.ts';
import { dutyTemplate } from './duty-templates.ts';

/** On dry concrete and on long grass. */
const onBoth = (layout: string): Build => {
  const build = on(layout);
  return {
    ...build,
    grounds: [
      groundOfSurface('hard', 'dry-concrete', build.layout),
      groundOfSurface('grass', 'long-grass-dry', build.layout),
      groundOfSurface('rail', 'steel-rail', build.layout),
    ],
  };
};
const towing = (build: Build): Duty =>
  dutyFrom(build, needed(dutyTemplate('tow'), 'the job of towing'), 'tow');

describe('what is towed', () => {
  it('rolls as air tyres do on its ground: from 0.012 to 0.02 on concrete (Wong, table, from memory)', () => {
    const { value, spread = 0, origin } = needed(towing(onBoth('tracked')).towed, 'the trailer').rolling;
    expect([value - spread, value + spread].map((x) => x.toFixed(3))).toEqual(['0.012', '0.020']);
    expect(origin).toBe('assumed');
  });

  it('on a rail rolls as its own wheels do, some thousandths, and not as on a meadow', () => {
    const build = onBoth('rail-dolly');
    const rail = needed(
      build.grounds.find(({ id }) => id === 'rail'),
      'the rail',
    );
    expect(towedRolling(build, 'rail').value).toBe(rail.rolling.value);
    expect(towedRolling(build, 'rail').value).toBeLessThan(0.02);
    expect(towedRolling(build, 'grass').value).toBeGreaterThan(3 * towedRolling(build, 'rail').value);
  });

  it('is guessed anew on another ground, unless somebody said how it rolls', () => {
    const build = onBoth('four-skid');
    const guessed = towing(build);
    expect(dutyOnGround(build, guessed, 'grass')).toEqual({
      ...guessed,
      groundId: 'grass',
      towed: { mass: guessed.towed?.mass, rolling: towedRolling(build, 'grass') },
    });
    const measured: Duty = {
      ...guessed,
      towed: { ...needed(guessed.towed, 'the trailer'), rolling: typed(0.031, '') },
    };
    expect(dutyOnGround(build, measured, 'grass').towed).toBe(measured.towed);
    const { towed: _towed, ...alone } = guessed;
    expect(dutyOnGround(build, alone, 'grass')).toEqual({ ...alone, groundId: 'grass' });
  });

  it('where nobody said what the ground is, rolls as the vehicle does', () => {
    const build = onBoth('four-skid');
    const own = { ...needed(build.grounds[0], 'a ground'), surface: null, rolling: typed(0.08, '') };
    expect(towedRolling({ ...build, grounds: [own] }, 'hard')).toMatchObject({
      value: 0.08,
      origin: 'assumed',
    });
  });
});
