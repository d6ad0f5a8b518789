import type { KitSheet, LookAlike, Part, TakenWeighing } from '@binoculum/contract'
import {
  tooLightToTell,
  weighInInput,
  weighingOf,
  weightVerdict,
  type ExplainWeightInput,
  type ForeignPart,
  type Mark,
  type WeighedLine,
} from '@binoculum/core'
import { computed } from 'vue'
import { useExplainedWeight } from '../use-explained-weight.ts'
import { sharedWords } from '../words.ts'

const t = sharedWords('useWeighIn')

/** How many sets are worth the wait: one thing of another kit, and four losses beside it. */
const MAX_MISSING = 4
const MAX_SWAPS = 1
const FOREIGN_AT_MOST = 24
const DEFAULT_LOSS_CHANCE = 0.02

/** What was seen of a part so far. */
interface Seen {
  readonly mark: Mark
  readonly presentCount: number
  readonly wrongItem: string
}

export interface WeighInGiven {
  readonly kit: KitSheet
  readonly marks: Readonly<Record<string, Seen>>
  readonly weighings: readonly TakenWeighing[]
  readonly lookAlikes: readonly LookAlike[]
  readonly lossChances: Readonly<Record<string, number>>
  /** How likely a picture of the open case says that a part’s place differs. */
  readonly seen?: Readonly<Record<string, number>>
}

/** Groups that can be weighed, the whole kit last. */
export function groupsOf(
  kit: KitSheet,
): readonly { readonly name: string; readonly scaleStepG: number; readonly parts: readonly Part[] }[] {
  const named = kit.weighGroups
    .map((group) => ({ ...group, parts: kit.parts.filter(({ weighGroup }) => weighGroup === group.name) }))
    .filter(({ parts }) => parts.length > 0)
  return [...named, { name: '', scaleStepG: 10, parts: kit.parts }]
}

export const groupWords = (name: string): string => (name === '' ? t('wholeKit') : name)

const ownersWords = ({ owners: [first, second, ...more] }: LookAlike): string => {
  if (!second) return first?.name ?? t('anotherKit')
  return more.length === 0
    ? t('nameOr', { name: first?.name, other: second.name })
    : t('orOthers', { name: first?.name, more: more.length + 1 })
}

function linesOf(
  { kit, marks, lossChances, seen = {} }: WeighInGiven,
  lookAlikes: readonly LookAlike[],
): readonly WeighedLine[] {
  return kit.parts.map((part) => {
    const own = marks[part.id]
    const wrong = own?.mark === 'wrong' ? lookAlikes.find(({ name }) => name === own.wrongItem) : undefined
    return {
      id: part.id,
      name: part.name,
      massG: part.massG,
      toleranceG: part.toleranceG,
      count: part.count,
      group: part.weighGroup,
      together: part.together,
      mark: own?.mark ?? 'unseen',
      presentCount: own?.presentCount ?? 0,
      wrongItemId: wrong?.id ?? null,
      lossChanceFraction: lossChances[part.id] ?? DEFAULT_LOSS_CHANCE,
      chanceDifferent: seen[part.id] ?? null,
    }
  })
}

const foreignOf = (lookAlikes: readonly LookAlike[], kit: KitSheet): readonly ForeignPart[] =>
  lookAlikes
    .filter(({ massG }) => massG !== null)
    .slice(0, FOREIGN_AT_MOST)
    .map(({ id, massG, toleranceG, replaces }) => ({
      id,
      massG: massG ?? 0,
      toleranceG: toleranceG ?? 2,
      replaces: replaces.filter((partId) => kit.parts.some((part) => part.id === partId)),
    }))

/** What the scale says of this kit as far as it is marked, explained in a worker. */
export function useWeighIn(given: () => WeighInGiven | null) {
  const question = computed<ExplainWeightInput | null>(() => {
    const now = given()
    if (!now || now.weighings.length === 0) return null
    const lines = linesOf(now, now.lookAlikes)
    if (lines.every(({ massG }) => massG === null)) return null
    const weighings = now.weighings.map((taken) => weighingOf(taken, now.kit.baselines, lines))
    const input = weighInInput({ lines, weighings, foreign: foreignOf(now.lookAlikes, now.kit) })
    return { ...input, maxMissing: MAX_MISSING, maxSwaps: MAX_SWAPS, limit: 12 }
  })
  const weight = useExplainedWeight(() => question.value)
  const nameOf = (id: string): string => {
    const now = given()
    const part = now?.kit.parts.find((each) => each.id === id)
    const thing = now?.lookAlikes.find((each) => each.id === id)
    return part?.name ?? (thing ? t('nameOf', { name: thing.name, thing: ownersWords(thing) }) : id)
  }
  return {
    ...weight,
    nameOf,
    /** What each weighed group says by itself. */
    groups: computed(() =>
      (weight.explained.value?.groups ?? []).map((group) => ({ ...group, verdict: weightVerdict(group) })),
    ),
    /** Parts on the scale with this group whose loss it can't show. */
    tooLightIn: (name: string): readonly string[] => {
      const now = given()
      if (!now || !weight.explained.value) return []
      const named = new Set(now.weighings.map(({ group }) => group).filter((group) => group !== ''))
      const lines = linesOf(now, now.lookAlikes)
      const inside = lines.filter(({ group }) => (name === '' ? !named.has(group) : group === name))
      return tooLightToTell(inside, weight.explained.value)
    },
  }
}
