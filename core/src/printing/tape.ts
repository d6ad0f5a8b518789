import { fitted, papers, type PageItem, type Paper, type PrintedPage, type Printer } from './page-items.ts'

/** Lines of tape on a kit's tube: where the front ring's edge belongs for each set-up, from the usual one's, + towards the
 * sky. */
export interface Tape {
  readonly kit: string
  readonly code: string
  readonly marks: readonly { readonly name: string; readonly mm: number; readonly usual: boolean }[]
}

const MARGIN_MM = 15
const TAPE_HEIGHT_MM = 24
const PITCH_MM = 30
const CHECK_BAR_MM = 100
/** Room above the first tape for the bar that checks the printer. */
const TOP_MM = 34

const line = (x1: number, y1: number, x2: number, y2: number, strokeMm: number): PageItem => ({
  kind: 'line',
  x1,
  y1,
  x2,
  y2,
  strokeMm,
})
const text = (
  x: number,
  y: number,
  sizeMm: number,
  words: string,
  rest: Partial<Extract<PageItem, { kind: 'text' }>> = {},
): PageItem => ({ kind: 'text', x, y, sizeMm, font: 'sans', text: words, anchor: 'start', ...rest })

/** Tapes at true size, as many as a page holds, with a bar of 100 mm to check the printer by.
 * @throws RangeError for a tape whose marks are further apart than the paper is wide */
export function tapePages(tapes: readonly Tape[], paper: Paper, printer: Printer): readonly PrintedPage[] {
  const { widthMm, heightMm } = papers[paper]
  const perPage = Math.floor((heightMm - TOP_MM - MARGIN_MM) / PITCH_MM)
  const pages: PrintedPage[] = []
  for (let from = 0; from < tapes.length; from += perPage) {
    const items = [
      ...checkBar(widthMm),
      ...tapes
        .slice(from, from + perPage)
        .flatMap((tape, index) =>
          tapeItems(tape, { x: MARGIN_MM, y: TOP_MM + index * PITCH_MM, widthMm: widthMm - 2 * MARGIN_MM }, printer),
        ),
    ]
    pages.push({ widthMm, heightMm, items })
  }
  return pages
}

function checkBar(widthMm: number): PageItem[] {
  const x = (widthMm - CHECK_BAR_MM) / 2
  const y = 20
  return [
    line(x, y, x + CHECK_BAR_MM, y, 0.3),
    line(x, y - 2, x, y + 2, 0.3),
    line(x + CHECK_BAR_MM, y - 2, x + CHECK_BAR_MM, y + 2, 0.3),
    text(widthMm / 2, y + 6, 3, 'This line is 100 mm long. If it isn’t, print at 100 %, not “fit to page”.', {
      anchor: 'middle',
    }),
  ]
}

function tapeItems(tape: Tape, box: { x: number; y: number; widthMm: number }, { measure }: Printer): PageItem[] {
  const middle = box.x + box.widthMm / 2
  const furthest = Math.max(...tape.marks.map(({ mm }) => Math.abs(mm)), 0)
  if (furthest > box.widthMm / 2 - 5)
    throw new RangeError(
      `the marks of ${tape.kit} lie ${Math.round(furthest)} mm from the usual one; the paper is narrower`,
    )
  const bottom = box.y + TAPE_HEIGHT_MM
  const reach = Math.min(Math.max(30, Math.ceil(furthest / 10) * 10 + 10), Math.floor(box.widthMm / 20) * 10)
  const ticks = Array.from({ length: 2 * reach + 1 }, (_each, index) => index - reach)
  const inOrder = [...tape.marks].sort((a, b) => a.mm - b.mm)
  // Words stand beside each other in order; a fine line leads each to its mark.
  const slots = inOrder.map((_mark, index) => box.x + (box.widthMm * (index + 0.5)) / inOrder.length)
  return [
    {
      kind: 'rect',
      x: box.x,
      y: box.y,
      width: box.widthMm,
      height: TAPE_HEIGHT_MM,
      radius: 0,
      strokeMm: 0.15,
      fill: 'none',
    },
    text(
      box.x + 2,
      box.y + 4,
      3,
      fitted(`${tape.kit} · ${tape.code} · edge of the front ring`, box.widthMm - 24, {
        font: 'sans',
        sizeMm: 3,
        measure,
      }),
    ),
    text(box.x + box.widthMm - 11, box.y + 4, 3, 'sky', { anchor: 'end', font: 'sans-bold' }),
    ...arrowTo(box.x + box.widthMm - 2, box.y + 3),
    ...ticks.map((mm) =>
      line(middle + mm, bottom, middle + mm, bottom - (mm % 10 === 0 ? 3.5 : mm % 5 === 0 ? 2.5 : 1.5), 0.12),
    ),
    ...inOrder.flatMap((mark, index): PageItem[] => {
      const slot = slots[index] ?? middle
      const words = `${mark.name} ${mark.usual ? '0' : signed(mark.mm)}`
      return [
        line(middle + mark.mm, bottom, middle + mark.mm, bottom - 8, mark.usual ? 0.9 : 0.4),
        line(middle + mark.mm, bottom - 8, slot, bottom - 12, 0.12),
        text(slot, bottom - 13, 3.2, words, { anchor: 'middle', font: mark.usual ? 'sans-bold' : 'sans' }),
      ]
    }),
  ]
}

/** Drawn: the paper's font has no arrow. */
const arrowTo = (x: number, y: number): PageItem[] => [
  line(x - 7, y, x, y, 0.4),
  line(x - 2, y - 1.4, x, y, 0.4),
  line(x - 2, y + 1.4, x, y, 0.4),
]

const signed = (mm: number): string =>
  Math.abs(mm) < 0.5 ? '0' : `${mm > 0 ? '+' : '−'}${Math.round(Math.abs(mm))} mm`
