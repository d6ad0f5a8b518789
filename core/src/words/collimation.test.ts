import {
  cellResponseSentence,
  noticedSentence,
  primaryTurnsSentence,
  secondaryTurnSentences,
  turnFraction,
  turnsClause,
} from './collimation.ts'

it.each([
  [1 / 16, '1⁄16'],
  [-0.125, '⅛'],
  [0.375, '⅜'],
  [1.25, '1¼'],
  [2, '2'],
  [0, '0'],
])('%f is written %s', (turns, words) => expect(turnFraction(turns)).toBe(words))

describe('advice', () => {
  it('says from behind, which screw, which way and how far', () => {
    const turns = [
      { name: 'B', turns: 0.375 },
      { name: 'C', turns: -0.125 },
    ]
    expect(primaryTurnsSentence(turns, 0.1)).toBe(
      'From behind, turn screw B clockwise ⅜ of a turn, then C anticlockwise an eighth of a turn.',
    )
  })
  it('never says out or in', () => {
    const clause = turnsClause([0.5, -0.25, 1, 1.5, -0.0625].map((turns, i) => ({ name: `${i}`, turns })))
    expect(clause).not.toMatch(/\b(out|in)\b/)
    expect(clause.match(/clockwise/g)).toHaveLength(5)
  })
  it('less than a sixteenth is nothing to turn', () => {
    expect(primaryTurnsSentence([], 0.12)).toContain('Nothing to turn')
  })
  it('the secondary’s is given from the open end, after the cautions', () => {
    const [first, second] = secondaryTurnSentences({
      due: true,
      limitMm: 3.9,
      turns: [],
      rounded: [{ name: '1', turns: -0.25 }],
      residualMm: 0.4,
      rotateDeg: 0,
      turnsAfterRotating: [],
    })
    expect(first).toMatch(/level.*centre bolt/)
    expect(second).toBe('Looking into the open end, turn screw 1 anticlockwise a quarter turn.')
  })
})

it.each([
  { verdict: 'good', highest: 200, says: 'nobody' },
  { verdict: 'usable', highest: 200, says: 'keen eye' },
  { verdict: 'poor', highest: 200, says: 'planets' },
  { verdict: 'poor', highest: 50, says: 'at most' },
] as const)('what a borrower notices of a $verdict mirror at $highest×: $says', ({ verdict, highest, says }) => {
  const given = { highestMagnification: highest, apertureMm: 125, mirrorSetsSharpness: false }
  expect(noticedSentence({ verdict, comaRmsWaves: 0.1 }, given)).toContain(says)
})

describe('what is known of a kit’s own cell', () => {
  const said = (change: Partial<Parameters<typeof cellResponseSentence>[0]>) =>
    cellResponseSentence({ verdict: 'as-expected', share: 1, steps: 1, backlashTurns: null, ...change })
  it('play from a sixteenth on, to the sixteenth', () => {
    expect(said({ steps: 3 })).toBe('Seen 3 times: this cell does what its thread says.')
    expect(said({ backlashTurns: 1 / 16 - 0.001 })).toBe('Seen once: this cell does what its thread says.')
    expect(said({ backlashTurns: 1 / 16 })).toContain('idles for about 1⁄16 turn')
    expect(said({ backlashTurns: 0.14 })).toContain('idles for about ⅛ turn')
  })
  it('what it does instead', () => {
    expect(said({ steps: 0 })).toBe('')
    expect(said({ verdict: 'weaker', share: 0.56 })).toContain('a turn does 0.6 of what')
    expect(said({ verdict: 'reversed' })).toContain('clockwise does the opposite')
    expect(said({ verdict: 'mirrored' })).toContain('turned over')
    expect(said({ verdict: 'no-answer' })).toContain('Look at the cell')
    expect(said({ verdict: 'too-small-to-tell' })).toBe('')
  })
})
