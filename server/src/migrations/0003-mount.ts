import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Models' mounts and steps, the head's learnt moment, times of steps, and places to observe from. */
export class Mount1764200000000 implements MigrationInterface {
  name = 'Mount1764200000000'

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of up) await runner.query(statement)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of down) await runner.query(statement)
  }
}

const up = [
  `ALTER TABLE "model" ADD "mount" jsonb`,
  `ALTER TABLE "model" ADD "procedure" jsonb`,
  `ALTER TABLE "kit" ADD "head_moment_gmm" double precision`,
  `ALTER TABLE "reading" DROP CONSTRAINT "ck_reading_unit"`,
  `ALTER TABLE "reading" ADD CONSTRAINT "ck_reading_unit" CHECK ("unit" IN ('mm', 'arcmin', 'deg', 'judged'))`,
  `CREATE TABLE "step_time" (
      "id" uuid NOT NULL,
      "model_id" uuid NOT NULL,
      "kit_id" uuid NOT NULL,
      "check_id" uuid NOT NULL,
      "step_key" text NOT NULL,
      "seconds" double precision NOT NULL,
      CONSTRAINT "ck_step_time_seconds" CHECK ("seconds" > 0),
      CONSTRAINT "pk_step_time" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_step_time_model_id_step_key" ON "step_time"  ("model_id", "step_key")`,
  `CREATE TABLE "site" (
      "id" uuid NOT NULL,
      "branch_id" uuid NOT NULL,
      "name" text NOT NULL,
      "zone" text NOT NULL,
      "latitude_deg" double precision NOT NULL,
      "longitude_deg" double precision NOT NULL,
      "height_m" double precision,
      "needle_deg" double precision,
      "needle_on" date,
      "version" integer NOT NULL DEFAULT '1',
      CONSTRAINT "ck_site_place" CHECK ("latitude_deg" BETWEEN -90 AND 90 AND "longitude_deg" BETWEEN -180 AND 180),
      CONSTRAINT "pk_site" PRIMARY KEY ("id")
    )`,
  `CREATE UNIQUE INDEX "ix_site_branch_id_name" ON "site"  ("branch_id", "name")`,
  `ALTER TABLE "step_time" ADD CONSTRAINT "fk_step_time_model_id" FOREIGN KEY ("model_id") REFERENCES "model"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "step_time" ADD CONSTRAINT "fk_step_time_kit_id" FOREIGN KEY ("kit_id") REFERENCES "kit"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "step_time" ADD CONSTRAINT "fk_step_time_check_id" FOREIGN KEY ("check_id") REFERENCES "bench_check"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "site" ADD CONSTRAINT "fk_site_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
]

const down = [
  `ALTER TABLE "site" DROP CONSTRAINT "fk_site_branch_id"`,
  `ALTER TABLE "step_time" DROP CONSTRAINT "fk_step_time_check_id"`,
  `ALTER TABLE "step_time" DROP CONSTRAINT "fk_step_time_kit_id"`,
  `ALTER TABLE "step_time" DROP CONSTRAINT "fk_step_time_model_id"`,
  `DROP INDEX "ix_site_branch_id_name"`,
  `DROP TABLE "site"`,
  `DROP INDEX "ix_step_time_model_id_step_key"`,
  `DROP TABLE "step_time"`,
  `DELETE FROM "reading" WHERE "unit" = 'deg'`,
  `ALTER TABLE "reading" DROP CONSTRAINT "ck_reading_unit"`,
  `ALTER TABLE "reading" ADD CONSTRAINT "ck_reading_unit" CHECK ("unit" IN ('mm', 'arcmin', 'judged'))`,
  `ALTER TABLE "kit" DROP COLUMN "head_moment_gmm"`,
  `ALTER TABLE "model" DROP COLUMN "procedure"`,
  `ALTER TABLE "model" DROP COLUMN "mount"`,
]
