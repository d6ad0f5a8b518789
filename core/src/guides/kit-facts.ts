import { isHazardRole } from '../contents/filters.ts'
import type { DrawnKit } from '../drawings/dimensions.ts'
import { finderKindOnCard } from '../finder/finder-kind.ts'
import { usualStand } from '../mount/stand.ts'
import { chainName } from '../optics/focus-reach.ts'
import { phoneFit } from '../optics/phone-holder.ts'
import { powersOf, WIDE_BARREL_FROM_MM, type Power } from '../optics/powers.ts'
import { needleDeclination } from '../sky/needle.ts'
import { massText, powerText } from '../words/figures.ts'
import type { BlockFacts } from './block-text.ts'
import { guidePower } from './guide-power.ts'
import { usualBorrower, type GuideInput, type GuidePart, type GuidePower } from './guide.ts'
import { kitInHand, setUpCount, type KitInHand } from './set-up-steps.ts'

/** Above this two people carry. Common practice, no source; local manual-handling rules apply. */
const TWO_PEOPLE_ABOVE_G = 10_000
/** Below this clusters and nebulae disappoint. Common practice, no source. */
const SMALL_APERTURE_MM = 114
/** A bubble level may have a needle: only its name on the card says so. */
const COMPASS = /compass|needle|br[uú]jula|kompass|boussole/i
/** Nobody reads a small compass finer than this. Common practice, no source. */
const TRUE_ENOUGH_DEG = 1
/** Lower than a fist and a half houses and trees hide it. Common practice, no source. */
const LEAST_HALF_FISTS = 3
/** Between names in a sentence. */
export const NAMES_APART = ', '
const equatorialFamilies: readonly string[] = ['equatorial-reflector', 'equatorial-maksutov', 'large-equatorial']

export interface GuideFacts extends BlockFacts {
  readonly kit: KitInHand
  /** Parts in the case, withdrawn filters left out. */
  readonly there: readonly GuidePart[]
  readonly powers: readonly GuidePower[]
}

/** Tags and variables of one kit and one borrower: what blocks, trouble tree and steps hang on. */
export function guideFacts(input: GuideInput): GuideFacts {
  const kit = kitInHand(input)
  const there = input.parts.filter((part) => part.mark !== 'missing' && !isHazardRole(part.role))
  const powers = powersInFocus(input, there).map(guidePower)
  const needleDeg = needleAt(input)
  const totalG = there.reduce((sum, part) => sum + part.count * (part.massG ?? 0), 0)
  return {
    kit,
    there,
    powers,
    tags: new Set([
      ...there.map(({ role }) => role),
      ...kitTags(kit, totalG, there),
      ...borrowerTags(input),
      ...placeTags(input, needleDeg),
    ]),
    variables: {
      ...variables(kit, { totalG, powers, there }),
      ...(needleDeg === null ? {} : { needle: `${Math.round(Math.abs(needleDeg))}°` }),
    },
  }
}

/** What its drawings are made from. */
export function drawnKit(input: GuideInput, { there }: Pick<GuideFacts, 'there'>): DrawnKit {
  const { apertureMm, focalLengthMm, collapsible, kind } = input.optics
  return {
    family: input.family,
    optics: { apertureMm, focalLengthMm, collapsible, kind },
    mount: input.mount ?? null,
    stand: input.stand ?? null,
    finderKind: finderKindOnCard(there),
    parts: there.map(({ role, massG, count, mark, name }, index) => ({
      id: `${role}-${index}`,
      name,
      role,
      count,
      mark,
      massG,
      toleranceG: null,
    })),
  }
}

/** What a borrower may look with: an eyepiece that doesn't come to focus is no power. Where it was the one to start with, the
 * next one is. */
function powersInFocus(input: GuideInput, there: readonly GuidePart[]): readonly Power[] {
  const isThere = there.filter((part) => part.mark !== 'wrong')
  const without = input.withoutFocus ?? []
  const powers = powersOf(input.optics, isThere).filter(
    ({ eyepieceName, barlowName }) => !without.includes(chainName(eyepieceName, barlowName)),
  )
  const start = powers.find(({ barlowName }) => barlowName === null)
  return powers.map((power) => ({ ...power, start: power === start }))
}

/** Powers without a Barlow that the tube can use, lowest first. */
export const usablePowers = (powers: readonly GuidePower[]): readonly GuidePower[] =>
  powers.filter(({ barlow, verdict }) => barlow === null && verdict !== 'empty')

/** One of its axes is pointed at the pole. */
export const isEquatorial = ({ family, mount }: Pick<GuideInput, 'family' | 'mount'>): boolean =>
  equatorialFamilies.includes(family) || Boolean(mount?.equatorial)

function kitTags(kit: KitInHand, totalG: number, there: readonly GuidePart[]): readonly string[] {
  const { optics, collimationPolicy, family } = kit
  const equatorial = isEquatorial(kit)
  const driven = family === 'computer-driven' || family === 'large-equatorial'
  const eyepieces = there.filter(({ role }) => role === 'low-eyepiece' || role === 'eyepiece')
  return [
    equatorial ? 'equatorial' : 'altazimuth',
    ...(driven ? ['driven'] : []),
    ...(there.some(({ role, name }) => role === 'bubble-level' && COMPASS.test(name)) ? ['compass'] : []),
    ...(totalG > TWO_PEOPLE_ABOVE_G ? ['two-people'] : []),
    ...standTags(kit, { equatorial, onTable: family === 'tabletop-reflector' }, there),
    ...trayTag(kit, there),
    ...(optics.kind === 'newtonian' ? ['newtonian'] : []),
    ...(optics.collapsible ? ['collapsible'] : []),
    ...(optics.collapsible && kit.repeat === 'check-each-time' ? ['opens-anew'] : []),
    ...finderTag(kit, there),
    ...(eyepieces.length === 1 ? ['one-eyepiece'] : []),
    ...(eyepieces.some(({ maleMm = 0 }) => maleMm >= WIDE_BARREL_FROM_MM) ? ['wide-barrel'] : []),
    ...(optics.apertureMm < SMALL_APERTURE_MM ? ['small-aperture'] : []),
    !optics.collimatable ? 'no-screws' : collimationPolicy === 'leave-it-to-us' ? 'mirror-ours' : 'mirror-yours',
  ]
}

/** How its tube is held and let go, for pointing. */
function standTags(
  kit: KitInHand,
  { equatorial, onTable }: { readonly equatorial: boolean; readonly onTable: boolean },
  there: readonly GuidePart[],
): readonly string[] {
  const stand = standOf(kit, there)
  const held = onTable
    ? 'on-table'
    : stand.fixing === 'rocker-ears'
      ? 'rocker'
      : stand.fixing === 'pan-bolt'
        ? 'pan-head'
        : equatorial
          ? null
          : 'arm'
  return [
    ...(held ? [held] : []),
    ...(stand.axisLocks ? ['axis-locks'] : []),
    ...(stand.fixing === 'rings' || stand.fixing === 'rings-on-rail' ? ['in-rings'] : []),
  ]
}

const standOf = (kit: KitInHand, there: readonly GuidePart[]) =>
  kit.stand ??
  usualStand(
    kit.family,
    there.map(({ role }) => role),
  )

/** How this kit's legs are locked; nothing is asked of a tray that isn't there. */
function trayTag(kit: KitInHand, there: readonly GuidePart[]): readonly string[] {
  const { tray } = standOf(kit, there)
  if (tray === 'none' || (tray !== 'brace' && !kit.has('tray'))) return []
  return [`tray-${tray}`]
}

/** What the finder on the card is; nothing is said of one that isn't there. */
function finderTag(kit: KitInHand, there: readonly GuidePart[]): readonly string[] {
  if (!kit.has('finder')) return []
  const kind = finderKindOnCard(there)
  return [kind === 'red-dot' ? 'red-dot' : kind === 'peep' ? 'peep-sight' : 'optical-finder']
}

/** Where a compass points at the borrower's place, east of true north positive; null where no place or model is known. */
function needleAt({ place, issuedOn }: GuideInput): number | null {
  if (!place) return null
  const { latitudeDeg, longitudeDeg } = place
  return needleDeclination({ latitudeDeg, longitudeDeg, atUtc: `${issuedOn}T12:00:00Z` }).declinationDeg
}

function placeTags({ place }: GuideInput, needleDeg: number | null): readonly string[] {
  const beside = needleDeg !== null && Math.abs(needleDeg) >= TRUE_ENOUGH_DEG
  return [
    ...(place && place.latitudeDeg < 0 ? ['southern'] : []),
    ...(needleDeg === null ? [] : [beside ? (needleDeg > 0 ? 'needle-east' : 'needle-west') : 'needle-true']),
  ]
}

function borrowerTags({ borrower = usualBorrower }: GuideInput): readonly string[] {
  return [
    ...(borrower.ageGroup === 'child' ? ['child'] : []),
    ...(borrower.level === 'first' ? ['first-time'] : []),
    ...(borrower.eye === 'left' ? ['left-eyed'] : []),
    ...(borrower.seated ? ['seated'] : []),
  ]
}

/** The pole's height in fists at arm's length, ten degrees each, to half a fist; none so near the equator that it is no help. */
function fists(latitudeDeg: number): Readonly<Record<string, string>> {
  const halves = Math.round(Math.abs(latitudeDeg) / 5)
  if (halves < LEAST_HALF_FISTS) return {}
  return { fists: `${Math.floor(halves / 2)}${halves % 2 === 1 ? '½' : ''}` }
}

/** Eyepieces that the phone's holder closes on; none where nobody measured. */
function phoneEyepieces(there: readonly GuidePart[]): Readonly<Record<string, string>> {
  const fits = phoneFit(there)?.fits ?? []
  return fits.length > 0 ? { 'phone eyepieces': fits.join(NAMES_APART) } : {}
}

function variables(
  kit: KitInHand,
  given: { readonly totalG: number; readonly powers: readonly GuidePower[]; readonly there: readonly GuidePart[] },
): Readonly<Record<string, string>> {
  const usable = usablePowers(given.powers)
  const [low] = usable
  const next = usable[1]
  const barlow = given.there.find((part) => part.barlow !== undefined)
  const partCount = given.there.reduce((sum, { count }) => sum + count, 0)
  return {
    kit: kit.kitName,
    library: kit.branchName,
    emergency: kit.emergencyLine,
    due: kit.dueOn,
    aperture: `${kit.optics.apertureMm} mm`,
    parts: String(partCount),
    steps: String(setUpCount(kit)),
    ...(given.totalG > 0 ? { mass: massText(given.totalG) } : {}),
    ...(low ? { 'low eyepiece': low.eyepiece, 'low power': powerText(low.magnification) } : {}),
    ...(next ? { 'next eyepiece': next.eyepiece, 'next power': powerText(next.magnification) } : {}),
    ...(barlow ? { barlow: barlow.name } : {}),
    ...phoneEyepieces(given.there),
    ...(kit.place ? { town: kit.place.name, ...fists(kit.place.latitudeDeg) } : {}),
  }
}
