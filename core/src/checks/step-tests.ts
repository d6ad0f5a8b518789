import { degToRad, radToDeg } from '../shared/angles.ts'
import { requireFinite } from '../shared/require.ts'
import type { StepTest } from '../procedures/procedure.ts'

/** What the bench asks at a step, and what each answer means. Common practice, no source. */
export interface TestAnswer {
  readonly value: string
  readonly words: string
  readonly fine: boolean
  /** What to do about it; empty when it is fine. */
  readonly remedy: string
}

const answer = (value: string, words: string, remedy = ''): TestAnswer => ({
  value,
  words,
  fine: remedy === '',
  remedy,
})

export interface TestQuestion {
  readonly question: string
  readonly caution: string | null
  readonly answers: readonly TestAnswer[]
}

export const stepQuestions: Readonly<Record<StepTest, readonly TestQuestion[]>> = {
  level: [
    {
      question: 'Where does the bubble stand?',
      caution: null,
      answers: [
        answer('in-ring', 'in its ring'),
        answer('touching', 'touching the ring'),
        answer('out', 'outside', 'The bubble runs to the high side: shorten that leg, or lengthen the others.'),
      ],
    },
  ],
  'tray-holds': [
    {
      question: 'Pull a leg inwards and turn the tray by hand: does it hold?',
      caution: 'Fingers clear of the joints.',
      answers: [
        answer('holds', 'it holds; the legs can’t close'),
        answer(
          'gives',
          'it gives or turns back',
          'Lock it again to its stop. Still giving: no head goes on; the pin, thread or wing nut is worn.',
        ),
      ],
    },
  ],
  'rod-turns': [
    {
      question: 'Does turning the rod turn the mount?',
      caution: null,
      answers: [
        answer('turns', 'yes, at once'),
        answer(
          'slips',
          'no, it slips',
          'The screw stands beside the flat: back it off, pull the rod back by 6 mm, turn it until the screw meets the flat.',
        ),
      ],
    },
  ],
  friction: [
    {
      question: 'Turned sideways by hand, how does it go?',
      caution: null,
      answers: [
        answer('free', 'smoothly, and stays'),
        answer(
          'sticky',
          'sticks, then jumps',
          'Undo the centre bolt by an eighth of a turn; wipe the pads dry. It must not be tight.',
        ),
        answer('slips', 'slips by itself', 'Do the bolt up by an eighth of a turn, until it stays where it is left.'),
      ],
    },
  ],
  clutches: [
    {
      question: 'Closed clutch: does it hold against a gentle push?',
      caution: 'One clutch at a time, a hand on the tube.',
      answers: [
        answer('holds', 'holds'),
        answer(
          'slips',
          'slips',
          'Firm only, then try again. Still slipping: balance it first; a clutch must not carry what the weight should.',
        ),
      ],
    },
  ],
  'hits-stand': [
    {
      question: 'Pointed straight up and turned all the way round: does the tube touch the stand?',
      caution: 'A hand on the tube.',
      answers: [
        answer('clear', 'clear all round'),
        answer(
          'touches',
          'touches',
          'It sits the wrong way round or on the wrong side: turn it, or slide it towards the sky in its rings.',
        ),
      ],
    },
  ],
  'three-moves': [
    {
      question: 'As high as it goes: easy to use?',
      caution: 'A hand on the tube until you have seen that it stays.',
      answers: [
        answer('easy', 'yes'),
        answer(
          'hard',
          'no',
          'Eyepiece and finder have to be in reach: stand it lower or higher. A tube in rings is turned in them.',
        ),
      ],
    },
    {
      question: 'Both axes: free?',
      caution: null,
      answers: [
        answer('free', 'yes'),
        answer('stiff', 'no', 'Open the tension a little; look for a screw that rubs.'),
      ],
    },
    {
      question: 'Let go: does it stay?',
      caution: null,
      answers: [answer('stays', 'yes'), answer('sinks', 'no', 'Balance it, then a little more tension.')],
    },
  ],
}

/** What a set of answers comes to; null while a question is open. @throws RangeError for an answer nobody can give */
export function judgeAnswers(
  test: StepTest,
  said: readonly (string | null)[],
): { readonly fine: boolean; readonly remedies: readonly string[] } | null {
  const questions = stepQuestions[test]
  const given = questions.map(({ answers }, index) => {
    const value = said[index] ?? null
    if (value === null) return null
    const found = answers.find((each) => each.value === value)
    if (!found) throw new RangeError(`${test} has no answer “${value}”`)
    return found
  })
  const known = given.filter((each) => each !== null)
  if (known.length < questions.length) return null
  return { fine: known.every(({ fine }) => fine), remedies: known.flatMap(({ remedy }) => (remedy ? [remedy] : [])) }
}

/** Tilt of a tablet that lies on its back, from its own sensors, in degrees [0, 180].
 * @param beta turn about its short side, gamma about its long one, degrees, as browsers give them
 * The plane's normal leans from upright by acos(cos β · cos γ). Source: W3C DeviceOrientation, rotation order Z-X′-Y″ */
export function tiltDeg({ betaDeg, gammaDeg }: { readonly betaDeg: number; readonly gammaDeg: number }): number {
  requireFinite({ betaDeg, gammaDeg })
  return radToDeg(Math.acos(Math.cos(degToRad(betaDeg)) * Math.cos(degToRad(gammaDeg))))
}

/** A bubble's ring on a kit is about half a degree wide, and twice that it runs to the edge. Common practice, no source. */
const IN_RING_DEG = 0.5
const TOUCHING_DEG = 1

export const levelAnswer = (tilt: number): 'in-ring' | 'touching' | 'out' =>
  tilt <= IN_RING_DEG ? 'in-ring' : tilt <= TOUCHING_DEG ? 'touching' : 'out'
