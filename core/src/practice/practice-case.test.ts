import fc from 'fast-check'
import type { Mark } from '../contents/roles.ts'
import { practiceCase, scorePractice, sightWords, type PracticeCase } from './practice-case.ts'

const truth = ({ faults }: PracticeCase) => new Map<string, Mark>(faults.map(({ partId, mark }) => [partId, mark]))
const cases = fc.integer({ min: 0, max: 2 ** 31 }).map(practiceCase)

it('the same seed is the same case; every case hides the slug, an eyepiece and a cap', () => {
  expect(practiceCase(7)).toEqual(practiceCase(7))
  fc.assert(
    fc.property(cases, ({ parts, faults }) => {
      const roleOf = (id: string) => parts.find((part) => part.id === id)?.role ?? ''
      const roles = faults.map(({ partId }) => roleOf(partId))
      expect(roles).toContain('weight-slug')
      expect(roles.some((role) => role.endsWith('eyepiece'))).toBe(true)
      expect(roles.some((role) => role === 'focuser-cap' || role === 'collimation-cap')).toBe(true)
      expect(new Set(faults.map(({ partId }) => partId)).size).toBe(faults.length)
    }),
  )
})

it('what is seen of a fault differs from what is seen of the same part when it is right', () => {
  const right = new Map<string, string>()
  for (let seed = 0; seed < 400; seed++) {
    const { parts, faults } = practiceCase(seed)
    for (const part of parts)
      if (!faults.some(({ partId }) => partId === part.id)) right.set(part.id, sightWords(part))
  }
  for (let seed = 0; seed < 400; seed++) {
    const { parts, faults } = practiceCase(seed)
    for (const { partId } of faults) {
      const part = parts.find(({ id }) => id === partId)!
      expect(sightWords(part)).not.toBe(right.get(partId))
    }
  }
})

it('everything found at once is 100; slowly 70; nothing found is 0', () => {
  const given = practiceCase(3)
  expect(scorePractice(given, truth(given), 60).points).toBe(100)
  expect(scorePractice(given, truth(given), 900).points).toBe(70)
  expect(scorePractice(given, new Map(), 10).points).toBe(0)
  expect(scorePractice(given, truth(given), 195).points).toBe(85)
})

it('a wrong name for a fault is half of it, without points for speed; a false alarm costs ten', () => {
  const given = practiceCase(3)
  const wrongly = truth(given).set('slug', 'damaged')
  const half = scorePractice(given, wrongly, 10)
  expect(half.faults.find(({ partId }) => partId === 'slug')?.result).toBe('noticed')
  expect(half.points).toBe(Math.round((70 * (given.faults.length - 0.5)) / given.faults.length))
  const alarm = scorePractice(given, truth(given).set('guide', 'missing'), 60)
  expect(alarm).toMatchObject({ points: 90, falseAlarms: ['guide'] })
  expect(() => scorePractice(given, new Map(), -1)).toThrow('seconds must be 0 or more; got -1')
})
