-- branches, and kits of the copies spread over them
INSERT INTO branch (id, name, zone, emergency_line, currency, loan_days, return_time, policies)
SELECT gen_random_uuid(), 'Branch ' || i, b.zone, b.emergency_line, b.currency, b.loan_days, b.return_time, b.policies
FROM generate_series(1, :branches - (SELECT count(*)::int FROM branch)) i,
  (SELECT * FROM branch ORDER BY name LIMIT 1) b;
UPDATE kit SET branch_id = b.id FROM (
  SELECT id, row_number() OVER (ORDER BY name) - 1 AS place, count(*) OVER () AS n FROM branch WHERE name LIKE 'Branch %'
) b WHERE kit.code LIKE 'X-%' AND substr(kit.code, 3)::int % b.n = b.place;
INSERT INTO agreement (id, branch_id, version, text, valid_from)
SELECT gen_random_uuid(), b.id, 1, 'agreed', now() - interval '10 years' FROM branch b WHERE b.name LIKE 'Branch %';
-- then
-- borrowers
INSERT INTO borrower (id, branch_id, name, contact, card_number)
SELECT gen_random_uuid(), b.id,
  initcap((ARRAY['mar','tel','bro','quin','sal','ned','oru','fen','wil','ada'])[1 + i % 10] ||
    (ARRAY['la','rick','wen','na','mo','ty','sel','dra'])[1 + (i / 10) % 8]) || ' ' ||
  initcap((ARRAY['hol','tren','ash','pel','vance','mur','kest','dun','rook'])[1 + (i / 80) % 9] ||
    (ARRAY['by','ford','ley','wick','more','stead'])[1 + (i / 720) % 6]) || ' ' || i,
  'by post', 'B-' || (100000 + i)
FROM branch b CROSS JOIN generate_series(1, 500) i;
-- then
-- loans that are over
CREATE TABLE grown_loan AS
SELECT gen_random_uuid() AS id, k.id AS kit_id, k.branch_id, i,
  now() - make_interval(days => 40 + 18 * (:loansOfKit - i)) AS out_at,
  (abs(hashtext(k.id::text || i)) % 500) AS nth
FROM kit k CROSS JOIN generate_series(1, :loansOfKit) i;
INSERT INTO loan (id, branch_id, kit_id, borrower_id, state, out_at, due_at, back_at, from_on, until_on)
SELECT l.id, l.branch_id, l.kit_id, b.id, 'back', l.out_at, l.out_at + interval '14 days', l.out_at + interval '14 days',
  l.out_at::date, l.out_at::date + 14
FROM grown_loan l JOIN (
  SELECT id, branch_id, row_number() OVER (PARTITION BY branch_id ORDER BY card_number) - 1 AS nth FROM borrower
) b ON b.branch_id = l.branch_id AND b.nth = l.nth
ORDER BY l.out_at;
-- then
-- their guides, in shared pieces
INSERT INTO guide (id, loan_id, content, pieces, issued_at)
SELECT gen_random_uuid(), l.id, sample.content, sample.pieces, l.out_at
FROM grown_loan l CROSS JOIN (SELECT content, pieces FROM guide WHERE pieces <> '{}' LIMIT 1) sample;
-- then
-- their take-backs, with a mark for every part
INSERT INTO take_back (id, loan_id, marks, answers, proposed, outcome, by_staff_id, at)
SELECT gen_random_uuid(), l.id, marks.list, '{"dropped": false, "wet": false}', 'shelf', 'shelf', someone.id, l.out_at + interval '14 days'
FROM grown_loan l JOIN (
  SELECT p.kit_id, jsonb_agg(jsonb_build_object('partId', p.id, 'mark', 'present', 'presentCount', p.count, 'note', '',
    'wrongItem', '', 'pictureIds', '[]'::jsonb) ORDER BY p.position) AS list FROM part p GROUP BY p.kit_id
) marks ON marks.kit_id = l.kit_id CROSS JOIN (SELECT id FROM staff LIMIT 1) someone;
-- then
-- their lines in the record
INSERT INTO record (at, branch_id, kit_id, loan_id, staff_id, act, before, after)
SELECT l.out_at + each.later, l.branch_id, l.kit_id, l.id, someone.id, each.act, '{"condition": "full"}', each.after::jsonb
FROM grown_loan l CROSS JOIN (SELECT id FROM staff LIMIT 1) someone
CROSS JOIN (VALUES ('handed-out', interval '0', '{"dueOn": "2020-01-01"}'), ('taken-back', interval '14 days', '{"off": [], "outcome": "shelf"}')) each(act, later, after);
-- then
-- bench checks and what they measured
CREATE TABLE grown_check AS
SELECT gen_random_uuid() AS id, k.id AS kit_id, k.model_id, i, now() - make_interval(days => 40 + 36 * (:checksOfKit - i)) AS at
FROM kit k CROSS JOIN generate_series(1, :checksOfKit) i;
INSERT INTO bench_check (id, kit_id, by_staff_id, at, stations)
SELECT c.id, c.kit_id, someone.id, c.at, '[]' FROM grown_check c CROSS JOIN (SELECT id FROM staff LIMIT 1) someone;
INSERT INTO reading (id, kit_id, check_id, kind, as_found, as_left, limit_value, good, unit, source, by_staff_id, at, current)
SELECT gen_random_uuid(), c.kit_id, c.id, each.kind, 10 + c.i % 30, 5, 40, 20, each.unit, 'typed', someone.id, c.at, false
FROM grown_check c CROSS JOIN (SELECT id FROM staff LIMIT 1) someone
CROSS JOIN (SELECT * FROM (VALUES ('finder', 'arcmin'), ('collimation', 'mm'), ('glass', 'judged'), ('stand', 'judged')) all_kinds(kind, unit) LIMIT :readingsOfCheck) each;
INSERT INTO step_time (id, model_id, kit_id, check_id, step_key, seconds, at)
SELECT gen_random_uuid(), c.model_id, c.kit_id, c.id, step.step_key, 20 + c.i, c.at
FROM grown_check c JOIN (
  SELECT model_id, step_key FROM (
    SELECT model_id, step_key, row_number() OVER (PARTITION BY model_id ORDER BY step_key) AS nth FROM step_median
  ) steps WHERE nth <= 6
) step ON step.model_id = c.model_id;
-- then
-- what is kept small beside it
DROP TABLE grown_loan;
DROP TABLE grown_check;
DELETE FROM role_loss;
INSERT INTO role_loss (branch_id, role, year, losses, piece_loans)
SELECT k.branch_id, p.role, 2020 + y, 1, 100 FROM kit k JOIN part p ON p.kit_id = k.id CROSS JOIN generate_series(0, 6) y
ON CONFLICT DO NOTHING;
-- then
-- statistics for the planner
VACUUM ANALYZE;
