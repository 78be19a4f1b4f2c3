import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The logbook with its snapshots and photographs; builds set aside and thrown away. */
export class Logbook1764000000002 implements MigrationInterface {
  readonly name = 'Logbook1764000000002';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE build ADD archived_at timestamptz, ADD deleted_at timestamptz');
    await runner.query(`
      CREATE TABLE build_snapshot (
        build_id text NOT NULL REFERENCES build (id) ON DELETE CASCADE,
        number integer NOT NULL CHECK (number > 0),
        name text NOT NULL CHECK (name <> ''),
        document jsonb NOT NULL CHECK (jsonb_typeof(document) = 'object'),
        created_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (build_id, number)
      )`);
    await runner.query(`
      CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        RAISE EXCEPTION 'a snapshot is never changed';
      END $$`);
    await runner.query(
      'CREATE TRIGGER build_snapshot_stands BEFORE UPDATE ON build_snapshot FOR EACH ROW EXECUTE FUNCTION refuse_change()',
    );
    await runner.query(`
      CREATE TABLE log_entry (
        id text PRIMARY KEY,
        build_id text NOT NULL REFERENCES build (id) ON DELETE CASCADE,
        kind text NOT NULL CHECK (kind IN ('begun', 'change', 'note', 'snapshot')),
        title text NOT NULL DEFAULT '',
        note text NOT NULL DEFAULT '',
        changes jsonb NOT NULL DEFAULT '[]',
        margins jsonb NOT NULL DEFAULT '[]',
        before jsonb,
        snapshot_number integer,
        begun_at timestamptz NOT NULL DEFAULT now(),
        ended_at timestamptz NOT NULL DEFAULT now(),
        CHECK ((kind = 'snapshot') = (snapshot_number IS NOT NULL)),
        CHECK ((kind = 'change') = (before IS NOT NULL)),
        FOREIGN KEY (build_id, snapshot_number) REFERENCES build_snapshot (build_id, number) ON DELETE CASCADE
      )`);
    await runner.query('CREATE INDEX log_entry_build ON log_entry (build_id, begun_at DESC, id)');
    await runner.query(`
      CREATE TABLE photo (
        id text PRIMARY KEY,
        log_entry_id text NOT NULL REFERENCES log_entry (id) ON DELETE CASCADE,
        type text NOT NULL CHECK (type IN ('image/jpeg', 'image/png', 'image/webp')),
        caption text NOT NULL DEFAULT '',
        bytes bytea NOT NULL CHECK (octet_length(bytes) BETWEEN 1 AND 8388608),
        created_at timestamptz NOT NULL DEFAULT now()
      )`);
    await runner.query('CREATE INDEX photo_entry ON photo (log_entry_id, created_at)');
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['photo', 'log_entry', 'build_snapshot']) await runner.query(`DROP TABLE ${table}`);
    await runner.query('DROP FUNCTION refuse_change()');
    await runner.query('ALTER TABLE build DROP archived_at, DROP deleted_at');
  }
}
