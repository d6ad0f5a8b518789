import type { MigrationInterface, QueryRunner } from 'typeorm'

export class SecondFactor1765300000000 implements MigrationInterface {
  name = 'SecondFactor1765300000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE "second_factor" ("staff_id" uuid NOT NULL, "secret" text NOT NULL,
      "confirmed_at" timestamptz, "last_step" bigint NOT NULL DEFAULT '0', "backup_hashes" text array NOT NULL DEFAULT '{}',
      CONSTRAINT "pk_second_factor" PRIMARY KEY ("staff_id"))`)
    await runner.query(
      `ALTER TABLE "second_factor" ADD CONSTRAINT "fk_second_factor_staff_id" FOREIGN KEY ("staff_id") REFERENCES "staff"("id")`,
    )
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "second_factor"`)
  }
}
