import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Models' finders, where a kit's own finder sits, what turned knobs did, and landmarks. */
export class Finders1764400000000 implements MigrationInterface {
  name = 'Finders1764400000000'

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of up) await runner.query(statement)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of down) await runner.query(statement)
  }
}

const up = [
  `ALTER TABLE "model" ADD "finder" jsonb`,
  `ALTER TABLE "kit" ADD "own_finder" jsonb`,
  `CREATE TABLE "knob_step" (
      "id" uuid NOT NULL,
      "kit_id" uuid NOT NULL,
      "check_id" uuid NOT NULL,
      "step" jsonb NOT NULL,
      "at" timestamptz NOT NULL,
      "position" integer NOT NULL,
      CONSTRAINT "pk_knob_step" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_knob_step_at_kit_id" ON "knob_step"  ("kit_id", "at")`,
  `CREATE TABLE "landmark" (
      "id" uuid NOT NULL,
      "site_id" uuid NOT NULL,
      "name" text NOT NULL,
      "what" text NOT NULL,
      "distance_m" double precision NOT NULL,
      "bearing_deg" double precision NOT NULL,
      "height_deg" double precision NOT NULL,
      "source" text NOT NULL,
      "latitude_deg" double precision,
      "longitude_deg" double precision,
      "picture_id" uuid,
      "version" integer NOT NULL DEFAULT '1',
      CONSTRAINT "ck_landmark_bearing" CHECK ("bearing_deg" BETWEEN 0 AND 360),
      CONSTRAINT "ck_landmark_distance" CHECK ("distance_m" >= 5),
      CONSTRAINT "pk_landmark" PRIMARY KEY ("id")
    )`,
  `CREATE UNIQUE INDEX "ix_landmark_name_site_id" ON "landmark"  ("site_id", "name")`,
  `ALTER TABLE "knob_step" ADD CONSTRAINT "fk_knob_step_kit_id" FOREIGN KEY ("kit_id") REFERENCES "kit"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "knob_step" ADD CONSTRAINT "fk_knob_step_check_id" FOREIGN KEY ("check_id") REFERENCES "bench_check"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `ALTER TABLE "landmark" ADD CONSTRAINT "fk_landmark_site_id" FOREIGN KEY ("site_id") REFERENCES "site"("id") ON DELETE CASCADE ON UPDATE NO ACTION`,
  `ALTER TABLE "landmark" ADD CONSTRAINT "fk_landmark_picture_id" FOREIGN KEY ("picture_id") REFERENCES "picture"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
]

const down = [
  `ALTER TABLE "landmark" DROP CONSTRAINT "fk_landmark_picture_id"`,
  `ALTER TABLE "landmark" DROP CONSTRAINT "fk_landmark_site_id"`,
  `ALTER TABLE "knob_step" DROP CONSTRAINT "fk_knob_step_check_id"`,
  `ALTER TABLE "knob_step" DROP CONSTRAINT "fk_knob_step_kit_id"`,
  `DROP INDEX "ix_landmark_name_site_id"`,
  `DROP TABLE "landmark"`,
  `DROP INDEX "ix_knob_step_at_kit_id"`,
  `DROP TABLE "knob_step"`,
  `ALTER TABLE "kit" DROP COLUMN "own_finder"`,
  `ALTER TABLE "model" DROP COLUMN "finder"`,
]
