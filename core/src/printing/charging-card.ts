import type { Mark, Role } from '../contents/roles.ts'
import { barsItem } from './label-sheet.ts'
import { fitted, papers, wrapped, type PageItem, type Paper, type PrintedPage, type Printer } from './page-items.ts'
import { Pen } from './pen.ts'

export interface ChargingCardKit {
  readonly code: string
  readonly name: string
  readonly branchName: string
  readonly parts: readonly { readonly role: Role; readonly name: string; readonly mark: Mark }[]
}

const MARGIN_MM = 14
const TABLE_TOP_MM = 124
const ROW_MM = 8.2
/** Column heads with the room that each has, in parts of the whole. */
const columns = [
  ['day', 2],
  ['by', 2],
  ['gauge before', 2],
  ['on at', 1.6],
  ['green at', 1.6],
  ['off at', 1.6],
  ['gauge after', 2],
] as const

/** Common practice, no source (DOMAIN section 7); the maker's own words come first. */
const rules = [
  'Look first: pack and cable dry, whole and cool. Swollen, warm, torn or smelling? Don’t charge it. Put it outside, away from anything that burns, and say so.',
  'Its own charger only, on a hard bare surface, open to the air.',
  'Charge to green, then an hour more. Then off: pull the plug.',
  'Never overnight and never unwatched. Off when the house closes, green or not.',
  'In winter and between loans: once in two months. A pack left empty for a season is dead.',
] as const

/** What hangs beside the charger: which pack with which charger, how long, and a line for each time.
 * @returns null for a kit whose case has no pack to charge */
export function chargingCardPage(kit: ChargingCardKit, paper: Paper, printer: Printer): PrintedPage | null {
  const named = (role: Role) => kit.parts.find((part) => part.role === role && part.mark !== 'missing')?.name ?? null
  const pack = named('power-pack')
  if (pack === null) return null
  const charger = named('charger')
  const { measure } = printer
  const { widthMm, heightMm } = papers[paper]
  const right = widthMm - MARGIN_MM
  const room = right - MARGIN_MM
  const pen = new Pen(printer)
  const items: PageItem[] = [
    pen.inRoom(MARGIN_MM, 24, 14, 'serif', kit.name, room - 62),
    pen.text(MARGIN_MM, 33, 5.4, 'serif-italic', 'charging card'),
    pen.text(right, 22, 9, 'sans-bold', kit.code, 'end'),
    barsItem(kit.code, { x: right - 40, y: 26, width: 40, height: 9 }, printer),
    pen.line(MARGIN_MM, 38, right, 38, 0.5),
    pen.inRoom(MARGIN_MM, 46, 5, 'sans-bold', pack, room),
    pen.inRoom(
      MARGIN_MM,
      53,
      4.4,
      'sans',
      charger === null ? 'Its charger isn’t in the case: find it before you charge.' : `with: ${charger}`,
      room,
    ),
  ]
  let y = 63
  rules.forEach((rule, index) => {
    items.push(pen.text(MARGIN_MM, y, 4.6, 'serif-italic', `${index + 1}`))
    for (const line of wrapped(rule, room - 8, { font: 'sans', sizeMm: 4.2, measure })) {
      items.push(pen.text(MARGIN_MM + 8, y, 4.2, 'sans', line))
      y += 5.4
    }
    y += 1.6
  })
  items.push(...table(pen, { top: TABLE_TOP_MM, foot: heightMm - 22, right }))
  const foot = { font: 'sans', sizeMm: 3.6, measure } as const
  items.push(
    pen.text(
      MARGIN_MM,
      heightMm - 12,
      3.6,
      'sans',
      'Gauge: how many lights of how many. Full? Note that at the bench too.',
    ),
    pen.text(right, heightMm - 12, 3.6, 'sans', fitted(kit.branchName, 60, foot), 'end'),
  )
  return { widthMm, heightMm, items }
}

function table(pen: Pen, { top, foot, right }: { top: number; foot: number; right: number }): readonly PageItem[] {
  const whole = columns.reduce((sum, [, share]) => sum + share, 0)
  const unit = (right - MARGIN_MM) / whole
  const edges = columns.reduce((at, [, share]) => [...at, (at.at(-1) ?? 0) + share * unit], [MARGIN_MM])
  const rows = Math.floor((foot - top) / ROW_MM)
  const bottom = top + rows * ROW_MM
  return [
    ...columns.map(([head], index) => pen.text((edges[index] ?? 0) + 1, top - 2, 3.8, 'serif-italic', head)),
    ...Array.from({ length: rows + 1 }, (_each, row) =>
      pen.line(MARGIN_MM, top + row * ROW_MM, right, top + row * ROW_MM, row === 0 ? 0.5 : 0.15),
    ),
    ...edges.map((x) => pen.line(x, top, x, bottom, 0.15)),
  ]
}
