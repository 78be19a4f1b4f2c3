import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Builds, the parts shelf, trial sets with their runs. */
export class First1764000000001 implements MigrationInterface {
  readonly name = 'First1764000000001';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE build (
        id text PRIMARY KEY,
        name text NOT NULL CHECK (name <> ''),
        document jsonb NOT NULL CHECK (jsonb_typeof(document) = 'object'),
        version integer NOT NULL DEFAULT 1 CHECK (version > 0),
        created_at timestamptz NOT NULL DEFAULT now(),
        updated_at timestamptz NOT NULL DEFAULT now()
      )`);
    await runner.query('CREATE INDEX build_updated_at ON build (updated_at DESC)');
    await runner.query(`
      CREATE TABLE part (
        id text PRIMARY KEY,
        kind text NOT NULL,
        name text NOT NULL CHECK (name <> ''),
        data jsonb NOT NULL CHECK (data ->> 'id' = id AND data ->> 'kind' = kind),
        created_at timestamptz NOT NULL DEFAULT now()
      )`);
    await runner.query('CREATE INDEX part_kind ON part (kind, name)');
    await runner.query(`
      CREATE TABLE trial_set (
        id text PRIMARY KEY,
        build_id text NOT NULL REFERENCES build (id) ON DELETE CASCADE,
        protocol text NOT NULL,
        name text NOT NULL CHECK (name <> ''),
        conditions jsonb NOT NULL,
        invented boolean NOT NULL DEFAULT false,
        version integer NOT NULL DEFAULT 1 CHECK (version > 0),
        created_at timestamptz NOT NULL DEFAULT now()
      )`);
    await runner.query('CREATE INDEX trial_set_build ON trial_set (build_id, created_at)');
    await runner.query(`
      CREATE TABLE trial (
        id text NOT NULL,
        trial_set_id text NOT NULL REFERENCES trial_set (id) ON DELETE CASCADE,
        ordinal integer NOT NULL CHECK (ordinal > 0),
        reading jsonb NOT NULL,
        recorded_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (trial_set_id, id),
        UNIQUE (trial_set_id, ordinal)
      )`);
    await runner.query('CREATE TABLE app_state (key text PRIMARY KEY, value jsonb NOT NULL)');
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['app_state', 'trial', 'trial_set', 'part', 'build'])
      await runner.query(`DROP TABLE ${table}`);
  }
}
