import { testKit, testPart } from '../../../testing/kit-sheet.ts'
import { emptyPower, isPowered, powerOf, powerSource, powerStation } from './power-draft.ts'

const kit = { ...testKit(), parts: [testPart('AA cells', { role: 'aa-cells', count: 10 })] }

it('a kit without cells has no such station', () => {
  expect(isPowered({ ...testKit(), parts: [] })).toBe(false)
  expect(isPowered(kit)).toBe(true)
})

it('begins with what its card says: ten cells of the dry kind', () => {
  expect(powerSource(emptyPower(), kit)).toMatchObject({ chemistry: 'alkaline', cellCount: 10, of: 4 })
})

it('nothing is sent before it was read; then as left is as found', () => {
  const draft = emptyPower()
  expect(powerStation(draft, kit)).toBeNull()
  draft.found.step = 3
  expect(powerStation(draft, kit)).toMatchObject({
    asFound: { way: 'gauge', step: 3, of: 4 },
    asLeft: { way: 'gauge', step: 3, of: 4 },
  })
  draft.left = { step: null, volts: null }
  expect(powerStation(draft, kit)).toBeNull()
})

it('volts of another kind of cell are said beside the field, and nothing is sent', () => {
  const draft = { ...emptyPower(), way: 'volts' as const, found: { step: null, volts: 30 } }
  expect(powerOf(draft.found, draft, kit)?.problem).toContain('no alkaline cell')
  expect(powerStation(draft, kit)).toBeNull()
  expect(powerOf({ step: null, volts: 13 }, draft, kit)?.verdict?.hours).toBeGreaterThan(2)
})
