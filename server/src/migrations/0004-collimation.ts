import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Models' mirrors, directions and doubt of readings, what turned screws did, and practice. */
export class Collimation1764300000000 implements MigrationInterface {
  name = 'Collimation1764300000000'

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of up) await runner.query(statement)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of down) await runner.query(statement)
  }
}

const up = [
  `ALTER TABLE "model" ADD "mirror" jsonb`,
  `ALTER TABLE "reading" ADD "uncertainty" double precision`,
  `ALTER TABLE "reading" ADD "as_found_at" jsonb`,
  `ALTER TABLE "reading" ADD "as_left_at" jsonb`,
  `CREATE TABLE "turned_step" (
      "id" uuid NOT NULL,
      "kit_id" uuid NOT NULL,
      "check_id" uuid NOT NULL,
      "before" jsonb NOT NULL,
      "turns" jsonb NOT NULL,
      "after" jsonb NOT NULL,
      "uncertainty_mm" double precision NOT NULL,
      "at" timestamptz NOT NULL,
      "position" integer NOT NULL,
      CONSTRAINT "pk_turned_step" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_turned_step_at_kit_id" ON "turned_step"  ("kit_id", "at")`,
  `CREATE TABLE "practice_run" (
      "id" uuid NOT NULL,
      "staff_id" uuid NOT NULL,
      "result" jsonb NOT NULL,
      "at" timestamptz NOT NULL,
      CONSTRAINT "pk_practice_run" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_practice_run_at_staff_id" ON "practice_run"  ("staff_id", "at")`,
  `ALTER TABLE "turned_step" ADD CONSTRAINT "fk_turned_step_kit_id" FOREIGN KEY ("kit_id") REFERENCES "kit"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "turned_step" ADD CONSTRAINT "fk_turned_step_check_id" FOREIGN KEY ("check_id") REFERENCES "bench_check"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "practice_run" ADD CONSTRAINT "fk_practice_run_staff_id" FOREIGN KEY ("staff_id") REFERENCES "staff"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
]

const down = [
  `ALTER TABLE "practice_run" DROP CONSTRAINT "fk_practice_run_staff_id"`,
  `ALTER TABLE "turned_step" DROP CONSTRAINT "fk_turned_step_check_id"`,
  `ALTER TABLE "turned_step" DROP CONSTRAINT "fk_turned_step_kit_id"`,
  `DROP INDEX "ix_practice_run_at_staff_id"`,
  `DROP TABLE "practice_run"`,
  `DROP INDEX "ix_turned_step_at_kit_id"`,
  `DROP TABLE "turned_step"`,
  `ALTER TABLE "reading" DROP COLUMN "as_left_at"`,
  `ALTER TABLE "reading" DROP COLUMN "as_found_at"`,
  `ALTER TABLE "reading" DROP COLUMN "uncertainty"`,
  `ALTER TABLE "model" DROP COLUMN "mirror"`,
]
