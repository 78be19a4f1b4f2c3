/** A straight run of two unlike drives against small steps through time, closed forms and symmetry. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { calculate } from '../calculators/index.ts';
import { finite } from '../testing/numbers.ts';

interface Wheel {
  readonly diameterM: number;
  readonly ratio: number;
  readonly efficiency: number;
  readonly resistanceOhm: number;
  readonly ktNmPerA: number;
  readonly noLoadA: number;
}
interface Run {
  readonly massKg: number;
  readonly yawInertiaKgM2: number;
  readonly trackM: number;
  readonly rollingCoefficient: number;
  readonly yawDragNm: number;
  readonly voltageV: number;
  readonly command: number;
  readonly left: Wheel;
  readonly right: Wheel;
  readonly distanceM: number;
  readonly longestS: number;
  readonly sync?: { readonly kp: number; readonly ki: number; readonly loopTimeS: number };
}
type End = Record<'timeS' | 'sideM' | 'headingDeg' | 'leftTurns' | 'rightTurns' | 'endMps', number> & {
  arrives: boolean;
};
const ask = (run: Run): End => calculate('simulate-straight', { ...run }) as End;

const wheel = {
  diameterM: 0.12,
  ratio: 20,
  efficiency: 0.8,
  resistanceOhm: 1.2,
  ktNmPerA: 0.02,
  noLoadA: 0.1,
};
const base: Run = {
  massKg: 3,
  yawInertiaKgM2: 0.05,
  trackM: 0.25,
  rollingCoefficient: 0.02,
  yawDragNm: 0,
  voltageV: 12,
  command: 0.8,
  left: wheel,
  right: wheel,
  distanceM: 3,
  longestS: 20,
};

/** The equations as they are written, in fourth-order steps of a tenth of a millisecond. */
function stepped(i: Run): End {
  const force = (w: Wheel, u: number, v: number): number => {
    const r = w.diameterM / 2;
    const amps = (u * i.voltageV - (w.ktNmPerA * w.ratio * v) / r) / w.resistanceOhm;
    return (w.ktNmPerA * (amps - w.noLoadA) * w.ratio * w.efficiency) / r;
  };
  const rolling = i.massKg * 9.80665 * i.rollingCoefficient;
  let [v, w, h, y, d, t] = [0, 0, 0, 0, 0, 0];
  let [ul, ur, sum, sample] = [i.command, i.command, 0, 0];
  const dt = 1e-4;
  const rates = (vv: number, ww: number): readonly [number, number] => {
    const fl = force(i.left, ul, vv + (ww * i.trackM) / 2);
    const fr = force(i.right, ur, vv - (ww * i.trackM) / 2);
    if (vv <= 0 && fl + fr <= rolling) return [0, 0];
    const moment = ((fl - fr) * i.trackM) / 2;
    const held = ww === 0 && Math.abs(moment) <= i.yawDragNm;
    const drag = i.yawDragNm * (ww === 0 ? Math.sign(moment) : Math.sign(ww));
    return [(fl + fr - rolling) / i.massKg, held ? 0 : (moment - drag) / i.yawInertiaKgM2];
  };
  while (d < i.distanceM && t < i.longestS) {
    if (i.sync && t >= sample * i.sync.loopTimeS - 1e-9) {
      const e =
        (d + (h * i.trackM) / 2) / (Math.PI * i.left.diameterM) -
        (d - (h * i.trackM) / 2) / (Math.PI * i.right.diameterM);
      sum += e * i.sync.loopTimeS;
      const by = i.sync.kp * e + i.sync.ki * sum;
      [ul, ur] = [i.command - by, i.command + by].map((u) => Math.min(1, Math.max(0, u))) as [number, number];
      sample += 1;
    }
    const [a1, b1] = rates(v, w);
    const [a2, b2] = rates(v + (dt * a1) / 2, w + (dt * b1) / 2);
    const next = v + dt * a2;
    let turning = w + dt * b2;
    // Drag stops a turn; it never turns it round by itself.
    if (i.yawDragNm > 0 && w !== 0 && turning * w < 0) turning = 0;
    y += dt * ((v + next) / 2) * Math.sin(h + (dt * w) / 2);
    const way = (dt * (v + next)) / 2;
    // Of the last step only as much as its distance leaves.
    const part = d + way > i.distanceM ? (i.distanceM - d) / way : 1;
    d += part === 1 ? way : i.distanceM - d;
    h += (part * dt * (w + turning)) / 2;
    [v, w, t] = [Math.max(0, next), turning, t + part * dt];
  }
  return {
    timeS: t,
    sideM: y,
    headingDeg: (h * 180) / Math.PI,
    leftTurns: (d + (h * i.trackM) / 2) / (Math.PI * i.left.diameterM),
    rightTurns: (d - (h * i.trackM) / 2) / (Math.PI * i.right.diameterM),
    endMps: v,
    arrives: d >= i.distanceM,
  };
}

const agrees = (i: Run): void => {
  const [found, small] = [ask(i), stepped(i)];
  for (const key of ['timeS', 'sideM', 'headingDeg', 'leftTurns', 'rightTurns', 'endMps'] as const)
    expect(Math.abs(found[key] - small[key]), key).toBeLessThanOrEqual(
      2e-3 * Math.max(0.05, Math.abs(small[key])),
    );
  expect(found.arrives).toBe(small.arrives);
};

describe('two driven wheels', () => {
  it.each([
    ['a weaker right motor', { right: { ...wheel, ktNmPerA: 0.019, resistanceOhm: 1.4 } }],
    ['a smaller right wheel', { right: { ...wheel, diameterM: 0.117 } }],
    ['castors that hold it straight', { right: { ...wheel, resistanceOhm: 1.25 }, yawDragNm: 0.5 }],
    [
      'castors that hold it until it is quick',
      {
        right: { ...wheel, ktNmPerA: 0.015, resistanceOhm: 0.937, diameterM: 0.111 },
        yawDragNm: 0.25,
        massKg: 1,
      },
    ],
    [
      'a turn that soon goes over to the other side',
      {
        right: { ...wheel, ktNmPerA: 0.015, resistanceOhm: 0.972, diameterM: 0.111 },
        yawDragNm: 1e-3,
        massKg: 1,
      },
    ],
    ['castors that give way', { right: { ...wheel, resistanceOhm: 1.6 }, yawDragNm: 0.05 }],
    ['too much to start', { rollingCoefficient: 3, longestS: 2 }],
    ['a loop', { right: { ...wheel, resistanceOhm: 1.5 }, sync: { kp: 2, ki: 1, loopTimeS: 0.02 } }],
    [
      'a slow loop that overdoes it',
      { right: { ...wheel, resistanceOhm: 1.5 }, sync: { kp: 8, ki: 0, loopTimeS: 0.1 } },
    ],
    ['a time that is too short', { right: { ...wheel, noLoadA: 0.3 }, longestS: 1 }],
  ] as const)('with %s run as small steps say', (_, change) => {
    agrees({ ...base, ...change });
  });

  it('of any size run as small steps say', () => {
    fc.assert(
      fc.property(
        fc.record({
          massKg: finite(1, 8),
          resistanceOhm: finite(0.8, 2),
          ktNmPerA: finite(0.015, 0.025),
          diameterM: finite(0.11, 0.13),
          yawDragNm: finite(0, 0.2),
        }),
        ({ massKg, yawDragNm, ...right }) =>
          agrees({ ...base, massKg, yawDragNm, right: { ...wheel, ...right }, longestS: 6 }),
      ),
      { numRuns: 12 },
    );
  });

  it('left for right run the same way to the other side', () => {
    const odd = { ...wheel, resistanceOhm: 1.5, diameterM: 0.118 };
    const one = ask({ ...base, right: odd });
    const other = ask({ ...base, left: odd });
    expect(other.sideM).toBeCloseTo(-one.sideM, 9);
    expect(other.headingDeg).toBeCloseTo(-one.headingDeg, 9);
    expect([other.leftTurns, other.timeS]).toEqual([
      expect.closeTo(one.rightTurns, 9) as number,
      expect.closeTo(one.timeS, 9) as number,
    ]);
    // The weaker right falls behind: it veers to the right.
    expect(one.sideM).toBeGreaterThan(0);
  });

  it('settled, curve as the sum of two unlike wheels says', () => {
    const right = { ...wheel, diameterM: 0.119 };
    const still = {
      ...base,
      rollingCoefficient: 0,
      left: { ...wheel, noLoadA: 0 },
      right: { ...right, noLoadA: 0 },
      yawInertiaKgM2: 1e-4,
      massKg: 0.02,
    };
    const { headingDeg } = ask({ ...still, distanceM: 6 });
    // Unloaded each turns at u V/kt over its ratio.
    const rpm = ((0.8 * 12) / 0.02 / 20) * (30 / Math.PI);
    const rolled = calculate('unequal-wheels', {
      trackM: 0.25,
      leftDiameterM: 0.12,
      rightDiameterM: 0.119,
      leftRpm: rpm,
      rightRpm: rpm,
      distanceM: 6,
    }) as { headingDeg: number };
    expect(headingDeg / rolled.headingDeg).toBeCloseTo(1, 2);
  });

  it('held together by a loop end straighter than without', () => {
    const odd = { ...base, right: { ...wheel, resistanceOhm: 1.6 } };
    const free = Math.abs(ask(odd).sideM);
    expect(Math.abs(ask({ ...odd, sync: { kp: 3, ki: 2, loopTimeS: 0.01 } }).sideM)).toBeLessThan(free / 5);
  });
});
