import type { Family, Role } from '../contents/roles.ts'
import type { Procedure, ProcedureStep, StepLine } from './procedure.ts'

/** Families' templates: the order people work in, for safety's sake weights before the tube. A model's procedure begins as
 * its family's and is then its own. Common practice, no source, unless a step says so (DOMAIN section 4). */

interface Template extends ProcedureStep {
  /** How it is undone at taking apart; null where nothing is. */
  readonly undo: Pick<ProcedureStep, 'title' | 'lines' | 'caution'> | null
}

const line = (given: string | readonly [Role, string]): StepLine =>
  typeof given === 'string' ? { text: given, needs: null } : { needs: given[0], text: given[1] }

interface Given {
  readonly key: string
  readonly phase: ProcedureStep['phase']
  readonly title: string
  readonly lines: readonly (string | readonly [Role, string])[]
  readonly rest?: Partial<Omit<ProcedureStep, 'key' | 'phase' | 'title' | 'lines'>>
  readonly undo?: {
    readonly title: string
    readonly lines: readonly (string | readonly [Role, string])[]
    readonly caution?: string
  }
}

const step = ({ key, phase, title, lines, rest = {}, undo }: Given): Template => ({
  key,
  phase,
  title,
  lines: lines.map(line),
  part: null,
  feel: null,
  check: '',
  test: null,
  caution: null,
  drawing: null,
  needs: null,
  ...rest,
  undo: undo ? { title: undo.title, lines: undo.lines.map(line), caution: undo.caution ?? null } : null,
})

const unpack = step({
  key: 'unpack',
  phase: 'unpack',
  title: 'Look before you touch',
  lines: [
    'Take the parts out in the order of the contents card.',
    'Look at the glass. All in one piece? Don’t touch or wipe it.',
    'Back every screw off as far as you need, never right out.',
  ],
  rest: { check: 'glass whole, mirror in place, no loose flakes', drawing: 'unpack' },
})

const legs = step({
  key: 'legs',
  phase: 'stand',
  title: 'Open the legs fully',
  lines: [
    'Stand the legs on firm, level ground. Make all three the same length; short is steady.',
    ['bubble-level', 'Bring the bubble into its ring.'],
  ],
  rest: {
    part: 'tripod-legs',
    feel: 'firm',
    check: 'all three the same length, level, none slides',
    test: 'level',
    caution: 'Fingers clear of the joints while a leg slides. Legs locked before anything goes on top.',
    drawing: 'legs',
  },
  undo: { title: 'Fold the legs', lines: ['Legs in, locks closed. Fingers clear of the joints.'] },
})

const tray = step({
  key: 'tray',
  phase: 'stand',
  title: 'Lock the legs with the tray',
  lines: ['Put the tray on and lock it. It keeps the legs from folding.'],
  rest: { part: 'tray', needs: 'tray', feel: 'firm', check: 'pulls up by hand without giving', drawing: 'tray' },
  undo: {
    title: 'Tray off, only now',
    lines: ['Nothing is left on the legs? Then unlock the tray and lift it off.'],
  },
})

const head = step({
  key: 'head',
  phase: 'mount',
  title: 'Set the mount head on',
  lines: ['Set it down with the peg on the pole side.', 'Turn its bolt from below until it holds fast.'],
  rest: {
    part: 'mount-head',
    feel: 'tight',
    check: 'no play; turned by its azimuth bolts it moves freely',
    test: 'friction',
    drawing: 'head',
  },
  undo: { title: 'Take the head off', lines: ['One hand on the head, turn its bolt out from below.'] },
})

const arm = step({
  key: 'head',
  phase: 'mount',
  title: 'Set the arm on the legs',
  lines: ['Turn the bolt from below until the arm holds.'],
  rest: {
    part: 'mount-head',
    feel: 'tight',
    check: 'no play; turns smoothly and stays',
    test: 'friction',
    drawing: 'head',
  },
  undo: { title: 'Take the arm off', lines: ['One hand on the arm, turn its bolt out from below.'] },
})

const latitude = step({
  key: 'latitude',
  phase: 'mount',
  title: 'Point the axis at the pole',
  lines: [
    'Set your latitude on the scale, then close its clamp.',
    'Turn the whole stand until the axis points north (in the southern hemisphere: south). By eye is good enough.',
    'From now on the stand stays where it is.',
  ],
  rest: { part: 'mount-head', feel: 'firm', check: 'pointer on the figure, clamp closed', drawing: 'latitude' },
})

const rods = step({
  key: 'rods',
  phase: 'mount',
  title: 'Slide the slow-motion rods on',
  lines: [
    'On either side, whichever is easier to reach. Slide a rod on, then pull it back by 6 mm.',
    'Turn its screw so that it meets the flat of the shaft. Turning the rod must turn the mount.',
  ],
  rest: {
    part: 'slow-motion-rod',
    needs: 'slow-motion-rod',
    feel: 'finger-snug',
    check: 'turning the rod turns the mount',
    test: 'rod-turns',
    drawing: 'rods',
  },
  undo: { title: 'Slide the rods off', lines: ['Back each screw off, not out, and slide the rod off.'] },
})

const weight = step({
  key: 'weight',
  phase: 'mount',
  title: 'Slide the weight on, before the tube',
  lines: [
    'Screw the shaft in.',
    ['weight-slug', 'Tilt the weight until you hear the slug fall clear of the hole.'],
    'Slide the weight on, near the end, and turn its screw.',
    ['shaft-end-stop', 'Put the end stop back on.'],
  ],
  rest: {
    part: 'counterweight',
    needs: 'counterweight',
    feel: 'firm',
    check: 'the weight doesn’t slide, the end stop is on',
    caution:
      'With the tube on first, the stand tips over. The weight can fall: keep toes clear and put the end stop back.',
    drawing: 'weight',
  },
  undo: {
    title: 'Slide the weight off, after the tube',
    lines: [
      'The tube is off? Then hold the weight, open its screw, end stop off, slide it down.',
      ['weight-slug', 'Leave its screw in: with it out the slug drops.'],
    ],
    caution: 'Toes clear of the weight.',
  },
})

const tubeInRings = step({
  key: 'tube',
  phase: 'tube',
  title: 'Lay the tube in its rings',
  lines: [
    'Open both rings. Back their screws off; never take them out.',
    'Lay the tube in, open end to the sky. Close both rings while one hand holds the tube.',
  ],
  rest: {
    part: 'tube',
    feel: 'tight',
    check: 'the tube doesn’t turn or slide; open end to the sky',
    test: 'hits-stand',
    caution: 'Only the rings hold the tube. Let go when both screws are tight and the tube doesn’t turn.',
    drawing: 'tube',
  },
  undo: {
    title: 'Take the tube off',
    lines: ['Clutches closed. One person holds the tube, the other opens the rings.'],
    caution: 'With the weight off first, the stand tips over.',
  },
})

const tubeOnDovetail = step({
  key: 'tube',
  phase: 'tube',
  title: 'Put the tube on',
  lines: [
    'Turn the clamp sideways, so that the tube can’t slide off backwards.',
    'Slide the rail in to its stop, large cap to the sky. Turn the clamp screw while one hand holds the tube.',
  ],
  rest: {
    part: 'tube',
    feel: 'tight',
    check: 'a tug moves nothing',
    test: 'hits-stand',
    caution: 'One screw alone holds the tube. Tug gently before you let go, then turn the screw once more.',
    drawing: 'tube',
  },
  undo: {
    title: 'Take the tube off',
    lines: ['Clutches closed. Hold the tube with one hand, open its clamp with the other.'],
    caution: 'One screw alone holds the tube: hold it before you open it.',
  },
})

const panHead = step({
  key: 'tube',
  phase: 'tube',
  title: 'Put the tube on the tripod',
  lines: [
    'Lens end to the sky. Turn the bolt under the head while one hand holds the tube.',
    ['pan-handle', 'Screw the handle in.'],
    'Pointed high, the tube must clear the legs. If it touches, turn it round.',
  ],
  rest: {
    part: 'tube',
    feel: 'tight',
    check: 'pointed high, it clears the legs',
    test: 'hits-stand',
    drawing: 'tube',
  },
  undo: { title: 'Take the tube off', lines: ['Hold the tube, open the bolt under the head.'] },
})

const finder = step({
  key: 'finder',
  phase: 'fit-out',
  title: 'Put the finder on',
  lines: [
    'Slide its foot in until it stops, wide end to the sky.',
    ['coin-cell', 'Pull the paper tab if there is one; switch on. A red dot shows inside.'],
  ],
  rest: { part: 'finder', feel: 'finger-snug', check: 'sits on its stop, doesn’t rock', drawing: 'finder' },
  undo: {
    title: 'Finder off',
    lines: [
      ['coin-cell', 'Look that it is switched off.'],
      'Slide it out; its nuts go straight back on their studs.',
    ],
  },
})

const CELL_CAUTION =
  'The battery door stays screwed shut. A swallowed cell burns within two hours: call the emergency line at once.'

const caps = step({
  key: 'caps',
  phase: 'fit-out',
  title: 'Take the caps off',
  lines: [
    'Take the whole front cap off, not only the small cap in its middle.',
    ['focuser-cap', 'Take the focuser’s cap off.'],
    'Keep the caps in your pocket or in the case.',
  ],
  rest: { part: 'front-cap', check: 'both caps off, kept together', drawing: 'caps' },
})

const diagonal = step({
  key: 'diagonal',
  phase: 'fit-out',
  title: 'Put the diagonal in',
  lines: ['Use the 90° diagonal. It turns the light up to where your eye is.'],
  rest: {
    part: 'diagonal',
    needs: 'diagonal',
    feel: 'finger-snug',
    check: 'pushed in to its shoulder, 90°',
    drawing: 'diagonal',
  },
  undo: { title: 'Diagonal out', lines: ['Back its screw off; caps on both ends.'] },
})

const eyepiece = step({
  key: 'eyepiece',
  phase: 'fit-out',
  title: 'Put the lowest power in',
  lines: ['Take {low-eyepiece}.', ['barlow', 'No Barlow yet.']],
  rest: { part: 'low-eyepiece', feel: 'finger-snug', check: 'its rim rests on the focuser’s', drawing: 'eyepiece' },
  undo: { title: 'Eyepiece out', lines: ['Back its screw off; both end caps on.'] },
})

const balance = step({
  key: 'balance',
  phase: 'fit-out',
  title: 'Balance it with everything on',
  lines: [
    'Turn the weight’s shaft level and hold it. Open the clutch, let go gently and watch.',
    'Tube side falls: move the weight outward. Weight side falls: move it inward.',
    'Now the tube: level, hold it, open its clutch. Slide it in small steps until it stays.',
  ],
  rest: {
    part: 'counterweight',
    feel: 'firm',
    check: 'stays anywhere with the clutch open; the closed clutch holds',
    test: 'clutches',
    caution: 'One clutch at a time, a hand on the tube.',
    drawing: 'balance',
  },
})

const moves = step({
  key: 'moves',
  phase: 'fit-out',
  title: 'Try three moves',
  lines: [
    'Point it straight up: easy to do, and nothing touches the stand?',
    'Swing it around on both axes: free?',
    'Let go: does it stay exactly there? If not, tell us; don’t force anything.',
  ],
  rest: {
    check: 'easy straight up, free in both axes, stays where it is left',
    test: 'three-moves',
    drawing: 'moves',
  },
})

const table = step({
  key: 'table',
  phase: 'stand',
  title: 'Find a sturdy table',
  lines: [
    'A picnic table is fine. A card table shakes.',
    'Set the base down and press on the edge: nothing may rock.',
  ],
  rest: { part: 'base', check: 'nothing rocks', test: 'level', drawing: 'table' },
})

const base = step({
  key: 'base',
  phase: 'mount',
  title: 'Lift it by its base',
  lines: ['Both hands under the base, not by the tube.', 'Set it down with all three feet on the table.'],
  rest: { part: 'base', check: 'turns with one finger and stays', test: 'friction', drawing: 'base' },
})

const slideOpen = step({
  key: 'slide-open',
  phase: 'tube',
  title: 'Slide the tube open',
  lines: ['Pull both rods fully out until they stop. Lock them both.'],
  rest: { part: 'tube', feel: 'firm', check: 'the ring doesn’t wobble; both locks closed', drawing: 'slide-open' },
  undo: { title: 'Slide the tube shut', lines: ['Open both locks. Push the tube together gently.'] },
})

const tension = step({
  key: 'tension',
  phase: 'tube',
  title: 'Set the tension',
  lines: ['Turn the knob at the arm until the tube moves smoothly and stays where you leave it.'],
  rest: { part: 'tube', feel: 'free', check: 'moves smoothly, stays', test: 'hits-stand', drawing: 'tension' },
})

const rocker = step({
  key: 'base',
  phase: 'stand',
  title: 'Set the base on level ground',
  lines: ['Its bottom board lies flat. The centre bolt must not be tight: the base turns with one finger.'],
  rest: { part: 'base', feel: 'free', check: 'turns with one finger and stays', test: 'friction', drawing: 'base' },
})

const tubeInRocker = step({
  key: 'tube',
  phase: 'tube',
  title: 'Lift the tube into its cradles',
  lines: ['Two people lift. Both round discs lie in their half-round cradles. Open end to the sky.'],
  rest: {
    part: 'tube',
    check: 'both discs lie in their cradles',
    test: 'hits-stand',
    caution: 'Bend your knees, not your back. Nobody stands below.',
    drawing: 'tube',
  },
  undo: {
    title: 'Lift the tube out',
    lines: ['Two people lift, straight up out of the cradles.'],
    caution: 'Bend your knees, not your back. Toes clear.',
  },
})

const drive = step({
  key: 'drive',
  phase: 'fit-out',
  title: 'Give it power',
  lines: [
    ['power-pack', 'Plug the 12 V pack in and switch the pack on.'],
    ['aa-cells', 'Put the AA cells in as the drawing in the door shows.'],
    ['controller', 'Plug the hand controller in before you switch the mount on.'],
  ],
  rest: {
    part: 'controller',
    check: 'the controller lights up; both axes move',
    caution: 'Keep pack and plugs dry. Use only the charger supplied.',
    drawing: 'drive',
  },
})

const align = step({
  key: 'align',
  phase: 'fit-out',
  title: 'Tell it where it is',
  lines: [
    'Level the stand. Bring it to its home position as the card in the lid shows.',
    'Enter date, time, place and zone. Answer “daylight saving” with care: it is the most frequent fault.',
    'Line it up on two bright stars, well apart. If one is hidden, take the next.',
  ],
  rest: { part: 'controller', check: 'the second star stands in the field', drawing: 'home' },
})

const end = [finder, caps]
const stepsByFamily: Readonly<Record<Family, readonly Template[]>> = {
  'tabletop-reflector': [unpack, table, base, slideOpen, tension, ...end, eyepiece, moves],
  'floor-reflector': [unpack, rocker, tubeInRocker, ...end, eyepiece, moves],
  'equatorial-reflector': [
    unpack,
    legs,
    tray,
    head,
    latitude,
    rods,
    weight,
    tubeInRings,
    ...end,
    eyepiece,
    balance,
    moves,
  ],
  'tripod-refractor': [unpack, legs, panHead, ...end, diagonal, eyepiece, moves],
  'altazimuth-reflector': [unpack, legs, tray, arm, tubeOnDovetail, ...end, eyepiece, moves],
  'equatorial-maksutov': [
    unpack,
    legs,
    tray,
    head,
    latitude,
    rods,
    weight,
    tubeOnDovetail,
    ...end,
    diagonal,
    eyepiece,
    balance,
    moves,
  ],
  'computer-driven': [unpack, legs, tray, head, tubeOnDovetail, ...end, diagonal, eyepiece, drive, align],
  'large-equatorial': [
    unpack,
    legs,
    tray,
    head,
    latitude,
    weight,
    tubeOnDovetail,
    ...end,
    diagonal,
    eyepiece,
    balance,
    drive,
    align,
  ],
}

const close = step({
  key: 'away-close',
  phase: 'unpack',
  title: 'Close it up',
  lines: [
    ['coin-cell', 'Switch the finder off.'],
    ['power-pack', 'Switch the mount off, then the pack.'],
    'Turn the focus in gently, not against its end.',
    'All caps on: front, focuser, both ends of each eyepiece.',
    'Wet with dew? Leave the caps off indoors for a day before you close anything.',
  ],
  rest: { drawing: 'close' },
})
const packCase = step({
  key: 'away-pack',
  phase: 'unpack',
  title: 'Pack the case',
  lines: [
    'Screws go back into their holes.',
    ['foam', 'Foam in the right way round.'],
    'Small parts go into the labelled pouch. Tick the contents card.',
    'Nothing is wiped. Tell us about any trouble; nobody is blamed.',
  ],
  rest: { drawing: 'pack' },
})

/** What of a model changes its family's template. */
export interface TemplateModel {
  readonly family: Family
  readonly collapsible: boolean
  readonly parts: readonly Role[]
}

/** The family's procedure for a model: steps about what it hasn't got left out, the finder's cell warned of where it has
 * one. */
export function templateProcedure({ family, collapsible, parts }: TemplateModel): Procedure {
  const setUp = stepsByFamily[family]
    .filter(({ key, needs }) => (key !== 'slide-open' || collapsible) && (needs === null || parts.includes(needs)))
    .map((each) =>
      each.key === 'finder' && parts.includes('coin-cell')
        ? { ...each, title: 'Put the finder on and switch it on', caution: CELL_CAUTION }
        : each,
    )
  return { setUp: setUp.map(({ undo: _undo, ...rest }) => rest), takeApart: dismantling(setUp) }
}

/** Where a weight hangs, it is worth saying twice which comes first. */
const TUBE_FIRST = 'Tube off first, then the weight'

const undoOf = new Map(
  Object.values(stepsByFamily)
    .flat()
    .map(({ key, title, undo }) => [`${key} ${title}`, undo] as const),
)

/** Taking apart, from putting together: the reverse, except that it begins by switching off and capping, and ends in the
 * case. Steps of a model's own that no template knows are undone by their own name. */
export function dismantling(setUp: readonly ProcedureStep[]): readonly ProcedureStep[] {
  const templates = Object.values(stepsByFamily).flat()
  const weighted = setUp.some(({ part }) => part === 'counterweight')
  const reversed = [...setUp].reverse().flatMap((each): readonly ProcedureStep[] => {
    const known = undoOf.get(`${each.key} ${each.title}`)
    const alike = templates.find(({ key }) => key === each.key)
    const undo =
      known === undefined
        ? alike
          ? alike.undo
          : { title: `Undo: ${each.title}`, lines: [line('As it was put on, in reverse.')], caution: null }
        : known
    if (!undo) return []
    return [
      {
        ...each,
        key: `away-${each.key}`,
        title: weighted && each.part === 'tube' ? TUBE_FIRST : undo.title,
        lines: undo.lines,
        caution: undo.caution,
        feel: null,
        check: '',
        test: null,
      },
    ]
  })
  const bare = ({ undo: _undo, ...rest }: Template): ProcedureStep => rest
  return [bare(close), ...reversed, bare(packCase)]
}
