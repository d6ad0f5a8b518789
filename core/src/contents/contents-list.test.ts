import { problemSentence } from '../words/contents-list.ts'
import { guessDecimal, matchHeader, readContentsList, type ListRow } from './contents-list.ts'
import { roleFromName, tubeFromName } from './role-match.ts'

const header = ['Kit code', 'Part', 'How many', 'Weight', 'Unit', 'Where in the case', 'Needed?', 'Notes']
const rows = (...cells: string[][]): ListRow[] => cells.map((row, index) => ({ line: index + 2, cells: row }))
const readRows = (...cells: string[][]) => readContentsList({ header, rows: rows(...cells) })

it('matches headings in other words, case and signs, and leaves what it doesn’t know', () => {
  const columns = matchHeader(['NR.', 'Item', 'pcs', 'Mass', 'remarks', 'last seen'])
  expect(columns).toMatchObject({ kitCode: 0, part: 1, count: 2, mass: 3, note: 4, unit: null })
})

it('gives one column to one field only', () => {
  const columns = Object.values(matchHeader(['Kit code', 'Kit', 'Part', 'Item'])).filter((index) => index !== null)
  expect(new Set(columns).size).toBe(columns.length)
})

it('says which columns are missing instead of guessing', () => {
  expect(readContentsList({ header: ['Colour'], rows: [] }).missingColumns).toEqual(['kitCode', 'part'])
})

it('takes the mass of one piece and sums over all', () => {
  const list = readRows(['WRN-12', 'Tube rings, felt lined', '2', '310', 'g', 'foam', 'yes', ''])
  expect(list.kits[0]?.parts[0]).toMatchObject({ count: 2, massG: 310, criticality: 'essential', role: 'tube-rings' })
  expect(list.kits[0]?.massG).toBe(620)
})

it.each([
  { row: ['', 'Tube', '1', '1', 'kg', '', 'yes', ''], code: 'NO_KIT_CODE', field: 'kitCode' },
  { row: ['A', '', '1', '1', 'kg', '', 'yes', ''], code: 'NO_PART', field: 'part' },
  { row: ['A', 'Tube', 'two', '1', 'kg', '', 'yes', ''], code: 'COUNT_NOT_WHOLE', field: 'count' },
  { row: ['A', 'Tube', '0', '1', 'kg', '', 'yes', ''], code: 'COUNT_NOT_WHOLE', field: 'count' },
  { row: ['A', 'Tube', '1', 'light', 'kg', '', 'yes', ''], code: 'MASS_NOT_A_NUMBER', field: 'mass' },
  { row: ['A', 'Tube', '1', '3', 'stone', '', 'yes', ''], code: 'MASS_UNKNOWN_UNIT', field: 'mass' },
  { row: ['A', 'Tube', '1', '3', '', '', 'yes', ''], code: 'MASS_NO_UNIT', field: 'mass' },
  { row: ['A', 'Tube', '1', '1,250', 'g', '', 'yes', ''], code: 'MASS_AMBIGUOUS', field: 'mass' },
  { row: ['A', 'Tube', '1', '1', 'kg', '', 'perhaps', ''], code: 'WORD_UNKNOWN', field: 'criticality' },
])('$code names line and column, and the row stays out', ({ row, code, field }) => {
  const list = readRows(row, ['A', 'Hex key 4 mm', '1', '14', 'g', 'pouch', 'tool', ''])
  expect(list.problems).toEqual([expect.objectContaining({ line: 2, code, field })])
  expect(list.kits.flatMap(({ parts }) => parts)).toHaveLength(1)
  expect(list.problems[0] && problemSentence(list.problems[0])).toMatch(/^line 2, .*: .+/)
})

it('leaves a mass open where none is written', () => {
  expect(readRows(['A', 'Hex key', '1', '', '', '', '', '']).kits[0]?.parts[0]?.massG).toBeNull()
})

it('takes decimal commas from the file as a whole', () => {
  const columns = matchHeader(header)
  const cells = (mass: string) => ['A', 'Tube', '1', mass, 'kg', '', '', '']
  expect(guessDecimal(rows(cells('3,1'), cells('0,12')), columns)).toBe(',')
  expect(guessDecimal(rows(cells('3.1'), cells('1,250')), columns)).toBe('.')
})

it('makes the longest eyepiece the lowest power, whatever its row', () => {
  const list = readRows(
    ['A', 'Eyepiece 10 mm', '1', '80', 'g', '', '', ''],
    ['A', 'Eyepiece 25 mm', '1', '90', 'g', '', '', ''],
    ['A', 'Barlow 2x', '1', '90', 'g', '', '', ''],
  )
  expect(list.kits[0]?.parts.map(({ role, focalLengthMm, barlow }) => [role, focalLengthMm ?? barlow])).toEqual([
    ['eyepiece', 10],
    ['low-eyepiece', 25],
    ['barlow', 2],
  ])
})

it.each([
  ['Counterweight slug (loose pin)', 'weight-slug'],
  ['Counterweight shaft', 'weight-shaft'],
  ['Counterweight', 'counterweight'],
  ['Front cap, small inner', 'inner-cap'],
  ['cap focusser', 'focuser-cap'],
  ['Sun warning label', 'sun-label'],
  ['sun filter (screw in)', 'screw-in-sun-filter'],
  ['zenith mirror 90°', 'diagonal'],
  ['amici prism 45', 'erecting-diagonal'],
  ['Tray, notched, twist lock', 'tray'],
  ['OTA 150/750', 'tube'],
  ['hand box', 'controller'],
  ['long butterfly nut', 'other'],
])('“%s” is a %s', (name, role) => expect(roleFromName(name)).toBe(role))

it('reads aperture and focal length off a tube', () => {
  expect(tubeFromName('Optical tube 130/650, with cap holder')).toEqual({ apertureMm: 130, focalLengthMm: 650 })
  expect(tubeFromName('tube')).toBeNull()
})
