import { describe, expect, it } from 'vitest';
import { SteeringGear } from './steering-gear.ts';
import { tricycle } from '../testing/rigs.ts';

/** Of the tricycle the third contact is steered. */
function gear(steering: Partial<ReturnType<typeof tricycle>['steering']>) {
  const rig = tricycle({ steering: { ...tricycle().steering, ...steering } });
  const [points, to] = [new Float64Array(3), new Float64Array(3)];
  return { points, to, steers: new SteeringGear(rig, points, to) };
}

describe('a steering', () => {
  it('goes to where it is told no faster than its actuator does, and then stands', () => {
    const { points, to, steers } = gear({ rateRadS: 1 });
    to[2] = 0.25;
    for (let n = 0; n < 10; n += 1) steers.turn(0.01);
    expect(points[2]).toBeCloseTo(0.1, 12);
    expect(steers.turns).toBe(true);
    steers.turn(1);
    expect(points[2]).toBeCloseTo(0.25, 12);
    expect(steers.turns).toBe(false);
    expect([points[0], points[1]]).toEqual([0, 0]);
  });

  it('leaves its play over: half of it short on the way out, and as much on the way back', () => {
    const { points, to, steers } = gear({ playRad: 0.04 });
    to[2] = 0.2;
    steers.turn(1);
    expect(points[2]).toBeCloseTo(0.18, 12);
    to[2] = 0.19;
    steers.turn(1);
    expect(points[2]).toBeCloseTo(0.18, 12);
    to[2] = 0;
    steers.turn(1);
    expect(points[2]).toBeCloseTo(0.02, 12);
  });

  it('that is not straight points aside where it is told straight on', () => {
    const { points, to, steers } = gear({ offRad: 0.03 });
    steers.begin();
    expect(points[2]).toBe(0.03);
    to[2] = -0.1;
    steers.turn(1);
    expect(points[2]).toBeCloseTo(-0.07, 12);
  });
});
