import { requireNotNegative, requirePositive } from '../shared/require.ts'

/** How far beside the target borrowers leave the dot, one spread along each axis. Common practice, no source. */
const HAND_ARCMIN = 6
const RINGS = 240

/**
 * Share of first looks that show the target somewhere in the field: the finder is off by a fixed amount, and the hand that
 * lays its dot on the target errs evenly all round.
 * @param input arcminutes; trueFieldDeg of the eyepiece looked through first
 * @returns 0 to 1. A Gaussian beside a disc, summed over rings about its own middle (Rice's distribution) */
export function shareOfFirstLooks(input: {
  readonly misalignmentArcmin: number
  readonly trueFieldDeg: number
  readonly handArcmin?: number | undefined
}): number {
  const { misalignmentArcmin: off, trueFieldDeg, handArcmin: hand = HAND_ARCMIN } = input
  requireNotNegative({ misalignmentArcmin: off })
  requirePositive({ trueFieldDeg, handArcmin: hand })
  const half = (trueFieldDeg * 60) / 2
  let share = 0
  for (let i = 0; i < RINGS; i++) {
    // Rings of equal probability: the Rayleigh distribution's own quantiles.
    const r = hand * Math.sqrt(-2 * Math.log(1 - (i + 0.5) / RINGS))
    share += insideOfRing(r, off, half) / RINGS
  }
  return share
}

/** How much of a ring of radius r, `off` beside the middle of a disc, lies inside the disc. */
function insideOfRing(r: number, off: number, half: number): number {
  if (off + r <= half) return 1
  if (Math.abs(off - r) >= half) return 0
  const cosine = (off * off + r * r - half * half) / (2 * off * r)
  return Math.acos(Math.min(1, Math.max(-1, cosine))) / Math.PI
}
