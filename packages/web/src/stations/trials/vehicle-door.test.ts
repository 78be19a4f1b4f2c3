import { beforeEach, describe, expect, it, vi } from 'vitest';
import { demo } from '../../testing/demo.ts';
import { simulatedDoor, vehicleLink, type VehicleDoor } from './vehicle-door.ts';

/** A vehicle of the test's own: what it hears, and how it is made to speak. */
function door() {
  const heard: string[] = [];
  let say: (line: string) => void = () => undefined;
  const made: VehicleDoor = {
    send: async (line) => {
      heard.push(line);
      await Promise.resolve();
    },
    listen: (hear) => {
      say = hear;
    },
    close: () => undefined,
  };
  return { made, heard, say: (line: string) => say(line) };
}

describe('a vehicle that is spoken to', () => {
  beforeEach(() => {
    vi.useFakeTimers();
  });

  it('is told under a number, and what it read comes back to who asked', async () => {
    const { made, heard, say } = door();
    const link = vehicleLink(made);
    const [one, two] = [
      link.ask({ verb: 'go', values: { m: 1 } }),
      link.ask({ verb: 'go', values: { m: 2 } }),
    ];
    expect(heard).toEqual(['1 go m=1', '2 go m=2']);
    for (const line of ['ok 2', '# warm', 'got 2 side=0.2', 'ok 1', 'got 1 side=0.1']) say(line);
    expect(await one).toEqual({ side: 0.1 });
    expect(await two).toEqual({ side: 0.2 });
  });

  it('is told again under the same number where it does not hear, three times, and then given up', async () => {
    const { made, heard } = door();
    const asked = vehicleLink(made).ask({ verb: 'go', values: { m: 1 } });
    const failed = expect(asked).rejects.toThrow('It does not answer');
    await vi.advanceTimersByTimeAsync(7000);
    await failed;
    expect(heard).toEqual(['1 go m=1', '1 go m=1', '1 go m=1']);
  });

  it('is not told again once it has heard, however long its run', async () => {
    const { made, heard, say } = door();
    const asked = vehicleLink(made).ask({ verb: 'go', values: { m: 1 } });
    say('ok 1');
    await vi.advanceTimersByTimeAsync(30_000);
    say('got 1 side=0');
    expect(await asked).toEqual({ side: 0 });
    expect(heard).toHaveLength(1);
  });

  it('says why it refuses, and when it falls silent', async () => {
    const { made, say } = door();
    const link = vehicleLink(made);
    const refused = expect(link.ask({ verb: 'go', values: {} })).rejects.toThrow(
      'It refuses: wheels are off.',
    );
    say('no 1 wheels are off');
    await refused;
    const silent = expect(link.ask({ verb: 'go', values: { m: 1 } })).rejects.toThrow('said nothing more');
    say('ok 2');
    await vi.advanceTimersByTimeAsync(130_000);
    await silent;
  });

  it('is played by the build that is open', async () => {
    const link = vehicleLink(simulatedDoor(demo('puffin'), 3));
    const asked = link.ask({ verb: 'motor', values: { nr: 1, power: 1, way: 'forward' } });
    await vi.advanceTimersByTimeAsync(1000);
    expect((await asked).rpm).toBeGreaterThan(100);
    link.close();
  });
});
