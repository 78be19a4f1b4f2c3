import type { Build } from '../vehicle/index.ts';
import { evaluate } from './evaluate.ts';
import { closeness } from './margin.ts';
import type { LinkReport, Report } from './report.ts';

/** A payload, and what the build comes to with it. */
export interface SweepPoint {
  readonly payloadKg: number;
  /** In the unit of the aim: kg an hour, kg·km a charge, km a charge; 0 where a duty is not done. */
  readonly score: number;
  /**
   * Whether every margin that the payload moves is at least 1 ×: the rule's reserve may be used up, what is there may not
   * be passed. A margin that fails with any payload is not the payload's fault.
   */
  readonly borne: boolean;
  /** The margin that stands in the way, where one does. */
  readonly stopped?: LinkReport;
}

/** What a build can be told to make the most of. */
export type Aim = Exclude<Build['aims']['maximise'], 'none'>;

/** What every payload comes to, from none to the most. */
export interface Sweep {
  readonly aim: Aim;
  readonly points: readonly SweepPoint[];
  /** The payload with the greatest score of those that every margin bears at 1 ×; undefined where none does. */
  readonly best?: SweepPoint;
}

const SECONDS_PER_HOUR = 3600;
const METRES_PER_KM = 1000;

/** Duties that go somewhere, as fast as they go: with a motor what it reaches, else what is asked. */
function legs(report: Report) {
  return report.duties
    .filter((d) => d.distanceM > 0)
    .map((d) => {
      const speedMps = d.attainableMps ?? d.speedMps;
      return { ...d, seconds: speedMps > 0 ? d.distanceM / speedMps : Infinity };
    });
}

/**
 * What a build comes to for an aim, in kg an hour, kg·km or km a charge. Undefined where it says too little: no way to go,
 * or no battery for a charge.
 *
 * @example scoreOf(puffin, report, 'payload-rate') // 196.6
 */
export function scoreOf(build: Build, report: Report, aim: Aim): number | undefined {
  const all = legs(report);
  if (all.length === 0) return undefined;
  const fails = report.duties.some((d) => !d.footing.stands) || all.some((d) => !Number.isFinite(d.seconds));
  if (fails) return 0;
  const payload = (dutyId: string): number =>
    build.masses.payload.mass.value * (build.duties.find((d) => d.id === dutyId)?.payloadShare.value ?? 0);
  if (aim === 'payload-rate') {
    const seconds = all.reduce((sum, d) => sum + d.seconds, 0);
    return (Math.max(...all.map((d) => payload(d.id))) / seconds) * SECONDS_PER_HOUR;
  }
  const { outing } = report;
  if (!outing?.runTimeS || outing.durationS <= 0) return undefined;
  const outings = outing.runTimeS / outing.durationS;
  const carried = all.reduce((sum, d) => sum + (aim === 'haul' ? payload(d.id) : 1) * d.distanceM, 0);
  return (outings * carried) / METRES_PER_KM;
}

const withPayload = (build: Build, kg: number): Build => {
  const { payload } = build.masses;
  return {
    ...build,
    masses: { ...build.masses, payload: { ...payload, mass: { ...payload.mass, value: kg } } },
  };
};

/** Share of the greatest payload that is as good as none. */
const NEXT_TO_NOTHING = 1e-3;
/** Margins nearer than this are not moved. */
const NOT_MOVED = 1e-6;

/** The margin under 1 × that is nearest to failing of those that the payload moves. */
function stoppedBy(loaded: Report, empty: Report): LinkReport | undefined {
  const same = (a: LinkReport, b: LinkReport): boolean =>
    a.link === b.link && a.dutyId === b.dutyId && a.stageId === b.stageId && a.elementId === b.elementId;
  return loaded.links
    .filter((link) => {
      if (link.ratio >= 1) return false;
      const before = empty.links.find((other) => same(link, other));
      return !before || Math.abs(link.ratio - before.ratio) > NOT_MOVED * Math.max(1, before.ratio);
    })
    .sort((a, b) => closeness(a) - closeness(b))[0];
}

/**
 * The payload from nothing to twice what is stated, each judged in full.
 *
 * @example payloadSweep(puffin, 5)?.points.length // 5
 */
export function payloadSweep(build: Build, points: number): Sweep | undefined {
  const aim = build.aims.maximise;
  if (aim === 'none') return undefined;
  const most = 2 * Math.max(build.masses.payload.mass.value, build.masses.own.mass.value / 4);
  const empty = evaluate(withPayload(build, NEXT_TO_NOTHING * most));
  const swept = Array.from({ length: points }, (_, n): SweepPoint | undefined => {
    const payloadKg = (most * (n + 1)) / points;
    const loaded = withPayload(build, payloadKg);
    const report = evaluate(loaded);
    const score = scoreOf(loaded, report, aim);
    const stopped = stoppedBy(report, empty);
    return score === undefined
      ? undefined
      : { payloadKg, score, borne: stopped === undefined, ...(stopped ? { stopped } : {}) };
  });
  const known = swept.filter((p) => p !== undefined);
  if (known.length === 0) return undefined;
  const borne = known.filter((p) => p.score > 0 && p.borne);
  const best = borne.reduce<SweepPoint | undefined>(
    (top, p) => (!top || p.score > top.score ? p : top),
    undefined,
  );
  return { aim, points: known, ...(best ? { best } : {}) };
}
