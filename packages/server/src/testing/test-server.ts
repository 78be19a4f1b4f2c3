import { pino } from 'pino';
import request from 'supertest';
import type { DataSource } from 'typeorm';
import { inject } from 'vitest';
import { makeApp, type AppOptions } from '../app.ts';
import { makeDataSource } from '../database/data-source.ts';
import { loadDemo } from '../demo/load-demo.ts';

const HOST = 'localhost:4817';

/** Another database in the throw-away cluster, empty. */
export async function emptyDatabase(name: string): Promise<DataSource> {
  const url = inject('databaseUrl');
  const admin = await makeDataSource(url).initialize();
  await admin.query(`CREATE DATABASE ${name}`);
  await admin.destroy();
  return makeDataSource(url.replace(/\/postgres$/, `/${name}`)).initialize();
}

/** A whole application on a database of its own, with the demo in it. */
export async function demoServer(name: string, more: Partial<Omit<AppOptions, 'database' | 'hosts'>> = {}) {
  const database = await emptyDatabase(name);
  await database.runMigrations();
  await loadDemo(database, 'data');
  const app = makeApp({ database, log: pino({ enabled: false }), hosts: () => [HOST], ...more });
  const send = (method: 'get' | 'post' | 'put' | 'delete', path: string) =>
    request(app)[method](path).set('Host', HOST);
  return { database, app, send, close: () => database.destroy() };
}

export type DemoServer = Awaited<ReturnType<typeof demoServer>>;
