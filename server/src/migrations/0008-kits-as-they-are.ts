import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Kits as they truly are: what was seen and when, what lies in a case beside its card, how stand and tube are made,
 * barrels and filters, whose the kit is. */
export class KitsAsTheyAre1764700000000 implements MigrationInterface {
  name = 'KitsAsTheyAre1764700000000'

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of up) await runner.query(statement)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of down) await runner.query(statement)
  }
}

const up = [
  `ALTER TABLE "kit" DROP CONSTRAINT "ck_kit_stands_at"`,
  `ALTER TABLE "kit" ADD CONSTRAINT "ck_kit_stands_at" CHECK ("stands_at" IN ('shelf', 'desk', 'bench'))`,
  `ALTER TABLE "part" ADD "seen_at" timestamptz`,
  // Marks that are there were made at a take-back, or when the kit was counted: the last of these is when they were seen.
  `UPDATE "part" p SET "seen_at" = r."at" FROM (
      SELECT "kit_id", max("at") AS "at" FROM "record"
      WHERE "act" IN ('taken-back', 'part-marked', 'take-back-corrected') GROUP BY "kit_id"
    ) r WHERE r."kit_id" = p."kit_id" AND p."mark" <> 'unseen'`,
  `ALTER TABLE "model" ADD "stand" jsonb`,
  `ALTER TABLE "kit" ADD "owner" text NOT NULL DEFAULT ''`,
  `ALTER TABLE "kit" ADD "serial_number" text NOT NULL DEFAULT ''`,
  `ALTER TABLE "kit" ADD "price_minor" integer`,
  `ALTER TABLE "kit" ADD "note" text NOT NULL DEFAULT ''`,
  `ALTER TABLE "part" ADD "together" text NOT NULL DEFAULT ''`,
  `ALTER TABLE "model_part" ADD "together" text NOT NULL DEFAULT ''`,
  // The barrel that goes in and the hole that takes the next are two things from now on.
  `UPDATE "part" SET "optics" = "optics" - 'barrelMm' || jsonb_build_object('maleMm', "optics"->'barrelMm') WHERE "optics" ? 'barrelMm'`,
  `UPDATE "model_part" SET "optics" = "optics" - 'barrelMm' || jsonb_build_object('maleMm', "optics"->'barrelMm') WHERE "optics" ? 'barrelMm'`,
  `CREATE TABLE "extra_part" (
      "id" uuid NOT NULL,
      "kit_id" uuid NOT NULL,
      "loan_id" uuid,
      "name" text NOT NULL,
      "count" integer NOT NULL DEFAULT 1,
      "belongs_to" text NOT NULL DEFAULT '',
      "note" text NOT NULL DEFAULT '',
      "picture_ids" uuid array NOT NULL DEFAULT '{}',
      "found_at" timestamptz NOT NULL,
      "settled_at" timestamptz,
      CONSTRAINT "ck_extra_part_count" CHECK ("count" >= 1),
      CONSTRAINT "pk_extra_part" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_extra_part_kit_id_some" ON "extra_part" ("kit_id") WHERE "settled_at" IS NULL`,
  `ALTER TABLE "extra_part" ADD CONSTRAINT "fk_extra_part_kit_id" FOREIGN KEY ("kit_id") REFERENCES "kit"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "extra_part" ADD CONSTRAINT "fk_extra_part_loan_id" FOREIGN KEY ("loan_id") REFERENCES "loan"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
]

const down = [
  `DROP TABLE "extra_part"`,
  `ALTER TABLE "model" DROP COLUMN "stand"`,
  `ALTER TABLE "kit" DROP COLUMN "owner", DROP COLUMN "serial_number", DROP COLUMN "price_minor", DROP COLUMN "note"`,
  `ALTER TABLE "part" DROP COLUMN "together"`,
  `ALTER TABLE "model_part" DROP COLUMN "together"`,
  `ALTER TABLE "part" DROP COLUMN "seen_at"`,
  `UPDATE "kit" SET "stands_at" = 'shelf' WHERE "stands_at" = 'desk'`,
  `ALTER TABLE "kit" DROP CONSTRAINT "ck_kit_stands_at"`,
  `ALTER TABLE "kit" ADD CONSTRAINT "ck_kit_stands_at" CHECK ("stands_at" IN ('shelf', 'bench'))`,
]
