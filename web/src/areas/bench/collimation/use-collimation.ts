import type { KitSheet } from '@binoculum/contract'
import {
  axisErrorOf,
  cellAsLearnt,
  collimationQuality,
  collimationTurns,
  highestMagnification,
  isBeyondTravel,
  learntResponse,
  lengthOf,
  noticedSentence,
  peepholeTubeOf,
  powersThere,
  primaryCellOf,
  secondaryTurns,
  stepResponse,
  verdictWithDoubt,
  type CellScrew,
  type ScrewTurn,
} from '@binoculum/core'
import { computed, watch, type Ref } from 'vue'
import { checkedKitOf } from '../check-draft.ts'
import {
  isBeyondCell,
  newLook,
  readingOfLook,
  turnedStepsOf,
  type Between,
  type CollimationDraft,
  type Look,
} from './collimation-draft.ts'

/** The line-up as it is being worked on: the figure, what it costs, which screw, and what the last turn did. */
export function useCollimation(draft: Ref<CollimationDraft>, kit: () => KitSheet) {
  const checked = computed(() => checkedKitOf(kit()))
  const now = computed<Look>(() => draft.value.looks.at(-1) ?? newLook())
  const readingAt = (index: number) => {
    const reading = readingOfLook(draft.value.looks.at(index))
    return reading && axisErrorOf(reading, checked.value)
  }
  const seen = computed(() => readingAt(-1))
  const found = computed(() => readingAt(0))
  const error = computed(() => (seen.value ? lengthOf(seen.value.axisErrorMm) : null))
  watch(error, (mm) => (draft.value.lookedAtUtc = mm === null ? undefined : new Date().toISOString()))
  const beyondCell = computed(() => seen.value !== null && isBeyondCell(seen.value.axisErrorMm, checked.value))
  const { optics } = kit()
  const quality = computed(() =>
    collimationQuality({
      apertureMm: optics.apertureMm,
      focalLengthMm: optics.primaryFocalLengthMm,
      mirrorFigure: optics.mirrorFigure,
      axisErrorMm: error.value ?? 0,
    }),
  )
  /** A typed figure is taken at its word; a picture or a look by eye says how sure it is. */
  const uncertaintyMm = computed(() => (now.value.way === 'typed' ? 0 : (seen.value?.uncertaintyMm ?? 0)))
  const verdict = computed(() =>
    error.value === null
      ? null
      : verdictWithDoubt({
          axisErrorMm: error.value,
          uncertaintyMm: uncertaintyMm.value,
          limitMm: quality.value.limitMm,
        }),
  )
  const highest = computed(() => highestMagnification(powersThere(optics, kit().parts)))
  const noticed = computed(() =>
    noticedSentence(quality.value, {
      highestMagnification: highest.value,
      apertureMm: optics.apertureMm,
      mirrorSetsSharpness: quality.value.strehl === null && optics.mirrorFigure !== 'paraboloid',
    }),
  )

  const mirror = computed(() => kit().mirror)
  const cell = computed(() => mirror.value && primaryCellOf(mirror.value, optics.primaryFocalLengthMm))
  const ownSteps = computed(() => turnedStepsOf(draft.value, checked.value))
  const learnt = computed(() => cell.value && learntResponse(cell.value, [...kit().turned, ...ownSteps.value]))
  const asLearnt = computed(() => (cell.value && learnt.value ? cellAsLearnt(cell.value, learnt.value) : cell.value))
  const screws = computed<CellScrew[]>(() =>
    (asLearnt.value?.screws ?? []).map((screw) => ({ ...screw, blocked: draft.value.blocked[screw.name] })),
  )
  const advice = computed(() =>
    asLearnt.value && seen.value
      ? collimationTurns({ ...asLearnt.value, screws: screws.value, axisErrorMm: seen.value.axisErrorMm })
      : null,
  )
  /** The chosen way, rounded as a hand can turn it. */
  const chosen = computed<{ turns: readonly ScrewTurn[]; residualMm: number } | null>(() => {
    if (!advice.value) return null
    const { fewestRounded, fewestResidualMm, rounded, residualMm, singleRounded, singleRoundedResidualMm } =
      advice.value
    if (draft.value.advice === 'all') return { turns: rounded.filter(({ turns }) => turns !== 0), residualMm }
    if (draft.value.advice === 'single')
      return { turns: singleRounded.turns === 0 ? [] : [singleRounded], residualMm: singleRoundedResidualMm }
    return { turns: fewestRounded, residualMm: fewestResidualMm }
  })

  /** More turns than a screw has: not the screws are off, but the mirror in its cell. */
  const beyondTravel = computed(() => chosen.value !== null && isBeyondTravel(chosen.value.turns))

  const secondary = computed(() => {
    const data = mirror.value
    const e = now.value.way === 'photo' ? now.value.measured?.secondaryErrorMm : null
    if (!data?.holder || !e) return null
    return secondaryTurns({
      apertureMm: optics.apertureMm,
      secondaryErrorMm: e,
      secondaryToPrimaryMm: optics.primaryFocalLengthMm - data.secondary.toFocusMm,
      ...data.holder,
    })
  })

  /** What the last turning did against what it should have done; null where there is nothing to compare. */
  const answer = computed(() => {
    const last = draft.value.between.at(-1)
    const step = ownSteps.value.at(-1)
    if (!cell.value || last?.did !== 'turned' || !step || !readingOfLook(draft.value.looks.at(-1))) return null
    return { ...stepResponse(asLearntBefore(), step), after: step.after }
  })
  const asLearntBefore = () => {
    if (!cell.value) throw new Error('no cell')
    return cellAsLearnt(cell.value, learntResponse(cell.value, [...kit().turned, ...ownSteps.value.slice(0, -1)]))
  }

  const tube = computed(() => mirror.value && peepholeTubeOf(mirror.value, optics))
  const alignment = computed(() => ({
    axisErrorMm: seen.value?.axisErrorMm ?? { x: 0, y: 0 },
    secondaryErrorMm: now.value.measured?.secondaryErrorMm ?? { x: 0, y: 0 },
  }))

  function lookAgain(did: Between['did']) {
    const last = now.value
    const turns = (chosen.value?.turns ?? []).map((turn) => ({ ...turn }))
    draft.value.between.push(did === 'turned' ? { did, turns } : { did })
    draft.value.looks.push(newLook(last))
  }
  function takeBack() {
    draft.value.looks.pop()
    draft.value.between.pop()
  }
  function setMeasured(way: 'photo' | 'star', measured: Look['measured']) {
    now.value.way = way
    now.value.measured = measured
  }
  /** Each opening has a look of its own: what was found stays what was found. */
  function keepOpening() {
    if (!seen.value) return
    draft.value.openings.push({ ...seen.value.axisErrorMm })
    lookAgain('opened')
  }

  return {
    checked,
    now,
    seen,
    found,
    error,
    uncertaintyMm,
    quality,
    verdict,
    highest,
    noticed,
    cell,
    screws,
    learnt,
    advice,
    chosen,
    beyondCell,
    beyondTravel,
    secondary,
    answer,
    tube,
    alignment,
    lookAgain,
    takeBack,
    setMeasured,
    keepOpening,
  }
}
