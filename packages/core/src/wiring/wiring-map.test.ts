/** Every wire with its ends and its pole (common practice, no source: red is plus, mirrored motors are inverted). */
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
  buildSchema,
  choosePart,
  fitPart,
  newBuild,
  partSchema,
  type Build,
  type Part,
  type PartOf,
} from '../vehicle/index.ts';
import { wiringMap, type Wire } from './index.ts';

const demos = readdirSync('data/builds').map(
  (file) => [file, buildSchema.parse(JSON.parse(readFileSync(`data/builds/${file}`, 'utf8')))] as const,
);
const demo = (name: string): Build => {
  const found = demos.find(([file]) => file.startsWith(name))?.[1];
  if (!found) throw new Error(`no demo ${name}`);
  return found;
};
const puffin = demo('puffin');
const shelf = (file: string): Part[] =>
  partSchema.array().parse(JSON.parse(readFileSync(`data/shelf/${file}.json`, 'utf8')));
const shelfMotor = (type: PartOf<'motor'>['type']): PartOf<'motor'> => {
  const found = shelf('motors').find((part) => part.kind === 'motor' && part.type === type);
  if (found?.kind !== 'motor') throw new Error(`no ${type} motor`);
  return found;
};
const wire = (build: Build, id: string): Wire => {
  const found = wiringMap(build).wires.find((one) => one.id === id);
  if (!found) throw new Error(`no wire ${id}`);
  return found;
};
const motorsOf = (build: Build): readonly Wire[] =>
  wiringMap(build).wires.filter(({ carries }) => carries === 'motor');
const withMotor = (change: Partial<PartOf<'motor'>>): Build => ({
  ...puffin,
  parts: puffin.parts.map((part) => (part.kind === 'motor' ? ({ ...part, ...change } as Part) : part)),
});

describe('the wiring map', () => {
  it('leads plus by fuse and switch to the board, minus straight, in red and black, as thick as Power has it', () => {
    expect(wire(puffin, 'battery.plus')).toMatchObject({ to: { at: 'main fuse' }, pole: '+', colour: 'red' });
    expect(wire(puffin, 'fuse.plus')).toMatchObject({ from: { at: 'main fuse' }, to: { at: 'main switch' } });
    expect(wire(puffin, 'board-1.plus')).toMatchObject({
      from: { at: 'main switch' },
      pole: '+',
      colour: 'red',
    });
    expect(wire(puffin, 'board-1.minus')).toMatchObject({ pole: '−', colour: 'black' });
    expect(wire(puffin, 'board-1.minus').run).toEqual(puffin.supply.cable);
  });
  it('puts motors left and right on channels of their own, the one on the right with its poles swapped', () => {
    const [left, right] = motorsOf(puffin);
    expect(left).toMatchObject({
      to: { at: 'motor left' },
      from: { port: 'channel 1' },
      pole: '+ on +, − on −',
    });
    expect(left?.inverted).toBeUndefined();
    expect(right).toMatchObject({
      to: { at: 'motor right' },
      from: { port: 'channel 2' },
      pole: '+ on −, − on +',
    });
    expect(right?.inverted).toBe(true);
    const brushless = motorsOf(withMotor({ type: 'brushless' } as Partial<PartOf<'motor'>>));
    expect(brushless.map(({ pole }) => pole)).toEqual(['three leads', 'three leads, two of them swapped']);
    const stepping = motorsOf(choosePart(puffin, shelfMotor('stepping')));
    expect(stepping.map(({ pole }) => pole)).toEqual(['two coils', 'two coils, one of them swapped']);
  });
  it('has ports for encoders, and says where they are too few', () => {
    const counting = withMotor({ encoderCounts: 48 } as Partial<PartOf<'motor'>>);
    const blind = {
      ...counting,
      parts: counting.parts.map((p) => (p.kind === 'driver' ? { ...p, encoderInputs: 1 } : p)),
    };
    const { wires, problems } = wiringMap(blind);
    const encoders = wires.filter(({ id }) => id.startsWith('encoder.'));
    expect(encoders.map(({ to, pole }) => [to.port, pole])).toEqual([
      ['encoder 1', 'A and B'],
      ['encoder 2', 'A and B swapped'],
    ]);
    expect(problems).toEqual([{ kind: 'missing', what: 'encoder inputs', wanted: 2, there: 1 }]);
  });
  it('says where boards have fewer channels than motors hang on them', () => {
    const narrow = {
      ...puffin,
      parts: puffin.parts.map((p) => (p.kind === 'driver' ? { ...p, channels: 1 } : p)),
    };
    const one = {
      ...narrow,
      supply: { ...narrow.supply, drivers: narrow.supply.drivers.map((d) => ({ ...d, count: 1 })) },
    };
    expect(wiringMap(one).problems).toEqual([{ kind: 'missing', what: 'channels', wanted: 2, there: 1 }]);
    expect(motorsOf(one)).toHaveLength(1);
  });
  it('takes the ports that the builder chose, and tells two wires at one of them', () => {
    const [left, right] = motorsOf(puffin);
    if (!left || !right) throw new Error('two motors');
    const chosen = (...ports: readonly [string, string][]): Build => ({
      ...puffin,
      assembly: { ...puffin.assembly, ports: ports.map(([id, port]) => ({ id, port })) },
    });
    expect(wire(chosen([left.id, 'M1']), left.id).from.port).toBe('M1');
    expect(wiringMap(chosen([left.id, 'M1'])).problems).toEqual([]);
    expect(wiringMap(chosen([left.id, 'M1'], [right.id, 'm1'])).problems).toEqual([
      { kind: 'clash', at: left.from.at, port: 'M1', wires: [left.id, right.id] },
    ]);
  });
  it('counts the pins of sensors and receivers at the controller', () => {
    const controller = partSchema.parse({
      kind: 'controller',
      id: 'brain',
      name: 'Brain',
      massKg: 0.02,
      ports: 3,
    });
    const sensor = partSchema.parse({
      kind: 'sensor',
      id: 'eye',
      name: 'Eye',
      massKg: 0.01,
      measures: 'distance',
      ports: 2,
    });
    const build = fitPart(fitPart(puffin, controller, 1), sensor, 2);
    const { wires, problems } = wiringMap(build);
    expect(
      wires.filter(({ id }) => id.startsWith('sensor.')).map(({ from, to }) => [from.at, to.at, to.port]),
    ).toEqual([
      ['Eye 1', 'Brain', 'pins 1 to 2'],
      ['Eye 2', 'Brain', 'pins 3 to 4'],
    ]);
    expect(problems).toEqual([{ kind: 'missing', what: 'pins', wanted: 4, there: 3 }]);
  });
  it('leads the signal of servos, which have electronics of their own, to the controller', () => {
    const build = choosePart(puffin, shelfMotor('servo-continuous'));
    expect(motorsOf(build)).toEqual([]);
    expect(wiringMap(build).wires.filter(({ id }) => id.startsWith('servo.'))).toHaveLength(2);
  });
  it.each(demos)('%s: every wire is there once, and both poles go to every board', (_, build) => {
    const { wires } = wiringMap(build);
    expect(new Set(wires.map(({ id }) => id)).size).toBe(wires.length);
    const to = (pole: string): string[] =>
      wires.filter((one) => one.id.startsWith('board-') && one.pole === pole).map((one) => one.to.at);
    expect(to('+')).toEqual(to('−'));
  });
  it('is empty where nothing is chosen yet', () => expect(wiringMap(newBuild('Bare')).wires).toEqual([]));
});
