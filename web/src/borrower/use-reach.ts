import type { IssuedGuide } from '@binoculum/contract'
import {
  comesNearLegs,
  facingDeg,
  guideTime,
  highestOf,
  isEquatorial,
  NEAR_LEGS,
  onTheHead,
  reachAt,
  reachWords,
  tooHighWords,
} from '@binoculum/core'
import { useWords } from './guide-language.ts'
import { directionWord } from './sky-words.ts'
import { useNight } from './use-night.ts'

interface InTheSky {
  readonly altitudeDeg: number
  readonly azimuthDeg: number
}

/** Where the eyepiece comes to, and how the tube hangs, for something in the sky: sentences of the page’s language. */
export function useReach(guide: () => IssuedGuide) {
  const { say } = useWords()
  const { night } = useNight()

  const tooHigh = () => say(tooHighWords[guide().drawn?.mount?.stop?.meets ?? 'stand'])

  /** From where one looks into it: the eyepiece goes up and down with what it looks at. */
  function reachFor(altitudeDeg: number): string {
    const { reach } = guide()
    if (!reach) return ''
    const { heightMm, posture, isTooHigh } = reachAt(reach, altitudeDeg)
    if (isTooHigh) return tooHigh()
    return say(reachWords[posture], { height: `${(heightMm / 1000).toFixed(1)} m` })
  }

  /** Which way one looks into the eyepiece, where that is known of this kit. */
  function facingFor(target: InTheSky): string {
    const { reach } = guide()
    const deg = reach && target.altitudeDeg <= reach.highestDeg ? facingDeg(reach, target) : null
    return deg === null ? '' : say('You face {direction} then.', { direction: say(directionWord(deg)) })
  }

  /** Of an equatorial head that was measured: what is in the way there, or comes near. */
  function legsFor({ altitudeDeg, azimuthDeg }: InTheSky): string {
    const { drawn, legs, place } = guide()
    if (drawn && isEquatorial(drawn) && altitudeDeg > highestOf(drawn)) return tooHigh()
    if (!legs || !place) return ''
    return comesNearLegs(legs, { latitudeDeg: place.latitudeDeg, altitudeDeg, azimuthDeg }) ? say(NEAR_LEGS) : ''
  }

  /** Of an equatorial head: on which side the tube hangs, what is in its way, and when it has to change sides. */
  function sideFor({ altitudeDeg, azimuthDeg }: InTheSky): readonly string[] {
    const { drawn, place } = guide()
    const atUtc = night.value?.sessionUtc
    if (!drawn || !place || !atUtc || !isEquatorial(drawn)) return []
    const look = { latitudeDeg: place.latitudeDeg, altitudeDeg, azimuthDeg }
    const { tubeSide, crossesInHours } = onTheHead(look)
    const side = [
      say(tubeSide === 'east' ? 'The tube hangs on the east side.' : 'The tube hangs on the west side.'),
      ...[legsFor(look)].filter(Boolean),
    ]
    if (crossesInHours === null) return side
    const crossing = new Date(Date.parse(atUtc) + crossesInHours * 3_600_000).toISOString()
    return [
      ...side,
      say('At {time} it stands highest. The tube then has to change sides.', {
        time: guideTime(crossing, place.zone),
      }),
    ]
  }
  return { reachFor, facingFor, legsFor, sideFor }
}
