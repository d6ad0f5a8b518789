import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Coordinators' own words for guides: every version stays, the newest in use counts. */
export class GuideTexts1764600000000 implements MigrationInterface {
  name = 'GuideTexts1764600000000'

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of up) await runner.query(statement)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of down) await runner.query(statement)
  }
}

const up = [
  `CREATE TABLE "guide_text" (
      "id" uuid NOT NULL,
      "branch_id" uuid NOT NULL,
      "scope" text NOT NULL,
      "model_id" uuid,
      "kit_id" uuid,
      "key" text NOT NULL,
      "language" text NOT NULL,
      "title" text NOT NULL DEFAULT '',
      "text" text,
      "reason" text NOT NULL DEFAULT '',
      "in_use" boolean NOT NULL,
      "by_staff_id" uuid NOT NULL,
      "at" timestamptz NOT NULL,
      CONSTRAINT "ck_guide_text_scope" CHECK (("scope" = 'programme' AND "model_id" IS NULL AND "kit_id" IS NULL) OR ("scope" = 'model' AND "model_id" IS NOT NULL AND "kit_id" IS NULL) OR ("scope" = 'kit' AND "kit_id" IS NOT NULL AND "model_id" IS NULL)),
      CONSTRAINT "pk_guide_text" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_guide_text_at_branch_id_key" ON "guide_text"  ("branch_id", "key", "at")`,
  `ALTER TABLE "guide_text" ADD CONSTRAINT "fk_guide_text_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "guide_text" ADD CONSTRAINT "fk_guide_text_model_id" FOREIGN KEY ("model_id") REFERENCES "model"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "guide_text" ADD CONSTRAINT "fk_guide_text_kit_id" FOREIGN KEY ("kit_id") REFERENCES "kit"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "guide_text" ADD CONSTRAINT "fk_guide_text_by_staff_id" FOREIGN KEY ("by_staff_id") REFERENCES "staff"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
]

const down = [`DROP TABLE "guide_text"`]
