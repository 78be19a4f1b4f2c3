import { meterAnswerSchema } from '@zubric/core/answers';
import { fitReadings, readingOf, readLine, type MeterLine } from '@zubric/core/bench';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { demoServer, type DemoServer } from '../testing/test-server.ts';
import { HIDDEN_MOTORS, playMotor } from './hidden-motor.ts';
import { simulatedMeter } from './meter.ts';

describe('a hidden motor', () => {
  const [drawer] = HIDDEN_MOTORS;
  if (!drawer) throw new Error('there is one');
  /** Settled under a setting, without chance. */
  const settled = (voltageV: number, hold: number, seconds = 3): MeterLine => {
    const motor = playMotor(drawer, () => 0);
    for (let n = 0; n < seconds * 10; n += 1) motor.pass({ voltageV, hold }, 0.1);
    return motor.read({ voltageV, hold }, 0);
  };

  it('runs free and stalls as its constants say (permanent-magnet motor theory)', () => {
    const { resistanceOhm: r, constant: k, idleA } = drawer;
    const free = settled(12, 0);
    expect(free.A).toBeCloseTo(idleA, 2);
    expect(free.rpm).toBeCloseTo(((12 - idleA * r) / k) * (30 / Math.PI), -2);
    const fast = settled(3, 1, 0.2);
    expect(fast.rpm).toBe(0);
    expect(fast.A).toBeCloseTo(3 / r, 1);
  });

  it('warms held fast, resists more, and smells; left alone it cools', () => {
    const motor = playMotor(drawer, () => 0);
    const fast = { voltageV: 12, hold: 1 };
    const cold = motor.read(fast, 0).A;
    for (let n = 0; n < 900; n += 1) motor.pass(fast, 0.1);
    expect(motor.read(fast, 0).A).toBeLessThan(0.75 * cold);
    expect(motor.smells()).toBe(true);
    for (let n = 0; n < 6000; n += 1) motor.pass({ voltageV: 0, hold: 0 }, 0.1);
    expect(motor.smells()).toBe(false);
    expect(motor.read(fast, 0).A).toBeCloseTo(cold, 0);
  });

  it.each(HIDDEN_MOTORS.map((motor) => [motor.id, motor] as const))(
    '%s is found again from what is read of it',
    (_, motor) => {
      const readings = [
        [0.5, 0],
        [1, 0],
        [1, 0.2],
        [1, 0.4],
        [0.8, 0.3],
      ].map(([volts = 1, hold = 0]) => {
        const played = playMotor(motor, () => 0);
        const setting = { voltageV: volts * motor.ratedV, hold };
        for (let n = 0; n < 20; n += 1) played.pass(setting, 0.1);
        const reading = readingOf([played.read(setting, 0)], hold === 0 ? 'free' : 'held back');
        if (!reading) throw new Error('a line is a reading');
        return reading;
      });
      const { constant, resistanceOhm } = fitReadings(readings);
      expect(constant.value / motor.constant).toBeCloseTo(1, 1);
      // It warms a little while it is read.
      expect(resistanceOhm.value / motor.resistanceOhm).toBeGreaterThan(0.99);
      expect(resistanceOhm.value / motor.resistanceOhm).toBeLessThan(1.2);
    },
  );
});

describe('the simulated meter', () => {
  let server: DemoServer;
  beforeAll(async () => {
    server = await demoServer('meter');
  });
  afterAll(() => server.close());

  const set = (change: object) => server.send('put', '/api/meter').send(change);

  /** Lines of a stream for as long as it lasts, its plug pulled after some. */
  async function linesFor(ms: number): Promise<string[]> {
    const stop = setTimeout(() => void set({ plugged: false }).then(), ms);
    const { text } = await server.send('get', '/api/meter/lines');
    clearTimeout(stop);
    return text.trim().split('\n');
  }

  it('tells what stands on its bench and nothing of its constants', async () => {
    const { body } = await server.send('get', '/api/meter');
    const { motors, plugged } = meterAnswerSchema.parse(body);
    expect(motors.map(({ id }) => id)).toEqual(HIDDEN_MOTORS.map(({ id }) => id));
    expect(plugged).toBe(true);
    expect(JSON.stringify(body)).not.toMatch(/ohm|constant|0\.62/i);
  });

  it('plays lines of the open format until its plug is pulled, and says so then', async () => {
    expect((await set({ motor: 'drawer', voltageV: 12, hold: 0, plugged: true })).status).toBe(200);
    const lines = await linesFor(1500);
    expect(lines[0]).toMatch(/^# zubric bench 1/);
    const read = lines.slice(1).map((line) => readLine(line) as MeterLine);
    expect(read.length).toBeGreaterThan(5);
    expect(read.at(-1)).toMatchObject({ V: expect.closeTo(12, 0), rpm: expect.any(Number) });
    const after = await server.send('get', '/api/meter/lines');
    expect(after.status).toBe(503);
    expect(after.body).toMatchObject({ code: 'unplugged' });
    expect((await set({ plugged: true })).body).toMatchObject({ plugged: true, voltageV: 12 });
  });

  it('is one bench whichever server is asked, and what stands on it goes on there', async () => {
    const [one, other] = [simulatedMeter(server.database.manager), simulatedMeter(server.database.manager)];
    await one.set({ motor: 'toy', voltageV: 6, hold: 0, plugged: true });
    expect(await other.state()).toMatchObject({ motor: 'toy', voltageV: 6 });
    const gone = new AbortController();
    const read: MeterLine[] = [];
    const [toy] = HIDDEN_MOTORS.filter(({ id }) => id === 'toy');
    if (!toy) throw new Error('there is one');
    for await (const line of other.lines(gone.signal)) {
      const reading = readLine(line.trim());
      if (reading && 'rpm' in reading) read.push(reading);
      // Set on the one while the other is read: it slows from where it was, and does not begin anew.
      if (read.length === 12) await one.set({ voltageV: 3 });
      if (read.length === 24) break;
    }
    const freeRpm = (volts: number): number =>
      ((volts - toy.idleA * toy.resistanceOhm) / toy.constant) * (30 / Math.PI);
    expect(Math.abs((read[11]?.rpm ?? 0) / freeRpm(6) - 1)).toBeLessThan(0.05);
    expect(read[13]?.rpm).toBeGreaterThan(1.05 * freeRpm(3));
    expect(Math.abs((read[23]?.rpm ?? 0) / freeRpm(3) - 1)).toBeLessThan(0.05);
    await one.set({ plugged: false });
    const pulled: string[] = [];
    for await (const line of other.lines(gone.signal)) pulled.push(line);
    expect(pulled).toHaveLength(1);
    await other.set({ plugged: true });
  });

  it('warms while nobody looks, and is cold again once another motor is put on', async () => {
    const meter = simulatedMeter(server.database.manager);
    await meter.set({ motor: 'drawer', voltageV: 12, hold: 1, plugged: true });
    // As though it had been held fast for ten minutes.
    await server.database.query(
      "UPDATE app_state SET value = jsonb_set(value, '{setAtS}', to_jsonb((value->>'setAtS')::float8 - 600)) WHERE key = 'bench-meter'",
    );
    const first = async (): Promise<string> => {
      for await (const line of meter.lines(new AbortController().signal))
        if (!line.startsWith('# zubric')) return line;
      return '';
    };
    expect(await first()).toContain('hot varnish');
    // What it has warmed to stays when something else is set.
    await meter.set({ voltageV: 11.9 });
    expect(await first()).toContain('hot varnish');
    await meter.set({ motor: 'toy' });
    await meter.set({ motor: 'drawer' });
    expect(await first()).not.toContain('hot varnish');
  });

  it.each([
    [{ voltageV: 400 }, /voltageV/],
    [{ hold: 2 }, /hold/],
    [{ motor: 'perpetual' }, /motor/],
    [{ knob: 3 }, /knob/],
  ])('refuses %j', async (change, about) => {
    const { status, body } = await set(change);
    expect(status).toBe(422);
    expect(JSON.stringify(body)).toMatch(about);
  });
});
