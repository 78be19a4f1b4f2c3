import { propelling } from '../drive/index.ts';
import { SCHOOLS } from '../driving/index.ts';
import { cycleTimes, firstGains, USUAL_CYCLE } from '../simulate/index.ts';
import {
  bankOf,
  driverOf,
  layoutKind,
  rollingDiameter,
  steeringLock,
  trackOf,
  wheelbaseOf,
  whole,
  type Build,
} from '../vehicle/index.ts';
import { wiringMap } from '../wiring/index.ts';
import { nameWithin } from './written-name.ts';

/** A number that a program of the vehicle is written with. */
export interface FirmwareConstant {
  /** Capitals, its unit at the end. */
  readonly name: string;
  readonly value: number;
  readonly says: string;
}

/** Where something is joined to the board that reads and commands. */
export interface FirmwarePin {
  readonly name: string;
  /** As the wiring map numbers it: pins of the board are given as they are wired. */
  readonly port: string;
  readonly says: string;
}

/** All that a program is written with. */
export interface Firmware {
  readonly vehicle: string;
  readonly constants: readonly FirmwareConstant[];
  readonly pins: readonly FirmwarePin[];
}

/** Significant digits: more than any tape or scale gives. */
const DIGITS = 7;

type Given = readonly [name: string, value: number | undefined, says: string];

/** Those that are known, rounded. */
const known = (given: readonly Given[]): FirmwareConstant[] =>
  given.flatMap(([name, value, says]) =>
    value === undefined || !Number.isFinite(value)
      ? []
      : [{ name, value: Number(value.toPrecision(DIGITS)), says }],
  );

/** What its wheels are and what a count of them is worth. */
function wayOf(build: Build): Given[] {
  const { countsPerTurn, turnFactor } = build.driving?.control ?? SCHOOLS['by counts'];
  const [diameterM, trackM] = [rollingDiameter(build).value, trackOf(build.layout).value];
  const perMetre = countsPerTurn / (Math.PI * diameterM);
  const { onTheSpot, turning } = layoutKind(build.layout.kind);
  const steered = turning === 'steered';
  return [
    ['WHEEL_DIAMETER_M', diameterM, 'driven wheels as they roll, under load'],
    ['TRACK_M', trackM > 0 ? trackM : undefined, 'between left and right, middle to middle'],
    ['WHEELBASE_M', steered ? wheelbaseOf(build.layout) : undefined, 'from first to last axle'],
    ['STEER_LOCK_RAD', steered ? steeringLock(build) : undefined, 'steered wheels, to either side'],
    ['COUNTS_PER_TURN', countsPerTurn, 'of the wheel'],
    ['COUNTS_PER_M', perMetre, 'counts of a wheel for a metre of way'],
    ['METRES_PER_COUNT', 1 / perMetre, 'way of one count'],
    ['TURN_FACTOR', turnFactor, 'counted turn over true turn'],
    [
      'COUNTS_PER_DEG',
      onTheSpot && trackM > 0 ? ((Math.PI * trackM) / 360) * perMetre * turnFactor : undefined,
      'counts of each side, against each other, for a degree on the spot',
    ],
  ];
}

/** What its drive does at most, and what holds it. */
function limitsOf(build: Build): Given[] {
  const [first] = propelling(whole(build));
  const line = first?.line;
  const bank = bankOf(build);
  const fastest = line && line.circuit.motor.fastestRadS(line.circuit.openCircuitV) / line.ratio;
  const limitA = line?.circuit.currentLimitA;
  return [
    ['GEAR_RATIO', line?.ratio, 'turns of the motor for one of the wheel'],
    ['WHEEL_MOST_RAD_S', fastest, 'full command, nothing to pull'],
    [
      'SPEED_MOST_M_S',
      fastest === undefined ? undefined : (fastest * rollingDiameter(build).value) / 2,
      'the same along the ground',
    ],
    ['MOTOR_LIMIT_A', limitA === Infinity ? undefined : limitA, 'what the driver lets through'],
    ['DRIVER_PEAK_A', driverOf(build)?.peakA, 'of a channel, for a short time'],
    ['BATTERY_NOMINAL_V', bank?.nominalV, 'printed on it'],
    ['BATTERY_FULL_V', bank?.fullV, 'just charged'],
    ['BATTERY_EMPTY_V', bank?.emptyV, 'as its maker gives it'],
  ];
}

/** How its controller drives. */
function gainsOf(build: Build): Given[] {
  const { sync, heading, speed, ...control } = build.driving?.control ?? SCHOOLS['by counts'];
  const share = build.supply.commandShare?.value ?? 1;
  return [
    ['LOOP_S', control.loopTimeS, 'time of the loop'],
    ['COMMAND_MOST', control.cap * share, 'share of full command'],
    ['SLEW_PER_S', control.slewPerS, 'share of full command, a second'],
    ['STALL_AFTER_S', control.stallAfterS, 'a wheel held for so long stops the move'],
    ['MOVE_WITHIN_S', control.moveWithinS, 'a move is given up after so long'],
    ['CUT_OFF_V', control.cutOffV, 'everything stops under it'],
    ['SYNC_KP', sync?.kp, 'command for a turn that one side is ahead'],
    ['SYNC_KI', sync?.ki, 'and for a turn ahead through a second'],
    ['HEADING_KP', heading?.kp, 'command for a radian off the heading'],
    ['SPEED_KP_S_PER_M', speed?.kp, 'command for a metre a second too slow'],
    ['SPEED_KI_PER_M', speed?.ki, 'command for a metre behind'],
    ...balanceGainsOf(build),
  ];
}

/** Gains to begin with, of what balances. */
function balanceGainsOf(build: Build): Given[] {
  const { gains, hold } = firstGains(build) ?? {};
  return [
    [
      'BALANCE_LOOP_S',
      gains && cycleTimes(USUAL_CYCLE).loopTimeS,
      'time of the loop that these gains are for',
    ],
    ['BALANCE_KP_V_PER_RAD', gains?.kp, 'volts for a radian of lean'],
    ['BALANCE_KI_V_PER_RAD_S', gains?.ki, 'and for a radian through a second'],
    ['BALANCE_KD_V_S_PER_RAD', gains?.kd, 'and for a radian a second'],
    ['HOLD_KP_RAD_PER_M', hold?.kp, 'lean for a metre off its place'],
    ['HOLD_KD_RAD_S_PER_M', hold?.kd, 'and for a metre a second'],
    ['HOLD_MOST_RAD', hold?.limitRad, 'lean that the hold asks at most'],
  ];
}

/** Ports of the board that reads, each name once. */
function pinsOf(build: Build): FirmwarePin[] {
  const taken = new Map<string, number>();
  return wiringMap(build)
    .wires.filter(({ carries }) => carries === 'signal')
    .map(({ label, to, pole, inverted }) => {
      const plain = nameWithin(label).toUpperCase();
      const times = (taken.get(plain) ?? 0) + 1;
      taken.set(plain, times);
      return {
        name: `PIN_${plain}${times > 1 ? `_${times}` : ''}`,
        port: to.port,
        says: `${label}: ${pole}${inverted ? ', inverted' : ''}`,
      };
    });
}

/**
 * The numbers that a build's own program is written with: wheels and counts, limits, gains, and what is joined where. Those
 * that it does not have are left out.
 *
 * @example firmwareOf(puffin).constants[0] // { name: 'WHEEL_DIAMETER_M', value: 0.4, says: 'driven wheels as they roll, under load' }
 */
export const firmwareOf = (build: Build): Firmware => ({
  vehicle: build.name,
  constants: known([...wayOf(build), ...limitsOf(build), ...gainsOf(build)]),
  pins: pinsOf(build),
});

/** A remark in a source file: one line, and never the end of it. */
const remark = (text: string): string => text.replace(/\s+/g, ' ').replaceAll('*/', '* /');
/** A number as the language takes it: never a whole one by mistake. */
const inSource = (value: number): string => {
  const text = String(value);
  return `${/[.e]/.test(text) ? text : `${text}.0`}f`;
};
/** A number of a port's name; absent where it has none. */
const portNumber = (port: string): string | undefined => /\d+/.exec(port)?.[0];

/**
 * The constants as a header of C and C++.
 *
 * @example firmwareHeader(firmwareOf(puffin)).includes('#define WHEEL_DIAMETER_M 0.4f') // true
 */
export function firmwareHeader({ vehicle, constants, pins }: Firmware): string {
  const guard = `${nameWithin(vehicle).toUpperCase()}_H`;
  return [
    `/* ${remark(vehicle)}: numbers of the build. Metres, seconds, volts, radians. */`,
    ...[`#ifndef ${guard}`, `#define ${guard}`, ''],
    ...constants.map(({ name, value, says }) => `#define ${name} ${inSource(value)} /* ${remark(says)} */`),
    ...(pins.length > 0
      ? ['', '/* Ports as the wiring map numbers them: set your board’s own pins here. */']
      : []),
    ...pins.map(
      ({ name, port, says }) =>
        `#define ${name} ${portNumber(port) ?? '0'} /* ${remark(`${port}; ${says}`)} */`,
    ),
    ...['', '#endif', ''],
  ].join('\n');
}

/**
 * The same as lines of text that a small program reads: a name, a number, a line each; `#` begins a remark.
 *
 * @example firmwareLines(firmwareOf(puffin)).split('\n')[1] // 'WHEEL_DIAMETER_M 0.4'
 */
export const firmwareLines = ({ vehicle, constants, pins }: Firmware): string =>
  [
    `# ${remark(vehicle)}`,
    ...constants.map(({ name, value }) => `${name} ${value}`),
    ...pins.map(({ name, port }) => `${name} ${portNumber(port) ?? '0'}`),
    '',
  ].join('\n');

/**
 * The same as JSON.
 *
 * @example JSON.parse(firmwareJson(firmwareOf(puffin))).WHEEL_DIAMETER_M // 0.4
 */
export const firmwareJson = ({ vehicle, constants, pins }: Firmware): string =>
  `${JSON.stringify(
    {
      vehicle,
      ...Object.fromEntries(constants.map(({ name, value }) => [name, value])),
      pins: Object.fromEntries(pins.map(({ name, port }) => [name, port])),
    },
    null,
    2,
  )}\n`;
