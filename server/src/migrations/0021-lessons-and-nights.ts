import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Who did the lesson before fetching a kit; how often a model's borrowers saw what they looked for, and where nights stop; what wear a part is known to have; how dark a place gets; how a
 * kit is packed, by its own pictures. */
export class LessonsAndNights1766000000000 implements MigrationInterface {
  name = 'LessonsAndNights1766000000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "part" ADD "known_wear" text NOT NULL DEFAULT ''`)
    await runner.query('ALTER TABLE "site" ADD "sky" text')
    await runner.query(`ALTER TABLE "site" ADD CONSTRAINT "ck_site_sky" CHECK ("sky" IN ('dark', 'fair', 'bright'))`)
    await runner.query('ALTER TABLE "loan" ADD "lesson_done_at" timestamptz')
    await runner.query(`ALTER TABLE "loan" ADD "nights_told" text array NOT NULL DEFAULT '{}'`)
    await runner.query(
      `CREATE TABLE "told_target" ("model_id" uuid NOT NULL, "key" text NOT NULL, "name" text NOT NULL,
        "tried" integer NOT NULL, "saw" integer NOT NULL, CONSTRAINT "pk_told_target" PRIMARY KEY ("model_id", "key"))`,
    )
    await runner.query(
      `CREATE TABLE "told_stop" ("model_id" uuid NOT NULL, "key" text NOT NULL, "title" text NOT NULL,
        "nights" integer NOT NULL, CONSTRAINT "pk_told_stop" PRIMARY KEY ("model_id", "key"))`,
    )
    await runner.query(
      `CREATE TABLE "packing_picture" ("kit_id" uuid NOT NULL, "key" text NOT NULL, "picture_id" uuid NOT NULL,
        "words" text NOT NULL DEFAULT '', "by_staff_id" uuid NOT NULL, "at" timestamptz NOT NULL,
        CONSTRAINT "pk_packing_picture" PRIMARY KEY ("kit_id", "key"))`,
    )
    for (const [column, table] of [
      ['kit_id', 'kit'],
      ['picture_id', 'picture'],
      ['by_staff_id', 'staff'],
    ])
      await runner.query(
        `ALTER TABLE "packing_picture" ADD CONSTRAINT "fk_packing_picture_${column}" FOREIGN KEY ("${column}") REFERENCES "${table}"("id")`,
      )
    for (const table of ['told_target', 'told_stop'])
      await runner.query(
        `ALTER TABLE "${table}" ADD CONSTRAINT "fk_${table}_model_id" FOREIGN KEY ("model_id") REFERENCES "model"("id")`,
      )
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['packing_picture', 'told_stop', 'told_target']) await runner.query(`DROP TABLE "${table}"`)
    await runner.query('ALTER TABLE "loan" DROP COLUMN "nights_told"')
    await runner.query('ALTER TABLE "loan" DROP COLUMN "lesson_done_at"')
    await runner.query('ALTER TABLE "site" DROP COLUMN "sky"')
    await runner.query('ALTER TABLE "part" DROP COLUMN "known_wear"')
  }
}
