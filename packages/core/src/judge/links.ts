import type { Dimension } from '../quantity/index.ts';
import type { MarginPolicy } from '../vehicle/index.ts';

/** The blocks of the driveline strip, in the order of the chain. */
export const BLOCKS = ['ground', 'wheel', 'ratio', 'motor', 'driver', 'battery'] as const;
export type Block = (typeof BLOCKS)[number];

/** The station at which each block is mended. */
export const MENDED_AT = {
  ground: 'ground',
  wheel: 'drivetrain',
  ratio: 'drivetrain',
  motor: 'power',
  driver: 'power',
  battery: 'power',
} as const satisfies Record<Block, string>;

interface LinkDefinition {
  readonly title: string;
  readonly block: Block;
  readonly dimension: Dimension;
  /** Whether the figures are for one wheel or motor, or for all together. */
  readonly per: 'each' | 'in all';
  readonly rule: (policy: MarginPolicy) => number;
  /** How both sides are said, where it is not what is needed and what it has. */
  readonly said?: { readonly needs: string; readonly has: string };
}

const one = (): number => 1;
/** Held across at least so many times (common practice, no source). */
const SIDEWAYS = 1.2;

const ofEach = (
  title: string,
  block: Block,
  dimension: Dimension,
  rule: LinkDefinition['rule'] = one,
): LinkDefinition => ({ title, block, dimension, per: 'each', rule });

const inAll = (
  title: string,
  block: Block,
  dimension: Dimension,
  rule: LinkDefinition['rule'] = one,
): LinkDefinition => ({ title, block, dimension, per: 'in all', rule });

/** Every link of the driveline: its unit (SI of the dimension), its rule, and the block that shows it. */
export const LINKS = {
  grip: inAll('Grip', 'ground', 'force', (p) => p.grip),
  'wheel-load': ofEach('Load on a wheel', 'wheel', 'force'),
  'tip-along': inAll('Tipping fore and aft', 'ground', 'torque'),
  'tip-side': inAll('Tipping sideways', 'ground', 'torque'),
  'slide-side': inAll('Sliding sideways', 'ground', 'force', () => SIDEWAYS),
  corner: inAll('Speed in the bend', 'ground', 'speed'),
  step: inAll('Step', 'ground', 'coefficient'),
  clearance: inAll('Clearance', 'ground', 'length'),
  'push-on': inAll('Steering force', 'ground', 'force'),
  steering: ofEach('Steering torque', 'ground', 'torque'),
  'brake-hold': inAll('Holding', 'ground', 'force'),
  'brake-stop': inAll('Stopping', 'ground', 'acceleration'),
  torque: ofEach('Wheel torque', 'wheel', 'torque', (p) => p.torque),
  speed: inAll('Speed', 'wheel', 'speed', (p) => p.speed),
  'over-speed': {
    ...inAll('Top speed', 'wheel', 'speed'),
    said: { needs: 'reached', has: 'may go' },
  },
  ratio: inAll('Ratio window', 'ratio', 'ratio'),
  'chain-pull': ofEach('Chain pull', 'ratio', 'force'),
  'gearhead-torque': ofEach('Gearhead torque', 'ratio', 'torque'),
  'tooth-stress': ofEach('Gear teeth', 'ratio', 'stress'),
  'belt-pull': ofEach('Belt pull', 'ratio', 'force'),
  slip: ofEach('Slip of belt or roller', 'ratio', 'force'),
  'rope-pull': ofEach('Pull of the rope', 'ratio', 'force'),
  'track-pull': ofEach('Pull of the track', 'ratio', 'force'),
  'stage-stall': ofEach('Drive parts if the wheels jam', 'ratio', 'torque'),
  'stage-brake': ofEach('Stages braked by the motor', 'ratio', 'torque'),
  path: ofEach('Shafts and hubs', 'ratio', 'torque'),
  'path-stall': ofEach('Shafts and hubs if the wheels jam', 'ratio', 'torque'),
  'mount-twist': ofEach('Twist of the mount', 'ratio', 'angle'),
  'shaft-load': ofEach('Pull on the motor’s shaft', 'motor', 'force'),
  'axle-clearance': ofEach('Drive over the ground', 'ratio', 'length'),
  'axle-room': ofEach('Room round the axle', 'ratio', 'length'),
  'motor-heat': ofEach('Motor heat', 'motor', 'current'),
  'work-torque': ofEach('Torque for the work', 'motor', 'torque', (p) => p.torque),
  'work-speed': ofEach('Speed for the work', 'motor', 'rotation', (p) => p.speed),
  'steer-speed': ofEach('Speed of steering', 'motor', 'rotation', (p) => p.speed),
  travel: ofEach('Way of the servo', 'motor', 'angle'),
  leads: ofEach('Motor leads', 'driver', 'current'),
  'driver-current': ofEach('Driver current', 'driver', 'current', (p) => p.current),
  'driver-peak': ofEach('Driver if the wheels jam', 'driver', 'current'),
  'driver-voltage': inAll('Driver voltage', 'driver', 'voltage'),
  'battery-current': inAll('Battery current', 'battery', 'current', (p) => p.current),
  'battery-peak': inAll('Battery at full command', 'battery', 'current'),
  'battery-voltage': inAll('Voltage under load', 'battery', 'voltage'),
  cable: inAll('Battery cable', 'battery', 'current'),
  fuse: inAll('Main fuse', 'battery', 'current'),
  'fuse-wire': inAll('Main fuse and its cable', 'battery', 'current'),
  'main-switch': inAll('Main switch', 'battery', 'current'),
  rail: inAll('Small supply', 'battery', 'current'),
  'charge-plug': inAll('Charging plug', 'battery', 'current'),
  charge: inAll('Charging', 'battery', 'time'),
  energy: inAll('Energy for the outing', 'battery', 'energy', (p) => p.energy),
} as const satisfies Record<string, LinkDefinition>;

export type LinkId = keyof typeof LINKS;
/**
 * What is compared at a link: its title, its dimension, where it is shown.
 *
 * @example linkDefinition('grip').title // 'Grip'
 */
export const linkDefinition = (link: LinkId): LinkDefinition => LINKS[link];

const ELECTRICAL: ReadonlySet<Dimension> = new Set(['current', 'voltage', 'energy']);

/**
 * Whether a link is of the electrical side: drawn in the other colour.
 *
 * @example isElectrical({ link: 'battery-current' }) // true
 */
export const isElectrical = ({ link }: { readonly link: LinkId }): boolean =>
  ELECTRICAL.has(linkDefinition(link).dimension);
