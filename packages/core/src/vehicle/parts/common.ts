import { z } from 'zod';
import { partFigure } from '../../contract/index.ts';
import { PART_STATES } from '../part-state.ts';

/** Where a part came from. */
export const WHENCES = ['new', 'salvaged', 'made'] as const;
export type Whence = (typeof WHENCES)[number];

const { figure, orNone } = partFigure;

/** What every part has. */
export const common = {
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

/** Ways in which the electrical parts of a build are joined. */
const PLUGS = [
  'bare wires',
  'bullet',
  'blade',
  'two-pole locking',
  'two-pole high-current',
  'barrel',
  'screw terminal',
  'ring terminal',
  'pin header',
  'three-pin servo',
  'USB',
] as const;

/** How a controller speaks to what it commands. */
const SIGNALS = [
  'servo pulse',
  'direction and PWM',
  'step and direction',
  'serial',
  'two-wire bus',
  'analogue',
  'on and off',
] as const;

/** How a bore or a shaft is shaped. */
const SHAPES = ['round', 'D', 'keyed', 'hexagonal', 'splined', 'square'] as const;

const { oneOf } = partFigure;

/** The plug that it has. */
export const plug = oneOf('Plug', PLUGS).optional();
/** The signal that it takes or gives. */
export const signal = oneOf('Signal', SIGNALS).optional();
/** The shape of its bore or shaft. */
export const shape = oneOf('Shape of its bore or shaft', SHAPES).optional();
/** Its bore. */
export const boreMm = figure('Bore', 'mm').optional();
/** The width of its keyway. */
export const keyMm = figure('Width of its keyway', 'mm').optional();
/** The voltage of its signals. */
export const logicV = figure('Logic voltage', 'V').optional();
/** The holes on its bolt circle. */
export const bolts = partFigure.counted('Holes on its bolt circle').optional();
/** Its bolt circle. */
export const boltCircleMm = figure('Bolt circle', 'mm').optional();
/** A supply for others that a board has on it. */
export const onBoard = {
  supplyV: figure('On-board supply for others, volts', 'V').optional(),
  supplyA: figure('On-board supply for others, amperes', 'A').optional(),
};
