import type { BalancePart, KitOnMount } from '../mount/kit-balance.ts'
import type { MountData } from '../mount/mount-data.ts'

/** An equatorial kit of round figures, for tests. */
export const balancePart = (
  role: BalancePart['role'],
  massG: number | null,
  rest: Partial<BalancePart> = {},
): BalancePart => ({
  id: role,
  name: role,
  role,
  count: 1,
  mark: 'present',
  massG,
  toleranceG: massG === null ? null : massG * 0.02,
  ...rest,
})

export const roundMount: MountData = {
  ratedLoadG: 4500,
  use: 'visual',
  equatorial: {
    shaftStartMm: 60,
    shaftEndMm: 320,
    weightThicknessMm: 40,
    tubeAxisMm: 160,
    latitudeScale: { minDeg: 20, maxDeg: 70, stepDeg: 2 },
    sightingScope: 'none',
  },
  tube: {
    lengthMm: 620,
    diameterMm: 160,
    frontRingMm: 330,
    finder: { alongMm: 150, radiusMm: 110, angleDeg: 90 },
    eyepiece: { alongMm: 200, radiusMm: 160, angleDeg: 0 },
  },
  standHeightMm: 760,
  controller: null,
  home: null,
}

export const kitOnMount = (parts: readonly BalancePart[] = []): KitOnMount => ({
  mount: roundMount,
  headMomentGmm: null,
  parts: [balancePart('tube', 3000), balancePart('counterweight', 2000), balancePart('low-eyepiece', 100), ...parts],
})
