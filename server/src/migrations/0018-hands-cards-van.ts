import type { MigrationInterface, QueryRunner } from 'typeorm'

const tables = [
  `CREATE TABLE "bench_skill" ("branch_id" uuid NOT NULL, "staff_id" uuid NOT NULL, "skills" text array NOT NULL,
    CONSTRAINT "pk_bench_skill" PRIMARY KEY ("branch_id", "staff_id"))`,
  `CREATE TABLE "bench_seat" ("evening_id" uuid NOT NULL, "staff_id" uuid NOT NULL, "seat" integer NOT NULL,
    CONSTRAINT "pk_bench_seat" PRIMARY KEY ("evening_id", "staff_id"))`,
  `CREATE TABLE "kit_drift" ("kit_id" uuid NOT NULL, "limit_mm" double precision NOT NULL,
    "chance_after" double precision array NOT NULL, "loans_since" integer NOT NULL DEFAULT 0,
    CONSTRAINT "pk_kit_drift" PRIMARY KEY ("kit_id"))`,
  `CREATE TABLE "transfer" ("id" uuid NOT NULL, "kit_id" uuid NOT NULL, "from_branch_id" uuid NOT NULL, "to_branch_id" uuid NOT NULL,
    "on_day" date NOT NULL, "state" text NOT NULL, "by_staff_id" uuid NOT NULL, "arrived_at" timestamptz,
    "version" integer NOT NULL DEFAULT 1,
    CONSTRAINT "ck_transfer_state" CHECK ("state" IN ('planned', 'arrived', 'cancelled')),
    CONSTRAINT "ck_transfer_branches" CHECK ("from_branch_id" <> "to_branch_id"),
    CONSTRAINT "pk_transfer" PRIMARY KEY ("id"))`,
]
const keys = [
  ['bench_skill', 'branch_id', 'branch', ''],
  ['bench_skill', 'staff_id', 'staff', ''],
  ['bench_seat', 'evening_id', 'bench_evening', ' ON DELETE CASCADE'],
  ['bench_seat', 'staff_id', 'staff', ''],
  ['kit_drift', 'kit_id', 'kit', ''],
  ['transfer', 'kit_id', 'kit', ''],
  ['transfer', 'from_branch_id', 'branch', ''],
  ['transfer', 'to_branch_id', 'branch', ''],
  ['transfer', 'by_staff_id', 'staff', ''],
] as const
const indexes = [
  // A kit travels once at a time: where it will be is never a question of two plans.
  `CREATE UNIQUE INDEX "ix_transfer_kit_id_some" ON "transfer" ("kit_id") WHERE "state" = 'planned'`,
  `CREATE INDEX "ix_transfer_from_branch_id_state" ON "transfer" ("from_branch_id", "state")`,
  `CREATE INDEX "ix_transfer_state_to_branch_id" ON "transfer" ("to_branch_id", "state")`,
  `CREATE UNIQUE INDEX "ix_bench_seat_evening_id_seat" ON "bench_seat" ("evening_id", "seat")`,
]

export class HandsCardsVan1765700000000 implements MigrationInterface {
  name = 'HandsCardsVan1765700000000'

  async up(runner: QueryRunner): Promise<void> {
    for (const table of tables) await runner.query(table)
    for (const [table, column, other, also] of keys)
      await runner.query(
        `ALTER TABLE "${table}" ADD CONSTRAINT "fk_${table}_${column}" FOREIGN KEY ("${column}") REFERENCES "${other}"("id")${also}`,
      )
    for (const index of indexes) await runner.query(index)
    // Guides whose borrower was forgotten say so, instead of leaving the name out, which no reader expects.
    await runner.query(`UPDATE guide SET content = content || '{"firstName": null}' WHERE NOT content ? 'firstName'`)
    await runner.query(`ALTER TABLE "opening" ADD "van_weekdays" integer array NOT NULL DEFAULT '{}'`)
    await runner.query(`ALTER TABLE "borrower" ADD "level" text`)
    await runner.query(`ALTER TABLE "borrower_policy" ADD "card_only" boolean NOT NULL DEFAULT false`)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "borrower_policy" DROP "card_only"`)
    await runner.query(`ALTER TABLE "borrower" DROP "level"`)
    await runner.query(`ALTER TABLE "opening" DROP "van_weekdays"`)
    for (const table of ['kit_drift', 'transfer', 'bench_seat', 'bench_skill'])
      await runner.query(`DROP TABLE "${table}"`)
  }
}
