import type { Interval } from '../trends/rates.ts'
import { costSentence, costText, partWords, sparesSentence, type BuyingFacts } from '../words/buying.ts'
import { moneyText } from '../words/figures.ts'
import { papers, wrapped, type PageItem, type Paper, type PrintedPage, type Printer } from './page-items.ts'
import { Pen } from './pen.ts'

export interface CommitteeReport extends BuyingFacts {
  readonly branchName: string
  /** “Thu 12 Mar 2026”. */
  readonly printedOn: string
  readonly sinceYear: number
  readonly recordYears: number
}

const MARGIN_MM = 18
const ROW_MM = 7.2
const TEXT_MM = 3.7
const SMALL_MM = 3.2
const LINE_MM = 5
/** Where names end and bars begin, and how long a bar may be. */
const BAR_AT_MM = 80
const BAR_MM = 52

/** What the committee decides by: one page on what models cost, one on which parts to keep. Bars say between which figures the
 * truth lies nine times in ten, the stroke on each the figure itself. */
export function committeeReportPages(
  report: CommitteeReport,
  paper: Paper,
  printer: Printer,
): readonly PrintedPage[] {
  return [costPage, sparesPage].map((page, index) => {
    const sheet = new Sheet(paper, printer)
    sheet.head(report, index + 1)
    page(report, sheet)
    return sheet.page()
  })
}

function costPage(report: CommitteeReport, sheet: Sheet): void {
  const { models, currency, assumed, sinceYear } = report
  sheet.section('What a loan costs', costSentence(report))
  const most = Math.max(1, ...models.map(({ costMinor }) => costMinor?.high ?? 0))
  sheet.columns(['model', `${currency} a loan, up to ${moneyText(Math.round(most), currency)}`, 'middle (from, to)'])
  const dearestFirst = [...models].sort((a, b) => (b.costMinor?.middle ?? 0) - (a.costMinor?.middle ?? 0))
  sheet.rows(dearestFirst, (model) => ({
    name: `${model.modelName}${model.kits === 1 ? '' : ` (${model.kits})`}`,
    bar: model.costMinor && { ...model.costMinor, most },
    words: costText(model, currency),
  }))
  sheet.note(
    `A year’s share of the price, over ${assumed.lifeYears} years, and what was missing when kits came back by what it costs to buy again, spread over a year’s loans since ${sinceYear}. Hours of volunteers aren’t counted as money. Where bars lie over each other there are too few loans to tell models apart.`,
  )
  const looked = models.filter(({ beyond }) => beyond !== null)
  if (looked.length === 0 || !sheet.hasRoom()) return
  sheet.section('How they hold', 'How often a mirror came back beyond its limit, and how long a whole check takes.')
  sheet.columns(['model', 'of 100 looks, up to 100', 'share (from, to), check'])
  const worstFirst = looked.sort((a, b) => (b.beyond?.share ?? 0) - (a.beyond?.share ?? 0))
  sheet.rows(worstFirst, ({ modelName, beyond, benchMinutes }) => ({
    name: modelName,
    bar: beyond && { ...beyond, middle: beyond.share, most: 1 },
    words: `${beyond ? shares(beyond) : ''}${benchMinutes === null ? '' : `, ${benchMinutes} min`}`,
  }))
}

function sparesPage(report: CommitteeReport, sheet: Sheet): void {
  const { spares, currency, assumed, recordYears } = report
  sheet.section('Which parts to keep', sparesSentence(report))
  const most = Math.max(1, ...spares.map(({ aYear }) => aYear.high))
  sheet.columns(['part', `lost a year, up to ${most.toFixed(0)}`, 'keep, have, order'])
  sheet.rows(spares, ({ role, aYear, keep, have, order, pieceMinor }) => ({
    name: partWords(role),
    bar: { low: aYear.low, middle: aYear.rate, high: aYear.high, most },
    words: `${keep}, ${have}, ${order === 0 ? 'none' : order}${pieceMinor === null || order === 0 ? '' : ` at ${moneyText(pieceMinor, currency)}`}`,
  }))
  sheet.note(
    `From records of ${recordYears.toFixed(1)} years. Lost parts come one by one, whatever was lost before; a part is kept in such a number that it is there ${Math.round(100 * assumed.serviceLevel)} times in 100 while new ones take ${assumed.leadWeeks} weeks to come. What your library’s or club’s rules for buying ask for comes first.`,
  )
}

const hundredths = (share: number) => Math.round(100 * share)
const shares = ({ share, low, high }: Interval & { readonly share: number }) =>
  `${hundredths(share)} % (${hundredths(low)} to ${hundredths(high)} %)`

interface Bar extends Interval {
  readonly middle: number
  readonly most: number
}

class Sheet {
  private readonly items: PageItem[] = []
  private readonly pen: Pen
  private readonly size: (typeof papers)[Paper]
  private y = MARGIN_MM

  constructor(paper: Paper, printer: Printer) {
    this.pen = new Pen(printer)
    this.size = papers[paper]
  }

  page(): PrintedPage {
    return { ...this.size, items: this.items }
  }

  head({ branchName, printedOn }: CommitteeReport, number: number): void {
    const { pen, items, right } = this
    items.push(pen.text(MARGIN_MM, this.y + 6, 8, 'serif', 'Buying and mending'))
    items.push(pen.text(right, this.y + 6, TEXT_MM, 'sans', `${printedOn}, ${number} of 2`, 'end'))
    items.push(pen.inRoom(MARGIN_MM, this.y + 13, 4.6, 'serif-italic', branchName, right - MARGIN_MM))
    items.push(pen.line(MARGIN_MM, this.y + 17, right, this.y + 17, 0.4))
    this.y += 19
  }

  section(title: string, sentence: string): void {
    this.y += 9
    this.items.push(this.pen.text(MARGIN_MM, this.y, 6, 'serif', title))
    this.y += 3
    this.paragraph(sentence, TEXT_MM)
    this.y += 7
  }

  columns([name, bar, words]: readonly [string, string, string]): void {
    const { pen, items, right } = this
    items.push(pen.text(MARGIN_MM, this.y, SMALL_MM, 'sans-bold', name))
    items.push(pen.inRoom(BAR_AT_MM, this.y, SMALL_MM, 'sans-bold', bar, BAR_MM))
    items.push(pen.text(right, this.y, SMALL_MM, 'sans-bold', words, 'end'))
    this.y += 2
    items.push(pen.line(MARGIN_MM, this.y, right, this.y, 0.3))
  }

  /** As many as the page takes; how many are left out is said. */
  rows<T>(
    given: readonly T[],
    say: (each: T) => { readonly name: string; readonly bar: Bar | null; readonly words: string },
  ): void {
    const room = Math.max(0, Math.floor((this.size.heightMm - MARGIN_MM - NOTE_MM - this.y) / ROW_MM))
    for (const each of given.slice(0, room)) this.row(say(each))
    if (given.length > room) this.paragraph(`and ${given.length - room} more, on the page of the logbook`, SMALL_MM)
  }

  private row({
    name,
    bar,
    words,
  }: {
    readonly name: string
    readonly bar: Bar | null
    readonly words: string
  }): void {
    const { pen, items, right } = this
    const base = this.y + 5
    items.push(pen.inRoom(MARGIN_MM, base, TEXT_MM, 'sans', name, BAR_AT_MM - MARGIN_MM - 3))
    items.push(pen.text(right, base, TEXT_MM, 'sans', words, 'end'))
    if (bar) {
      const at = (value: number) => BAR_AT_MM + (BAR_MM * value) / bar.most
      items.push(pen.rect(at(bar.low), base - 3, at(bar.high) - at(bar.low), 3, { fill: 'grey', strokeMm: 0.15 }))
      items.push(pen.line(at(bar.middle), base - 3.8, at(bar.middle), base + 0.8, 0.7))
    }
    this.y += ROW_MM
    items.push(pen.line(MARGIN_MM, this.y, right, this.y, 0.1))
  }

  /** Whether another table fits with its head and a few rows. */
  hasRoom(): boolean {
    return this.size.heightMm - MARGIN_MM - this.y > HEAD_MM
  }

  note(words: string): void {
    this.y += 4
    this.paragraph(words, SMALL_MM)
  }

  private paragraph(words: string, sizeMm: number): void {
    const { measure } = this.pen.printer
    for (const line of wrapped(words, this.right - MARGIN_MM, { font: 'sans', sizeMm, measure })) {
      this.y += LINE_MM
      this.items.push(this.pen.text(MARGIN_MM, this.y - 1, sizeMm, 'sans', line))
    }
  }

  private get right(): number {
    return this.size.widthMm - MARGIN_MM
  }
}
const NOTE_MM = 32
const HEAD_MM = 60
