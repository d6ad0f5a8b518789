import { watchCodes } from '@binoculum/contract'
import { deviceClockWords, watchWords } from './watch-words.ts'

it('every finding says what is wrong, why it matters and what to do', () => {
  for (const code of watchCodes) {
    const said = watchWords({ code, weight: 'fault', figures: {} })
    for (const sentence of Object.values(said)) expect(sentence).toMatch(/^[A-Z0-9].*\.$/)
  }
  const { what } = watchWords({ code: 'LETTERS_NOT_LEAVING', weight: 'fault', figures: { letters: 1 } })
  expect(what).toBe('1 letter could not be sent.')
  expect(watchWords({ code: 'BACKUP_OLD', weight: 'fault', figures: { hours: 240 } }).what).toContain('10 days')
})

it('a device’s clock is spoken of only where it is off', () => {
  const serverUtc = '2026-03-12T14:00:00Z'
  const at = (seconds: number) => new Date(serverUtc).getTime() + seconds * 1000
  expect(deviceClockWords(serverUtc, at(60))).toBeNull()
  expect(deviceClockWords(serverUtc, at(-600))?.what).toBe('This device’s clock is 10 minutes slow.')
  expect(deviceClockWords(serverUtc, at(95))?.what).toBe('This device’s clock is 2 minutes fast.')
})
