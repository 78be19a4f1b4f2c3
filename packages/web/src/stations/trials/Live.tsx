import { isLive, nextRun, orderFor, protocolOf, runFrom, type TrialReading } from '@zubric/core/protocols';
import { useEffect, useRef, useState } from 'react';
import { newId } from '../../common/new-id.ts';
import { hasSerial } from '../../common/serial.ts';
import { record } from '../../offline/outbox.ts';
import type { ShownTrialSet } from '../../offline/use-outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import { serialDoor, simulatedDoor, vehicleLink, type VehicleLink } from './vehicle-door.ts';

type Standing =
  | { readonly at: 'off' }
  | { readonly at: 'ready' | 'running'; readonly who: string }
  | { readonly at: 'failed'; readonly why: string };

const seedNow = (): number => Math.floor(Math.random() * 2 ** 31);

interface Props {
  readonly set: ShownTrialSet;
  readonly onRecorded: () => void;
}

/** A vehicle that is spoken to, while its page is open. */
function useVehicle({ set, onRecorded }: Props) {
  const { id: buildId, build } = useBuild();
  const [standing, setStanding] = useState<Standing>({ at: 'off' });
  const link = useRef<VehicleLink>(undefined);
  const stopped = useRef(false);
  useEffect(() => () => link.current?.close(), []);
  const connect = async (kind: 'simulated' | 'serial'): Promise<void> => {
    try {
      const door = kind === 'simulated' ? simulatedDoor(build, seedNow()) : await serialDoor();
      link.current = vehicleLink(door);
      setStanding({ at: 'ready', who: kind === 'simulated' ? 'the simulated vehicle' : 'the vehicle' });
    } catch (error) {
      setStanding({ at: 'failed', why: error instanceof Error ? error.message : String(error) });
    }
  };
  /** Runs so many times, each recorded as it comes; ends where nothing is left to run, or when told. */
  const run = async (times: number): Promise<void> => {
    const vehicle = link.current;
    if (!vehicle || standing.at !== 'ready') return;
    stopped.current = false;
    setStanding({ ...standing, at: 'running' });
    const readings: TrialReading[] = set.trials.map(({ reading }) => reading);
    try {
      for (let n = 0; n < times; n += 1) {
        if (stopped.current) break;
        const next = nextRun(set.protocol, set.conditions, readings);
        const order = orderFor(set.protocol, set.conditions, next);
        if (!order) break;
        const reading = runFrom(set.protocol, next, await vehicle.ask(order));
        if (!reading) throw new Error('It answered without what this trial reads.');
        await record(buildId, { kind: 'run', setId: set.id, runId: newId(), reading });
        readings.push(reading);
        onRecorded();
      }
      setStanding(standing);
    } catch (error) {
      setStanding({ at: 'failed', why: error instanceof Error ? error.message : String(error) });
    }
  };
  const stop = (): void => {
    stopped.current = true;
    void link.current?.ask({ verb: 'stop', values: {} }).catch(() => undefined);
  };
  return { standing, connect, run, stop };
}

/** More than any table has cells: until nothing is left. */
const ALL = 5000;

/** Runs read live from a vehicle: the simulated one that ships with the application, or one on a cable. */
export function Live({ set, onRecorded }: Props) {
  const { standing, connect, run, stop } = useVehicle({ set, onRecorded });
  if (!isLive(set.protocol)) return null;
  const left = Math.max(1, protocolOf(set.protocol).runs - set.trials.length);
  const table = set.protocol === 'motor-matching';
  return (
    <div
      className="flex flex-wrap items-center gap-2 px-3 pb-3"
      role="group"
      aria-label="Live from the vehicle"
    >
      {standing.at === 'off' || standing.at === 'failed' ? (
        <>
          <span className="text-soft">Live from</span>
          <button type="button" className="push min-h-10" onClick={() => void connect('simulated')}>
            A simulated vehicle
          </button>
          {hasSerial() && (
            <button type="button" className="push min-h-10" onClick={() => void connect('serial')}>
              The vehicle on a cable
            </button>
          )}
        </>
      ) : standing.at === 'ready' ? (
        <>
          <button type="button" className="push push-main min-h-10" onClick={() => void run(1)}>
            Run it once
          </button>
          <button type="button" className="push min-h-10" onClick={() => void run(table ? ALL : left)}>
            {table ? 'Read all that is left' : left === 1 ? 'One more' : `Run it ${left} times`}
          </button>
          <span role="status" className="text-soft">
            Connected to {standing.who}.
          </span>
        </>
      ) : (
        <>
          <button type="button" className="push push-main min-h-10" onClick={stop}>
            Stop
          </button>
          <span role="status">It runs.</span>
        </>
      )}
      {standing.at === 'failed' && (
        <p role="alert" className="basis-full text-short">
          {standing.why}
        </p>
      )}
    </div>
  );
}
