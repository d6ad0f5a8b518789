<script setup lang="ts">
import { writeProcedureSchema } from '@binoculum/contract'
import {
  dismantling,
  finderKindOnCard,
  procedureWarnings,
  templateProcedure,
  type ProcedureStep,
} from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import KeyButton from '../../../shared/controls/KeyButton.vue'
import StepDrawing from '../../../shared/drawings/StepDrawing.vue'
import { useKeys } from '../../../shared/keys/use-keys.ts'
import ProblemNote from '../../../shared/ProblemNote.vue'
import SetupTabs from '../SetupTabs.vue'
import KeptFormNote from './KeptFormNote.vue'
import ModelTabs from './ModelTabs.vue'
import StepFields from './StepFields.vue'
import StepRows from './StepRows.vue'
import {
  emptyStep,
  minutesWords,
  movedTo,
  problemsOf,
  secondsOf,
  stepProcedure,
  type ProcedureDraft,
  type Way,
} from './steps-draft.ts'
import { useModelForm } from './use-model-form.ts'
import { setupWords } from '../words.ts'

const t = setupWords('stepsPage')

const page = useModelForm('procedure', {
  schema: writeProcedureSchema,
  begin: ({ procedure }) => procedure as ProcedureDraft,
  written: (procedure) => ({ procedure }),
})
const { id, sheet, form: draft, draft: kept, unreadable, problem, reload, sending, changed, mayChange, save } = page
const { change, undo, canUndo } = kept
const chosen = ref<{ way: Way; key: string } | null>(null)

watch(sheet, (given) => {
  const first = given?.procedure.setUp[0]
  chosen.value ??= first ? { way: 'setUp', key: first.key } : null
})
const partRoles = computed(() => sheet.value?.parts.map(({ role }) => role) ?? [])
const warnings = computed(() => (draft.value ? procedureWarnings(draft.value, partRoles.value) : []))
const step = computed(() => {
  const at = chosen.value
  return at && draft.value ? (draft.value[at.way].find(({ key }) => key === at.key) ?? null) : null
})
const problems = computed(() => (draft.value ? problemsOf(draft.value) : {}))
const total = computed(() => secondsOf(draft.value?.setUp ?? [], sheet.value?.stepTimes ?? []))
const drawn = computed(() =>
  sheet.value
    ? { ...sheet.value, parts: sheet.value.parts.map((part) => ({ ...part, mark: 'present' as const })) }
    : null,
)

const set = (given: Partial<ProcedureStep>) => {
  const at = chosen.value
  if (at)
    change((now) => ({
      ...now,
      [at.way]: now[at.way].map((each) => (each.key === at.key ? { ...each, ...given } : each)),
    }))
}
function addStep() {
  const way = chosen.value?.way ?? 'setUp'
  const made = emptyStep(step.value?.phase ?? 'stand')
  const after = chosen.value?.key
  change((now) => {
    const index = now[way].findIndex(({ key }) => key === after)
    return { ...now, [way]: [...now[way].slice(0, index + 1), made, ...now[way].slice(index + 1)] }
  })
  chosen.value = { way, key: made.key }
}
function removeStep() {
  const at = chosen.value
  if (!at) return
  change((now) => ({ ...now, [at.way]: now[at.way].filter(({ key }) => key !== at.key) }))
  chosen.value = null
}
const drop = (way: Way, from: number, to: number) => change((now) => movedTo(now, way, from, to))
const derive = () =>
  change((now) => ({ ...now, takeApart: structuredClone(dismantling(now.setUp)) as ProcedureStep[] }))
/** The family's steps as the server makes them: for this stand and this finder too. */
function toTemplate() {
  const given = sheet.value
  if (!given) return
  const { family, optics, stand, parts } = given
  const of = { family, collapsible: optics.collapsible, parts: partRoles.value, stand }
  const template = templateProcedure({ ...of, finderKind: finderKindOnCard(parts) })
  change(() => structuredClone(template) as ProcedureDraft)
}
const move = (by: -1 | 1) => {
  const at = chosen.value
  if (at) change((now) => stepProcedure(now, at, by))
}
function choose(by: -1 | 1) {
  const at = chosen.value
  const steps = draft.value?.[at?.way ?? 'setUp'] ?? []
  const index = steps.findIndex(({ key }) => key === at?.key)
  const next = steps[Math.min(Math.max(index + by, 0), steps.length - 1)]
  if (next) chosen.value = { way: at?.way ?? 'setUp', key: next.key }
}
async function keep() {
  if (changed.value && Object.keys(problems.value).length === 0) await save()
}
useKeys(() => ({
  ArrowDown: (event) => void (event.shiftKey ? mayChange.value && move(1) : choose(1)),
  ArrowUp: (event) => void (event.shiftKey ? mayChange.value && move(-1) : choose(-1)),
  '+': () => mayChange.value && addStep(),
  u: undo,
  Enter: () => void keep(),
}))
</script>

<template>
  <main class="flex flex-1 flex-col">
    <div class="page flex-1">
      <SetupTabs />
      <ProblemNote :problem="unreadable" @retry="reload" />
      <template v-if="sheet && draft">
        <ModelTabs :model-id="id" :name="sheet.name" />
        <p class="quiet">
          {{ sheet.procedureIsTemplate && !changed ? t('theseAreTheFamilysSteps') : t('thisModelsOwnSteps') }}
          {{ total.known > 0 ? t('puttingTogetherTakesHalfOf', { seconds: minutesWords(total.seconds) }) : '' }}
        </p>
        <ProblemNote :problem="problem" @retry="reload" />
        <KeptFormNote :page="kept" />
        <div
          class="columns grid grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] gap-y-12px gap-x-36px mt-12px max-[1000px]:grid-cols-[minmax(0,1fr)]"
        >
          <StepRows
            v-model:chosen="chosen"
            :draft="draft"
            :warnings="warnings"
            :step-times="sheet.stepTimes"
            :may-change="mayChange"
            @drop="drop"
            @derive="derive"
          />
          <aside v-if="step" :key="step.key" class="grid gap-12px content-start justify-items-start">
            <StepDrawing v-if="step.drawing && drawn" :kit="drawn" :drawing="step.drawing" class="max-w-240px" />
            <StepFields
              :step="step"
              :problem="problems[step.key]"
              :may-change="mayChange"
              @set="set"
              @remove="removeStep"
            />
          </aside>
        </div>
      </template>
    </div>
    <footer v-if="sheet && mayChange" class="action-bar">
      <KeyButton
        main
        hint="Enter"
        :disabled="!changed || sending || Object.keys(problems).length > 0"
        @click="keep"
        >{{ t('useTheseSteps') }}</KeyButton
      >
      <KeyButton hint="+" @click="addStep">{{ t('addAStep') }}</KeyButton>
      <KeyButton hint="⇧↑" :disabled="!step" :aria-label="t('moveUp')" @click="move(-1)">{{ t('up') }}</KeyButton>
      <KeyButton hint="⇧↓" :disabled="!step" :aria-label="t('moveDown')" @click="move(1)">{{ t('down') }}</KeyButton>
      <KeyButton hint="u" :disabled="!canUndo" @click="undo">{{ t('undo') }}</KeyButton>
      <ElButton link type="primary" @click="toTemplate">{{ t('backToTheFamilysSteps') }}</ElButton>
      <strong v-if="warnings.length > 0" class="rust">{{ t('ordersThatCanHurt', { n: warnings.length }) }}</strong>
    </footer>
  </main>
</template>

<style scoped src="../../../theme/action-bar.css"></style>
