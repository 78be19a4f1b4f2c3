import type { BuildLine, JudgedLine } from '@zubric/core/answers';
import {
  closeness,
  evaluate,
  isElectrical,
  linkDefinition,
  marginAlone,
  type Finding,
} from '@zubric/core/judge';
import { nextStep } from '@zubric/core/say';
import { massAllUp, type Build } from '@zubric/core/vehicle';
import { setImmediate as breathe } from 'node:timers/promises';
import { Unreadable, current } from '../database/current.ts';
import type { BuildHead, BuildStore } from './store.ts';

/** What a build is and what stands in its way. */
function summaryOf(document: Build, today: string): Omit<JudgedLine, keyof BuildHead> {
  const report = evaluate(document);
  const { findings, governing, duties } = report;
  const { layout, body, hitch } = document;
  const worst = [...governing].sort((a, b) => closeness(a) - closeness(b))[0];
  const of = (severity: Finding['severity']): number =>
    findings.filter((f) => f.severity === severity).length;
  return {
    purpose: document.purpose,
    readyBy: document.readyBy,
    massKg: massAllUp(document),
    duties: duties.length,
    stops: of('stop'),
    short: of('short'),
    tight: of('tight'),
    shape: { layout, body, hitch },
    next: nextStep(document, report, today),
    worst: worst && {
      link: worst.link,
      title: linkDefinition(worst.link).title,
      duty: duties.find((d) => d.id === worst.dutyId)?.name ?? null,
      ratio: worst.ratio,
      rule: worst.rule,
      verdict: worst.verdict,
      electrical: isElectrical(worst),
      says: marginAlone(worst),
    },
  };
}

/** What is wrong with a build that cannot be opened or judged, in a sentence. */
function problemOf(error: unknown): string {
  if (!(error instanceof Unreadable)) return 'It cannot be judged.';
  const [first] = error.problems;
  if (!first) return 'It cannot be opened.';
  // The format is a matter of the whole document.
  const where = first.path.startsWith('format') ? '' : `${first.path}: `;
  return `It cannot be opened: ${where}${first.message}`;
}

type Summary = Omit<JudgedLine, keyof BuildHead> | { readonly problem: string };

/** A summary, of which version and day: what is next to do goes with the days. */
interface Known {
  readonly version: number;
  readonly day: string;
  readonly summary: Summary;
}

/** The lines of the list of builds. What they say is kept until the build is saved again. */
export function buildLines(store: BuildStore) {
  const kept = new Map<string, Known>();

  async function summary({ id, version }: BuildHead): Promise<Summary> {
    const known = kept.get(id);
    const today = new Date().toISOString().slice(0, 10);
    if (known?.version === version && known.day === today) return known.summary;
    const row = await store.findAnywhere(id);
    let summary: Summary;
    try {
      summary = summaryOf(current(row?.document), today);
    } catch (error) {
      summary = { problem: problemOf(error) };
    }
    kept.set(id, { version: row?.version ?? version, day: today, summary });
    // Many at once must not keep the saves of others waiting.
    await breathe();
    return summary;
  }

  const line = async (head: BuildHead): Promise<BuildLine> => ({
    id: head.id,
    name: head.name,
    version: head.version,
    updatedAt: head.updatedAt.toISOString(),
    ...(await summary(head)),
  });

  return async (heads: readonly BuildHead[]): Promise<BuildLine[]> => {
    const lines: BuildLine[] = [];
    for (const head of heads) lines.push(await line(head));
    return lines;
  };
}
