import {
  fitted,
  papers,
  sizeThatFits,
  wrapped,
  type PageItem,
  type Paper,
  type PrintedPage,
  type Printer,
} from './page-items.ts'

/** Sheets of adhesive labels as they are commonly sold, mm (common practice, no source). */
export interface LabelSheet {
  readonly columns: number
  readonly rows: number
  readonly leftMm: number
  readonly topMm: number
  readonly widthMm: number
  readonly heightMm: number
  readonly pitchXMm: number
  readonly pitchYMm: number
}

const sheets: Readonly<Record<Paper, Readonly<Record<'small' | 'large', LabelSheet>>>> = {
  a4: {
    small: {
      columns: 3,
      rows: 7,
      leftMm: 7.2,
      topMm: 15.15,
      widthMm: 63.5,
      heightMm: 38.1,
      pitchXMm: 66.04,
      pitchYMm: 38.1,
    },
    large: {
      columns: 2,
      rows: 4,
      leftMm: 4.65,
      topMm: 13.1,
      widthMm: 99.1,
      heightMm: 67.7,
      pitchXMm: 101.6,
      pitchYMm: 67.7,
    },
  },
  letter: {
    small: {
      columns: 3,
      rows: 10,
      leftMm: 4.76,
      topMm: 12.7,
      widthMm: 66.675,
      heightMm: 25.4,
      pitchXMm: 69.85,
      pitchYMm: 25.4,
    },
    large: {
      columns: 2,
      rows: 5,
      leftMm: 3.97,
      topMm: 12.7,
      widthMm: 101.6,
      heightMm: 50.8,
      pitchXMm: 106.36,
      pitchYMm: 50.8,
    },
  },
}

export interface CodeLabel {
  readonly kind: 'code'
  /** What is scanned: a kit's code, or a part's as CODE/NUMBER. */
  readonly code: string
  readonly name: string
  /** Kit of a part; empty on a kit's own label. */
  readonly of: string
}
export interface PouchLabel {
  readonly kind: 'pouch'
  readonly code: string
  readonly place: string
  readonly of: string
  readonly parts: readonly { readonly number: number; readonly name: string; readonly count: number }[]
}
export type Label = CodeLabel | PouchLabel

export const labelSheet = (paper: Paper, kind: Label['kind']): LabelSheet =>
  sheets[paper][kind === 'pouch' ? 'large' : 'small']

/** The smallest print on a label: about 8 point, read from 40 cm. Codes and names are larger. */
export const SMALLEST_MM = 2.8
const PAD = 2.6
const QUIET_MODULES = 4
const QUIET_BARS = 10

/**
 * Labels on sheets, left to right, row by row, beginning at a cell of the first sheet so that a begun sheet is used up.
 * @param firstCell from 1 to the number of cells
 * @throws RangeError for another first cell or for no labels */
export function labelPages(
  labels: readonly Label[],
  given: { readonly paper: Paper; readonly firstCell: number },
  printer: Printer,
): readonly PrintedPage[] {
  const kind = labels[0]?.kind
  if (!kind) throw new RangeError('labels must hold one at least')
  const sheet = labelSheet(given.paper, kind)
  const perPage = sheet.columns * sheet.rows
  if (!Number.isInteger(given.firstCell) || given.firstCell < 1 || given.firstCell > perPage)
    throw new RangeError(`firstCell must be from 1 to ${perPage}; got ${given.firstCell}`)
  const cells = labels.map((label, index) => ({ label, cell: index + given.firstCell - 1 }))
  const pages = Math.ceil((labels.length + given.firstCell - 1) / perPage)
  return Array.from({ length: pages }, (_, page) => ({
    ...papers[given.paper],
    items: cells
      .filter(({ cell }) => Math.floor(cell / perPage) === page)
      .flatMap(({ label, cell }) => drawLabel(label, boxOf(sheet, cell % perPage), printer)),
  }))
}

interface Box {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

const boxOf = (sheet: LabelSheet, cell: number): Box => ({
  x: sheet.leftMm + (cell % sheet.columns) * sheet.pitchXMm,
  y: sheet.topMm + Math.floor(cell / sheet.columns) * sheet.pitchYMm,
  width: sheet.widthMm,
  height: sheet.heightMm,
})

const drawLabel = (label: Label, box: Box, printer: Printer): readonly PageItem[] =>
  label.kind === 'code' ? drawCodeLabel(label, box, printer) : drawPouchLabel(label, box, printer)

/** A QR code with its quiet zone inside a square. */
export function qrItem(text: string, x: number, y: number, sideMm: number, { codes }: Printer): PageItem {
  const { d, width } = codes.qr(text)
  const module = sideMm / (width + 2 * QUIET_MODULES)
  const inset = QUIET_MODULES * module
  return { kind: 'path', d, x: x + inset, y: y + inset, scaleX: module, scaleY: module, strokeMm: 0, fill: 'black' }
}

/** Bars of Code 128 with their quiet zones inside a box; modules no wider than half a millimetre. */
export function barsItem(text: string, box: Box, { codes }: Printer): PageItem {
  const { d, width, height } = codes.code128(text)
  const module = Math.min(0.5, box.width / (width + 2 * QUIET_BARS))
  const x = box.x + (box.width - width * module) / 2
  return { kind: 'path', d, x, y: box.y, scaleX: module, scaleY: box.height / height, strokeMm: 0, fill: 'black' }
}

function drawCodeLabel({ code, name, of }: CodeLabel, box: Box, printer: Printer): readonly PageItem[] {
  const { measure } = printer
  const barsHeight = box.height > 30 ? 8 : 5.6
  const side = box.height - 2 * PAD - barsHeight + (box.height > 30 ? 0 : 1.6)
  const top = box.y + (box.height > 30 ? PAD : 1.4)
  const left = box.x + PAD + side + 0.6
  const room = box.x + box.width - PAD - left
  const codeSize = sizeThatFits(code, room, {
    font: 'sans-bold',
    mostMm: box.height > 30 ? 9 : 6.6,
    leastMm: 3.4,
    measure,
  })
  const nameStyle = {
    font: of ? ('sans' as const) : ('serif' as const),
    sizeMm: of ? (box.height > 30 ? 4.4 : 3.6) : box.height > 30 ? 7 : 5,
    measure,
  }
  const height = side - codeSize - (of ? 3.4 : 0)
  const lines = wrapped(name, room, nameStyle).slice(0, Math.max(1, Math.floor(height / (nameStyle.sizeMm * 1.08))))
  let y = top + codeSize * 0.86
  const items: PageItem[] = [
    qrItem(code, box.x + PAD - 1, top - 1, side, printer),
    text(left, y, codeSize, 'sans-bold', fitted(code, room, { font: 'sans-bold', sizeMm: codeSize, measure })),
  ]
  for (const line of lines) {
    y += nameStyle.sizeMm * 1.08
    items.push(text(left, y, nameStyle.sizeMm, nameStyle.font, line))
  }
  if (of)
    items.push(
      text(left, y + 3.8, SMALLEST_MM, 'sans', fitted(of, room, { font: 'sans', sizeMm: SMALLEST_MM, measure })),
    )
  const bars = {
    x: box.x + PAD,
    y: box.y + box.height - PAD + 0.4 - barsHeight,
    width: box.width - 2 * PAD,
    height: barsHeight,
  }
  return [...items, barsItem(code, bars, printer)]
}

const text = (
  x: number,
  y: number,
  sizeMm: number,
  font: 'serif' | 'sans' | 'sans-bold',
  words: string,
): PageItem => ({
  kind: 'text',
  x,
  y,
  sizeMm,
  font,
  text: words,
  anchor: 'start',
})

const PART_LINE = 5.4
const PART_SIZE = 4.1

function drawPouchLabel({ code, place, of, parts }: PouchLabel, box: Box, printer: Printer): readonly PageItem[] {
  const { measure } = printer
  const side = 19
  const left = box.x + PAD + 1
  const room = box.width - 2 * PAD - side - 2
  const items: PageItem[] = [
    text(left, box.y + 10, 8, 'serif', fitted(place, room, { font: 'serif', sizeMm: 8, measure })),
    text(
      left,
      box.y + 16.4,
      4,
      'sans-bold',
      fitted(`${code}  ${of}`, room, { font: 'sans-bold', sizeMm: 4, measure }),
    ),
    qrItem(code, box.x + box.width - PAD - side, box.y + 1.4, side, printer),
  ]
  const top = box.y + 19.6
  const perColumn = Math.floor((box.y + box.height - PAD - top) / PART_LINE)
  const columns = parts.length > perColumn ? 2 : 1
  const width = (box.width - 2 * PAD - 2) / columns
  const fits = perColumn * columns
  const shown = parts.length > fits ? parts.slice(0, fits - 1) : parts
  const lines = shown.map(({ number, name, count }) => `${number}  ${name}${count > 1 ? `  ×${count}` : ''}`)
  if (shown.length < parts.length) lines.push(`and ${parts.length - shown.length} more: see the card`)
  lines.forEach((line, index) => {
    const x = left + Math.floor(index / perColumn) * width
    const y = top + ((index % perColumn) + 0.8) * PART_LINE
    items.push(text(x, y, PART_SIZE, 'sans', fitted(line, width - 2, { font: 'sans', sizeMm: PART_SIZE, measure })))
  })
  return items
}
