import { lossChance } from '../contents/loss-chance.ts'
import { lentDrift, lentLosses, toldSpread, type ToldSpread } from './spread.ts'

const spread = (losses: ToldSpread['losses'], drift: ToldSpread['drift'] = []): ToldSpread => ({ losses, drift })

it('losses of two programmes are added and count for so much at most, at the same rate', () => {
  const lent = lentLosses([
    spread([{ role: 'hex-key', losses: 30, pieceLoans: 600 }]),
    spread([{ role: 'hex-key', losses: 10, pieceLoans: 200 }]),
  ]).get('hex-key')
  expect(lent?.pieceLoans).toBeCloseTo(200, 9)
  expect((lent?.losses ?? 0) / (lent?.pieceLoans ?? 1)).toBeCloseTo(40 / 800, 12)
})

it('little that others saw counts for no more than it is', () => {
  expect(lentLosses([spread([{ role: 'hex-key', losses: 1, pieceLoans: 50 }])]).get('hex-key')).toEqual({
    losses: 1,
    pieceLoans: 50,
  })
})

it('a new club leans on others, and on itself as its own loans come', () => {
  const lent = { losses: 20, pieceLoans: 200 }
  const none = { losses: 0, pieceLoans: 0 }
  expect(lossChance('hex-key', none, lent)).toBeGreaterThan(lossChance('hex-key', none))
  // (0.03·40 + 20) ÷ (40 + 200), by hand; then 1,000 own piece-loans without a loss.
  expect(lossChance('hex-key', none, lent)).toBeCloseTo(21.2 / 240, 12)
  expect(lossChance('hex-key', { losses: 0, pieceLoans: 1000 }, lent)).toBeCloseTo(21.2 / 1240, 12)
})

it('variances are pooled by their pairs, and lent for two pairs at most', () => {
  const of = (sigmaMmPerLoan: number, pairs: number) =>
    spread([], [{ family: 'tabletop-reflector', sigmaMmPerLoan, pairs }])
  const lent = lentDrift([of(0.3, 30), of(0.6, 10)], 'tabletop-reflector')
  expect(lent?.sigmaMm).toBeCloseTo(Math.sqrt((30 * 0.09 + 10 * 0.36) / 40), 12)
  expect(lent?.weight).toBe(2)
  expect(lentDrift([of(0.3, 30)], 'tripod-refractor')).toBeNull()
})

it('what might tell of one loan is not told', () => {
  const told = toldSpread(
    spread(
      [
        { role: 'hex-key', losses: 1, pieceLoans: 19 },
        { role: 'spanner', losses: 0, pieceLoans: 20 },
      ],
      [
        { family: 'tabletop-reflector', sigmaMmPerLoan: 0.3, pairs: 4 },
        { family: 'floor-reflector', sigmaMmPerLoan: 0.3, pairs: 5 },
      ],
    ),
  )
  expect(told.losses.map(({ role }) => role)).toEqual(['spanner'])
  expect(told.drift.map(({ family }) => family)).toEqual(['floor-reflector'])
})
