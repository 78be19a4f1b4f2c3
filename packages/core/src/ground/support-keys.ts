import { z } from 'zod';
import { key } from '../contract/index.ts';

/** Places on the ground that hold a vehicle up: three or more. */
export const contactPlaces = (most: number) =>
  z
    .array(
      z.strictObject({
        aheadM: key.real('Contact ahead of the rear axle', 'm'),
        leftM: key.real('Contact left of the middle line', 'm'),
      }),
    )
    .min(3)
    .max(most)
    .meta({ description: 'Where it stands on the ground', unit: '' });

/** Where its centre of gravity is, seen from above. */
export const centreInPlan = {
  cgAheadOfRearAxleM: key.real('Centre of gravity ahead of the rear axle', 'm'),
  cgLeftM: key.real('Centre of gravity left of the middle line', 'm').default(0),
};
