/** Dates: against a plan that goes minute by minute, and within what people have (common practice, no source). */
import fc from 'fast-check';
import ical from 'node-ical';
import { describe, expect, it } from 'vitest';
import { newAssemblyPlan, WEEKDAYS, type Build, type Weekday } from '../vehicle/index.ts';
import { puffin as demo } from '../testing/arranged.ts';
import { typed } from '../quantity/index.ts';
import {
  addHelper,
  assemblyCalendar,
  assemblyOutlook,
  changeHelper,
  dayAfter,
  daysMoved,
  markLine,
  markStep,
  orderFirst,
  partsList,
  removeHelper,
  type Step,
} from './index.ts';
import { A_HELPER, DAY_S, schedule, workOn, type Hands, type Planned } from './schedule.ts';
import { many } from '../testing/many.ts';

const puffin: Build = { ...demo, assembly: newAssemblyPlan() };
const MONDAY = '2027-03-01';
const HOUR = 3600;
const allOnHand = (build: Build): Build =>
  partsList(build).reduce((b, line) => markLine(b, line, { state: 'on-hand' }), build);

const bare = (id: string, after: readonly string[], handsOnS: number, waitingS: number): Step => ({
  ...{ id, role: id, title: id, handsOnS, waitingS, hands: 1, needs: [], parts: [], fasteners: [] },
  ...{ tools: [], after, reasons: {}, remarks: [] },
});

/** What a plan says when nothing is clever: minute by minute, whoever is there and free takes what most hangs on. */
function minuteByMinute({
  today,
  steps,
  people,
  printers,
  partsOf,
}: Planned): Map<string, [start: number, ready: number]> {
  const MINUTE = 60;
  const first = WEEKDAYS.indexOf(
    ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'][
      (new Date(`${today}T12:00Z`).getUTCDay() + 6) % 7
    ] as Weekday,
  );
  const tail = (one: Step): number =>
    one.handsOnS +
    one.waitingS +
    Math.max(0, ...steps.filter(({ after }) => after.includes(one.id)).map(tail));
  const there = ({ sessionS, workDays }: Hands, t: number): boolean =>
    t % DAY_S < sessionS && workDays.includes(WEEKDAYS[(first + Math.floor(t / DAY_S)) % 7] as Weekday);
  const found = new Map<string, [number, number]>();
  const readyAt = new Map<string, number>();
  const works = people.map((): { step: Step; left: number } | undefined => undefined);
  const printing: number[] = Array.from({ length: printers }, () => 0);
  const reserved = new Set<number>();
  for (let t = 0; readyAt.size < steps.length && t < 400 * DAY_S; t += MINUTE) {
    for (let more = true; more;) {
      more = false;
      const open = steps
        .filter(
          (one) =>
            !found.has(one.id) &&
            (partsOf(one).moment ?? Infinity) <= t &&
            one.after.every((id) => (readyAt.get(id) ?? Infinity) <= t) &&
            (one.runsOn === undefined || printing.some((until, n) => until <= t && !reserved.has(n))) &&
            people.filter((who, n) => !works[n] && there(who, t)).length >=
              Math.min(one.hands, people.length),
        )
        .sort((a, b) => tail(b) - tail(a) || steps.indexOf(a) - steps.indexOf(b));
      const [next] = open;
      if (next) {
        const free = people.flatMap((who, n) => (!works[n] && there(who, t) ? [n] : [])).slice(0, next.hands);
        for (const n of free) works[n] = { step: next, left: next.handsOnS };
        if (next.runsOn) reserved.add(printing.findIndex((until, n) => until <= t && !reserved.has(n)));
        found.set(next.id, [t, Infinity]);
        more = true;
      }
    }
    for (const one of new Set(works.flatMap((work) => work?.step ?? []))) {
      const team = works.flatMap((work, n) => (work?.step === one ? [n] : []));
      if (!team.every((n) => there(people[n] as Hands, t))) continue;
      for (const n of team) (works[n] as { left: number }).left -= MINUTE;
      if ((works[team[0] as number] as { left: number }).left > 0) continue;
      const ready = t + MINUTE + one.waitingS;
      readyAt.set(one.id, ready);
      found.set(one.id, [found.get(one.id)?.[0] ?? 0, ready]);
      for (const n of team) works[n] = undefined;
      if (one.runsOn) {
        const printer = [...reserved][0] as number;
        reserved.delete(printer);
        printing[printer] = ready;
      }
    }
  }
  return found;
}

describe('the calendar', () => {
  const plans = fc.record({
    days: fc.array(fc.uniqueArray(fc.constantFrom(...WEEKDAYS), { minLength: 1 }), {
      minLength: 1,
      maxLength: 3,
    }),
    hours: fc.array(fc.integer({ min: 1, max: 5 }), { minLength: 3, maxLength: 3 }),
    steps: fc.array(
      fc.record({
        minutes: fc.integer({ min: 1, max: 300 }),
        waits: fc.constantFrom(0, 0, 90, 1500),
        after: fc.array(fc.nat(7), { maxLength: 3 }),
        comes: fc.constantFrom(0, 0, 0, 2, 5),
        two: fc.boolean(),
      }),
      { minLength: 1, maxLength: 8 },
    ),
  });
  const planOf = (
    { days, hours, steps }: typeof plans extends fc.Arbitrary<infer T> ? T : never,
    two: boolean,
  ): Planned => {
    const comes = new Map(steps.map(({ comes: on }, n) => [`s${n}`, on * DAY_S]));
    const [first, ...others] = days.map((workDays, n): Hands => ({
      ...{ name: `p${n}`, workDays, sessionS: (hours[n] ?? 1) * HOUR },
    }));
    if (!first) throw new Error('somebody builds');
    return {
      ...{ today: MONDAY, people: [first, ...others], printers: 1, doneAt: () => undefined },
      steps: steps.map((one, n) => ({
        ...bare(
          `s${n}`,
          [...new Set(one.after.filter((before) => before < n).map((before) => `s${before}`))],
          one.minutes * 60,
          one.waits * 60,
        ),
        hands: two && one.two ? 2 : 1,
      })),
      partsOf: ({ id }) => ({ moment: comes.get(id) ?? 0 }),
    };
  };

  it('is what a plain minute-by-minute plan has', () => {
    fc.assert(
      fc.property(plans, (drawn) => {
        const plan = planOf(drawn, false);
        const spans = schedule(plan);
        const plain = minuteByMinute(plan);
        for (const { id } of plan.steps)
          expect([id, spans.get(id)?.start, spans.get(id)?.ready]).toEqual([id, ...(plain.get(id) ?? [])]);
      }),
      { numRuns: 60 },
    );
  }, 60_000);

  it('holds on no day more hands-on hours than its people have, and no one twice at a time', () => {
    fc.assert(
      fc.property(plans, (drawn) => {
        const plan = planOf(drawn, true);
        const spans = schedule(plan);
        for (const person of plan.people) {
          const days = new Map<number, number>();
          for (const [id, span] of spans) {
            if (!span.who.includes(person.name)) continue;
            const team = plan.people.filter(({ name }) => span.who.includes(name));
            const work = workOn(span, team, MONDAY);
            const sum = [...work.values()].reduce((all, one) => all + one, 0);
            expect(sum).toBeCloseTo(plan.steps.find((one) => one.id === id)?.handsOnS ?? -1, 6);
            for (const [day, seconds] of work) days.set(day, (days.get(day) ?? 0) + seconds);
          }
          for (const seconds of days.values()) expect(seconds).toBeLessThanOrEqual(person.sessionS + 1e-6);
        }
        for (const one of plan.steps)
          for (const before of one.after) {
            const [mine, other] = [spans.get(one.id), spans.get(before)];
            if (mine && other) expect(mine.start).toBeGreaterThanOrEqual(other.ready);
          }
      }),
      { numRuns: many(150, 1500) },
    );
  });

  const onePrinter = (printers: number): ReadonlyMap<string, { start: number; ready: number }> =>
    schedule({
      ...{ today: MONDAY, printers, doneAt: () => undefined, partsOf: () => ({ moment: 0 }) },
      people: [{ name: 'p', sessionS: 8 * HOUR, workDays: WEEKDAYS }],
      steps: ['a', 'b'].map((id) => ({ ...bare(id, [], 600, 6 * HOUR), runsOn: 'printer' as const })),
    });
  it('prints one after the other on one printer, side by side on two', () => {
    expect(onePrinter(1).get('b')?.start).toBe(600 + 6 * HOUR);
    expect(onePrinter(2).get('b')?.start).toBe(600);
  });
  it('calls a helper for what takes two where one builds alone, and takes a second person where there is one', () => {
    const build = allOnHand(puffin);
    const heavy = assemblyOutlook(build, MONDAY).steps.find(({ id }) => id === 'wheels');
    expect(heavy?.who).toEqual(['you', A_HELPER]);
    const two = changeHelper(addHelper(build, 'Anna'), 'helper-1', {
      workDays: WEEKDAYS,
      hoursADay: typed(5 * HOUR, 'h'),
    });
    const outlook = assemblyOutlook(two, MONDAY);
    expect(outlook.steps.find(({ id }) => id === 'wheels')?.who).toEqual(['you', 'Anna']);
    expect((outlook.readyOn ?? '') < (assemblyOutlook(build, MONDAY).readyOn ?? '')).toBe(true);
    expect(removeHelper(two, 'helper-1')).toEqual(build);
  });
  it('says what a late part moves, and what to order first', () => {
    const build = allOnHand(puffin);
    const frame = partsList(build).find(({ id }) => id === 'frame');
    const guard = partsList(build).find(({ id }) => id === 'stage-1.guard');
    if (!frame || !guard) throw new Error('lines');
    const ordered = markLine(build, frame, { state: 'ordered', arrivesOn: dayAfter(MONDAY, 2) });
    expect(daysMoved(ordered, MONDAY, 'frame', 14)).toBe(14);
    expect(
      daysMoved(markLine(build, guard, { state: 'ordered', arrivesOn: MONDAY }), MONDAY, 'stage-1.guard', 1),
    ).toBe(0);
    const wished = markLine(markLine(build, frame, { state: 'wished-for' }), guard, { state: 'wished-for' });
    expect(orderFirst(wished, MONDAY).map(({ line }) => line.id)).toEqual(['frame', 'stage-1.guard']);
    expect(daysMoved(wished, MONDAY, 'frame', 7)).toBeUndefined();
  });
  it('marks what is critical: a longer wait there is a later day, elsewhere not', () => {
    const build = allOnHand(puffin);
    const outlook = assemblyOutlook(build, MONDAY);
    const critical = outlook.steps.filter((one) => one.critical).map(({ id }) => id);
    expect(critical.length).toBeGreaterThan(2);
    const longer = (id: string): string =>
      assemblyOutlook(markStep(build, id, { waiting: typed(40 * DAY_S, 'h') }), MONDAY).readyOn ?? '';
    expect(longer(critical[1] ?? '') > (outlook.readyOn ?? '')).toBe(true);
    expect(longer('tune')).toBe(outlook.readyOn);
  });
});

describe('the calendar file', () => {
  it('is read by another reader: each step to do on its days, deliveries, and the day it must be ready', () => {
    const build = { ...allOnHand(puffin), readyBy: '2027-04-24' };
    const guard = partsList(build).find(({ id }) => id === 'stage-1.guard');
    if (!guard) throw new Error('a guard');
    const late = markLine(markStep(build, 'frame', { doneOn: '2027-02-27' }), guard, {
      state: 'ordered',
      arrivesOn: '2027-03-20',
    });
    const text = assemblyCalendar(late, MONDAY);
    const events = Object.values(ical.parseICS(text)).flatMap((one) => (one?.type === 'VEVENT' ? [one] : []));
    const day = (date: Date): string =>
      [date.getFullYear(), date.getMonth() + 1, date.getDate()]
        .map((n) => String(n).padStart(2, '0'))
        .join('-');
    const days = new Map(events.map(({ uid, start, end }) => [uid, [day(start), day(end ?? start)]]));
    const { steps } = assemblyOutlook(late, MONDAY);
    expect(days.has('puffin.step.frame@zubric')).toBe(false);
    for (const { id, doneOn, startsOn, endsOn } of steps)
      if (doneOn === undefined)
        expect([id, ...(days.get(`puffin.step.${id}@zubric`) ?? [])]).toEqual([
          id,
          startsOn,
          dayAfter(endsOn ?? '', 1),
        ]);
    expect(days.get('puffin.line.stage-1.guard@zubric')).toEqual(['2027-03-20', '2027-03-21']);
    expect(days.get('puffin.ready-by@zubric')).toEqual(['2027-04-24', '2027-04-25']);
    expect(events.every(({ datetype }) => datetype === 'date')).toBe(true);
    // RFC 5545: lines of at most 75 octets, ended by CR LF.
    for (const line of text.split('\r\n'))
      expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
    expect(text.replaceAll('\r\n', '')).not.toContain('\n');
  });
});
