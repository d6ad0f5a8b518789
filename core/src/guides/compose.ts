import { families } from '../contents/roles.ts'
import { powersOf, type Power } from '../optics/powers.ts'
import { massText } from '../words/figures.ts'
import type { Guide, GuideInput, GuidePart, GuidePower } from './guide.ts'
import { helpSheet, type HelpSheet } from './help-sheet.ts'
import { kitInHand, putAwaySteps, setUpSteps, type KitInHand } from './set-up-steps.ts'

/** Above this two people carry. Common practice, no source; local manual-handling rules apply. */
const TWO_PEOPLE_ABOVE_G = 10_000
/** The Moon is 0.52° wide; a field of 0.6° shows it whole with some sky. Common practice, no source. */
const WHOLE_MOON_FIELD_DEG = 0.6

/** The guide for one loan: this kit's own steps, powers and contents, in the order borrowers need them.
 * @returns a whole guide; the same input gives the same guide. Parts marked missing are named as such, never listed. */
export function composeGuide(input: GuideInput): Guide {
  const kit = kitInHand(input)
  const present = input.parts.filter((part) => part.mark !== 'missing' && part.role !== 'screw-in-sun-filter')
  const { kitName, kitCode, modelName, branchName, emergencyLine, issuedOn, dueOn } = input
  return {
    version: 1,
    kitName,
    kitCode,
    modelName,
    branchName,
    emergencyLine,
    issuedOn,
    dueOn,
    sun: sunWarning,
    safety: safety(kit, present),
    contents: byPlace(present),
    notes: input.parts.flatMap(partNote),
    setUp: setUpSteps(kit),
    place: place(kit),
    firstLook: firstLook(kit),
    powers: powersOf(
      input.optics,
      present.filter((part) => part.mark !== 'wrong'),
    ).map(guidePower),
    expect: expectations(input),
    trouble: trouble(kit),
    putAway: putAwaySteps(kit),
    collimation: collimation(input),
    helpSheet: allowedSheet(input),
  }
}

/** Read out at every hand-out and printed first in every guide. */
export const sunWarning: readonly string[] = [
  'Never point the telescope or its finder at the Sun. One look blinds.',
  'By day it never stands unattended, and children are never alone with it.',
  'Caps on when it stands in daylight: an open mirror or lens in the Sun can start a fire, also behind a window.',
]

function safety(kit: KitInHand, present: readonly GuidePart[]): string[] {
  const totalG = present.reduce((sum, part) => sum + part.count * (part.massG ?? 0), 0)
  const carry =
    totalG > TWO_PEOPLE_ABOVE_G
      ? `The whole kit weighs ${massText(totalG)}: two people, or a trolley. Carry it in parts.`
      : `The whole kit weighs ${massText(totalG)}. Carry it in its case.`
  return [
    totalG > 0 ? carry : 'Carry it in its case.',
    ...(kit.has('coin-cell')
      ? [
          `The finder’s coin cell stays behind its screwed door. If a child may have swallowed one, act at once: ${kit.emergencyLine}.`,
        ]
      : []),
    'At night: know your ground, dress warmly, keep off roads, stay with children.',
  ]
}

function byPlace(parts: readonly GuidePart[]): Guide['contents'] {
  const places = new Map<string, string[]>()
  for (const part of parts) {
    const place = part.place || 'case'
    const line = part.count > 1 ? `${part.name} (${part.count})` : part.name
    places.set(place, [...(places.get(place) ?? []), line])
  }
  return [...places].map(([place, lines]) => ({ place, parts: lines }))
}

function partNote(part: GuidePart): string[] {
  if (part.role === 'screw-in-sun-filter') return []
  if (part.mark === 'missing') return [`${part.name} is not in this kit at present.`]
  if (part.mark === 'damaged') return [`${part.name} is damaged; we know about it.`]
  if (part.mark === 'wrong') return [`Another item lies in for ${part.name}; we know about it.`]
  return []
}

function place(kit: KitInHand): string[] {
  return [
    kit.family === 'tabletop-reflector'
      ? 'A sturdy table on firm ground, away from house walls and lamps.'
      : 'Firm, level ground, away from house walls and lamps.',
    'Never look through a window: glass and warm air blur everything.',
    'Give your eyes twenty minutes in the dark. Switch this page to ember.',
    'A chair for adults, a stool for children. Hands off the tube while looking.',
  ]
}

function firstLook(kit: KitInHand): string[] {
  return [
    'Start with the lowest power. Focus until a star is as small as it gets.',
    'Check the finder: put a distant lamp or the Moon in the middle of the eyepiece. The finder must point at it too.',
    kit.has('coin-cell')
      ? 'If it doesn’t, turn the finder’s two small knobs until the dot sits on it. Don’t move the tube.'
      : 'If it doesn’t, turn the finder’s small screws until the cross sits on it. Don’t move the tube.',
    'Found it? Then go to a higher power, and focus again. Each pair of eyes needs its own focus.',
    ...(kit.has('barlow') ? ['The Barlow comes last and seldom.'] : []),
    followLine(kit),
  ]
}

function followLine(kit: KitInHand): string {
  if (kit.family === 'computer-driven' || kit.family === 'large-equatorial')
    return 'The motors follow the sky by themselves once it is lined up.'
  if (kit.family === 'equatorial-reflector' || kit.family === 'equatorial-maksutov')
    return 'The sky moves: follow it by turning the right-ascension rod only.'
  return 'The sky moves: nudge the tube a little every half minute.'
}

function guidePower(power: Power): GuidePower {
  const { magnification, trueFieldDeg, exitPupilMm, verdict, start } = power
  return {
    // A zoom gives two lines, so the length in use is named where the part's name doesn't say it.
    eyepiece: power.eyepieceName.includes(`${power.eyepieceMm} mm`)
      ? power.eyepieceName
      : `${power.eyepieceName} at ${power.eyepieceMm} mm`,
    barlow: power.barlowName,
    magnification,
    trueFieldDeg,
    exitPupilMm,
    verdict,
    start,
    wholeMoon: trueFieldDeg !== null && trueFieldDeg >= WHOLE_MOON_FIELD_DEG,
  }
}

function expectations({ family, optics }: GuideInput): string[] {
  const { apertureMm } = optics
  return [
    `This is a ${families[family]} with an opening of ${apertureMm} mm. Don’t expect pictures in colour.`,
    'Moon: craters, best along the edge of the shadow. Planets: small, bright, sharp for moments.',
    apertureMm >= 114
      ? 'Jupiter’s bands, Saturn’s ring, bright clusters and the brightest nebulae as grey clouds.'
      : 'Jupiter’s moons, Saturn’s ring, bright clusters such as the Pleiades.',
  ]
}

function trouble(kit: KitInHand): Guide['trouble'] {
  return [
    {
      sign: 'You see nothing but black',
      tries: [
        'Both caps off, front and eyepiece?',
        'Lowest power in, no Barlow?',
        ...(kit.has('diagonal') ? ['Diagonal in?'] : []),
        'Is the finder lined up? Try the Moon first.',
        ...(kit.has('coin-cell') ? ['No red dot: switch, battery.'] : []),
      ],
    },
    {
      sign: 'You see a blur',
      tries: [
        'Turn the focus slowly through its whole way.',
        'Dew on the glass? Let it warm up; don’t wipe.',
        'Clouds?',
      ],
    },
    {
      sign: 'It slips or sinks',
      tries:
        kit.has('counterweight') || kit.family === 'large-equatorial'
          ? ['Close the clutches, firm only.', 'Balance it again with everything on.']
          : ['Tighten the tension a little.', 'Point it a little lower and try again.'],
    },
    { sign: 'Something is missing or doesn’t fit', tries: ['Stop, force nothing, and tell us.'] },
  ]
}

function collimation(input: GuideInput): string[] {
  if (!input.optics.collimatable) return ['Leave the glass and its screws to us. Stars look odd? Tell us.']
  if (input.collimationPolicy === 'leave-it-to-us')
    return ['Leave the mirrors and their screws to us. Stars look like little comets? Tell us.']
  const sheet = allowedSheet(input) ? 'the help sheet in this guide' : 'the help sheet in the lid'
  return [`You may line up the mirror with ${sheet}. Small turns; never over the mirror. Unsure? Tell us.`]
}

function allowedSheet({ optics, collimationPolicy, mirror = null }: GuideInput): HelpSheet | null {
  return optics.collimatable && collimationPolicy === 'with-help-sheet' ? helpSheet(mirror, optics) : null
}
