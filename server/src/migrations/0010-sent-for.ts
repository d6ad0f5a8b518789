import type { MigrationInterface, QueryRunner } from 'typeorm'

/** A kept answer belongs to what was asked for, and goes after a week. Answers of before are bound to nothing any more. */
export class SentFor1764900000000 implements MigrationInterface {
  name = 'SentFor1764900000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "sent_once" ADD "sent_for" text NOT NULL DEFAULT ''`)
    await runner.query(`ALTER TABLE "sent_once" ALTER COLUMN "sent_for" DROP DEFAULT`)
    // Slips that were kept hold borrowers' names.
    await runner.query(
      `UPDATE "sent_once" SET "answer" = jsonb_build_object('loanId', "answer"->'loanId') WHERE "answer" ? 'borrower'`,
    )
    await runner.query(`CREATE INDEX "ix_sent_once_created_at" ON "sent_once" ("created_at")`)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP INDEX "ix_sent_once_created_at"`)
    await runner.query(`ALTER TABLE "sent_once" DROP COLUMN "sent_for"`)
  }
}
