import { describe, expect, it } from 'vitest';
import { LINKS } from '../judge/links.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import { AS_IT_IS, diagnose, type Evidence } from './diagnose.ts';
import { factsOf } from './facts.ts';
import { SYMPTOM_NAMES, symptomOf } from './symptoms.ts';

const FACTS = { margins: {}, loop: false, thirdLeg: true };
const sides = (step: string, ...mm: readonly number[]): Evidence[] =>
  mm.map((side) => ({ step, side: side / 1000 }));
const base = sides(AS_IT_IS, 60, 70, 55);
const first = (evidence: readonly Evidence[]) => diagnose('veers', FACTS, evidence).ranked[0]?.cause;

describe('what is behind a symptom', () => {
  it('is as likely as its odds before anything is tried, all of it together', () => {
    for (const name of SYMPTOM_NAMES) {
      const { ranked, verdict, made } = diagnose(name, FACTS, []);
      expect(ranked.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
      expect(verdict).toBe('open');
      expect(made).toEqual([]);
    }
  });

  it('is the wheels where the veer goes with them, and is not where it stays (common practice: swap one thing)', () => {
    expect(first([...base, ...sides('swap-wheels', -60, -50, -65)])).toBe('wheels');
    const stays = diagnose('veers', FACTS, [...base, ...sides('swap-wheels', 60, 65, 62)]);
    expect(stays.ranked.at(-1)?.cause).toBe('wheels');
    expect(stays.made[0]).toMatchObject({ step: 'swap-wheels', verdict: 'stays' });
  });

  it('is Bayes’ rule: odds times how likely each makes the answer, over their sum (by hand)', () => {
    const { causes } = symptomOf('cuts-out');
    const even = { ...FACTS };
    const before = diagnose('cuts-out', even, []).ranked.find(({ cause }) => cause === 'lead')?.share ?? 0;
    const after =
      diagnose('cuts-out', even, [{ step: 'wiggle', answer: 'yes' }]).ranked.find(
        ({ cause }) => cause === 'lead',
      )?.share ?? 0;
    // 0.85 for a lead, 0.03 for the rest, each with 3 % astray over two answers.
    const [yes, other] = [0.97 * 0.85 + 0.015, 0.97 * 0.03 + 0.015];
    expect(after).toBeCloseTo((before * yes) / (before * yes + (1 - before) * other), 12);
    expect(Object.keys(causes)).toHaveLength(5);
  });

  it('counts a step only once it has its runs, and asks for the rest of it first', () => {
    const some = diagnose('veers', FACTS, [...base, ...sides('turn-round', -60)]);
    expect(some.made).toEqual([]);
    expect(some.next).toMatchObject({ step: 'turn-round', runs: 2 });
    expect(diagnose('veers', FACTS, base.slice(1)).next).toMatchObject({ step: AS_IT_IS, runs: 1 });
  });

  it('does not depend on the order in which steps were made', () => {
    const [a, b] = [sides('swap-wheels', 55, 60, 66), sides('turn-round', -58, -61, -63)];
    const shares = (evidence: readonly Evidence[]) =>
      Object.fromEntries(diagnose('veers', FACTS, evidence).ranked.map(({ cause, share }) => [cause, share]));
    const [one, other] = [shares([...base, ...a, ...b]), shares([...base, ...b, ...a])];
    for (const cause of Object.keys(one)) expect(one[cause]).toBeCloseTo(other[cause] ?? NaN, 12);
  });

  it('is mirrored with the veer: left for right makes the same ranking', () => {
    const evidence = [...base, { step: 'off-ground', left: 40, right: 40 }, ...sides('slider', 10, 2, -5)];
    const turned = evidence.map((e) => ({
      ...e,
      ...('side' in e ? { side: -(e.side ?? 0) } : { left: e.right, right: e.left }),
    }));
    expect(diagnose('veers', FACTS, turned).ranked).toEqual(diagnose('veers', FACTS, evidence).ranked);
  });

  it('parts what drives from what touches the floor by turns in the air', () => {
    const inTheAir = (left: number, right: number) =>
      diagnose('veers', FACTS, [...base, { step: 'off-ground', left, right }]);
    // 62 mm over 2 m on 0.3 m of track is 0.9 % between the sides.
    expect(['motors', 'loop', 'battery']).toContain(inTheAir(100.46, 99.54).ranked[0]?.cause);
    expect(['wheels', 'slider', 'floor', 'weight']).toContain(inTheAir(100, 100).ranked[0]?.cause);
  });

  it('ends: no step is asked twice, and where none parts what is left it says so', () => {
    for (const name of SYMPTOM_NAMES) {
      const evidence: Evidence[] = [...base];
      const asked: string[] = [];
      for (;;) {
        const { next } = diagnose(name, FACTS, evidence);
        if (!next) break;
        asked.push(next.step);
        if (next.kind === 'answer')
          evidence.push({ step: next.step, answer: Object.keys(next.answers ?? {})[0] });
        else if (next.kind === 'turns') evidence.push({ step: next.step, left: 10, right: 10 });
        else evidence.push(...sides(next.step, 61, 62, 60));
      }
      expect(new Set(asked).size).toBe(asked.length);
      expect(diagnose(name, FACTS, evidence).verdict).toMatch(/found|unclear/);
    }
  });

  it('begins with what the build’s own margins say: a weak grip before anything else on the hill', () => {
    const near = (link: string, ratio: number) =>
      diagnose('no-start', { ...FACTS, margins: { [link]: ratio } }, []).ranked[0]?.cause;
    expect(near('grip', 0.8)).toBe('grip');
    expect(near('torque', 0.8)).toBe('torque');
    for (const build of Object.values(demoBuilds())) {
      const facts = factsOf(build);
      expect(Object.values(facts.margins).every((ratio) => (ratio ?? NaN) >= 0)).toBe(true);
    }
  });

  it('hangs its causes on margins that there are, the likelier the nearer the worst of them is', () => {
    for (const name of SYMPTOM_NAMES)
      for (const [cause, { links = [] }] of Object.entries(symptomOf(name).causes)) {
        expect(
          links.every((link) => link in LINKS),
          cause,
        ).toBe(true);
        for (const link of links) {
          const shares = [2.5, 1.5, 1, 0.5].map(
            (ratio) =>
              diagnose(name, { ...FACTS, margins: { [link]: ratio } }, []).ranked.find(
                (one) => one.cause === cause,
              )?.share ?? NaN,
          );
          expect(shares, `${cause} ${link}`).toEqual([...shares].sort((a, b) => a - b));
          expect(new Set(shares).size, `${cause} ${link}`).toBeGreaterThan(1);
        }
      }
    expect(diagnose('no-start', FACTS, []).ranked.find(({ cause }) => cause === 'grip')?.links).toEqual([
      'grip',
    ]);
  });

  it('has answers whose chances add up to one, for every cause of every step', () => {
    for (const name of SYMPTOM_NAMES)
      for (const step of Object.values(symptomOf(name).steps)) {
        if (step.kind !== 'answer') continue;
        for (const chances of [step.otherwise, ...Object.values(step.likely)]) {
          expect(Object.values(chances).reduce((sum, p) => sum + p, 0)).toBeCloseTo(1, 9);
          expect(Object.keys(chances).every((answer) => answer in step.answers)).toBe(true);
        }
        expect(Object.keys(step.likely).every((cause) => cause in symptomOf(name).causes)).toBe(true);
      }
  });
});
