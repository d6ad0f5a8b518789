import type { MigrationInterface, QueryRunner } from 'typeorm'

/** A model belongs to a branch: the one that has most of its kits, or the first one. And a letter that is under way is
 * marked as such, so that no row stays locked while a mail server takes its time. */
export class ModelOwners1765100000000 implements MigrationInterface {
  name = 'ModelOwners1765100000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "model" ADD "branch_id" uuid`)
    await runner.query(
      `UPDATE model m SET branch_id = coalesce(
         (SELECT k.branch_id FROM kit k WHERE k.model_id = m.id GROUP BY k.branch_id ORDER BY count(*) DESC, k.branch_id LIMIT 1),
         (SELECT a.branch_id FROM agreement a ORDER BY a.valid_from, a.branch_id LIMIT 1),
         (SELECT b.id FROM branch b ORDER BY b.id LIMIT 1))`,
    )
    await runner.query(`ALTER TABLE "model" ALTER "branch_id" SET NOT NULL`)
    await runner.query(
      `ALTER TABLE "model" ADD CONSTRAINT "fk_model_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch" ("id")`,
    )
    await runner.query(`CREATE INDEX "ix_model_branch_id" ON "model" ("branch_id")`)
    await runner.query(`ALTER TABLE "message" ADD "tried_at" timestamptz`)
    await runner.query(`ALTER TABLE "message" DROP CONSTRAINT "ck_message_state"`)
    await runner.query(
      `ALTER TABLE "message" ADD CONSTRAINT "ck_message_state" CHECK ("state" IN ('draft', 'sending', 'sent', 'failed'))`,
    )
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      `UPDATE message SET state = 'failed', problem = 'It is not known whether it left.' WHERE state = 'sending'`,
    )
    await runner.query(`ALTER TABLE "message" DROP CONSTRAINT "ck_message_state"`)
    await runner.query(
      `ALTER TABLE "message" ADD CONSTRAINT "ck_message_state" CHECK ("state" IN ('draft', 'sent', 'failed'))`,
    )
    await runner.query(`ALTER TABLE "message" DROP COLUMN "tried_at"`)
    await runner.query(`ALTER TABLE "model" DROP COLUMN "branch_id"`)
  }
}
