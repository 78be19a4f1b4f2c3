import {
  compareMargins,
  marginInWords,
  type Margins,
  marginId,
  VERDICTS,
  closeness,
  isUnderRule,
  type Cure,
  type LinkReport,
  type Report,
  type Verdict,
  reportThrough,
} from '../judge/index.ts';
import { figure, inUnits, joinedBy, sentence, type Words } from '../quantity/index.ts';
import { changesBetween, type Build, type Change, type Part, throughDrive, whole } from '../vehicle/index.ts';
import { becoming, hopes, WORTH, type Becoming } from './becoming.ts';
import { misfitsBeside, spoiling } from './breaking.ts';
import type { Candidate } from './candidate.ts';
import { candidatesFor } from './candidates.ts';
import { curesOf } from './cures.ts';

/** A small change of the build, worked out in full. */
export interface Move {
  readonly text: Words;
  /** What it does for the margin that it mends. */
  readonly gains: Words;
  /** What else moves for the worse, first what it would make short; 'no other margin' where none does. */
  readonly costs: Words;
  readonly changes: readonly Change[];
  /** Ratio over rule of the margin that it mends, before and after. */
  readonly before: number;
  readonly after: number;
  /** Whether it makes another margin short. */
  readonly makesShort: boolean;
  /** Whether it asks less of the vehicle instead of making it do more. */
  readonly asksLess: boolean;
  /** Whether the finding is then gone, not only eased. */
  readonly ends: boolean;
}

/** The moves for one margin of the report, or for one finding that is no margin. */
export interface MovesFor {
  /** The identity of the finding. */
  readonly finding: string;
  readonly link: LinkReport['link'] | null;
  readonly dutyId: string | null;
  readonly moves: readonly Move[];
}

const MOST_SHOWN = 4;
const governingOf = (report: Margins, link: LinkReport['link']): LinkReport | undefined =>
  report.governing.find((other) => other.link === link);

/** Mass and cost that chosen parts and ballast add or take. */
function spent(before: Build, after: Build): Words[] {
  const cost = (b: Build): number => b.parts.reduce((sum, part) => sum + (part.cost ?? 0), 0);
  const mass = (b: Build): number =>
    b.parts.reduce((sum, part) => sum + part.massKg, 0) +
    b.masses.others.reduce((sum, m) => sum + m.mass.value, 0);
  const [kg, money] = [mass(after) - mass(before), cost(after) - cost(before)];
  return [
    ...(Math.abs(kg) > 1e-3 ? [sentence`${kg > 0 ? '+' : '−'}${figure(Math.abs(kg), 'mass')}`] : []),
    ...(Math.abs(money) >= 0.5 ? [`${money > 0 ? '+' : '−'}${Math.abs(money).toFixed(0)} in cost`] : []),
  ];
}

/** A move before it is known whether it is shown: the build that it makes, and its place among the others. */
type Judged = Omit<Move, 'changes'> & { readonly build: Build; readonly score: number };

/** What ends a finding first, then what asks no less of the vehicle, then by what it gains. */
const better = (a: Judged, b: Judged): number =>
  Number(b.ends) - Number(a.ends) || Number(a.asksLess) - Number(b.asksLess) || b.score - a.score;

interface Tried<Now extends Margins = Margins> {
  readonly build: Build;
  readonly report: Report;
  readonly candidate: Candidate;
  readonly now: Now;
}

const score = (report: Margins, link: LinkReport['link']): number => {
  const own = governingOf(report, link);
  return own ? closeness(own) : Infinity;
};

/** Whether it breaks what held: a duty falls over that stood, or another margin fails. */
const breaks = ({ report, now }: Tried, mends: LinkReport['link'] | null): boolean =>
  now.duties.some((d, at) => !d.footing.stands && report.duties[at]?.footing.stands) ||
  spoiling(report, mends)(now.links);

/** What a candidate costs beside what it mends: margins that it makes short first, then others, then mass and money. */
function costsOf({ build, report, candidate, now }: Tried, mends: LinkReport['link'] | null) {
  const moved = compareMargins(report, now).filter((m) => m.moved);
  const under = (m: { readonly verdict: Verdict } | null): boolean => m !== null && isUnderRule(m.verdict);
  const worse = moved.filter(
    (m) =>
      m.link !== mends &&
      m.after &&
      ((under(m.after) && !under(m.before)) ||
        m.after.ratio / m.after.rule < (m.before ? m.before.ratio / m.before.rule : Infinity)),
  );
  const short = worse.filter((m) => under(m.after) && !under(m.before));
  const order = [...short, ...worse.filter((m) => !short.includes(m) && m.after?.verdict !== 'ample')];
  const said = [
    ...(candidate.cost === undefined ? [] : [candidate.cost]),
    ...order.map(marginInWords),
    ...spent(build, candidate.build),
  ];
  const loss = worse.reduce((sum, m) => {
    const [b, a] = [m.before, m.after].map((x) => Math.min(x ? x.ratio / x.rule : 2, 2)) as [number, number];
    return sum + Math.max(0, b - a);
  }, 0);
  return {
    own: moved.find((m) => m.link === mends),
    costs: said.length > 0 ? joinedBy('; ', said) : 'no other margin',
    makesShort: short.length > 0,
    loss: loss + (short.length > 0 ? 1 : 0),
  };
}

/** A margin of which nothing is asked any more holds. */
const verdictOfNow = (now: Margins, link: LinkReport['link']): Verdict =>
  governingOf(now, link)?.verdict ?? 'ample';

/** What a candidate does for a margin, or undefined where it does not help it. */
function judged(tried: Tried, link: LinkReport['link']): Judged | undefined {
  const before = score(tried.report, link);
  // A margin that is gone is mended: nothing is asked of it any more.
  const after = score(tried.now, link);
  if (!(after > before + WORTH) || breaks(tried, link)) return undefined;
  const { own, costs, makesShort, loss } = costsOf(tried, link);
  const was = governingOf(tried.report, link)?.verdict ?? 'ample';
  const is = verdictOfNow(tried.now, link);
  // No gain where its own verdict is the worse, or where what keeps its rule would be paid for with what then does not.
  if (VERDICTS.indexOf(is) < VERDICTS.indexOf(was) || (makesShort && !isUnderRule(was))) return undefined;
  return {
    text: tried.candidate.text,
    gains: own ? marginInWords(own) : 'nothing is asked of it any more',
    costs,
    build: tried.candidate.build,
    before,
    after: Number.isFinite(after) ? after : before + 10,
    makesShort,
    asksLess: tried.candidate.asksLess ?? false,
    ends: !isUnderRule(is),
    score: Math.min(after, 2) - before - loss,
  };
}

const sameCure = (a: Cure, b: Cure): boolean => JSON.stringify(a) === JSON.stringify(b);

/** What a candidate does for a finding that is no margin, or undefined where as much still stands in the way. */
function ended(tried: Tried<Report>, cure: Cure): Judged | undefined {
  const left = (report: Report): number =>
    report.findings.filter((f) => f.cures.some((other) => sameCure(cure, other))).length;
  if (!(left(tried.now) < left(tried.report)) || breaks(tried, null)) return undefined;
  const { costs, makesShort, loss } = costsOf(tried, null);
  return {
    text: tried.candidate.text,
    gains: 'this no longer stands in the way',
    costs,
    build: tried.candidate.build,
    before: 0,
    after: 1,
    makesShort,
    asksLess: tried.candidate.asksLess ?? false,
    ends: true,
    score: 1 - loss,
  };
}

/**
 * For each margin that is short or tight, and for findings that are no margin, the few changes that would mend it, each evaluated in full and ranked by its
 * gain less what other margins lose. What a move makes short is said first among its costs.
 *
 * @example moves(puffin, report, { shelf: [] }).length // 2
 */
export function moves(
  given: Build,
  report: Report,
  { shelf }: { readonly shelf: readonly Part[] },
): MovesFor[] {
  const build = whole(given);
  const become = becoming(build);
  const reports = (made: Build) => become(made).reports();
  const mayBe = (made: Build): boolean => become(made).canBe();
  const tried = <Now extends Margins>(
    candidates: readonly Candidate[],
    mends: LinkReport | undefined,
    of: (made: Becoming) => Now,
  ): Tried<Now>[] => {
    const misfits = misfitsBeside(build);
    const hopeful = hopes(become(build), mends, spoiling(report, mends?.link ?? null));
    return candidates
      .filter((candidate) => !misfits(candidate.build) && hopeful(become(candidate.build)))
      .map((candidate) => ({ build, report, candidate, now: of(become(candidate.build)) }));
  };
  const ranked = (found: readonly (Judged | undefined)[]): Judged[] =>
    found.filter((move) => move !== undefined).sort(better);
  const mended = report.governing
    .filter(({ verdict }) => verdict !== 'ample')
    .map((link) => {
      const duty = build.duties.find(({ id }) => id === link.dutyId);
      const { seen, through } = lookedAt(build, report, link.driveId);
      const candidates = candidatesFor({ build: seen, link, report: through, duty, shelf, reports });
      const found = ranked(
        tried(candidates, link, (made) => made.margins()).map((t) => judged(t, link.link)),
      );
      return {
        finding: marginId(link.link),
        link: link.link,
        dutyId: link.dutyId,
        moves: varied(build, found, { mayBe, told: 'by what it does' }),
      };
    });
  const others = report.findings.flatMap(({ id, cures, link, dutyId, driveId }): MovesFor[] => {
    const { seen } = lookedAt(build, report, driveId);
    if (cures.length === 0) return [];
    const found = ranked(
      cures.flatMap((cure) =>
        tried(curesOf(seen, cure), undefined, (made) => made.whole()).map((t) => ended(t, cure)),
      ),
    );
    return [{ finding: id, link, dutyId, moves: varied(build, found, { mayBe, told: 'by what it is' }) }];
  });
  return [...mended, ...others];
}

/** Build and report as the drive has them that a finding is of. */
const lookedAt = (build: Build, report: Report, driveId: string | undefined) => ({
  seen: driveId === undefined ? build : throughDrive(build, driveId),
  through: reportThrough(report, driveId),
});

/** The first two words, whatever units they are read in. */
const beginsOf = (said: Words): string => inUnits(said, 'metric').split(' ').slice(0, 2).join(' ');
const same = (a: Words, b: Words): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The best, but not four times the same by another tooth: at most two that begin alike, none that does just as another. */
function varied(
  build: Build,
  ranked: readonly Judged[],
  {
    mayBe,
    told: apart,
  }: {
    readonly mayBe: (made: Build) => boolean;
    /** Whatever ends a finding gains the same: those are told apart by what they are. */
    readonly told: 'by what it does' | 'by what it is';
  },
): Move[] {
  const shown: Judged[] = [];
  for (const move of ranked) {
    const begins = beginsOf(move.text);
    const told =
      apart === 'by what it does' &&
      shown.some(({ gains, costs }) => same(gains, move.gains) && same(costs, move.costs));
    const alike = shown.filter(({ text }) => beginsOf(text) === begins).length;
    if (!told && alike < 2 && mayBe(move.build)) shown.push(move);
    if (shown.length === MOST_SHOWN) break;
  }
  return shown.map(({ score: _score, build: moved, ...move }) => ({
    ...move,
    changes: changesBetween(build, whole(moved)),
  }));
}
