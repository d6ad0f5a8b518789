import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What kept a kit in over the years is found by kit and time. */
export class KeptIn1765800000000 implements MigrationInterface {
  name = 'KeptIn1765800000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('CREATE INDEX "ix_job_kit_id_opened_at" ON "job" ("kit_id", "opened_at")')
    // Few parts have a note: those are found without looking at all others.
    await runner.query(`CREATE INDEX "ix_part_noted" ON "part" ("kit_id") WHERE "note" <> ''`)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX "ix_part_noted"')
    await runner.query('DROP INDEX "ix_job_kit_id_opened_at"')
  }
}
