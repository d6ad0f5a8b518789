import type { MigrationInterface, QueryRunner } from 'typeorm'

/** A guide knows the shape it was issued in; earlier ones are of none that is known. */
export class IssuedShape1766100000000 implements MigrationInterface {
  name = 'IssuedShape1766100000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "guide" ADD "shape" text NOT NULL DEFAULT ''`)
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "guide" DROP COLUMN "shape"')
  }
}
