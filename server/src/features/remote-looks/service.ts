import {
  keptLookSchema,
  remoteLookAnswerSchema,
  type IssuedGuide,
  type KitSheet,
  type RemoteLook,
  type RemoteLookAnswer,
  type RemoteLookKind,
  type RemoteLookOffers,
  type RemoteLooks as RemoteLooksView,
  type Session,
} from '@binoculum/contract'
import {
  caseLook,
  cellAsLearnt,
  closedTubeLook,
  collimationQuality,
  finderLook,
  fromField,
  learntResponse,
  LEAST_REFERENCES,
  lengthOf,
  lowestPowerFieldDeg,
  mirrorLook,
  nearFocus,
  needsYes,
  photoSizesOf,
  powersThere,
  primaryCellOf,
  remoteLookWords,
  starLook,
  starSizesOf,
  sunQuestion,
  usualFinder,
  type JudgedLook,
  type MeasuredPhoto,
  type ScrewLeave,
  type StarJudged,
  type StarTested,
} from '@binoculum/core'
import type { Context } from '../../platform/context.ts'
import { Problem } from '../../platform/errors.ts'
import { calculateBounded } from '../calculators/service.ts'
import { makePicture } from '../contents/service.ts'
import { newestLooks, type Guides } from '../guides/service.ts'
import type { Shelf } from '../judgement/service.ts'
import type { OpenCases } from '../open-case/service.ts'
import type { Sheets } from '../sheet/service.ts'
import { compareBounded } from './workers.ts'

interface Used {
  readonly guides: Guides
  readonly shelf: Shelf
  readonly sheets: Sheets
  readonly cases: OpenCases
}
type LookOf<K extends RemoteLookKind> = Extract<RemoteLook, { kind: K }>
type Answered = JudgedLook & Pick<RemoteLookAnswer, 'caseSeen'>

/** A landmark's distance is guessed to a third. Common practice, no source. */
const DISTANCE_DOUBT = 0.33
/** Nearer than this a finder's own place beside the tube would be read as its error. Common practice, no source. */
const NEAREST_M = 100

/** Of so many newest messages of a kit those that were looks. */
const NEWEST_MESSAGES = 20

/** Looks that borrowers take at home: measured at once, told to them in their words, and kept for the bench. */
export class RemoteLooks {
  constructor(
    private readonly context: Context,
    private readonly used: Used,
  ) {}

  /** What this kit's borrower may look at. */
  async offers(token: string): Promise<RemoteLookOffers> {
    const { guides, sheets, cases } = this.used
    const loan = await guides.kitBehind(token)
    const { reader } = this.context.database
    const kit = await sheets.sheetById(reader, loan.kitId)
    const kinds: RemoteLookKind[] = []
    if (kit.optics.kind === 'newtonian' && !kit.mirror?.correctorLens) kinds.push('peephole')
    kinds.push('star')
    const finder = finderOffer(kit)
    if (finder) kinds.push('finder')
    if (await cases.canCompare(reader, loan.kitId)) kinds.push('case')
    return { kinds, finder, sunAsked: this.sunAsked(await guides.byToken(token)) }
  }

  private sunAsked({ place }: IssuedGuide): boolean {
    // The phone isn't asked: the server's clock alone counts, at the place that the guide was made for.
    const nowUtc = this.context.clock().toISOString()
    return sunQuestion({ place, deviceUtc: nowUtc, serverUtc: nowUtc }).asked
  }

  /** What a kit's borrowers looked at from afar, for whoever takes it to the bench. */
  async ofKit(session: Session, code: string): Promise<RemoteLooksView> {
    const { id } = await this.used.shelf.rowFor(session, code)
    return { looks: await newestLooks(this.context.database.reader, id, NEWEST_MESSAGES) }
  }

  /** Measures a look and keeps it. The same key twice is the same look, answered as before.
   * @throws Problem LINK_OVER, SUN_NOT_ASKED, NOT_A_PICTURE, TOO_LONG, BUSY, TOO_MANY_MESSAGES */
  async take(token: string, look: RemoteLook): Promise<RemoteLookAnswer> {
    const { guides, sheets } = this.used
    const loan = await guides.kitBehind(token)
    const kept = await guides.lookKept(loan, look.key)
    if (kept) return remoteLookAnswerSchema.parse({ ...kept, caseSeen: null })
    const guide = await guides.byToken(token)
    this.refuseSun(guide, look)
    const kit = await sheets.sheetById(this.context.database.reader, loan.kitId)
    const answer = await this.measured(look, kit, guide)
    // What couldn't be read says nothing, and nobody has to look at it.
    if (answer.meaning !== 'unreadable') await this.keep(token, look, answer)
    return wire(answer)
  }

  /** By day nobody looks into a tube, or aims at a landmark, of which nobody said that it can't meet the Sun. */
  private refuseSun(guide: IssuedGuide, look: RemoteLook): void {
    if (look.kind !== 'peephole' && look.kind !== 'finder') return
    const asked = this.sunAsked(guide)
    if (!look.sunSafe && needsYes(look.kind === 'finder' ? 'landmark' : null, { asked }))
      throw new Problem('SUN_NOT_ASKED')
  }

  private measured(look: RemoteLook, kit: KitSheet, guide: IssuedGuide): Promise<Answered> | Answered {
    switch (look.kind) {
      case 'peephole':
        return peepholeAnswer(look, kit, guide)
      case 'star':
        return starAnswer(look, kit)
      case 'finder':
        return { ...finderAnswer(look, kit), caseSeen: null }
      case 'case':
        return this.caseAnswer(look, kit)
    }
  }

  private async caseAnswer({ picture }: LookOf<'case'>, kit: KitSheet): Promise<Answered> {
    const known = await this.used.cases.wholeReferences(this.context.database.reader, kit.id)
    if (!known || known.pictures.length < LEAST_REFERENCES) throw new Problem('NOT_FOUND')
    const { refused, verdicts, now, before } = await compareBounded({ ...known, kitCode: kit.code, today: picture })
    const places = known.places.map(({ id, partId, outlineMm }) => ({
      name: kit.parts.find((part) => part.id === partId)?.name ?? '–',
      outlineMm,
      verdict: verdicts[id] ?? ('can’t-tell' as const),
    }))
    const { caseMm } = known
    return { ...caseLook(refused, places), caseSeen: refused ? null : { caseMm, places, now, before } }
  }

  private async keep(token: string, look: RemoteLook, answer: Answered): Promise<void> {
    const { meaning, figure, lines } = answer
    const body = { ...keptLookSchema.parse({ look: look.kind, meaning, figure }), lines }
    const made = 'picture' in look ? await makePicture(Buffer.from(look.picture, 'base64')) : null
    // A picture of the case says where to look and not what is there: it is no trouble yet.
    const isTrouble = meaning === 'off' && look.kind !== 'case'
    const trouble = isTrouble ? remoteLookWords({ look: look.kind, meaning, figure }) : null
    await this.used.guides.keepMessage(token, { id: look.key, kind: 'look', body, made, trouble })
  }
}

/** The core's readonly answer as the contract writes it. */
const wire = ({ meaning, figure, lines, caseSeen }: Answered): RemoteLookAnswer => ({
  ...{ meaning, figure, caseSeen },
  lines: lines.map(({ sentence, variables }) => ({ sentence, variables: { ...variables } })),
})

async function peepholeAnswer(
  { picture, openEndDeg }: LookOf<'peephole'>,
  kit: KitSheet,
  guide: IssuedGuide,
): Promise<Answered> {
  const photo = await calculateBounded<MeasuredPhoto>('collimation.measurePhoto', {
    ...photoSizesOf(kit.mirror, kit.optics),
    image: picture,
    ...(openEndDeg === null ? {} : { openEndDeg }),
  })
  return { ...mirrorLook(photo, guide.texts.en?.helpSheet ? screwLeave(kit) : null), caseSeen: null }
}

/** Screws are spoken of only where the branch still lets its borrowers turn them and the cell was measured, as it answers. */
function screwLeave(kit: KitSheet): ScrewLeave | null {
  const { mirror, optics, policies } = kit
  const cell = mirror && primaryCellOf(mirror, optics.primaryFocalLengthMm)
  if (policies.collimation !== 'with-help-sheet' || !mirror?.cell || !cell) return null
  return { cell: cellAsLearnt(cell, learntResponse(cell, kit.turned)), locks: mirror.cell.locks }
}

async function starAnswer({ picture, otherSide, rings }: LookOf<'star'>, kit: KitSheet): Promise<Answered> {
  const { optics, mirror } = kit
  const pictures = { image: picture, ...(otherSide === null ? {} : { otherSide }) }
  if (optics.kind !== 'newtonian') {
    const { kind, apertureMm, focalLengthMm } = optics
    const star = await calculateBounded<StarJudged>('collimation.starJudge', {
      ...pictures,
      ...{ kind, apertureMm, focalLengthMm },
    })
    return { ...closedTubeLook(star), caseSeen: null }
  }
  const star = await calculateBounded<StarTested>('collimation.starTest', {
    ...starSizesOf(mirror, optics),
    ...pictures,
    ...(rings === null ? {} : { defocusWaves: rings }),
  })
  const { limitMm } = collimationQuality({
    ...{ apertureMm: optics.apertureMm, focalLengthMm: optics.primaryFocalLengthMm, axisErrorMm: 0 },
    mirrorFigure: optics.mirrorFigure,
  })
  return { ...starLook(star, { limitMm, bothSides: otherSide !== null }), caseSeen: null }
}

/** A finder that nobody described is looked at as it usually is. */
const finderOf = ({ finder, optics }: KitSheet) => finder ?? usualFinder(optics)
const lowestFieldDeg = ({ optics, parts }: KitSheet) => lowestPowerFieldDeg(powersThere(optics, parts)) ?? 1

function finderOffer(kit: KitSheet): RemoteLookOffers['finder'] {
  const isThere = kit.parts.some(({ role, mark }) => role === 'finder' && mark !== 'missing' && mark !== 'wrong')
  if (!isThere) return null
  const { kind, focusing, spareTravelMm, knownNearestM } = finderOf(kit)
  const { nearestM } = nearFocus({
    ...{ focalLengthMm: kit.optics.focalLengthMm, focusing },
    ...(spareTravelMm === null ? {} : { spareTravelMm }),
    ...(knownNearestM === null ? {} : { knownNearestM }),
  })
  return {
    thing: kind === 'red-dot' ? 'dot' : kind === 'peep' ? 'sight' : 'cross',
    nearestM: Math.ceil(Math.max(nearestM ?? 0, parallaxFreeM(kit), NEAREST_M) / 50) * 50,
  }
}

/** From here on the finder's place beside the tube makes less than a tenth of its limit. */
function parallaxFreeM(kit: KitSheet): number {
  const tenthRad = ((lowestFieldDeg(kit) / 2) * Math.PI) / 180 / 10
  return lengthOf(kit.optics.finderOffsetMm) / 1000 / tenthRad
}

function finderAnswer({ seen, distanceM }: LookOf<'finder'>, kit: KitSheet): JudgedLook {
  const finder = finderOf(kit)
  const trueFieldDeg = lowestFieldDeg(kit)
  const target = { offsetMm: kit.optics.finderOffsetMm, distanceM, distanceDoubt: DISTANCE_DOUBT }
  return finderLook(seen && fromField({ ...seen, trueFieldDeg }, finder.tube, target), {
    trueFieldDeg,
    canBeSet: finder.knobs.length > 0,
  })
}
