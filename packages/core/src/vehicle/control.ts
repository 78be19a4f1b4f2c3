import { z } from 'zod';

const gain = (title: string, unit: string) => z.number().min(-1e6).max(1e6).meta({ title, unit });

/** How the end of a move is known. */
export const ENDS = ['time', 'counts', 'line'] as const;

/** How the vehicle is driven: what its controller reads, and what it does with it. */
export const controlSchema = z.strictObject({
  /**
   * By the time that a vehicle without faults takes, by counted turns of the wheels, or by someone who sees where it is.
   */
  ends: z.enum(ENDS).default('time').meta({ title: 'A move is over' }),
  /** Holds left and right to the turns that they are meant to have done: command for a turn ahead, and for that through a second. */
  sync: z
    .strictObject({
      kp: gain('Command for a turn that one is ahead', ''),
      ki: gain('Command for a turn ahead through a second', ''),
    })
    .optional(),
  /** Holds a heading by a gyro: command for a radian off. */
  heading: z
    .strictObject({
      kp: gain('Command for a radian off its heading', ''),
      driftDegPerMin: z
        .number()
        .min(0)
        .max(1000)
        .default(0.5)
        .meta({ title: 'Drift of the gyro', unit: '°/min' }),
    })
    .optional(),
  /** Holds the speed of each side by its counts: share of full command for a m/s too slow, and for that through a second. */
  speed: z
    .strictObject({
      kp: gain('Command for a m/s too slow', 's/m'),
      ki: gain('Command for a metre behind', '1/m'),
    })
    .optional(),
  loopTimeS: z.number().min(1e-3).max(0.5).default(0.02).meta({ title: 'Time of the loop', unit: 's' }),
  /** Most that a command changes in a second. */
  slewPerS: z
    .number()
    .positive()
    .max(1000)
    .optional()
    .meta({ title: 'Command changes at most, a second', unit: '1/s' }),
  /** Most of full command. */
  cap: z.number().positive().max(1).default(1).meta({ title: 'Command at most', unit: '' }),
  /** Stops the move once a commanded wheel has stood still for so long. */
  stallAfterS: z.number().positive().max(60).optional().meta({ title: 'Stops a wheel held for', unit: 's' }),
  /** Gives a move up after so long. */
  moveWithinS: z.number().positive().max(600).optional().meta({ title: 'Gives a move up after', unit: 's' }),
  /** Stops everything once the battery is under this. */
  cutOffV: z.number().positive().max(1000).optional().meta({ title: 'Stops under', unit: 'V' }),
  /** Turn by counts over true turn: what scrubs or goes on tracks turns less than its wheels say. */
  turnFactor: z.number().min(0.1).max(10).default(1).meta({ title: 'Counted turn over true turn', unit: '' }),
  /** Counts a turn of the wheel. */
  countsPerTurn: z
    .number()
    .positive()
    .max(1e6)
    .default(1000)
    .meta({ title: 'Counts a turn of the wheel', unit: '' }),
});
export type Control = z.output<typeof controlSchema>;

/**
 * A controller with what is usual for the rest.
 *
 * @example controlOf({ ends: 'counts' }).loopTimeS // 0.02
 */
export const controlOf = (given: z.input<typeof controlSchema>): Control => controlSchema.parse(given);
