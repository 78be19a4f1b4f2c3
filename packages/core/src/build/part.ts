import { PART_STATES } from './part-state.ts';
import { z } from 'zod';
import { key } from '../contract/index.ts';
import { dataSheet } from '../motor/index.ts';
import { CHEMISTRY_NAMES } from '../supply/index.ts';

const common = {
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,59}$/, 'lower-case letters, digits and hyphens'),
  name: z.string().trim().min(1).max(120).meta({ title: 'Name' }),
  massKg: key.nonNegative('Mass', 'kg'),
  cost: key.nonNegative('Cost').optional(),
  state: z.enum(PART_STATES).default('wished-for').meta({ title: 'State' }),
  arrivesOn: z.iso.date().optional().meta({ title: 'Arrives on' }),
  note: z.string().max(1000).default('').meta({ title: 'Note' }),
};

/** A gearhead that is one with the motor. */
const gearhead = z.strictObject({
  ratio: key.positive('Turns of the motor for one of the output'),
  efficiency: key.share('Share of the power that comes through'),
  ratedTorqueNm: key.positive('Torque its output may carry all day', 'N·m').optional(),
});

const motor = z
  .strictObject({
    ...common,
    kind: z.literal('motor'),
    type: z.enum(['brushed', 'brushless']).meta({ title: 'Type' }),
    ...dataSheet.shape,
    continuousA: key.positive('Current it may carry all day', 'A'),
    gearhead: gearhead.optional(),
    bodyDiameterMm: key.positive('Diameter of the body', 'mm').optional(),
    bodyLengthMm: key.positive('Length of the body', 'mm').optional(),
    shaftDiameterMm: key.positive('Diameter of its shaft', 'mm').optional(),
    shaftKeyMm: key.positive('Width of the keyway in its shaft', 'mm').optional(),
    shaftLoadN: key.positive('Pull across its shaft that it may carry all day', 'N').optional(),
    rotorGcm2: key.nonNegative('Inertia of its rotor', 'g·cm²').optional(),
  })
  .refine((m) => m.noLoadA < m.stallA, {
    message: 'the no-load current must be less than the stall current',
    path: ['noLoadA'],
  });

const driver = z
  .strictObject({
    ...common,
    kind: z.literal('driver'),
    channels: key.count('Motors it drives'),
    leastV: key.nonNegative('Least supply voltage', 'V'),
    mostV: key.positive('Greatest supply voltage', 'V'),
    continuousA: key.positive('Current a channel may carry all day', 'A'),
    peakA: key.positive('Current a channel stands for a moment', 'A'),
    limitsCurrent: z.boolean().meta({ description: 'Holds the motor current to peakA by itself', unit: '' }),
    resistanceMilliohm: key.nonNegative('Resistance of a channel, switched on', 'mΩ'),
  })
  .refine((d) => d.leastV < d.mostV && d.continuousA <= d.peakA, {
    message: 'leastV must be under mostV, and continuousA at most peakA',
    path: ['leastV'],
  });

const battery = z.strictObject({
  ...common,
  kind: z.literal('battery'),
  chemistry: z.enum(CHEMISTRY_NAMES).meta({ title: 'Chemistry' }),
  series: key.count('Cells in series'),
  parallel: key.count('Strings in parallel'),
  cellAh: key.positive('Capacity of a cell', 'Ah'),
  cellMilliohm: key.nonNegative('Resistance of a cell', 'mΩ'),
  continuousA: key.positive('Current the pack may give all day', 'A'),
  peakA: key.positive('Current the pack may give for some seconds', 'A').optional(),
  packsInSeries: key.count('Packs in series, each with a cut-off of its own').optional(),
});

/** A part on the shelf. Families by `kind`; figures as on a data sheet, the unit in the name. */
export const partSchema = z.discriminatedUnion('kind', [motor, driver, battery]).readonly();

export type Part = z.output<typeof partSchema>;
export type PartKind = Part['kind'];
export type PartOf<K extends PartKind> = Extract<Part, { kind: K }>;
export const PART_KINDS = ['motor', 'driver', 'battery'] as const satisfies readonly PartKind[];
