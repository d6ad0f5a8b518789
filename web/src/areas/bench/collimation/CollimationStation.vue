<script setup lang="ts">
import { checkResultSchema, type KitSheet } from '@binoculum/contract'
import {
  axisErrorMm,
  cellResponseSentence,
  lengthOf,
  mmText,
  offsetInCellFrame,
  primaryAdvice,
  primaryBeyondTravelSentence,
  primaryTurnsSentence,
  secondaryTurnSentences,
  stepResponseSentence,
} from '@binoculum/core'
import { computed } from 'vue'
import { api } from '../../../shared/api/client.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import WayChoice from '../../../shared/controls/WayChoice.vue'
import KeyCap from '../../../shared/keys/KeyCap.vue'
import { useKeys } from '../../../shared/keys/use-keys.ts'
import ProblemNote from '../../../shared/ProblemNote.vue'
import SerifText from '../../../shared/SerifText.vue'
import BigFigure from '../../../shared/drawings/BigFigure.vue'
import BorrowerLooks from '../BorrowerLooks.vue'
import ReadingHistory from '../ReadingHistory.vue'
import BenchLight from './BenchLight.vue'
import BlockedScrews from './BlockedScrews.vue'
import CellDrawing from '../../../shared/drawings/CellDrawing.vue'
import { mayLook, waitsForOpenEnd, type CollimationDraft } from './collimation-draft.ts'
import LookForm from './LookForm.vue'
import PeepholePicture from '../../../shared/drawings/PeepholePicture.vue'
import RepeatTest from './RepeatTest.vue'
import { useCollimation } from './use-collimation.ts'
import WhatWasTurned from './WhatWasTurned.vue'
import { benchWords } from '../words.ts'

const t = benchWords('collimationStation')

const { kit } = defineProps<{ kit: KitSheet }>()
const draft = defineModel<CollimationDraft>({ required: true })
const emit = defineEmits<{ changed: [kit: KitSheet]; reload: [] }>()

const {
  checked,
  now,
  seen,
  found,
  error,
  uncertaintyMm,
  quality,
  verdict,
  noticed,
  cell,
  screws,
  learnt,
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
} = useCollimation(draft, () => kit)

/** Offset on the primary that stands for the limit, for the rings about the hole. */
const limitOffsetMm = computed(
  () => quality.value.limitMm / axisErrorMm({ offsetMm: 1, clockHours: 12 }, checked.value),
)
const doing = computed<'secondary' | 'primary' | 'lock' | 'fine' | 'look'>(() => {
  if (!seen.value || error.value === null) return 'look'
  if (secondary.value?.due && secondaryFirst.value) return 'secondary'
  if (verdict.value !== 'good') return 'primary'
  const touched = draft.value.between.length > 0
  return touched && cellHasLocks.value && draft.value.between.at(-1)?.did !== 'locked' ? 'lock' : 'fine'
})
const cellHasLocks = computed(() => kit.mirror?.cell?.locks ?? false)
/** A secondary's doubt is a millimetre or two: it comes first only where it is clearly off. */
const secondaryFirst = computed(() => {
  const e = now.value.measured?.secondaryErrorMm
  return !!e && !!secondary.value && lengthOf(e) > secondary.value.limitMm * 1.25
})
const advice = computed(() => {
  if (doing.value === 'look' && waitsForOpenEnd(draft.value)) return t('sayWhereTheOpenEnd')
  if (doing.value === 'look') return t('lookThroughTheCapOr')
  if (doing.value === 'lock') return t('wellLinedUpTightenThe')
  if (doing.value === 'fine') return t('wellLinedUpLeaveIt')
  if (doing.value === 'secondary')
    return secondaryTurnSentences(secondary.value as NonNullable<typeof secondary.value>)[1]
  if (verdict.value === 'unsure')
    return t('cantTellWhichSideOf', { chosen: chosen.value ? t('orTurnAllTheSame') : '' })
  if (beyondTravel.value) return primaryBeyondTravelSentence()
  if (chosen.value) return primaryTurnsSentence(chosen.value.turns, chosen.value.residualMm)
  const { offsetMm, clockHours } = now.value
  return offsetMm === null || now.value.way !== 'typed'
    ? t('theSideTowardsWhichThe')
    : primaryAdvice(offsetInCellFrame({ lengthMm: offsetMm, clockHours }))
})
const canTurn = computed(() => (doing.value === 'primary' || doing.value === 'fine') && seen.value !== null)
const strehl = computed(() => {
  const { strehl: value } = quality.value
  if (error.value === null) return ''
  if (value !== null) return t('aPerfectMirrorOfThis', { percent: (value * 100).toFixed(0) })
  return kit.optics.mirrorFigure === 'paraboloid' ? t('tooFarOffForA') : t('hereTheMirrorItselfSets')
})
const highlight = computed(() =>
  doing.value === 'primary' && !beyondTravel.value ? (chosen.value?.turns[0]?.name ?? null) : null,
)
const secondaryMm = computed(() => {
  const e = now.value.way === 'photo' ? now.value.measured?.secondaryErrorMm : null
  return e ? lengthOf(e) : null
})
const secondaryLimitMm = computed(() => 0.03 * kit.optics.apertureMm)
/** By day nobody looks, and no phone, before the question of the Sun is answered with yes. */
const allowed = computed(() => mayLook(draft.value))
const { sending, problem, run } = useSending()
const lastTurned = computed(() => {
  const last = draft.value.between.at(-1)
  return last?.did === 'turned' ? last : null
})
const asksWhatWasTurned = computed(
  () => answer.value?.verdict === 'reversed' && lastTurned.value !== null && !lastTurned.value.sure,
)
const otherScrews = computed(() => {
  const turns = lastTurned.value?.turns ?? []
  return turns.length === 1 ? screws.value.map(({ name }) => name).filter((name) => name !== turns[0]?.name) : []
})
const asAdvised = () => lastTurned.value && (lastTurned.value.sure = true)
function otherWay() {
  lastTurned.value?.turns.forEach((turn) => (turn.turns = -turn.turns))
  asAdvised()
}
function anotherScrew(name: string) {
  const [turn] = lastTurned.value?.turns ?? []
  if (turn) turn.name = name
  asAdvised()
}
async function forget() {
  await run(async () => {
    const { kit: now } = await api.post(checkResultSchema, `/api/kits/${kit.id}/cell/forget`, {
      kitVersion: kit.version,
    })
    emit('changed', now)
  })
}
const isDone = computed(() => draft.value.between.length > 0)
const ways = [
  { value: 'fewest', words: t('fewestScrews') },
  { value: 'all', words: t('allThree') },
  { value: 'single', words: t('oneScrew') },
] as const

useKeys(() => ({
  ...(canTurn.value && doing.value === 'primary' ? { Space: () => lookAgain('turned') } : {}),
  t: () => (now.value.way = 'typed'),
}))
</script>

<template>
  <div
    class="grid grid-cols-[minmax(320px,440px)_minmax(0,1fr)] gap-y-20px gap-x-40px max-[900px]:grid-cols-[minmax(0,1fr)]"
  >
    <div class="grid gap-8px content-start">
      <em v-if="tube && now.way !== 'photo'">{{ t('openEndOfTheTube') }}</em>
      <PeepholePicture
        v-if="tube && now.way !== 'photo'"
        class="max-w-330px"
        :tube="tube"
        :alignment="alignment"
        :screws="screws"
        :highlight="highlight"
        :limit-mm="limitOffsetMm"
        :good-mm="limitOffsetMm / 2"
      />
      <BenchLight v-model="draft" :branch-id="kit.branchId" />
      <BorrowerLooks :kit-code="kit.code" :zone="kit.zone" :kinds="['peephole', 'star']" />
      <p v-if="kit.mirror?.correctorLens" class="problem">
        {{ t('theLensInTheDrawtube') }}
      </p>
      <!-- Each look begins with a form of its own: circles of the one before must not move this one's figure. -->
      <LookForm
        :key="draft.looks.length"
        v-model:draft="draft"
        v-model:look="draft.looks[draft.looks.length - 1]!"
        :kit="kit"
        :limit-offset-mm="limitOffsetMm"
        :allowed="allowed"
        @measured="setMeasured"
      />
      <p v-if="beyondCell" class="problem" role="alert">
        {{ t('noTurnOfThisCells', { mostAxisErrorMm: mmText(checked.mostAxisErrorMm ?? 0) }) }}
      </p>
    </div>
    <div class="judgement grid gap-12px content-start justify-items-start">
      <BigFigure :value="error" :limit="quality.limitMm" :good="quality.goodMm" unit="mm" />
      <p>
        <strong>{{ t('primarysAxisOffAtThe') }}</strong>
        <span v-if="uncertaintyMm > 0" class="quiet">
          {{ ' ' }}{{ t('giveOrTake', { uncertaintyMm: mmText(uncertaintyMm) }) }}</span
        >
        <span v-else-if="now.way === 'typed' && now.offsetMm !== null" class="quiet">
          {{ ' ' }}{{ t('seenAsBetweenMarkAnd', { offsetMm: mmText(now.offsetMm) }) }}</span
        >
      </p>
      <p class="advice" role="status" :aria-label="t('whatToDo')"><SerifText :text="advice ?? ''" /></p>
      <p v-if="answer" class="answer" role="status">
        <strong>{{ stepResponseSentence(answer.verdict) }}</strong>
        {{
          t('expectedNow', { expectedMm: mmText(lengthOf(answer.expectedMm)), after: mmText(lengthOf(answer.after)) })
        }}
      </p>
      <WhatWasTurned
        v-if="asksWhatWasTurned"
        :others="otherScrews"
        @advised="asAdvised"
        @reversed="otherWay"
        @instead="anotherScrew"
      />
      <div class="grid grid-cols-[250px_minmax(0,1fr)] gap-20px w-full max-[1100px]:grid-cols-[minmax(0,1fr)]">
        <div v-if="cell" class="relative">
          <em class="corner absolute -top-6px left-0 text-quiet">{{ t('fromBehind') }}</em><em
            class="corner right absolute -top-6px left-0 text-quiet"
            >{{ t('focuserSide') }}</em
          >
          <CellDrawing
            :screws="screws"
            :locks="cellHasLocks"
            :learnt="learnt"
            :turns="doing === 'primary' && !beyondTravel ? (chosen?.turns ?? []) : []"
          />
        </div>
        <div class="order grid gap-8px content-start">
          <ol class="m-0 p-0 [list-style-position:inside]">
            <li class="py-7px px-0 line-b-rule" :class="{ here: doing === 'secondary' }">
              {{ t('secondary') }}
              <span v-if="secondaryMm !== null">
                {{
                  t('secondaryMmOf', {
                    secondaryMm: mmText(secondaryMm),
                    secondaryLimitMm: mmText(secondaryLimitMm),
                    secondaryFirst: secondaryFirst ? t('first') : '',
                  })
                }}</span
              >
              <span v-else class="quiet">{{ t('byEyeRoundCentred') }}</span>
            </li>
            <li class="py-7px px-0 line-b-rule" :class="{ here: doing === 'primary' }">
              {{ t('primary') }}
              <span v-if="error !== null">{{
                t('errorOf', { error: mmText(error), limitMm: mmText(quality.limitMm) })
              }}</span>
            </li>
            <li class="py-7px px-0 line-b-rule" :class="{ here: doing === 'lock' }">{{ t('lockAndLookAgain') }}</li>
          </ol>
          <template v-if="doing === 'primary' && cell">
            <WayChoice v-model="draft.advice" :options="ways" :label="t('whichScrews')" />
            <p class="second">
              <template v-if="chosen"
                >{{ t('leavesResidualMm', { residualMm: mmText(chosen.residualMm) }) }}{{ ' ' }}
              </template>
              <template v-if="cellHasLocks">{{ t('loosenTheSmallLocksFirst') }}{{ ' ' }} </template>
              {{ t('neverUndoAScrewCompletely') }}
            </p>
            <BlockedScrews v-model="draft.blocked" :screws="screws" />
          </template>
          <ul v-if="doing === 'secondary' && secondary" class="second m-0 pl-18px">
            <li v-for="sentence in secondaryTurnSentences(secondary)" :key="sentence" class="py-2px px-0 line-none">
              {{ sentence }}
            </li>
          </ul>
          <p v-if="doing !== 'look' && !cell" class="second">
            {{ t('thisModelsCellIsntMeasured') }}
          </p>
          <p v-if="learnt && learnt.steps > 0" class="second">
            {{ cellResponseSentence(learnt) }}
            <ElButton v-if="kit.turned.length > 0" link :disabled="sending" @click="forget">
              {{ t('forgetWhatItLearnt') }}
            </ElButton>
          </p>
          <ProblemNote :problem="problem" @retry="emit('reload')" />
        </div>
      </div>
      <div class="row flex flex-wrap gap-12px items-center">
        <ElButton v-if="doing === 'secondary'" size="large" @click="lookAgain('secondary')">
          {{ t('turnedTheSecondaryLookAgain') }}
        </ElButton>
        <ElButton v-else-if="doing === 'lock'" size="large" @click="lookAgain('locked')">
          {{ t('lockedLookAgain') }}
        </ElButton>
        <ElButton v-else size="large" :disabled="seen === null" @click="lookAgain('turned')">
          {{ t('turnedItLookAgain') }} <KeyCap name="Space" />
        </ElButton>
        <ElButton v-if="isDone" link @click="takeBack">{{ t('takeTheLastLookBack') }}</ElButton>
      </div>
      <p class="second">
        {{ t('tubeLevelForTheSecondarys') }}
      </p>
    </div>
    <div
      class="col-span-full grid grid-cols-[auto_minmax(260px,400px)_minmax(0,1fr)] gap-y-12px gap-x-36px pt-12px line-t-rule-strong max-[900px]:grid-cols-[minmax(0,1fr)]"
    >
      <dl class="m-0">
        <dt class="[font:italic_400_16px_var(--serif)] text-quiet">{{ t('asFound') }}</dt>
        <dd class="mr-12px ml-0 my-0 fw-640 mb-8px text-20px">
          {{ found === null ? '–' : mmText(lengthOf(found.axisErrorMm)) }}
        </dd>
        <dt class="[font:italic_400_16px_var(--serif)] text-quiet">{{ t('asLeft') }}</dt>
        <dd class="mr-12px ml-0 my-0 fw-640 mb-8px text-20px">
          {{ !isDone ? t('asFound') : error === null ? '–' : mmText(error) }}
        </dd>
      </dl>
      <section>
        <h3 class="mx-0 mt-0 mb-6px [font:italic_400_16px_var(--serif)] text-quiet">
          {{ t('theLastLoansAsFound') }}
        </h3>
        <ReadingHistory kind="collimation" :past="kit.past" :limit="quality.limitMm" />
      </section>
      <section>
        <h3 class="mx-0 mt-0 mb-6px [font:italic_400_16px_var(--serif)] text-quiet">{{ t('whatThatMeans') }}</h3>
        <p class="second">{{ error === null ? '' : noticed }} {{ strehl }}</p>
      </section>
    </div>
    <RepeatTest
      v-if="kit.optics.collapsible"
      v-model="draft.openings"
      class="col-span-full"
      :current="seen?.axisErrorMm ?? null"
      :limit-mm="quality.limitMm"
      @keep="keepOpening"
    />
  </div>
</template>

<style scoped src="../measuring-station.css"></style>

<style scoped src="./collimation-station.css"></style>
