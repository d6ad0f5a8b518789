import type { Family, Role } from '../contents/roles.ts'
import { massText } from '../words/figures.ts'
import type { Feel, GuideInput, GuideStep } from './guide.ts'

/** What the steps ask about the kit in hand. */
export interface KitInHand extends GuideInput {
  has(role: Role): boolean
  massOf(role: Role): string
}

export function kitInHand(input: GuideInput): KitInHand {
  const there = input.parts.filter((part) => part.mark === 'present' || part.mark === 'damaged')
  return {
    ...input,
    has: (role) => there.some((part) => part.role === role),
    massOf: (role) => {
      const massG = there.find((part) => part.role === role)?.massG
      return massG ? `, ${massText(massG)}` : ''
    },
  }
}

type Step = (kit: KitInHand) => GuideStep | null

const step = (
  title: string,
  lines: readonly (string | false)[],
  feel: Feel | null = null,
  caution: string | null = null,
) => ({
  title,
  lines: lines.filter((line): line is string => line !== false),
  feel,
  caution,
})

const lookAtGlass: Step = () =>
  step('Look before you touch', [
    'Take the parts out in the order of the contents card.',
    'Look at the glass. All in one piece? Don’t touch or wipe it.',
    'Back every screw off as far as you need, never right out.',
  ])

const openLegs: Step = (kit) =>
  step(
    'Open the legs fully',
    [
      'Stand the legs on firm, level ground. Make all three the same length; short is steady.',
      kit.has('tray') && 'Put the tray on and lock it. It keeps the legs from folding.',
      kit.has('bubble-level') && 'Bring the bubble into its ring.',
    ],
    'firm',
    'Fingers clear of the joints while a leg slides. Legs locked before anything goes on top.',
  )

const headOn: Step = (kit) =>
  step(`Set the mount head on${kit.massOf('mount-head')}`, ['Turn its bolt from below until it holds fast.'], 'tight')

const latitude: Step = () =>
  step(
    'Point the axis at the pole',
    [
      'Set your latitude on the scale, then close its clamp.',
      'Turn the whole stand until the axis points north (in the southern hemisphere: south). By eye is good enough.',
      'From now on the stand stays where it is.',
    ],
    'firm',
  )

const rods: Step = (kit) =>
  kit.has('slow-motion-rod')
    ? step(
        'Slide the slow-motion rods on',
        [
          'On either side, whichever is easier to reach. Slide a rod on, then pull it back by 6 mm.',
          'Turn its screw so that it meets the flat of the shaft. Turning the rod must turn the mount.',
        ],
        'finger-snug',
      )
    : null

const weightOn: Step = (kit) =>
  step(
    'Slide the weight on, before the tube',
    [
      'Screw the shaft in.',
      kit.has('weight-slug') && 'Tilt the weight until you hear the slug fall clear of the hole.',
      `Slide the weight on${kit.massOf('counterweight')}, near the end, and turn its screw.`,
      kit.has('shaft-end-stop') && 'Put the end stop back on.',
    ],
    'firm',
    'With the tube on first, the stand tips over. The weight can fall: keep toes clear and put the end stop back.',
  )

const tubeInRings: Step = (kit) =>
  step(
    `Lay the tube in its rings${kit.massOf('tube')}`,
    [
      'Open both rings. Back their screws off; never take them out.',
      'Lay the tube in, open end to the sky. Close both rings while one hand holds the tube.',
    ],
    'tight',
    'Only the rings hold the tube. Let go when both screws are tight and the tube doesn’t turn.',
  )

const tubeOnDovetail: Step = (kit) =>
  step(
    `Put the tube on${kit.massOf('tube')}`,
    [
      'Turn the clamp sideways, so that the tube can’t slide off backwards.',
      'Slide the rail in to its stop, glass end to the sky. Turn the clamp screw while one hand holds the tube.',
    ],
    'tight',
    'One screw alone holds the tube. Tug gently before you let go, then turn the screw once more.',
  )

const finderOn: Step = (kit) =>
  step(
    'Put the finder on and switch it on',
    [
      'Slide its foot in until it stops, wide end to the sky.',
      kit.has('coin-cell') && 'Pull the paper tab if there is one; switch on. A red dot shows inside.',
    ],
    'finger-snug',
    kit.has('coin-cell')
      ? 'The battery door stays screwed shut. A swallowed cell burns within two hours: call the emergency line at once.'
      : null,
  )

const diagonalIn: Step = (kit) =>
  kit.has('diagonal')
    ? step(
        'Put the diagonal in',
        ['Use the 90° diagonal. It turns the light up to where your eye is.'],
        'finger-snug',
      )
    : null

const eyepieceIn: Step = (kit) => {
  const lowest = kit.parts.find((part) => part.role === 'low-eyepiece' && part.mark !== 'missing')
  const name = lowest ? lowest.name : 'the eyepiece with the highest number'
  return step('Put the lowest power in', [`Take ${name}. No Barlow yet.`], 'finger-snug')
}

const capsOff: Step = (kit) =>
  step('Take the caps off', [
    'Take the whole front cap off, not only the small cap in its middle.',
    kit.has('focuser-cap') && 'Take the focuser’s cap off.',
    'Keep the caps in your pocket or in the case.',
  ])

const balance: Step = () =>
  step(
    'Balance it with everything on',
    [
      'Turn the weight’s shaft level and hold it. Open the clutch, let go gently and watch.',
      'Tube side falls: move the weight outward. Weight side falls: move it inward.',
      'Now the tube: level, hold it, open its clutch. Slide it in small steps until it stays.',
    ],
    'firm',
    'One clutch at a time, a hand on the tube.',
  )

const threeMoves: Step = () =>
  step('Try three moves', [
    'Point it straight up: easy to do, and nothing touches the stand?',
    'Swing it around on both axes: free?',
    'Let go: does it stay exactly there? If not, tell us; don’t force anything.',
  ])

const tableStand: Step = () =>
  step('Find a sturdy table', [
    'A picnic table is fine. A card table shakes.',
    'Set the base down and press on the edge: nothing may rock.',
  ])

const extendTube: Step = (kit) =>
  kit.optics.collapsible
    ? step('Slide the tube open', ['Pull both rods fully out until they stop. Lock them both.'], 'firm')
    : null

const tensionKnobs: Step = () =>
  step(
    'Set the tension',
    ['Turn the knob at the arm until the tube moves smoothly and stays where you leave it.'],
    'free',
  )

const rockerDown: Step = (kit) =>
  step(
    `Set the base on level ground${kit.massOf('base')}`,
    ['Its bottom board lies flat. The centre bolt must not be tight: the base turns with one finger.'],
    'free',
  )

const tubeInRocker: Step = (kit) =>
  step(
    `Lift the tube into its cradles${kit.massOf('tube')}`,
    ['Two people lift. Both round discs lie in their half-round cradles. Open end to the sky.'],
    null,
    'Bend your knees, not your back. Nobody stands below.',
  )

const armOnTripod: Step = (kit) =>
  step(
    `Set the arm on the legs${kit.massOf('mount-head')}`,
    ['Turn the bolt from below until the arm holds.'],
    'tight',
  )

const panHead: Step = (kit) =>
  step(
    `Put the tube on the tripod${kit.massOf('tube')}`,
    [
      'Lens end to the sky. Turn the bolt under the head while one hand holds the tube.',
      kit.has('pan-handle') && 'Screw the handle in.',
      'Pointed high, the tube must clear the legs. If it touches, turn it round.',
    ],
    'tight',
  )

const driveOn: Step = (kit) =>
  step(
    'Give it power',
    [
      kit.has('power-pack') && 'Plug the 12 V pack in and switch the pack on.',
      kit.has('aa-cells') && 'Put the AA cells in as the drawing in the door shows.',
      kit.has('controller') && 'Plug the hand controller in before you switch the mount on.',
    ],
    null,
    'Keep pack and plugs dry. Use only the charger supplied.',
  )

const homeAndAlign: Step = () =>
  step('Tell it where it is', [
    'Level the stand. Bring it to its home position as the card in the lid shows.',
    'Enter date, time, place and zone. Answer “daylight saving” with care: it is the most frequent fault.',
    'Line it up on two bright stars, well apart. If one is hidden, take the next.',
  ])

/** Steps of each family in the order people work, for safety's sake weights before the tube. */
const stepsByFamily: Readonly<Record<Family, readonly Step[]>> = {
  'tabletop-reflector': [
    lookAtGlass,
    tableStand,
    extendTube,
    tensionKnobs,
    finderOn,
    capsOff,
    eyepieceIn,
    threeMoves,
  ],
  'floor-reflector': [lookAtGlass, rockerDown, tubeInRocker, finderOn, capsOff, eyepieceIn, threeMoves],
  'equatorial-reflector': [
    lookAtGlass,
    openLegs,
    headOn,
    latitude,
    rods,
    weightOn,
    tubeInRings,
    finderOn,
    capsOff,
    eyepieceIn,
    balance,
    threeMoves,
  ],
  'tripod-refractor': [lookAtGlass, openLegs, panHead, finderOn, capsOff, diagonalIn, eyepieceIn, threeMoves],
  'altazimuth-reflector': [
    lookAtGlass,
    openLegs,
    armOnTripod,
    tubeOnDovetail,
    finderOn,
    capsOff,
    eyepieceIn,
    threeMoves,
  ],
  'equatorial-maksutov': [
    lookAtGlass,
    openLegs,
    headOn,
    latitude,
    rods,
    weightOn,
    tubeOnDovetail,
    finderOn,
    capsOff,
    diagonalIn,
    eyepieceIn,
    balance,
    threeMoves,
  ],
  'computer-driven': [
    lookAtGlass,
    openLegs,
    headOn,
    tubeOnDovetail,
    finderOn,
    capsOff,
    diagonalIn,
    eyepieceIn,
    driveOn,
    homeAndAlign,
  ],
  'large-equatorial': [
    lookAtGlass,
    openLegs,
    headOn,
    latitude,
    weightOn,
    tubeOnDovetail,
    finderOn,
    capsOff,
    diagonalIn,
    eyepieceIn,
    balance,
    driveOn,
    homeAndAlign,
  ],
}

export function setUpSteps(kit: KitInHand): readonly GuideStep[] {
  return makeSteps(stepsByFamily[kit.family], kit)
}

/** A step whose every line speaks of parts that this kit hasn't got is no step. */
const makeSteps = (steps: readonly Step[], kit: KitInHand): readonly GuideStep[] =>
  steps.flatMap((make) => make(kit) ?? []).filter(({ lines }) => lines.length > 0)

const putAwayStart: Step = (kit) =>
  step('Switch off and close', [
    'Switch the finder off.',
    kit.has('power-pack') && 'Switch the mount off, then the pack.',
    kit.has('focuser-cap') && 'Rack the focuser in gently, not against its end.',
    'All caps on: front, focuser, both ends of each eyepiece.',
    'Wet with dew? Leave the caps off indoors for a day before you close anything.',
  ])

const tubeOffFirst: Step = (kit) =>
  kit.has('counterweight')
    ? step(
        'Tube off first, then the weight',
        ['One person holds the tube, the other opens the clamps.', 'Only then slide the weight off.'],
        null,
        'With the weight off first, the stand tips over.',
      )
    : null

const closeTube: Step = (kit) =>
  kit.optics.collapsible ? step('Slide the tube shut', ['Open both locks. Push the tube together gently.']) : null

const packCase: Step = (kit) =>
  step('Pack the case', [
    'Take apart in reverse order. Screws go back into their holes.',
    kit.has('foam') && 'Foam in the right way round.',
    'Small parts go into the labelled pouch. Tick the contents card.',
    'Nothing is wiped. Tell us about any trouble; nobody is blamed.',
  ])

export const putAwaySteps = (kit: KitInHand): readonly GuideStep[] =>
  makeSteps([putAwayStart, tubeOffFirst, closeTube, packCase], kit)
