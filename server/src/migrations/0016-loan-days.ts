import type { MigrationInterface, QueryRunner } from 'typeorm'

const DAYS = `daterange("from_on", "until_on" + "turnaround_days", '[]')`

export class LoanDays1765500000000 implements MigrationInterface {
  name = 'LoanDays1765500000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('CREATE EXTENSION IF NOT EXISTS btree_gist')
    await runner.query(`CREATE TABLE "opening" ("branch_id" uuid NOT NULL, "open_weekdays" integer array NOT NULL,
      "pick_up_from" text NOT NULL, "pick_up_until" text NOT NULL, "turnaround_days" integer NOT NULL,
      "longest_loan_days" integer NOT NULL, "ahead_days" integer NOT NULL,
      CONSTRAINT "pk_opening" PRIMARY KEY ("branch_id"))`)
    await runner.query(
      `ALTER TABLE "opening" ADD CONSTRAINT "fk_opening_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id")`,
    )
    await runner.query(`CREATE TABLE "closing" ("id" uuid NOT NULL, "branch_id" uuid NOT NULL, "from_on" date NOT NULL,
      "until_on" date NOT NULL, "why" text NOT NULL, CONSTRAINT "ck_closing_days" CHECK ("from_on" <= "until_on"),
      CONSTRAINT "pk_closing" PRIMARY KEY ("id"))`)
    await runner.query(
      `ALTER TABLE "closing" ADD CONSTRAINT "fk_closing_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id")`,
    )
    await runner.query(`CREATE INDEX "ix_closing_branch_id_until_on" ON "closing" ("branch_id", "until_on")`)
    await runner.query(`ALTER TABLE "loan" ADD "from_on" date, ADD "until_on" date,
      ADD "turnaround_days" integer NOT NULL DEFAULT 1, ADD "guarded" boolean NOT NULL DEFAULT true`)
    // A promise had no end: it is given the branch's usual one, as its guide would have had.
    await runner.query(`UPDATE "loan" l SET
        "from_on" = (coalesce(l."out_at", l."promised_for") AT TIME ZONE b."zone")::date,
        "until_on" = greatest((coalesce(l."out_at", l."promised_for") AT TIME ZONE b."zone")::date,
          coalesce((l."due_at" AT TIME ZONE b."zone")::date, (l."promised_for" AT TIME ZONE b."zone")::date + b."loan_days"))
      FROM "branch" b WHERE b."id" = l."branch_id"`)
    await runner.query(
      `UPDATE "loan" SET "from_on" = current_date, "until_on" = current_date WHERE "from_on" IS NULL`,
    )
    await runner.query(`ALTER TABLE "loan" ALTER "from_on" SET NOT NULL, ALTER "until_on" SET NOT NULL`)
    await runner.query(`ALTER TABLE "loan" ADD CONSTRAINT "ck_loan_days" CHECK ("from_on" <= "until_on")`)
    // What stands in each other's way already stays as it is, and is told in the calendar.
    await runner.query(`UPDATE "loan" l SET "guarded" = false WHERE l."state" = 'promised' AND EXISTS (
        SELECT 1 FROM "loan" o WHERE o."kit_id" = l."kit_id" AND o."id" <> l."id" AND o."state" IN ('promised', 'out')
          AND daterange(o."from_on", o."until_on" + o."turnaround_days", '[]')
            && daterange(l."from_on", l."until_on" + l."turnaround_days", '[]'))`)
    await runner.query(`ALTER TABLE "loan" ADD CONSTRAINT "ex_loan_days" EXCLUDE USING gist ("kit_id" WITH =, ${DAYS} WITH &&)
      WHERE ("guarded" AND "state" IN ('promised', 'out'))`)
    await runner.query(`CREATE INDEX "ix_loan_from_on_kit_id" ON "loan" ("kit_id", "from_on")`)
    await runner.query(`CREATE INDEX "ix_loan_branch_id_from_on" ON "loan" ("branch_id", "from_on")`)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP INDEX "ix_loan_branch_id_from_on"`)
    await runner.query(`DROP INDEX "ix_loan_from_on_kit_id"`)
    await runner.query(`ALTER TABLE "loan" DROP CONSTRAINT "ex_loan_days"`)
    await runner.query(`ALTER TABLE "loan" DROP CONSTRAINT "ck_loan_days"`)
    await runner.query(`ALTER TABLE "loan" DROP "guarded", DROP "turnaround_days", DROP "until_on", DROP "from_on"`)
    await runner.query(`DROP TABLE "closing"`)
    await runner.query(`DROP TABLE "opening"`)
  }
}
