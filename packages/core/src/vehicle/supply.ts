import { z } from 'zod';
import { quantity } from '../quantity/index.ts';
import { id, name } from './item.ts';

/** A run of wire: one way, with its return as long. */
export const wireSchema = z
  .strictObject({
    length: quantity('length', { above: 0 }, 'Length, one way'),
    area: quantity('area', { above: 0 }, 'Copper', 'Cross-section of the copper'),
  })
  .readonly();
export type WireRun = z.output<typeof wireSchema>;

/** Alike packs: so many in series, so many such strings side by side. */
const packsSchema = z
  .strictObject({
    id: z.string().min(1).max(60),
    inSeries: z.int().min(1).max(12).meta({ title: 'In series' }),
    inParallel: z.int().min(1).max(12).meta({ title: 'In parallel' }),
  })
  .readonly();

/** What a small supply feeds. */
export const railLoadSchema = z
  .strictObject({
    id,
    name,
    count: z.int().min(1).max(100).meta({ title: 'Count' }),
    running: quantity('current', { least: 0 }, 'Draws, running'),
    peak: quantity('current', { least: 0 }, 'Draws, at most'),
  })
  .readonly();

/** A lower voltage made for the small things: a converter, or the supply on a board. */
export const railSchema = z
  .strictObject({
    id,
    name,
    voltage: quantity('voltage', { above: 0 }, 'Voltage'),
    gives: quantity('current', { above: 0 }, 'Gives at most'),
    efficiency: quantity('share', { above: 0, most: 1 }, 'Efficiency'),
    atOnce: z.int().min(0).max(100).meta({ title: 'At their most at once' }),
    loads: z.array(railLoadSchema).max(20).readonly().meta({ title: 'Loads' }),
  })
  .readonly();
export type Rail = z.output<typeof railSchema>;

/** The charger, and for how long it charges between outings. */
export const chargerSchema = z
  .strictObject({
    current: quantity('current', { above: 0 }, 'Charging current'),
    hours: quantity('time', { above: 0 }, 'Time to charge', 'Between outings').optional(),
    plug: quantity('current', { above: 0 }, 'Charging plug carries', 'All day').optional(),
  })
  .readonly();

/** Where a switch sits that something must be pressed, closed or pulled for. */
export const INTERLOCK_PLACES = ['clutch lever', 'brake lever', 'handle', 'seat', 'lid', 'lift'] as const;
/** What its switch does as it is worked: let go, opened, up, it does the other. */
export const INTERLOCK_ACTS = ['runs only while worked', 'cut while worked', 'starts'] as const;

/** A switch that lets a drive run, cuts it, or starts it. */
export const interlockSchema = z
  .strictObject({
    id,
    at: z.enum(INTERLOCK_PLACES).meta({ title: 'Switch at' }),
    acts: z.enum(INTERLOCK_ACTS).meta({ title: 'What it does' }),
    /** Which drive; every one where absent. */
    driveId: z.string().min(1).max(60).optional().meta({ title: 'Which drive' }),
  })
  .readonly();
export type Interlock = z.output<typeof interlockSchema>;

/** A panel, and how long the sun is on it. */
export const sunSchema = z
  .strictObject({
    power: quantity('power', { above: 0 }, 'Panel'),
    hours: quantity('time', { above: 0 }, 'Full sun a day', 'As many hours of full sun'),
    when: z.enum(['parked', 'running']).meta({ title: 'Charges while' }),
  })
  .readonly();

/** Packs, boards, wires, fuse, small supplies, charging. */
export const supplySchema = z
  .strictObject({
    packs: z.array(packsSchema).max(8).readonly().meta({ title: 'Packs' }),
    joined: z.enum(['in series', 'in parallel']).meta({ title: 'Different packs joined' }),
    /** Boards, by part; each drive says which of them its motors hang on. */
    drivers: z
      .array(
        z
          .strictObject({
            id: z.string().min(1).max(60),
            count: z.int().min(1).max(12).meta({ title: 'Drivers' }),
          })
          .readonly(),
      )
      .max(8)
      .readonly()
      .meta({ title: 'Drivers' }),
    cableResistance: quantity('resistance', { least: 0 }, 'Battery cable resistance', 'Out and back'),
    /** The cable as a wire, where it is known: its resistance then follows. */
    cable: wireSchema.optional().meta({ title: 'Battery cable' }),
    auxiliaryPower: quantity('power', { least: 0 }, 'Power beside the motors', 'Drawn beside the motors'),
    standbyPower: quantity('power', { least: 0 }, 'Power while parked', 'Drawn day and night').optional(),
    rails: z.array(railSchema).max(8).readonly().optional().meta({ title: 'Small supplies' }),
    fuse: quantity('current', { above: 0 }, 'Main fuse').optional(),
    mainSwitch: quantity('current', { above: 0 }, 'Main switch carries', 'All day').optional(),
    interlocks: z.array(interlockSchema).max(12).readonly().optional().meta({ title: 'Interlocks' }),
    charger: chargerSchema.optional().meta({ title: 'Charger' }),
    sun: sunSchema.optional().meta({ title: 'Solar panel' }),
    /** Of the battery; as on a mild day where absent. */
    airTemperature: quantity('temperature', { above: 200, below: 360 }, 'Battery as cold as').optional(),
    /** Most of full command that the controller lets through; all of it where absent. */
    commandShare: quantity(
      'share',
      { above: 0, most: 1 },
      'Command at most',
      'Share of full command that the controller lets through',
    ).optional(),
    usableShare: quantity(
      'share',
      { above: 0, most: 1 },
      'Usable charge',
      'Share of the charge that may be used',
    ),
  })
  .readonly();
