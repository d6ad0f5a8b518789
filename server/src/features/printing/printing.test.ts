import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { contentsCardPages, labelPages, type Label, type PageItem } from '@binoculum/core'
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
