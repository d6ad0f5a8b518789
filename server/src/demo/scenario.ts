import type { TakeBackAnswers, Role } from '@binoculum/core'

/** The invented programme: a library, a club that lends with it, their people and their kits. */

export const demoBranches = [
  {
    key: 'library',
    name: 'Marrowdale Library',
    zone: 'Europe/Dublin',
    emergencyLine: 'your country’s emergency number or poison line',
    frontFilters: 'stay-here',
  },
  {
    key: 'club',
    name: 'Ferncliff Sky Circle',
    zone: 'Europe/Dublin',
    emergencyLine: 'your country’s emergency number or poison line',
    // The club decided to lend full-aperture front filters; the library did not.
    frontFilters: 'lent',
  },
] as const

export type BranchKey = (typeof demoBranches)[number]['key']

export const demoStaff = [
  { name: 'Ines Marlow', email: 'ines@marrowdale.example', role: 'coordinator', branches: ['library', 'club'] },
  { name: 'Kofi Arden', email: 'kofi@marrowdale.example', role: 'volunteer', branches: ['library', 'club'] },
  { name: 'Petra Holm', email: 'petra@ferncliff.example', role: 'volunteer', branches: ['club'] },
  { name: 'Jun Whitlow', email: 'jun@marrowdale.example', role: 'read-only', branches: ['library'] },
] as const

const givenNames = ['Mira', 'Teo', 'Anouk', 'Baruti', 'Selma', 'Rhys', 'Ola', 'Dara', 'Ivo', 'Nell', 'Pia', 'Sami']
const familyNames = [
  'Quill',
  'Okonjo',
  'Hartley',
  'Brandt',
  'Ferro',
  'Lindley',
  'Castell',
  'Nowak',
  'Teague',
  'Umber',
]

/** Sixty invented borrowers: every fifth of all pairings, so that neither names nor surnames bunch up. */
export const demoBorrowers = Array.from({ length: 60 }, (_, index) => {
  const given = givenNames[index % givenNames.length] ?? ''
  const family = familyNames[(index * 7 + Math.floor(index / givenNames.length)) % familyNames.length] ?? ''
  const contact = `${given}.${family}${index}@post.example`.toLowerCase()
  return { name: `${given} ${family}`, contact, cardNumber: String(2100 + index * 13) }
})

/** How a kit's eighteen months end today; everything else follows from the ordinary run of loans. */
export interface KitStory {
  readonly code: string
  readonly name: string
  readonly model: string
  readonly branch: BranchKey
  readonly place: string
  /** Mean and spread, per loan, by which the mirror's mark wanders on the primary, mm. */
  readonly mirrorDriftMm: number
  /** A kit whose mirror nobody touches, drifting one way. */
  readonly worsens?: true
  /** Out now: days until it is due, negative when late. */
  readonly outDueInDays?: number
  /** Next promised hand-out: days from now, and the hour. */
  readonly promised?: { readonly inDays: number; readonly hour: number }
  /** Kept free: it goes to whoever walks in. */
  readonly neverPromised?: true
  /** The last take-back, when it was no ordinary one. */
  readonly lastReturn?: {
    readonly missing?: readonly Role[]
    readonly damaged?: readonly Role[]
    readonly answers?: Partial<TakeBackAnswers>
    /** Whether the bench has looked since. */
    readonly checked: boolean
  }
  /** The last check left the mirror or the finder off: nobody had the time. */
  readonly leftOff?: 'mirror' | 'finder'
  /** Nobody has put this kit on a scale yet: only its declared masses are known. */
  readonly neverWeighed?: true
  /** No bench check for so many days. */
  readonly uncheckedForDays?: number
}

export const demoKits: readonly KitStory[] = [
  {
    code: 'M-01',
    name: 'Yarrow',
    model: 'table-110',
    branch: 'library',
    place: 'bay 1, upper',
    mirrorDriftMm: 0.042,
    worsens: true,
    promised: { inDays: 1, hour: 16 },
  },
  {
    code: 'M-02',
    name: 'Tansy',
    model: 'table-84',
    branch: 'library',
    place: 'bay 1, upper',
    mirrorDriftMm: 0,
    promised: { inDays: 0, hour: 17.5 },
  },
  {
    code: 'M-03',
    name: 'Sorrel',
    model: 'eq-122',
    branch: 'library',
    place: 'bay 2, floor',
    mirrorDriftMm: 0.5,
    promised: { inDays: 3, hour: 10 },
  },
  {
    code: 'M-04',
    name: 'Bracken',
    model: 'eq-140',
    branch: 'library',
    place: 'bay 2, floor',
    mirrorDriftMm: 0.5,
    lastReturn: { missing: ['weight-slug'], checked: false },
    promised: { inDays: 4, hour: 11 },
  },
  {
    code: 'M-05',
    name: 'Comfrey',
    model: 'photo-76',
    branch: 'library',
    place: 'bay 1, lower',
    mirrorDriftMm: 0,
    lastReturn: { missing: ['focuser-cap'], checked: true },
    promised: { inDays: 5, hour: 16 },
  },
  {
    code: 'M-06',
    neverPromised: true,
    name: 'Rowan',
    model: 'photo-56',
    branch: 'library',
    place: 'bay 1, lower',
    mirrorDriftMm: 0,
    lastReturn: { answers: { sunFilterFound: true }, checked: false },
  },
  {
    code: 'M-07',
    name: 'Hazel',
    model: 'slide-125',
    branch: 'library',
    place: 'bay 3, upper',
    mirrorDriftMm: 1.2,
    leftOff: 'mirror',
    promised: { inDays: 2, hour: 11.5 },
  },
  {
    code: 'M-08',
    name: 'Thistle',
    model: 'floor-180',
    branch: 'library',
    place: 'bay 3, floor',
    mirrorDriftMm: 0.6,
    outDueInDays: -3,
  },
  {
    code: 'M-09',
    name: 'Bilberry',
    model: 'mak-95',
    branch: 'library',
    place: 'bay 2, upper',
    mirrorDriftMm: 0,
    leftOff: 'finder',
    promised: { inDays: 3, hour: 11.5 },
  },
  {
    code: 'M-10',
    name: 'Clover',
    neverWeighed: true,
    model: 'light-108',
    branch: 'library',
    place: 'bay 1, upper',
    mirrorDriftMm: 0.3,
    outDueInDays: 0,
    promised: { inDays: 6, hour: 10 },
  },
  {
    code: 'M-11',
    neverPromised: true,
    name: 'Larkspur',
    model: 'goto-84',
    branch: 'library',
    place: 'bay 4, upper',
    mirrorDriftMm: 0,
    outDueInDays: 5,
  },
  {
    code: 'M-12',
    name: 'Juniper',
    model: 'table-110',
    branch: 'library',
    place: 'bay 1, upper',
    mirrorDriftMm: 0.3,
    outDueInDays: 9,
  },
  {
    code: 'M-13',
    name: 'Campion',
    model: 'goto-72',
    branch: 'library',
    place: 'bay 4, lower',
    mirrorDriftMm: 0,
    lastReturn: { answers: { whatDidNotWork: 'Never found anything with the red dot.' }, checked: false },
    promised: { inDays: 7, hour: 15 },
  },
  {
    code: 'F-01',
    name: 'Alder',
    model: 'eq-118',
    branch: 'club',
    place: 'clubroom, left',
    mirrorDriftMm: 0.9,
    promised: { inDays: 2, hour: 19 },
  },
  {
    code: 'F-02',
    name: 'Teasel',
    model: 'large-160',
    branch: 'club',
    place: 'clubroom, floor',
    mirrorDriftMm: 1.1,
    uncheckedForDays: 190,
  },
  {
    code: 'F-03',
    name: 'Mallow',
    model: 'slide-125',
    branch: 'club',
    place: 'clubroom, left',
    mirrorDriftMm: 0.6,
    outDueInDays: 2,
  },
  {
    code: 'F-04',
    name: 'Woodruff',
    model: 'eq-122',
    branch: 'club',
    place: 'clubroom, right',
    mirrorDriftMm: 0.4,
    lastReturn: { damaged: ['inner-cap'], checked: true },
  },
  {
    code: 'F-05',
    neverPromised: true,
    name: 'Foxglove',
    neverWeighed: true,
    model: 'floor-180',
    branch: 'club',
    place: 'clubroom, floor',
    mirrorDriftMm: 0.4,
  },
]

/** What lies in the drawers. */
export const demoSpares: readonly {
  readonly branch: BranchKey
  readonly name: string
  readonly role: Role
  readonly count: number
  readonly massG: number
  readonly costMinor: number
}[] = [
  { branch: 'library', name: 'Coin cell CR2032', role: 'coin-cell', count: 8, massG: 3, costMinor: 200 },
  { branch: 'library', name: 'Counterweight 0.9 kg', role: 'counterweight', count: 1, massG: 900, costMinor: 2900 },
  { branch: 'club', name: 'Counterweight 0.6 kg', role: 'counterweight', count: 1, massG: 600, costMinor: 2400 },
  { branch: 'library', name: 'Eyepiece end caps', role: 'eyepiece-cap', count: 6, massG: 4, costMinor: 150 },
  { branch: 'library', name: 'Focuser cap', role: 'focuser-cap', count: 2, massG: 5, costMinor: 200 },
  { branch: 'library', name: 'Front cap', role: 'front-cap', count: 1, massG: 86, costMinor: 800 },
  { branch: 'library', name: 'Moon filter, grey', role: 'moon-filter', count: 1, massG: 11, costMinor: 1200 },
  { branch: 'library', name: 'Slug in the weight’s screw', role: 'weight-slug', count: 1, massG: 9, costMinor: 300 },
  { branch: 'library', name: 'Spare thumbscrews', role: 'spare-screws', count: 10, massG: 5, costMinor: 200 },
  { branch: 'library', name: 'Star diagonal 90°', role: 'diagonal', count: 1, massG: 82, costMinor: 3900 },
  { branch: 'club', name: 'Coin cell CR2032', role: 'coin-cell', count: 4, massG: 3, costMinor: 200 },
  { branch: 'club', name: 'Small cap in the front cap', role: 'inner-cap', count: 1, massG: 11, costMinor: 300 },
  { branch: 'club', name: 'Shaft end stop', role: 'shaft-end-stop', count: 0, massG: 18, costMinor: 400 },
]
