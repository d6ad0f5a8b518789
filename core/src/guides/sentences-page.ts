import { families, type Family } from '../contents/roles.ts'
import { starterCard } from '../contents/starter-card.ts'
import { composeGuide } from './compose.ts'
import type { GuideInput } from './guide.ts'
import { plain, type Said } from './said.ts'

/** Eyepieces of no kit in particular: one low, one high. */
const EYEPIECES_MM = [25, 8]
const usualKinds: Readonly<Partial<Record<Family, GuideInput['optics']['kind']>>> = {
  'tripod-refractor': 'refractor',
  'equatorial-maksutov': 'maksutov',
}

/** What a family's usual kit says, by the place of the guide it is said in. */
function sentencesOf(family: Family): readonly (readonly [place: string, sentence: string])[] {
  const kind = usualKinds[family] ?? 'newtonian'
  const { en } = composeGuide({
    ...{ kitName: 'the kit', kitCode: 'K-1', modelName: family, family, branchName: 'the library' },
    optics: {
      ...{ apertureMm: 120, focalLengthMm: 700, kind, collimatable: kind === 'newtonian' },
      collapsible: family === 'tabletop-reflector',
    },
    parts: starterCard(family, EYEPIECES_MM).map(({ role, name, count, place, optics }) => ({
      ...{ role, name, count, place, mark: 'present' as const, massG: null, ...optics },
    })),
    ...{ collimationPolicy: 'leave-it-to-us', emergencyLine: 'the emergency line' },
    ...{ issuedOn: '2026-01-01', dueOn: '2026-01-02' },
  }).texts
  if (!en) return []
  const under = (place: string, said: readonly (Said | null)[]) =>
    said.flatMap((each) => (each === null ? [] : [[place, plain(each)] as const]))
  return [
    ...en.blocks.flatMap(({ title, stays, lines }) => under(plain(title), [...stays, ...lines])),
    ...en.setUp.flatMap(({ key, title, lines, caution }) => under(`set up: ${key}`, [title, ...lines, caution])),
    ...en.putAway.flatMap(({ key, title, lines, caution }) => under(`put away: ${key}`, [title, ...lines, caution])),
    ...en.trouble.flatMap(({ sign, checks, question, answers, besides }) =>
      under(plain(sign), [...checks, question, ...answers.flatMap(({ answer, then }) => [answer, ...then]), besides]),
    ),
  ]
}

/** Every sentence of the guides with the families whose usual kit says it, to be read once, whole, by a person: a sentence
 * that doesn't fit a family is seen in its column. */
export function guideSentencesPage(): string {
  const names = Object.keys(families) as Family[]
  const rows = new Map<string, { place: string; sentence: string; said: Set<Family> }>()
  for (const family of names)
    for (const [place, sentence] of sentencesOf(family)) {
      const key = `${place}\n${sentence}`
      const row = rows.get(key) ?? { place, sentence, said: new Set<Family>() }
      row.said.add(family)
      rows.set(key, row)
    }
  const line = (cells: readonly string[]) => `| ${cells.join(' | ')} |`
  return [
    '# What guides say, and to whom',
    '',
    'Made by `npm run docs` from the families’ starter cards; a kit’s own parts add to it or take away.',
    '',
    line(['where', 'sentence', ...names]),
    line(['---', '---', ...names.map(() => ':-:')]),
    ...[...rows.values()].map(({ place, sentence, said }) =>
      line([place, sentence.replaceAll('|', '\\|'), ...names.map((name) => (said.has(name) ? '×' : ''))]),
    ),
    '',
  ].join('\n')
}
