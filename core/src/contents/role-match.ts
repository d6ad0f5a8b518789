import type { Family, Role } from './roles.ts'

/** Words that give a part's role away, the narrower before the wider. */
const patterns: readonly (readonly [RegExp, Role])[] = [
  [/sun ?filter|solar filter/, 'screw-in-sun-filter'],
  [/sun.*(label|warning|sticker)/, 'sun-label'],
  [/slug|loose pin/, 'weight-slug'],
  [/end stop|toe saver|safety stop/, 'shaft-end-stop'],
  [/(weight|c\/w).*(shaft|rod|bar)/, 'weight-shaft'],
  [/counter ?weight|c\/w/, 'counterweight'],
  [/ring.*(clamp|screw)/, 'ring-clamp-screw'],
  [/(dovetail|saddle).*(clamp|screw)/, 'dovetail-clamp-screw'],
  [/coin cell|cr ?2032|button cell/, 'coin-cell'],
  [/\baa\b/, 'aa-cells'],
  [/charger/, 'charger'],
  [/power ?pack|12 ?v/, 'power-pack'],
  [/eyepiece.*cap|ocular.*cap/, 'eyepiece-cap'],
  [/barlow.*cap/, 'barlow-cap'],
  [/diagonal.*cap/, 'diagonal-cap'],
  [/finder.*cap/, 'finder-cap'],
  [/focus+er.*cap|cap.*focus+er/, 'focuser-cap'],
  [/(small|inner).*cap|cap.*(small|inner)/, 'inner-cap'],
  [/collimat/, 'collimation-cap'],
  [/\bo.?ring/, 'finder-o-ring'],
  [/optical tube|\bota\b|\btube\b.*\d+\/\d+|\d+\/\d+.*tube/, 'tube'],
  [/\bmak(sutov)? \d+/, 'tube'],
  [/^tripod bolts?/, 'spare-screws'],
  [/(front|dust|dew|tube).*cap/, 'front-cap'],
  [/tube rings?|\brings\b|straps? metal/, 'tube-rings'],
  [/barlow/, 'barlow'],
  [/45 ?°|amici|erecting/, 'erecting-diagonal'],
  [/diagonal|zenith mirror/, 'diagonal'],
  // A bare focal length on a hand-kept list is an eyepiece.
  [/eyepiece|ocular|\bep\b|zoom|^\d+([.,]\d+)? ?mm$/, 'eyepiece'],
  [/red.?dot|\brdf\b|finder/, 'finder'],
  [/(slow.?motion|flex).*(rod|cable)/, 'slow-motion-rod'],
  [/tray|spreader/, 'tray'],
  [/tripod|\blegs?\b/, 'tripod-legs'],
  [/mount head|equatorial head|eq head|\bhead\b|fork/, 'mount-head'],
  [/pan.?handle/, 'pan-handle'],
  [/centre bolt|rocker bolt/, 'rocker-bolt'],
  [/rocker|one.?arm|\bbase\b/, 'base'],
  [/hand (box|controller)|controller/, 'controller'],
  [/moon filter/, 'moon-filter'],
  [/phone/, 'phone-holder'],
  [/hex ?key|allen/, 'hex-key'],
  [/spanner|wrench/, 'spanner'],
  [/level|compass/, 'bubble-level'],
  [/contents card/, 'contents-card'],
  [/guide/, 'guide'],
  [/manual|booklet/, 'manual'],
  [/case|rucksack/, 'case'],
  [/foam|cushion/, 'foam'],
  [/bag|pouch/, 'bag'],
  [/cable/, 'mount-cable'],
  [/cap\b|caps\b/, 'front-cap'],
]

/** The role that a part's name tells, `other` when none does. */
export function roleFromName(name: string): Role {
  const words = name.toLowerCase()
  return patterns.find(([pattern]) => pattern.test(words))?.[1] ?? 'other'
}

/** Focal length or Barlow factor written in a part's name: “Eyepiece 25 mm”, “Barlow 2x”. */
export function opticsFromName(name: string, role: Role): { focalLengthMm?: number; barlow?: number } {
  const figure = (pattern: RegExp) => {
    const found = pattern.exec(name.toLowerCase().replace(',', '.'))
    return found ? Number(found[1]) : undefined
  }
  if (role === 'barlow') {
    const barlow = figure(/(\d+(?:\.\d+)?)\s*[x×]/) ?? figure(/[x×]\s*(\d+(?:\.\d+)?)/)
    return barlow === undefined ? {} : { barlow }
  }
  if (role !== 'eyepiece' && role !== 'low-eyepiece') return {}
  const focalLengthMm = figure(/(\d+(?:\.\d+)?)\s*mm/)
  return focalLengthMm === undefined ? {} : { focalLengthMm }
}

/** Aperture and focal length as people write them on a tube: 130/650. */
export function tubeFromName(name: string): { apertureMm: number; focalLengthMm: number } | null {
  const found = /(\d{2,3})\s*\/\s*(\d{3,4})/.exec(name)
  return found ? { apertureMm: Number(found[1]), focalLengthMm: Number(found[2]) } : null
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
