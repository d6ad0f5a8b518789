import type { Family, Role } from '../contents/roles.ts'
import type { FinderKind } from '../finder/finder-data.ts'
import { armJoints, usualStand, type ArmJoint, type StandData, type Tray, type TubeFixing } from '../mount/stand.ts'
import type { Feel, Procedure, ProcedureStep, StepLine } from './procedure.ts'

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

const trayStep = (
  given: Pick<Given, 'title' | 'lines'> & {
    readonly check: string
    readonly feel: Feel | null
    readonly off: string
    readonly offTitle?: string
    readonly part?: null
  },
): Template =>
  step({
    key: 'tray',
    phase: 'stand',
    title: given.title,
    lines: given.lines,
    rest: {
      part: 'tray',
      needs: given.part === null ? null : 'tray',
      feel: given.feel,
      check: given.check,
      test: 'tray-holds',
      drawing: 'tray',
    },
    undo: {
      title: given.offTitle ?? 'Tray off, only now',
      lines: [`Nothing is left on the legs? Then ${given.off}`],
    },
  })

/** One for each way a tray or spreader locks; none where the legs lock by themselves. */
const trayByKind: Readonly<Record<Tray, Template | null>> = {
  twisted: trayStep({
    title: 'Lock the legs with the tray',
    lines: [
      'Lay the tray over the pin in the middle and push it down.',
      'Twist it until it locks. It keeps the legs from folding.',
    ],
    feel: 'firm',
    check: 'it doesn’t turn back by itself; the legs can’t close',
    off: 'twist the tray back and lift it off.',
  }),
  screwed: trayStep({
    title: 'Screw the tray on',
    lines: [
      'Spin the tray onto the rod in the middle until it presses on all three legs.',
      'It keeps the legs from folding.',
    ],
    feel: 'firm',
    check: 'it presses on all three legs; the legs can’t close',
    off: 'spin the tray off its rod.',
  }),
  bolted: trayStep({
    title: 'Bolt the spreader on',
    lines: [
      'Hold the plate on its three brackets. Put a bolt through each, its wing nut on top.',
      'Turn all three wing nuts until they stop. The plate keeps the legs from folding.',
    ],
    feel: 'firm',
    check: 'all three wing nuts are on and turned home; the legs can’t close',
    offTitle: 'Spreader off, only now',
    off: 'turn the three wing nuts off and put them back on their bolts.',
  }),
  brace: trayStep({
    title: 'Snap the brace straight',
    lines: [
      'Push the middle of the brace down until all its arms are straight and it snaps. It keeps the legs from folding.',
    ],
    feel: null,
    check: 'all arms are straight; the legs can’t close',
    off: 'pull the middle of the brace up and let the legs come together.',
    offTitle: 'Brace up, only now',
    part: null,
  }),
  none: null,
}

/** How head or arm is held on its legs. */
const jointLine: Readonly<Record<ArmJoint, string>> = {
  'bolts-below': 'Turn its bolt from below until it holds fast.',
  knob: 'Turn the big knob below it until it holds fast.',
  cone: 'Let its cone sink into the ring on the legs. Turn the safety screw in.',
}
const jointUndo: Readonly<Record<ArmJoint, string>> = {
  'bolts-below': 'turn its bolt out from below.',
  knob: 'turn the big knob out.',
  cone: 'turn the safety screw back and lift it straight up.',
}

const headStep = (joint: ArmJoint): Template =>
  step({
    key: 'head',
    phase: 'mount',
    title: 'Set the mount head on',
    lines: ['Set it down with the peg on the pole side.', jointLine[joint]],
    rest: {
      part: 'mount-head',
      feel: 'tight',
      check: 'no play; turned by its azimuth bolts it moves freely',
      test: 'friction',
      drawing: 'head',
    },
    undo: { title: 'Take the head off', lines: [`One hand on the head, ${jointUndo[joint]}`] },
  })

const armStep = (joint: ArmJoint): Template =>
  step({
    key: 'head',
    phase: 'mount',
    title: 'Set the arm on the legs',
    lines: [jointLine[joint]],
    rest: {
      part: 'mount-head',
      feel: 'tight',
      check: 'no play; turns smoothly and stays',
      test: 'friction',
      drawing: 'head',
    },
    undo: { title: 'Take the arm off', lines: [`One hand on the arm, ${jointUndo[joint]}`] },
  })
const head = headStep('bolts-below')
const arm = armStep('bolts-below')

/** A fork or arm with its tube fixed to it goes on as one piece. */
const forkStep = (joint: ArmJoint): Template =>
  step({
    key: 'head',
    phase: 'mount',
    title: 'Set the arm with its tube on the legs',
    lines: [
      'Its tube stays on its arm: nothing slides, nothing is taken off. Lift it by the arm, never by the tube.',
      jointLine[joint],
    ],
    rest: {
      part: 'mount-head',
      feel: 'tight',
      check: 'no play; turns smoothly and stays',
      test: 'friction',
      caution: 'One hand stays on the arm until it holds.',
      drawing: 'head',
    },
    undo: { title: 'Take the arm off with its tube', lines: [`One hand on the arm, ${jointUndo[joint]}`] },
  })

const tubeOnFork = step({
  key: 'tube',
  phase: 'tube',
  title: 'Try the axis locks',
  lines: ['A hand on the tube: open each lock, swing the tube gently, close it again.'],
  rest: {
    part: 'tube',
    feel: 'firm',
    check: 'each lock holds; nothing is forced',
    test: 'hits-stand',
    drawing: 'tension',
  },
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
    'Put them on the side you reach best. Push a rod on all the way, then draw it back by about 6 mm.',
    'Line its screw up with the flat of the shaft and turn it home. Now the rod must take the mount with it.',
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
    // An arm by friction has no clutch: only where a weight hangs is there one to close.
    lines: [['counterweight', 'Clutches closed.'], 'Hold the tube with one hand, open its clamp with the other.'],
    caution: 'One screw alone holds the tube: hold it before you open it.',
  },
})

const tubeInStraps = step({
  key: 'tube',
  phase: 'tube',
  title: 'Lay the tube in its straps',
  lines: [
    'Open both straps. Back their screws off; never take them out.',
    'Lay the tube in, open end to the sky. Close both straps while one hand holds the tube.',
  ],
  rest: {
    part: 'tube',
    feel: 'tight',
    check: 'the tube doesn’t turn or slide',
    test: 'hits-stand',
    caution: 'Only the straps hold the tube. Let go when both screws are tight and the tube doesn’t turn.',
    drawing: 'tube',
  },
  undo: {
    title: 'Take the tube off',
    lines: ['Clutches closed. One person holds the tube, the other opens the straps.'],
    caution: 'With the weight off first, the stand tips over.',
  },
})

const tubeRingsOnRail = step({
  key: 'tube',
  phase: 'tube',
  title: 'Put the tube on by its rail',
  lines: [
    'The rings stay closed on the tube. Turn the clamp sideways, so that the tube can’t slide off backwards.',
    'Lay the rail into the clamp, large cap to the sky. Turn the clamp screw while one hand holds the tube.',
  ],
  rest: {
    part: 'tube',
    feel: 'tight',
    check: 'a tug moves nothing; both rings are closed',
    test: 'hits-stand',
    caution: 'The clamp alone holds the tube. Tug gently before you let go, then turn the screw once more.',
    drawing: 'tube',
  },
  undo: {
    title: 'Take the tube off',
    lines: ['Clutches closed. Hold the tube with one hand, open the clamp with the other. The rings stay on.'],
    caution: 'The clamp alone holds the tube: hold it before you open it.',
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

const finderStep = (given: {
  readonly title?: string
  readonly lines: Given['lines']
  readonly off: string
}): Template =>
  step({
    key: 'finder',
    phase: 'fit-out',
    title: given.title ?? 'Put the finder on',
    lines: given.lines,
    rest: {
      part: 'finder',
      needs: 'finder',
      feel: 'finger-snug',
      check: 'sits on its stop, doesn’t rock',
      drawing: 'finder',
    },
    undo: { title: 'Finder off', lines: [['coin-cell', 'Look that it is switched off.'], given.off] },
  })

const screwFinder = (seating: string): Template =>
  finderStep({
    lines: ['Slide its foot in until it stops, wide end to the sky.', seating],
    off: 'Slide it out by its foot. Its screws stay as they are.',
  })

/** One for each kind of finder: its own words, whatever family it sits on. */
const finderByKind: Readonly<Record<FinderKind, Template>> = {
  'red-dot': {
    ...finderStep({
      lines: [
        'Slide its foot in until it stops, its window to the sky.',
        ['coin-cell', 'Pull the paper tab if there is one; switch on. A red dot shows in the window.'],
      ],
      off: 'Slide it out by its foot.',
    }),
  },
  'two-screws': screwFinder(
    'It sits in its ring between two screws and a spring. Pull the spring’s pin back to seat it.',
  ),
  'three-screws': screwFinder('Three screws hold it in its ring. Leave them as they are.'),
  'four-screws': screwFinder('Four screws hold it in its ring. Leave them as they are.'),
  'six-screws': screwFinder('Two rings of three screws hold it. Leave them as they are.'),
  peep: finderStep({
    title: 'Look along the peep sight',
    lines: ['It has nothing to switch on and nothing to turn. Look through its hole along the tube.'],
    off: 'Leave it on the tube.',
  }),
}
const finder = finderByKind['red-dot']

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

const threeMoves = (highest: { readonly line: string; readonly check: string }) =>
  step({
    key: 'moves',
    phase: 'fit-out',
    title: 'Try three moves',
    lines: [
      highest.line,
      'Swing it around on both axes: free?',
      'Let go: does it stay exactly there? If not, tell us; don’t force anything.',
    ],
    rest: {
      check: `${highest.check}, free in both axes, stays where it is left`,
      test: 'three-moves',
      drawing: 'moves',
    },
  })
const moves = threeMoves({
  line: 'Point it straight up: easy to do, and nothing touches the stand?',
  check: 'easy straight up',
})
/** A pan head ends before the zenith. */
const movesOnPanHead = threeMoves({
  line: 'Point it as high as the head goes: easy to do, and nothing touches the stand?',
  check: 'easy as high as the head goes',
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

/** A pack has a charger; cells have none. */
const POWER_CAUTION = 'Keep pack and plugs dry. Use only the charger supplied.'
const PLUGS_CAUTION = 'Keep the plugs dry.'
const CELLS_CAUTION = 'Keep cells and plugs dry. Never lever a cell out.'

const drive = step({
  key: 'drive',
  phase: 'fit-out',
  title: 'Give it power',
  lines: [
    ['power-pack', 'Plug the 12 V pack in and switch the pack on.'],
    ['aa-cells', 'Put the AA cells in as the drawing in the door shows.'],
    ['aa-cells', 'All of one kind and one age. Count them in, and count them out again.'],
    ['controller', 'Plug the hand controller in before you switch the mount on.'],
  ],
  rest: {
    part: 'controller',
    check: 'the controller lights up; both axes move',
    caution: POWER_CAUTION,
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
  ],
  rest: { part: 'controller', check: 'it shows the right date, hour and place', drawing: 'home' },
})

const end = [finder, caps]
const tray = trayByKind.twisted ?? unpack
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
  'tripod-refractor': [unpack, legs, tray, panHead, ...end, diagonal, eyepiece, movesOnPanHead],
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
  'computer-driven': [unpack, legs, tray, arm, tubeOnDovetail, ...end, diagonal, eyepiece, drive, align],
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
  /** How stand and tube are made; left out, as its family's usually are. */
  readonly stand?: StandData | null | undefined
  /** What finder its card holds; left out, a red dot where it has a cell, else an optical one. */
  readonly finderKind?: FinderKind | null | undefined
}

const tubeByFixing: Readonly<Record<TubeFixing, Template | null>> = {
  dovetail: tubeOnDovetail,
  fork: tubeOnFork,
  rings: tubeInRings,
  'rings-on-rail': tubeRingsOnRail,
  straps: tubeInStraps,
  'rocker-ears': tubeInRocker,
  'pan-bolt': panHead,
}

/** The family's procedure for a model: its own tray, joint, way of holding the tube and finder in place of the family's
 * usual ones; steps about what it hasn't got left out, the finder's cell warned of where it has one. */
export function templateProcedure({
  family,
  collapsible,
  parts,
  stand: given,
  finderKind,
}: TemplateModel): Procedure {
  const stand = given ?? usualStand(family, parts)
  const kind = finderKind ?? (parts.includes('coin-cell') ? 'red-dot' : 'two-screws')
  const own = (each: Template): Template | null => {
    if (each.key === 'tray') return trayByKind[stand.tray]
    if (each.key === 'head') return headOf(each, stand)
    // A rocker's or table's tube stays as its family has it: nothing of a tripod's fixing fits there.
    if (each.key === 'tube') return tubeByFixing[stand.fixing] ?? each
    if (each.key === 'finder') return finderByKind[kind]
    return each
  }
  const setUp = stepsByFamily[family]
    .flatMap((each) => own(each) ?? [])
    .filter(({ key, needs }) => (key !== 'slide-open' || collapsible) && (needs === null || parts.includes(needs)))
    .map((each) => {
      if (each.key === 'finder' && kind === 'red-dot' && parts.includes('coin-cell'))
        return { ...each, title: 'Put the finder on and switch it on', caution: CELL_CAUTION }
      if (each.key === 'drive' && !parts.includes('power-pack'))
        return { ...each, caution: parts.includes('aa-cells') ? CELLS_CAUTION : PLUGS_CAUTION }
      return each
    })
  return { setUp: setUp.map(({ undo: _undo, ...rest }) => rest), takeApart: dismantling(setUp) }
}

function headOf(each: Template, { fixing, armJoint }: StandData): Template {
  const joint = armJoint ?? 'bolts-below'
  if (fixing === 'fork') return forkStep(joint)
  // Only an equatorial head has a peg on the pole side.
  return each.title === head.title ? headStep(joint) : armStep(joint)
}

/** Where a weight hangs, it is worth saying twice which comes first. */
const TUBE_FIRST = 'Tube off first, then the weight'

const everyStep: readonly Template[] = [
  ...Object.values(stepsByFamily).flat(),
  ...Object.values(trayByKind).flatMap((each) => each ?? []),
  ...Object.values(tubeByFixing).flatMap((each) => each ?? []),
  ...Object.values(finderByKind),
  ...armJoints.flatMap((joint) => [headStep(joint), armStep(joint), forkStep(joint)]),
]

const undoOf = new Map(
  everyStep.map(({ key, title, lines, undo }) => [undoKey({ key, title, lines }), undo] as const),
)

/** Two ways of doing the same step have the same title; their words tell them apart. */
function undoKey({ key, title, lines }: Pick<ProcedureStep, 'key' | 'title' | 'lines'>): string {
  return [key, title, ...lines.map(({ text }) => text)].join(' ')
}

/** Taking apart, from putting together: the reverse, except that it begins by switching off and capping, and ends in the
 * case. Steps of a model's own that no template knows are undone by their own name. */
export function dismantling(setUp: readonly (ProcedureStep & Partial<Template>)[]): readonly ProcedureStep[] {
  const bare = ({ undo: _undo, ...rest }: ProcedureStep & Partial<Template>): ProcedureStep => rest
  const weighted = setUp.some(({ part }) => part === 'counterweight')
  const reversed = [...setUp].reverse().flatMap((each): readonly ProcedureStep[] => {
    const known = undoOf.get(undoKey(each))
    const alike = everyStep.find(({ key }) => key === each.key)
    const undo =
      known === undefined
        ? alike
          ? alike.undo
          : { title: `Undo: ${each.title}`, lines: [line('As it was put on, in reverse.')], caution: null }
        : known
    if (!undo) return []
    return [
      {
        ...bare(each),
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
  return [bare(close), ...reversed, bare(packCase)]
}
