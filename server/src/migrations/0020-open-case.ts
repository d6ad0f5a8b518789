import type { MigrationInterface, QueryRunner } from 'typeorm'

const tables = [
  `CREATE TABLE "open_case" ("kit_id" uuid NOT NULL, "width_mm" integer NOT NULL, "height_mm" integer NOT NULL,
    "places" jsonb NOT NULL, "version" integer NOT NULL DEFAULT 1, CONSTRAINT "pk_open_case" PRIMARY KEY ("kit_id"))`,
  `CREATE TABLE "case_view" ("id" uuid NOT NULL, "kit_id" uuid NOT NULL, "picture_id" uuid NOT NULL, "marks" jsonb NOT NULL,
    "is_reference" boolean NOT NULL, "reference_for" uuid array, "loan_id" uuid, "compared" jsonb,
    "by_staff_id" uuid NOT NULL, "at" timestamptz NOT NULL, CONSTRAINT "pk_case_view" PRIMARY KEY ("id"))`,
  `CREATE TABLE "spread" ("id" uuid NOT NULL, "branch_id" uuid NOT NULL, "origin" text NOT NULL, "losses" jsonb NOT NULL,
    "drift" jsonb NOT NULL, "by_staff_id" uuid NOT NULL, "at" timestamptz NOT NULL, CONSTRAINT "pk_spread" PRIMARY KEY ("id"))`,
]
const keys = [
  ['open_case', 'kit_id', 'kit'],
  ['case_view', 'kit_id', 'kit'],
  ['case_view', 'picture_id', 'picture'],
  ['case_view', 'loan_id', 'loan'],
  ['case_view', 'by_staff_id', 'staff'],
  ['spread', 'branch_id', 'branch'],
  ['spread', 'by_staff_id', 'staff'],
] as const
const indexes = [
  'CREATE INDEX "ix_spread_branch_id" ON "spread" ("branch_id")',
  'CREATE INDEX "ix_case_view_at_kit_id" ON "case_view" ("kit_id", "at")',
  'CREATE INDEX "ix_case_view_loan_id" ON "case_view" ("loan_id")',
  'CREATE INDEX "ix_case_view_picture_id" ON "case_view" ("picture_id")',
  // What a kit's borrowers looked at from afar is shown at its bench.
  'CREATE INDEX "ix_borrower_message_at_kit_id" ON "borrower_message" ("kit_id", "at")',
]

async function messageKinds(runner: QueryRunner, kinds: readonly string[]): Promise<void> {
  await runner.query('ALTER TABLE "borrower_message" DROP CONSTRAINT "ck_borrower_message_kind"')
  await runner.query(
    `ALTER TABLE "borrower_message" ADD CONSTRAINT "ck_borrower_message_kind" CHECK ("kind" IN (${kinds.map((kind) => `'${kind}'`).join(', ')}))`,
  )
}

/** Where a case's compartments lie, and pictures of it; shakes in seconds; what other programmes told. */
export class OpenCase1765900000000 implements MigrationInterface {
  name = 'OpenCase1765900000000'

  async up(runner: QueryRunner): Promise<void> {
    for (const table of tables) await runner.query(table)
    for (const [table, column, other] of keys)
      await runner.query(
        `ALTER TABLE "${table}" ADD CONSTRAINT "fk_${table}_${column}" FOREIGN KEY ("${column}") REFERENCES "${other}"("id")`,
      )
    for (const index of indexes) await runner.query(index)
    await messageKinds(runner, ['report', 'contents', 'look'])
    // How long a stand shakes after a tap is a reading in seconds.
    await runner.query('ALTER TABLE "reading" DROP CONSTRAINT "ck_reading_unit"')
    await runner.query(
      `ALTER TABLE "reading" ADD CONSTRAINT "ck_reading_unit" CHECK ("unit" IN ('mm', 'arcmin', 'deg', 's', 'judged'))`,
    )
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DELETE FROM "reading" WHERE "unit" = 's'`)
    await runner.query('ALTER TABLE "reading" DROP CONSTRAINT "ck_reading_unit"')
    await runner.query(
      `ALTER TABLE "reading" ADD CONSTRAINT "ck_reading_unit" CHECK ("unit" IN ('mm', 'arcmin', 'deg', 'judged'))`,
    )
    await runner.query('DROP INDEX "ix_borrower_message_at_kit_id"')
    await runner.query(`DELETE FROM "borrower_message" WHERE "kind" = 'look'`)
    await messageKinds(runner, ['report', 'contents'])
    for (const table of ['spread', 'case_view', 'open_case']) await runner.query(`DROP TABLE "${table}"`)
  }
}
