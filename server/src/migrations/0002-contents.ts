import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Models with their parts, the drawer, weighings, pictures, follow-up, letters and drafts. */
export class Contents1764100000000 implements MigrationInterface {
  name = 'Contents1764100000000'

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of [...up, ...fill]) await runner.query(statement)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of down) await runner.query(statement)
  }
}

const up = [
  `CREATE TABLE "spare" (
      "id" uuid NOT NULL,
      "branch_id" uuid NOT NULL,
      "name" text NOT NULL,
      "role" text NOT NULL,
      "count" integer NOT NULL,
      "mass_g" double precision,
      "cost_minor" integer,
      "note" text NOT NULL DEFAULT '',
      "version" integer NOT NULL DEFAULT '1',
      CONSTRAINT "ck_spare_count" CHECK ("count" >= 0),
      CONSTRAINT "pk_spare" PRIMARY KEY ("id")
    )`,
  `CREATE UNIQUE INDEX "ix_spare_branch_id_name" ON "spare"  ("branch_id", "name")`,
  `CREATE TABLE "weighing" (
      "id" uuid NOT NULL,
      "kit_id" uuid NOT NULL,
      "weigh_group" text NOT NULL,
      "measured_g" double precision NOT NULL,
      "scale_step_g" double precision NOT NULL,
      "container_g" double precision NOT NULL,
      "expected_g" double precision NOT NULL,
      "source" text NOT NULL,
      "complete" boolean NOT NULL,
      "outdated" boolean NOT NULL DEFAULT false,
      "loan_id" uuid,
      "by_staff_id" uuid NOT NULL,
      "at" timestamptz NOT NULL,
      CONSTRAINT "ck_weighing_source" CHECK ("source" IN ('scale', 'typed')),
      CONSTRAINT "pk_weighing" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_weighing_at_kit_id" ON "weighing"  ("kit_id", "at")`,
  `CREATE TABLE "picture" (
      "id" uuid NOT NULL,
      "branch_id" uuid NOT NULL,
      "bytes" bytea NOT NULL,
      "width_px" integer NOT NULL,
      "height_px" integer NOT NULL,
      "by_staff_id" uuid NOT NULL,
      "at" timestamptz NOT NULL,
      CONSTRAINT "pk_picture" PRIMARY KEY ("id")
    )`,
  `CREATE TABLE "remembered" (
      "branch_id" uuid NOT NULL,
      "kind" text NOT NULL,
      "key" text NOT NULL,
      "value" jsonb NOT NULL,
      CONSTRAINT "ck_remembered_kind" CHECK ("kind" IN ('columns', 'word')),
      CONSTRAINT "pk_remembered" PRIMARY KEY ("branch_id", "kind", "key")
    )`,
  `CREATE TABLE "take_back_draft" (
      "loan_id" uuid NOT NULL,
      "entries" jsonb NOT NULL,
      "version" integer NOT NULL,
      "changed_at" timestamptz NOT NULL,
      CONSTRAINT "pk_take_back_draft" PRIMARY KEY ("loan_id")
    )`,
  `CREATE TABLE "notice" (
      "id" uuid NOT NULL,
      "model_id" uuid NOT NULL,
      "text" text NOT NULL,
      "stops" boolean NOT NULL,
      "due_on" date NOT NULL,
      "by_staff_id" uuid NOT NULL,
      "at" timestamptz NOT NULL,
      CONSTRAINT "pk_notice" PRIMARY KEY ("id")
    )`,
  `CREATE TABLE "message" (
      "id" uuid NOT NULL,
      "branch_id" uuid NOT NULL,
      "borrower_id" uuid NOT NULL,
      "loan_id" uuid NOT NULL,
      "kit_id" uuid NOT NULL,
      "subject" text NOT NULL,
      "body" text NOT NULL,
      "state" text NOT NULL,
      "problem" text NOT NULL DEFAULT '',
      "by_staff_id" uuid NOT NULL,
      "made_at" timestamptz NOT NULL,
      "sent_at" timestamptz,
      CONSTRAINT "ck_message_state" CHECK ("state" IN ('draft', 'sent', 'failed')),
      CONSTRAINT "pk_message" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_message_branch_id_made_at" ON "message"  ("branch_id", "made_at")`,
  `CREATE TABLE "model_part" (
      "id" uuid NOT NULL,
      "model_id" uuid NOT NULL,
      "position" integer NOT NULL,
      "name" text NOT NULL,
      "role" text NOT NULL,
      "criticality" text NOT NULL,
      "count" integer NOT NULL,
      "mass_g" double precision,
      "tolerance_g" double precision,
      "weigh_group" text NOT NULL DEFAULT '',
      "place" text NOT NULL,
      "look_every_time" boolean NOT NULL,
      "look_for" text NOT NULL DEFAULT '',
      "cost_minor" integer,
      "consumable" jsonb,
      "optics" jsonb NOT NULL DEFAULT '{}',
      "picture_id" uuid,
      CONSTRAINT "ck_model_part_count" CHECK ("count" >= 1),
      CONSTRAINT "pk_model_part" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_model_part_model_id_position" ON "model_part"  ("model_id", "position")`,
  `ALTER TABLE "model" ADD "weigh_groups" jsonb NOT NULL DEFAULT '[]'`,
  `ALTER TABLE "model" ADD "version" integer NOT NULL DEFAULT '1'`,
  `ALTER TABLE "part" ADD "model_part_id" uuid`,
  `ALTER TABLE "part" ADD "weighed" boolean NOT NULL DEFAULT false`,
  `ALTER TABLE "part" ADD "weigh_group" text NOT NULL DEFAULT ''`,
  `ALTER TABLE "part" ADD "look_every_time" boolean NOT NULL DEFAULT false`,
  `ALTER TABLE "part" ADD "look_for" text NOT NULL DEFAULT ''`,
  `ALTER TABLE "part" ADD "wrong_item" text NOT NULL DEFAULT ''`,
  `ALTER TABLE "part" ADD "picture_ids" uuid array NOT NULL DEFAULT '{}'`,
  `ALTER TABLE "part" ADD "consumable" jsonb`,
  `ALTER TABLE "job" ADD "note" text NOT NULL DEFAULT ''`,
  `ALTER TABLE "job" ADD "part_id" uuid`,
  `ALTER TABLE "job" ADD "loan_id" uuid`,
  `ALTER TABLE "job" ADD "owner_id" uuid`,
  `ALTER TABLE "job" ADD "due_on" date`,
  `ALTER TABLE "job" ADD "not_before" timestamptz`,
  `ALTER TABLE "job" ADD "notice_id" uuid`,
  `ALTER TABLE "job" ADD "version" integer NOT NULL DEFAULT '1'`,
  `CREATE INDEX "ix_part_model_part_id" ON "part"  ("model_part_id")`,
  `CREATE UNIQUE INDEX "ix_job_code_part_id_some" ON "job"  ("part_id", "code") WHERE "closed_at" IS NULL AND "part_id" IS NOT NULL`,
  `ALTER TABLE "spare" ADD CONSTRAINT "fk_spare_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id")`,
  `ALTER TABLE "weighing" ADD CONSTRAINT "fk_weighing_kit_id" FOREIGN KEY ("kit_id") REFERENCES "kit"("id")`,
  `ALTER TABLE "weighing" ADD CONSTRAINT "fk_weighing_loan_id" FOREIGN KEY ("loan_id") REFERENCES "loan"("id")`,
  `ALTER TABLE "weighing" ADD CONSTRAINT "fk_weighing_by_staff_id" FOREIGN KEY ("by_staff_id") REFERENCES "staff"("id")`,
  `ALTER TABLE "picture" ADD CONSTRAINT "fk_picture_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id")`,
  `ALTER TABLE "picture" ADD CONSTRAINT "fk_picture_by_staff_id" FOREIGN KEY ("by_staff_id") REFERENCES "staff"("id")`,
  `ALTER TABLE "remembered" ADD CONSTRAINT "fk_remembered_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id")`,
  `ALTER TABLE "take_back_draft" ADD CONSTRAINT "fk_take_back_draft_loan_id" FOREIGN KEY ("loan_id") REFERENCES "loan"("id")`,
  `ALTER TABLE "notice" ADD CONSTRAINT "fk_notice_model_id" FOREIGN KEY ("model_id") REFERENCES "model"("id")`,
  `ALTER TABLE "notice" ADD CONSTRAINT "fk_notice_by_staff_id" FOREIGN KEY ("by_staff_id") REFERENCES "staff"("id")`,
  `ALTER TABLE "message" ADD CONSTRAINT "fk_message_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id")`,
  `ALTER TABLE "message" ADD CONSTRAINT "fk_message_borrower_id" FOREIGN KEY ("borrower_id") REFERENCES "borrower"("id")`,
  `ALTER TABLE "message" ADD CONSTRAINT "fk_message_loan_id" FOREIGN KEY ("loan_id") REFERENCES "loan"("id")`,
  `ALTER TABLE "message" ADD CONSTRAINT "fk_message_kit_id" FOREIGN KEY ("kit_id") REFERENCES "kit"("id")`,
  `ALTER TABLE "message" ADD CONSTRAINT "fk_message_by_staff_id" FOREIGN KEY ("by_staff_id") REFERENCES "staff"("id")`,
  `ALTER TABLE "model_part" ADD CONSTRAINT "fk_model_part_model_id" FOREIGN KEY ("model_id") REFERENCES "model"("id")`,
  `ALTER TABLE "model_part" ADD CONSTRAINT "fk_model_part_picture_id" FOREIGN KEY ("picture_id") REFERENCES "picture"("id")`,
  `ALTER TABLE "part" ADD CONSTRAINT "fk_part_model_part_id" FOREIGN KEY ("model_part_id") REFERENCES "model_part"("id") ON DELETE SET NULL`,
  `ALTER TABLE "job" ADD CONSTRAINT "fk_job_part_id" FOREIGN KEY ("part_id") REFERENCES "part"("id") ON DELETE CASCADE`,
  `ALTER TABLE "job" ADD CONSTRAINT "fk_job_loan_id" FOREIGN KEY ("loan_id") REFERENCES "loan"("id")`,
  `ALTER TABLE "job" ADD CONSTRAINT "fk_job_owner_id" FOREIGN KEY ("owner_id") REFERENCES "staff"("id")`,
  `ALTER TABLE "job" ADD CONSTRAINT "fk_job_notice_id" FOREIGN KEY ("notice_id") REFERENCES "notice"("id")`,
]

/** Roles that were looked at every time before parts said so themselves. */
const looked = `'ring-clamp-screw', 'dovetail-clamp-screw', 'weight-slug', 'shaft-end-stop', 'coin-cell', 'screw-in-sun-filter'`

/** Every model gets the card of its first kit, and the parts of its kits follow it where they are the same. */
const fill = [
  `UPDATE "part" SET "look_every_time" = true WHERE "role" IN (${looked})`,
  `INSERT INTO "model_part" ("id", "model_id", "position", "name", "role", "criticality", "count", "mass_g",
      "tolerance_g", "place", "look_every_time", "cost_minor", "optics")
    SELECT gen_random_uuid(), k.model_id, p.position, p.name, p.role, p.criticality, p.count, p.mass_g, p.tolerance_g,
      p.place, p.look_every_time, p.cost_minor, p.optics
    FROM "part" p
    JOIN (SELECT DISTINCT ON (model_id) id, model_id FROM "kit" ORDER BY model_id, code) k ON k.id = p.kit_id`,
  `UPDATE "part" p SET "model_part_id" = m.id
    FROM "model_part" m, "kit" k
    WHERE k.id = p.kit_id AND m.model_id = k.model_id AND m.name = p.name AND m.role = p.role
      AND m.position = p.position`,
]

const down = [
  `ALTER TABLE "job" DROP CONSTRAINT "fk_job_notice_id"`,
  `ALTER TABLE "job" DROP CONSTRAINT "fk_job_owner_id"`,
  `ALTER TABLE "job" DROP CONSTRAINT "fk_job_loan_id"`,
  `ALTER TABLE "job" DROP CONSTRAINT "fk_job_part_id"`,
  `ALTER TABLE "part" DROP CONSTRAINT "fk_part_model_part_id"`,
  `ALTER TABLE "model_part" DROP CONSTRAINT "fk_model_part_picture_id"`,
  `ALTER TABLE "model_part" DROP CONSTRAINT "fk_model_part_model_id"`,
  `ALTER TABLE "message" DROP CONSTRAINT "fk_message_by_staff_id"`,
  `ALTER TABLE "message" DROP CONSTRAINT "fk_message_kit_id"`,
  `ALTER TABLE "message" DROP CONSTRAINT "fk_message_loan_id"`,
  `ALTER TABLE "message" DROP CONSTRAINT "fk_message_borrower_id"`,
  `ALTER TABLE "message" DROP CONSTRAINT "fk_message_branch_id"`,
  `ALTER TABLE "notice" DROP CONSTRAINT "fk_notice_by_staff_id"`,
  `ALTER TABLE "notice" DROP CONSTRAINT "fk_notice_model_id"`,
  `ALTER TABLE "take_back_draft" DROP CONSTRAINT "fk_take_back_draft_loan_id"`,
  `ALTER TABLE "remembered" DROP CONSTRAINT "fk_remembered_branch_id"`,
  `ALTER TABLE "picture" DROP CONSTRAINT "fk_picture_by_staff_id"`,
  `ALTER TABLE "picture" DROP CONSTRAINT "fk_picture_branch_id"`,
  `ALTER TABLE "weighing" DROP CONSTRAINT "fk_weighing_by_staff_id"`,
  `ALTER TABLE "weighing" DROP CONSTRAINT "fk_weighing_loan_id"`,
  `ALTER TABLE "weighing" DROP CONSTRAINT "fk_weighing_kit_id"`,
  `ALTER TABLE "spare" DROP CONSTRAINT "fk_spare_branch_id"`,
  `DROP INDEX "ix_job_code_part_id_some"`,
  `DROP INDEX "ix_part_model_part_id"`,
  `ALTER TABLE "job" DROP COLUMN "version"`,
  `ALTER TABLE "job" DROP COLUMN "notice_id"`,
  `ALTER TABLE "job" DROP COLUMN "not_before"`,
  `ALTER TABLE "job" DROP COLUMN "due_on"`,
  `ALTER TABLE "job" DROP COLUMN "owner_id"`,
  `ALTER TABLE "job" DROP COLUMN "loan_id"`,
  `ALTER TABLE "job" DROP COLUMN "part_id"`,
  `ALTER TABLE "job" DROP COLUMN "note"`,
  `ALTER TABLE "part" DROP COLUMN "consumable"`,
  `ALTER TABLE "part" DROP COLUMN "picture_ids"`,
  `ALTER TABLE "part" DROP COLUMN "wrong_item"`,
  `ALTER TABLE "part" DROP COLUMN "look_for"`,
  `ALTER TABLE "part" DROP COLUMN "look_every_time"`,
  `ALTER TABLE "part" DROP COLUMN "weigh_group"`,
  `ALTER TABLE "part" DROP COLUMN "weighed"`,
  `ALTER TABLE "part" DROP COLUMN "model_part_id"`,
  `ALTER TABLE "model" DROP COLUMN "version"`,
  `ALTER TABLE "model" DROP COLUMN "weigh_groups"`,
  `DROP INDEX "ix_model_part_model_id_position"`,
  `DROP TABLE "model_part"`,
  `DROP INDEX "ix_message_branch_id_made_at"`,
  `DROP TABLE "message"`,
  `DROP TABLE "notice"`,
  `DROP TABLE "take_back_draft"`,
  `DROP TABLE "remembered"`,
  `DROP TABLE "picture"`,
  `DROP INDEX "ix_weighing_at_kit_id"`,
  `DROP TABLE "weighing"`,
  `DROP INDEX "ix_spare_branch_id_name"`,
  `DROP TABLE "spare"`,
]
