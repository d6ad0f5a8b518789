import type { Role } from '../contents/roles.ts'
import { massText } from '../words/figures.ts'
import { LEFT_WIDTH, MARGIN, plan, type CardPart } from './case-plan.ts'
import { barsItem } from './label-sheet.ts'
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
import { Pen } from './pen.ts'

export interface CardKit {
  readonly code: string
  readonly name: string
  readonly modelName: string
  readonly branchName: string
  /** Empty where none is set: a line is left to write on. */
  readonly emergencyLine: string
  /** Day the card was printed, as it is to be read. */
  readonly printedOn: string
  readonly parts: readonly CardPart[]
}

const TICK_WIDTH = 10
const TICKS = ['out', 'back', 'out', 'back'] as const
const TAIL_ROW = 6.2
const ROW_MOST = 5.6
const ROW_LEAST = 4.5
/** From here two people carry. Common practice, no source. */
const TWO_PEOPLE_G = 10_000
const SUN_SIGN =
  'M12 7a5 5 0 1 0 0 10a5 5 0 1 0 0-10ZM12 2.4V5M12 19V21.6M2.4 12H5M19 12H21.6M5.2 5.2L7 7M17 17L18.8 18.8M5.2 18.8L7 17M17 7L18.8 5.2'
const marksDrawn = {
  tick: 'M0 5.2L2.6 8.4L8 0',
  ring: 'M4 .4A3.8 3.8 0 1 0 4.01 .4',
  slash: 'M7 0L1 8',
  arrows: 'M0 2.4H8M5.6 0L8 2.4L5.6 4.8M8 6.8H0M2.4 4.4L0 6.8L2.4 9.2',
} as const

type Row =
  | { readonly kind: 'place'; readonly place: string }
  | { readonly kind: 'part'; readonly number: number; readonly part: CardPart }

/**
 * The card that lies in a kit's lid: case order, four columns to tick in pencil, the plan of the case, and the cautions that
 * belong to what is in it. Goes on to further pages where the parts don't fit at a legible size.
 * @throws RangeError where the kit has no parts */
export function contentsCardPages(kit: CardKit, paper: Paper, printer: Printer): readonly PrintedPage[] {
  if (kit.parts.length === 0) throw new RangeError('kit must have one part at least')
  const page = papers[paper]
  const rows = rowsOf(kit.parts)
  const top = 56
  const foot = page.heightMm - MARGIN - 7
  const tail = 3 * TAIL_ROW
  const room = foot - tail - top - 2
  const rowHeight = Math.min(ROW_MOST, Math.max(ROW_LEAST, room / rows.length))
  const perPage = Math.floor(room / rowHeight)
  const chunks: Row[][] = []
  for (let from = 0; from < rows.length; from += perPage) chunks.push(rows.slice(from, from + perPage))
  const pen = new Pen(printer)
  return chunks.map((chunk, index) => ({
    ...page,
    items: [
      ...heading(kit, page.widthMm, pen, chunks.length > 1 ? ` · ${index + 1} of ${chunks.length}` : ''),
      ...leftColumn(kit, pen, foot),
      ...table(chunk, { top, rowHeight, right: page.widthMm - MARGIN, last: index === chunks.length - 1 }, pen),
      ...footing(kit, page, pen),
    ],
  }))
}

function rowsOf(parts: readonly CardPart[]): readonly Row[] {
  let place: string | null = null
  return parts.flatMap((part, index): Row[] => {
    const row: Row = { kind: 'part', number: index + 1, part }
    if (part.place === place) return [row]
    place = part.place
    return [{ kind: 'place', place: part.place || 'Case' }, row]
  })
}

function heading(kit: CardKit, widthMm: number, pen: Pen, pageWords: string): readonly PageItem[] {
  const right = widthMm - MARGIN
  const { measure } = pen.printer
  const codeWidth = measure(kit.code, 'sans-bold', 10)
  const bars = { x: right - codeWidth - 44, y: 15, width: 40, height: 11 }
  const room = bars.x - MARGIN - 3
  const nameSize = sizeThatFits(kit.name, room, { font: 'serif', mostMm: 15, leastMm: 7, measure })
  const lines = kit.parts.length === 1 ? 'one part' : `${kit.parts.length} parts`
  return [
    pen.inRoom(MARGIN, 20, nameSize, 'serif', kit.name, room),
    pen.inRoom(MARGIN, 27, 4.8, 'serif-italic', `${kit.modelName}, ${lines} in case order${pageWords}`, room),
    barsItem(kit.code, bars, pen.printer),
    pen.text(right, 25, 10, 'sans-bold', kit.code, 'end'),
    pen.rect(MARGIN, 31, right - MARGIN, 15.6, { strokeMm: 0.7 }),
    pen.path(SUN_SIGN, MARGIN + 2, 31.8, 0.58, 0.55),
    pen.line(MARGIN + 3, 45, MARGIN + 15, 32.4, 0.9),
    pen.text(MARGIN + 19, 38, 5.4, 'sans-bold', 'Never point the telescope or its finder at the Sun.'),
    pen.text(
      MARGIN + 19,
      43.6,
      3.8,
      'sans',
      'One look blinds. Never by day unattended; never leave children alone with it.',
    ),
  ]
}

function table(
  rows: readonly Row[],
  { top, rowHeight, right, last }: { top: number; rowHeight: number; right: number; last: boolean },
  pen: Pen,
): readonly PageItem[] {
  const left = MARGIN + LEFT_WIDTH + 7
  const ticks = right - TICKS.length * TICK_WIDTH
  const items: PageItem[] = [
    pen.text(left + 7.4, top - 2, 3.9, 'serif-italic', 'what, and what to look for'),
    ...TICKS.map((word, index) =>
      pen.text(ticks + (index + 0.5) * TICK_WIDTH, top - 2, 3.9, 'serif-italic', word, 'middle'),
    ),
    pen.line(left, top, right, top, 0.35),
  ]
  const tails = last ? ['weighed packed, kg', 'date', 'by'] : []
  const bottom = top + rows.length * rowHeight + tails.length * TAIL_ROW
  items.unshift(pen.rect(ticks + 2 * TICK_WIDTH, top, 2 * TICK_WIDTH, bottom - top, { fill: 'grey' }))
  const size = rowHeight * 0.68
  rows.forEach((row, index) => {
    const y = top + (index + 1) * rowHeight
    const base = y - rowHeight * 0.3
    if (row.kind === 'place') {
      items.push(pen.inRoom(left + 7.4, base + 0.3, size * 1.3, 'serif', row.place, ticks - left - 9))
      items.push(pen.line(left, y, right, y, 0.3))
      return
    }
    items.push(...partRow(row, { left, ticks, base, size }, pen), pen.line(left, y, right, y))
  })
  tails.forEach((words, index) => {
    const y = top + rows.length * rowHeight + (index + 1) * TAIL_ROW
    items.push(
      pen.text(left + 7.4, y - 2.2, 3.6, 'sans', words),
      pen.line(left, y, right, y, index === 2 ? 0.35 : 0.15),
    )
  })
  TICKS.forEach((_, index) =>
    items.push(pen.line(ticks + index * TICK_WIDTH, top, ticks + index * TICK_WIDTH, bottom, 0.15)),
  )
  return items
}

function partRow(
  { number, part }: { readonly number: number; readonly part: CardPart },
  at: { left: number; ticks: number; base: number; size: number },
  pen: Pen,
): readonly PageItem[] {
  const font = part.criticality === 'essential' ? 'sans-bold' : 'sans'
  const start = at.left + 7.4
  const room = at.ticks - start - 2
  const { measure } = pen.printer
  const name = fitted(part.name, room, { font, sizeMm: at.size, measure })
  const used = measure(name, font, at.size) + 2.4
  const small = at.size * 0.88
  const count = part.count > 1 ? String(part.count) : ''
  const whole = [count, part.lookFor].filter((each) => each !== '').join(', ')
  // What to look for stands there whole, or not at all, but for what must be looked at every time.
  const fits = measure(whole, 'sans', small) <= room - used
  const words = fits || part.lookEveryTime ? whole : count
  const items = [
    pen.text(at.left + 5.4, at.base, small, 'sans', String(number), 'end'),
    pen.text(start, at.base, at.size, font, name),
  ]
  if (words !== '' && room - used > 6)
    items.push(pen.inRoom(start + used, at.base, small, 'sans', words, room - used))
  return items
}

function leftColumn(kit: CardKit, pen: Pen, foot: number): readonly PageItem[] {
  const planTop = 50.5
  const planHeight = 90
  const items: PageItem[] = [...plan(kit.parts, planTop, planHeight, pen)]
  let y = planTop + planHeight + 4
  const style = { font: 'sans' as const, sizeMm: 3.5, measure: pen.printer.measure }
  const part = (title: string, words: string, figure = '') => {
    const lines = wrapped(words, LEFT_WIDTH, style)
    if (y + 9 + lines.length * 4.7 > foot) return
    items.push(pen.line(MARGIN, y, MARGIN + LEFT_WIDTH, y, 0.3), pen.text(MARGIN, y + 6.2, 5.8, 'serif', title))
    // A figure beside serif words is set in the sans: the serif’s 1 reads as I.
    if (figure !== '') items.push(pen.text(MARGIN + LEFT_WIDTH, y + 6.2, 5, 'sans-bold', figure, 'end'))
    lines.forEach((line, index) => items.push(pen.text(MARGIN, y + 11.6 + index * 4.7, 3.5, 'sans', line)))
    y += 15 + lines.length * 4.7 - 1.4
  }
  items.push(
    pen.line(MARGIN, y, MARGIN + LEFT_WIDTH, y, 0.3),
    pen.text(MARGIN, y + 6.2, 5.8, 'serif', 'Marks, in pencil'),
  )
  const legend: readonly (readonly [keyof typeof marksDrawn, string])[] = [
    ['tick', 'present'],
    ['ring', 'missing'],
    ['slash', 'damaged'],
    ['arrows', 'another item lies here'],
  ]
  legend.forEach(([mark, words], index) => {
    const base = y + 12.4 + index * 6
    items.push(
      pen.path(marksDrawn[mark], MARGIN + 0.8, base - 3.2, 0.42, 0.6),
      pen.text(MARGIN + 7, base, 3.7, 'sans', words),
    )
  })
  y += 12.4 + legend.length * 6
  wrapped('Heavy type: without it the kit can’t be used.', LEFT_WIDTH, style).forEach((line) => {
    items.push(pen.text(MARGIN, y, 3.5, 'sans', line))
    y += 4.7
  })
  y += 1
  const massG = kit.parts.reduce((sum, { massG: one, count }) => sum + (one ?? 0) * count, 0)
  const has = (...roles: readonly Role[]) => kit.parts.some(({ role }) => roles.includes(role))
  if (has('coin-cell'))
    part(
      'Coin cell',
      `Swallowed, it burns within two hours. Call your emergency line at once: ${kit.emergencyLine || '____________________'}`,
    )
  const order = has('counterweight')
    ? 'Weight on before the tube; tube off before the weight.'
    : 'Lift with a straight back.'
  if (massG > TWO_PEOPLE_G) part('Two people', `${order} Toes clear.`, massText(massG))
  part('Screws stay in', 'Back them off, never take them out. Small parts go in the pouch.')
  return items
}

function footing(kit: CardKit, page: { widthMm: number; heightMm: number }, pen: Pen): readonly PageItem[] {
  const y = page.heightMm - MARGIN
  const right = page.widthMm - MARGIN
  const { measure } = pen.printer
  const first = 'Something missing, broken or odd? Tell us.'
  const second = MARGIN + measure(first, 'sans-bold', 3.4) + 1.6
  const own = `${kit.branchName} · ${kit.printedOn}`
  const room = right - second - measure('Nobody minds.', 'sans', 3.4) - 6
  return [
    pen.line(MARGIN, y - 6, right, y - 6, 0.3),
    pen.text(MARGIN, y - 1, 3.4, 'sans-bold', first),
    pen.text(second, y - 1, 3.4, 'sans', 'Nobody minds.'),
    pen.text(right, y - 1, 3.4, 'sans', fitted(own, room, { font: 'sans', sizeMm: 3.4, measure }), 'end'),
  ]
}
