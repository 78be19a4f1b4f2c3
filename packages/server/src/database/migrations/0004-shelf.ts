import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Parts of the builder's own: counted by their saves, and set aside instead of thrown away. */
export class Shelf1764000000004 implements MigrationInterface {
  readonly name = 'Shelf1764000000004';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE part
        ADD version integer NOT NULL DEFAULT 1 CHECK (version > 0),
        ADD updated_at timestamptz NOT NULL DEFAULT now(),
        ADD set_aside_at timestamptz`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE part DROP version, DROP updated_at, DROP set_aside_at');
  }
}
