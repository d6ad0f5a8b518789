import { listLanguages, plainWords } from './list-words/list-words.ts'
import type { Family, Role } from './roles.ts'
import { MM_PER_INCH } from './units.ts'

/** Holds something else together: the thing that it holds is only named in passing. */
const HELD_BY_SCREWS: readonly Role[] = [
  'ring-clamp-screw',
  'dovetail-clamp-screw',
  'rocker-bolt',
  'shaft-end-stop',
  'weight-slug',
  'spare-screws',
  'screw-in-sun-filter',
  'front-filter',
]

/** Solar words come before all others only where nothing plainer is named: a finder stays a finder. */
const SOLAR_ROLES: readonly Role[] = ['screw-in-sun-filter', 'front-filter']
const PLAIN_FINDER = /finder|\brdf\b|red.?dot|sucher|leuchtpunkt|buscador|punto rojo|chercheur|viseur|point rouge/
const FILTER = /filter|filtro|filtre|folie|film|lamina|feuille/

/** The role that a part's name tells, in whichever language it is written; `other` when none does. */
export function roleFromName(name: string): Role {
  return namedRole(name).role
}

/** What stands before says what it is, what stands after only whose: a bench for eyepieces is no eyepiece. */
const FOR = /\b(for|of|under|fur|zu|para|pour)\b/

/** @returns the role; whether the name is that of a nut or a screw *for* something; whether the role is only named in
 *   passing. Both are asked about. */
export function namedRole(name: string): {
  readonly role: Role
  readonly isHardware: boolean
  readonly isInPassing: boolean
} {
  const words = plainWords(name)
  const isFinder = PLAIN_FINDER.test(words) && !FILTER.test(words)
  for (const { roles: patterns } of listLanguages)
    for (const [pattern, role] of patterns) {
      const found = pattern.exec(words)
      if (!found) continue
      if (isFinder && SOLAR_ROLES.includes(role)) continue
      const isHardware = !HELD_BY_SCREWS.includes(role) && listLanguages.some(({ hardware }) => hardware.test(words))
      const isInPassing = FOR.test(words.slice(0, found.index))
      return { role, isHardware, isInPassing }
    }
  return { role: 'other', isHardware: false, isInPassing: false }
}

/** Focal length or Barlow factor written in a part's name: “Eyepiece 25 mm”, “Barlow 2x”. */
export function opticsFromName(name: string, role: Role): { focalLengthMm?: number; barlow?: number } {
  const figure = (pattern: RegExp) => {
    const found = pattern.exec(name.toLowerCase().replace(/(\d),(\d)/g, '$1.$2'))
    return found ? Number(found[1]) : undefined
  }
  if (role === 'barlow' || role === 'focal-extender') {
    const barlow = figure(/(\d+(?:\.\d+)?)\s*[x×]/) ?? figure(/[x×]\s*(\d+(?:\.\d+)?)/)
    return barlow === undefined ? {} : { barlow }
  }
  if (role !== 'eyepiece' && role !== 'low-eyepiece' && role !== 'erecting-eyepiece') return {}
  const focalLengthMm = figure(/(\d+(?:\.\d+)?)\s*mm/)
  return focalLengthMm === undefined ? {} : { focalLengthMm }
}

const number = (text: string | undefined): number => Number((text ?? '').replace(',', '.'))

const PLAUSIBLE_MM = { aperture: [20, 600], focalLength: [100, 6000] } as const
const isPlausible = (mm: number, [least, most]: readonly [number, number]) => mm >= least && mm <= most

/** Aperture and focal length as people write them on a tube: 130/650, D=76 f=300, 3 inch f/4, 114 mm f/8.
 * @returns mm, rounded to a tenth; null where a figure is missing or is no telescope's */
export function tubeFromName(name: string): { apertureMm: number; focalLengthMm: number } | null {
  const words = plainWords(name).replaceAll('ø', 'd').replaceAll(/[″”“]/g, '"')
  const told = slashPair(words) ?? letterPair(words) ?? ratioPair(words)
  if (!told) return null
  const { apertureMm, focalLengthMm } = told
  const isTube =
    isPlausible(apertureMm, PLAUSIBLE_MM.aperture) && isPlausible(focalLengthMm, PLAUSIBLE_MM.focalLength)
  return isTube ? { apertureMm: tenth(apertureMm), focalLengthMm: tenth(focalLengthMm) } : null
}

const tenth = (mm: number) => Math.round(mm * 10) / 10

/** 130/650, 130 / 650 mm */
function slashPair(words: string) {
  const found = /(?<![\d/])(\d{2,3})\s*\/\s*(\d{3,4})(?!\d)/.exec(words)
  return found ? { apertureMm: number(found[1]), focalLengthMm: number(found[2]) } : null
}

/** D=76 f=300, d 76mm f 300mm, in either order */
function letterPair(words: string) {
  const aperture =
    /(?<![a-z])(?:d|diam\w*|aperture|offnung|abertura|ouverture)\s*[=:.]?\s*(\d{2,3}(?:[.,]\d+)?)\s*(mm|cm)?/.exec(
      words,
    )
  const focal =
    /(?<![a-z])(?:f|fl|focal\w*(?: length)?|brennweite|focale)\s*[=:]?\s*(\d{3,4}(?:[.,]\d+)?)(?!\s*[/.]\d)/.exec(
      words,
    )
  if (!aperture || !focal) return null
  return { apertureMm: number(aperture[1]) * (aperture[2] === 'cm' ? 10 : 1), focalLengthMm: number(focal[1]) }
}

/** 3 inch f/4, 4.5" f/8, 114 mm f/7.9 */
function ratioPair(words: string) {
  const ratio = /f\s*\/\s*(\d{1,2}(?:[.,]\d+)?)/.exec(words)
  const inches = /(\d{1,2}(?:[.,]\d+)?)\s*(?:"|in\b|inch\w*|zoll|pulgadas?|pouces?)/.exec(words)
  const millimetres = /(\d{2,3}(?:[.,]\d+)?)\s*mm/.exec(words)
  const apertureMm = inches ? number(inches[1]) * MM_PER_INCH : millimetres ? number(millimetres[1]) : NaN
  if (!ratio || Number.isNaN(apertureMm)) return null
  return { apertureMm, focalLengthMm: apertureMm * number(ratio[1]) }
}

/** The family that a list's parts suggest. A proposal only: the person who brings the list in decides. */
export function familyFromParts(parts: readonly { readonly name: string; readonly role: Role }[]): Family {
  const has = (role: Role) => parts.some((part) => part.role === role)
  const says = (pattern: RegExp) => parts.some((part) => pattern.test(part.name.toLowerCase()))
  if (has('controller')) return 'computer-driven'
  if (has('counterweight') || has('weight-shaft'))
    return says(/maksutov|\bmak\b/) ? 'equatorial-maksutov' : 'equatorial-reflector'
  if (has('diagonal') && has('tripod-legs')) return 'tripod-refractor'
  if (has('rocker-bolt') || says(/rocker/)) return 'floor-reflector'
  return has('tripod-legs') ? 'altazimuth-reflector' : 'tabletop-reflector'
}
