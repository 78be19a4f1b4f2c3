import { notice, type Notice } from '../contract/index.ts';
import { figure, sentence } from '../quantity/index.ts';
import {
  batteryOf,
  driverOf,
  fittedOf,
  motorOf,
  type FittedPart,
  type Part,
  type PartKind,
  type PartOf,
} from '../vehicle/index.ts';
import { found, type Finding } from './finding.ts';
import type { FindingContext } from './finding-context.ts';

declare module './finding.ts' {
  interface FindingFigures {
    /** Two parts of a build that do not fit each other, and what joins them. */
    misfit: never;
  }
}

/** Logic voltages nearer than this understand each other (common practice, no source). */
const ALIKE_V = 1.15;
/** Sizes nearer than this are the same, mm. */
const SAME_MM = 0.06;
/** Pins that a driver channel takes of a controller, by how it is spoken to. */
const PINS: Readonly<Record<string, number>> = {
  'servo pulse': 1,
  'direction and PWM': 2,
  'step and direction': 2,
  analogue: 1,
  'on and off': 1,
};

interface Fitted {
  readonly all: readonly FittedPart[];
  readonly of: <K extends PartKind>(
    kind: K,
  ) => readonly { readonly part: PartOf<K>; readonly count: number }[];
}

const fittedIn = ({ build }: FindingContext): Fitted => {
  const all = fittedOf(build);
  return { all, of: (kind) => all.filter(({ part }) => part.kind === kind) as never };
};

const misfit = (of: string, said: Notice, severity: 'short' | 'tight' = 'short'): Finding =>
  found('misfit', severity, {}, { of: `${said.code}/${of}`, notice: said });

/** Battery and driver are joined by their plugs. */
function plugs({ build }: FindingContext): Finding[] {
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
function signals({ build }: FindingContext, fitted: Fitted): Finding[] {
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

/** Encoders, and who reads them: enough inputs, quick enough. */
function encoders({ build, line, duties }: FindingContext, fitted: Fitted): Finding[] {
  const motor = motorOf(build);
  if (!line || !motor?.encoderCounts) return [];
  const driver = driverOf(build);
  const readers = [
    ...(driver?.encoderInputs ? [{ part: driver, count: build.supply.driverCount }] : []),
    ...fitted.of('controller').filter(({ part }) => part.encoderInputs !== undefined),
  ];
  const inputs = readers.reduce((sum, { part, count }) => sum + (part.encoderInputs ?? 0) * count, 0);
  const few =
    inputs < line.circuit.motors
      ? [
          misfit(
            motor.id,
            notice(
              'encoder-inputs',
              sentence`${figure(line.circuit.motors, 'number')} motors bring encoders, and there are inputs for ${figure(inputs, 'number')}: a driver or a controller that reads encoders, or leave them unconnected and unused.`,
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
          sentence`The encoders give ${figure(aSecond, 'number')} counts a second at the quickest duty; “${part.name}” reads ${figure(part.readsHz ?? 0, 'number')}: fewer counts a turn, the encoder behind the gearhead, or a counter in hardware.`,
        ),
      ),
    ),
  ];
}

/** Pins of the controllers, and who takes them. */
function ports({ build, line }: FindingContext, fitted: Fitted): Finding[] {
  const boards = fitted.of('controller').filter(({ part }) => part.ports !== undefined);
  const has = boards.reduce((sum, { part, count }) => sum + (part.ports ?? 0) * count, 0);
  if (boards.length === 0) return [];
  const signal = driverOf(build)?.signal;
  const driving = line && signal ? (PINS[signal] ?? 0) * line.circuit.motors : 0;
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
function lowVoltageSupply({ build }: FindingContext, fitted: Fitted): Finding[] {
  const driver = driverOf(build);
  const supplies = [
    ...(driver?.supplyA ? [{ part: driver, count: 1, supplyA: driver.supplyA }] : []),
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

/** A bored part, and a shaft that it may sit on. */
interface Bored {
  readonly part: Part;
  readonly mm: number;
  readonly shape: string | undefined;
  readonly keyMm: number | undefined;
}

const boredOf = (part: Part): Bored[] => {
  if (!('boreMm' in part) || part.boreMm === undefined) return [];
  if (part.kind === 'bearing' || part.kind === 'spacer') return [];
  const shape = 'shape' in part ? part.shape : undefined;
  const keyMm = 'keyMm' in part ? part.keyMm : undefined;
  const first = { part, mm: part.boreMm, shape, keyMm };
  return 'otherBoreMm' in part && part.otherBoreMm !== undefined
    ? [first, { ...first, mm: part.otherBoreMm }]
    : [first];
};

/** Round bores go on shafts with a flat too; every other shape only on its own. */
const shapesFit = (bore: string | undefined, shaft: string | undefined): boolean =>
  bore === undefined || shaft === undefined || bore === shaft || (bore === 'round' && shaft === 'D');

/** Everything with a bore must find a shaft of its size and shape. */
function bores({ build }: FindingContext, fitted: Fitted): Finding[] {
  const motor = motorOf(build);
  const shafts = [
    ...(motor?.shaftDiameterMm === undefined
      ? []
      : [{ name: motor.name, mm: motor.shaftDiameterMm, shape: motor.shape, keyMm: motor.shaftKeyMm }]),
    ...fitted
      .of('shaft')
      .map(({ part: { name, diameterMm, shape, keyMm } }) => ({ name, mm: diameterMm, shape, keyMm })),
  ];
  if (shafts.length === 0) return [];
  return fitted.all
    .flatMap(({ part }) => boredOf(part))
    .flatMap(({ part, mm, shape, keyMm }) => {
      const sized = shafts.filter((shaft) => Math.abs(shaft.mm - mm) <= SAME_MM);
      const shaped = sized.filter((shaft) => shapesFit(shape, shaft.shape));
      const keyed = shaped.filter(
        (shaft) =>
          keyMm === undefined || shaft.keyMm === undefined || Math.abs(shaft.keyMm - keyMm) <= SAME_MM,
      );
      if (keyed.length > 0) return [];
      const [nearest] = [...shafts].sort((a, b) => Math.abs(a.mm - mm) - Math.abs(b.mm - mm));
      const [alike] = shaped.length > 0 ? shaped : sized;
      return nearest
        ? [misfit(`${part.id}/${mm}`, boreNotice({ part, mm, shape, keyMm }, alike, nearest))]
        : [];
    });
}

interface Shaft {
  readonly name: string;
  readonly mm: number;
  readonly shape: string | undefined;
  readonly keyMm: number | undefined;
}

/** Why a bore finds no shaft, and what joins it to the nearest. */
function boreNotice({ part, mm, shape, keyMm }: Bored, alike: Shaft | undefined, nearest: Shaft): Notice {
  const size = figure(mm / 1000, 'length');
  if (alike && shapesFit(shape, alike.shape))
    return notice(
      'key',
      sentence`“${part.name}” is cut for a key of ${figure((keyMm ?? 0) / 1000, 'length')} and “${alike.name}” for one of ${figure((alike.keyMm ?? 0) / 1000, 'length')}: a stepped key.`,
    );
  if (alike)
    return notice(
      'bore-shape',
      sentence`“${part.name}” has a ${shape ?? 'round'} bore of ${size} and “${alike.name}” a ${alike.shape ?? 'round'} shaft: a hub with that bore, or a clamping hub on a shaft turned round.`,
    );
  const shaft = figure(nearest.mm / 1000, 'length');
  return notice(
    'bore',
    mm > nearest.mm
      ? sentence`“${part.name}” has a bore of ${size}, and the nearest shaft, of “${nearest.name}”, has ${shaft}: a bush from one to the other.`
      : sentence`“${part.name}” has a bore of ${size}, and the nearest shaft, of “${nearest.name}”, has ${shaft}: bore it out, or a coupler and a stepped shaft.`,
  );
}

/** Wheels and sprockets that are bolted to hubs meet their holes. */
function boltCircles(_: FindingContext, fitted: Fitted): Finding[] {
  const hubs = fitted
    .of('hub')
    .map(({ part }) => part)
    .filter(({ boltCircleMm }) => boltCircleMm !== undefined);
  const bolted = [...fitted.of('wheel'), ...fitted.of('sprocket')].map(({ part }) => part);
  if (hubs.length === 0) return [];
  return bolted.flatMap((part) => {
    const { boltCircleMm: circle, bolts } = part;
    if (circle === undefined) return [];
    const fits = hubs.some(
      (hub) =>
        Math.abs((hub.boltCircleMm ?? 0) - circle) <= SAME_MM &&
        (hub.bolts === undefined || bolts === undefined || hub.bolts === bolts),
    );
    const [hub] = hubs;
    if (fits || !hub) return [];
    return [
      misfit(
        part.id,
        notice(
          'bolt-circle',
          sentence`“${part.name}” is bolted on a circle of ${figure(circle / 1000, 'length')} with ${figure(bolts ?? 0, 'number')} holes, and “${hub.name}” on ${figure((hub.boltCircleMm ?? 0) / 1000, 'length')} with ${figure(hub.bolts ?? 0, 'number')}: a plate with both circles between them.`,
        ),
      ),
    ];
  });
}

const RULES = [encoders, signals, ports, lowVoltageSupply, bores, boltCircles] as const;

/** Parts of a build that do not fit each other: each names what joins them. What no part says is not held against it. */
export function fitFindings(context: FindingContext): Finding[] {
  const fitted = fittedIn(context);
  return [...plugs(context), ...RULES.flatMap((rule) => rule(context, fitted))];
}
