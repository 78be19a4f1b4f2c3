import { z } from 'zod';
import { SURFACES } from '../ground/index.ts';

const metres = (title: string) => z.number().min(-1000).max(1000).meta({ title, unit: 'm' });
const speed = z.number().positive().max(50).meta({ title: 'Speed', unit: 'm/s' }).optional();
const slope = (title: string) => z.number().gt(-60).lt(60).meta({ title, unit: '°' });

/** Straight on, or back where its distance is negative. */
const goLeg = z.strictObject({
  kind: z.literal('go'),
  distanceM: z
    .number()
    .min(-1000)
    .max(1000)
    .refine((d) => d !== 0, 'say how far')
    .meta({ title: 'Distance', unit: 'm' }),
  speedMps: speed,
});

/** A turn, to the right positive, round a radius or on the spot. */
const turnLeg = z.strictObject({
  kind: z.literal('turn'),
  deg: z
    .number()
    .min(-3600)
    .max(3600)
    .refine((d) => d !== 0, 'say how far')
    .meta({ title: 'Turn, to the right positive', unit: '°' }),
  radiusM: z.number().min(0).max(1000).default(0).meta({ title: 'Radius, 0: on the spot', unit: 'm' }),
  speedMps: speed,
});

/** Standing still, held. */
const waitLeg = z.strictObject({
  kind: z.literal('wait'),
  seconds: z.number().min(0).max(600).meta({ title: 'Time', unit: 's' }),
});

/** Commands to left and right for a time, whatever comes of it. */
const freeLeg = z.strictObject({
  kind: z.literal('free'),
  seconds: z.number().positive().max(600).meta({ title: 'Time', unit: 's' }),
  left: z.number().min(-1).max(1).meta({ title: 'Command, left', unit: '' }),
  right: z.number().min(-1).max(1).meta({ title: 'Command, right', unit: '' }),
});

const place = z.strictObject({ aheadM: metres('Ahead'), rightM: metres('To the right') });

/** Along a list of places. */
const pointsLeg = z.strictObject({
  kind: z.literal('points'),
  points: z.array(place).min(1).max(2000).meta({ title: 'Places' }),
  speedMps: speed,
});

/** Back and forth over an area to the right of where it starts. */
const rowsLeg = z.strictObject({
  kind: z.literal('rows'),
  lengthM: z.number().positive().max(1000).meta({ title: 'Length of a row', unit: 'm' }),
  widthM: z.number().positive().max(1000).meta({ title: 'Width of the area', unit: 'm' }),
  apartM: z.number().positive().max(100).meta({ title: 'Rows apart', unit: 'm' }),
  speedMps: speed,
});

/** One leg of a course. */
export const legSchema = z.discriminatedUnion('kind', [goLeg, turnLeg, waitLeg, freeLeg, pointsLeg, rowsLeg]);
export type Leg = z.output<typeof legSchema>;

/** Other ground, or another slope, in a rectangle of the course. */
const patchSchema = z.strictObject({
  aheadM: metres('It begins ahead'),
  rightM: metres('Its middle, to the right').default(0),
  lengthM: z.number().positive().max(1000).meta({ title: 'Length', unit: 'm' }),
  widthM: z.number().positive().max(1000).meta({ title: 'Width', unit: 'm' }),
  surface: z.enum(SURFACES).optional().meta({ title: 'Surface' }),
  gradeDeg: slope('Grade, uphill ahead').optional(),
  sideSlopeDeg: slope('Side slope, right side low').optional(),
});
export type Patch = z.output<typeof patchSchema>;

/** A step across the way. */
const kerbSchema = z.strictObject({
  aheadM: metres('Ahead'),
  rightM: metres('To the right').default(0),
  headingDeg: z
    .number()
    .min(-180)
    .max(180)
    .default(0)
    .meta({ title: 'Heading that goes up it, to the right positive', unit: '°' }),
  heightM: z.number().min(-1).max(1).meta({ title: 'Height, down negative', unit: 'm' }),
});

/** What a file of a course says it is. */
export const COURSE_FORMAT = 'zubric-course';
/** The form of a course that this version writes. */
export const COURSE_FORMAT_VERSION = 1;

/** A course to drive: its legs, and the ground along them. It starts at its origin, heading ahead. */
export const courseSchema = z.strictObject({
  format: z.literal(COURSE_FORMAT),
  formatVersion: z.literal(COURSE_FORMAT_VERSION),
  name: z.string().trim().min(1, 'give it a name').max(80).meta({ title: 'Name' }),
  /** Absent: the ground of the build's job. */
  surface: z.enum(SURFACES).optional().meta({ title: 'Surface' }),
  gradeDeg: slope('Grade, uphill ahead').default(0),
  sideSlopeDeg: slope('Side slope, right side low').default(0),
  patches: z.array(patchSchema).max(40).optional().meta({ title: 'Patches of other ground' }),
  kerbs: z.array(kerbSchema).max(20).optional().meta({ title: 'Steps and kerbs' }),
  /** Steady, backwards, of a load that it pushes or drags. */
  pullN: z.number().min(0).max(1e6).default(0).meta({ title: 'Pull of a load', unit: 'N' }),
  speedMps: z.number().positive().max(50).default(0.5).meta({ title: 'Speed', unit: 'm/s' }),
  legs: z.array(legSchema).min(1, 'give it a leg').max(200).meta({ title: 'Legs' }),
});
export type Course = z.output<typeof courseSchema>;
/** A course as it is written by hand: what has a usual value may be left out. */
export type CourseInput = z.input<typeof courseSchema>;

/**
 * Legs as a course, with what is usual for the rest.
 *
 * @example courseOf([{ kind: 'go', distanceM: 2 }]).speedMps // 0.5
 */
export const courseOf = (
  legs: CourseInput['legs'],
  rest: Partial<Omit<CourseInput, 'legs' | 'format' | 'formatVersion'>> = {},
): Course =>
  courseSchema.parse({
    format: COURSE_FORMAT,
    formatVersion: COURSE_FORMAT_VERSION,
    name: 'Course',
    ...rest,
    legs,
  });
