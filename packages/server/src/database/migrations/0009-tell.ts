import type { MigrationInterface, QueryRunner } from 'typeorm';

const CHANGED = 'zubric_changed';

/** What is told of each table, with the build that a row belongs to. */
const TOLD = {
  build: 'a_row.id',
  log_entry: 'a_row.build_id',
  trial_set: 'a_row.build_id',
  trial: '(SELECT build_id FROM trial_set WHERE id = a_row.trial_set_id)',
  photo: '(SELECT build_id FROM log_entry WHERE id = a_row.log_entry_id)',
} as const;

/** Whoever listens is told which build has changed, whichever server changed it. */
export class Tell1764000000009 implements MigrationInterface {
  readonly name = 'Tell1764000000009';

  async up(runner: QueryRunner): Promise<void> {
    for (const [table, build] of Object.entries(TOLD)) {
      await runner.query(`
        CREATE FUNCTION tell_${table}() RETURNS trigger LANGUAGE plpgsql AS $tell$
        DECLARE a_row ${table}%ROWTYPE;
        BEGIN
          IF TG_OP = 'DELETE' THEN a_row := OLD; ELSE a_row := NEW; END IF;
          PERFORM pg_notify('${CHANGED}', coalesce(${build}, ''));
          RETURN NULL;
        END $tell$`);
      await runner.query(
        `CREATE TRIGGER tell AFTER INSERT OR UPDATE OR DELETE ON ${table} FOR EACH ROW EXECUTE FUNCTION tell_${table}()`,
      );
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of Object.keys(TOLD)) {
      await runner.query(`DROP TRIGGER tell ON ${table}`);
      await runner.query(`DROP FUNCTION tell_${table}()`);
    }
  }
}
