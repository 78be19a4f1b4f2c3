import type { Build } from '../vehicle/index.ts';
import { MANNER_RULES } from './manner-rules.ts';
import { ORDER_RULES } from './order-rules.ts';
import { RULE_IDS, type RuleId } from './rule-id.ts';
import type { Drafted, RuleText } from './rule.ts';
import type { Reason, Step } from './step.ts';

const TEXTS: Readonly<Record<RuleId, RuleText>> = { ...ORDER_RULES, ...MANNER_RULES };

/** A rule as it is shown. */
export interface Rule {
  readonly id: RuleId;
  readonly title: string;
  readonly why: string;
}

const ALL: readonly (Rule & Pick<RuleText, 'bites'>)[] = RULE_IDS.map((id) => ({ id, ...TEXTS[id] }));

/**
 * Every rule that the plan of an assembly follows.
 *
 * @example ASSEMBLY_RULES[0].title // 'Belt or chain before the wheel'
 */
export const ASSEMBLY_RULES: readonly Rule[] = ALL;

/** Whether one step comes before another already, directly or through others. */
function comesBefore(
  id: string,
  other: string,
  after: ReadonlyMap<string, ReadonlySet<string>>,
  seen = new Set<string>(),
): boolean {
  if (id === other) return true;
  if (seen.has(other)) return false;
  seen.add(other);
  return [...(after.get(other) ?? [])].some((before) => comesBefore(id, before, after, seen));
}

/**
 * The steps as every rule leaves them: what comes before each and why, and what is said of it. A rule that would have two
 * steps wait for each other (a part that hides what holds it) says so, and orders nothing.
 */
export function ruled(build: Build, drafts: readonly Step[]): Step[] {
  const drafted: Drafted = {
    build,
    steps: drafts,
    of: (...roles) => drafts.filter(({ role }) => roles.includes(role)),
  };
  const after = new Map(drafts.map((step) => [step.id, new Set(step.after)]));
  const bites = ALL.flatMap((rule) => rule.bites(drafted).map((bite) => ({ ...bite, rule })));
  const reasons = new Map<string, Record<string, Reason>>();
  for (const { step, after: before, rule } of bites) {
    const mine = after.get(step);
    if (before === undefined || !mine || !after.has(before) || comesBefore(step, before, after)) continue;
    mine.add(before);
    reasons.set(step, { ...reasons.get(step), [before]: { rule: rule.id, why: rule.why } });
  }
  return drafts.map((step) => ({
    ...step,
    after: [...(after.get(step.id) ?? [])],
    reasons: reasons.get(step.id) ?? {},
    remarks: bites
      .filter((bite) => bite.step === step.id)
      .flatMap(({ says, rule }) => (says === undefined ? [] : [{ rule: rule.id, says }]))
      .filter((one, n, all) => all.findIndex(({ says }) => says === one.says) === n),
  }));
}
