import type { MigrationInterface, QueryRunner } from 'typeorm'

/** What borrowers send from their guide: reports and contents checks, with a picture that no member of staff took. */
export class BorrowerMessages1764500000000 implements MigrationInterface {
  name = 'BorrowerMessages1764500000000'

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of up) await runner.query(statement)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of down) await runner.query(statement)
  }
}

const up = [
  `ALTER TABLE "picture" ALTER COLUMN "by_staff_id" DROP NOT NULL`,
  `CREATE TABLE "borrower_message" (
      "id" uuid NOT NULL,
      "branch_id" uuid NOT NULL,
      "kit_id" uuid NOT NULL,
      "loan_id" uuid NOT NULL,
      "kind" text NOT NULL,
      "body" jsonb NOT NULL,
      "picture_id" uuid,
      "at" timestamptz NOT NULL,
      "seen_at" timestamptz,
      "seen_by" uuid,
      CONSTRAINT "ck_borrower_message_kind" CHECK ("kind" IN ('report', 'contents')),
      CONSTRAINT "pk_borrower_message" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_borrower_message_at_branch_id" ON "borrower_message"  ("branch_id", "at")`,
  `CREATE INDEX "ix_borrower_message_loan_id" ON "borrower_message"  ("loan_id")`,
  `ALTER TABLE "borrower_message" ADD CONSTRAINT "fk_borrower_message_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "borrower_message" ADD CONSTRAINT "fk_borrower_message_kit_id" FOREIGN KEY ("kit_id") REFERENCES "kit"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "borrower_message" ADD CONSTRAINT "fk_borrower_message_loan_id" FOREIGN KEY ("loan_id") REFERENCES "loan"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "borrower_message" ADD CONSTRAINT "fk_borrower_message_picture_id" FOREIGN KEY ("picture_id") REFERENCES "picture"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "borrower_message" ADD CONSTRAINT "fk_borrower_message_seen_by" FOREIGN KEY ("seen_by") REFERENCES "staff"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
]

const down = [
  `DROP TABLE "borrower_message"`,
  `DELETE FROM "picture" WHERE "by_staff_id" IS NULL`,
  `ALTER TABLE "picture" ALTER COLUMN "by_staff_id" SET NOT NULL`,
]
