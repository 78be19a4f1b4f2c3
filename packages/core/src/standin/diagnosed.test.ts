import { describe, expect, it } from 'vitest';
import { seeded } from '../contract/index.ts';
import { AS_IT_IS, diagnose, type Diagnosis, type Evidence } from '../diagnosis/index.ts';
import { afterStep, endOfRun, HIDDEN, turnsInTheAir, veeringVehicle, type Hidden } from './veering.ts';

const FACTS = { margins: {}, loop: false, thirdLeg: true };
const FLOOR = { distanceM: 2, trackM: 0.3 };
const MOST_STEPS = 4;
const WHEEL_M = 0.08;

/** A builder who does as told: makes the runs, counts the turns, until it is found or four steps are made. */
function diagnosed(seed: number, hidden: Hidden): Diagnosis {
  const vehicle = veeringVehicle(seed, hidden);
  const random = seeded(seed + 77);
  const evidence: Evidence[] = [];
  for (;;) {
    const diagnosis = diagnose('veers', FACTS, evidence, FLOOR);
    const { next, made, verdict } = diagnosis;
    if (!next || verdict === 'found' || made.length >= MOST_STEPS) return diagnosis;
    const changed = next.step === AS_IT_IS ? vehicle : afterStep(vehicle, next.step, random);
    if (next.kind === 'turns') {
      const [left, right] = turnsInTheAir(changed, WHEEL_M, 30);
      evidence.push({ step: next.step, left: Math.round(left * 4) / 4, right: Math.round(right * 4) / 4 });
    } else
      for (let n = 0; n < 3; n++)
        evidence.push({ step: next.step, side: endOfRun(changed, FLOOR.distanceM, random) });
  }
}

function tally(from: number) {
  const rows = Array.from({ length: 100 }, (_, n) => {
    const hidden = HIDDEN[n % HIDDEN.length] as Hidden;
    const { ranked, made, verdict } = diagnosed(from + n, hidden);
    return { hidden, first: ranked[0]?.cause, steps: made.length, verdict };
  });
  return {
    right: rows.filter(({ hidden, first }) => hidden === first).length,
    unclear: rows.filter(({ verdict }) => verdict === 'unclear').length,
    most: Math.max(...rows.map(({ steps }) => steps)),
  };
}

describe('diagnosis of hidden causes', () => {
  it('names the hidden cause first in 80 of 100 vehicles or more, in four steps at most', () => {
    const { right, unclear, most } = tally(20_001);
    expect(right).toBeGreaterThanOrEqual(80);
    expect(unclear).toBeLessThanOrEqual(15);
    expect(most).toBeLessThanOrEqual(MOST_STEPS);
  });
});
