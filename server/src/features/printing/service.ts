import type { KitSheet, PrintQuery, Session } from '@binoculum/contract'
import {
  alignmentSheetPage,
  balanceOf,
  caseMarksPage,
  chargingCardPage,
  contentsCardPages,
  dateText,
  labelPages,
  nearFocus,
  setUpNames,
  setUpParts,
  setUpWords,
  tapeMarkMm,
  tapePages,
  usualFinder,
  type AlignmentSheet,
  type Label,
  type PrintedPage,
  type Tape,
} from '@binoculum/core'
import { DateTime } from 'luxon'
import type { Context } from '../../platform/context.ts'
import { runBounded, workerBeside } from '../../platform/bounded-worker.ts'
import { Problem } from '../../platform/errors.ts'
import type { FinderOnKit, Sheets } from '../sheet/service.ts'
import { codes } from './codes.ts'
import { measure } from './fonts.ts'
import type { PdfWork } from './pdf.worker.ts'

export const printer = { measure, codes }
/** About a hundred sheets: more would keep everybody else waiting. */
const MOST_LABELS = 2000
/** As many kits are named in a file's title. */
const MOST_NAMED = 5
const PDF_BOUNDS = { timeoutMs: 30_000, memoryMb: 512 }
const pdfWorker = workerBeside(import.meta.url, 'pdf')

/** Pages as one file, made in a thread of its own. */
export async function pdfFile(pages: readonly PrintedPage[], title: string): Promise<Buffer> {
  const work: PdfWork = { pages, title }
  return Buffer.from(await runBounded<Uint8Array>(pdfWorker, work, PDF_BOUNDS))
}

/** Labels and contents cards of kits, as pages for the screen and as a PDF. */
export class Printing {
  constructor(
    private readonly context: Context,
    private readonly sheets: Sheets,
  ) {}

  async pages(session: Session, query: PrintQuery): Promise<readonly PrintedPage[]> {
    if (query.kind === 'finders') {
      const kits = await this.sheets.finders(session, query.codes)
      return onPaper('codes', () => kits.map((kit) => alignmentSheetPage(twoMarks(kit), query.paper, printer)))
    }
    const wanted = query.codes.map((each) => each.split('/') as [string, string | undefined])
    const sheets = new Map<string, KitSheet>()
    for (const [code] of wanted) if (!sheets.has(code)) sheets.set(code, await this.sheets.sheet(session, code))
    if (query.kind === 'case-marks')
      return [...sheets.values()].map((kit) => caseMarksPage(kit, query.paper, printer))
    if (query.kind === 'charging') {
      const cards = [...sheets.values()].flatMap((kit) => chargingCardPage(kit, query.paper, printer) ?? [])
      if (cards.length === 0) throw new Problem('NOTHING_TO_CHARGE')
      return cards
    }
    if (query.kind === 'cards') return [...sheets.values()].flatMap((kit) => this.card(kit, query))
    if (query.kind === 'tapes') {
      const tapes = [...sheets.values()].flatMap(tapeOf)
      if (tapes.length === 0) throw new Problem('NOT_MEASURED')
      return onPaper('codes', () => tapePages(tapes, query.paper, printer))
    }
    const labels = wanted.flatMap(([code, number]) => {
      const kit = sheets.get(code)
      return kit ? labelsOf(kit, query.kind, number) : []
    })
    if (labels.length === 0) throw new Problem('NOT_FOUND')
    if (labels.length > MOST_LABELS) {
      const message = `${labels.length} labels are too many at once; choose kits for ${MOST_LABELS} at most`
      throw new Problem('BAD_INPUT', { issues: [{ path: 'codes', message }] })
    }
    return onPaper('first', () => labelPages(labels, { paper: query.paper, firstCell: query.first }, printer))
  }

  async pdf(session: Session, query: PrintQuery): Promise<Buffer> {
    const title = `${query.kind} ${query.codes.slice(0, MOST_NAMED).join(', ')}`
    return pdfFile(await this.pages(session, query), title)
  }

  private card(kit: KitSheet, { paper }: PrintQuery): readonly PrintedPage[] {
    if (kit.parts.length === 0) return []
    const today = DateTime.fromJSDate(this.context.clock(), { zone: kit.zone })
    const printedOn = `${dateText(today.toISODate() ?? '')} ${today.year}`
    return contentsCardPages({ ...kit, printedOn }, paper, printer)
  }
}

/** What a kit's sheet of two marks says. */
function twoMarks(kit: FinderOnKit): AlignmentSheet {
  const { optics, ownFinder, zone, lowestFieldDeg } = kit
  const finder = kit.finder ?? usualFinder(optics)
  const { spareTravelMm, knownNearestM, focusing } = finder
  const { nearestM } = nearFocus({
    focalLengthMm: optics.focalLengthMm,
    focusing,
    ...(spareTravelMm === null ? {} : { spareTravelMm }),
    ...(knownNearestM === null ? {} : { knownNearestM }),
  })
  const day = ownFinder && DateTime.fromISO(ownFinder.measuredAtUtc, { zone })
  return {
    kit: kit.name,
    code: kit.code,
    branch: kit.branchName,
    offsetMm: optics.finderOffsetMm,
    measured: day
      ? `Offset measured ${dateText(day.toISODate() ?? '')} ${day.year}, ${ownFinder.by}`
      : 'Offset of its model; measure it on this kit at the bench',
    nearestM,
    focusing,
    goodArcmin: (lowestFieldDeg * 60) / 4,
    dot: finder.kind === 'red-dot' ? 'dot' : 'cross',
  }
}

/** What doesn't fit on the paper is the asker's to change. */
function onPaper<T>(path: string, make: () => T): T {
  try {
    return make()
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    throw new Problem('BAD_INPUT', { issues: [{ path, message: error.message }] })
  }
}

/** The lines of tape of a kit whose tube is measured and rides in rings or a clamp. */
function tapeOf(kit: KitSheet): readonly Tape[] {
  const { mount, headMomentGmm, parts, name, code } = kit
  if (!mount?.tube || !mount.equatorial) return []
  const onMount = { mount, headMomentGmm, parts }
  const marks = setUpNames.map((setUp) => ({
    name: setUpWords[setUp].toLowerCase(),
    mm: tapeMarkMm(balanceOf(onMount, setUpParts(parts, setUp)).tubeShiftMm ?? 0),
    usual: setUp === 'usual',
  }))
  return [{ kit: name, code, marks }]
}

function labelsOf(kit: KitSheet, kind: PrintQuery['kind'], number: string | undefined): readonly Label[] {
  const of = `${kit.name} · ${kit.code}`
  if (kind === 'kits') return [{ kind: 'code', code: kit.code, name: kit.name, of: '' }]
  const numbered = kit.parts.map((part, index) => ({ ...part, number: index + 1 }))
  if (kind === 'parts')
    return numbered
      .filter((part) => number === undefined || part.number === Number(number))
      .map((part) => ({ kind: 'code', code: `${kit.code}/${part.number}`, name: part.name, of }))
  const places = [...new Set(kit.parts.map(({ place }) => place))]
  return places.map((place) => ({
    kind: 'pouch',
    code: kit.code,
    of: kit.name,
    place: place || 'Case',
    parts: numbered.filter((part) => part.place === place),
  }))
}
