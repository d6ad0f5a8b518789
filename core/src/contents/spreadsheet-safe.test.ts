import fc from 'fast-check'
import { spreadsheetSafe, unguarded } from './spreadsheet-safe.ts'

it.each(['=1+1', '+cmd|calc', '-2+3', '@SUM(A1)', '\t=1', '\r=1', '=HYPERLINK("http://x.example")', '-', '+'])(
  '%j is not run by a spreadsheet (OWASP, CSV injection)',
  (cell) => expect(spreadsheetSafe(cell)).toBe(`'${cell}`),
)

it.each(['-5', '+4', '-2,5', '3.1', 'Eyepiece 10 mm', "'s Gravenhage", ''])('%j stays as it is', (cell) =>
  expect(spreadsheetSafe(cell)).toBe(cell),
)

it('no cell that goes out begins a formula, and each comes back as it was', () => {
  fc.assert(
    fc.property(fc.string(), (cell) => {
      const out = spreadsheetSafe(cell)
      expect(/^[=@\t\r]/.test(out)).toBe(false)
      expect(unguarded(out)).toBe(cell.startsWith("'") ? unguarded(cell) : cell)
    }),
  )
})

it('an apostrophe that somebody wrote is not taken off', () => {
  expect(unguarded("'s Gravenhage")).toBe("'s Gravenhage")
  expect(unguarded("'")).toBe("'")
})
