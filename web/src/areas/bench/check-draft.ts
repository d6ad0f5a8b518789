import type { KitSheet, StarLook, Station, StationName } from '@binoculum/contract'
import {
  cantBalance,
  isBenchJob,
  judgeKit,
  lowestPowerFieldDeg,
  mostAxisErrorMm,
  mostBareShaftMm,
  primaryCellOf,
  powersThere,
  readingsFromStation,
  setUpParts,
  stepsForKit,
  type CheckedKit,
  type Family,
  type Judgement,
  type KeptReading,
  type KitOnMount,
  type Role,
  type SetUpName,
} from '@binoculum/core'
import { collimationStation, emptyCollimation, type CollimationDraft } from './collimation/collimation-draft.ts'
import { emptyGlass, glassLookOf, type GlassDraft } from './glass-draft.ts'
import { emptyLetGo, letGoStation, type LetGoDraft } from './let-go-draft.ts'
import { emptyFocus, focusStation, type FocusDraft } from './focus/focus-draft.ts'
import { emptyPower, isPowered, powerStation, type PowerDraft } from './power/power-draft.ts'
import { emptyFinder, finderStation, type FinderDraft } from './finder/finder-draft.ts'
import { emptyLiningUp, liningUpOf, type LiningUpDraft } from './lining-up/lining-up-draft.ts'
import { shakeOf, type ShakeDraft } from './shake/shake-draft.ts'
import { benchWords } from './words.ts'

const t = benchWords('checkDraft')

type Judged = 'fine' | 'not-fine'

/** One step of putting together: its two looks, the answers of its test, and how long it took. */
export interface StepDraft {
  found: Judged | null
  left: Judged | null
  said: (string | null)[]
  seconds: number
}

export interface BalanceDraft {
  setUp: SetUpName | 'own'
  /** What rides on the tube in a set-up of one's own. */
  own: string[]
  foundMm: number | null
  /** The weight was moved since, so as left is looked at anew. */
  moved: boolean
  leftMm: number | null
  stays: boolean
  magnetsG: number
  foundHangG: number | null
  leftHangG: number | null
}

export interface PlaceDraft {
  siteId: string | null
  /** Local date and time at the place; null for tonight at ten. */
  local: string | null
  occurrence: 'earlier' | 'later' | null
  latitudeDeg: number | null
  foundDeg: number | null
  leftDeg: number | null
  keyed: Pair<Judged | null>
  hidden: string[]
  after: LiningUpDraft
}

/** Each station holds what was found and, once something was put right, what was left. */
export interface Pair<T> {
  asFound: T
  asLeft: T | null
}

export interface CheckDraft {
  glass: Pair<Judged | null>
  /** The glass as a torch showed it. */
  glassLook: GlassDraft
  assembly: { steps: Record<string, StepDraft>; shake: ShakeDraft | null }
  balance: BalanceDraft
  letGo: LetGoDraft
  place: PlaceDraft
  collimation: CollimationDraft
  star: Pair<Judged | null>
  /** The star as a picture told it. */
  starLook: StarLook | null
  finder: FinderDraft
  focus: FocusDraft
  power: PowerDraft
  pack: Pair<Judged | null>
  notes: Partial<Record<StationName, string>>
  seconds: Partial<Record<StationName, number>>
  openJobIds: string[]
  /** Null as long as nobody chose. */
  backToShelf: boolean | null
}

export const emptyCheck = (): CheckDraft => ({
  glass: { asFound: null, asLeft: null },
  glassLook: emptyGlass(),
  assembly: { steps: {}, shake: null },
  balance: {
    setUp: 'usual',
    own: [],
    foundMm: null,
    moved: false,
    leftMm: null,
    stays: false,
    magnetsG: 0,
    foundHangG: null,
    leftHangG: null,
  },
  letGo: emptyLetGo(),
  place: {
    siteId: null,
    local: null,
    occurrence: null,
    latitudeDeg: null,
    foundDeg: null,
    leftDeg: null,
    keyed: { asFound: null, asLeft: null },
    hidden: [],
    after: emptyLiningUp(),
  },
  collimation: emptyCollimation(),
  star: { asFound: null, asLeft: null },
  starLook: null,
  finder: emptyFinder(),
  focus: emptyFocus(),
  power: emptyPower(),
  pack: { asFound: null, asLeft: null },
  notes: {},
  seconds: {},
  openJobIds: [],
  backToShelf: null,
})

export const stationTitles: Readonly<Record<StationName, string>> = {
  glass: t('glass'),
  assembly: t('assembly'),
  balance: t('balance'),
  'let-go': t('letGo'),
  place: t('place'),
  collimation: t('collimation'),
  star: t('star'),
  finder: t('finder'),
  focus: t('focus'),
  power: t('power'),
  pack: t('pack'),
}

const equatorialFamilies: readonly Family[] = ['equatorial-reflector', 'equatorial-maksutov', 'large-equatorial']
export const isEquatorial = ({ family }: KitSheet): boolean => equatorialFamilies.includes(family)
/** A tabletop tube that slides open and sits in a clamp balances in its clamp. */
export const balancesInClamp = (kit: KitSheet): boolean =>
  !isEquatorial(kit) && kit.optics.collapsible && !!kit.mount?.tube
/** Its controller goes to objects by itself. */
export const isDriven = (kit: KitSheet): boolean => isKeyed(kit) || !!kit.mount?.controller
const isKeyed = (kit: KitSheet): boolean => kit.family === 'computer-driven'

/** Stations that this kit needs, in the order people work. */
export const stationsOf = (kit: KitSheet): readonly StationName[] => [
  'glass',
  'assembly',
  ...(isEquatorial(kit) || balancesInClamp(kit) ? (['balance'] as const) : []),
  ...(isDriven(kit) || balancesInClamp(kit) ? [] : (['let-go'] as const)),
  ...(isEquatorial(kit) || isKeyed(kit) ? (['place'] as const) : []),
  kit.optics.collimatable ? 'collimation' : 'star',
  'finder',
  'focus',
  ...(isPowered(kit) ? (['power'] as const) : []),
  'pack',
]

const knownSteps = new WeakMap<KitSheet, ReturnType<typeof stepsForKit>>()

/** Steps of putting this kit together, what its case lacks left out. Unpacking belongs to the glass. Read once for a sheet:
 * every move of a hand asks for them. */
export function stepsOf(kit: KitSheet) {
  const known = knownSteps.get(kit)
  if (known) return known
  const nameOf = (role: Role) => kit.parts.find((part) => part.role === role && part.mark !== 'missing')?.name ?? null
  const steps = stepsForKit(kit.procedure.setUp, nameOf)
  knownSteps.set(kit, steps)
  return steps
}
export const assemblySteps = (kit: KitSheet) => stepsOf(kit).filter(({ phase }) => phase !== 'unpack')

export const onMountOf = (kit: KitSheet): KitOnMount | null =>
  kit.mount && { mount: kit.mount, headMomentGmm: kit.headMomentGmm, parts: kit.parts }

/** Ids of what rides on the tube in the chosen set-up. */
export const ridingIds = (draft: BalanceDraft, kit: KitSheet): readonly string[] =>
  draft.setUp === 'own' ? draft.own : setUpParts(kit.parts, draft.setUp)

/** With the largest axis error that its cell's screws can make; null where nobody measured the cell. */
export function checkedKitOf(kit: KitSheet): CheckedKit & { readonly mostAxisErrorMm: number | null } {
  const cell = kit.mirror && primaryCellOf(kit.mirror, kit.optics.primaryFocalLengthMm)
  return {
    mostAxisErrorMm: cell && mostAxisErrorMm(cell),
    ...kit.optics,
    markOuterDiameterMm: kit.mirror?.mark?.outerDiameterMm ?? null,
    lowestFieldDeg: lowestPowerFieldDeg(powersThere(kit.optics, kit.parts)) ?? 1,
    onMount: onMountOf(kit),
  }
}

function assemblyOf(draft: CheckDraft['assembly'], kit: KitSheet) {
  const steps = assemblySteps(kit).flatMap(({ key, title, phase }) => {
    const { found = null, left = null, said = [], seconds = 0 } = draft.steps[key] ?? {}
    if (found === null) return []
    const answers = said.filter((each) => each !== null)
    return [{ key, title, phase, asFound: found, asLeft: left ?? found, said: answers, seconds }]
  })
  return steps.length > 0 ? { station: 'assembly' as const, steps, shake: shakeOf(draft.shake) } : null
}

const isLength = (mm: number | null): mm is number => mm !== null && mm >= 0

function balanceReading(draft: BalanceDraft, kit: KitSheet) {
  if (balancesInClamp(kit)) {
    const { foundHangG: found, leftHangG: left } = draft
    if (found === null) return null
    const asFound = { hangG: found }
    return { station: 'balance' as const, way: 'tube' as const, asFound, asLeft: { hangG: left ?? found } }
  }
  const { foundMm, moved, leftMm, stays } = draft
  const asLeftMm = moved ? leftMm : foundMm
  const head = kit.mount?.equatorial
  if (!head || !isLength(foundMm) || !isLength(asLeftMm)) return null
  if (Math.max(foundMm, asLeftMm) > mostBareShaftMm(head, kit.parts)) return null
  return {
    station: 'balance' as const,
    way: 'shaft' as const,
    on: [...ridingIds(draft, kit)],
    asFound: { bareShaftMm: foundMm },
    asLeft: { bareShaftMm: asLeftMm },
    stays,
  }
}

/** Within what the head's own scale shows; 0 to 90° where nobody wrote it down. */
export const scaleRange = (kit: KitSheet): { readonly minDeg: number; readonly maxDeg: number } =>
  kit.mount?.equatorial?.latitudeScale ?? { minDeg: 0, maxDeg: 90 }
const isScale = (deg: number | null, { minDeg, maxDeg }: ReturnType<typeof scaleRange>): deg is number =>
  deg !== null && deg >= minDeg && deg <= maxDeg

function placeReading(draft: PlaceDraft, kit: KitSheet) {
  const after = liningUpOf(draft.after, draft.latitudeDeg)
  // A setting that nobody read says nothing; what was watched counts all the same.
  const watched =
    after.landings || after.drift ? { station: 'place' as const, way: 'watched' as const, ...after } : null
  if (isKeyed(kit)) {
    const { asFound, asLeft } = draft.keyed
    if (asFound === null) return watched
    return { station: 'place' as const, way: 'keyed' as const, asFound, asLeft: asLeft ?? asFound, ...after }
  }
  const { latitudeDeg, foundDeg, leftDeg } = draft
  const range = scaleRange(kit)
  if (latitudeDeg === null || !isScale(foundDeg, range) || (leftDeg !== null && !isScale(leftDeg, range)))
    return watched
  const asFound = { setDeg: foundDeg }
  const asLeft = { setDeg: leftDeg ?? foundDeg }
  return { station: 'place' as const, way: 'latitude' as const, latitudeDeg, asFound, asLeft, ...after }
}

/** The station as it would be sent; null while its as-found is not complete. */
export function stationOf(draft: CheckDraft, station: StationName, kit: KitSheet): Station | null {
  const rest = {
    note: draft.notes[station] ?? '',
    minutes: Math.round(((draft.seconds[station] ?? 0) / 60) * 10) / 10,
  }
  const both = <T, R>(pair: Pair<T>, read: (value: T) => R | null) => {
    const asFound = read(pair.asFound)
    const asLeft = pair.asLeft === null ? asFound : read(pair.asLeft)
    return asFound === null || asLeft === null ? null : { asFound, asLeft }
  }
  if (station === 'assembly') {
    const read = assemblyOf(draft.assembly, kit)
    return read && { ...read, ...rest }
  }
  if (station === 'balance') {
    const read = balanceReading(draft.balance, kit)
    return read && { ...read, ...rest }
  }
  if (station === 'place') {
    const read = placeReading(draft.place, kit)
    return read && { ...read, ...rest }
  }
  if (station === 'collimation') {
    const read = collimationStation(draft.collimation, checkedKitOf(kit))
    return read && { ...read, ...rest }
  }
  if (station === 'finder') {
    const read = finderStation(draft.finder, kit, checkedKitOf(kit))
    return read && { ...read, ...rest }
  }
  if (station === 'let-go') {
    const read = letGoStation(draft.letGo)
    return read && { ...read, ...rest }
  }
  if (station === 'focus') {
    const read = focusStation(draft.focus, kit)
    return read && { ...read, ...rest }
  }
  if (station === 'power') {
    const read = powerStation(draft.power, kit)
    return read && { ...read, ...rest }
  }
  const read = both(draft[station], (value) => value)
  if (!read) return null
  if (station === 'star') return { station, look: draft.starLook, ...read, ...rest }
  return station === 'glass'
    ? { station, look: glassLookOf(draft.glassLook), ...read, ...rest }
    : { station, ...read, ...rest }
}

export const doneStations = (draft: CheckDraft, kit: KitSheet): Station[] =>
  stationsOf(kit).flatMap((name) => stationOf(draft, name, kit) ?? [])

export const readingsOf = (draft: CheckDraft, kit: KitSheet): KeptReading[] =>
  doneStations(draft, kit).flatMap((station) => readingsFromStation(station, checkedKitOf(kit)))

/** The kit as it would stand after this check. */
export function judgeAfter(draft: CheckDraft, kit: KitSheet, atUtc: string): Judgement {
  const fresh = readingsOf(draft, kit)
  const kept = kit.readings.filter(({ kind }) => !fresh.some((reading) => reading.kind === kind))
  const mounted = onMountOf(kit)
  return judgeKit({
    family: kit.family,
    optics: kit.optics,
    powers: powersThere(kit.optics, kit.parts),
    cantBalance: mounted && cantBalance(mounted),
    eyepieceKnown: kit.parts.some(({ optics }) => optics.focalLengthMm !== undefined),
    parts: kit.parts,
    extras: kit.extras,
    readings: [...kept, ...fresh.map((reading) => ({ ...reading, atUtc }))],
    hazards: kit.hazards,
    openJobs: kit.jobs.filter(({ id, code }) => !isBenchJob(code) || draft.openJobIds.includes(id)),
    policies: kit.policies,
    atUtc,
  })
}
