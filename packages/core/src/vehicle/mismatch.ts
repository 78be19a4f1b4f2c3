import { z } from 'zod';

const share = (title: string) => z.number().min(0).max(0.5).meta({ title, unit: '' });
const known = (title: string) => z.number().min(-0.5).max(0.5).meta({ title, unit: '' });

/** How far from alike a vehicle's parts are, and how far from run to run its start is. Shares, metres and degrees. */
export const mismatchSchema = z
  .strictObject({
    rightFaster: known('Right motors faster than left, share of their speed'),
    rightLarger: known('Right wheels larger than left, share of their diameter'),
    /** Either way, as likely as not: of each motor's speed at one voltage, of each wheel's diameter. */
    motors: share('Motors alike within, share of their speed'),
    wheels: share('Wheels alike within, share of their diameter'),
    /** Of each place's rolling resistance and grip. */
    floor: share('Floor alike within, share of its drag and grip'),
    weight: share('Weight in the middle within, share of the track'),
    /** Of a steering: how far straight on is off its middle, and what play its linkage has. */
    steerDeg: z.number().min(0).max(30).meta({ title: 'Steering straight within', unit: '°' }),
    playDeg: z.number().min(0).max(30).meta({ title: 'Play of the steering', unit: '°' }),
    startM: z.number().min(0).max(1).meta({ title: 'Set on the start within', unit: 'm' }),
    startDeg: z.number().min(0).max(45).meta({ title: 'Set on its heading within', unit: '°' }),
  })
  .readonly();
export type Mismatch = z.output<typeof mismatchSchema>;
