import { problemSentence } from '../words/contents-list.ts'
import { readFileSync } from 'node:fs'
import { guessDecimal, readContentsList } from './contents-list.ts'
import { findHeader, matchHeader } from './list-header.ts'
import type { ListRow } from './listed.ts'
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

it('a word that stands in several rows is asked about once, with how many rows it has', () => {
  const rows = Array.from({ length: 5 }, (_each, at) => [
    'A',
    at < 3 ? 'Widget' : 'Gadget',
    '1',
    '80',
    'g',
    '',
    '',
    '',
  ])
  expect(readRows(...rows).words.map(({ word, rows: count }) => [word, count])).toEqual([
    ['Widget', 3],
    ['Gadget', 2],
  ])
})

it('headings are looked for in the first twelve rows: below them it is data', () => {
  const titles = (count: number) => Array.from({ length: count }, () => ['Our kits', '', ''])
  expect(findHeader([...titles(11), header])).toBe(11)
  expect(findHeader([...titles(12), header])).toBe(0)
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
  ['OTA 140/680', 'tube'],
  ['hand box', 'controller'],
  ['long butterfly nut', 'spare-screws'],
])('“%s” is a %s', (name, role) => expect(roleFromName(name)).toBe(role))

it.each([
  ['newton 76/300', 76, 300],
  ['D=76 f=300', 76, 300],
  ['f 900 mm, D 114 mm', 114, 900],
  // 3 × 25.4 = 76.2, × 4 = 304.8
  ['3 inch f/4', 76.2, 304.8],
  ['reflector 4.5" f/8', 114.3, 914.4],
  ['110 mm f/4.4', 110, 484],
  ['8 Zoll f/6', 203.2, 1219.2],
] as const)('reads “%s” as %d/%d', (words, apertureMm, focalLengthMm) => {
  expect(tubeFromName(words)).toEqual({ apertureMm, focalLengthMm })
})
it.each(['12/2026', 'M6/20', '1/4', 'f/5', 'D=76', '5/7/2026'])('“%s” is no tube', (words) => {
  expect(tubeFromName(words)).toBeNull()
})

describe('headings of other languages, in any order', () => {
  it.each([
    [['Anmerkung', 'Stück', 'Bauteil', 'Gewicht', 'Koffer-Nr.', 'Fach']],
    [['Notas', 'Cantidad', 'Pieza', 'Peso', 'Código', 'Lugar']],
    [['Remarques', 'Quantité', 'Désignation', 'Poids', 'N°', 'Emplacement']],
  ])('%j', (header) => {
    expect(matchHeader(header)).toMatchObject({ note: 0, count: 1, part: 2, mass: 3, kitCode: 4, place: 5 })
  })
  it('says needed? in their words', () => {
    const list = readContentsList({
      header: ['Nr', 'Teil', 'nötig'],
      rows: [
        ['A', 'Okular 24 mm', 'nein'],
        ['A', 'Tubus 110/480', 'ja'],
        ['A', 'Koffer', 'vielleicht'],
      ].map((cells, at) => ({ line: at + 2, cells })),
      openCells: true,
    })
    expect(list.kits[0]?.parts.map(({ criticality }) => criticality)).toEqual([
      'essential',
      'essential',
      'protective',
    ])
    expect(list.problems).toMatchObject([{ line: 4, field: 'criticality', code: 'WORD_UNKNOWN' }])
  })
})

it('1,35 kg is read whatever the rest of the file writes; only thousands stay a question', () => {
  const read = (mass: string, others: string[]) =>
    readContentsList({
      header: ['kit', 'part', 'mass'],
      rows: [mass, ...others].map((each, at) => ({ line: at + 2, cells: ['A', `Hex key ${at + 1}`, each] })),
      openCells: true,
    })
  expect(read('1,35 kg', ['2.5 kg', '0.31 kg']).kits[0]?.parts[0]?.massG).toBe(1350)
  expect(read('1.35 kg', ['2,5 kg', '0,31 kg']).kits[0]?.parts[0]?.massG).toBe(1350)
  expect(read('1,350 kg', ['2.5 kg']).problems).toMatchObject([{ code: 'MASS_AMBIGUOUS' }])
})

it('a focal length of 0 is refused at its cell', () => {
  const list = readContentsList({
    header: ['kit', 'part', 'focal length'],
    rows: [
      { line: 2, cells: ['A', 'Eyepiece 0 mm', ''] },
      { line: 3, cells: ['A', 'Eyepiece', '0'] },
      { line: 4, cells: ['A', 'Barlow 0x', ''] },
    ],
    openCells: true,
  })
  expect(list.problems.map(({ line, field, code }) => [line, field, code])).toEqual([
    [2, 'part', 'LENGTH_ZERO'],
    [3, 'focalLength', 'LENGTH_UNREADABLE'],
    [4, 'part', 'LENGTH_ZERO'],
  ])
})

it('a column that says what a part is goes before its name, and nothing is asked', () => {
  const list = readContentsList({
    header: ['kit code', 'part', 'what it is'],
    rows: [
      { line: 2, cells: ['A', 'Thing from the attic', 'spare-screws'] },
      { line: 3, cells: ['A', 'Dingsda', 'Barlow'] },
      { line: 4, cells: ['A', 'Old filter', 'screw-in-sun-filter'] },
    ],
  })
  expect(list.kits[0]?.parts.map(({ role }) => role)).toEqual(['spare-screws', 'barlow', 'screw-in-sun-filter'])
  expect([list.questions, list.problems]).toEqual([[], []])
})

it('reads aperture and focal length off a tube', () => {
  expect(tubeFromName('Optical tube 125/600, with cap holder')).toEqual({ apertureMm: 125, focalLengthMm: 600 })
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
    // 2,7 kg + 3,9 kg + 49 + 88 + (83 without unit stays open) + 0,11 kg + 64 + 5 + 290 + 9 g
    expect(heron?.massG).toBe(2700 + 3900 + 49 + 88 + 110 + 64 + 5 + 290 + 9)
    expect(heron?.proposedTube).toEqual({ apertureMm: 108, focalLengthMm: 470 })
  })
  it('asks what only a person can say, and takes the answers', () => {
    const asked = club().questions
    expect(asked.filter(({ code }) => code !== 'UNSURE_WORD').map(({ code, key }) => [code, key])).toEqual([
      ['SUN_FILTER', 'filter T3'],
      ['SAME_CODE_TWICE', 'code T3-2'],
    ])
    expect(asked.map(({ name }) => name)).toContain('bench for eyepieces')
    const answered = club({
      'filter T3': 'destroyed',
      'code T3-2': 'spares',
      'word bench for eyepieces': 'tray',
    })
    expect(answered.kits.map(({ code }) => code)).toEqual(['T1', 'T2', 'T3', 'T4'])
    expect(answered.spares.map(({ name }) => name)).toEqual(['tube 140/680', 'counterweight small'])
    const curlew = answered.kits[2]
    expect(curlew?.parts.some(({ role }) => role === 'screw-in-sun-filter')).toBe(false)
    expect(curlew?.parts.find(({ name }) => name === 'bench for eyepieces')?.role).toBe('tray')
  })
  it('joins a block with the code of a kit met before, if that is what it is', () => {
    const joined = club({ 'code T3-2': 'join' })
    expect(joined.kits.map(({ code, parts }) => [code, parts.length])).toEqual([
      ['T1', 10],
      ['T2', 11],
      ['T3', 21],
      ['T4', 9],
    ])
    expect(joined.spares).toEqual([])
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
