import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { demoServer, type DemoServer } from '../testing/test-server.ts';

const KEY = 'c3'.repeat(24);

describe('every door', () => {
  let server: DemoServer;
  beforeAll(async () => {
    server = await demoServer('everydoor', { token: KEY });
  });
  afterAll(() => server.close());

  /** Each door that docs/api.md tells of, which a test of the documents holds complete. */
  it('gives nothing without a key', async () => {
    const doors = [
      ...readFileSync('docs/api.md', 'utf8').matchAll(/^\| `(GET|POST|PUT|DELETE) (\/api\S*)`/gm),
    ];
    expect(doors.length).toBeGreaterThan(50);
    for (const [, method = '', path = ''] of doors) {
      if (path === '/api/pair') continue;
      const verb = method.toLowerCase() as 'get';
      const { status, body } = await server.send(verb, path.replace(/:\w+/g, 'puffin'));
      expect(`${method} ${path} ${status}`).toBe(`${method} ${path} 401`);
      expect(body).toMatchObject({ code: 'no-key' });
    }
  });
});
