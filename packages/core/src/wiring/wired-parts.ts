import {
  driveOf,
  driverOf,
  drivesOf,
  fittedOf,
  motorAbilities,
  motorOf,
  type Build,
  type PartOf,
  type WireRun,
} from '../vehicle/index.ts';
import { motorPlaces, type MotorPlace } from './motor-places.ts';

/** A motor of the build with the board that it hangs on. */
export interface Hung {
  readonly id: string;
  readonly name: string;
  readonly place: MotorPlace;
  readonly motor: PartOf<'motor'>;
  readonly boardId: string | undefined;
  readonly leads: WireRun | undefined;
}

/** Every motor of a build, one by one. */
export function hung(build: Build): readonly Hung[] {
  return drivesOf(build).flatMap((seen) => {
    const { id, name, leads } = driveOf(seen);
    const motor = motorOf(seen);
    if (!motor) return [];
    const boardId = motorAbilities(motor).drivesItself ? undefined : driverOf(seen)?.id;
    return motorPlaces(seen).map((place, n) => ({
      ...{ id: `${id}.${n + 1}`, place, motor, boardId, leads },
      name: [build.drives.length > 1 ? name : '', 'motor', place.label]
        .filter((word) => word !== '')
        .join(' '),
    }));
  });
}

/** A physical board and the channels of it. */
export interface Board {
  readonly at: string;
  readonly part: PartOf<'driver'>;
}

/** Every board, one by one; of several alike numbered. */
export function boardsOf(build: Build): readonly Board[] {
  const parts = build.parts.filter((part): part is PartOf<'driver'> => part.kind === 'driver');
  const used = new Set(build.drives.flatMap(({ driverId }) => driverId ?? []));
  return parts
    .filter(({ id }) => used.has(id))
    .flatMap((part) => {
      const count = build.supply.drivers.find(({ id }) => id === part.id)?.count ?? 1;
      return Array.from({ length: count }, (_, n) => ({
        at: count > 1 ? `${part.name} ${n + 1}` : part.name,
        part,
      }));
    });
}

/** What reads and commands: the controller, else the board. */
export interface Reader {
  readonly at: string;
  readonly encoderInputs: number | undefined;
  readonly pins: number | undefined;
}

/** The controllers that are fitted, together; else the boards. */
export function readerOf(build: Build, boards: readonly Board[]): Reader {
  const controllers = fittedOf(build).flatMap(({ part, count }) =>
    part.kind === 'controller' ? [{ part, count }] : [],
  );
  const [first] = controllers;
  if (first) {
    const sum = (key: 'encoderInputs' | 'ports'): number | undefined =>
      controllers.every(({ part }) => part[key] === undefined)
        ? undefined
        : controllers.reduce((all, { part, count }) => all + (part[key] ?? 0) * count, 0);
    return { at: first.part.name, encoderInputs: sum('encoderInputs'), pins: sum('ports') };
  }
  const inputs = boards.flatMap(({ part }) => part.encoderInputs ?? []);
  return {
    at: boards[0]?.at ?? 'controller',
    encoderInputs: inputs.length === 0 ? undefined : inputs.reduce((all, one) => all + one, 0),
    pins: undefined,
  };
}
