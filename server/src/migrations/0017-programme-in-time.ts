import type { MigrationInterface, QueryRunner } from 'typeorm'

const tables = [
  `CREATE TABLE "reminder_policy" ("branch_id" uuid NOT NULL, "policy" jsonb NOT NULL,
    CONSTRAINT "pk_reminder_policy" PRIMARY KEY ("branch_id"))`,
  `CREATE TABLE "reminder_text" ("branch_id" uuid NOT NULL, "kind" text NOT NULL, "language" text NOT NULL,
    "subject" text NOT NULL, "body" text NOT NULL,
    CONSTRAINT "pk_reminder_text" PRIMARY KEY ("branch_id", "kind", "language"))`,
  `CREATE TABLE "borrower_policy" ("branch_id" uuid NOT NULL, "unlink_days" integer NOT NULL,
    CONSTRAINT "pk_borrower_policy" PRIMARY KEY ("branch_id"))`,
  `CREATE TABLE "waiting_request" ("id" uuid NOT NULL, "branch_id" uuid NOT NULL, "borrower_id" uuid NOT NULL,
    "asked_at" timestamptz NOT NULL, "kinds" text array NOT NULL, "earliest_on" date NOT NULL, "latest_on" date NOT NULL,
    "length_days" integer NOT NULL, "wants_dark" boolean NOT NULL, "note" text NOT NULL DEFAULT '', "state" text NOT NULL,
    "offer_loan_id" uuid, "offer_ends_at" timestamptz, "version" integer NOT NULL DEFAULT 1,
    CONSTRAINT "ck_waiting_request_state" CHECK ("state" IN ('waiting', 'offered', 'served', 'gone')),
    CONSTRAINT "ck_waiting_request_days" CHECK ("earliest_on" <= "latest_on"),
    CONSTRAINT "pk_waiting_request" PRIMARY KEY ("id"))`,
  `CREATE TABLE "bench_evening" ("id" uuid NOT NULL, "branch_id" uuid NOT NULL, "on_day" date NOT NULL,
    "seats" integer NOT NULL, "minutes_each" integer NOT NULL, "note" text NOT NULL DEFAULT '',
    CONSTRAINT "ck_bench_evening_room" CHECK ("seats" > 0 AND "minutes_each" > 0),
    CONSTRAINT "pk_bench_evening" PRIMARY KEY ("id"))`,
  `CREATE TABLE "calendar_feed" ("token_hash" text NOT NULL, "branch_id" uuid NOT NULL, "kind" text NOT NULL, "kit_id" uuid,
    "by_staff_id" uuid NOT NULL, "made_at" timestamptz NOT NULL,
    CONSTRAINT "ck_calendar_feed_kind" CHECK ("kind" IN ('loans', 'kit')),
    CONSTRAINT "pk_calendar_feed" PRIMARY KEY ("token_hash"))`,
]
const keys = [
  ['reminder_policy', 'branch_id', 'branch'],
  ['reminder_text', 'branch_id', 'branch'],
  ['borrower_policy', 'branch_id', 'branch'],
  ['waiting_request', 'branch_id', 'branch'],
  ['waiting_request', 'borrower_id', 'borrower'],
  ['waiting_request', 'offer_loan_id', 'loan'],
  ['bench_evening', 'branch_id', 'branch'],
  ['calendar_feed', 'branch_id', 'branch'],
  ['calendar_feed', 'kit_id', 'kit'],
  ['calendar_feed', 'by_staff_id', 'staff'],
] as const
const indexes = [
  `CREATE INDEX "ix_waiting_request_asked_at_branch_id_state" ON "waiting_request" ("branch_id", "state", "asked_at")`,
  `CREATE INDEX "ix_waiting_request_borrower_id" ON "waiting_request" ("borrower_id")`,
  `CREATE INDEX "ix_waiting_request_offer_loan_id" ON "waiting_request" ("offer_loan_id")`,
  `CREATE INDEX "ix_bench_evening_branch_id_on_day" ON "bench_evening" ("branch_id", "on_day")`,
  `CREATE INDEX "ix_calendar_feed_branch_id" ON "calendar_feed" ("branch_id")`,
]

export class ProgrammeInTime1765600000000 implements MigrationInterface {
  name = 'ProgrammeInTime1765600000000'

  async up(runner: QueryRunner): Promise<void> {
    for (const table of tables) await runner.query(table)
    for (const [table, column, other] of keys)
      await runner.query(
        `ALTER TABLE "${table}" ADD CONSTRAINT "fk_${table}_${column}" FOREIGN KEY ("${column}") REFERENCES "${other}"("id")`,
      )
    for (const index of indexes) await runner.query(index)
    await runner.query(
      `ALTER TABLE "borrower" ADD "language" text NOT NULL DEFAULT 'en', ADD "unlinked_at" timestamptz`,
    )
    await runner.query(`ALTER TABLE "loan" ADD "promised_at" timestamptz`)
    // A letter that the house wrote has no writer, and a key that keeps it from being written twice.
    await runner.query(`ALTER TABLE "message" ADD "once_key" text, ALTER "by_staff_id" DROP NOT NULL`)
    await runner.query(
      `CREATE UNIQUE INDEX "ix_message_once_key_some" ON "message" ("once_key") WHERE "once_key" IS NOT NULL`,
    )
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DELETE FROM "message" WHERE "by_staff_id" IS NULL`)
    await runner.query(`DROP INDEX "ix_message_once_key_some"`)
    await runner.query(`ALTER TABLE "message" DROP "once_key", ALTER "by_staff_id" SET NOT NULL`)
    await runner.query(`ALTER TABLE "loan" DROP "promised_at"`)
    await runner.query(`ALTER TABLE "borrower" DROP "unlinked_at", DROP "language"`)
    for (const table of [
      'bench_evening',
      'calendar_feed',
      'waiting_request',
      'borrower_policy',
      'reminder_text',
      'reminder_policy',
    ])
      await runner.query(`DROP TABLE "${table}"`)
  }
}
