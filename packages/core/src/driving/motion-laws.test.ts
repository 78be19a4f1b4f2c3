import fc from 'fast-check';
import { Solver } from 'odex';
import { describe, expect, it } from 'vitest';
import { STANDARD_GRAVITY } from '../quantity/index.ts';
import type { Motion } from './motion.ts';
import { cart, driven, even, floor, H, skid, tricycle, twoWheels } from '../testing/rigs.ts';

/** What the battery gave and cannot be found again, as a share of it. */
function lost({ energies, kineticJ }: Motion, startJ = 0): number {
  const { given, circuit, ground, stored } = energies;
  return (given + startJ - circuit - ground - stored - kineticJ) / (Math.abs(given) + startJ);
}

describe('what holds of every run', () => {
  const command = fc.double({ min: -1, max: 1, noNaN: true });
  const rise = fc.double({ min: -0.15, max: 0.15, noNaN: true });

  it('keeps the energy: what the battery gave is found again to a ten-thousandth', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(cart, skid, tricycle),
        fc.tuple(command, command),
        fc.tuple(rise, rise),
        (make, [left, right], [riseX, riseY]) => {
          const rig = make();
          fc.pre(Math.abs(left) + Math.abs(right) > 0.2);
          const motion = driven(
            rig,
            even(rig, floor, { riseX, riseY }),
            rig.motors.length === 2 ? [left, right] : [left || 0.3],
            2,
          );
          // A vehicle over its edge is no longer one in the plane.
          fc.pre(!motion.standing.tipped);
          const through = Math.abs(motion.energies.given) + motion.energies.ground + motion.energies.circuit;
          fc.pre(through > 1e-3);
          const { given, circuit, ground, stored } = motion.energies;
          expect(Math.abs(given - circuit - ground - stored - motion.kineticJ) / through).toBeLessThan(1e-4);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('changes with half the step by no more than a millimetre a metre', () => {
    for (const make of [cart, skid]) {
      const rig = make();
      const [whole, half] = [
        driven(rig, even(rig, floor), [0.7, 0.6], 4),
        driven(rig, even(rig, floor), [0.7, 0.6], 4, H / 2),
      ];
      expect(Math.hypot(whole.pose.x - half.pose.x, whole.pose.y - half.pose.y)).toBeLessThan(2e-3);
      expect(Math.abs(lost(half))).toBeLessThan(1e-4);
    }
  });

  it('agrees with an integrator of others at a tight tolerance, of the equations written out (odex)', () => {
    const rig = twoWheels({ spins: twoWheels().spins.map((s) => ({ ...s, inertiaKgM2: 2e-3 })) });
    const end = 0.6;
    const commands = [0.5, 0.4];
    // x, y, heading, vx, vy, turning, two rims.
    const solver = new Solver(8);
    solver.absoluteTolerance = 1e-9;
    solver.relativeTolerance = 1e-9;
    solver.maxSteps = 1e6;
    const rates = (_t: number, s: number[]): number[] => {
      const [, , th = 0, vx = 0, vy = 0, w = 0] = s;
      const [u, v] = [Math.cos(th) * vx + Math.sin(th) * vy, Math.cos(th) * vy - Math.sin(th) * vx];
      let [fu, fv, moment] = [0, 0, 0];
      const rims = [0, 1].map((k) => {
        const y = k === 0 ? 0.1 : -0.1;
        const omega = s[6 + k] ?? 0;
        const [along, rim] = [u - w * y, 0.05 * omega];
        const over = Math.sqrt(0.02 ** 2 + 0.5 * (along ** 2 + rim ** 2));
        const [sx, sy] = [(along - rim) / (0.1 * over), v / (Math.tan((8 * Math.PI) / 180) * over)];
        const q = 1 / Math.sqrt(1 + sx * sx + sy * sy);
        const loadN = STANDARD_GRAVITY;
        const roll = (-0.02 * loadN * along) / Math.sqrt(0.002 ** 2 + along ** 2);
        const [fx, fy] = [-0.8 * loadN * sx * q, -0.8 * loadN * sy * q];
        fu += fx + roll;
        fv += fy;
        moment -= y * (fx + roll);
        const speed = 30 * omega;
        const slow = (1e-4 * 7.4) / 0.02;
        const sign = speed / Math.hypot(speed, slow);
        const amps = ((commands[k] ?? 0) * 7.4 - 0.02 * speed) / 1.5;
        const gross = 0.02 * (amps - 0.15 * sign);
        const share = gross * speed >= 0 ? 0.2 : 0.25;
        return (30 * (gross - share * Math.abs(gross) * sign) - fx * 0.05) / 2e-3;
      });
      const [c, si] = [Math.cos(th), Math.sin(th)];
      return [vx, vy, w, (c * fu - si * fv) / 2, (si * fu + c * fv) / 2, moment / 0.02, ...rims];
    };
    const { y: exact } = solver.solve(rates, 0, [0, 0, 0, 0, 0, 0, 0, 0], end);
    const motion = driven(rig, even(rig, floor), commands, end);
    expect(motion.pose.x).toBeCloseTo(exact[0] ?? NaN, 4);
    expect(motion.pose.y).toBeCloseTo(exact[1] ?? NaN, 4);
    expect(motion.pose.heading).toBeCloseTo(exact[2] ?? NaN, 3);
    expect(motion.speeds[3]).toBeCloseTo(exact[6] ?? NaN, 2);
  });
});
