import type { Dimension } from '../quantity/index.ts';
import type { MarginPolicy } from '../vehicle/index.ts';

/** The blocks of the driveline strip, in the order of the chain. */
export const BLOCKS = ['ground', 'wheel', 'ratio', 'motor', 'driver', 'battery'] as const;
export type Block = (typeof BLOCKS)[number];

interface LinkDefinition {
  readonly title: string;
  readonly block: Block;
  readonly dimension: Dimension;
  /** Whether the figures are for one wheel or motor, or for all together. */
  readonly per: 'each' | 'in all';
  readonly rule: (policy: MarginPolicy) => number;
}

const one = (): number => 1;
/** Held across at least so many times (common practice, no source). */
const SIDEWAYS = 1.2;

/** Every link of the driveline: its unit (SI of the dimension), its rule, and the block that shows it. */
export const LINKS = {
  grip: {
    title: 'Grip',
    block: 'ground',
    dimension: 'force',
    per: 'in all',
    rule: (p) => p.grip,
  },
  'wheel-load': {
    title: 'Load on a wheel',
    block: 'wheel',
    dimension: 'force',
    per: 'each',
    rule: one,
  },
  'tip-along': {
    title: 'Tipping fore and aft',
    block: 'ground',
    dimension: 'torque',
    per: 'in all',
    rule: one,
  },
  'tip-side': {
    title: 'Tipping sideways',
    block: 'ground',
    dimension: 'torque',
    per: 'in all',
    rule: one,
  },
  'slide-side': {
    title: 'Sliding sideways',
    block: 'ground',
    dimension: 'force',
    per: 'in all',
    rule: () => SIDEWAYS,
  },
  corner: {
    title: 'Speed in the bend',
    block: 'ground',
    dimension: 'speed',
    per: 'in all',
    rule: one,
  },
  step: {
    title: 'Step',
    block: 'ground',
    dimension: 'coefficient',
    per: 'in all',
    rule: one,
  },
  clearance: {
    title: 'Clearance',
    block: 'ground',
    dimension: 'length',
    per: 'in all',
    rule: one,
  },
  'push-on': {
    title: 'Steering force',
    block: 'ground',
    dimension: 'force',
    per: 'in all',
    rule: one,
  },
  steering: {
    title: 'Steering torque',
    block: 'ground',
    dimension: 'torque',
    per: 'each',
    rule: one,
  },
  'brake-hold': {
    title: 'Holding',
    block: 'ground',
    dimension: 'force',
    per: 'in all',
    rule: one,
  },
  'brake-stop': {
    title: 'Stopping',
    block: 'ground',
    dimension: 'acceleration',
    per: 'in all',
    rule: one,
  },
  torque: {
    title: 'Wheel torque',
    block: 'wheel',
    dimension: 'torque',
    per: 'each',
    rule: (p) => p.torque,
  },
  speed: {
    title: 'Speed',
    block: 'wheel',
    dimension: 'speed',
    per: 'in all',
    rule: (p) => p.speed,
  },
  'over-speed': {
    title: 'Top speed',
    block: 'wheel',
    dimension: 'speed',
    per: 'in all',
    rule: one,
  },
  ratio: {
    title: 'Ratio window',
    block: 'ratio',
    dimension: 'ratio',
    per: 'in all',
    rule: one,
  },
  'chain-pull': {
    title: 'Chain pull',
    block: 'ratio',
    dimension: 'force',
    per: 'each',
    rule: one,
  },
  'gearhead-torque': {
    title: 'Gearhead torque',
    block: 'ratio',
    dimension: 'torque',
    per: 'each',
    rule: one,
  },
  'tooth-stress': {
    title: 'Gear teeth',
    block: 'ratio',
    dimension: 'stress',
    per: 'each',
    rule: one,
  },
  'belt-pull': {
    title: 'Belt pull',
    block: 'ratio',
    dimension: 'force',
    per: 'each',
    rule: one,
  },
  slip: {
    title: 'Slip of belt or roller',
    block: 'ratio',
    dimension: 'force',
    per: 'each',
    rule: one,
  },
  'rope-pull': {
    title: 'Pull of the rope',
    block: 'ratio',
    dimension: 'force',
    per: 'each',
    rule: one,
  },
  'track-pull': {
    title: 'Pull of the track',
    block: 'ratio',
    dimension: 'force',
    per: 'each',
    rule: one,
  },
  'stage-stall': {
    title: 'Stages at stall',
    block: 'ratio',
    dimension: 'torque',
    per: 'each',
    rule: one,
  },
  'stage-brake': {
    title: 'Stages braked by the motor',
    block: 'ratio',
    dimension: 'torque',
    per: 'each',
    rule: one,
  },
  path: {
    title: 'Shafts and hubs',
    block: 'ratio',
    dimension: 'torque',
    per: 'each',
    rule: one,
  },
  'path-stall': {
    title: 'Shafts and hubs at stall',
    block: 'ratio',
    dimension: 'torque',
    per: 'each',
    rule: one,
  },
  'mount-twist': {
    title: 'Twist of the mount',
    block: 'ratio',
    dimension: 'angle',
    per: 'each',
    rule: one,
  },
  'shaft-load': {
    title: 'Pull on the motor’s shaft',
    block: 'motor',
    dimension: 'force',
    per: 'each',
    rule: one,
  },
  'axle-clearance': {
    title: 'Drive over the ground',
    block: 'ratio',
    dimension: 'length',
    per: 'each',
    rule: one,
  },
  'axle-room': {
    title: 'Room round the axle',
    block: 'ratio',
    dimension: 'length',
    per: 'each',
    rule: one,
  },
  'motor-heat': {
    title: 'Motor heat',
    block: 'motor',
    dimension: 'current',
    per: 'each',
    rule: one,
  },
  'work-torque': {
    title: 'Torque for the work',
    block: 'motor',
    dimension: 'torque',
    per: 'each',
    rule: (p) => p.torque,
  },
  'work-speed': {
    title: 'Speed for the work',
    block: 'motor',
    dimension: 'rotation',
    per: 'each',
    rule: (p) => p.speed,
  },
  'steer-speed': {
    title: 'Speed of steering',
    block: 'motor',
    dimension: 'rotation',
    per: 'each',
    rule: (p) => p.speed,
  },
  travel: {
    title: 'Way of the servo',
    block: 'motor',
    dimension: 'angle',
    per: 'each',
    rule: one,
  },
  'driver-current': {
    title: 'Driver current',
    block: 'driver',
    dimension: 'current',
    per: 'each',
    rule: (p) => p.current,
  },
  'driver-peak': {
    title: 'Driver at stall',
    block: 'driver',
    dimension: 'current',
    per: 'each',
    rule: one,
  },
  'driver-voltage': {
    title: 'Driver voltage',
    block: 'driver',
    dimension: 'voltage',
    per: 'in all',
    rule: one,
  },
  'battery-current': {
    title: 'Battery current',
    block: 'battery',
    dimension: 'current',
    per: 'in all',
    rule: (p) => p.current,
  },
  'battery-peak': {
    title: 'Battery at full command',
    block: 'battery',
    dimension: 'current',
    per: 'in all',
    rule: one,
  },
  'battery-voltage': {
    title: 'Voltage under load',
    block: 'battery',
    dimension: 'voltage',
    per: 'in all',
    rule: one,
  },
  energy: {
    title: 'Energy for the outing',
    block: 'battery',
    dimension: 'energy',
    per: 'in all',
    rule: (p) => p.energy,
  },
} as const satisfies Record<string, LinkDefinition>;

export type LinkId = keyof typeof LINKS;
export const linkDefinition = (link: LinkId): LinkDefinition => LINKS[link];
