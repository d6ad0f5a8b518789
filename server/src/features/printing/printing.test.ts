import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { inflateSync } from 'node:zlib'
import {
  alignmentSheetPage,
  contentsCardPages,
  labelPages,
  type AlignmentSheet,
  type Label,
  type PageItem,
} from '@binoculum/core'
import jsQR from 'jsqr'
import sharp from 'sharp'
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader'
import { codes } from './codes.ts'
import { measure, runsOf } from './fonts.ts'
import { pdfOf } from './pdf.ts'

const wasm = readFileSync(createRequire(import.meta.url).resolve('zxing-wasm/reader/zxing_reader.wasm'))
beforeAll(() => prepareZXingModule({ overrides: { wasmBinary: new Uint8Array(wasm).buffer }, fireImmediately: true }))

/** The package’s types speak of an ES module; Node gives the function itself. */
const decodeQr = jsQR as unknown as typeof jsQR.default

const printer = { measure, codes }
const DOTS_PER_MM = 200 / 25.4

/** Draws the paths of a page as a printer of 200 dots an inch would, with sharp's own SVG reader. */
async function printed(items: readonly PageItem[], widthMm: number, heightMm: number) {
  const paths = items.flatMap((item) =>
    item.kind === 'path' && item.fill === 'black'
      ? [`<path d="${item.d}" transform="translate(${item.x} ${item.y}) scale(${item.scaleX} ${item.scaleY})"/>`]
      : [],
  )
  const size = `width="${Math.round(widthMm * DOTS_PER_MM)}" height="${Math.round(heightMm * DOTS_PER_MM)}"`
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" ${size} viewBox="0 0 ${widthMm} ${heightMm}">
    <rect width="100%" height="100%" fill="#fff"/>${paths.join('')}</svg>`
  const { data, info } = await sharp(Buffer.from(svg)).ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return { data: new Uint8ClampedArray(data), width: info.width, height: info.height }
}

const texts = ['M-12', 'M-12/5', 'WRN-12', 'FERNCLIFF-2026/45', 'Ä-3 ö', '0000000000']

it.each(texts)('the QR code of %s is read back by a library that did not write it (ISO/IEC 18004)', async (text) => {
  const { d, width } = codes.qr(text)
  const path: PageItem = { kind: 'path', d, x: 4, y: 4, scaleX: 1, scaleY: 1, strokeMm: 0, fill: 'black' }
  const picture = await printed([path], width + 8, width + 8)
  expect(decodeQr(picture.data, picture.width, picture.height)?.data).toBe(text)
})

it.each(texts.filter((text) => !text.startsWith('Ä')))(
  'the bars of %s are read back by a library that did not write them (ISO/IEC 15417)',
  async (text) => {
    const { d, width } = codes.code128(text)
    const path: PageItem = { kind: 'path', d, x: 10, y: 2, scaleX: 1, scaleY: 20, strokeMm: 0, fill: 'black' }
    const picture = await printed([path], width + 20, 24)
    const [found] = await readBarcodes(picture as unknown as ImageData, { formats: ['Code128'] })
    expect(found).toMatchObject({ text, format: 'Code128' })
  },
)

it.each(['a4', 'letter'] as const)(
  'a full sheet of labels on %s is read from a print of 200 dots an inch',
  async (paper) => {
    const labels = Array.from({ length: 12 }, (_, index): Label => {
      return { kind: 'code', code: `FERN-12/${index + 1}`, name: 'Eyepiece end caps', of: 'Juniper · FERN-12' }
    })
    const [page] = labelPages(labels, { paper, firstCell: 2 }, printer)
    const picture = await printed(page?.items ?? [], page?.widthMm ?? 0, page?.heightMm ?? 0)
    const found = await readBarcodes(picture as unknown as ImageData, {
      formats: ['QRCode', 'Code128'],
      maxNumberOfSymbols: 60,
    })
    const read = (format: string) => found.filter((each) => each.format === format).map(({ text }) => text)
    const wanted = labels.map((label) => label.code).sort()
    expect(read('QRCode').sort()).toEqual(wanted)
    expect(read('Code128').sort()).toEqual(wanted)
  },
)

it('letters of all Latin languages have a face; what has none is shown as a question mark, not lost', () => {
  expect(
    runsOf('Gürel Łukasz Šárka', 'sans')
      .map(({ text }) => text)
      .join(''),
  ).toBe('Gürel Łukasz Šárka')
  expect(
    runsOf('望遠', 'serif')
      .map(({ text }) => text)
      .join(''),
  ).toBe('??')
  expect(measure('mm', 'sans', 10)).toBeCloseTo(2 * measure('m', 'sans', 10))
})

it('the PDF is one page for each sheet, of the paper’s size, with its fonts inside', async () => {
  const parts = [
    {
      id: 'a',
      name: 'Tube',
      role: 'tube' as const,
      criticality: 'essential' as const,
      count: 1,
      massG: 3100,
      place: 'Well',
      lookFor: 'glass in one piece',
      lookEveryTime: false,
    },
  ]
  const kit = {
    code: 'M-12',
    name: 'Łąka',
    modelName: 'floor reflector',
    branchName: 'Library',
    emergencyLine: '',
    printedOn: 'today',
    parts,
  }
  const pdf = (await pdfOf(contentsCardPages(kit, 'a4', printer), 'card')).toString('latin1')
  expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(1)
  expect(pdf).toMatch(/\/MediaBox \[0 0 595\.2\d* 841\.8\d*\]/)
  expect(pdf.match(/\/FontFile/g)?.length).toBeGreaterThanOrEqual(4)
})

describe('a sheet of two marks, measured in the file itself', () => {
  const sheet: AlignmentSheet = {
    kit: 'Sorrel',
    code: 'M-03',
    branch: 'Marrowdale Library',
    offsetMm: { x: -86, y: 81 },
    measured: 'Offset measured Mon 2 Mar 2026, Kofi Arden',
    nearestM: 9,
    focusing: 'drawtube',
    goodArcmin: 15,
    dot: 'dot',
  }

  /** The page's own operators: its content stream, unpacked (ISO 32000-1, 8.2 to 8.5). */
  async function operators(pages: Parameters<typeof pdfOf>[0]) {
    const bytes = await pdfOf(pages, 'sheets')
    const text = bytes.toString('latin1')
    const streams = [...text.matchAll(/\/FlateDecode\s*>>\s*stream\r?\n/g)].flatMap((match) => {
      const from = match.index + match[0].length
      try {
        return [inflateSync(bytes.subarray(from, text.indexOf('endstream', from))).toString('latin1')]
      } catch {
        return []
      }
    })
    return streams.filter((stream) => / re\b/.test(stream) && / cm\b/.test(stream))
  }
  /** Middles of the circles of a radius: four curves each, begun at the leftmost or rightmost place. */
  function middles(stream: string, r: number) {
    const lines = stream.split('\n')
    return lines.flatMap((line, i) => {
      const [, x = '', y = ''] = /^([\d.]+) ([\d.]+) m$/.exec(line) ?? []
      const ends = lines.slice(i + 1, i + 5).map((each) => /([\d.]+) ([\d.]+) c$/.exec(each))
      if (x === '' || ends.some((end) => !end)) return []
      const xs = [Number(x), ...ends.map((end) => Number(end?.[1]))]
      const ys = [Number(y), ...ends.map((end) => Number(end?.[2]))]
      const half = (Math.max(...xs) - Math.min(...xs)) / 2
      if (Math.abs(half - r) > 0.01) return []
      return [{ x: (Math.max(...xs) + Math.min(...xs)) / 2, y: (Math.max(...ys) + Math.min(...ys)) / 2 }]
    })
  }

  it.each(['a4', 'letter'] as const)('on %s both marks and the bar are true within 0.3 mm', async (paper) => {
    const [stream = ''] = await operators([alignmentSheetPage(sheet, paper, printer)])
    // One scale for all: a unit is a millimetre, 72 points to the inch.
    const scales = [...stream.matchAll(/^([\d.]+) 0 0 ([\d.]+) 0 0 cm$/gm)].map(([, sx, sy]) => [
      Number(sx),
      Number(sy),
    ])
    const mm = (units: number) => (units * (scales[0]?.[0] ?? 0) * 25.4) / 72
    expect(scales[0]?.[0]).toBeCloseTo(scales[0]?.[1] ?? 0, 9)
    const [ring] = middles(stream, 13)
    const [cross] = middles(stream, 11)
    expect(Math.abs(mm((ring?.x ?? 0) - (cross?.x ?? 0)) + 86)).toBeLessThan(0.3)
    expect(Math.abs(mm((cross?.y ?? 0) - (ring?.y ?? 0)) - 81)).toBeLessThan(0.3)
    const boxes = [...stream.matchAll(/^([\d.]+) [\d.]+ 10 4 re$/gm)].map(([, x]) => Number(x))
    expect(boxes).toHaveLength(10)
    expect(Math.abs(mm(Math.max(...boxes) + 10 - Math.min(...boxes)) - 100)).toBeLessThan(0.3)
  })

  it('the dots of what is good from 9 m lie 39.3 mm from the ring’s middle (15′)', () => {
    const { items } = alignmentSheetPage(sheet, 'a4', printer)
    const circles = items.flatMap((item) => (item.kind === 'circle' ? [item] : []))
    const ring = circles.find(({ r }) => r === 13)
    const dotted = items.flatMap((item) => (item.kind === 'path' && item.strokeMm === 0.6 ? [item.d] : []))
    const ends = [...(dotted[0] ?? '').matchAll(/[ML]([\d.]+) ([\d.]+)/g)]
    expect(ends.length).toBeGreaterThan(60)
    for (const [, x, y] of ends) {
      const away = Math.hypot(Number(x) - (ring?.x ?? 0), Number(y) - (ring?.y ?? 0))
      expect(away).toBeCloseTo(9000 * Math.tan(Math.PI / 720), 2)
    }
    expect(items.some((item) => item.kind === 'text' && item.text === 'good, from 9 m')).toBe(true)
  })

  it.each([
    { x: 86, y: 81 },
    { x: 0, y: 110 },
    { x: 105, y: 0 },
    { x: -45, y: -62 },
  ])('a finder at $x, $y: everything stays on the paper', (offsetMm) => {
    for (const paper of ['a4', 'letter'] as const) {
      const long = 'Kit with a name that is far longer than any sheet of paper is wide, and more'
      const page = alignmentSheetPage({ ...sheet, kit: long, offsetMm }, paper, printer)
      for (const item of page.items) {
        if (item.kind !== 'text') continue
        const width = measure(item.text, item.font, item.sizeMm)
        const left = item.x - (item.anchor === 'start' ? 0 : item.anchor === 'middle' ? width / 2 : width)
        expect(left).toBeGreaterThan(2)
        expect(left + width).toBeLessThan(page.widthMm - 2)
        expect(item.y).toBeLessThan(page.heightMm - 4)
      }
    }
  })

  it('an unknown offset, and one that doesn’t fit, are told by the kit’s name', () => {
    expect(() => alignmentSheetPage({ ...sheet, offsetMm: { x: 2, y: 2 } }, 'a4', printer)).toThrow(/Sorrel.*measure/)
    expect(() => alignmentSheetPage({ ...sheet, offsetMm: { x: 0, y: 300 } }, 'a4', printer)).toThrow(/Sorrel.*fit/)
  })

  it('two hundred sheets take little more than twenty times ten', async () => {
    const timeOf = async (count: number) => {
      const began = performance.now()
      const pages = Array.from({ length: count }, (_, i) =>
        alignmentSheetPage({ ...sheet, code: `M-${i}` }, 'a4', printer),
      )
      await pdfOf(pages, 'sheets')
      return performance.now() - began
    }
    await timeOf(10)
    const ratio = (await timeOf(200)) / (await timeOf(10))
    expect(ratio).toBeLessThan(2 * 20)
  })
})
