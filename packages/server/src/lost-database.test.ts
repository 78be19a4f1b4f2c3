import { pino } from 'pino';
import request from 'supertest';
import { describe, expect, it } from 'vitest';
import { throwAwayCluster } from '../../../scripts/lib/cluster.mjs';
import { makeApp } from './app.ts';
import { makeDataSource } from './database/data-source.ts';

describe('while the database is away', () => {
  it('the server lives, says that it is away, and promises nothing it cannot keep', async () => {
    const cluster = await throwAwayCluster();
    const told: unknown[] = [];
    const database = await makeDataSource(cluster.url, (error) => told.push(error)).initialize();
    await database.runMigrations();
    const app = makeApp({ database, log: pino({ enabled: false }), hosts: () => ['localhost'] });
    const get = (path: string) => request(app).get(path).set('Host', 'localhost');
    await get('/readyz').expect(200);

    await cluster.stop();
    await get('/healthz').expect(200);
    for (const path of ['/readyz', '/api/builds', '/api/builds/puffin', '/api/parts']) {
      const answer = await get(path).expect(503);
      expect(answer.type).toBe('application/problem+json');
      expect(answer.headers['retry-after']).toBe('2');
      expect(answer.body).toMatchObject({ code: 'database-away' });
    }
    const save = await request(app).post('/api/builds').set('Host', 'localhost').send({ name: 'Gull' });
    expect(save.status).toBe(503);
    expect(told.length).toBeGreaterThan(0);
    await database.destroy();
  });
});
