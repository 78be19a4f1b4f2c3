import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What a snapshot holds stays as it was; what it is called may be put right. */
export class SnapshotName1764000000006 implements MigrationInterface {
  readonly name = 'SnapshotName1764000000006';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TRIGGER build_snapshot_stands ON build_snapshot');
    await runner.query(`
      CREATE TRIGGER build_snapshot_stands BEFORE UPDATE ON build_snapshot FOR EACH ROW
      WHEN ((OLD.build_id, OLD.number, OLD.document, OLD.created_at)
        IS DISTINCT FROM (NEW.build_id, NEW.number, NEW.document, NEW.created_at))
      EXECUTE FUNCTION refuse_change()`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TRIGGER build_snapshot_stands ON build_snapshot');
    await runner.query(
      'CREATE TRIGGER build_snapshot_stands BEFORE UPDATE ON build_snapshot FOR EACH ROW EXECUTE FUNCTION refuse_change()',
    );
  }
}
