import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FULL_SLIP_ACROSS, FULL_SLIP_ALONG, GripLaw } from './grip-law.ts';

const speed = fc.double({ min: -3, max: 3, noNaN: true });

/** Along and across, of grips 0.9 and 0.6 under 100 N. */
function pulled(ahead: number, aside: number, rim: number): GripLaw {
  const law = new GripLaw();
  law.driven(100, 0.9, 0.6, ahead, aside, rim);
  return law;
}

describe('the grip of a tyre', () => {
  it('never leaves the ellipse of its grip along and across, and reaches it where it slides (friction ellipse)', () => {
    fc.assert(
      fc.property(speed, speed, speed, (ahead, aside, rim) => {
        const { alongN, acrossN } = pulled(ahead, aside, rim);
        expect(Math.hypot(alongN / 90, acrossN / 60)).toBeLessThanOrEqual(1);
      }),
    );
    const locked = pulled(2, 0, 0);
    expect(locked.alongN).toBeLessThan(-89);
    expect(pulled(0, 2, 0).acrossN).toBeLessThan(-59.9);
  });

  it('takes energy out of whatever slides: it pulls against the slip', () => {
    fc.assert(
      fc.property(speed, speed, speed, (ahead, aside, rim) => {
        const { alongN, acrossN } = pulled(ahead, aside, rim);
        expect(alongN * (ahead - rim) + acrossN * aside).toBeLessThanOrEqual(0);
      }),
    );
  });

  it('is mirrored with what it is asked', () => {
    fc.assert(
      fc.property(speed, speed, speed, (ahead, aside, rim) => {
        const [here, there, back] = [
          pulled(ahead, aside, rim),
          pulled(ahead, -aside, rim),
          pulled(-ahead, aside, -rim),
        ];
        expect(there.acrossN).toBe(-here.acrossN);
        expect(there.alongN).toBe(here.alongN);
        expect(back.alongN).toBe(-here.alongN);
        expect(back.acrossN).toBe(here.acrossN);
      }),
    );
  });

  it('begins with the stiffness that would hold all at a tenth of slip, and at 8° (the definitions)', () => {
    const slip = 1e-6;
    expect(pulled(1, 0, 1 + slip).alongN / slip).toBeCloseTo(90 / FULL_SLIP_ALONG, -1);
    expect(pulled(1, slip, 1).acrossN / slip).toBeCloseTo(-60 / FULL_SLIP_ACROSS, -1);
    expect((Math.atan(FULL_SLIP_ACROSS) * 180) / Math.PI).toBeCloseTo(8, 9);
  });

  it('says of its pull over the slip what it never falls by more than: its own differences', () => {
    const h = 1e-6;
    fc.assert(
      fc.property(speed, speed, speed, (ahead, aside, rim) => {
        const here = pulled(ahead, aside, rim);
        expect(here.alongN).toBeCloseTo(-here.perAlong * (ahead - rim), 9);
        const falls = (here.acrossN - pulled(ahead, aside + h, rim).acrossN) / h;
        expect(falls).toBeLessThanOrEqual(here.perAcross * (1 + 1e-3) + 1e-6);
        expect(falls).toBeGreaterThan(-1e-3 * here.perAcross - 1e-6);
      }),
    );
  });

  it('of what slides every way lies against its way, as large as what holds it (Coulomb)', () => {
    const law = new GripLaw();
    law.sliding(50, 0.3, 0.4);
    expect(law.alongN).toBeCloseTo(-30, 2);
    expect(law.acrossN).toBeCloseTo(-40, 2);
    law.swinging(2, -0.5);
    expect([law.alongN, law.acrossN]).toEqual([0, expect.closeTo(2, 4)]);
    law.rolling(100, 0.6, 1, 2);
    expect(law.acrossN).toBeCloseTo(-60, 0);
  });
});
