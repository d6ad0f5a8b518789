import { problemSentence } from '../words/contents-list.ts'
import { readFileSync } from 'node:fs'
import { findHeader, guessDecimal, matchHeader, readContentsList, type ListRow } from './contents-list.ts'
import { changesOf } from './list-changes.ts'
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

describe('a club’s hand-kept sheet (e2e/samples/club-inventory.csv)', () => {
  const text = readFileSync(new URL('../../../e2e/samples/club-inventory.csv', import.meta.url), 'utf8')
  const all = text.split(/\r?\n/).map((line, index) => ({ line: index + 1, cells: line.split(';') }))
  const at = findHeader(all.map(({ cells }) => cells))
  const club = (decisions: Record<string, string> = {}) =>
    readContentsList({ header: all[at]?.cells ?? [], rows: all.slice(at + 1), decisions, openCells: true })

  it('finds the headings under a title and a blank line, and the decimal commas', () => {
    expect(all[at]?.line).toBe(3)
    expect(club()).toMatchObject({ decimal: ',', filledDown: true, missingColumns: [] })
  })
  it('fills codes down, cleans stray spaces and case, and keeps the sum out', () => {
    const { kits, problems } = club()
    expect(kits.map(({ code, name, parts }) => [code, name, parts.length])).toEqual([
      ['T1', 'Heron', 10],
      ['T2', 'Dunlin', 11],
      ['T3', 'Curlew', 19],
      ['T3-2', 'Curlew II', 2],
      ['T4', 'Godwit', 9],
    ])
    expect(problems.map(({ code }) => code)).toEqual(['MASS_NO_UNIT', 'NO_KIT_CODE'])
  })
  it('adds masses up as a person does by hand', () => {
    const heron = club().kits[0]
    // 3,1 kg + 4,2 kg + 55 + 95 + (80 without unit stays open) + 0,12 kg + 70 + 5 + 310 + 8 g
    expect(heron?.massG).toBe(3100 + 4200 + 55 + 95 + 120 + 70 + 5 + 310 + 8)
    expect(heron?.proposedTube).toEqual({ apertureMm: 114, focalLengthMm: 450 })
  })
  it('asks what only a person can say, and takes the answers', () => {
    const asked = club().questions
    expect(asked.filter(({ code }) => code !== 'UNSURE_WORD').map(({ code, key }) => [code, key])).toEqual([
      ['SUN_FILTER', 'filter T3'],
      ['SAME_CODE_TWICE', 'code T3-2'],
    ])
    expect(asked.map(({ name }) => name)).toContain('long butterfly nut')
    const answered = club({
      'filter T3': 'destroyed',
      'code T3-2': 'spares',
      'word long butterfly nut': 'spare-screws',
    })
    expect(answered.kits.map(({ code }) => code)).toEqual(['T1', 'T2', 'T3', 'T4'])
    expect(answered.spares.map(({ name }) => name)).toEqual(['tube 150/750', 'counterweight small'])
    const curlew = answered.kits[2]
    expect(curlew?.parts.some(({ role }) => role === 'screw-in-sun-filter')).toBe(false)
    expect(curlew?.parts.find(({ name }) => name === 'long butterfly nut')?.role).toBe('spare-screws')
  })
  it('keeps dates as notes, and says which day there is not', () => {
    const rowsOf = (...dates: string[]): ListRow[] =>
      dates.map((date, index) => ({ line: index + 2, cells: ['A', `Hex key ${index}`, date] }))
    const list = readContentsList({
      header: ['kit', 'part', 'last seen'],
      rows: rowsOf('5.7.2026', '31.2.2026', 'ok'),
      openCells: true,
    })
    expect(list.kits[0]?.parts.map(({ note }) => note)).toEqual(['last seen 2026-07-05', '', ''])
    expect(list.problems).toMatchObject([{ code: 'DATE_UNREADABLE', value: '31.2.2026', line: 3 }])
  })
})

describe('bringing a list in again', () => {
  const own = {
    id: '1',
    name: 'Hex key 4 mm',
    count: 1,
    massG: 14,
    place: 'Pouch',
    criticality: 'tool',
    weighed: false,
  }
  const listed = (cells: string[]) => readRows(['A', ...cells]).kits[0]?.parts ?? []
  it('the same list changes nothing', () => {
    expect(changesOf([own], listed(['hex key  4 mm', '1', '14', 'g', 'Pouch', 'tool', '']))).toEqual([])
  })
  it('empty cells change nothing; what the list leaves out is named, not taken away', () => {
    expect(changesOf([own], listed(['Hex key 4 mm', '', '', '', '', '', '']))).toEqual([])
    expect(changesOf([own], [])).toEqual([{ kind: 'not-listed', id: '1', name: 'Hex key 4 mm' }])
  })
  it('counts, masses and places are updated, but never a mass that was weighed', () => {
    const row = listed(['Hex key 4 mm', '2', '16', 'g', 'Lid', '', ''])
    expect(changesOf([own], row)).toMatchObject([{ kind: 'changed', set: { count: 2, massG: 16, place: 'Lid' } }])
    expect(changesOf([{ ...own, weighed: true }], row)).toMatchObject([{ set: { count: 2, place: 'Lid' } }])
  })
  it('two of the same name go together one by one', () => {
    const two = [
      ...listed(['Hex key 4 mm', '1', '14', 'g', '', '', '']),
      ...listed(['Hex key 4 mm', '1', '14', 'g', '', '', '']),
    ]
    expect(changesOf([own], two)).toMatchObject([{ kind: 'new' }])
  })
})
