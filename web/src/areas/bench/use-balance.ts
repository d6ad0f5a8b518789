import type { KitSheet } from '@binoculum/contract'
import {
  balanceOf,
  bareShaftMm,
  ironWeightMm,
  learnFrom,
  mostBareShaftMm,
  positionFromBareShaft,
  ridingParts,
  setUpNames,
  weightAdvice,
  whatFalls,
} from '@binoculum/core'
import { computed, ref, type Ref } from 'vue'
import { onMountOf, ridingIds, type BalanceDraft } from './check-draft.ts'
import { benchWords } from './words.ts'

const t = benchWords('useBalance')

/** Default policy: within 10 mm of the shaft's right place. */
export const BALANCE_LIMIT_MM = 10

/** The balance of a kit as it is being worked on: what stands where, what is right, and what to do. */
export function useBalance(draft: Ref<BalanceDraft>, kit: () => KitSheet) {
  const head = computed(() => kit().mount?.equatorial ?? null)
  const on = computed(() => ridingIds(draft.value, kit()))
  const riding = computed(() => ridingParts(kit().parts))
  const weights = computed(() =>
    kit().parts.filter(({ role, mark, massG }) => role === 'counterweight' && mark !== 'missing' && massG !== null),
  )
  const massG = computed(() => weights.value.reduce((sum, part) => sum + (part.massG ?? 0) * part.count, 0))
  const thicknessMm = computed(() => {
    const given = head.value?.weightThicknessMm ?? 0
    const masses = weights.value.flatMap((part) => Array.from({ length: part.count }, () => part.massG ?? 0))
    const [, ...others] = masses.sort((a, b) => b - a)
    return others.reduce((sum, mass) => sum + ironWeightMm(mass).thicknessMm, given)
  })
  /** As it stands in the form; a weight in the hand shows its length in the drawing. */
  const keptMm = computed(() => (draft.value.moved ? draft.value.leftMm : draft.value.foundMm))
  /** Bare shaft while the weight is in somebody's hand: kept only when it is let go, so that a hand's every millimetre
   * isn't written down. */
  const inHandMm = ref<number | null>(null)
  const bare = computed(() => inHandMm.value ?? keptMm.value)
  const nowMm = computed(() =>
    head.value && bare.value !== null && bare.value >= 0
      ? positionFromBareShaft(head.value, kit().parts, bare.value)
      : null,
  )
  /** The head's moment: what was just seen to stay, else what the kit has learnt. */
  const learnt = computed(() => {
    const mounted = onMountOf(kit())
    if (!mounted) return null
    const { stays } = draft.value
    const bareShaft = keptMm.value
    if (!stays || bareShaft === null || inHandMm.value !== null) return kit().headMomentGmm
    const asLeft = { bareShaftMm: bareShaft }
    return learnFrom({ station: 'balance', way: 'shaft', on: on.value, asFound: asLeft, asLeft, stays }, mounted)
  })
  const report = computed(() => {
    const mounted = onMountOf(kit())
    return mounted && balanceOf({ ...mounted, headMomentGmm: learnt.value }, on.value, draft.value.magnetsG)
  })
  const rightMm = computed(() => (learnt.value === null ? null : (report.value?.shaft?.positionMm ?? null)))
  const errorMm = computed(() => {
    const wanted = report.value?.wantedMm
    return learnt.value === null || nowMm.value === null || wanted === null || wanted === undefined
      ? null
      : Math.abs(wanted - nowMm.value)
  })
  const falls = computed(() =>
    learnt.value === null || !report.value?.shaft ? null : whatFalls(report.value.shaft, nowMm.value),
  )
  const advice = computed(() => {
    const shaft = report.value?.shaft
    if (!shaft) return ''
    if (learnt.value === null) return nowMm.value === null ? t('balanceItByHandUntil') : t('doesItStayWhenLet')
    const bareRight =
      shaft.positionMm !== null && head.value ? bareShaftMm(head.value, kit().parts, shaft.positionMm) : null
    return weightAdvice(shaft, nowMm.value, bareRight)
  })

  /** What keeps a typed length from being one. */
  const badLength = computed(() => {
    const mm = bare.value
    if (mm === null || !head.value) return ''
    if (!(mm >= 0)) return t('aLengthIsMmOr')
    const most = mostBareShaftMm(head.value, kit().parts)
    return mm > most ? t('theBareShaftIsMm', { most: Math.round(most) }) : ''
  })

  function setBare(mm: number | null) {
    draft.value.stays = false
    if (draft.value.moved) draft.value.leftMm = mm
    else draft.value.foundMm = mm
  }
  function moveTo(positionMm: number) {
    if (head.value) inHandMm.value = Math.max(0, bareShaftMm(head.value, kit().parts, positionMm))
  }
  function letGo() {
    if (inHandMm.value === null) return
    setBare(inHandMm.value)
    inHandMm.value = null
  }
  /** As found stays; what is left is measured anew, never taken for what was advised. */
  function moved() {
    if (draft.value.foundMm === null) return
    draft.value.stays = false
    draft.value.moved = true
    draft.value.leftMm = null
  }
  function forget() {
    draft.value.moved = false
    draft.value.leftMm = null
  }
  function stays() {
    if (bare.value !== null) draft.value.stays = !draft.value.stays
  }
  function nextSetUp() {
    const { setUp } = draft.value
    const index = setUp === 'own' ? -1 : setUpNames.indexOf(setUp)
    draft.value.setUp = setUpNames[(index + 1) % setUpNames.length] ?? 'usual'
  }
  function toggle(partId: string) {
    const now = on.value
    draft.value.own = now.includes(partId) ? now.filter((id) => id !== partId) : [...now, partId]
    draft.value.setUp = 'own'
  }
  return {
    on,
    riding,
    massG,
    thicknessMm,
    nowMm,
    learnt,
    report,
    rightMm,
    errorMm,
    falls,
    advice,
    setBare,
    moveTo,
    letGo,
    bare,
    keptMm,
    badLength,
    moved,
    forget,
    stays,
    nextSetUp,
    toggle,
  }
}

export type KitBalance = ReturnType<typeof useBalance>
