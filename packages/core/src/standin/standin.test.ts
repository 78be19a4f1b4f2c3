import { describe, expect, it } from 'vitest';
import { demoBuilds } from '../testing/demo-builds.ts';
import type { Build } from '../vehicle/index.ts';
import { readAnswer, readCommand, writeAnswer, writeCommand } from './lines.ts';
import { SimulatedVehicle } from './simulated-vehicle.ts';
import { HIDDEN, sideAfter, veeringVehicle, type VeeringVehicle } from './veering.ts';

const { puffin, teasel } = demoBuilds() as { puffin: Build; teasel: Build };

describe('lines between the application and a vehicle', () => {
  it('are read as they were written', () => {
    const command = {
      id: 12,
      verb: 'motor',
      values: { nr: 'left rear', power: 0.25, way: 'forward' },
    } as const;
    expect(readCommand(writeCommand(command))).toEqual(command);
    const got = { says: 'got', id: 12, values: { rpm: 2950.5, side: -0.0125 } } as const;
    expect(readAnswer(writeAnswer(got))).toEqual(got);
    expect(readAnswer('ok 3')).toEqual({ says: 'ok', id: 3 });
    expect(readAnswer('no 3 wheels are off')).toEqual({ says: 'no', id: 3, why: 'wheels are off' });
  });

  it('say what is wrong with a command, and pass over what is no answer', () => {
    expect(readCommand('go m=3')).toMatchObject({ why: 'a command begins with its number' });
    expect(readCommand('4 fly m=3')).toMatchObject({
      id: 4,
      why: expect.stringContaining('none of') as string,
    });
    expect(readCommand('4 go m=')).toMatchObject({ why: 'values are name=value' });
    for (const line of ['', '# warm', 'got x', 'hello 3', 'got 3 side'])
      expect(readAnswer(line)).toBeUndefined();
  });
});

const got = (vehicle: SimulatedVehicle, line: string) => {
  const answer = vehicle
    .hear(line)
    .map(readAnswer)
    .find((each) => each?.says === 'got');
  return answer?.says === 'got' ? answer.values : {};
};

describe('the simulated vehicle', () => {
  it('acknowledges, runs once, and answers a command sent twice as before', () => {
    const vehicle = new SimulatedVehicle(puffin, 7);
    const first = vehicle.hear('1 go m=2');
    expect(first[0]).toBe('ok 1');
    expect(vehicle.hear('1 go m=2')).toEqual(first);
    expect(vehicle.hear('2 go m=2')).not.toEqual(first);
  });

  it('is the same vehicle under the same seed, and another under another', () => {
    const side = (seed: number) => got(new SimulatedVehicle(puffin, seed), '1 go m=2').side;
    expect(side(3)).toBe(side(3));
    expect(side(3)).not.toBe(side(4));
  });

  it('turns and goes about as far as it is told, left and right', () => {
    const vehicle = new SimulatedVehicle(puffin, 5);
    expect(got(vehicle, '1 go m=3').distance).toBeGreaterThan(2);
    for (const way of ['left', 'right']) {
      const { turned } = got(vehicle, `${way === 'left' ? 2 : 3} turn deg=360 way=${way}`);
      expect(turned).toBeGreaterThan(200);
      expect(turned).toBeLessThan(500);
    }
  });

  it('has motors of one bag: each its own, faster with more power, told apart from their readings', () => {
    const vehicle = new SimulatedVehicle(puffin, 5);
    let id = 0;
    const rpm = (nr: number, power: number): number =>
      Number(got(vehicle, `${(id += 1)} motor nr=${nr} power=${power} way=forward`).rpm);
    expect(rpm(1, 1) / rpm(1, 0.5)).toBeCloseTo(2, 1);
    const each = Array.from({ length: 13 }, (_, n) => rpm(n + 1, 1));
    const mean = each.reduce((sum, x) => sum + x, 0) / 13;
    expect(Math.max(...each) / mean).toBeLessThan(1.12);
    expect(Math.max(...each) / Math.min(...each)).toBeGreaterThan(1.015);
  });

  it('drains its battery run by run, and refuses what it cannot do', () => {
    const vehicle = new SimulatedVehicle(puffin, 5);
    const before = Number(got(vehicle, '1 battery').V);
    for (let id = 2; id < 20; id++) vehicle.hear(`${id} motor nr=1 power=1 way=forward`);
    expect(Number(got(vehicle, '30 battery').V)).toBeLessThan(before);
    expect(vehicle.hear('31 go m=-3')[0]).toMatch(/^no 31 m is to be more than 0/);
    expect(new SimulatedVehicle(teasel, 1).hear('1 go m=2')[0]).toMatch(/^no 1 this vehicle is not driven/);
    expect(vehicle.hear('nonsense')[0]).toMatch(/^no 0 /);
  });
});

describe('a vehicle that veers', () => {
  const mirrored = (v: VeeringVehicle): VeeringVehicle => ({
    ...v,
    ...{ left: v.right, right: v.left, weightLeftM: -v.weightLeftM, sliderLeftM: -v.sliderLeftM },
    ...{ fallRight: -v.fallRight, trim: -v.trim },
  });

  it('ends as far to the other side when everything about it is mirrored', () => {
    for (const hidden of HIDDEN)
      for (const seed of [1, 2, 3]) {
        const v = veeringVehicle(seed, hidden);
        expect(sideAfter(mirrored(v), 2)).toBeCloseTo(-sideAfter(v, 2), 9);
      }
  });

  it('ends 3 to 15 cm aside over 2 m by its cause, give or take what stands beside it', () => {
    for (let seed = 0; seed < 70; seed++) {
      const side = Math.abs(sideAfter(veeringVehicle(seed, HIDDEN[seed % 7] ?? 'wheels'), 2));
      expect(side).toBeGreaterThan(0.01);
      expect(side).toBeLessThan(0.24);
    }
  });

  it('leads to the side of the slower motor, the smaller wheel, the heavier side, and downhill', () => {
    const { left, right, ...rest } = veeringVehicle(1, 'wheels');
    const even = {
      ...rest,
      left: { ...left, size: 1, freeMps: 1.2 },
      right: { ...right, size: 1, freeMps: 1.2 },
      weightLeftM: 0,
      sliderLeftM: 0,
      fallRight: 0,
      trim: 0,
    };
    expect(Math.abs(sideAfter(even, 2))).toBeLessThan(1e-12);
    expect(sideAfter({ ...even, left: { ...even.left, freeMps: 1.25 } }, 2)).toBeGreaterThan(0);
    expect(sideAfter({ ...even, left: { ...even.left, size: 1.02 } }, 2)).toBeGreaterThan(0);
    expect(sideAfter({ ...even, weightLeftM: 0.02 }, 2)).toBeLessThan(0);
    expect(sideAfter({ ...even, sliderLeftM: 0.02 }, 2)).toBeLessThan(0);
    expect(sideAfter({ ...even, fallRight: 0.02 }, 2)).toBeGreaterThan(0);
  });
});
