import { cases } from '../testing/sweep.ts'
import fc from 'fast-check'
import { caseLayout } from './case-layout.ts'
import { roles, type Role } from './roles.ts'

const allRoles = Object.keys(roles) as Role[]
const cards = fc.array(
  fc.record({
    id: fc.uuid(),
    role: fc.constantFrom(...allRoles),
    place: fc.constantFrom('Lid', 'Upper tray', 'Pouch', 'Tube well', 'Mount well', 'Legs bag', 'Case itself', ''),
  }),
  { maxLength: 60 },
)

it('compartments don’t overlap, stay inside, and every part lies in its own', () => {
  fc.assert(
    fc.property(cards, (parts) => {
      const compartments = caseLayout(parts, 0.6)
      const inside = compartments.every(
        ({ x, y, width, height }) =>
          x >= 0 && y >= 0 && width > 0 && height > 0 && x + width <= 1.0001 && y + height <= 0.6001,
      )
      const apart = compartments.every((a, at) =>
        compartments
          .slice(at + 1)
          .every(
            (b) => a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y,
          ),
      )
      const held = compartments.every((frame) =>
        frame.parts.every(
          ({ x, y }) => x > frame.x && x < frame.x + frame.width && y > frame.y && y < frame.y + frame.height,
        ),
      )
      const ids = compartments.flatMap((frame) => frame.parts.map(({ id }) => id))
      return inside && apart && held && ids.length === parts.length
    }),
    { numRuns: cases(200, 4000), seed: 11 },
  )
})

it('numbers are those of the card, also where a place comes up twice', () => {
  const parts = [
    { id: 'a', role: 'manual', place: 'Lid' },
    { id: 'b', role: 'tube', place: 'Well' },
    { id: 'c', role: 'guide', place: 'Lid' },
  ] as const
  const [lid, well] = caseLayout(parts)
  expect(lid).toMatchObject({ place: 'Lid', isLid: true, parts: [{ number: 1 }, { number: 3 }] })
  expect(well).toMatchObject({ place: 'Well', isLid: false, parts: [{ number: 2, shape: 'tube' }] })
})

it('a compartment’s parts fill it to its floor and from side to side, in cells that don’t overlap', () => {
  fc.assert(
    fc.property(cards, (parts) =>
      caseLayout(parts, 0.6).every((frame) => {
        const floor = Math.max(...frame.parts.map(({ y, height }) => y + height / 2))
        const right = Math.max(...frame.parts.map(({ x, width }) => x + width / 2))
        const area = frame.parts.reduce((sum, { width, height }) => sum + width * height, 0)
        return (
          Math.abs(floor - frame.y - frame.height) < 1e-9 &&
          Math.abs(right - frame.x - frame.width) < 1e-9 &&
          area <= frame.width * frame.height
        )
      }),
    ),
    { numRuns: cases(100, 2000), seed: 12 },
  )
})
