import { describe, expect, it } from 'vitest';
import { typed } from '../../quantity/index.ts';
import { gearhead } from './gearhead.ts';

describe('a gearhead', () => {
  it('carries on its output the torque of its input times ratio, less its losses (power in, power out)', () => {
    const bare = gearhead.fresh('stage-1', 9);
    const rated = { ...bare, ratedTorque: typed(20, 'N·m') };
    const strength = gearhead.strength(rated, { inputTorqueNm: 2, inputRpm: 900 });
    expect(strength?.needs).toBeCloseTo(2 * 9 * 0.85, 12);
    expect(strength?.has).toBe(20);
    expect(gearhead.strength(bare, { inputTorqueNm: 2, inputRpm: 900 })).toBeUndefined();
  });
});
