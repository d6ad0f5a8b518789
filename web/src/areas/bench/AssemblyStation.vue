<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { judgeAnswers, levelAnswer, stepQuestions, type Phase } from '@binoculum/core'
import { computed, onScopeDispose, ref } from 'vue'
import PencilMark from '../../shared/drawings/PencilMark.vue'
import StepDrawing from '../../shared/drawings/StepDrawing.vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import { useKeys } from '../../shared/keys/use-keys.ts'
import SerifText from '../../shared/SerifText.vue'
import FeelScale from '../../borrower/GuideFeel.vue'
import BigChoice from '../../shared/controls/BigChoice.vue'
import { assemblySteps, type CheckDraft, type StepDraft } from './check-draft.ts'
import ShakeTest from './shake/ShakeTest.vue'
import { useTilt } from './use-tilt.ts'
import { benchWords } from './words.ts'

const t = benchWords('assemblyStation')

const { kit } = defineProps<{ kit: KitSheet }>()
const draft = defineModel<CheckDraft['assembly']>({ required: true })
const emit = defineEmits<{ over: [] }>()

const phaseWords: Readonly<Record<Phase, string>> = {
  unpack: t('unpack'),
  stand: t('stand'),
  mount: t('mount'),
  tube: t('tube'),
  'fit-out': t('fitOut'),
}
const steps = computed(() => assemblySteps(kit))
const phasesHere = computed(() => [...new Set(steps.value.map(({ phase }) => phase))])
const firstOpen = () => steps.value.findIndex(({ key }) => !draft.value.steps[key]?.found)
const at = ref(Math.max(firstOpen(), 0))
const step = computed(() => steps.value[at.value])
const empty = (): StepDraft => ({ found: null, left: null, said: [], seconds: 0 })
const now = computed(() => (step.value && draft.value.steps[step.value.key]) ?? empty())
const questions = computed(() => (step.value?.test ? stepQuestions[step.value.test] : []))
const judged = computed(() => (step.value?.test ? judgeAnswers(step.value.test, now.value.said) : null))
const { available, tilt, running, refused, start } = useTilt()

/** A step takes from when it is opened until it is answered; a tablet laid aside for long is no measure. */
const LONGEST_SECONDS = 600
let openedMs = performance.now()
function takeTime(key: string) {
  const seconds = (performance.now() - openedMs) / 1000
  openedMs = performance.now()
  if (seconds > LONGEST_SECONDS || document.visibilityState === 'hidden') return
  const kept = draft.value.steps[key]
  if (kept) kept.seconds = Math.round((kept.seconds + seconds) * 10) / 10
}
onScopeDispose(() => step.value && takeTime(step.value.key))

function set(change: Partial<StepDraft>) {
  const key = step.value?.key
  if (key) draft.value.steps[key] = { ...now.value, ...change }
}
function go(to: number) {
  if (step.value) takeTime(step.value.key)
  if (to >= steps.value.length) return emit('over')
  at.value = Math.max(to, 0)
}
/** The first answer of each question is the good one. */
function fine() {
  const said = questions.value.map(({ answers }, index) => now.value.said[index] ?? answers[0]?.value ?? null)
  const allFine = !step.value?.test || judgeAnswers(step.value.test, said)?.fine !== false
  // What was put right stays put right, whatever its answer was.
  set({ found: allFine ? 'fine' : 'not-fine', left: allFine ? null : now.value.left, said })
  if (allFine) go(at.value + 1)
}
const notFine = () => set({ found: 'not-fine', left: null })
function putRight() {
  set({ found: 'not-fine', left: 'fine' })
  go(at.value + 1)
}
function say(index: number, value: string | null, besides: readonly string[] = []) {
  const answers = questions.value.map((_each, other) => (other === index ? value : (now.value.said[other] ?? null)))
  set({ said: [...answers, ...besides] })
  const verdict = step.value?.test ? judgeAnswers(step.value.test, answers) : null
  if (!verdict) return
  set({ found: verdict.fine ? 'fine' : 'not-fine', left: null })
  // All answered and all well: on to the next, as after the key.
  if (verdict.fine) go(at.value + 1)
}
/** The figure is kept beside what it comes to. */
const takeTilt = () =>
  tilt.value !== null && say(0, levelAnswer(tilt.value), [t('fromLevel', { tilt: tilt.value.toFixed(1) })])
const markOf = (key: string) => {
  const kept = draft.value.steps[key]
  if (!kept?.found) return 'unseen'
  return kept.found === 'fine' || kept.left === 'fine' ? 'present' : 'damaged'
}
const doneCount = computed(() => steps.value.filter(({ key }) => draft.value.steps[key]?.found).length)
const usual = (key: string) => {
  const seconds = kit.stepSeconds[key]
  return seconds === undefined
    ? ''
    : seconds < 90
      ? `${Math.round(seconds)} s`
      : t('secondsMin', { seconds: Math.round(seconds / 60) })
}
const heavy = computed(() => {
  const part = kit.parts.find(({ role }) => role === step.value?.part)
  return (part?.massG ?? 0) > 10_000
})

useKeys(() => ({
  Space: fine,
  x: notFine,
  p: () => now.value.found === 'not-fine' && putRight(),
  ArrowDown: () => go(Math.min(at.value + 1, steps.value.length - 1)),
  ArrowUp: () => go(at.value - 1),
}))
</script>

<template>
  <div
    v-if="step"
    class="grid grid-cols-[290px_minmax(0,1fr)] gap-y-20px gap-x-36px max-[1180px]:grid-cols-[230px_minmax(0,1fr)] max-[800px]:grid-cols-[minmax(0,1fr)]"
  >
    <nav :aria-label="t('steps')">
      <section v-for="phase in phasesHere" :key="phase">
        <h3 class="line-b-rule-strong italic text-quiet">{{ phaseWords[phase] }}</h3>
        <ol class="mx-0 mt-0 mb-8px p-0 list-none">
          <template v-for="(each, index) in steps" :key="each.key">
            <li v-if="each.phase === phase">
              <button
                type="button"
                :class="{ here: index === at }"
                :aria-current="index === at ? 'step' : undefined"
                @click="go(index)"
              >
                <PencilMark :mark="markOf(each.key)" :size="18" />
                <span class="words break-anywhere">{{ each.title }}</span>
                <span class="second">{{ usual(each.key) }}</span>
              </button>
            </li>
          </template>
        </ol>
      </section>
      <p class="second">{{ t('ofMinutesHalfOfThis', { doneCount, steps: steps.length }) }}</p>
    </nav>
    <section class="grid gap-12px content-start" :aria-label="step.title">
      <h2 class="text-31px lh-36px"><SerifText :text="step.title" /></h2>
      <div
        class="what grid grid-cols-[minmax(0,1fr)_minmax(0,380px)] gap-y-12px gap-x-28px max-[1180px]:grid-cols-[minmax(0,1fr)_minmax(0,230px)] max-[800px]:grid-cols-[minmax(0,1fr)]"
      >
        <div class="grid gap-10px content-start">
          <ul class="m-0 pl-18px text-17px lh-25px">
            <li v-for="line in step.lines" :key="line">{{ line }}</li>
          </ul>
          <p v-if="step.check" class="check text-16px">
            <em>{{ t('rightWhen') }}</em> {{ step.check }}
          </p>
          <FeelScale v-if="step.feel" :feel="step.feel" />
          <p
            v-if="step.caution || heavy"
            class="caution py-6px px-12px [border-left:5px_double_var(--rust)] text-rust"
          >
            {{ step.caution }}<template v-if="heavy"> {{ ' ' }}{{ t('overKgTwoPeopleLift') }}</template>
          </p>
          <div v-for="(question, index) in questions" :key="question.question" class="question grid gap-6px">
            <p class="text-16px">
              {{ question.question }}
              <strong v-if="question.caution" class="rust">{{ question.caution }}</strong>
            </p>
            <BigChoice
              :model-value="now.said[index] ?? null"
              :options="question.answers.map(({ value, words, fine: good }) => ({ value, words, bad: !good }))"
              :label="question.question"
              @update:model-value="say(index, $event)"
            />
          </div>
          <p v-if="step.test === 'level' && available" class="flex flex-wrap gap-10px items-center">
            <ElButton v-if="!running" @click="start">{{ t('useThisTabletAsA') }}</ElButton>
            <template v-else-if="tilt === null">{{ t('layTheTabletFlatOn') }}</template>
            <template v-else>
              <b>{{ tilt.toFixed(1) }}°</b> {{ t('fromLevel2') }}
              <ElButton @click="takeTilt">{{ t('takeIt') }}</ElButton>
            </template>
            <span v-if="refused" class="rust">{{ t('theTabletDoesntLetIts') }}</span>
          </p>
        </div>
        <StepDrawing
          v-if="step.drawing"
          :kit="kit"
          :drawing="step.drawing"
          class="drawing grid gap-10px content-start"
        />
      </div>
      <p
        v-for="remedy in judged?.remedies ?? []"
        :key="remedy"
        role="status"
        :aria-label="t('whatToDo')"
        class="advice text-22px lh-28px"
      >
        <SerifText :text="remedy" />
      </p>
      <p v-if="now.found === 'not-fine'" class="text-rust fw-640">
        {{ t('foundNotFine') }}<template v-if="now.left === 'fine'">{{ t('putRight') }}</template
        >.
      </p>
      <div class="marks flex flex-wrap gap-10px">
        <ElButton
          size="large"
          class="min-w-150px min-h-52px"
          :class="{ main: now.found !== 'not-fine' }"
          @click="fine"
        >
          {{ t('fine') }} <KeyCap name="Space" />
        </ElButton>
        <ElButton size="large" class="min-w-150px min-h-52px" @click="notFine"
          >{{ t('notFine') }} <KeyCap name="x"
        /></ElButton>
        <ElButton
          size="large"
          class="min-w-150px min-h-52px"
          :class="{ main: now.found === 'not-fine' }"
          :disabled="now.found !== 'not-fine'"
          @click="putRight"
        >
          {{ t('putRight2') }} <KeyCap name="p" />
        </ElButton>
      </div>
    </section>
    <ShakeTest v-model="draft.shake" class="col-span-full" />
  </div>
</template>

<style scoped>
nav button {
  display: grid;
  grid-template-columns: 22px minmax(0, 1fr) auto;
  gap: 6px;
  align-items: center;
  width: 100%;
  min-height: 32px;
  padding: 2px 8px 2px 4px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

@media (pointer: coarse) {
  nav button {
    min-height: 42px;
  }
}

.here {
  background: var(--wash);
  font-weight: 640;
}

/* A tablet: the drawing gives way before words and buttons do. */
</style>
