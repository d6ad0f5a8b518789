import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Everything the first round trip needs: people, kits, loans, checks, guides and the record. */
export class RoundTrip1764000000000 implements MigrationInterface {
  name = 'RoundTrip1764000000000'

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of statements) await runner.query(statement)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP FUNCTION refuse_change() CASCADE')
    for (const table of tables) await runner.query(`DROP TABLE "${table}" CASCADE`)
  }
}

const tables = [
  'bench_check',
  'reading',
  'guide',
  'model',
  'kit',
  'part',
  'job',
  'borrower',
  'agreement',
  'loan',
  'take_back',
  'branch',
  'staff',
  'membership',
  'session',
  'invitation',
  'record',
  'sent_once',
]

const statements = [
  `CREATE TABLE "bench_check" (
      "id" uuid NOT NULL,
      "kit_id" uuid NOT NULL,
      "by_staff_id" uuid NOT NULL,
      "at" timestamptz NOT NULL,
      "stations" jsonb NOT NULL,
      CONSTRAINT "pk_bench_check" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_bench_check_at_kit_id" ON "bench_check"  ("kit_id", "at")`,
  `CREATE TABLE "reading" (
      "id" uuid NOT NULL,
      "kit_id" uuid NOT NULL,
      "check_id" uuid NOT NULL,
      "kind" text NOT NULL,
      "as_found" double precision,
      "as_left" double precision NOT NULL,
      "limit_value" double precision NOT NULL,
      "good" double precision,
      "unit" text NOT NULL,
      "source" text NOT NULL,
      "by_staff_id" uuid NOT NULL,
      "at" timestamptz NOT NULL,
      "current" boolean NOT NULL,
      CONSTRAINT "ck_reading_unit" CHECK ("unit" IN ('mm', 'arcmin', 'judged')),
      CONSTRAINT "pk_reading" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_reading_at_kit_id" ON "reading"  ("kit_id", "at")`,
  `CREATE UNIQUE INDEX "ix_reading_kind_kit_id_some" ON "reading"  ("kit_id", "kind") WHERE "current"`,
  `CREATE TABLE "guide" (
      "id" uuid NOT NULL,
      "loan_id" uuid NOT NULL,
      "content" jsonb NOT NULL,
      "issued_at" timestamptz NOT NULL,
      CONSTRAINT "pk_guide" PRIMARY KEY ("id")
    )`,
  `CREATE UNIQUE INDEX "ix_guide_loan_id" ON "guide"  ("loan_id")`,
  `CREATE TABLE "model" (
      "id" uuid NOT NULL,
      "name" text NOT NULL,
      "family" text NOT NULL,
      "optics" jsonb NOT NULL,
      CONSTRAINT "pk_model" PRIMARY KEY ("id")
    )`,
  `CREATE TABLE "kit" (
      "id" uuid NOT NULL,
      "branch_id" uuid NOT NULL,
      "model_id" uuid NOT NULL,
      "code" text NOT NULL,
      "name" text NOT NULL,
      "place" text NOT NULL,
      "stands_at" text NOT NULL,
      "collimation_policy" text NOT NULL DEFAULT 'leave-it-to-us',
      "hazards" text array NOT NULL DEFAULT '{}',
      "version" integer NOT NULL DEFAULT '1',
      CONSTRAINT "ck_kit_collimation" CHECK ("collimation_policy" IN ('leave-it-to-us', 'with-help-sheet')),
      CONSTRAINT "ck_kit_stands_at" CHECK ("stands_at" IN ('shelf', 'bench')),
      CONSTRAINT "pk_kit" PRIMARY KEY ("id")
    )`,
  `CREATE UNIQUE INDEX "ix_kit_code" ON "kit"  ("code")`,
  `CREATE INDEX "ix_kit_branch_id" ON "kit"  ("branch_id")`,
  `CREATE TABLE "part" (
      "id" uuid NOT NULL,
      "kit_id" uuid NOT NULL,
      "position" integer NOT NULL,
      "name" text NOT NULL,
      "role" text NOT NULL,
      "criticality" text NOT NULL,
      "count" integer NOT NULL,
      "present_count" integer NOT NULL,
      "mass_g" double precision,
      "tolerance_g" double precision,
      "place" text NOT NULL,
      "mark" text NOT NULL,
      "note" text NOT NULL DEFAULT '',
      "cost_minor" integer,
      "optics" jsonb NOT NULL DEFAULT '{}',
      CONSTRAINT "ck_part_mark" CHECK ("mark" IN ('present', 'missing', 'damaged', 'wrong', 'unseen')),
      CONSTRAINT "ck_part_counts" CHECK ("count" >= 1 AND "present_count" >= 0 AND "present_count" <= "count"),
      CONSTRAINT "pk_part" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_part_kit_id_position" ON "part"  ("kit_id", "position")`,
  `CREATE TABLE "job" (
      "id" uuid NOT NULL,
      "kit_id" uuid NOT NULL,
      "code" text NOT NULL,
      "text" text NOT NULL DEFAULT '',
      "opened_at" timestamptz NOT NULL,
      "closed_at" timestamptz,
      CONSTRAINT "pk_job" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_job_kit_id_some" ON "job"  ("kit_id") WHERE "closed_at" IS NULL`,
  `CREATE TABLE "borrower" (
      "id" uuid NOT NULL,
      "branch_id" uuid NOT NULL,
      "name" text NOT NULL,
      "contact" text NOT NULL,
      "card_number" text NOT NULL DEFAULT '',
      CONSTRAINT "pk_borrower" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_borrower_branch_id_name" ON "borrower"  ("branch_id", "name")`,
  `CREATE TABLE "agreement" (
      "id" uuid NOT NULL,
      "branch_id" uuid NOT NULL,
      "version" integer NOT NULL,
      "text" text NOT NULL,
      "valid_from" timestamptz NOT NULL,
      CONSTRAINT "uq_agreement_branch_id_version" UNIQUE ("branch_id", "version"),
      CONSTRAINT "pk_agreement" PRIMARY KEY ("id")
    )`,
  `CREATE TABLE "loan" (
      "id" uuid NOT NULL,
      "number" SERIAL NOT NULL,
      "branch_id" uuid NOT NULL,
      "kit_id" uuid NOT NULL,
      "borrower_id" uuid NOT NULL,
      "state" text NOT NULL,
      "promised_for" timestamptz,
      "out_at" timestamptz,
      "due_at" timestamptz,
      "back_at" timestamptz,
      "handed_out_by" uuid,
      "agreement_id" uuid,
      "acceptance" text,
      "overrule_reason" text NOT NULL DEFAULT '',
      "link_hash" text,
      "link_ends_at" timestamptz,
      "version" integer NOT NULL DEFAULT '1',
      CONSTRAINT "ck_loan_out" CHECK ("state" NOT IN ('out', 'back') OR ("out_at" IS NOT NULL AND "due_at" IS NOT NULL)),
      CONSTRAINT "ck_loan_state" CHECK ("state" IN ('promised', 'out', 'back', 'cancelled')),
      CONSTRAINT "pk_loan" PRIMARY KEY ("id")
    )`,
  `CREATE UNIQUE INDEX "ix_loan_link_hash_some" ON "loan"  ("link_hash") WHERE "link_hash" IS NOT NULL`,
  `CREATE INDEX "ix_loan_branch_id_state" ON "loan"  ("branch_id", "state")`,
  `CREATE UNIQUE INDEX "ix_loan_kit_id_some" ON "loan"  ("kit_id") WHERE "state" = 'out'`,
  `CREATE INDEX "ix_loan_kit_id_state" ON "loan"  ("kit_id", "state")`,
  `CREATE TABLE "take_back" (
      "id" uuid NOT NULL,
      "loan_id" uuid NOT NULL,
      "marks" jsonb NOT NULL,
      "answers" jsonb,
      "proposed" text NOT NULL,
      "outcome" text NOT NULL,
      "outcome_reason" text NOT NULL DEFAULT '',
      "correction" boolean NOT NULL DEFAULT false,
      "by_staff_id" uuid NOT NULL,
      "at" timestamptz NOT NULL,
      CONSTRAINT "pk_take_back" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_take_back_loan_id" ON "take_back"  ("loan_id")`,
  `CREATE TABLE "branch" (
      "id" uuid NOT NULL,
      "name" text NOT NULL,
      "zone" text NOT NULL,
      "emergency_line" text NOT NULL,
      "currency" text NOT NULL DEFAULT 'EUR',
      "loan_days" integer NOT NULL DEFAULT '14',
      "return_time" text NOT NULL DEFAULT '17:00',
      "policies" jsonb NOT NULL,
      CONSTRAINT "pk_branch" PRIMARY KEY ("id")
    )`,
  `CREATE TABLE "staff" (
      "id" uuid NOT NULL,
      "name" text NOT NULL,
      "email" text NOT NULL,
      "password_hash" text,
      "closed_at" timestamptz,
      CONSTRAINT "pk_staff" PRIMARY KEY ("id")
    )`,
  `CREATE TABLE "membership" (
      "staff_id" uuid NOT NULL,
      "branch_id" uuid NOT NULL,
      "role" text NOT NULL,
      CONSTRAINT "ck_membership_role" CHECK ("role" IN ('coordinator', 'volunteer', 'read-only')),
      CONSTRAINT "pk_membership" PRIMARY KEY ("staff_id", "branch_id")
    )`,
  `CREATE TABLE "session" (
      "token_hash" text NOT NULL,
      "staff_id" uuid NOT NULL,
      "expires_at" timestamptz NOT NULL,
      CONSTRAINT "pk_session" PRIMARY KEY ("token_hash")
    )`,
  `CREATE INDEX "ix_session_staff_id" ON "session"  ("staff_id")`,
  `CREATE TABLE "invitation" (
      "token_hash" text NOT NULL,
      "kind" text NOT NULL,
      "staff_id" uuid,
      "branch_id" uuid,
      "expires_at" timestamptz NOT NULL,
      "used_at" timestamptz,
      CONSTRAINT "ck_invitation_kind" CHECK ("kind" IN ('first-coordinator', 'invite', 'reset')),
      CONSTRAINT "pk_invitation" PRIMARY KEY ("token_hash")
    )`,
  `CREATE TABLE "record" (
      "id" bigint GENERATED ALWAYS AS IDENTITY NOT NULL,
      "at" timestamptz NOT NULL,
      "branch_id" uuid NOT NULL,
      "kit_id" uuid,
      "loan_id" uuid,
      "staff_id" uuid,
      "act" text NOT NULL,
      "before" jsonb,
      "after" jsonb,
      CONSTRAINT "pk_record" PRIMARY KEY ("id")
    )`,
  `CREATE INDEX "ix_record_id_kit_id" ON "record"  ("kit_id", "id")`,
  `CREATE TABLE "sent_once" (
      "key" uuid NOT NULL,
      "staff_id" uuid NOT NULL,
      "answer" jsonb,
      "created_at" timestamptz NOT NULL DEFAULT now(),
      CONSTRAINT "pk_sent_once" PRIMARY KEY ("key")
    )`,
  `ALTER TABLE "bench_check" ADD CONSTRAINT "fk_bench_check_kit_id" FOREIGN KEY ("kit_id") REFERENCES "kit"("id")`,
  `ALTER TABLE "bench_check" ADD CONSTRAINT "fk_bench_check_by_staff_id" FOREIGN KEY ("by_staff_id") REFERENCES "staff"("id")`,
  `ALTER TABLE "reading" ADD CONSTRAINT "fk_reading_kit_id" FOREIGN KEY ("kit_id") REFERENCES "kit"("id")`,
  `ALTER TABLE "reading" ADD CONSTRAINT "fk_reading_check_id" FOREIGN KEY ("check_id") REFERENCES "bench_check"("id")`,
  `ALTER TABLE "reading" ADD CONSTRAINT "fk_reading_by_staff_id" FOREIGN KEY ("by_staff_id") REFERENCES "staff"("id")`,
  `ALTER TABLE "guide" ADD CONSTRAINT "fk_guide_loan_id" FOREIGN KEY ("loan_id") REFERENCES "loan"("id")`,
  `ALTER TABLE "kit" ADD CONSTRAINT "fk_kit_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id")`,
  `ALTER TABLE "kit" ADD CONSTRAINT "fk_kit_model_id" FOREIGN KEY ("model_id") REFERENCES "model"("id")`,
  `ALTER TABLE "part" ADD CONSTRAINT "fk_part_kit_id" FOREIGN KEY ("kit_id") REFERENCES "kit"("id")`,
  `ALTER TABLE "job" ADD CONSTRAINT "fk_job_kit_id" FOREIGN KEY ("kit_id") REFERENCES "kit"("id")`,
  `ALTER TABLE "borrower" ADD CONSTRAINT "fk_borrower_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id")`,
  `ALTER TABLE "agreement" ADD CONSTRAINT "fk_agreement_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id")`,
  `ALTER TABLE "loan" ADD CONSTRAINT "fk_loan_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id")`,
  `ALTER TABLE "loan" ADD CONSTRAINT "fk_loan_kit_id" FOREIGN KEY ("kit_id") REFERENCES "kit"("id")`,
  `ALTER TABLE "loan" ADD CONSTRAINT "fk_loan_borrower_id" FOREIGN KEY ("borrower_id") REFERENCES "borrower"("id")`,
  `ALTER TABLE "loan" ADD CONSTRAINT "fk_loan_handed_out_by" FOREIGN KEY ("handed_out_by") REFERENCES "staff"("id")`,
  `ALTER TABLE "loan" ADD CONSTRAINT "fk_loan_agreement_id" FOREIGN KEY ("agreement_id") REFERENCES "agreement"("id")`,
  `ALTER TABLE "take_back" ADD CONSTRAINT "fk_take_back_loan_id" FOREIGN KEY ("loan_id") REFERENCES "loan"("id")`,
  `ALTER TABLE "take_back" ADD CONSTRAINT "fk_take_back_by_staff_id" FOREIGN KEY ("by_staff_id") REFERENCES "staff"("id")`,
  `ALTER TABLE "membership" ADD CONSTRAINT "fk_membership_staff_id" FOREIGN KEY ("staff_id") REFERENCES "staff"("id")`,
  `ALTER TABLE "membership" ADD CONSTRAINT "fk_membership_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id")`,
  `ALTER TABLE "session" ADD CONSTRAINT "fk_session_staff_id" FOREIGN KEY ("staff_id") REFERENCES "staff"("id")`,
  `ALTER TABLE "invitation" ADD CONSTRAINT "fk_invitation_staff_id" FOREIGN KEY ("staff_id") REFERENCES "staff"("id")`,
  `ALTER TABLE "invitation" ADD CONSTRAINT "fk_invitation_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id")`,
  `ALTER TABLE "record" ADD CONSTRAINT "fk_record_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id")`,
  `ALTER TABLE "sent_once" ADD CONSTRAINT "fk_sent_once_staff_id" FOREIGN KEY ("staff_id") REFERENCES "staff"("id")`,
  // Mail addresses are the same in any case.
  `CREATE UNIQUE INDEX "uq_staff_email_lower" ON "staff" (lower("email"))`,
  // The record is append-only, for everyone and for ever.
  `CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN
      RAISE EXCEPTION 'the record is append-only: a correction is a new row';
    END $$`,
  `CREATE TRIGGER record_is_append_only BEFORE UPDATE OR DELETE ON "record"
    FOR EACH ROW EXECUTE FUNCTION refuse_change()`,
]
