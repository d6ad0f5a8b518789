import { readFileSync } from 'node:fs'
import {
  compareCase,
  comparePictures,
  learntCase,
  markText,
  readCase,
  type CaseReference,
  type FoundMarks,
  type Picture,
  type ReadCase,
} from '@binoculum/core'
import QRCode from 'qrcode'
import sharp from 'sharp'
import { decodePicture } from './decode-picture.ts'
import { readCaseMarks } from './read-marks.ts'
import { longTest } from '../../../../core/src/testing/sweep.ts'

/** Rendered by a general-purpose ray tracer, with the truth beside each; invented parts. */
const folder = new URL('../../../test/pictures/case/', import.meta.url)
interface Truth {
  readonly caseMm: { readonly width: number; readonly height: number }
  readonly cases: {
    readonly A: {
      readonly compartments: readonly { readonly id: string; readonly outlineMm: readonly [number, number][] }[]
      readonly pictures: readonly {
        readonly file: string
        readonly kind: 'ref' | 'test'
        readonly nuisance: { readonly tilt?: number }
        readonly marksPx: Readonly<Record<string, readonly [number, number][]>>
        readonly truth: Readonly<Record<string, string>>
      }[]
    }
  }
}
const { caseMm, cases } = JSON.parse(readFileSync(new URL('truth.json', folder), 'utf8')) as Truth
const compartments = cases.A.compartments.map(({ id, outlineMm }) => ({
  id,
  outlineMm: outlineMm.map(([x, y]) => ({ x, y })),
}))
const given = { compartments, caseMm }
const bytesOf = (file: string) => readFileSync(new URL(file, folder))
const read = async (bytes: Buffer): Promise<{ image: Picture; marks: FoundMarks }> => {
  const image = await decodePicture(bytes)
  return { image, marks: await readCaseMarks(image) }
}
const readOnce = new Map<string, ReturnType<typeof read>>()
/** A picture as it is, read once for all tests. */
const readFile = (file: string) => {
  const known = readOnce.get(file) ?? read(bytesOf(file))
  readOnce.set(file, known)
  return known
}
const straightened = async (file: string) => readCase(await readFile(file), given)

let reference: CaseReference
beforeAll(async () => {
  const files = cases.A.pictures.filter(({ kind }) => kind === 'ref').map(({ file }) => file)
  const read = (await Promise.all(files.map(straightened))) as ReadCase[]
  reference = learntCase(read.map((each) => ({ read: each, referenceFor: null })))
})

it('the reader finds all four marks of each picture, within a millimetre and a half of where they are', async () => {
  for (const { file, marksPx } of cases.A.pictures) {
    const { marks } = await readFile(file)
    expect(marks.kitCode).toBe('KA')
    for (const corner of ['TL', 'TR', 'BR', 'BL'] as const) {
      // The truth is the mark's edge; the code begins two of its 25 modules further in.
      const [ax = 0, ay = 0] = marksPx[corner]?.[0] ?? []
      const [bx = 0, by = 0] = marksPx[corner]?.[2] ?? []
      const inset = { x: ax + (bx - ax) * (2 / 25), y: ay + (by - ay) * (2 / 25) }
      const told = marks[corner]?.[0]
      expect(Math.hypot((told?.x ?? 0) - inset.x, (told?.y ?? 0) - inset.y)).toBeLessThan(3)
    }
  }
})

it('within 15° every changed compartment is found, at most one in twenty falsely, few can’t be told', async () => {
  const counts = { changed: 0, found: 0, same: 0, falsely: 0, unsure: 0 }
  for (const { file, kind, nuisance, truth } of cases.A.pictures) {
    if (kind !== 'test' || (nuisance.tilt ?? 0) > 15) continue
    const today = await straightened(file)
    if (today.refused !== null) throw new Error(`${file}: ${today.refused}`)
    for (const { id, verdict } of compareCase(today, reference).compartments) {
      // A part turned round in its place is no change.
      const isChanged = !['same', 'moved'].includes(truth[id] ?? '')
      if (isChanged) {
        counts.changed++
        if (verdict === 'different') counts.found++
      } else {
        counts.same++
        if (verdict === 'different') counts.falsely++
      }
      if (verdict === 'can’t-tell') counts.unsure++
    }
  }
  expect(counts.changed).toBe(7)
  expect(counts.found / counts.changed).toBeGreaterThanOrEqual(0.95)
  expect(counts.falsely / counts.same).toBeLessThanOrEqual(0.05)
  expect(counts.unsure / (counts.same + counts.changed)).toBeLessThanOrEqual(0.12)
})

it('slanted pictures are refused: a straighter one is to be taken', async () => {
  for (const { file, nuisance } of cases.A.pictures)
    if ((nuisance.tilt ?? 0) > 17) expect(await straightened(file)).toEqual({ refused: 'slanted' })
})

longTest()('after JPEG at quality 60 the answers are the same', async () => {
  const worn = await read(await sharp(bytesOf('A-test-6.jpg')).jpeg({ quality: 60 }).toBuffer())
  const today = readCase(worn, given) as ReadCase
  const told = compareCase(today, reference).compartments.filter(({ verdict }) => verdict === 'different')
  expect(told.map(({ id }) => id)).toEqual(['c5', 'c9'])
})

longTest().each([
  ['sent once more', (file: Buffer) => sharp(file).jpeg({ quality: 60 })],
  ['photographed from a screen: smaller and softer', (file: Buffer) => sharp(file).resize(1200).blur(0.8)],
  ['printed: paler, with other tones', (file: Buffer) => sharp(file).gamma(1.4).linear(0.85, 15).blur(1.2)],
])('a picture of a kept picture is told, not judged: %s', async (_what, copy) => {
  for (const file of ['A-ref-2.jpg', 'A-ref-4.jpg']) {
    const today = readCase(await read(await copy(bytesOf(file)).jpeg().toBuffer()), given) as ReadCase
    const told = compareCase(today, reference)
    expect(told.refused).toBe('kept-before')
    expect(told.compartments.every(({ verdict }) => verdict === 'can’t-tell')).toBe(true)
  }
})

/** A white patch over part of a picture, in its px. */
const covered = (file: string, areas: readonly { left: number; top: number; width: number; height: number }[]) =>
  sharp(bytesOf(file))
    .composite(
      areas.map(({ left, top, width, height }) => ({
        input: { create: { width, height, channels: 3 as const, background: { r: 180, g: 150, b: 130 } } },
        ...{ left, top },
      })),
    )
    .jpeg()
    .toBuffer()
const topLeft = { left: 150, top: 100, width: 180, height: 180 }
const topRight = { left: 1300, top: 100, width: 200, height: 200 }

longTest()('three marks do, and it is said; two are refused', async () => {
  const three = readCase(await read(await covered('A-test-3.jpg', [topLeft])), given)
  expect(three).toMatchObject({ refused: null, warnings: ['mark-missing'] })
  const told = compareCase(three as ReadCase, reference).compartments.filter(({ verdict }) => verdict === 'different')
  expect(told.map(({ id }) => id)).toEqual(['c2'])
  expect(readCase(await read(await covered('A-test-3.jpg', [topLeft, topRight])), given)).toEqual({
    refused: 'no-marks',
  })
})

longTest()('a hand over a compartment: nothing is said of what can’t be seen, the rest is compared', async () => {
  const hand = readCase(
    await read(await covered('A-test-1.jpg', [{ left: 470, top: 800, width: 420, height: 330 }])),
    given,
  )
  if (hand.refused !== null) throw new Error(hand.refused)
  expect(hand.warnings).toContain('covered')
  const told = new Map(compareCase(hand, reference).compartments.map(({ id, verdict }) => [id, verdict]))
  expect(told.get('c12')).toBe('can’t-tell')
  expect(told.get('c1')).toBe('same')
})

it.each([
  ['mirrored', () => sharp(bytesOf('A-test-1.jpg')).flop().jpeg().toBuffer(), 'mirrored'],
  ['dark', () => sharp(bytesOf('A-test-1.jpg')).linear(0.02, 0).png().toBuffer(), /too-dark|no-marks/],
  ['from far away', () => sharp(bytesOf('A-test-1.jpg')).resize(480).jpeg().toBuffer(), /too-small|no-marks/],
  [
    'of nothing',
    () =>
      sharp({ create: { width: 800, height: 600, channels: 3, background: 'grey' } })
        .png()
        .toBuffer(),
    'no-marks',
  ],
])('a picture %s is refused', async (_what, make, why) => {
  expect(readCase(await read(await make()), given).refused).toMatch(why)
})

it('the marks of another kit are another case', async () => {
  const { image, marks } = await readFile('A-test-1.jpg')
  const other = { ...marks, kitCode: 'KB' }
  const images = [image, image, image]
  const told = comparePictures({ reference: { images, marks: [marks, marks, marks], ...given }, image, marks: other })
  expect(told.refused).toBe('other-case')
  expect(told.compartments.every(({ verdict }) => verdict === 'can’t-tell')).toBe(true)
})

it('two readable references are too few, and the others’ fault is named', async () => {
  const { image, marks } = await readFile('A-test-1.jpg')
  const reference = { images: [image, image, image], marks: [marks, marks, {}], ...given }
  expect(() => comparePictures({ reference, image, marks })).toThrow('3: no-marks')
})

it('a mark as it is printed is read as what stands in it', async () => {
  const code = await QRCode.toBuffer(markText('M-01', 'TR'), { margin: 4, scale: 8, errorCorrectionLevel: 'M' })
  const { marks } = await read(code)
  expect(marks).toMatchObject({ kitCode: 'M-01' })
  expect(marks.TR).toHaveLength(4)
})
