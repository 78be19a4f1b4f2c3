import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * The logbook in the order in which it was written, whatever a clock said; and whether the words of a change have been
 * worked out.
 */
export class Order1764000000003 implements MigrationInterface {
  readonly name = 'Order1764000000003';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE log_entry ADD seq bigint, ADD settled boolean NOT NULL DEFAULT true');
    await runner.query(`
      UPDATE log_entry SET seq = ordered.n
      FROM (SELECT id, row_number() OVER (ORDER BY begun_at, id) AS n FROM log_entry) AS ordered
      WHERE ordered.id = log_entry.id`);
    await runner.query('CREATE SEQUENCE log_entry_seq OWNED BY log_entry.seq');
    await runner.query(
      "SELECT setval('log_entry_seq', (SELECT coalesce(max(seq), 0) + 1 FROM log_entry), false)",
    );
    await runner.query(
      "ALTER TABLE log_entry ALTER seq SET DEFAULT nextval('log_entry_seq'), ALTER seq SET NOT NULL",
    );
    await runner.query('DROP INDEX log_entry_build');
    await runner.query('CREATE UNIQUE INDEX log_entry_order ON log_entry (build_id, seq DESC)');
    await runner.query('CREATE INDEX log_entry_unsettled ON log_entry (seq) WHERE NOT settled');
    // Quicker to press together and to read, at a little more room.
    await runner.query('ALTER TABLE build ALTER document SET COMPRESSION lz4');
    await runner.query('ALTER TABLE log_entry ALTER before SET COMPRESSION lz4');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE log_entry ALTER before SET COMPRESSION default');
    await runner.query('ALTER TABLE build ALTER document SET COMPRESSION default');
    await runner.query('DROP INDEX log_entry_unsettled, log_entry_order');
    await runner.query('CREATE INDEX log_entry_build ON log_entry (build_id, begun_at DESC, id)');
    await runner.query('ALTER TABLE log_entry DROP seq, DROP settled');
  }
}
