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
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import WayChoice from '../../../shared/controls/WayChoice.vue'
import KeyCap from '../../../shared/keys/KeyCap.vue'
import { useKeys } from '../../../shared/keys/use-keys.ts'
import ProblemNote from '../../../shared/ProblemNote.vue'
import SerifText from '../../../shared/SerifText.vue'
import BigFigure from '../../../shared/drawings/BigFigure.vue'
import BorrowerLooks from '../BorrowerLooks.vue'
import ReadingHistory from '../ReadingHistory.vue'
import BenchLight from './BenchLight.vue'
import CellDrawing from '../../../shared/drawings/CellDrawing.vue'
import { mayLook, waitsForOpenEnd, type CollimationDraft } from './collimation-draft.ts'
import LookForm from './LookForm.vue'
import PeepholePicture from '../../../shared/drawings/PeepholePicture.vue'
import RepeatTest from './RepeatTest.vue'
import { useCollimation } from './use-collimation.ts'

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
  if (doing.value === 'look' && waitsForOpenEnd(draft.value)) return 'Say where the open end is in this picture.'
  if (doing.value === 'look') return 'Look through the cap, or take a picture through its hole.'
  if (doing.value === 'lock') return 'Well lined up. Tighten the locks evenly, then look again: locking shifts it.'
  if (doing.value === 'fine') return 'Well lined up. Leave it.'
  if (doing.value === 'secondary')
    return secondaryTurnSentences(secondary.value as NonNullable<typeof secondary.value>)[1]
  if (verdict.value === 'unsure')
    return `Can’t tell which side of the limit it is on. Take another look${chosen.value ? ', or turn all the same' : ''}.`
  if (beyondTravel.value) return primaryBeyondTravelSentence()
  if (chosen.value) return primaryTurnsSentence(chosen.value.turns, chosen.value.residualMm)
  const { offsetMm, clockHours } = now.value
  return offsetMm === null || now.value.way !== 'typed'
    ? 'The side towards which the mark stands must go towards the sky.'
    : primaryAdvice(offsetInCellFrame({ lengthMm: offsetMm, clockHours }))
})
const canTurn = computed(() => (doing.value === 'primary' || doing.value === 'fine') && seen.value !== null)
const strehl = computed(() => {
  const { strehl: value } = quality.value
  if (error.value === null) return ''
  if (value !== null)
    return `A perfect mirror of this size would keep ${(value * 100).toFixed(0)} % of a star’s peak (Strehl).`
  return kit.optics.mirrorFigure === 'paraboloid'
    ? 'Too far off for a Strehl to mean anything.'
    : 'Here the mirror itself sets the sharpness, so no Strehl is given.'
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
/** A kit whose screws seem to work the other way: a slip of the hand is likelier, so it is asked for first. */
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
  { value: 'fewest', words: 'fewest screws' },
  { value: 'all', words: 'all three' },
  { value: 'single', words: 'one screw' },
] as const
const ends = [
  { value: 'free', words: 'turns both ways' },
  { value: 'clockwise', words: 'can’t go clockwise' },
  { value: 'anticlockwise', words: 'can’t go anticlockwise' },
] as const
function setEnd(screw: string, end: (typeof ends)[number]['value'] | null) {
  if (end === 'clockwise' || end === 'anticlockwise') draft.value.blocked[screw] = end
  else delete draft.value.blocked[screw]
}

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
      <em v-if="tube && now.way !== 'photo'">open end of the tube ↑</em>
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
        The lens in the drawtube comes out first, or judge this tube on a star only.
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
        No turn of this cell’s screws makes more than {{ mmText(checked.mostAxisErrorMm ?? 0) }} at the focal plane.
        Read it again; if it is so, the mirror has left its place in the cell.
      </p>
    </div>
    <div class="judgement grid gap-12px content-start justify-items-start">
      <BigFigure :value="error" :limit="quality.limitMm" :good="quality.goodMm" unit="mm" />
      <p>
        <strong>primary’s axis off, at the focal plane</strong>
        <span v-if="uncertaintyMm > 0" class="quiet"> · give or take {{ mmText(uncertaintyMm) }}</span>
        <span v-else-if="now.way === 'typed' && now.offsetMm !== null" class="quiet">
          · seen as {{ mmText(now.offsetMm) }} between mark and reflection</span
        >
      </p>
      <p class="advice" role="status" aria-label="What to do"><SerifText :text="advice ?? ''" /></p>
      <p v-if="answer" class="answer" role="status">
        <strong>{{ stepResponseSentence(answer.verdict) }}</strong>
        Expected {{ mmText(lengthOf(answer.expectedMm)) }}, now {{ mmText(lengthOf(answer.after)) }}.
      </p>
      <p
        v-if="asksWhatWasTurned"
        class="flex flex-wrap gap-y-6px gap-x-10px items-center py-8px px-12px line-2-brass"
        role="group"
        aria-label="What was turned really"
      >
        <strong>What did you turn really?</strong>
        <ElButton size="small" @click="asAdvised">As advised</ElButton>
        <ElButton size="small" @click="otherWay">The other way round</ElButton>
        <ElButton v-for="screw in otherScrews" :key="screw" size="small" @click="anotherScrew(screw)">
          Screw {{ screw }} instead
        </ElButton>
      </p>
      <div class="grid grid-cols-[250px_minmax(0,1fr)] gap-20px w-full max-[1100px]:grid-cols-[minmax(0,1fr)]">
        <div v-if="cell" class="relative">
          <em class="corner absolute -top-6px left-0 text-quiet">from behind</em
          ><em class="corner right absolute -top-6px left-0 text-quiet">focuser side ↑</em>
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
              Secondary
              <span v-if="secondaryMm !== null">
                {{ mmText(secondaryMm) }} of {{ mmText(secondaryLimitMm) }}{{ secondaryFirst ? ', first' : '' }}</span
              >
              <span v-else class="quiet">by eye: round, centred</span>
            </li>
            <li class="py-7px px-0 line-b-rule" :class="{ here: doing === 'primary' }">
              Primary <span v-if="error !== null">{{ mmText(error) }} of {{ mmText(quality.limitMm) }}</span>
            </li>
            <li class="py-7px px-0 line-b-rule" :class="{ here: doing === 'lock' }">Lock, and look again</li>
          </ol>
          <template v-if="doing === 'primary' && cell">
            <WayChoice v-model="draft.advice" :options="ways" label="Which screws" />
            <p class="second">
              <template v-if="chosen">Leaves {{ mmText(chosen.residualMm) }}. </template>
              <template v-if="cellHasLocks">Loosen the small locks first. </template>
              Never undo a screw completely.
            </p>
            <details class="second">
              <summary>a screw is at its end</summary>
              <label v-for="screw in screws" :key="screw.name" class="flex gap-6px items-center min-h-32px">
                {{ screw.name }}
                <ChoiceSelect
                  :model-value="draft.blocked[screw.name] ?? 'free'"
                  :options="ends"
                  :label="`Screw ${screw.name}`"
                  @update:model-value="setEnd(screw.name, $event)"
                />
              </label>
            </details>
          </template>
          <ul v-if="doing === 'secondary' && secondary" class="second m-0 pl-18px">
            <li v-for="sentence in secondaryTurnSentences(secondary)" :key="sentence" class="py-2px px-0 line-none">
              {{ sentence }}
            </li>
          </ul>
          <p v-if="doing !== 'look' && !cell" class="second">
            This model’s cell isn’t measured yet: with its screws in Set-up, this names the screw and how far.
          </p>
          <p v-if="learnt && learnt.steps > 0" class="second">
            {{ cellResponseSentence(learnt) }}
            <ElButton v-if="kit.turned.length > 0" link :disabled="sending" @click="forget">
              forget what it learnt
            </ElButton>
          </p>
          <ProblemNote :problem="problem" @retry="emit('reload')" />
        </div>
      </div>
      <div class="row flex flex-wrap gap-12px items-center">
        <ElButton v-if="doing === 'secondary'" size="large" @click="lookAgain('secondary')">
          Turned the secondary: look again
        </ElButton>
        <ElButton v-else-if="doing === 'lock'" size="large" @click="lookAgain('locked')">
          Locked: look again
        </ElButton>
        <ElButton v-else size="large" :disabled="seen === null" @click="lookAgain('turned')">
          Turned it: look again <KeyCap name="Space" />
        </ElButton>
        <ElButton v-if="isDone" link @click="takeBack">take the last look back</ElButton>
      </div>
      <p class="second">
        Tube level for the secondary’s screws, never over the mirror; let one go before the next; never undo its
        centre bolt.
      </p>
    </div>
    <div
      class="col-span-full grid grid-cols-[auto_minmax(260px,400px)_minmax(0,1fr)] gap-y-12px gap-x-36px pt-12px line-t-rule-strong max-[900px]:grid-cols-[minmax(0,1fr)]"
    >
      <dl class="m-0">
        <dt class="[font:italic_400_16px_var(--serif)] text-quiet">as found</dt>
        <dd class="mr-12px ml-0 my-0 fw-640 mb-8px text-20px">
          {{ found === null ? '–' : mmText(lengthOf(found.axisErrorMm)) }}
        </dd>
        <dt class="[font:italic_400_16px_var(--serif)] text-quiet">as left</dt>
        <dd class="mr-12px ml-0 my-0 fw-640 mb-8px text-20px">
          {{ !isDone ? 'as found' : error === null ? '–' : mmText(error) }}
        </dd>
      </dl>
      <section>
        <h3 class="mx-0 mt-0 mb-6px [font:italic_400_16px_var(--serif)] text-quiet">
          the last loans, as found ● and as left ○
        </h3>
        <ReadingHistory kind="collimation" :past="kit.past" :limit="quality.limitMm" />
      </section>
      <section>
        <h3 class="mx-0 mt-0 mb-6px [font:italic_400_16px_var(--serif)] text-quiet">what that means</h3>
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
