import type { MigrationInterface, QueryRunner } from 'typeorm'

/** When a session began and was last used, and how often a password was tried for a person or from an address: counted here,
 * so that several servers count as one. */
export class SignIns1765200000000 implements MigrationInterface {
  name = 'SignIns1765200000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "session" ADD "started_at" timestamptz NOT NULL DEFAULT now()`)
    await runner.query(`ALTER TABLE "session" ADD "last_seen_at" timestamptz NOT NULL DEFAULT now()`)
    await runner.query(`CREATE TABLE "sign_in_try" ("key" text NOT NULL, "tries" integer NOT NULL,
      "since" timestamptz NOT NULL, CONSTRAINT "pk_sign_in_try" PRIMARY KEY ("key"))`)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "sign_in_try"`)
    await runner.query(`ALTER TABLE "session" DROP COLUMN "last_seen_at"`)
    await runner.query(`ALTER TABLE "session" DROP COLUMN "started_at"`)
  }
}
