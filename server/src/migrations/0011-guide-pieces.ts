import type { MigrationInterface, QueryRunner } from 'typeorm'

/** Guides of loans that are over keep their long parts as pieces that guides share: nothing of what was issued changes. And
 * indexes for what is walked: a loan’s record, a kit’s readings of one kind, its missing parts. */
export class GuidePieces1765000000000 implements MigrationInterface {
  name = 'GuidePieces1765000000000'

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE "guide_piece" ("hash" text NOT NULL, "body" jsonb NOT NULL,
      CONSTRAINT "pk_guide_piece" PRIMARY KEY ("hash"))`)
    await runner.query(`CREATE INDEX "ix_record_loan_id_some" ON "record" ("loan_id") WHERE "loan_id" IS NOT NULL`)
    await runner.query(`CREATE INDEX "ix_reading_at_kind_kit_id" ON "reading" ("kit_id", "kind", "at")`)
    await runner.query(`CREATE INDEX "ix_part_kit_id_some" ON "part" ("kit_id") WHERE "mark" = 'missing'`)
    await runner.query(`ALTER TABLE "guide" ADD "pieces" jsonb NOT NULL DEFAULT '{}'`)
    await runner.query(
      `CREATE TEMPORARY TABLE part ON COMMIT DROP AS
         SELECT g.id, each.lang, each.name, each.body, encode(sha256(convert_to(each.body::text, 'UTF8')), 'hex') AS hash
         FROM guide g JOIN loan l ON l.id = g.loan_id CROSS JOIN LATERAL (
           SELECT lang.key AS lang, part.key AS name, part.value AS body
           FROM jsonb_each(g.content->'texts') lang, jsonb_each(lang.value) part
           UNION ALL SELECT '', 'drawn', g.content->'drawn' WHERE g.content ? 'drawn'
         ) each
         WHERE l.state IN ('back', 'cancelled') AND g.content ? 'texts' AND length(each.body::text) >= 400
           AND (coalesce(g.content->>'firstName', '') = '' OR position(g.content->>'firstName' IN each.body::text) = 0)`,
    )
    await runner.query(`INSERT INTO guide_piece (hash, body) SELECT DISTINCT ON (hash) hash, body FROM part`)
    await runner.query(
      `UPDATE guide g SET pieces = found.pieces, content = jsonb_set(
           CASE WHEN found.pieces->'' ? 'drawn' THEN g.content - 'drawn' ELSE g.content END, '{texts}', (
             SELECT jsonb_object_agg(lang.key, lang.value - coalesce(
               (SELECT array_agg(name) FROM part WHERE part.id = g.id AND part.lang = lang.key), '{}'))
             FROM jsonb_each(g.content->'texts') lang))
       FROM (
         SELECT id, jsonb_object_agg(lang, names) AS pieces FROM (
           SELECT id, lang, jsonb_object_agg(name, hash) AS names FROM part GROUP BY id, lang
         ) by_lang GROUP BY id
       ) found WHERE found.id = g.id`,
    )
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(
      `UPDATE guide g SET content = jsonb_set(g.content, '{texts}', (
           SELECT jsonb_object_agg(lang.key, lang.value || coalesce((
             SELECT jsonb_object_agg(piece.key, kept.body)
             FROM jsonb_each_text(g.pieces->lang.key) piece JOIN guide_piece kept ON kept.hash = piece.value), '{}'))
           FROM jsonb_each(g.content->'texts') lang)) || coalesce((
             SELECT jsonb_object_agg(piece.key, kept.body)
             FROM jsonb_each_text(g.pieces->'') piece JOIN guide_piece kept ON kept.hash = piece.value), '{}')
       WHERE g.pieces <> '{}'`,
    )
    await runner.query(`ALTER TABLE "guide" DROP COLUMN "pieces"`)
    await runner.query(`DROP TABLE "guide_piece"`)
    for (const index of ['ix_record_loan_id_some', 'ix_reading_at_kind_kit_id', 'ix_part_kit_id_some'])
      await runner.query(`DROP INDEX "${index}"`)
  }
}
