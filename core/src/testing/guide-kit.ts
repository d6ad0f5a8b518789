import { roleFacts, type Role } from '../contents/roles.ts'
import type { GuideInput, GuidePart } from '../guides/guide.ts'

/** A kit as guides are composed from it, for tests. */
export const guidePart = (role: Role, rest: Partial<GuidePart> = {}): GuidePart => ({
  ...{ role, name: roleFacts(role).words, count: 1, mark: 'present', massG: 100, place: 'Tray' },
  ...rest,
})

export const guideKit: GuideInput = {
  kitName: 'Sorrel',
  kitCode: 'M-03',
  modelName: 'equatorial reflector 125/600',
  family: 'equatorial-reflector',
  optics: { apertureMm: 125, focalLengthMm: 600, kind: 'newtonian', collimatable: true, collapsible: false },
  parts: [
    guidePart('tube', { massG: 3150 }),
    guidePart('counterweight', { massG: 1980 }),
    guidePart('weight-slug', { massG: 9 }),
    guidePart('low-eyepiece', { name: 'Eyepiece 25 mm', focalLengthMm: 25, apparentFieldDeg: 50 }),
    guidePart('eyepiece', { name: 'Eyepiece 4 mm', focalLengthMm: 4, apparentFieldDeg: 50 }),
    guidePart('barlow', { name: 'Barlow 2×', barlow: 2 }),
    guidePart('finder', { name: 'Red-dot finder' }),
    guidePart('coin-cell', { massG: 3 }),
  ],
  collimationPolicy: 'leave-it-to-us',
  branchName: 'Marrowdale Library',
  emergencyLine: 'the poison line',
  issuedOn: '2026-03-12',
  dueOn: '2026-03-26',
}

export function englishOf<Text>({ texts }: { readonly texts: Readonly<Record<string, Text>> }): Text {
  if (!texts.en) throw new Error('no English')
  return texts.en
}
