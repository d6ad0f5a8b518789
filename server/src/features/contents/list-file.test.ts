import { readFileSync } from 'node:fs'
import { readContentsList } from '@binoculum/core'
import { readListFile } from './list-file.ts'

const base64 = (text: string | Uint8Array) => Buffer.from(text).toString('base64')
const samplePath = new URL('../../../../e2e/samples/contents-list.csv', import.meta.url)

describe('the sample list', () => {
  const list = readContentsList(readListFile(base64(readFileSync(samplePath))))
  const massOf = (name: string) => list.kits[0]?.parts.find((part) => part.name.startsWith(name))?.massG

  it('comes in whole: one kit, 29 parts, no problem', () => {
    expect(list.problems).toEqual([])
    expect(list.kits.map(({ code, parts }) => [code, parts.length])).toEqual([['WRN-12', 29]])
  })

  // 1 lb = 453.59237 g, 1 oz = 28.349523125 g, worked out by hand and rounded to the gram.
  it.each([
    ['Optical tube', 2950],
    ['Tripod legs', 1984],
    ['Eyepiece 25', 96],
    ['Eyepiece 10', 82],
    ['Tube rings', 310],
    ['Counterweight shaft', 460],
    ['Phone holder', 210],
    ['Case with foam', 3850],
    ['Sun warning label', 1],
  ])('%s weighs %d g', (name, massG) => expect(massOf(name)).toBe(massG))

  it('weighs 16,173 g in all', () => {
    // Sum of count × mass rounded to the gram, over the file's 29 rows with another CSV reader (Python's csv module).
    expect(list.kits[0]?.massG).toBe(16_173)
  })

  it('keeps a quoted line break inside its cell, and the line numbers right after it', () => {
    const holder = list.kits[0]?.parts.find(({ name }) => name.startsWith('Phone holder'))
    const manual = list.kits[0]?.parts.find(({ name }) => name === 'Manual')
    expect(holder).toMatchObject({ line: 26, note: 'ring piece + clamp piece, keep them screwed together' })
    expect(manual?.line).toBe(28)
  })

  it('proposes the family and the tube it is told of', () => {
    expect(list.kits[0]).toMatchObject({
      proposedFamily: 'equatorial-reflector',
      proposedTube: { apertureMm: 130, focalLengthMm: 650 },
    })
  })
})

it.each([
  { delimiter: ';', text: 'Kit;Part;Weight\r\nA;Tube;3,1 kg\r\n' },
  { delimiter: '\t', text: 'Kit\tPart\tWeight\nA\tTube\t3.1 kg\n' },
  { delimiter: ',', text: '\uFEFFKit,Part,Weight\nA,Tube,"3.1 kg"' },
  { delimiter: ',', text: 'Kit,Part,Weight\rA,Tube,3.1 kg\r' },
])('reads $delimiter-separated lists with any line end', ({ delimiter, text }) => {
  const file = readListFile(base64(text))
  expect(file).toMatchObject({ delimiter, header: ['Kit', 'Part', 'Weight'] })
  expect(readContentsList(file).kits[0]?.massG).toBe(3100)
})

it('reads lists in the older Windows encoding', () => {
  const bytes = Uint8Array.from([...Buffer.from('Kit,Part\nA,Diagonal 90'), 0xb0])
  expect(readListFile(base64(bytes)).rows[0]?.cells[1]).toBe('Diagonal 90°')
})

it.each(['little', 'big'] as const)('reads “Unicode text” of spreadsheet programs, %s end first', (end) => {
  const bytes = Buffer.from('\uFEFFKit\tPart\tWeight\r\nA\tDiagonal 90° – größer\t85 g\r\n', 'utf16le')
  const file = readListFile(base64(end === 'big' ? bytes.swap16() : bytes))
  expect(file).toMatchObject({ delimiter: '\t', header: ['Kit', 'Part', 'Weight'] })
  expect(file.rows).toEqual([{ line: 2, cells: ['A', 'Diagonal 90° – größer', '85 g'] }])
})

it.each([
  { what: 'a PNG picture', bytes: Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13]) },
  { what: 'a JPEG picture', bytes: Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 0, 16, 0x4a, 0x46]) },
  { what: 'nothing', bytes: new Uint8Array() },
  { what: 'an unclosed quotation mark', bytes: Buffer.from('Kit,Part\nA,"Tube\nB,Cap\n') },
])('refuses $what as no list, and says why', ({ bytes }) => {
  expect(() => readListFile(base64(bytes))).toThrow(expect.objectContaining({ code: 'NOT_A_LIST' }))
})

describe('files that clubs really send', () => {
  const said = (bytes: string | Uint8Array) => {
    try {
      readListFile(base64(bytes))
      return 'read'
    } catch (error) {
      return JSON.stringify((error as { rest?: unknown }).rest)
    }
  }
  it('a sign for inches in the middle of a cell is read, not refused', () => {
    const file = readListFile(base64('Kit;Part;Mass\r\nA;35mm 2" eyepiece;1,35 kg\r\nA;"Tube; with caps";2 kg\r\n'))
    expect(file.rows.map(({ cells }) => cells[1])).toEqual(['35mm 2" eyepiece', 'Tube; with caps'])
  })
  it('UTF-16 with and without its mark, and Windows-1252', () => {
    const text = 'Kit;Bauteil;Stück\r\nA;Okular 24 mm;1\r\n'
    const wide = Buffer.from(text, 'utf16le')
    const marked = Buffer.concat([Buffer.from([0xff, 0xfe]), wide])
    const narrow = Buffer.from(text, 'latin1')
    for (const bytes of [wide, marked, Buffer.from(wide).swap16(), narrow])
      expect(readListFile(base64(bytes)).header).toEqual(['Kit', 'Bauteil', 'Stück'])
  })
  it.each([
    ['Kit code,Part,Mass\r\n', 'only headings'],
    [Buffer.from([0x50, 0x4b, 3, 4, 0, 0, 8, 0]), 'spreadsheet'],
    [Buffer.from([0xd0, 0xcf, 0x11, 0xe0, 0xa1, 0xb1, 0, 0]), 'old spreadsheet'],
  ])('says why it can’t be read: %j', (bytes, why) => {
    expect(said(bytes)).toContain(why)
  })
})
