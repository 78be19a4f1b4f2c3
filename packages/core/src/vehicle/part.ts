import { BEYOND } from '../quantity/index.ts';
import { CHEMISTRY_NAMES } from '../supply/index.ts';
import { PART_STATES } from './part-state.ts';
import { z } from 'zod';

/** Where a part came from. */
export const WHENCES = ['new', 'salvaged', 'made'] as const;
export type Whence = (typeof WHENCES)[number];

/** Figures of parts that are reckoned with: from and to, in the unit of the key. */
const LEAST = 1e-9;
const MOST = 1e9;
const MOST_COUNTED = 1000;

/** A figure of a part, with its unit; past what is reckoned with it says the nearest that is. */
const figure = (description: string, unit = '', { zero = false } = {}) =>
  (zero ? z.number().nonnegative() : z.number().positive())
    .check((context) => {
      const { value } = context;
      if ((zero && value === 0) || (value >= LEAST && value <= MOST)) return;
      context.issues.push({
        code: 'custom',
        input: value,
        message: `must be ${zero ? '0 or ' : ''}from ${LEAST} to ${MOST}: beyond that nothing is reckoned with`,
        params: { [BEYOND]: value > MOST ? MOST : LEAST },
      });
    })
    .meta({ description, unit });

const orNone = { zero: true } as const;
const counted = (description: string) => z.int().min(1).max(MOST_COUNTED).meta({ description, unit: '' });
const share = (description: string) => z.number().min(0.01).max(1).meta({ description, unit: '' });

const common = {
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,59}$/, 'lower-case letters, digits and hyphens'),
  name: z.string().trim().min(1).max(120).meta({ title: 'Name' }),
  massKg: figure('Mass', 'kg', orNone),
  cost: figure('Cost', '', orNone).optional(),
  state: z.enum(PART_STATES).default('wished-for').meta({ title: 'State' }),
  arrivesOn: z.iso.date().optional().meta({ title: 'Arrives on' }),
  note: z.string().max(1000).default('').meta({ title: 'Note' }),
  whence: z.enum(WHENCES).optional().meta({ title: 'Whence' }),
  /** Figures that nobody measured or printed: how far off each may be, as a share of it. */
  guessed: z
    .record(z.string().min(1).max(40), z.number().min(0).max(100))
    .optional()
    .meta({ title: 'Guessed figures' }),
};

/** A gearhead that is one with the motor. */
const gearhead = z.strictObject({
  ratio: figure('Turns of the motor for one of the output'),
  efficiency: share('Share of the power that comes through'),
  ratedTorqueNm: figure('Torque its output may carry all day', 'N·m').optional(),
});

const motor = z
  .strictObject({
    ...common,
    kind: z.literal('motor'),
    type: z.enum(['brushed', 'brushless']).meta({ title: 'Type' }),
    voltageV: figure('Voltage of the data sheet', 'V'),
    noLoadRpm: figure('Speed with nothing on the shaft', 'rpm'),
    noLoadA: figure('Current with nothing on the shaft', 'A', orNone),
    stallTorqueNm: figure('Torque at which it stands still', 'N·m'),
    stallA: figure('Current at which it stands still', 'A'),
    continuousA: figure('Current it may carry all day', 'A'),
    gearhead: gearhead.optional(),
    bodyDiameterMm: figure('Diameter of the body', 'mm').optional(),
    bodyLengthMm: figure('Length of the body', 'mm').optional(),
    shaftDiameterMm: figure('Diameter of its shaft', 'mm').optional(),
    shaftKeyMm: figure('Width of the keyway in its shaft', 'mm').optional(),
    shaftLoadN: figure('Pull across its shaft that it may carry all day', 'N').optional(),
    rotorGcm2: figure('Inertia of its rotor', 'g·cm²', orNone).optional(),
  })
  .refine((m) => m.noLoadA < m.stallA, {
    message: 'the no-load current must be less than the stall current',
    path: ['noLoadA'],
  });

const driver = z
  .strictObject({
    ...common,
    kind: z.literal('driver'),
    channels: counted('Motors it drives'),
    leastV: figure('Least supply voltage', 'V', orNone),
    mostV: figure('Greatest supply voltage', 'V'),
    continuousA: figure('Current a channel may carry all day', 'A'),
    peakA: figure('Current a channel stands for a moment', 'A'),
    limitsCurrent: z.boolean().meta({ description: 'Holds the motor current to peakA by itself', unit: '' }),
    resistanceMilliohm: figure('Resistance of a channel, switched on', 'mΩ', orNone),
  })
  .refine((d) => d.leastV < d.mostV && d.continuousA <= d.peakA, {
    message: 'leastV must be under mostV, and continuousA at most peakA',
    path: ['leastV'],
  });

const battery = z.strictObject({
  ...common,
  kind: z.literal('battery'),
  chemistry: z.enum(CHEMISTRY_NAMES).meta({ title: 'Chemistry' }),
  series: counted('Cells in series'),
  parallel: counted('Strings in parallel'),
  cellAh: figure('Capacity of a cell', 'Ah'),
  cellMilliohm: figure('Resistance of a cell', 'mΩ', orNone),
  continuousA: figure('Current the pack may give all day', 'A'),
  peakA: figure('Current the pack may give for some seconds', 'A').optional(),
  packsInSeries: counted('Packs in series, each with a cut-off of its own').optional(),
});

/** A part on the shelf. Families by `kind`; figures as on a data sheet, the unit in the name. */
export const partSchema = z.discriminatedUnion('kind', [motor, driver, battery]).readonly();

/** A part as it is sent: what may be left away left away. */
export type PartInput = z.input<typeof partSchema>;
export type Part = z.output<typeof partSchema>;
export type PartKind = Part['kind'];
export type PartOf<K extends PartKind> = Extract<Part, { kind: K }>;
export const PART_KINDS = ['motor', 'driver', 'battery'] as const satisfies readonly PartKind[];
