import { hazardRoles, isHazardRole } from '../contents/filters.ts'
import { roleFacts } from '../contents/roles.ts'
import type { CantBalance } from '../mount/kit-balance.ts'
import { conditions, type Condition } from './condition.ts'
import { jobFacts, type JobCode } from './jobs.ts'
import type {
  ExtraPart,
  HazardCode,
  JudgedModel,
  JudgedPart,
  JudgeInput,
  Judgement,
  OpenJob,
  Policies,
  Reading,
  ReadingKind,
  Reason,
  ReasonCode,
  Remedy,
} from './judged.ts'

/** Power per mm of aperture above which a mirror beyond its limit is noticed. Common practice, no source. */
const NOTICED_POWER_PER_MM = 0.5
const MILLISECONDS_PER_DAY = 86_400_000

/** Which readings a kit of this model needs before it is called fit. The others are judged where there are any: a mount
 * that was never put together at the bench is covered by *stand*, and balance and latitude are the borrower's to set. */
export function neededReadings(model: JudgedModel): readonly ReadingKind[] {
  return ['glass', 'stand', model.optics.collimatable ? 'collimation' : 'star', 'finder', 'pack']
}

/** Decides whether a kit may go out, and says why.
 * @param input parts with the marks of the last look; the latest reading of each kind; instants ISO 8601 with Z
 * @returns the condition of the worst reason, and all reasons, worst first. There is always at least one: `ALL_GOOD`
 *   carries the figures of a fit kit. `overrule: never` marks what only the recorded cure helps.
 * @throws RangeError for instants that can't be read. Source: practice; the no-overrule list is DOMAIN's safety list. */
export function judgeReadiness(input: JudgeInput): Judgement {
  const reasons = [
    ...input.hazards.map(judgeHazard),
    ...input.parts.flatMap((part) => judgePart(part, input.policies)),
    ...judgeCounting(input),
    ...(input.extras ?? []).map(judgeExtra),
    ...judgeReadings(input),
    ...judgeModel(input.model),
    ...judgeWeight(input.cantBalance ?? null),
    ...input.openJobs.flatMap(judgeJob),
  ].sort((a, b) => severity(b.condition) - severity(a.condition))
  const worst = reasons[0]
  return worst ? { condition: worst.condition, reasons } : { condition: 'full', reasons: [allGood(input)] }
}

const severity = (condition: Condition) => conditions.indexOf(condition)

function reason(
  code: ReasonCode,
  condition: Condition,
  rest: Partial<Omit<Reason, 'code' | 'condition'>> & Pick<Reason, 'remedy' | 'minutes'>,
): Reason {
  return { code, condition, figures: {}, source: 'contents', overrule: 'coordinator', ...rest }
}

function allGood(input: JudgeInput): Reason {
  const { readings } = input
  const checkedAtUtc =
    readings
      .map((reading) => reading.atUtc)
      .sort()
      .at(-1) ?? ''
  return reason('ALL_GOOD', 'full', {
    figures: { parts: partCount(input), checkedAtUtc },
    remedy: 'none',
    minutes: 0,
  })
}

const hazardRemedies: Readonly<Record<HazardCode, Remedy>> = {
  'screw-in-sun-filter': 'withdraw-filter',
  'battery-door-open': 'screw-door-shut',
  'laser-in-case': 'remove-laser',
  wet: 'dry-open',
  'insects-or-smoke': 'set-apart',
}

function judgeHazard(hazard: HazardCode): Reason {
  const figures = { hazard }
  const remedy = hazardRemedies[hazard]
  if (hazard === 'wet') return reason('HAZARD', 'crescent', { figures, remedy, minutes: 10 })
  if (hazard === 'insects-or-smoke') return reason('HAZARD', 'new', { figures, remedy, minutes: 10 })
  return reason('HAZARD', 'new', { figures, remedy, minutes: 5, overrule: 'never' })
}

const nothingOff: readonly Reason[] = []

function judgePart(part: JudgedPart, policies: Policies): readonly Reason[] {
  if (part.mark === 'present' && !isHazardRole(part.role) && part.role !== 'front-filter') return nothingOff
  const facts = roleFacts(part.role)
  // A sun filter that screws into an eyepiece, or a laser, is a hazard by being there: its absence is the wanted state.
  if (isHazardRole(part.role)) return part.mark === 'missing' ? [] : [judgeHazard(hazardRoles[part.role])]
  if (part.role === 'front-filter' && part.mark !== 'missing') return judgeFrontFilter(part, policies)
  if (part.mark === 'present' || part.mark === 'unseen') return nothingOff
  const criticality = part.criticality ?? facts.criticality
  const figures = { part: part.name ?? facts.words, role: part.role, criticality, count: part.count ?? 1 }
  const code = ({ missing: 'PART_MISSING', damaged: 'PART_DAMAGED', wrong: 'PART_WRONG' } as const)[part.mark]
  if (facts.neverOverrule) {
    const remedy = part.role === 'coin-cell' ? 'ask-for-cell-now' : 'find-or-replace'
    return [reason(code, 'new', { figures, remedy, minutes: 10, overrule: 'never' })]
  }
  if (part.mark === 'damaged') {
    const condition = criticality === 'essential' || criticality === 'safety' ? 'crescent' : 'half'
    return [reason(code, condition, { figures, remedy: 'mend-or-replace', minutes: 15 })]
  }
  const remedy = part.mark === 'wrong' ? 'swap-back' : 'find-or-replace'
  if (criticality === 'essential') return [reason(code, 'new', { figures, remedy, minutes: 10 })]
  // Cells, and the Sun warning's label, are put in at the bench in minutes; without them the kit doesn't go.
  if (criticality === 'consumable' || criticality === 'safety')
    return [reason(code, 'crescent', { figures, remedy, minutes: 5 })]
  if (criticality === 'protective') return [reason(code, 'half', { figures, remedy: 'replace-soon', minutes: 5 })]
  return [reason(code, 'half', { figures, remedy, minutes: 10 })]
}

/** A front filter is lent only whole, and only where the programme decided so. */
function judgeFrontFilter(part: JudgedPart, { frontFilters = 'stay-here' }: Policies): readonly Reason[] {
  const figures = { part: part.name ?? roleFacts(part.role).words, role: part.role, count: part.count ?? 1 }
  if (part.mark === 'damaged' || part.mark === 'wrong')
    return [
      reason('FILTER_UNSAFE', 'new', { figures, remedy: 'withdraw-front-filter', minutes: 5, overrule: 'never' }),
    ]
  if (frontFilters === 'stay-here')
    return [reason('FILTER_STAYS', 'new', { figures, remedy: 'keep-front-filter', minutes: 2, overrule: 'never' })]
  return nothingOff
}

const partCount = ({ parts, presentBesides = 0 }: JudgeInput): number => parts.length + presentBesides

function judgeCounting(input: JudgeInput): readonly Reason[] {
  const { parts } = input
  const count = partCount(input)
  const unseen = parts.filter((part) => part.mark === 'unseen' && !isHazardRole(part.role)).length
  if (count > 0 && unseen === 0) return []
  if (input.openJobs.some(({ code }) => code === 'go-through')) return [notGoneThrough(input, unseen, count)]
  return [reason('NOT_COUNTED', 'half', { figures: { unseen, parts: count }, remedy: 'count-contents', minutes: 8 })]
}

/** Came back unlooked: what was there before the loan says nothing about what is there now. */
function notGoneThrough({ parts }: JudgeInput, unseen: number, count: number): Reason {
  const seen = parts.flatMap(({ mark, seenAtUtc }) => (mark === 'unseen' && seenAtUtc ? [seenAtUtc] : []))
  const sinceUtc = seen.sort((a, b) => instantMs(a) - instantMs(b))[0] ?? ''
  return reason('NOT_GONE_THROUGH', 'new', {
    figures: { unseen, parts: count, sinceUtc },
    remedy: 'go-through-case',
    minutes: 8,
  })
}

function judgeExtra({ name, belongsTo }: ExtraPart): Reason {
  return reason('EXTRA_PART', 'half', { figures: { part: name, belongsTo }, remedy: 'take-out-extra', minutes: 3 })
}

function judgeReadings(input: JudgeInput): readonly Reason[] {
  const { model, readings } = input
  const needed = neededReadings(model)
  const latest = new Map<ReadingKind, Reading>()
  for (const reading of readings) {
    const known = latest.get(reading.kind)
    if (!known || instantMs(reading.atUtc) >= instantMs(known.atUtc)) latest.set(reading.kind, reading)
  }
  const missing = needed.filter((kind) => !latest.has(kind))
  const nowMs = instantMs(input.atUtc)
  const judged = [...latest.values()].flatMap((reading) => judgeReading(reading, input, nowMs))
  if (missing.length === 0) return judged
  const figures = { kinds: missing.join(','), missing: missing.length, needed: needed.length }
  return [...judged, reason('NOT_MEASURED', 'half', { figures, source: 'readings', remedy: 'measure', minutes: 20 })]
}

function judgeReading(reading: Reading, input: JudgeInput, nowMs: number): readonly Reason[] {
  const limit = input.policies.limits?.[reading.kind] ?? reading.limit
  const { kind, value, source } = reading
  const uncertainty = reading.uncertainty ?? 0
  const ageDays = (nowMs - instantMs(reading.atUtc)) / MILLISECONDS_PER_DAY
  const { maxAgeDays } = input.policies
  const oldestDays = typeof maxAgeDays === 'number' ? maxAgeDays : (maxAgeDays[kind] ?? Infinity)
  const figures = { kind, value, limit, uncertainty, atUtc: reading.atUtc }
  const old =
    // How a tube comes back is a trait of its locks: it is told again when somebody tests it again.
    kind !== 'repeat' && ageDays > oldestDays
      ? [
          reason('READING_OLD', 'half', {
            figures: { ...figures, ageDays: Math.floor(ageDays), oldestDays },
            source,
            remedy: 'measure',
            minutes: 10,
          }),
        ]
      : []
  return [...judgeValue({ kind, value, limit, uncertainty, source, figures, model: input.model }), ...old]
}

function judgeValue(given: {
  readonly kind: ReadingKind
  readonly value: number
  readonly limit: number
  readonly uncertainty: number
  readonly source: string
  readonly figures: Reason['figures']
  readonly model: JudgedModel
}): readonly Reason[] {
  const { kind, value, limit, uncertainty, source, figures, model } = given
  if (kind === 'collimation') {
    const highest = model.highestMagnification
    const noticed = highest > NOTICED_POWER_PER_MM * model.optics.apertureMm
    const withPower = { ...figures, highestMagnification: Math.round(highest) }
    const condition = noticed ? 'crescent' : 'half'
    if (value > limit)
      return [
        reason('COLLIMATION_BEYOND', condition, {
          figures: withPower,
          source,
          remedy: 'line-up-primary',
          minutes: 15,
        }),
      ]
    // The limit lies inside the doubt: neither fit nor unfit can be said.
    if (value + uncertainty > limit)
      return [reason('COLLIMATION_UNSURE', 'half', { figures, source, remedy: 'measure-again', minutes: 5 })]
    return []
  }
  if (value <= limit) return []
  if (kind === 'balance')
    return [reason('BALANCE_OFF', 'crescent', { figures, source, remedy: 'balance-again', minutes: 10 })]
  // Looking forgives a degree or two, and the borrower sets it anyway: worth a note.
  if (kind === 'place' && limit > 0)
    return [reason('PLACE_OFF', 'half', { figures, source, remedy: 'set-latitude', minutes: 3 })]
  if (kind === 'finder')
    return [reason('FINDER_OFF', 'crescent', { figures, source, remedy: 'line-up-finder', minutes: 10 })]
  if (kind === 'repeat')
    return [reason('COMES_BACK_ELSEWHERE', 'crescent', { figures, source, remedy: 'mend-locks', minutes: 30 })]
  // The lowest powers stay usable: worth a note, and no reason to keep it in.
  if (kind === 'shake') return [reason('SHAKES', 'half', { figures, source, remedy: 'steady-stand', minutes: 10 })]
  if (kind === 'let-go')
    return [reason('TIPS_OVER', 'crescent', { figures, source, remedy: 'balance-again', minutes: 10 })]
  // Each borrower lines it up anew: a word for the desk, no reason to keep it in.
  if (kind === 'alignment')
    return [reason('ALIGNMENT_OFF', 'half', { figures, source, remedy: 'line-up-again', minutes: 15 })]
  if (kind === 'polar') return [reason('POLAR_OFF', 'half', { figures, source, remedy: 'turn-to-pole', minutes: 15 })]
  // The eyepieces that do come to focus are enough for a loan.
  if (kind === 'focus')
    return [reason('FOCUS_SHORT', 'half', { figures, source, remedy: 'leave-eyepiece', minutes: 5 })]
  if (kind === 'power') return [reason('POWER_LOW', 'crescent', { figures, source, remedy: 'charge', minutes: 5 })]
  return [reason('JUDGED_NOT_FINE', 'crescent', { figures, source, remedy: 'see-to-station', minutes: 15 })]
}

const jobRemedies: Readonly<Partial<Record<JobCode, Remedy>>> = {
  'fleet-notice': 'check-for-notice',
  'fleet-stop': 'check-for-notice',
  'kit-lost': 'report-found',
  'kit-stolen': 'report-found',
}

function judgeJob({ code, text = '' }: OpenJob): readonly Reason[] {
  const { condition, never } = jobFacts(code)
  if (condition === null) return []
  const overrule = never ? 'never' : 'coordinator'
  const figures = { job: code, text }
  return [
    reason('OPEN_JOB', condition, {
      figures,
      source: 'staff',
      remedy: jobRemedies[code] ?? 'do-job',
      minutes: 15,
      overrule,
    }),
  ]
}

/** What steps, powers and limits hang on; without it a guide would be guessed. */
function judgeModel({ unknown = [] }: JudgedModel): readonly Reason[] {
  if (unknown.length === 0) return []
  const figures = { unknown: unknown.join(',') }
  return [reason('MODEL_INCOMPLETE', 'half', { figures, source: 'model', remedy: 'complete-model', minutes: 5 })]
}

/** It can go out, but not without a word: with that on the tube it falls when its clutch is opened. */
function judgeWeight(cant: CantBalance | null): readonly Reason[] {
  if (!cant) return []
  const { setUp, reason: why, extraMassG } = cant
  const figures = { setUp, why, extraMassG: Math.round(extraMassG) }
  return [reason('CANT_BALANCE', 'half', { figures, source: 'model', remedy: 'fit-weight', minutes: 10 })]
}

function instantMs(atUtc: string): number {
  const ms = Date.parse(atUtc)
  if (Number.isNaN(ms)) throw new RangeError(`atUtc must be an ISO 8601 instant; got ${atUtc}`)
  return ms
}
