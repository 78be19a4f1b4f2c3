import { z } from 'zod';
import { partFigure } from '../../contract/index.ts';
import {
  bolts,
  boltCircleMm,
  boreMm,
  common,
  keyMm,
  logicV,
  onBoard,
  plug,
  shape,
  signal,
} from './common.ts';

const { counted, figure, oneOf, yesNo } = partFigure;

const part = <const Kind extends string, Shape extends z.ZodRawShape>(kind: Kind, own: Shape) =>
  z.strictObject({ ...common, kind: z.literal(kind), ...own });

const drawsA = figure('Current it draws', 'A').optional();
const mostV = figure('Greatest voltage', 'V').optional();
const widthMm = figure('Width', 'mm').optional();
const mostLoadKg = figure('Load that one carries', 'kg').optional();
const hardness = figure('Hardness of its tread, Shore A').optional();
const pitchMm = figure('Pitch', 'mm').optional();
const torque = figure('Torque it may carry all day', 'N·m').optional();
const outerMm = figure('Outer diameter', 'mm').optional();

/** Parts of the supply and of the control, beside batteries and drivers. */
export const source = part('source', {
  type: oneOf('Type', ['power bank', 'bench supply', 'step-up converter', 'solar panel', 'charger']),
  voltageV: figure('Voltage it gives', 'V'),
  continuousA: figure('Current it gives all day', 'A'),
  energyWh: figure('Energy in it', 'Wh').optional(),
  leastA: figure('Current under which it turns itself off', 'A').optional(),
  resistanceMilliohm: figure('Resistance of its lead, out and back', 'mΩ').optional(),
  plug,
});
/** A board that decides. */
export const controller = part('controller', {
  leastV: figure('Least supply voltage', 'V').optional(),
  mostV,
  logicV,
  signal,
  ports: counted('Pins that command or read').optional(),
  encoderInputs: counted('Encoders that it reads').optional(),
  readsHz: figure('Counts a second that it reads', '1/s').optional(),
  drawsA,
  ...onBoard,
});
/** A receiver of a remote control. */
export const receiver = part('receiver', {
  channels: counted('Channels'),
  logicV,
  signal,
  drawsA,
});
/** A sensor. */
export const sensor = part('sensor', {
  measures: oneOf('Measures', ['distance', 'line', 'turn', 'lean', 'current', 'touch', 'light', 'other']),
  ports: counted('Pins it takes').optional(),
  logicV,
  signal,
  drawsA,
});
/** A switch, contactor or emergency stop. */
export const switchPart = part('switch', {
  type: oneOf('Type', ['switch', 'contactor', 'emergency stop']),
  continuousA: figure('Current it may carry all day', 'A'),
  mostV,
  coilV: figure('Voltage of its coil', 'V').optional(),
  drawsA,
  plug,
});
/** A pair of plugs. */
export const plugPart = part('plug', {
  plug,
  continuousA: figure('Current it may carry all day', 'A'),
});
/** Wire by its copper. */
export const wire = part('wire', {
  areaMm2: figure('Copper', 'mm²'),
  lengthM: figure('Length', 'm').optional(),
  continuousA: figure('Current it may carry all day', 'A').optional(),
});
/** A fuse. */
export const fuse = part('fuse', {
  ratedA: figure('Rated current', 'A'),
  mostV,
});
/** A converter to another voltage. */
export const converter = part('converter', {
  leastV: figure('Least supply voltage', 'V').optional(),
  mostV,
  supplyV: figure('Voltage it gives', 'V'),
  supplyA: figure('Current it gives all day', 'A'),
});

/** What runs on the ground and what turns it. */
export const wheel = part('wheel', {
  type: oneOf('Type', ['wheel', 'tyre', 'castor', 'roller']),
  diameterMm: figure('Diameter', 'mm'),
  widthMm,
  mostLoadKg,
  hardness,
  boreMm,
  shape,
  keyMm,
  bolts,
  boltCircleMm,
  tubeLeastMm: figure('Thinnest tube or rail that its groove takes', 'mm').optional(),
  tubeMostMm: figure('Thickest tube or rail that its groove takes', 'mm').optional(),
});
/** A track. */
export const track = part('track', {
  pitchMm,
  links: counted('Links').optional(),
  widthMm,
  mostLoadKg,
  hardness,
});
/** A belt. */
export const belt = part('belt', {
  type: oneOf('Type', ['toothed', 'V', 'flat', 'round']),
  pitchMm,
  teeth: counted('Teeth').optional(),
  lengthMm: figure('Length round', 'mm').optional(),
  widthMm,
});
/** A length of chain. */
export const chain = part('chain', {
  pitchMm,
  links: counted('Links').optional(),
  pullN: figure('Working load', 'N').optional(),
});
/** A sprocket or pulley. */
export const sprocket = part('sprocket', {
  type: oneOf('Type', ['for a chain', 'for a toothed belt', 'for a V-belt']),
  teeth: counted('Teeth').optional(),
  pitchMm,
  diameterMm: figure('Diameter', 'mm').optional(),
  widthMm,
  boreMm,
  shape,
  keyMm,
  bolts,
  boltCircleMm,
});
/** A gear. */
export const gear = part('gear', {
  type: oneOf('Type', ['spur', 'bevel', 'worm', 'worm wheel', 'internal', 'rack']),
  teeth: counted('Teeth'),
  moduleMm: figure('Module', 'mm'),
  widthMm,
  boreMm,
  shape,
  keyMm,
});
/** A coupling. */
export const coupler = part('coupler', {
  type: oneOf('Type', ['rigid', 'flexible', 'universal joint']),
  boreMm,
  otherBoreMm: figure('Other bore', 'mm').optional(),
  shape,
  ratedTorqueNm: torque,
});
/** A hub. */
export const hub = part('hub', {
  boreMm,
  shape,
  keyMm,
  bolts,
  boltCircleMm,
  ratedTorqueNm: torque,
});
/** A bearing. */
export const bearing = part('bearing', {
  boreMm,
  outerMm,
  widthMm,
  mostN: figure('Load it carries turning', 'N').optional(),
  sealed: yesNo('Sealed').optional(),
});
/** A length of shaft. */
export const shaft = part('shaft', {
  diameterMm: figure('Diameter', 'mm'),
  lengthMm: figure('Length', 'mm').optional(),
  shape,
  keyMm,
});

/** What holds it together, and what it runs along. */
export const rail = part('rail', {
  diameterMm: figure('Diameter, or width of its head', 'mm'),
  lengthM: figure('Length', 'm').optional(),
});
/** A plate or bracket for a motor. */
export const mount = part('mount', {
  mountCircleMm: figure('Circle of its holes for the motor', 'mm').optional(),
  mountHoles: counted('Holes for the motor').optional(),
});
/** A spacer. */
export const spacer = part('spacer', { boreMm, outerMm, lengthMm: figure('Length', 'mm').optional() });
/** A collar. */
export const collar = part('collar', { boreMm, outerMm, widthMm });
/** Screws, nuts and their kin. */
export const fastener = part('fastener', {
  type: oneOf('Type', ['screw', 'nut', 'washer', 'threaded insert', 'rivet']),
  threadMm: figure('Thread, nominal', 'mm'),
  lengthMm: figure('Length', 'mm').optional(),
  grade: oneOf('Grade', ['8.8', '10.9', '12.9', 'A2-70']).optional(),
  pieces: counted('Pieces of it').optional(),
});
/** A magnet. */
export const magnet = part('magnet', {
  diameterMm: figure('Diameter', 'mm').optional(),
  thickMm: figure('Thickness', 'mm').optional(),
  poles: counted('Poles').optional(),
});
