import { alwaysDrawn, drivelineOf } from '../drive/index.ts';
import { fuseOf, heldCurrent, mainSwitchOf, railDraw, startA } from '../judge/index.ts';
import {
  driveOf,
  driverOf,
  drivesOf,
  motorAbilities,
  motorOf,
  packsOf,
  switchesOnly,
  type Build,
  type Interlock,
  type Rail,
  type WireRun,
} from '../vehicle/index.ts';
import { motorPlaces, type MotorPlace } from './motor-places.ts';

/** A motor of the circuit: where it is, and on which channel. */
export interface PlannedMotor extends MotorPlace {
  readonly driveId: string;
  readonly driveName: string;
  readonly motorName: string;
  readonly leads?: WireRun;
  /** Held at full command, A. */
  readonly mostA?: number;
}

/** What hangs on the battery behind fuse and switch: a board with its motors, or motors without one. */
export interface PlannedBoard {
  /** Absent where a motor has its own electronics, or none is chosen. */
  readonly driverName?: string;
  readonly count: number;
  readonly channels: number;
  readonly onlySwitches: boolean;
  readonly motors: readonly PlannedMotor[];
}

/** A small supply of the circuit. */
export interface PlannedRail {
  readonly id: string;
  readonly name: string;
  readonly voltageV: number;
  readonly peakA?: number;
  readonly loads: readonly string[];
}

/** The power circuit of a build, from battery to motors, as it is drawn. */
export interface CircuitPlan {
  readonly packs: readonly {
    readonly name: string;
    readonly inSeries: number;
    readonly inParallel: number;
  }[];
  readonly joined: 'in series' | 'in parallel';
  readonly voltageV?: number;
  readonly fuseA?: number;
  readonly switchA?: number;
  readonly cable?: WireRun;
  /** The most that a start at full command draws of the battery, A. */
  readonly startA?: number;
  readonly boards: readonly PlannedBoard[];
  readonly rails: readonly PlannedRail[];
  /** Drawn beside them, W. */
  readonly besideW: number;
  readonly charger?: { readonly currentA: number; readonly plugA?: number };
  readonly panelW?: number;
  readonly interlocks: readonly (Interlock & { readonly driveName?: string })[];
}

function motorsOfDrive(build: Build): readonly PlannedMotor[] {
  const { id, name, leads } = driveOf(build);
  const motor = motorOf(build);
  const line = drivelineOf(build);
  if (!motor) return [];
  return motorPlaces(build).map((place) => ({
    ...place,
    driveId: id,
    driveName: name,
    motorName: motor.name,
    ...(leads ? { leads } : {}),
    ...(line ? { mostA: Math.abs(heldCurrent(line)) } : {}),
  }));
}

/** Motors by the board that they hang on; those of two drives on one kind of board together. */
function boardsOf(build: Build): readonly PlannedBoard[] {
  const byBoard = new Map<string, PlannedBoard>();
  for (const seen of drivesOf(build)) {
    const motors = motorsOfDrive(seen);
    const motor = motorOf(seen);
    if (!motor) continue;
    const driver = motorAbilities(motor).drivesItself ? undefined : driverOf(seen);
    const key = driver?.id ?? `drive/${driveOf(seen).id}`;
    const known = byBoard.get(key);
    byBoard.set(key, {
      ...(driver ? { driverName: driver.name } : {}),
      count: driver ? (build.supply.drivers.find(({ id }) => id === driver.id)?.count ?? 1) : 0,
      channels: driver?.channels ?? 0,
      onlySwitches: switchesOnly(driver),
      motors: [...(known?.motors ?? []), ...motors],
    });
  }
  return [...byBoard.values()];
}

function plannedRail(rail: Rail): PlannedRail {
  const drawn = railDraw(rail);
  return {
    id: rail.id,
    name: rail.name,
    voltageV: rail.voltage.value,
    ...(drawn ? { peakA: drawn.peakA } : {}),
    loads: rail.loads.map(({ name, count }) => (count > 1 ? `${count} × ${name}` : name)),
  };
}

/**
 * The power circuit of a build. What is not chosen or said yet is absent, and is drawn so.
 *
 * @example circuitPlan(puffin).fuseA // 50
 */
export function circuitPlan(build: Build): CircuitPlan {
  const { supply } = build;
  const line = drivesOf(build)
    .map(drivelineOf)
    .find((one) => one !== undefined);
  const fuseA = fuseOf(build);
  const switchA = mainSwitchOf(build);
  const nameOf = (driveId: string | undefined): string | undefined =>
    build.drives.find(({ id }) => id === driveId)?.name;
  return {
    packs: packsOf(build).map(({ part, inSeries, inParallel }) => ({
      name: part.name,
      inSeries,
      inParallel,
    })),
    joined: supply.joined,
    ...(line?.bank ? { voltageV: line.bank.nominalV, startA: startA(line) } : {}),
    ...(fuseA === undefined ? {} : { fuseA }),
    ...(switchA === undefined ? {} : { switchA }),
    ...(supply.cable ? { cable: supply.cable } : {}),
    boards: boardsOf(build),
    rails: (supply.rails ?? []).map(plannedRail),
    besideW: alwaysDrawn({ ...build, supply: { ...supply, rails: [] } }),
    ...(supply.charger
      ? {
          charger: {
            currentA: supply.charger.current.value,
            ...(supply.charger.plug ? { plugA: supply.charger.plug.value } : {}),
          },
        }
      : {}),
    ...(supply.sun ? { panelW: supply.sun.power.value } : {}),
    interlocks: (supply.interlocks ?? []).map((interlock) => {
      const driveName = nameOf(interlock.driveId);
      return { ...interlock, ...(driveName === undefined ? {} : { driveName }) };
    }),
  };
}
