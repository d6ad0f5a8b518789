import type { DrawnKit } from '../drawings/dimensions.ts'
import { seeded } from '../shared/seeded.ts'
import type { GuideInput } from './guide.ts'
import { drawnKit, guideFacts, usablePowers, type GuideFacts } from './kit-facts.ts'
import { saidPart } from './said-part.ts'
import { guideLanguages, translator } from './languages/guide-languages.ts'
import type { Said, Translator } from './said.ts'
import { setUpSteps } from './set-up-steps.ts'

/** Three minutes on the phone before the kit is fetched: its own steps to be put in order, which eyepiece first, what never.
 * It bars nobody. */
export interface Lesson {
  readonly kitName: string
  readonly kitCode: string
  readonly branchName: string
  readonly fromOn: string
  readonly language: string
  readonly drawn: DrawnKit
  readonly texts: Readonly<Record<string, LessonText>>
}

export interface LessonText {
  /** In the order they are done. */
  readonly steps: readonly { readonly key: string; readonly title: Said; readonly line: Said }[]
  /** Lowest power first; none where the case has only one. */
  readonly eyepieces: readonly Said[]
  readonly acts: readonly LessonAct[]
}

export interface LessonAct {
  readonly key: string
  readonly act: Said
  /** Something that must never be done; else it is fine. */
  readonly never: boolean
  readonly why: Said
}

interface ActDefinition {
  readonly key: string
  readonly needs: string | null
  readonly act: string
  readonly never: boolean
  readonly why: string
}

/** Common practice, no source (DOMAIN sections 4 and 13). */
const acts: readonly ActDefinition[] = [
  {
    key: 'sun',
    needs: null,
    act: 'Look for the Sun with it',
    never: true,
    why: 'One look blinds, through the finder too.',
  },
  {
    key: 'wipe-mirror',
    needs: 'newtonian',
    act: 'Wipe dust off the mirror',
    never: true,
    why: 'Wiping scratches. Dust hardly shows. Tell the library.',
  },
  {
    key: 'wipe-lens',
    needs: '!newtonian',
    act: 'Wipe dust off the front lens',
    never: true,
    why: 'Wiping scratches. Dust hardly shows. Tell the library.',
  },
  {
    key: 'ask',
    needs: null,
    act: 'Stop and ask when something doesn’t fit',
    never: false,
    why: 'Always. Nobody minds, and nothing breaks.',
  },
  {
    key: 'weight',
    needs: 'counterweight',
    act: 'Take the weight off while the tube is still on',
    never: true,
    why: 'It tips over. The weight goes on first and comes off last.',
  },
  {
    key: 'carry',
    needs: '!counterweight',
    act: 'Carry it by its finder',
    never: true,
    why: 'The finder breaks off, and the tube falls.',
  },
  {
    key: 'cool',
    needs: null,
    act: 'Stand it outside half an hour before you look, with its caps on',
    never: false,
    why: 'The air in the tube grows calm, and the view gets sharper.',
  },
]

/** As many steps as fit on one screen of a phone. */
const MOST_STEPS = 5

/** A lesson of this very kit as its card says it today; the same input gives the same lesson. */
export function composeLesson(input: GuideInput & { readonly fromOn: string }): Lesson {
  const facts = guideFacts(input)
  const { kitName, kitCode, branchName, fromOn, language = 'en' } = input
  return {
    kitName,
    kitCode,
    branchName,
    fromOn,
    language,
    drawn: drawnKit(input, facts),
    texts: Object.fromEntries(
      guideLanguages.map(({ code }) => [code, lessonText(facts, translator(code, input.ownWords?.[code]))]),
    ),
  }
}

function lessonText(facts: GuideFacts, t: Translator): LessonText {
  const named = usablePowers(facts.powers).map(({ eyepiece }) => eyepiece)
  return {
    steps: spreadOver(setUpSteps(facts.kit, t), MOST_STEPS).map(({ key, title, lines }) => ({
      key,
      title,
      line: lines[0] ?? '',
    })),
    eyepieces: named.length > 1 ? named.map((name) => saidPart(name, t)) : [],
    acts: acts
      .filter(({ needs }) => fits(needs, facts.tags))
      .map(({ key, act, never, why }) => ({ key, act: t.say(act), never, why: t.say(why) })),
  }
}

const fits = (needs: string | null, tags: ReadonlySet<string>): boolean =>
  needs === null || (needs.startsWith('!') ? !tags.has(needs.slice(1)) : tags.has(needs))

/** The first, the last, and those between evenly. */
function spreadOver<T>(list: readonly T[], most: number): readonly T[] {
  if (list.length <= most) return list
  return Array.from(
    { length: most },
    (_each, index) => list[Math.round((index * (list.length - 1)) / (most - 1))] as T,
  )
}

/** Another order of a list, the same for the same seed; never its own where it has two or more.
 * @param seed any text */
export function mixed<T>(list: readonly T[], seed: string): readonly T[] {
  const random = seeded([...seed].reduce((sum, letter) => (Math.imul(sum, 31) + letter.charCodeAt(0)) | 0, 7))
  const result = [...list]
  for (let last = result.length - 1; last > 0; last--) {
    const other = Math.floor(random() * (last + 1))
    ;[result[last], result[other]] = [result[other] as T, result[last] as T]
  }
  const isSame = result.every((each, index) => each === list[index])
  return isSame && result.length > 1 ? [...result.slice(1), result[0] as T] : result
}
