import { courseOf, courseSchema, type Course, type Leg } from '@zubric/core/vehicle';

/** The courses that ship with the application, by name. */
export const SHIPPED: readonly Course[] = Object.values(
  import.meta.glob('../../../../../data/courses/*.json', { eager: true, import: 'default' }),
)
  .map((file) => courseSchema.parse(file))
  .sort((a, b) => a.name.localeCompare(b.name));

/** What a course begins with. */
export const FIRST: Course =
  SHIPPED.find(({ name }) => name === 'Two metres straight') ?? courseOf([{ kind: 'go', distanceM: 2 }]);

/** The kinds of legs, as they are called. */
export const LEG_TITLES: Readonly<Record<Leg['kind'], string>> = {
  go: 'Straight on',
  turn: 'Turn',
  wait: 'Wait',
  free: 'Fixed commands',
  points: 'Past places',
  rows: 'Rows over an area',
};

/** A leg of a kind to begin with. */
export const FRESH_LEGS: Readonly<Record<Leg['kind'], Leg>> = {
  go: { kind: 'go', distanceM: 1 },
  turn: { kind: 'turn', deg: 90, radiusM: 0 },
  wait: { kind: 'wait', seconds: 2 },
  free: { kind: 'free', seconds: 2, left: 0.5, right: 0.5 },
  points: { kind: 'points', points: [{ aheadM: 1, rightM: 0 }] },
  rows: { kind: 'rows', lengthM: 4, widthM: 2, apartM: 0.5 },
};

/** Whether two courses say the same. */
export const sameCourse = (a: Course, b: Course): boolean => JSON.stringify(a) === JSON.stringify(b);
