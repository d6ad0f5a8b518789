import { families, type Family, type Role } from '../contents/roles.ts'
import { starterCard } from '../contents/starter-card.ts'
import { seeded } from '../shared/seeded.ts'
import { keptJson, keptLines } from '../testing/kept.ts'
import { guideKit, guidePart } from '../testing/guide-kit.ts'
import { roundMount } from '../testing/kit-on-mount.ts'
import { composeGuide } from './compose.ts'
import type { GuideInput, GuidePart } from './guide.ts'
import { plain, type Said } from './said.ts'

/** Each family's kit as several borrowers get it: what is told about whom, where, and what lies in the case differs. */
const OF_EACH = 3
const all = Object.keys(families) as Family[]

function inputOf(family: Family, index: number): GuideInput {
  const chance = seeded(100 * all.indexOf(family) + index)
  const happens = (share: number) => chance() < share
  const one = <T>(of: readonly T[]): T => of[Math.floor(chance() * of.length)] as T
  const part = (role: Role, rest: Partial<GuidePart> = {}): GuidePart => ({
    ...guidePart(role, { massG: Math.round(20 + 400 * chance()) }),
    mark: role !== 'tube' && happens(0.12) ? 'missing' : 'present',
    ...(happens(0.1) ? { knownWear: 'a scratch' } : {}),
    ...rest,
  })
  const parts = [
    ...starterCard(family, [25, 10, 6]).map(({ role, name, count, place, optics }) =>
      part(role, { name, count, place, ...optics, apparentFieldDeg: 50, outerMm: 28 + Math.round(12 * chance()) }),
    ),
    ...(happens(0.6) ? [part('barlow', { name: 'Barlow 2×', barlow: 2 })] : []),
    ...(happens(0.6) ? [part('phone-holder', { gripsFromMm: 27, gripsUntilMm: 36 })] : []),
  ]
  const isEquatorial = family.includes('equatorial')
  const isReflector = family.includes('reflector')
  return {
    ...{ ...guideKit, family, parts },
    optics: {
      ...{ apertureMm: 90 + Math.round(60 * chance()), focalLengthMm: 500 + Math.round(400 * chance()) },
      ...{ kind: isReflector ? 'newtonian' : 'refractor', collimatable: isReflector, collapsible: happens(0.3) },
    },
    collimationPolicy: one(['leave-it-to-us', 'with-help-sheet']),
    repeat: one([undefined, 'holds', 'check-each-time', 'mend']),
    mount: isEquatorial && happens(0.7) ? roundMount : undefined,
    ...{ issuedOn: '2026-10-12', dueOn: '2026-10-16', firstName: happens(0.5) ? 'Wren' : undefined },
    borrower: {
      ageGroup: one(['child', 'family', 'adult']),
      level: one(['first', 'some', 'expert']),
      eye: one(['left', 'right']),
      seated: happens(0.4),
    },
    place: one([
      { name: 'Quillstead', latitudeDeg: 51.7, longitudeDeg: -1.2, zone: 'Europe/London' },
      { name: 'Tamarind Bay', latitudeDeg: -34.6, longitudeDeg: 150.9, zone: 'Australia/Sydney' },
      { name: 'Northmoor', latitudeDeg: 64.1, longitudeDeg: 25.2, zone: 'Europe/Helsinki' },
      undefined,
    ]),
  }
}

function linesOf(family: Family): string[] {
  return Array.from({ length: OF_EACH }, (_each, index) => composeGuide(inputOf(family, index))).flatMap(
    ({ texts, nights, powers, reach, legs, ...rest }, index) => {
      const { blocks = [], ...others } = texts.en ?? {}
      const said = (lines: readonly Said[]) => lines.map(plain).join(' | ')
      const words = blocks.map(
        ({ key, title, stays, lines }) => `${key}: ${plain(title)} | ${said([...stays, ...lines])}`,
      )
      const facts = [...nights, ...powers, reach, legs, rest, others].map((each) => keptJson(each))
      return [...words, ...facts].map((line) => `${family} ${index} ${line}`)
    },
  )
}

const kept = keptLines('kept-guides', all.flatMap(linesOf))

it.each(all)('%s: its guides say what they said', (family) => {
  const { now, before } = kept(family)
  expect(now).toEqual(before)
})
