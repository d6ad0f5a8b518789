/** Roles of parts. Criticality, safety and what to look for follow from the role (common practice, no source). */

export type Criticality = 'essential' | 'useful' | 'protective' | 'consumable' | 'papers' | 'safety' | 'tool'

export interface RoleFacts {
  readonly words: string
  readonly criticality: Criticality
  /** Missing or unsafe: held, and nobody may overrule it; only the recorded cure helps. */
  readonly neverOverrule?: boolean
  /** Needs a look of its own at every take-back; *all the rest present* stops here. */
  readonly lookEveryTime?: boolean
  readonly lookFor: string
}

const define = <const T extends Record<string, RoleFacts>>(table: T) => table

export const roles = define({
  tube: {
    words: 'optical tube',
    criticality: 'essential',
    lookFor: 'glass whole by torch, mirror in place, no rattle',
  },
  'tube-rings': { words: 'tube rings', criticality: 'essential', lookFor: 'felt inside, hinges whole' },
  'ring-clamp-screw': {
    words: 'ring clamp screw',
    criticality: 'essential',
    neverOverrule: true,
    lookEveryTime: true,
    lookFor: 'backed off, not out; thread clean',
  },
  'dovetail-clamp-screw': {
    words: 'dovetail clamp screw',
    criticality: 'essential',
    neverOverrule: true,
    lookEveryTime: true,
    lookFor: 'turns, and grips the rail; it alone holds the tube',
  },
  'mount-head': { words: 'mount head', criticality: 'essential', lookFor: 'both axes turn and hold, nothing bent' },
  base: { words: 'base', criticality: 'essential', lookFor: 'turns smoothly and stays where it is left' },
  'rocker-bolt': { words: 'centre bolt', criticality: 'essential', lookFor: 'in place, not tight' },
  'tripod-legs': {
    words: 'tripod legs',
    criticality: 'essential',
    lookFor: 'all three lock; screws backed off, not out',
  },
  tray: {
    words: 'leg-locking tray',
    criticality: 'essential',
    neverOverrule: true,
    lookFor: 'locks on its pin; it keeps the legs from folding',
  },
  counterweight: { words: 'counterweight', criticality: 'essential', lookFor: 'thumbscrew in, not out' },
  'weight-slug': {
    words: 'slug in the counterweight',
    criticality: 'essential',
    neverOverrule: true,
    lookEveryTime: true,
    lookFor: 'tilt the weight and listen for it',
  },
  'weight-shaft': { words: 'counterweight shaft', criticality: 'essential', lookFor: 'straight, thread clean' },
  'shaft-end-stop': {
    words: 'shaft end stop',
    criticality: 'essential',
    neverOverrule: true,
    lookEveryTime: true,
    lookFor: 'screwed on; it keeps the weight off feet',
  },
  diagonal: { words: 'star diagonal', criticality: 'essential', lookFor: '90°, mirror unmarked' },
  'erecting-diagonal': { words: 'erecting prism, 45°', criticality: 'useful', lookFor: '45°, for land only' },
  'low-eyepiece': {
    words: 'lowest-power eyepiece',
    criticality: 'essential',
    lookFor: 'right focal length, glass clean',
  },
  eyepiece: { words: 'eyepiece', criticality: 'useful', lookFor: 'right focal length, glass clean' },
  'erecting-eyepiece': {
    words: 'erecting eyepiece',
    criticality: 'useful',
    lookFor: 'right way up; it shows land, not more sky',
  },
  'barrel-adapter': {
    words: 'barrel adapter',
    criticality: 'useful',
    lookFor: 'its screw is in; 50.8 mm outside, 31.75 mm inside',
  },
  barlow: { words: 'Barlow', criticality: 'useful', lookFor: 'lens still screwed in' },
  finder: { words: 'finder', criticality: 'essential', lookFor: 'switched off, bracket whole' },
  'finder-o-ring': { words: 'finder O-ring', criticality: 'protective', lookFor: 'in its groove' },
  'coin-cell': {
    words: 'coin cell',
    criticality: 'consumable',
    neverOverrule: true,
    lookEveryTime: true,
    lookFor: 'inside the finder, battery door screwed shut',
  },
  'aa-cells': { words: 'AA cells', criticality: 'consumable', lookFor: 'count them; none leaking' },
  'power-pack': { words: '12 V pack', criticality: 'consumable', lookFor: 'dry, gauge lit; its own switch off' },
  charger: { words: 'charger', criticality: 'useful', lookFor: 'as supplied, cable whole' },
  controller: { words: 'hand controller', criticality: 'essential', lookFor: 'cable and plug whole, keys work' },
  'mount-cable': { words: 'mount cable', criticality: 'essential', lookFor: 'plugs straight' },
  'slow-motion-rod': { words: 'slow-motion rod', criticality: 'useful', lookFor: 'its screw backed off, not out' },
  'pan-handle': { words: 'pan handle', criticality: 'useful', lookFor: 'screws in' },
  'bubble-level': { words: 'bubble level', criticality: 'useful', lookFor: 'bubble moves' },
  'moon-filter': {
    words: 'Moon filter',
    criticality: 'useful',
    lookFor: 'a grey filter for the Moon, not one for the Sun',
  },
  'phone-holder': { words: 'phone holder', criticality: 'useful', lookFor: 'both pieces screwed together' },
  'camera-ring': { words: 'camera ring', criticality: 'useful', lookFor: 'right thread' },
  'focal-extender': { words: 'focal extender', criticality: 'useful', lookFor: 'lens clean' },
  'camera-bracket': { words: 'camera bracket', criticality: 'useful', lookFor: 'bolt in' },
  'release-cable': { words: 'release cable', criticality: 'useful', lookFor: 'plug straight' },
  'pier-extension': { words: 'pier extension tube', criticality: 'useful', lookFor: 'bolts in' },
  'front-cap': { words: 'front cap', criticality: 'protective', lookFor: 'whole, fits' },
  'inner-cap': { words: 'small inner cap', criticality: 'protective', lookFor: 'in its hole in the front cap' },
  'focuser-cap': { words: 'focuser cap', criticality: 'protective', lookFor: 'on the drawtube' },
  'eyepiece-cap': { words: 'eyepiece end cap', criticality: 'protective', lookFor: 'two for each eyepiece' },
  'barlow-cap': { words: 'Barlow end cap', criticality: 'protective', lookFor: 'both ends' },
  'diagonal-cap': { words: 'diagonal cap', criticality: 'protective', lookFor: 'both ends' },
  'finder-cap': { words: 'finder cap', criticality: 'protective', lookFor: 'both ends' },
  bag: { words: 'bag', criticality: 'protective', lookFor: 'zip closes' },
  foam: { words: 'foam cushions', criticality: 'protective', lookFor: 'right way round' },
  case: { words: 'case', criticality: 'protective', lookFor: 'latches and handle whole' },
  strap: { words: 'strap', criticality: 'protective', lookFor: 'buckle whole' },
  manual: { words: 'manual', criticality: 'papers', lookFor: 'in the lid' },
  'contents-card': { words: 'contents card', criticality: 'papers', lookFor: 'in the lid' },
  guide: { words: 'borrower’s guide', criticality: 'papers', lookFor: 'in the lid' },
  'sun-label': { words: 'Sun warning label', criticality: 'safety', lookFor: 'on the tube, readable' },
  'hex-key': { words: 'hex key', criticality: 'tool', lookFor: 'right size' },
  spanner: { words: 'spanner', criticality: 'tool', lookFor: 'right size' },
  'collimation-cap': {
    words: 'collimation cap',
    criticality: 'tool',
    lookFor: 'hole in the middle, bright underside',
  },
  'spare-screws': { words: 'spare screws', criticality: 'protective', lookFor: 'in the labelled pouch' },
  'screw-in-sun-filter': {
    words: 'screw-in eyepiece sun filter',
    criticality: 'safety',
    neverOverrule: true,
    lookEveryTime: true,
    lookFor: 'must not be in any case: such filters crack in use',
  },
  'front-filter': {
    words: 'front filter, full aperture',
    criticality: 'useful',
    lookEveryTime: true,
    lookFor: 'hold it against a lamp: no pinhole, no scratch, no crease; it can’t be knocked off',
  },
  laser: {
    words: 'laser',
    criticality: 'safety',
    neverOverrule: true,
    lookEveryTime: true,
    lookFor: 'must not be in any case, collimator or pointer',
  },
  other: { words: 'part', criticality: 'useful', lookFor: 'present and whole' },
})

export type Role = keyof typeof roles

/** Facts of a role. Every key has them; the wider type spares callers from narrowing. */
export const roleFacts = (role: Role): RoleFacts => roles[role]

export const isRole = (word: string): word is Role => Object.hasOwn(roles, word)

export const marks = ['present', 'missing', 'damaged', 'wrong', 'unseen'] as const
export type Mark = (typeof marks)[number]

/** Families of kits; they fix which parts, steps and checks apply. */
export const families = {
  'tabletop-reflector': 'tabletop reflector',
  'floor-reflector': 'floor reflector',
  'equatorial-reflector': 'equatorial reflector',
  'tripod-refractor': 'photo-tripod refractor',
  'altazimuth-reflector': 'light altazimuth reflector',
  'equatorial-maksutov': 'equatorial Maksutov',
  'computer-driven': 'computer-driven',
  'large-equatorial': 'large equatorial mount',
} as const

export type Family = keyof typeof families
