import { comesOff, thingsOf } from '../layout/index.ts';
import { figure, HOUR_S, sentence, typed, type Words } from '../quantity/index.ts';
import { stageName, type Stage } from '../transmission/index.ts';
import { batteryOf, driveOf, drivesOf, type Build, type ServiceLog } from '../vehicle/index.ts';
import { isPrimary } from './cautions.ts';
import { isOpenGear } from './rule.ts';

/** Something that is looked after again and again. */
export interface ServiceTask {
  readonly id: string;
  readonly title: string;
  readonly how: Words;
  /** First after so many hours run or outings, then every so many; never again where there is no second figure. */
  readonly first: Every;
  readonly then?: Every;
}

/** So many hours run, s, or outings. */
export interface Every {
  readonly runS?: number;
  readonly outings?: number;
}

/** A task as it stands. */
export interface ServiceDue extends ServiceTask {
  readonly due: boolean;
  /** Hours run, s, or outings until it is due; negative where it is over. */
  readonly left: Every;
  readonly last?: ServiceLog['done'][number];
}

/** A belt pushed in the middle by a 64th of its free length takes a sixteenth of its tension: 4 δ/L. */
const DEFLECTION = 1 / 64;
const PUSH_OF_TENSION = 4 * DEFLECTION;
/** Play of a chain's slack run, and sag of a track, as a share of the distance between its shafts (common practice, no source). */
const SLACK = 0.02;

/** The free run of a loop round two wheels, m. */
const freeRun = (centreM: number, one: number, other: number): number =>
  Math.sqrt(Math.max(0, centreM ** 2 - ((one - other) / 2) ** 2));

/** What a stage wants again and again; intervals are usual ones (common practice, no source). */
function ofStage(stage: Stage, of: string): ServiceTask[] {
  const task = (id: string, title: string, how: Words, first: Every, then: Every): ServiceTask[] => [
    { id: `${of}${stage.id}.${id}`, title, how, first, then },
  ];
  if (stage.kind === 'chain')
    return task(
      'tension',
      'Chain: tension, and a drop of oil',
      sentence`Play in the middle of the slack run: about ${figure(stage.centre.value * SLACK, 'length', 2)}. Wipe it, oil it, wipe it again.`,
      { runS: HOUR_S },
      { runS: 10 * HOUR_S },
    );
  if (stage.kind === 'friction-belt') {
    const run = freeRun(stage.centre.value, stage.driverDiameter.value, stage.drivenDiameter.value);
    return task(
      'tension',
      'Belt: tension',
      sentence`Pushed in the middle of its free run by ${figure(run * DEFLECTION, 'length', 2)} it takes ${figure(stage.tension.value * PUSH_OF_TENSION, 'force', 2)} (Quick sums: belt tension, by hum or push).`,
      { runS: HOUR_S },
      { runS: 20 * HOUR_S },
    );
  }
  if (stage.kind === 'timing-belt')
    return task(
      'tension',
      'Toothed belt: tension',
      'As its maker says, by hum or push (Quick sums: belt tension); no tooth may jump at a stall.',
      { runS: 2 * HOUR_S },
      { runS: 25 * HOUR_S },
    );
  if (stage.kind === 'track')
    return task(
      'tension',
      'Track: tension, and what is caught in it',
      'The upper run sags about two hundredths of its length.',
      { outings: 1 },
      { runS: 10 * HOUR_S },
    );
  if (isOpenGear(stage))
    return task(
      'grease',
      `Grease, ${stageName(stage.kind)}`,
      'Old grease out where it is grey, new in; feel for play.',
      { runS: 10 * HOUR_S },
      { runS: 50 * HOUR_S },
    );
  return [];
}

/** How a battery is kept between outings, by its kind (common practice, no source; its maker's sheet stands). */
function batteryCare(build: Build): ServiceTask[] {
  const battery = batteryOf(build);
  if (!battery) return [];
  const how = isPrimary(battery)
    ? 'Take the cells out where it stands for weeks: they leak.'
    : battery.chemistry === 'lead-acid'
      ? 'Charge it full after each outing, and once a month where it stands.'
      : battery.chemistry === 'nimh'
        ? 'Charge it before an outing; every few months through from full to empty once.'
        : 'Stored half full, cool, on something that cannot burn; looked at for swelling, and never left empty.';
  return [{ id: 'battery', title: 'Battery', how, first: { outings: 1 }, then: { outings: 1 } }];
}

/**
 * What a build wants looked after, and how often: only what it has.
 *
 * @example serviceTasks(puffin).map(({ id }) => id) // ['bolts', 'stage-1.tension', 'bearings', 'battery']
 */
export function serviceTasks(build: Build): readonly ServiceTask[] {
  const stages = drivesOf(build).flatMap((seen) => {
    const of = driveOf(seen).id === driveOf(build).id ? '' : `${driveOf(seen).id}.`;
    return driveOf(seen).stages.flatMap((stage) => ofStage(stage, of));
  });
  const hasShafts = drivesOf(build).some((seen) => driveOf(seen).path.some(({ kind }) => kind === 'shaft'));
  return [
    {
      id: 'bolts',
      title: 'Bolts and set screws of what turns or shakes',
      how: 'A key on each: none turns on. After the first outing all of them.',
      first: { outings: 1 },
      then: { outings: 10 },
    },
    ...stages,
    ...(build.brake.kind === 'friction'
      ? [
          {
            id: 'brake',
            title: 'Brake',
            how: 'It holds, lets go, and its cable is whole: by a second pair of eyes before each outing.',
            first: { outings: 0 },
            then: { outings: 1 },
          },
        ]
      : []),
    ...(hasShafts
      ? [
          {
            id: 'bearings',
            title: 'Bearings and axles',
            how: 'Wheels up: spin each and listen; no play across, float as it was set.',
            first: { runS: 10 * HOUR_S },
            then: { runS: 25 * HOUR_S },
          },
        ]
      : []),
    ...batteryCare(build),
  ];
}

/** A log with nothing in it. */
const NOTHING_RUN: ServiceLog = { run: typed(0, 'h'), outings: 0, done: [] };

/**
 * How long a build has run, and what was looked after; nothing where nobody said.
 *
 * @example serviceLog(puffin).outings // 0
 */
export const serviceLog = ({ assembly }: Build): ServiceLog => assembly.service ?? NOTHING_RUN;

/**
 * What is due on a build, the most overdue first.
 *
 * @example serviceDue(puffin).filter(({ due }) => due) // []
 */
export function serviceDue(build: Build): readonly ServiceDue[] {
  const { run, outings, done } = serviceLog(build);
  return serviceTasks(build)
    .flatMap((task): ServiceDue[] => {
      const last = done.find(({ id }) => id === task.id);
      const every = last ? task.then : task.first;
      if (!every) return [];
      const left: Every = {
        ...(every.runS === undefined ? {} : { runS: (last?.atRun.value ?? 0) + every.runS - run.value }),
        ...(every.outings === undefined ? {} : { outings: (last?.atOutings ?? 0) + every.outings - outings }),
      };
      const due = (left.runS ?? Infinity) <= 0 || (left.outings ?? Infinity) <= 0;
      return [{ ...task, due, left, ...(last ? { last } : {}) }];
    })
    .sort((a, b) => Number(b.due) - Number(a.due));
}

const withLog = (build: Build, service: ServiceLog): Build => ({
  ...build,
  assembly: { ...build.assembly, service },
});

/**
 * The build with a task looked after on a day.
 *
 * @example lookedAfter(puffin, 'bolts', '2027-05-01').assembly.service.done[0].id // 'bolts'
 */
export function lookedAfter(build: Build, id: string, on: string): Build {
  const log = serviceLog(build);
  const others = log.done.filter((one) => one.id !== id);
  return withLog(build, { ...log, done: [...others, { id, on, atRun: log.run, atOutings: log.outings }] });
}

/**
 * The build after one more outing of so many hours.
 *
 * @example afterOuting(puffin, 1.5).assembly.service.outings // 1
 */
export function afterOuting(build: Build, hours: number): Build {
  const log = serviceLog(build);
  return withLog(build, {
    ...log,
    run: { ...log.run, value: log.run.value + hours * HOUR_S, origin: 'typed' },
    outings: log.outings + 1,
  });
}

/**
 * What has to come off first to get at a placed part, by names; only parts that do not come off by themselves.
 *
 * @example serviceOrder(gull) // []
 */
export function serviceOrder(
  build: Build,
): readonly { readonly name: string; readonly takeOff: readonly string[] }[] {
  if (!build.arrangement?.parts.length) return [];
  const named = new Map(thingsOf(build).map(({ id, name }) => [id, name]));
  return [...comesOff(build)].flatMap(([id, { after }]) =>
    after.length === 0
      ? []
      : [{ name: named.get(id) ?? id, takeOff: after.map((one) => named.get(one) ?? one) }],
  );
}
