import type { MigrationInterface, QueryRunner } from 'typeorm'

export class UpkeepMarks1765400000000 implements MigrationInterface {
  name = 'UpkeepMarks1765400000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE "upkeep_mark" ("name" text NOT NULL, "at" timestamptz NOT NULL,
      CONSTRAINT "pk_upkeep_mark" PRIMARY KEY ("name"))`)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "upkeep_mark"`)
  }
}
