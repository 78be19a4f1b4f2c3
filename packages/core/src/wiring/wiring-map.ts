import { fittedOf, motorAbilities, type Build, type WireRun } from '../vehicle/index.ts';
import { circuitPlan } from './circuit-plan.ts';
import { boardsOf, hung, readerOf, type Board, type Hung, type Reader } from './wired-parts.ts';

/** One end of a wire: what it is on, and at which port. */
export interface WireEnd {
  readonly at: string;
  readonly port: string;
}

/** One wire, or the leads that go together, from where to where. */
export interface Wire {
  readonly id: string;
  readonly carries: 'battery' | 'motor' | 'signal' | 'supply' | 'interlock';
  readonly from: WireEnd;
  readonly to: WireEnd;
  /** Of a single wire its pole; of leads that go together how they go on. */
  readonly pole: string;
  /** As the trade has it on direct current; of a part, the colours that its maker says. */
  readonly colour: string;
  /** A mirrored motor: its leads are swapped, or it is inverted where it is commanded. */
  readonly inverted?: true;
  /** Length one way, and copper, where Power states them. */
  readonly run?: WireRun;
  /** What its label says at either end. */
  readonly label: string;
}

/** What does not add up among ports. */
export type PortProblem =
  /** Two wires at one port. */
  | { readonly kind: 'clash'; readonly at: string; readonly port: string; readonly wires: readonly string[] }
  /** More to be joined than there are ports. */
  | {
      readonly kind: 'missing';
      readonly what: 'channels' | 'encoder inputs' | 'pins';
      readonly wanted: number;
      readonly there: number;
    };

/** Every wire of a build with its ends, and the ports that clash or are missing. */
export interface WiringMap {
  readonly wires: readonly Wire[];
  readonly problems: readonly PortProblem[];
}

const RED = 'red';
const BLACK = 'black';
const AS_MADE = 'as its maker says';
/** Pins that a sensor takes where nobody says: one for its signal (common practice, no source). */
const USUAL_PINS = 1;

/** From battery to boards, both poles; the plus by fuse and switch. */
function batteryWires(build: Build, boards: readonly Board[]): Wire[] {
  const { packs, cable } = circuitPlan(build);
  if (packs.length === 0) return [];
  const run = cable ? { run: cable } : {};
  const wire = (id: string, from: WireEnd, to: WireEnd, plus: boolean): Wire => ({
    ...{ id, carries: 'battery', from, to, ...run },
    ...{ pole: plus ? '+' : '−', colour: plus ? RED : BLACK },
    label: `${to.at} ${plus ? '+' : '−'}`,
  });
  const battery = packs.length === 1 && packs[0] ? packs[0].name : 'battery';
  return [
    wire('battery.plus', { at: battery, port: '+' }, { at: 'main fuse', port: 'battery side' }, true),
    wire('fuse.plus', { at: 'main fuse', port: 'load side' }, { at: 'main switch', port: 'in' }, true),
    ...boards.flatMap(({ at }, n) => [
      wire(`board-${n + 1}.plus`, { at: 'main switch', port: 'out' }, { at, port: 'supply +' }, true),
      wire(`board-${n + 1}.minus`, { at: battery, port: '−' }, { at, port: 'supply −' }, false),
    ]),
  ];
}

/** How the leads of a motor go on, by its type. */
function leadsOf({ motor, place }: Hung): Pick<Wire, 'pole' | 'colour' | 'inverted'> {
  const inverted = place.mirrored ? ({ inverted: true } as const) : {};
  if (motor.type === 'brushless')
    return {
      pole: place.mirrored ? 'three leads, two of them swapped' : 'three leads',
      colour: AS_MADE,
      ...inverted,
    };
  if (motor.type === 'stepping')
    return {
      pole: place.mirrored ? 'two coils, one of them swapped' : 'two coils',
      colour: AS_MADE,
      ...inverted,
    };
  return {
    pole: place.mirrored ? '+ on −, − on +' : '+ on +, − on −',
    colour: `${RED} and ${BLACK}`,
    ...inverted,
  };
}

/** Motors at the channels of the boards that they hang on, in order; those that find none are counted. */
function motorWires(motors: readonly Hung[], boards: readonly Board[]) {
  const free = boards.flatMap(({ at, part }) =>
    Array.from({ length: part.channels }, (_, n) => ({ at, partId: part.id, port: `channel ${n + 1}` })),
  );
  const taken = new Set<number>();
  let wanted = 0;
  const wires = motors.flatMap((one): Wire[] => {
    if (one.boardId === undefined) return [];
    wanted += 1;
    const at = free.findIndex(({ partId }, n) => partId === one.boardId && !taken.has(n));
    const channel = free[at];
    if (!channel) return [];
    taken.add(at);
    return [
      {
        ...{ id: `motor.${one.id}`, carries: 'motor', from: { at: channel.at, port: channel.port } },
        ...{ to: { at: one.name, port: 'leads' }, ...leadsOf(one), ...(one.leads ? { run: one.leads } : {}) },
        label: one.name,
      },
    ];
  });
  return { wires, wanted };
}

/** Encoders, servos and sensors, each at a port of what reads it. */
function signalWires(build: Build, motors: readonly Hung[], reader: Reader) {
  const encoders = motors.filter(({ motor }) => motor.encoderCounts);
  const servos = motors.filter(
    ({ motor, boardId }) => boardId === undefined && motorAbilities(motor).drivesItself,
  );
  const sensors = fittedOf(build).flatMap(({ part, count }) =>
    part.kind === 'sensor'
      ? Array.from({ length: count }, (_, n) => ({
          id: `sensor.${part.id}.${n + 1}`,
          name: count > 1 ? `${part.name} ${n + 1}` : part.name,
          pins: part.ports ?? USUAL_PINS,
        }))
      : [],
  );
  const receivers = fittedOf(build).flatMap(({ part, count }) =>
    part.kind === 'receiver' ? [{ part, count }] : [],
  );
  const read = (id: string, name: string, port: string, pole: string): Wire => ({
    ...{ id, carries: 'signal', from: { at: name, port: 'signal' }, to: { at: reader.at, port } },
    ...{ pole, colour: AS_MADE, label: name },
  });
  let pin = 0;
  const wires = [
    ...encoders.map((one, n) => ({
      ...read(
        `encoder.${one.id}`,
        `encoder of ${one.name}`,
        `encoder ${n + 1}`,
        one.place.mirrored ? 'A and B swapped' : 'A and B',
      ),
      ...(one.place.mirrored ? { inverted: true as const } : {}),
    })),
    ...servos.map((one) => ({
      ...read(`servo.${one.id}`, one.name, `pin ${(pin += 1)}`, 'signal, +, −'),
      ...(one.place.mirrored ? { inverted: true as const } : {}),
    })),
    ...sensors.map(({ id, name, pins }) => {
      const from = pin + 1;
      pin += pins;
      return read(id, name, pins > 1 ? `pins ${from} to ${pin}` : `pin ${from}`, 'signal');
    }),
    ...receivers.map(({ part }) =>
      read(`receiver.${part.id}`, part.name, `pin ${(pin += 1)}`, 'signal, +, −'),
    ),
  ];
  return { wires, encoders: encoders.length, pins: pin };
}

/** Small supplies with what they feed, and switches that let a drive run. */
function otherWires(build: Build): Wire[] {
  const { rails, interlocks } = circuitPlan(build);
  return [
    ...rails.flatMap(({ id, name, loads }) =>
      loads.map((load, n): Wire => ({
        ...{ id: `rail.${id}.${n + 1}`, carries: 'supply', from: { at: name, port: `out ${n + 1}` } },
        ...{
          to: { at: load, port: '+ and −' },
          pole: '+ on +, − on −',
          colour: `${RED} and ${BLACK}`,
          label: load,
        },
      })),
    ),
    ...interlocks.map(({ id, at, acts, driveName }): Wire => ({
      ...{
        id: `interlock.${id}`,
        carries: 'interlock',
        from: { at: `switch at the ${at}`, port: 'contact' },
      },
      ...{
        to: { at: driveName ?? 'every drive', port: acts },
        pole: 'two leads',
        colour: 'any but red and black',
      },
      label: `switch at the ${at}`,
    })),
  ];
}

/** Two wires at one port of one thing, where each wants one for itself. */
function clashes(wires: readonly Wire[]): PortProblem[] {
  const shared: readonly Wire['carries'][] = ['battery', 'interlock'];
  const byPort = new Map<string, { readonly end: WireEnd; readonly wires: string[] }>();
  for (const { id, carries, from, to } of wires) {
    if (shared.includes(carries)) continue;
    const end = carries === 'signal' ? to : from;
    const key = `${end.at}\n${end.port.toLowerCase()}`;
    const known = byPort.get(key);
    if (known) known.wires.push(id);
    else byPort.set(key, { end, wires: [id] });
  }
  return [...byPort.values()].flatMap(({ end, wires: at }): PortProblem[] =>
    at.length > 1 ? [{ kind: 'clash', at: end.at, port: end.port, wires: at }] : [],
  );
}

const missing = (
  what: Extract<PortProblem, { kind: 'missing' }>['what'],
  wanted: number,
  there: number | undefined,
): PortProblem[] =>
  there === undefined || wanted <= there ? [] : [{ kind: 'missing', what, wanted, there }];

/**
 * Every wire of a build: from battery by fuse and switch to the boards, from the boards to the motors left and right, encoders,
 * servos and sensors to what reads them, small supplies and interlocks; with pole, colour, length and copper as Power states
 * them, and the ports that the builder chose. What is not chosen yet has no wires.
 *
 * @example wiringMap(puffin).wires.filter(({ carries }) => carries === 'motor').map(({ inverted }) => inverted ?? false)
 *   // [false, true]
 */
export function wiringMap(build: Build): WiringMap {
  const motors = hung(build);
  const boards = boardsOf(build);
  const reader = readerOf(build, boards);
  const driven = motorWires(motors, boards);
  const signals = signalWires(build, motors, reader);
  const chosen = new Map((build.assembly.ports ?? []).map(({ id, port }) => [id, port]));
  const wires = [...batteryWires(build, boards), ...driven.wires, ...signals.wires, ...otherWires(build)].map(
    (wire): Wire => {
      const port = chosen.get(wire.id);
      if (port === undefined) return wire;
      return wire.carries === 'signal'
        ? { ...wire, to: { ...wire.to, port } }
        : { ...wire, from: { ...wire.from, port } };
    },
  );
  return {
    wires,
    problems: [
      ...clashes(wires),
      ...missing('channels', driven.wanted, driven.wires.length),
      ...missing('encoder inputs', signals.encoders, reader.encoderInputs),
      ...missing('pins', signals.pins, reader.pins),
    ],
  };
}
