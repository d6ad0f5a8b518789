import fc from 'fast-check'
import { firstGuessOfLoss, lossChance, lossChanceOfTicked } from './loss-chance.ts'
import { lookAlikeRoles } from './look-alikes.ts'
import { roles, type Role } from './roles.ts'

const anyRole = fc.constantFrom(...(Object.keys(roles) as Role[]))

it('before anything is known, small loose things go missing most and a tube hardly ever', () => {
  expect(firstGuessOfLoss('weight-slug')).toBeGreaterThan(firstGuessOfLoss('eyepiece'))
  expect(firstGuessOfLoss('eyepiece')).toBeGreaterThan(firstGuessOfLoss('tube'))
  expect(lossChance('eyepiece', { losses: 0, pieceLoans: 0 })).toBe(firstGuessOfLoss('eyepiece'))
})

it('after many loans the programme’s own experience counts, not the guess', () => {
  expect(lossChance('tube', { losses: 100, pieceLoans: 1000 })).toBeCloseTo(0.096, 3)
  expect(lossChance('weight-slug', { losses: 0, pieceLoans: 4000 })).toBeLessThan(0.0005)
})

it('stays a chance, rises with losses, falls with loans without one', () => {
  fc.assert(
    fc.property(anyRole, fc.nat(500), fc.nat(5000), (role, losses, pieceLoans) => {
      const chance = lossChance(role, { losses, pieceLoans })
      expect(chance).toBeGreaterThanOrEqual(0.0001)
      expect(chance).toBeLessThanOrEqual(0.5)
      expect(lossChance(role, { losses: losses + 1, pieceLoans })).toBeGreaterThanOrEqual(chance)
      expect(lossChance(role, { losses, pieceLoans: pieceLoans + 50 })).toBeLessThanOrEqual(chance)
      expect(lossChanceOfTicked(chance)).toBeLessThanOrEqual(chance)
      expect(lossChanceOfTicked(chance)).toBeGreaterThan(0)
    }),
  )
})

it('looking alike goes both ways, and everything that has a look-alike looks like itself', () => {
  fc.assert(
    fc.property(anyRole, (role) => {
      const likes = lookAlikeRoles(role)
      if (likes.length > 0) expect(likes).toContain(role)
      for (const other of likes) expect(lookAlikeRoles(other)).toContain(role)
    }),
  )
  expect(lookAlikeRoles('moon-filter')).toContain('screw-in-sun-filter')
  expect(lookAlikeRoles('tube')).toEqual([])
})

it('what was ticked as present is missing a tenth as often, and never surely there', () => {
  expect(lossChanceOfTicked(0.03)).toBeCloseTo(0.003, 12)
  expect(lossChanceOfTicked(0.0002)).toBe(0.0001)
})
