import type { MigrationInterface, QueryRunner } from 'typeorm';

const kinds = (...more: readonly string[]): string =>
  ['begun', 'change', 'note', 'snapshot', 'lock', ...more].map((kind) => `'${kind}'`).join(', ');

/** Sets of trials note themselves in the logbook: one entry a set, said anew with each run. */
export class TrialEntries1764000000008 implements MigrationInterface {
  readonly name = 'TrialEntries1764000000008';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE log_entry DROP CONSTRAINT log_entry_kind_check');
    await runner.query(
      `ALTER TABLE log_entry ADD CONSTRAINT log_entry_kind_check CHECK (kind IN (${kinds('trial')}))`,
    );
    await runner.query(
      'ALTER TABLE log_entry ADD trial_set_id text REFERENCES trial_set (id) ON DELETE SET NULL',
    );
    await runner.query(
      'CREATE UNIQUE INDEX log_entry_trial_set ON log_entry (trial_set_id) WHERE trial_set_id IS NOT NULL',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      "UPDATE log_entry SET kind = 'note', note = title || note, title = '' WHERE kind = 'trial'",
    );
    await runner.query('ALTER TABLE log_entry DROP trial_set_id');
    await runner.query('ALTER TABLE log_entry DROP CONSTRAINT log_entry_kind_check');
    await runner.query(
      `ALTER TABLE log_entry ADD CONSTRAINT log_entry_kind_check CHECK (kind IN (${kinds()}))`,
    );
  }
}
