import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A photograph of a part, one each. */
export class PartPhoto1764000000005 implements MigrationInterface {
  readonly name = 'PartPhoto1764000000005';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE part_photo (
        part_id text PRIMARY KEY REFERENCES part (id) ON DELETE CASCADE,
        type text NOT NULL,
        bytes bytea NOT NULL
      )`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE part_photo');
  }
}
