import { foldedFrame, type Alignment, type PeepholeTube } from '../collimation/peephole-view.ts'
import { collimationQuality } from '../collimation/quality.ts'
import { axisPerTurn, collimationTurns, type PrimaryCell } from '../collimation/screws.ts'
import { secondaryErrorAfter, secondaryTurns, type HolderScrew } from '../collimation/secondary.ts'
import { lengthOf, type PointXY } from '../shared/angles.ts'
import { seeded } from '../shared/seeded.ts'

/** A made-up telescope to line up: nothing here is any kit's. */
export type PracticeLevel = 'one-screw' | 'both-mirrors' | 'fast-tube'

export interface PracticeTube {
  readonly level: PracticeLevel
  readonly tube: PeepholeTube
  readonly cell: PrimaryCell
  readonly holder: {
    readonly screws: readonly HolderScrew[]
    readonly circleRadiusMm: number
    readonly pitchMm: number
    readonly clockwise: 'towards-primary' | 'away-from-primary'
  }
  /** Tilt of the primary's axis that the screws give, mm at the focal plane, and the secondary's error. */
  readonly start: { readonly primaryMm: PointXY; readonly secondaryErrorMm: PointXY }
  /** Turns that a primary screw idles when it changes its way. */
  readonly backlashTurns: number
  /** What tightening the locks does to the axis. */
  readonly lockShiftMm: PointXY
}

export interface PracticeMove {
  readonly stage: 'secondary' | 'primary'
  readonly name: string
  /** + clockwise: from behind at the primary, into the open end at the secondary. */
  readonly sixteenths: number
  readonly leftMm: number
}

export interface PracticeState {
  readonly primaryMm: PointXY
  readonly secondaryErrorMm: PointXY
  /** How much of its play each primary screw has taken up, 0 to the whole. */
  readonly slack: Readonly<Record<string, number>>
  readonly locked: boolean
  readonly moves: readonly PracticeMove[]
  /** Where the mark stood against the reflection, mm on the primary, from the start on. */
  readonly trail: readonly PointXY[]
}

const PER_TURN = 16
const SECONDARY_SHARE = 0.03
const sizes = {
  'one-screw': { apertureMm: 125, focalLengthMm: 600, secondaryMm: 41, drawtubeMm: 31.8, screwMm: 52, pitchMm: 0.8 },
  'both-mirrors': {
    apertureMm: 125,
    focalLengthMm: 600,
    secondaryMm: 41,
    drawtubeMm: 31.8,
    screwMm: 52,
    pitchMm: 0.8,
  },
  'fast-tube': { apertureMm: 110, focalLengthMm: 430, secondaryMm: 42, drawtubeMm: 31.8, screwMm: 38, pitchMm: 0.7 },
} as const

/** A telescope whose misalignment follows from the seed: the same seed is the same telescope. */
export function practiceTube(level: PracticeLevel, seed: number): PracticeTube {
  const next = seeded(seed)
  const between = (low: number, high: number) => low + (high - low) * next()
  const size = sizes[level]
  const firstDeg = 60 * Math.floor(between(0, 2))
  const cell: PrimaryCell = {
    focalLengthMm: size.focalLengthMm,
    screws: ['A', 'B', 'C'].map((name, i) => ({ name, angleDeg: firstDeg + 120 * i })),
    circleRadiusMm: size.screwMm,
    pitchMm: size.pitchMm,
    // Half of all cells pull where others push: practice has both.
    clockwise: next() < 0.5 ? 'towards-sky' : 'away-from-sky',
  }
  const { limitMm } = collimationQuality({ ...size, axisErrorMm: 0 })
  const pointed = (lengthMm: number): PointXY => {
    const angle = between(0, 2 * Math.PI)
    return { x: lengthMm * Math.cos(angle), y: lengthMm * Math.sin(angle) }
  }
  const oneScrew = () => {
    const move = axisPerTurn(cell)[Math.floor(between(0, 3))] ?? { x: 0, y: 0 }
    const turns = (between(0, 1) < 0.5 ? -1 : 1) * (Math.round(between(6, 12)) / PER_TURN)
    return { x: move.x * turns, y: move.y * turns }
  }
  return {
    level,
    tube: {
      apertureMm: size.apertureMm,
      focalLengthMm: size.focalLengthMm,
      secondaryMinorAxisMm: size.secondaryMm,
      secondaryOffsetMm: 2,
      secondaryToFocusMm: size.apertureMm / 2 + 85,
      peepholeOutsideFocusMm: 0,
      drawtubeInnerDiameterMm: size.drawtubeMm,
      drawtubeEndToFocusMm: 62,
      capRingDiameterMm: 18,
      peepholeDiameterMm: 2,
      markOuterDiameterMm: 8,
      markInnerDiameterMm: 4,
      tubeInnerDiameterMm: size.apertureMm * 1.16,
      vanes: { count: 4, firstAngleDeg: 45, thicknessMm: 1 },
      clips: { count: 3, firstAngleDeg: firstDeg + 60, lengthMm: 3.5, widthMm: 9 },
    },
    cell,
    holder: {
      screws: ['A', 'B', 'C'].map((name, i) => ({ name, angleDeg: 120 * i })),
      circleRadiusMm: 10,
      pitchMm: 0.7,
      clockwise: 'towards-primary',
    },
    start: {
      primaryMm: level === 'one-screw' ? oneScrew() : pointed(between(2.2, 4.5) * limitMm),
      secondaryErrorMm: level === 'one-screw' ? { x: 0, y: 0 } : pointed(between(0.05, 0.1) * size.apertureMm),
    },
    backlashTurns: level === 'fast-tube' ? 0.125 : 0,
    lockShiftMm: level === 'fast-tube' ? pointed(between(0.3, 0.6) * limitMm) : { x: 0, y: 0 },
  }
}

export const startedPractice = (practice: PracticeTube): PracticeState => {
  const state: PracticeState = { ...practice.start, slack: {}, locked: false, moves: [], trail: [] }
  return { ...state, trail: [offsetOf(practice, state)] }
}

/** How the mirrors stand. Squaring the secondary carries the focuser's axis along, and with it the primary's reading. */
export function practiceAlignment({ tube }: PracticeTube, state: PracticeState): Alignment {
  const { focuserAxisAt } = foldedFrame(tube, {
    axisErrorMm: { x: 0, y: 0 },
    secondaryErrorMm: state.secondaryErrorMm,
  })
  const axis = focuserAxisAt(tube.focalLengthMm)
  return {
    axisErrorMm: { x: state.primaryMm.x - axis.x, y: state.primaryMm.y - axis.y },
    secondaryErrorMm: state.secondaryErrorMm,
  }
}

export const practiceErrorMm = (practice: PracticeTube, state: PracticeState): number =>
  lengthOf(practiceAlignment(practice, state).axisErrorMm)

const offsetOf = (practice: PracticeTube, state: PracticeState): PointXY => {
  const { axisErrorMm } = practiceAlignment(practice, state)
  return { x: 2 * axisErrorMm.x, y: 2 * axisErrorMm.y }
}

export const practiceLimits = ({ tube }: PracticeTube) => {
  const { limitMm, goodMm } = collimationQuality({ ...tube, axisErrorMm: 0 })
  return { limitMm, goodMm, secondaryMm: SECONDARY_SHARE * tube.apertureMm }
}

/** The stage whose screws are in the hand: the secondary as long as it is clearly off. */
export const practiceStage = (practice: PracticeTube, state: PracticeState): 'secondary' | 'primary' =>
  lengthOf(state.secondaryErrorMm) > practiceLimits(practice).secondaryMm ? 'secondary' : 'primary'

/** Turns one screw by so many sixteenths, + clockwise. Tight locks hold the primary: its screws do nothing then. */
export function turnPracticeScrew(
  practice: PracticeTube,
  state: PracticeState,
  turn: { readonly stage: 'secondary' | 'primary'; readonly name: string; readonly sixteenths: number },
): PracticeState {
  const turns = turn.sixteenths / PER_TURN
  const moved =
    turn.stage === 'secondary'
      ? { ...state, secondaryErrorMm: secondaryAfter(practice, state, turn.name, turns) }
      : primaryAfter(practice, state, turn.name, turns)
  const withMove = { ...moved, trail: [...state.trail, offsetOf(practice, moved)] }
  const leftMm = turn.stage === 'secondary' ? lengthOf(moved.secondaryErrorMm) : practiceErrorMm(practice, moved)
  return { ...withMove, moves: [...state.moves, { ...turn, leftMm }] }
}

function secondaryAfter({ tube, holder }: PracticeTube, state: PracticeState, name: string, turns: number): PointXY {
  const secondaryToPrimaryMm = tube.focalLengthMm - tube.secondaryToFocusMm
  return secondaryErrorAfter({ ...holder, secondaryErrorMm: state.secondaryErrorMm, secondaryToPrimaryMm }, [
    { name, turns },
  ])
}

function primaryAfter(practice: PracticeTube, state: PracticeState, name: string, turns: number): PracticeState {
  if (state.locked) return state
  const { cell, backlashTurns } = practice
  const at = cell.screws.findIndex((screw) => screw.name === name)
  const move = axisPerTurn(cell)[at]
  if (!move) return state
  const taken = state.slack[name] ?? backlashTurns / 2
  const reached = taken + turns
  const grips = turns > 0 ? Math.max(0, reached - backlashTurns) : Math.min(0, reached)
  const slack = { ...state.slack, [name]: Math.min(Math.max(reached, 0), backlashTurns) }
  const primaryMm = { x: state.primaryMm.x + move.x * grips, y: state.primaryMm.y + move.y * grips }
  return { ...state, primaryMm, slack }
}

/** Tightens the locks, which shifts the mirror on some cells; or loosens them again, which shifts it back. */
export function lockPractice(practice: PracticeTube, state: PracticeState): PracticeState {
  const { x, y } = practice.lockShiftMm
  const way = state.locked ? -1 : 1
  const locked = {
    ...state,
    locked: !state.locked,
    primaryMm: { x: state.primaryMm.x + way * x, y: state.primaryMm.y + way * y },
  }
  return { ...locked, trail: [...state.trail, offsetOf(practice, locked)] }
}

export function undoPractice(practice: PracticeTube, state: PracticeState): PracticeState {
  const kept = state.moves.slice(0, -1)
  return kept.reduce((again, move) => turnPracticeScrew(practice, again, move), startedPractice(practice))
}

export const sixteenthsUsed = ({ moves }: PracticeState): number =>
  moves.reduce((sum, { sixteenths }) => sum + Math.abs(sixteenths), 0)

/** Turns that would do from here, in sixteenths: the secondary's first, then the primary's fewest, play and locks left out. */
export function shortestWay(practice: PracticeTube, state: PracticeState) {
  const { tube, holder, cell } = practice
  const limits = practiceLimits(practice)
  const secondaryDue = practiceStage(practice, state) === 'secondary'
  const secondaryToPrimaryMm = tube.focalLengthMm - tube.secondaryToFocusMm
  const secondary = secondaryDue
    ? withFewest(
        secondaryTurns({
          ...holder,
          apertureMm: tube.apertureMm,
          secondaryErrorMm: state.secondaryErrorMm,
          secondaryToPrimaryMm,
        }).turns,
      )
    : []
  const squared = { ...state, secondaryErrorMm: secondaryDue ? { x: 0, y: 0 } : state.secondaryErrorMm }
  const { axisErrorMm } = practiceAlignment(practice, squared)
  const primary =
    lengthOf(axisErrorMm) <= limits.goodMm ? [] : withFewest(collimationTurns({ ...cell, axisErrorMm }).turns)
  const sixteenths = [...secondary, ...primary].reduce((sum, { sixteenths: by }) => sum + Math.abs(by), 0)
  return { secondary, primary, sixteenths }
}

/** The common turn taken out so that one screw stays, in whole sixteenths. */
function withFewest(turns: readonly { readonly name: string; readonly turns: number }[]) {
  const sorted = turns.map(({ turns: by }) => by).sort((a, b) => a - b)
  const median = sorted[sorted.length >> 1] ?? 0
  return turns
    .map(({ name, turns: by }) => ({ name, sixteenths: Math.round((by - median) * PER_TURN) + 0 }))
    .filter(({ sixteenths }) => sixteenths !== 0)
}
