import { turnFraction } from '../words/collimation.ts'
import { mmText } from '../words/figures.ts'
import { peepholeTubeOf, type MirrorData } from '../collimation/mirror-data.ts'
import type { PeepholeTube } from '../collimation/peephole-view.ts'
import { collimationQuality } from '../collimation/quality.ts'
import { translator } from './languages/guide-languages.ts'
import type { Said, Translator } from './said.ts'

/** What a borrower needs to line up this very kit: its own drawings, and steps in its own figures. */
export interface HelpSheet {
  readonly tube: PeepholeTube
  readonly screws: readonly { readonly name: string; readonly angleDeg: number }[]
  readonly locks: boolean
  /** Error that the picture of a telescope that is off shows, mm at the focal plane. */
  readonly shownErrorMm: number
  readonly caution: Said
  readonly steps: readonly Said[]
}

/** The picture must show at a glance what off is: twice the limit. */
const SHOWN_TIMES_LIMIT = 2
const EIGHTH = 1 / 8

/** The help sheet; null where mirrors or screws were never measured, or a corrector lens hides the mirror. */
export function helpSheet(
  mirror: MirrorData | null,
  optics: {
    readonly apertureMm: number
    readonly focalLengthMm: number
    readonly primaryFocalLengthMm?: number
    readonly peepholeOutsideFocusMm?: number
  },
  t: Translator = translator('en'),
): HelpSheet | null {
  if (!mirror?.cell || mirror.correctorLens) return null
  const { cell, mark, clips } = mirror
  const { apertureMm, focalLengthMm, primaryFocalLengthMm: f = focalLengthMm, peepholeOutsideFocusMm: d = 0 } = optics
  const { limitMm } = collimationQuality({ apertureMm, focalLengthMm: f, axisErrorMm: 0 })
  // Seen on the mirror, mark and reflection part twice the axis error, by the cap's place nearer or farther than focus.
  const limitOffsetMm = (2 * limitMm * (1 + d / f)) / (1 - d / f)
  const eighthMm = (2 * 2 * f * cell.pitchMm * EIGHTH) / (3 * cell.circleRadiusMm)
  const moves = t.text(cell.clockwise === 'towards-sky' ? 'towards the sky' : 'away from the sky')
  return {
    tube: peepholeTubeOf(mirror, { apertureMm, primaryFocalLengthMm: f, peepholeOutsideFocusMm: d }),
    screws: cell.screws.map(({ name, angleDeg }) => ({ name, angleDeg })),
    locks: cell.locks,
    shownErrorMm: SHOWN_TIMES_LIMIT * limitMm,
    caution: t.say(
      'Never towards the Sun. Point the tube at a lit wall, or at shaded sky on the side away from the Sun. Stand where your own shadow points the same way. Never undo a screw completely. Don’t touch the mirror.',
    ),
    steps: [
      t.say(
        'Put the cap with the small hole into the focuser, its light side in. Look through the hole, the tube’s open end up in your view: hold a hand there to be sure.',
      ),
      t.say('See the whole mirror with its {clips} clips in the small mirror? If not, stop: that is for us.', {
        clips,
      }),
      mark
        ? t.say('Find the ring in the mirror’s middle, and the dark hole. The hole belongs in the ring’s middle.')
        : t.say('Find the dark hole. It belongs in the middle of the mirror’s round edge.'),
      t.say(
        mark
          ? 'Which screw stands nearest to the side where the ring lies from the hole? At the back of the tube, focuser’s side up, it stands at the same place. That side must go towards the sky.'
          : 'Which screw stands nearest to the side where the middle of the mirror lies from the hole? At the back of the tube, focuser’s side up, it stands at the same place. That side must go towards the sky.',
      ),
      ...(cell.locks ? [t.say('Loosen the small locks a little.')] : []),
      t.say(
        'From behind, clockwise moves the mirror {way} on this telescope. Turn {turn} of a turn, then look: what you see moves by about {size} on the mirror. Small turns, one screw at a time.',
        { way: moves, turn: turnFraction(EIGHTH), size: mmText(eighthMm) },
      ),
      ...(cell.locks ? [t.say('Tighten the locks evenly, and look again: locking shifts it.')] : []),
      mark
        ? t.say(
            'Good enough when the hole’s middle lies no more than {limit} from the ring’s middle; the ring is {ring} across.',
            { limit: mmText(limitOffsetMm), ring: mmText(mark.outerDiameterMm) },
          )
        : t.say('Good enough when the hole’s middle lies no more than {limit} from the mirror’s middle.', {
            limit: mmText(limitOffsetMm),
          }),
      t.say('It got worse? Stop, and bring it back as it is. Lining it up takes us ten minutes.'),
    ],
  }
}
