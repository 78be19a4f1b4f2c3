import { readAnswer, SimulatedVehicle, writeCommand, type Answer, type Command } from '@zubric/core/standin';
import type { Build } from '@zubric/core/vehicle';
import { openSerial, textLines } from '../../common/serial.ts';

/** What a vehicle is spoken to through: a stand-in, or a controller on a cable. */
export interface VehicleDoor {
  readonly send: (line: string) => Promise<void>;
  /** Hands on each line that it says, until it is closed. */
  readonly listen: (heard: (line: string) => void) => void;
  readonly close: () => void;
}

/** So long the stand-in takes to answer, and so long a run of it takes; ms. */
const ANSWERS_MS = 30;
const RUNS_MS = 120;

/** The simulated controller that ships with the application, which plays the build that is open. */
export function simulatedDoor(build: Build, seed: number): VehicleDoor {
  const vehicle = new SimulatedVehicle(build, seed);
  const timers = new Set<ReturnType<typeof setTimeout>>();
  let heard: (line: string) => void = () => undefined;
  const later = (line: string, ms: number): void => {
    const timer = setTimeout(() => {
      timers.delete(timer);
      heard(line);
    }, ms);
    timers.add(timer);
  };
  return {
    send: async (line) => {
      vehicle.hear(line).forEach((answer, n) => later(answer, ANSWERS_MS + n * RUNS_MS));
      await Promise.resolve();
    },
    listen: (hear) => {
      heard = hear;
    },
    close: () => {
      for (const timer of timers) clearTimeout(timer);
    },
  };
}

/** A controller on a serial port that the builder picks. */
export async function serialDoor(): Promise<VehicleDoor> {
  const port = await openSerial();
  const writer = port.writable?.getWriter();
  return {
    send: async (line) => {
      if (!writer) throw new Error('Nothing can be sent to this port.');
      await writer.write(new TextEncoder().encode(`${line}\n`));
    },
    listen: (hear) => {
      const { readable } = port;
      if (!readable) return;
      void (async () => {
        for await (const line of textLines(readable)) hear(line);
      })().catch(() => undefined);
    },
    close: () => {
      writer?.releaseLock();
      void port.close().catch(() => undefined);
    },
  };
}

/** A command that is not heard within this is sent again under its number; so often. */
const UNHEARD_MS = 2000;
const TRIES = 3;
/** A run that tells nothing for so long is given up. */
const SILENT_MS = 120_000;

type Got = Extract<Answer, { says: 'got' }>['values'];

/** Speaks with a vehicle: one command at a time, each acknowledged and then answered. */
export function vehicleLink(door: VehicleDoor) {
  let nextId = 1;
  const waiting = new Map<number, (answer: Answer) => void>();
  door.listen((line) => {
    const answer = readAnswer(line);
    if (answer) waiting.get(answer.id)?.(answer);
  });
  return {
    close: door.close,
    /**
     * What it read when it had done what it was told. Sent again where it is not heard: under its number it is done once.
     *
     * @throws Error where it refuses, or does not answer
     */
    ask: (order: Omit<Command, 'id'>): Promise<Got> => {
      const id = nextId;
      nextId += 1;
      const line = writeCommand({ id, ...order });
      return new Promise<Got>((resolve, reject) => {
        let timer: ReturnType<typeof setTimeout> | undefined;
        const end = (finish: () => void): void => {
          clearTimeout(timer);
          waiting.delete(id);
          finish();
        };
        const send = (tries: number): void => {
          if (tries === 0) {
            end(() => reject(new Error('It does not answer: is it on, and is the cable in?')));
            return;
          }
          timer = setTimeout(() => send(tries - 1), UNHEARD_MS);
          door.send(line).catch((error: unknown) => end(() => reject(error as Error)));
        };
        waiting.set(id, (answer) => {
          if (answer.says === 'no') end(() => reject(new Error(`It refuses: ${answer.why}.`)));
          else if (answer.says === 'got') end(() => resolve(answer.values));
          else {
            clearTimeout(timer);
            timer = setTimeout(
              () => end(() => reject(new Error('It heard, and then said nothing more.'))),
              SILENT_MS,
            );
          }
        });
        send(TRIES);
      });
    },
  };
}
export type VehicleLink = ReturnType<typeof vehicleLink>;
