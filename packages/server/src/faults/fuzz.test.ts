/** Thousands of requests that make no sense, over every door: none is answered with a 5xx, all with a problem. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { demoServer, type DemoServer } from '../testing/test-server.ts';

const REQUESTS = Number(process.env.ZUBRIC_FUZZ ?? (process.env.ZUBRIC_FAULTS === 'full' ? 10_000 : 3000));
const SEED = 20_261_128;

/** Mulberry32: the same numbers each time. */
function numbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

const METHODS = ['get', 'post', 'put', 'delete'] as const;
const PATHS = [
  '/api/builds',
  '/api/builds/*',
  '/api/builds/*/copies',
  '/api/builds/*/place',
  '/api/builds/*/report',
  '/api/builds/*/file',
  '/api/builds/*/whole',
  '/api/builds/whole',
  '/api/builds/*/log',
  '/api/builds/*/snapshots',
  '/api/builds/*/snapshots/*',
  '/api/builds/*/trial-sets',
  '/api/log/*',
  '/api/log/*/photos',
  '/api/photos/*',
  '/api/trial-sets/*',
  '/api/trial-sets/*/trials/*',
  '/api/parts',
  '/api/calculators',
  '/api/calculators/*',
  '/api/state',
  '/api/me',
  '/api/pair',
  '/api/devices',
  '/api/devices/*',
  '/api/devices/door',
  '/api/devices/codes',
  '/api/builds/*/company',
  '/api/builds/*/lock',
  '/api/builds/*/steps/*',
  '/healthz',
  '/readyz',
  '/no/such/thing',
];
const IDS = [
  ...['puffin', 'moth', 'no-such', 'whole', 'road-load', 'stopping', 'match-motors', '1', '0', '-1'],
  ...['99999999999999999999', '%00', '%', '%ff', '..', '../..', '%2e%2e', "a'--", 'x'.repeat(300), 'é', '💡'],
  ...['__proto__', 'constructor', 'null', ' ', '%F0%9F%92%A1', '%ED%A0%80', '1e9', '2147483648'],
];
const KNOWN = ['puffin', 'moth'];
const QUERIES = [
  '',
  '?',
  '?place=bin',
  '?place=',
  '?before=1',
  '?before=x',
  '?most=-1',
  '?most=1e99',
  '?a[b]=c',
];
const VERSIONS = [undefined, '"1"', '1', 'W/"2"', '"99999999999"', '*', '', '"-1"', '"1", "2"'];
const TYPES = [
  ...['application/json', 'application/json; charset=utf-16', 'text/plain', 'image/png', 'image/jpeg'],
  ...['application/x-www-form-urlencoded', 'multipart/form-data', 'nonsense', ''],
];

describe('requests that make no sense', () => {
  let server: DemoServer;
  beforeAll(async () => {
    server = await demoServer('fuzz');
  });
  afterAll(() => server.close());

  it(`are answered, ${REQUESTS} of them: no 5xx, no word of the inside, a problem every time`, async () => {
    const random = numbers(SEED);
    const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)] as T;
    const { body: stored } = await server.send('get', '/api/builds/puffin').expect(200);
    const { document } = stored as { document: Record<string, unknown> };

    const values: readonly (() => unknown)[] = [
      () => null,
      () => true,
      () => -1,
      () => 1e308,
      () => '',
      () => 'Gull',
      () => '\u0000',
      () => '\ud800',
      () => 'x'.repeat(20_000),
      () => [],
      () => [[[[]]]],
      () => ({}),
      () => ({ value: 'wide', unit: 'm' }),
      () => ({ value: -1e300, unit: 'm', origin: 'typed' }),
      () => JSON.parse('{"__proto__":{"polluted":1}}') as unknown,
    ];
    /** A document with one or two places spoilt, however deep. */
    const spoilt = (): unknown => {
      const copy = structuredClone(document);
      for (let n = 0; n < 2; n++) {
        let at: Record<string, unknown> = copy;
        for (let depth = 0; depth < 6; depth++) {
          const key = pick(Object.keys(at));
          const inner = at[key];
          if (depth === 5 || typeof inner !== 'object' || inner === null || random() < 0.25) {
            if (random() < 0.2) Reflect.deleteProperty(at, key);
            else at[key] = pick(values)();
            break;
          }
          if (Object.keys(inner).length === 0) break;
          at = inner as Record<string, unknown>;
        }
      }
      return copy;
    };
    const bodies: readonly (() => string)[] = [
      () => '',
      () => '{',
      () => 'null',
      () => '[]',
      () => '"x"',
      () => '{"name":"Gull","template":"blank"}',
      () => JSON.stringify({ name: pick(values)() }),
      () => JSON.stringify({ document: spoilt() }),
      () => JSON.stringify(spoilt()),
      () => JSON.stringify(spoilt()),
      () => JSON.stringify({ format: 'zubric-whole', version: 1, build: spoilt(), log: pick(values)() }),
      () => JSON.stringify({ note: pick(values)() }),
      () => JSON.stringify({ place: pick(values)() }),
      () => JSON.stringify({ protocol: 'straight-run', name: 'x', conditions: pick(values)() }),
      () => JSON.stringify({ reading: pick(values)() }),
      () => JSON.stringify({ massKg: pick(values)(), rollingCoefficient: pick(values)() }),
      () => `{"a":${'['.repeat(3000)}`,
      () => '\u{1f4a1}'.repeat(100),
    ];

    const statuses = new Map<number, number>();
    const wrong: string[] = [];
    for (let n = 0; n < REQUESTS; n++) {
      const method = pick(METHODS);
      const path = pick(PATHS).replaceAll('*', () => pick(random() < 0.3 ? KNOWN : IDS)) + pick(QUERIES);
      const version = pick(VERSIONS);
      const type = pick(random() < 0.6 ? ['application/json'] : TYPES);
      let call = server.send(method, path);
      if (version !== undefined) call = call.set('If-Match', version);
      const body = method === 'get' ? '' : pick(bodies)();
      if (body !== '') {
        if (type !== '') call = call.set('Content-Type', type);
        call = call.serialize((given: unknown) => given as string).send(body as unknown as object);
      }
      const answer = await call.buffer(true);
      statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
      const text = answer.text ?? '';
      const isProblem = answer.type === 'application/problem+json';
      const bad =
        (answer.status >= 500 && answer.status !== 503 && answer.status !== 507) ||
        (answer.status >= 400 && !isProblem) ||
        (answer.status >= 400 && /node_modules|\.ts:\d|\n\s+at /.test(text));
      if (bad) wrong.push(`${method} ${path} ${body.slice(0, 80)} -> ${answer.status} ${text.slice(0, 200)}`);
    }
    expect(wrong).toEqual([]);
    // It reached doors of every kind.
    for (const status of [200, 201, 400, 404, 415, 422])
      expect(statuses.get(status) ?? 0, `status ${status}`).toBeGreaterThan(0);
    expect(({} as { polluted?: number }).polluted).toBeUndefined();
    // What stood there before stands there yet, and can be read.
    const { body: list } = await server.send('get', '/api/builds').expect(200);
    expect((list as { builds: unknown[] }).builds.length).toBeGreaterThan(0);
  }, 900_000);
});
