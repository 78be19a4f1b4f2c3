import { notice } from '../contract/index.ts';
import { figure, sentence } from '../quantity/index.ts';
import {
  batteryOf,
  driverOf,
  driverSort,
  drivesMotor,
  motorAbilities,
  motorOf,
  type Part,
  type PartOf,
  driveOf,
  motorsIn,
  drivesOf,
} from '../vehicle/index.ts';
import { found, type Finding } from './finding.ts';
import type { FindingContext, StandingContext } from './finding-context.ts';
import { fittedIn, misfit, type Fitted } from './fitted.ts';
import { MECHANICAL_FITS, mounts } from './mechanical-fits.ts';

declare module './finding.ts' {
  interface FindingFigures {
    /** Counts of the encoder for a metre of road. */
    'encoder-way': 'counts';
  }
}

/** Logic voltages nearer than this understand each other (common practice, no source). */
const ALIKE_V = 1.15;
/** Pins that a driver channel takes of a controller, by how it is spoken to. */
const PINS: Readonly<Record<string, number>> = {
  'servo pulse': 1,
  'direction and PWM': 2,
  'step and direction': 2,
  analogue: 1,
  'on and off': 1,
};

/** Battery and driver are joined by their plugs. */
function plugs({ build }: StandingContext): Finding[] {
  const [battery, driver] = [batteryOf(build), driverOf(build)];
  if (!battery?.plug || !driver?.plug || battery.plug === driver.plug) return [];
  return [
    misfit(
      driver.id,
      notice(
        'plug',
        `“${battery.name}” ends in a ${battery.plug} plug and “${driver.name}” in a ${driver.plug} one: a lead with one of each, or one of them soldered anew, insulated, and its poles checked twice.`,
      ),
    ),
  ];
}

/** Who commands is understood by who drives. */
function signals({ build }: StandingContext, fitted: Fitted): Finding[] {
  const driver = driverOf(build);
  const commands = [...fitted.of('controller'), ...fitted.of('receiver')].map(({ part }) => part);
  if (!driver) return [];
  const spoken = commands.filter(({ signal }) => signal !== undefined);
  const understood = spoken.some(({ signal }) => signal === driver.signal);
  const wrong =
    driver.signal !== undefined && spoken.length > 0 && !understood
      ? [
          misfit(
            driver.id,
            notice(
              'signal',
              `“${driver.name}” takes ${driver.signal}, and “${spoken[0]?.name ?? ''}” gives ${spoken[0]?.signal ?? ''}: a converter between them, a program that makes it, or a driver that takes it.`,
            ),
          ),
        ]
      : [];
  return [...wrong, ...logicVoltages(driver, commands, fitted)];
}

/** Voltages of the signals: a board of 3.3 V is destroyed by 5, and 5 may not hear 3.3. */
function logicVoltages(
  driver: PartOf<'driver'>,
  commands: readonly (PartOf<'controller'> | PartOf<'receiver'>)[],
  fitted: Fitted,
): Finding[] {
  const board =
    commands.find(({ kind, logicV }) => kind === 'controller' && logicV !== undefined) ?? commands[0];
  const boardV = board?.logicV;
  if (board === undefined || boardV === undefined) return [];
  const others: readonly (Part & { readonly logicV?: number | undefined })[] = [
    driver,
    ...fitted.of('sensor').map(({ part }) => part),
    ...fitted.of('receiver').map(({ part }) => part),
  ];
  return others.flatMap((other) => {
    const volts = other.logicV;
    if (other.id === board.id || volts === undefined) return [];
    if (Math.max(volts / boardV, boardV / volts) <= ALIKE_V) return [];
    return [
      misfit(
        other.id,
        notice(
          'logic-voltage',
          sentence`“${other.name}” signals at ${figure(volts, 'voltage')} and “${board.name}” at ${figure(boardV, 'voltage')}: a level shifter on every line between them, or parts of one voltage.`,
        ),
      ),
    ];
  });
}

/** What sort of motor a driver is made for; a series-wound one is brushed too. */
function motorSort({ build, line }: StandingContext): Finding[] {
  const motor = motorOf(build);
  const driver = line?.driver;
  if (!motor || driver?.drives === undefined) return [];
  if (drivesMotor(driver, motor)) return [];
  const sort = driverSort(motor);
  return [
    misfit(
      `${driver.id}/${motor.id}`,
      notice(
        'motor-type',
        `“${driver.name}” is made for ${driver.drives} motors, and “${motor.name}” is ${motorAbilities(motor).title.toLowerCase()}: it will not turn, and may burn. Take a driver for ${sort} motors.`,
      ),
    ),
  ];
}

/** Encoders, and who reads them: enough inputs, quick enough. */
export function encoderFindings(context: FindingContext): Finding[] {
  const { build, duties } = context;
  const fitted = fittedIn(context);
  const drives = drivesOf(build);
  const [counted] = drives.filter((seen) => motorOf(seen)?.encoderCounts);
  const motor = counted && motorOf(counted);
  if (!motor?.encoderCounts) return [];
  const count = drives.reduce((sum, seen) => sum + (motorOf(seen)?.encoderCounts ? motorsIn(seen) : 0), 0);
  const readers = [
    ...build.supply.drivers.flatMap(({ id, count: boards }) => {
      const part = build.parts.find((carried) => carried.id === id);
      return part?.kind === 'driver' && part.encoderInputs ? [{ part, count: boards }] : [];
    }),
    ...fitted.of('controller').filter(({ part }) => part.encoderInputs !== undefined),
  ];
  const inputs = readers.reduce((sum, { part, count: n }) => sum + (part.encoderInputs ?? 0) * n, 0);
  const few =
    inputs < count
      ? [
          misfit(
            motor.id,
            notice(
              'encoder-inputs',
              sentence`${figure(count, 'number')} motors bring encoders, and there are inputs for ${figure(inputs, 'number')}: a driver or a controller that reads encoders, or leave them unconnected and unused.`,
            ),
            'tight',
          ),
        ]
      : [];
  const quickest = Math.max(0, ...duties.map(({ point }) => Math.abs(point?.motorRpm ?? 0)));
  const aSecond = (quickest / 60) * motor.encoderCounts;
  const slow = readers.filter(({ part }) => part.readsHz !== undefined && part.readsHz < aSecond);
  return [
    ...few,
    ...slow.map(({ part }) =>
      misfit(
        part.id,
        notice(
          'encoder-too-quick',
          sentence`The encoders give ${figure(aSecond, 'number')} counts a second at the quickest job; “${part.name}” reads ${figure(part.readsHz ?? 0, 'number')}: fewer counts a turn, the encoder behind the gearhead, or a counter in hardware.`,
        ),
      ),
    ),
  ];
}

/** Pins of the controllers, and who takes them. */
function ports({ build }: StandingContext, fitted: Fitted): Finding[] {
  const boards = fitted.of('controller').filter(({ part }) => part.ports !== undefined);
  const has = boards.reduce((sum, { part, count }) => sum + (part.ports ?? 0) * count, 0);
  if (boards.length === 0) return [];
  const driving = drivesOf(build).reduce((sum, seen) => {
    const signal = motorOf(seen) && driverOf(seen)?.signal;
    return sum + (signal ? (PINS[signal] ?? 0) * motorsIn(seen) : 0);
  }, 0);
  const sensing = fitted.of('sensor').reduce((sum, { part, count }) => sum + (part.ports ?? 0) * count, 0);
  const needs = driving + sensing;
  return needs <= has
    ? []
    : [
        misfit(
          boards[0]?.part.id ?? '',
          notice(
            'ports',
            sentence`Drivers and sensors take ${figure(needs, 'number')} pins; there are ${figure(has, 'number')}: a port expander on the two-wire bus, or a controller with more.`,
          ),
        ),
      ];
}

/** What is fed from a supply on a board, or from a converter, against what that gives. */
function lowVoltageSupply({ build }: StandingContext, fitted: Fitted): Finding[] {
  const supplies = [
    ...build.supply.drivers.flatMap(({ id }) => {
      const part = build.parts.find((carried) => carried.id === id);
      return part?.kind === 'driver' && part.supplyA ? [{ part, count: 1, supplyA: part.supplyA }] : [];
    }),
    ...fitted.of('converter').map(({ part, count }) => ({ part, count, supplyA: part.supplyA })),
  ];
  const gives = supplies.reduce((sum, { supplyA, count }) => sum + supplyA * count, 0);
  const drawn = fitted.all.reduce(
    (sum, { part, count }) =>
      sum + ('drawsA' in part && part.kind !== 'switch' ? (part.drawsA ?? 0) * count : 0),
    0,
  );
  if (supplies.length === 0 || drawn <= gives) return [];
  return [
    misfit(
      supplies[0]?.part.id ?? '',
      notice(
        'supply-current',
        sentence`Controllers, receivers and sensors draw ${figure(drawn, 'current')} together; “${supplies[0]?.part.name ?? ''}” gives ${figure(gives, 'current')}: a converter of its own for them.`,
      ),
    ),
  ];
}

/** Rules of the build as a whole, and of each drive, whatever its jobs. */
const RULES = [ports, lowVoltageSupply, ...MECHANICAL_FITS] as const;
const RULES_OF_DRIVE = [motorSort, signals, mounts] as const;

/** What a motor's encoder gives for a metre of road, for who writes the program. */
function encoderWay({ build, line }: StandingContext): Finding[] {
  const counts = motorOf(build)?.encoderCounts;
  if (!line || counts === undefined) return [];
  const aMetre = (counts * line.ratio) / (2 * Math.PI * line.wheelRadiusM);
  return [found('encoder-way', 'note', { counts: figure(aMetre, 'number') }, { link: 'speed' })];
}

/** Parts of a build that do not fit each other: each names what joins them. What no part says is not held against it. */
export function fitFindings(context: StandingContext): Finding[] {
  const fitted = fittedIn(context);
  return RULES.flatMap((rule) => rule(context, fitted));
}

/** The same of one drive. */
export function fitOfDrive(context: StandingContext): Finding[] {
  const fitted = fittedIn(context);
  const propels = driveOf(context.build).does === 'propels';
  return [
    ...plugs(context),
    ...(propels ? encoderWay(context) : []),
    ...RULES_OF_DRIVE.flatMap((rule) => rule(context, fitted)),
  ];
}
