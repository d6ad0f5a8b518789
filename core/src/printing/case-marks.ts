import { CORNERS, MARK_MM, MARK_QUIET_MM, type Corner } from '../contents/open-case/case-pose.ts'
import { markText } from '../contents/open-case/case-marks.ts'
import { fitted, papers, wrapped, type PageItem, type Paper, type PrintedPage, type Printer } from './page-items.ts'

const MARGIN_MM = 14
const FIRST_MM = 84
const ROW_MM = 82
const words: Record<Corner, string> = { TL: 'far left', TR: 'far right', BR: 'near right', BL: 'near left' }
const steps = [
  'Print at 100 %: each square must measure 46 mm. Matt paper; gloss mirrors lamps.',
  'The open case lies before you, its lid away from you. Cut the squares out along their lines and glue one flat into each corner of the rim, its words towards you.',
  'Measure across: from the left edge of the left squares to the right edge of the right ones, and from the far edge to the near one. Both figures go into Set-up, Open case.',
]

/** The four marks of a kit's case, at true size: with them a picture of the open case is straightened. */
export function caseMarksPage(
  kit: { readonly name: string; readonly code: string },
  paper: Paper,
  { measure, codes }: Printer,
): PrintedPage {
  const { widthMm, heightMm } = papers[paper]
  const items: PageItem[] = []
  const text = (
    at: { x: number; y: number },
    sizeMm: number,
    line: string,
    font: 'serif' | 'sans' | 'sans-bold' = 'sans',
  ) => items.push({ kind: 'text', ...at, sizeMm, font, text: line, anchor: 'start' })
  const name = { font: 'serif', sizeMm: 11, measure } as const
  text({ x: MARGIN_MM, y: 20 }, 11, fitted(kit.name, widthMm - 60, name), 'serif')
  items.push({
    ...{ kind: 'text', x: widthMm - MARGIN_MM, y: 20, sizeMm: 8, font: 'sans-bold', text: kit.code, anchor: 'end' },
  })
  text({ x: MARGIN_MM, y: 28 }, 5, 'four marks for its open case')
  let y = 38
  steps.forEach((step, index) => {
    wrapped(`${index + 1}  ${step}`, widthMm - 2 * MARGIN_MM, { font: 'sans', sizeMm: 4, measure }).forEach(
      (line) => {
        text({ x: MARGIN_MM, y }, 4, line)
        y += 5.4
      },
    )
    y += 1.6
  })
  CORNERS.forEach((corner, index) => {
    const isLeft = corner === 'TL' || corner === 'BL'
    const x = isLeft ? MARGIN_MM + 16 : widthMm - MARGIN_MM - 16 - MARK_MM
    const top = FIRST_MM + (index < 2 ? 0 : ROW_MM)
    const code = codes.qr(markText(kit.code, corner))
    const scale = (MARK_MM - 2 * MARK_QUIET_MM) / code.width
    items.push(
      { kind: 'rect', x, y: top, width: MARK_MM, height: MARK_MM, radius: 0, strokeMm: 0.1, fill: 'white' },
      {
        ...{ kind: 'path', d: code.d, x: x + MARK_QUIET_MM, y: top + MARK_QUIET_MM, scaleX: scale, scaleY: scale },
        ...{ strokeMm: 0, fill: 'black' },
      },
    )
    text({ x, y: top + MARK_MM + 6 }, 4.4, words[corner], 'sans-bold')
  })
  text(
    { x: MARGIN_MM, y: heightMm - 10 },
    3.6,
    'Marks of one kit belong to this kit alone: its pictures are told by them.',
  )
  return { widthMm, heightMm, items }
}
