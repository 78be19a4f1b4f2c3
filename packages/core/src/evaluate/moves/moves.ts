import { changesBetween, type Build, type Change, type Part } from '../../build/index.ts';
import type { UnitSystem } from '../../quantity/index.ts';
import { show } from '../../quantity/index.ts';
import { compareMargins, marginInWords } from '../compare.ts';
import { evaluate } from '../evaluate.ts';
import { closeness } from '../margin.ts';
import type { LinkReport, Report } from '../report.ts';
import { candidatesFor } from './candidates.ts';

/** A small change of the build, worked out in full. */
export interface Move {
  readonly text: string;
  /** What it does for the margin that it mends. */
  readonly gains: string;
  /** What else moves for the worse, first what it would make short; 'nothing else' where nothing does. */
  readonly costs: string;
  readonly changes: readonly Change[];
  /** Ratio over rule of the margin that it mends, before and after. */
  readonly before: number;
  readonly after: number;
  /** Whether it makes another margin short. */
  readonly makesShort: boolean;
}

/** The moves for one margin of the report. */
export interface MovesFor {
  readonly link: LinkReport['link'];
  readonly dutyId: string | null;
  readonly moves: readonly Move[];
}

const MOST_SHOWN = 4;
/** A gain under this share of the rule is not worth a line. */
const WORTH = 0.02;

const governingOf = (report: Report, link: LinkReport['link']): LinkReport | undefined =>
  report.governing.find((other) => other.link === link);

/** Mass and cost that chosen parts and ballast add or take. */
function spent(before: Build, after: Build, system: UnitSystem): string[] {
  const cost = (b: Build): number => b.parts.reduce((sum, part) => sum + (part.cost ?? 0), 0);
  const mass = (b: Build): number =>
    b.parts.reduce((sum, part) => sum + part.massKg, 0) +
    b.masses.others.reduce((sum, m) => sum + m.mass.value, 0);
  const [kg, money] = [mass(after) - mass(before), cost(after) - cost(before)];
  return [
    ...(Math.abs(kg) > 1e-3 ? [`${kg > 0 ? '+' : '−'}${show(Math.abs(kg), 'mass', system).text}`] : []),
    ...(Math.abs(money) >= 0.5 ? [`${money > 0 ? '+' : '−'}${Math.abs(money).toFixed(0)} in cost`] : []),
  ];
}

/** A move before it is known whether it is shown: the build that it makes, and its place among the others. */
type Judged = Omit<Move, 'changes'> & { readonly build: Build; readonly score: number };

/** What a candidate does, or undefined where it does not help the margin that it was made for. */
function judged(
  build: Build,
  report: Report,
  {
    link,
    candidate,
    system,
  }: { link: LinkReport; candidate: { text: string; build: Build }; system: UnitSystem },
): Judged | undefined {
  const now = evaluate(candidate.build, system);
  const was = governingOf(report, link.link);
  const is = governingOf(now, link.link);
  const before = was ? closeness(was) : Infinity;
  // A margin that is gone is mended: nothing is asked of it any more.
  const after = is ? closeness(is) : Infinity;
  if (
    !(after > before + WORTH) ||
    now.duties.some((d, at) => !d.footing.stands && report.duties[at]?.footing.stands)
  )
    return undefined;
  const moved = compareMargins(report, now).filter((m) => m.moved);
  const own = moved.find((m) => m.link === link.link);
  const worse = moved.filter(
    (m) =>
      m.link !== link.link &&
      m.after &&
      m.after.ratio / m.after.rule < (m.before ? m.before.ratio / m.before.rule : Infinity),
  );
  const short = worse.filter((m) => m.after?.verdict === 'short' && m.before?.verdict !== 'short');
  const order = [...short, ...worse.filter((m) => !short.includes(m) && m.after?.verdict !== 'ample')];
  const costs = [...order.map(marginInWords), ...spent(build, candidate.build, system)];
  const loss = worse.reduce((sum, m) => {
    const [b, a] = [m.before, m.after].map((x) => Math.min(x ? x.ratio / x.rule : 2, 2)) as [number, number];
    return sum + Math.max(0, b - a);
  }, 0);
  return {
    text: candidate.text,
    gains: own ? marginInWords(own) : 'nothing is asked of it any more',
    costs: costs.length > 0 ? costs.join('; ') : 'nothing else',
    build: candidate.build,
    before,
    after: Number.isFinite(after) ? after : before + 10,
    makesShort: short.length > 0,
    score: Math.min(after, 2) - before - loss - (short.length > 0 ? 1 : 0),
  };
}

/**
 * For each margin that is short or tight, the few changes that would mend it, each evaluated in full and ranked by its
 * gain less what other margins lose. What a move makes short is said first among its costs.
 */
export function moves(
  build: Build,
  report: Report,
  { shelf, system = 'metric' }: { readonly shelf: readonly Part[]; readonly system?: UnitSystem },
): MovesFor[] {
  return report.governing
    .filter(({ verdict }) => verdict !== 'ample')
    .map((link) => {
      const duty = build.duties.find(({ id }) => id === link.dutyId);
      const found = candidatesFor({ build, link, duty, shelf, system })
        .map((candidate) => judged(build, report, { link, candidate, system }))
        .filter((move) => move !== undefined)
        .sort((a, b) => b.score - a.score);
      return { link: link.link, dutyId: link.dutyId, moves: varied(build, found) };
    });
}

/** The best, but not four times the same by another tooth: at most two that begin alike. */
function varied(build: Build, ranked: readonly Judged[]): Move[] {
  const shown: Judged[] = [];
  for (const move of ranked) {
    const begins = move.text.split(' ').slice(0, 2).join(' ');
    if (shown.filter(({ text }) => text.startsWith(begins)).length < 2) shown.push(move);
    if (shown.length === MOST_SHOWN) break;
  }
  return shown.map(({ score: _score, build: moved, ...move }) => ({
    ...move,
    changes: changesBetween(build, moved),
  }));
}
