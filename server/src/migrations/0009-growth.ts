import type { MigrationInterface, QueryRunner } from 'typeorm'

/** No read grows with history: indexes for what is searched and walked, losses and step medians as small tables. */
export class Growth1764800000000 implements MigrationInterface {
  name = 'Growth1764800000000'

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of up) await runner.query(statement)
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of down) await runner.query(statement)
  }
}

const walked = [
  ['loan', 'borrower_id'],
  ['job', 'loan_id'],
  ['job', 'part_id'],
  ['kit', 'model_id'],
  ['reading', 'check_id'],
  ['weighing', 'loan_id'],
  ['message', 'borrower_id'],
  ['message', 'kit_id'],
  ['message', 'loan_id'],
  ['extra_part', 'loan_id'],
] as const

const up = [
  // Trusted: whoever owns the database may add it.
  `CREATE EXTENSION IF NOT EXISTS pg_trgm`,
  ...walked.map(([table, column]) => `CREATE INDEX "ix_${table}_${column}" ON "${table}" ("${column}")`),
  `CREATE INDEX "ix_borrower_name_letters" ON "borrower" USING gin ("name" gin_trgm_ops)`,
  `CREATE INDEX "ix_borrower_card_number_letters" ON "borrower" USING gin ("card_number" gin_trgm_ops)`,
  `CREATE INDEX "ix_part_name_letters" ON "part" USING gin ("name" gin_trgm_ops)`,
  `CREATE INDEX "ix_loan_number" ON "loan" ("number")`,
  `CREATE UNIQUE INDEX "uq_kit_code_upper" ON "kit" (upper("code"))`,
  `CREATE TABLE "role_loss" (
      "branch_id" uuid NOT NULL,
      "role" text NOT NULL,
      "year" integer NOT NULL,
      "losses" integer NOT NULL,
      "piece_loans" integer NOT NULL,
      CONSTRAINT "pk_role_loss" PRIMARY KEY ("branch_id", "role", "year")
    )`,
  `ALTER TABLE "role_loss" ADD CONSTRAINT "fk_role_loss_branch_id" FOREIGN KEY ("branch_id") REFERENCES "branch"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `INSERT INTO role_loss (branch_id, role, year, losses, piece_loans)
   SELECT l.branch_id, p.role, date_part('year', t.at AT TIME ZONE 'UTC')::int,
     sum(CASE WHEN m->>'mark' = 'missing' THEN p.count - (m->>'presentCount')::int ELSE 0 END)::int, sum(p.count)::int
   FROM take_back t JOIN loan l ON l.id = t.loan_id CROSS JOIN LATERAL jsonb_array_elements(t.marks) m
   JOIN part p ON p.id = (m->>'partId')::uuid
   WHERE NOT t.correction GROUP BY 1, 2, 3`,
  `ALTER TABLE "step_time" ADD "at" timestamptz NOT NULL DEFAULT now()`,
  `UPDATE step_time s SET at = c.at FROM bench_check c WHERE c.id = s.check_id`,
  `ALTER TABLE "step_time" ALTER COLUMN "at" DROP DEFAULT`,
  `DROP INDEX "ix_step_time_model_id_step_key"`,
  `CREATE INDEX "ix_step_time_at_model_id_step_key" ON "step_time" ("model_id", "step_key", "at")`,
  `CREATE TABLE "step_median" (
      "model_id" uuid NOT NULL,
      "step_key" text NOT NULL,
      "median_seconds" double precision NOT NULL,
      "times" integer NOT NULL,
      CONSTRAINT "pk_step_median" PRIMARY KEY ("model_id", "step_key")
    )`,
  `ALTER TABLE "step_median" ADD CONSTRAINT "fk_step_median_model_id" FOREIGN KEY ("model_id") REFERENCES "model"("id") ON DELETE NO ACTION ON UPDATE NO ACTION`,
  `INSERT INTO step_median (model_id, step_key, median_seconds, times)
   SELECT model_id, step_key, percentile_cont(0.5) WITHIN GROUP (ORDER BY seconds), count(*)::int
   FROM step_time GROUP BY model_id, step_key`,
]

const down = [
  `DROP TABLE "step_median"`,
  `DROP INDEX "ix_step_time_at_model_id_step_key"`,
  `CREATE INDEX "ix_step_time_model_id_step_key" ON "step_time" ("model_id", "step_key")`,
  `ALTER TABLE "step_time" DROP COLUMN "at"`,
  `DROP TABLE "role_loss"`,
  `DROP INDEX "uq_kit_code_upper"`,
  `DROP INDEX "ix_loan_number"`,
  `DROP INDEX "ix_part_name_letters"`,
  `DROP INDEX "ix_borrower_card_number_letters"`,
  `DROP INDEX "ix_borrower_name_letters"`,
  ...walked.map(([table, column]) => `DROP INDEX "ix_${table}_${column}"`),
  `DROP EXTENSION pg_trgm`,
]
