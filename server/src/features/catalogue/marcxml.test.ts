import { Readable } from 'node:stream'
import { Marc } from 'marcjs'
import { catalogueAsMarcxml } from './marcxml.ts'

const at = new Date('2026-03-12T14:05:09Z')
const model = {
  id: '0a3b5c7d-0000-4000-8000-000000000001',
  name: 'Tabletop 114/450 <wide>',
  family: 'tabletop-reflector',
  apertureMm: 114,
  focalLengthMm: 450,
  parts: [
    { name: 'Tube', count: 1 },
    { name: 'Eyepiece 25 mm & cap', count: 2 },
  ],
  kits: [
    { code: 'M-01', name: 'Heron' },
    { code: 'M-02', name: 'Wren\u0001' },
  ],
} as const

interface MarcRecord {
  readonly leader: string
  /** [tag, text], or [tag, indicators, code, text, code, text …]. */
  readonly fields: readonly string[][]
}
/** Read by a library that knows nothing of ours. */
async function readBack(xml: string): Promise<MarcRecord[]> {
  const records: MarcRecord[] = []
  for await (const record of Readable.from([xml]).pipe(Marc.createStream('marcxml', 'parser')))
    records.push(record as MarcRecord)
  return records
}

/** MARC 21 format for bibliographic data: which indicators and subfields a field has, and whether it may stand more than
 * once. From memory of the Library of Congress' definitions. */
const definitions: Readonly<Record<string, readonly [indicators: RegExp, subfields: string, repeatable: boolean]>> = {
  '245': [/^[01][0-9]$/, 'abcfghknps68', false],
  '300': [/^ {2}$/, 'abcefg368', true],
  '336': [/^ {2}$/, 'ab01238', true],
  '337': [/^ {2}$/, 'ab01238', true],
  '338': [/^ {2}$/, 'ab01238', true],
  '500': [/^ {2}$/, 'a3568', true],
  '505': [/^[0128][ 0]$/, 'agrtu68', true],
  '650': [/^[ 012][0-7]$/, 'abcdegvxyz012468', true],
  '852': [/^[ 0-8][ 012]$/, 'abcefghijklmnpqstuxyz2368', true],
}

it('one record for each model, one holdings field for each kit with its code', async () => {
  const [record, ...others] = await readBack(catalogueAsMarcxml([model], 'Marrowdale Library', at))
  expect(others).toEqual([])
  const held = record!.fields.filter(([tag]) => tag === '852')
  expect(held).toEqual([
    ['852', '  ', 'b', 'Marrowdale Library', 'p', 'M-01', 'z', 'Heron'],
    ['852', '  ', 'b', 'Marrowdale Library', 'p', 'M-02', 'z', 'Wren '],
  ])
  expect(record!.fields.find(([tag]) => tag === '245')).toEqual(['245', '00', 'a', 'Tabletop 114/450 <wide>'])
  expect(record!.fields.find(([tag]) => tag === '505')?.[3]).toBe('Tube ; 2 Eyepiece 25 mm & cap')
})

it('leader and fields of fixed length say a thing of three dimensions, in the places where the format has them', async () => {
  const [record] = await readBack(catalogueAsMarcxml([model], 'Marrowdale Library', at))
  const { leader } = record!
  expect(leader).toHaveLength(24)
  // Status, type, level, coding, counts of indicators and of signs before a subfield, lengths in the directory.
  expect([leader[5], leader[6], leader[7], leader[9], leader.slice(10, 12), leader.slice(20)]).toEqual([
    ...['n', 'r', 'm', 'a', '22', '4500'],
  ])
  const fixed = Object.fromEntries(record!.fields.filter(([tag]) => tag! < '010') as [string, string][])
  expect(fixed['005']).toBe('20260312140509.0')
  const of008 = fixed['008'] ?? ''
  expect(of008).toHaveLength(40)
  expect([of008.slice(0, 6), of008[6], of008.slice(15, 18), of008[33], of008.slice(35, 38)]).toEqual([
    ...['260312', 'n', 'xx ', 'r', 'zxx'],
  ])
})

it('every field has indicators and subfields that the format defines', async () => {
  const [record] = await readBack(catalogueAsMarcxml([model], 'Marrowdale Library', at))
  const fields = record!.fields.filter(([tag]) => tag! >= '010')
  for (const [tag = '', indicators = '', ...rest] of fields) {
    const [allowed, codes, repeatable] = definitions[tag] ?? []
    expect([tag, allowed?.test(indicators)]).toEqual([tag, true])
    for (const code of rest.filter((_each, index) => index % 2 === 0))
      expect([tag, codes]).toEqual([tag, expect.stringContaining(code)])
    if (!repeatable) expect(fields.filter(([each]) => each === tag)).toHaveLength(1)
  }
  const tags = record!.fields.map(([tag]) => tag)
  expect(tags).toEqual([...tags].sort())
})
