import { KeptKits } from './kept-kits.ts'
import type { StoredKit } from './queries.ts'

const DAY_MS = 86_400_000
const now = new Date('2026-03-10T18:00:00Z')
const later = (days: number) => new Date(now.getTime() + days * DAY_MS)
const reading = (kind: string, asLeft: string, atUtc: string) =>
  [kind, '', asLeft, '1.2', '0.6', 'mm', 'typed', atUtc, 'Nell', ''].join('\u001f')

const stored: StoredKit = {
  ...{ id: 'k1', branchId: 'b1', branchName: 'Marrowdale', zone: 'UTC', emergencyLine: '112', currency: 'EUR' },
  policiesJson: JSON.stringify({
    collimation: 'leave-it-to-us',
    maxAgeDays: 30,
    frontFilters: 'stay-here',
    limits: {},
  }),
  ...{ code: 'M-01', name: 'Yarrow', place: 'bay 1', standsAt: 'shelf', collimationPolicy: 'leave-it-to-us' },
  ...{ hazards: '[]', version: 1, modelId: 'm1', modelName: 'reflector 110/480', family: 'tabletop-reflector' },
  opticsJson: JSON.stringify({
    ...{ kind: 'newtonian', apertureMm: 110, focalLengthMm: 480, primaryFocalLengthMm: 480, collimatable: true },
    ...{ mirrorFigure: 'paraboloid', collapsible: false, finderOffsetMm: { x: 0, y: 90 }, peepholeOutsideFocusMm: 0 },
  }),
  ...{ partCount: 3, offParts: '[]', extras: '[]', powerPartsJson: '[]', mountJson: 'null', headMomentGmm: null },
  ...{ ridingPartsJson: '[]', jobs: '[]', loan: null, next: null, drift: null, powerKey: null, ridingKey: null },
  packed: reading('collimation', '0.4', '2026-02-20T17:00:00.000Z'),
}
/** As the database gives it again: the same words in other strings. */
const again = (changed: Partial<StoredKit> = {}): StoredKit => ({
  ...(JSON.parse(JSON.stringify(stored)) as StoredKit),
  ...changed,
})
const codes = (kept: KeptKits, at: Date, kit = again()) => kept.judged(kit, at).kit.reasons.map(({ code }) => code)

it('a kit that nobody touched is the one that was judged, and its text is its JSON', () => {
  const kept = new KeptKits()
  const first = kept.judged(stored, now)
  expect(kept.judged(again(), later(0.2))).toBe(first)
  expect(JSON.parse(first.text)).toEqual(first.kit)
  expect(first.kit).toMatchObject({ code: 'M-01', readings: [{ asLeft: 0.4, asFound: null }] })
})

it('whatever of it changes is seen at once', () => {
  const changes: { [Field in keyof StoredKit]?: StoredKit[Field] } = {
    ...{ name: 'Tansy', place: 'bay 2', standsAt: 'bench', version: 2, partCount: 4, hazards: '["dropped"]' },
    offParts: JSON.stringify([
      { position: 1, name: 'Cap', role: 'other', criticality: 'minor', count: 1, mark: 'missing', seenAtUtc: null },
    ]),
    jobs: JSON.stringify([{ id: 'j', code: 'go-through', text: 'look', openedAtUtc: now, notBeforeUtc: null }]),
    extras: JSON.stringify([{ name: 'Glove', belongsTo: '' }]),
    loan: JSON.stringify({ id: 'l', number: 7, borrower: 'Teo', dueAt: later(2) }),
    next: JSON.stringify({ loanId: 'n', borrower: 'Ola', at: later(4) }),
    drift: JSON.stringify({ chance: 0.9, loans: 5 }),
    policiesJson: JSON.stringify({
      collimation: 'leave-it-to-us',
      maxAgeDays: 5,
      frontFilters: 'stay-here',
      limits: {},
    }),
    packed: reading('collimation', '2.4', '2026-03-01T18:00:00.000Z'),
  }
  for (const [field, value] of Object.entries(changes)) {
    const kept = new KeptKits()
    const before = kept.judged(stored, now)
    const after = kept.judged(again({ [field]: value }), now)
    expect([field, after === before]).toEqual([field, false])
    expect(after.kit).toEqual(new KeptKits().judged(again({ [field]: value }), now).kit)
  }
})

it('a reading grows old on its day, and a loan late at its hour, though nothing was written', () => {
  const kept = new KeptKits()
  expect(codes(kept, now)).not.toContain('READING_OLD')
  // Read on 20 February: thirty days are over on 22 March at the same hour, and not before.
  expect(codes(kept, new Date('2026-03-22T17:00:00Z'))).not.toContain('READING_OLD')
  expect(codes(kept, new Date('2026-03-22T17:00:00.001Z'))).toContain('READING_OLD')
  const lent = again({ loan: JSON.stringify({ id: 'l', number: 7, borrower: 'Teo', dueAt: later(0.5) }) })
  const late = (days: number) => kept.judged(lent, later(days)).kit.loan?.daysLate
  expect([late(0.1), late(0.5), late(0.51), late(1.49), late(2.5), late(3.6)]).toEqual([0, 0, 1, 1, 2, 3])
})

it('a clock that was set back judges anew', () => {
  const kept = new KeptKits()
  expect(codes(kept, later(60))).toContain('READING_OLD')
  expect(codes(kept, now)).not.toContain('READING_OLD')
})
