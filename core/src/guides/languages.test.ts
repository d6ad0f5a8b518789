import { families, roles, type Family, type Role } from '../contents/roles.ts'
import { isHazardRole } from '../contents/filters.ts'
import { finderKinds } from '../finder/finder-data.ts'
import { armJoints, trays, tubeFixings, usualStand } from '../mount/stand.ts'
import { templateProcedure } from '../procedures/templates.ts'
import { labelWords } from '../drawings/labels.ts'
import { moonFeatures } from '../sky/moon-features.ts'
import { showpieces } from '../sky/showpieces.ts'
import { noTargetWords, whyWords } from '../words/targets.ts'
import { blockLines } from './block-text.ts'
import { blocks } from './blocks.ts'
import { saidPart } from './said-part.ts'
import { isEasyEnough, readingGrade, type ReadingLanguage } from './reading-grade.ts'
import { spanishFiles } from './languages/es.ts'
import { NEAR_LEGS, reachWords, tooHighWords, WITH_EXTENSION } from './kit-reach.ts'
import {
  airWords,
  leftOutWords,
  moonEdgeWords,
  ONLY_LOWEST,
  SKY_OF_PLACE,
  patternWords,
  skyWords,
  twinkleWords,
} from './sky-test.ts'
import { remoteLookSentences } from './remote-look.ts'
import { guideDate, guideTime, plain } from './said.ts'
import { guideLanguages, translator } from './languages/guide-languages.ts'
import { pageLanguages, pageTranslator } from './languages/page-languages.ts'
import { troubleSigns } from './trouble.ts'

/** Withdrawn filters are never spoken of. */
const everyRole = (Object.keys(roles) as Role[]).filter((role) => !isHazardRole(role))
const linesOf = (text: string) => blockLines(text).map((line) => line.text)

/** Every sentence that a guide may say, with the block it stands in. */
const sentences: readonly (readonly [block: string, text: string])[] = [
  ...blocks.flatMap(({ key, title, stays, text }) =>
    [title, ...linesOf(stays), ...linesOf(text)].map((each) => [key, each] as const),
  ),
  ...troubleSigns.flatMap(({ key, sign, checks, question, besides, answers }) =>
    [
      sign,
      ...linesOf(checks),
      question,
      besides,
      ...answers.flatMap(({ answer, hint, then }) => [answer, hint, ...linesOf(then)]),
    ].map((each) => [`trouble ${key}`, each] as const),
  ),
  ...(Object.keys(families) as Family[]).flatMap((family) => {
    const ways = [
      ...trays.map((tray) => ({ stand: { ...usualStand(family, everyRole), tray } })),
      ...tubeFixings.map((fixing) => ({ stand: { ...usualStand(family, everyRole), fixing } })),
      ...armJoints.flatMap((armJoint) =>
        (['fork', 'dovetail'] as const).map((fixing) => ({
          stand: { ...usualStand(family, everyRole), armJoint, fixing },
        })),
      ),
      ...finderKinds.map((finderKind) => ({ finderKind })),
    ]
    const steps = ways.flatMap((way) => {
      const { setUp, takeApart } = templateProcedure({ family, collapsible: true, parts: everyRole, ...way })
      return [...setUp, ...takeApart]
    })
    return steps.flatMap(({ key, title, lines, caution }) =>
      [title, ...lines.map(({ text }) => text), caution ?? ''].map((each) => [`step ${key}`, each] as const),
    )
  }),
  ...showpieces.flatMap(({ id, closer }) => (closer ? [[`target ${id}`, closer.look] as const] : [])),
  ...[...showpieces, ...moonFeatures.map((each) => ({ ...each, find: '' }))].flatMap(({ id, name, find, look }) =>
    [name, find, look].map((each) => [`target ${id}`, each] as const),
  ),
  ...[...Object.values(reachWords), ...Object.values(tooHighWords), NEAR_LEGS, WITH_EXTENSION].map(
    (each) => ['reach', each] as const,
  ),
  ...[airWords, leftOutWords, moonEdgeWords, patternWords, skyWords, twinkleWords]
    .flatMap((words) => Object.values(words))
    .map((each) => ['sky test', each] as const),
  ...[ONLY_LOWEST, SKY_OF_PLACE].map((each) => ['sky test', each] as const),
  ...remoteLookSentences.map((each) => ['look', each] as const),
  ...Object.values(whyWords).map((each) => ['why', each] as const),
  ...Object.values(noTargetWords).map((each) => ['none', each] as const),
  ...labelWords.map((each) => ['drawing', each] as const),
  ...everyRole.map((role) => ['role', roles[role].words] as const),
].filter(([, text]) => text !== '')

describe.each(guideLanguages.filter(({ code }) => code !== 'en'))('$name', ({ code, texts }) => {
  const t = translator(code)
  it('says every sentence of blocks, steps, trouble, targets and parts', () => {
    for (const [, text] of sentences) t.say(text)
    expect(t.missing).toEqual([])
  })
  it('keeps every variable of a sentence', () => {
    for (const [english, translated] of Object.entries(texts)) {
      const names = (text: string) => [...new Set([...text.matchAll(/\{[\w -]+\}/g)].map(([name]) => name))].sort()
      expect([english, names(translated)]).toEqual([english, names(english)])
    }
  })
  it('translates nothing to nothing', () => {
    for (const [english, translated] of Object.entries(texts))
      expect([english, translated.trim() !== '']).toEqual([english, true])
  })
})

/** What a page says of a list, and no literal of its own source shows. */
const saidByPages = ['reach', 'sky test', 'look', 'none', 'drawing', 'role']

it('on the phone stands every language, with whatever its pages take from lists', () => {
  expect(pageLanguages.map(({ code, name }) => [code, name])).toEqual(
    guideLanguages.map(({ code, name }) => [code, name]),
  )
  for (const { code } of pageLanguages) {
    const t = pageTranslator(code)
    for (const [where, text] of sentences) if (saidByPages.includes(where)) t.say(text)
    expect(t.missing).toEqual([])
  }
})

describe('Spanish, sentence by sentence', () => {
  it('no English sentence stands in two files, where one would hide the other', () => {
    const keys = spanishFiles.flatMap((file) => Object.keys(file))
    expect(keys.filter((key, at) => keys.indexOf(key) !== at)).toEqual([])
  })
  it('no word of English is left in it', () => {
    const english =
      /\b(the|and|with|your|you|is|are|of|to|from|not|it|its|legs?|tube|weight|screws?|eyepiece|finder|clamp|cells?|locked|line|number)\b/iu
    const said = spanishFiles.flatMap((file) => Object.values(file)).map((text) => text.replace(/\{[\w -]+\}/g, ''))
    expect(said.filter((text) => english.test(text))).toEqual([])
  })
  it('one English word of two senses is said in both', () => {
    const t = translator('es')
    expect([t.say('power|supply'), t.say('power|magnification')]).toEqual(['corriente', 'aumento'])
    expect(translator('en').say('power|supply')).toBe('power')
  })
  it('legs are locked, not closed; what is turned for sharpness is the focus, not a lamp', () => {
    const all = spanishFiles.flatMap((file) => Object.values(file)).join('\n')
    expect(all).not.toMatch(/patas cerradas|cierra las patas|bandeja cerrada/i)
    expect(all).not.toMatch(/\bfoco\b/i)
  })
  it('writes figures with a comma, times with a colon', () => {
    const t = translator('es')
    expect(t.say('The whole kit weighs {mass}. Carry it in its case.', { mass: '6.2 kg' })).toContain('6,2 kg')
    expect(t.figure('1.5° · 21:35')).toBe('1,5° · 21:35')
    expect(plain(saidPart('Eyepiece 8.5 mm', t))).toBe('Ocular 8,5 mm')
  })
})

/** Blocks of which only the title is written; two words have no grade. */
const titleOnly = new Set(['sky', 'set-up', 'trouble'])

describe.each(['en', 'es'] as const)('default blocks and steps are easy to read: %s', (language: ReadingLanguage) => {
  const t = translator(language)
  const groups = new Map<string, string[]>()
  for (const [block, text] of sentences) {
    if (/^(role|why|none)$/.test(block) || block.startsWith('target') || titleOnly.has(block)) continue
    groups.set(block, [...(groups.get(block) ?? []), plain(t.say(text, { mass: '6 kg', parts: '28', steps: '11' }))])
  }
  it.each([...groups])('%s', (_block, lines) => {
    // The limit is the mean over a block, as its editor shows it.
    const grade = readingGrade([...new Set(lines)].join('\n'), language)
    expect([grade.grade, isEasyEnough(grade, language)]).toEqual([grade.grade, true])
    expect(grade.longest).toBeLessThanOrEqual(24)
  })
})

describe('what nobody translated', () => {
  it('falls back to English, marked as such, and is listed once', () => {
    const t = translator('es')
    expect(t.say('Feed the {kit} fish.', { kit: 'Wren' })).toEqual({ en: 'Feed the Wren fish.' })
    t.say('Feed the {kit} fish.')
    expect(t.missing).toEqual(['Feed the {kit} fish.'])
  })
  it('a coordinator’s own translation comes first', () => {
    const t = translator('es', { 'Set it up': 'Prepáralo' })
    expect(t.say('Set it up')).toBe('Prepáralo')
    expect(t.missing).toEqual([])
  })
  it('figures alone need no translation, an unknown language is English', () => {
    expect(translator('es').say('12 V')).toBe('12 V')
    expect(translator('xx').say('Set it up')).toBe('Set it up')
  })
})

it('dates and times in the language and the place', () => {
  expect(guideDate('2026-04-17', 'en')).toBe('Fri 17 Apr')
  expect(guideDate('2026-04-17', 'es')).toBe('vie 17 abr')
  expect(guideTime('2026-04-17T20:35:00Z', 'Europe/London')).toBe('21:35')
  expect(() => guideDate('soon', 'en')).toThrow('iso')
})
