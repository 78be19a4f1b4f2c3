import { cpSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { loadDemo } from './demo/load-demo.ts';
import { demoServer, emptyDatabase, type DemoServer } from './testing/test-server.ts';

describe('the server', () => {
  let server: DemoServer;
  beforeAll(async () => {
    server = await demoServer('app');
  });
  afterAll(() => server.close());

  it('says that it is up and that the database is', async () => {
    await server.send('get', '/healthz').expect(200, { ok: true });
    await server.send('get', '/readyz').expect(200, { ok: true });
  });

  it('refuses another host and another origin', async () => {
    const host = await server.send('get', '/api/builds').set('Host', 'evil.example').expect(403);
    expect(host.body).toMatchObject({ code: 'foreign-host' });
    const origin = await server
      .send('post', '/api/builds')
      .set('Origin', 'http://evil.example')
      .send({ name: 'x' })
      .expect(403);
    expect(origin.body).toMatchObject({ code: 'foreign-origin' });
    await server.send('get', '/api/builds').set('Origin', 'http://localhost:4817').expect(200);
  });

  it('allows nothing but its own scripts, and no framing', async () => {
    const { headers } = await server.send('get', '/healthz');
    expect(headers['content-security-policy']).toContain("default-src 'self'");
    expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
    expect(headers['x-powered-by']).toBeUndefined();
  });

  it('answers what it cannot take with problems: 400, 404, 413, 422', async () => {
    const broken = await server.send('post', '/api/builds').type('json').send('{"name":').expect(400);
    expect(broken.type).toBe('application/problem+json');
    await server.send('get', '/api/nothing-here').expect(404);
    await server
      .send('post', '/api/builds')
      .send({ name: 'x'.repeat(4_000_000) })
      .expect(413);
    await server.send('get', '/api/parts?kind=sail').expect(422);
  });

  it('gives the shelf, one kind or all', async () => {
    const motors = await server.send('get', '/api/parts?kind=motor').expect(200);
    expect((motors.body as { parts: unknown[] }).parts).toHaveLength(46);
    const all = await server.send('get', '/api/parts').expect(200);
    expect((all.body as { parts: unknown[] }).parts).toHaveLength(235);
  });

  it('runs every calculator of the core', async () => {
    const { body } = await server
      .send('post', '/api/calculators/road-load')
      .send({ massKg: 178, rollingCoefficient: 0.08, gradeDeg: 9 })
      .expect(200);
    expect((body as { totalN: number }).totalN).toBeCloseTo(411, 1);
    await server.send('post', '/api/calculators/road-load').send({ massKg: -1 }).expect(422);
    const sag = await server
      .send('post', '/api/calculators/battery-sag')
      .send({ openCircuitV: 1, resistanceOhm: 1, powerW: 9 })
      .expect(422);
    expect(sag.body).toMatchObject({ code: 'beyond-peak-power' });
    await server.send('post', '/api/calculators/perpetual-motion').send({}).expect(404);
    const list = await server.send('get', '/api/calculators').expect(200);
    expect((list.body as { calculators: unknown[] }).calculators.length).toBeGreaterThan(10);
  });

  it('loads the demo once: what a builder has thrown away stays away', async () => {
    await server.database.query("DELETE FROM build WHERE id = 'puffin'");
    expect(await loadDemo(server.database, 'data')).toBe(false);
    await server.send('get', '/api/builds/puffin').expect(404);
  });

  it('loads all of the demo or nothing: what cannot be read leaves no half of it', async () => {
    const database = await emptyDatabase('half_demo');
    await database.runMigrations();
    const folder = mkdtempSync(join(tmpdir(), 'zubric-demo-'));
    cpSync('data', folder, { recursive: true });
    writeFileSync(join(folder, 'trials', 'puffin.json'), '[{"protocol":"no-such"}]');
    await expect(loadDemo(database, folder)).rejects.toThrow(/no-such|protocol/);
    for (const table of ['build', 'part', 'log_entry', 'app_state'])
      expect(await database.query(`SELECT 1 FROM ${table}`)).toEqual([]);
    // Once it is whole it is loaded by the next start.
    expect(await loadDemo(database, 'data')).toBe(true);
    expect(await database.query('SELECT 1 FROM build')).toHaveLength(readdirSync('data/builds').length);
    await database.destroy();
    rmSync(folder, { recursive: true });
  });
});

describe('the interface', () => {
  let server: DemoServer;
  const folder = mkdtempSync(join(tmpdir(), 'zubric-web-'));
  beforeAll(async () => {
    mkdirSync(join(folder, 'assets'));
    writeFileSync(join(folder, 'index.html'), '<!doctype html><title>Zubric</title>');
    writeFileSync(
      join(folder, 'assets', 'index-abc123.js'),
      `export const words = '${'long '.repeat(2000)}';`,
    );
    server = await demoServer('interface', { webFolder: folder });
  });
  afterAll(async () => {
    await server.close();
    rmSync(folder, { recursive: true });
  });

  it('keeps hashed files for good, sends them pressed together, and asks for its page each time', async () => {
    const script = await server
      .send('get', '/assets/index-abc123.js')
      .set('Accept-Encoding', 'gzip')
      .expect(200);
    expect(script.headers['cache-control']).toBe('public, max-age=31536000, immutable');
    expect(script.headers['content-encoding']).toBe('gzip');
    const page = await server.send('get', '/builds/puffin/brief').expect(200);
    expect(page.text).toContain('<title>Zubric</title>');
    expect(page.headers['cache-control']).toBe('no-cache');
  });

  it('answers 404 for a file that is not there, and not with its page', async () => {
    for (const path of ['/assets/index-old.js', '/favicon.ico', '/nothing.css', '/a/b.map']) {
      const answer = await server.send('get', path).expect(404);
      expect(answer.type).toBe('application/problem+json');
    }
  });

  it('sends long answers pressed together', async () => {
    const list = await server.send('get', '/api/parts').set('Accept-Encoding', 'gzip').expect(200);
    expect(list.headers['content-encoding']).toBe('gzip');
  });
});
