import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Devices that were let in, who is on which build, whose edit it was, and builds that are locked for an event. */
export class Devices1764000000007 implements MigrationInterface {
  readonly name = 'Devices1764000000007';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE device (
        id text PRIMARY KEY,
        name text NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
        role text NOT NULL CHECK (role IN ('look', 'record', 'everything')),
        key_hash bytea NOT NULL UNIQUE,
        created_at timestamptz NOT NULL DEFAULT now(),
        seen_at timestamptz NOT NULL DEFAULT now(),
        sent_away_at timestamptz
      )`);
    await runner.query(`
      CREATE TABLE pairing_code (
        code_hash bytea PRIMARY KEY,
        role text NOT NULL CHECK (role IN ('look', 'record', 'everything')),
        created_at timestamptz NOT NULL DEFAULT now(),
        expires_at timestamptz NOT NULL,
        device_id text REFERENCES device (id) ON DELETE CASCADE
      )`);
    await runner.query(`
      CREATE TABLE pairing_attempt (
        id bigserial PRIMARY KEY,
        at timestamptz NOT NULL DEFAULT now(),
        address text NOT NULL,
        outcome text NOT NULL CHECK (outcome IN ('let-in', 'wrong', 'used', 'expired', 'too-many')),
        name text NOT NULL
      )`);
    await runner.query('CREATE INDEX pairing_attempt_at ON pairing_attempt (at)');
    await runner.query(`
      CREATE TABLE presence (
        device_id text NOT NULL,
        build_id text NOT NULL REFERENCES build (id) ON DELETE CASCADE,
        station text NOT NULL,
        seen_at timestamptz NOT NULL DEFAULT now(),
        PRIMARY KEY (build_id, device_id)
      )`);
    await runner.query("ALTER TABLE log_entry ADD by_name text NOT NULL DEFAULT ''");
    await runner.query("ALTER TABLE trial ADD by_name text NOT NULL DEFAULT ''");
    await runner.query(`
      ALTER TABLE build ADD locked_at timestamptz, ADD locked_for text NOT NULL DEFAULT '',
        ADD locked_by text NOT NULL DEFAULT ''`);
    await runner.query('ALTER TABLE log_entry DROP CONSTRAINT log_entry_kind_check');
    await runner.query(
      "ALTER TABLE log_entry ADD CONSTRAINT log_entry_kind_check CHECK (kind IN ('begun', 'change', 'note', 'snapshot', 'lock'))",
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      "UPDATE log_entry SET kind = 'note', note = title || note, title = '' WHERE kind = 'lock'",
    );
    await runner.query('ALTER TABLE log_entry DROP CONSTRAINT log_entry_kind_check');
    await runner.query(
      "ALTER TABLE log_entry ADD CONSTRAINT log_entry_kind_check CHECK (kind IN ('begun', 'change', 'note', 'snapshot'))",
    );
    await runner.query('ALTER TABLE build DROP locked_at, DROP locked_for, DROP locked_by');
    await runner.query('ALTER TABLE trial DROP by_name');
    await runner.query('ALTER TABLE log_entry DROP by_name');
    for (const table of ['presence', 'pairing_attempt', 'pairing_code', 'device'])
      await runner.query(`DROP TABLE ${table}`);
  }
}
