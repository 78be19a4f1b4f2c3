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

/** What pulls and presses at the hitch behind, and on a blade before. */
export const hitchAndBlade = {
  drawbarN: key.real('Pull at the hitch, backwards and parallel to the ground', 'N').default(0),
  hitchHeightM: key.nonNegative('Height of the hitch', 'm').default(0),
  hitchVerticalN: key.real('Load on the hitch, down and square to the ground', 'N').default(0),
  hitchBehindRearAxleM: key.real('Hitch behind the rear axle', 'm').default(0),
  pushN: key
    .real('Push of a blade: against the vehicle, backwards and parallel to the ground', 'N')
    .default(0),
  pushHeightM: key.nonNegative('Height of that push', 'm').default(0),
  pushVerticalN: key.real('Load on the blade, down and square to the ground', 'N').default(0),
  pushAheadOfRearAxleM: key.real('Blade ahead of the rear axle', 'm').default(0),
};
