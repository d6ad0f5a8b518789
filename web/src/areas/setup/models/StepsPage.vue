<script setup lang="ts">
import { modelSheetSchema } from '@binoculum/contract'
import {
  dismantling,
  feels,
  phases,
  procedureWarnings,
  roles,
  stepDrawings,
  stepTests,
  templateProcedure,
  type Phase,
  type ProcedureStep,
  type Role,
} from '@binoculum/core'
import Sortable from 'sortablejs'
import { computed, nextTick, onScopeDispose, ref, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import StepDrawing from '../../../shared/drawings/StepDrawing.vue'
import KeyCap from '../../../shared/keys/KeyCap.vue'
import { useKeys } from '../../../shared/keys/use-keys.ts'
import ProblemNote from '../../../shared/ProblemNote.vue'
import SetupTabs from '../SetupTabs.vue'
import KeptFormNote from './KeptFormNote.vue'
import ModelTabs from './ModelTabs.vue'
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
import { useKeptForm } from './use-kept-form.ts'

const route = useRoute()
const id = String(route.params.id)
const { data: sheet, problem: unreadable, reload } = useLoaded(modelSheetSchema, `/api/models/${id}`)
const { sending, problem, run } = useSending()
const draft = ref<ProcedureDraft | null>(null)
const page = useKeptForm(`steps ${id}`, draft)
const undoable = ref<string[]>([])
const chosen = ref<{ way: Way; key: string } | null>(null)
const lists = useTemplateRef('lists')

watch(sheet, (given) => {
  if (!given) return
  page.begin(given.procedure as ProcedureDraft, given.version)
  undoable.value = []
  const first = given.procedure.setUp[0]
  chosen.value ??= first ? { way: 'setUp', key: first.key } : null
})
const mayChange = computed(() => sheet.value?.mayChange ?? false)
const changed = computed(() => !!sheet.value && JSON.stringify(draft.value) !== JSON.stringify(sheet.value.procedure))
const partRoles = computed(() => sheet.value?.parts.map(({ role }) => role) ?? [])
const warnings = computed(() => (draft.value ? procedureWarnings(draft.value, partRoles.value) : []))
const warningOf = (key: string) => warnings.value.filter(({ stepKey }) => stepKey === key)
const step = computed(() => {
  const at = chosen.value
  return at && draft.value ? (draft.value[at.way].find(({ key }) => key === at.key) ?? null) : null
})
const problems = computed(() => (draft.value ? problemsOf(draft.value) : {}))
const times = computed(() => new Map(sheet.value?.stepTimes.map((each) => [each.key, each]) ?? []))
const total = computed(() => secondsOf(draft.value?.setUp ?? [], sheet.value?.stepTimes ?? []))
const ways: readonly { way: Way; words: string }[] = [
  { way: 'setUp', words: 'Putting together' },
  { way: 'takeApart', words: 'Taking apart' },
]
const phaseWords: Readonly<Record<Phase, string>> = {
  unpack: 'unpack',
  stand: 'stand',
  mount: 'mount',
  tube: 'tube',
  'fit-out': 'fit-out',
}
const drawn = computed(() =>
  sheet.value
    ? { ...sheet.value, parts: sheet.value.parts.map((part) => ({ ...part, mark: 'present' as const })) }
    : null,
)

function change(next: (now: ProcedureDraft) => ProcedureDraft) {
  if (!draft.value || !mayChange.value) return
  undoable.value.push(JSON.stringify(draft.value))
  draft.value = next(draft.value)
}
function undo() {
  const before = undoable.value.pop()
  if (before) draft.value = JSON.parse(before) as ProcedureDraft
}
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
const derive = () =>
  change((now) => ({ ...now, takeApart: structuredClone(dismantling(now.setUp)) as ProcedureStep[] }))
function toTemplate() {
  const given = sheet.value
  if (!given) return
  const { collapsible } = given.optics
  const template = templateProcedure({ family: given.family, collapsible, parts: partRoles.value })
  change(() => structuredClone(template) as ProcedureDraft)
}
const move = (by: -1 | 1) => {
  const at = chosen.value
  if (at) change((now) => stepProcedure(now, at, by))
}
const linesText = computed({
  get: () => step.value?.lines.map(({ text }) => text).join('\n') ?? '',
  set: (text: string) => {
    const before = step.value?.lines ?? []
    const lines = text.split('\n').map((each) => ({
      text: each,
      needs: before.find((line) => line.text === each)?.needs ?? null,
    }))
    set({ lines })
  },
})
async function save() {
  const given = sheet.value
  if (!given || !draft.value || !changed.value || Object.keys(problems.value).length > 0) return
  const body = { version: given.version, procedure: draft.value }
  await run(async () => {
    const answer = await api.put(modelSheetSchema, `/api/models/${id}/procedure`, body)
    page.done()
    sheet.value = answer
  })
}

let sortables: Sortable[] = []
function makeSortable() {
  sortables.forEach((each) => each.destroy())
  sortables = [...(lists.value?.querySelectorAll<HTMLElement>('ol[data-way]') ?? [])].map((element) =>
    Sortable.create(element, {
      handle: '.grip',
      animation: 0,
      ghostClass: 'landing',
      onEnd: ({ item, from, oldIndex, newIndex }) => {
        const way = from.dataset.way as Way
        // Put the row back where Vue left it: the new order comes from the data.
        from.insertBefore(item, from.children[(oldIndex ?? 0) + ((oldIndex ?? 0) > (newIndex ?? 0) ? 1 : 0)] ?? null)
        change((now) => movedTo(now, way, oldIndex ?? 0, newIndex ?? 0))
        chosen.value = { way, key: item.dataset.key ?? '' }
      },
    }),
  )
}
watch([draft, mayChange], () => nextTick(() => mayChange.value && makeSortable()), { flush: 'post' })
onScopeDispose(() => sortables.forEach((each) => each.destroy()))

function choose(by: -1 | 1) {
  const at = chosen.value
  const steps = draft.value?.[at?.way ?? 'setUp'] ?? []
  const index = steps.findIndex(({ key }) => key === at?.key)
  const next = steps[Math.min(Math.max(index + by, 0), steps.length - 1)]
  if (next) chosen.value = { way: at?.way ?? 'setUp', key: next.key }
}
useKeys(() => ({
  ArrowDown: (event) => void (event.shiftKey ? move(1) : choose(1)),
  ArrowUp: (event) => void (event.shiftKey ? move(-1) : choose(-1)),
  '+': () => mayChange.value && addStep(),
  u: undo,
  Enter: () => void save(),
}))
</script>

<template>
  <main class="steps">
    <div class="page">
      <SetupTabs />
      <ProblemNote :problem="unreadable" @retry="reload" />
      <template v-if="sheet && draft">
        <ModelTabs :model-id="id" :name="sheet.name" />
        <p class="quiet">
          {{
            sheet.procedureIsTemplate && !changed
              ? 'These are the family’s steps. Change one, and they are this model’s own.'
              : 'This model’s own steps.'
          }}
          {{
            total.known > 0 ? `Putting together takes ${minutesWords(total.seconds)}, half of the checks less.` : ''
          }}
        </p>
        <ProblemNote :problem="problem" @retry="reload" />
        <KeptFormNote :page="page" />
        <div class="columns">
          <div ref="lists">
            <section v-for="{ way, words } in ways" :key="way">
              <h2>
                {{ words }}
                <button v-if="way === 'takeApart' && mayChange" type="button" class="link-button" @click="derive">
                  in reverse again
                </button>
              </h2>
              <ol :data-way="way">
                <li
                  v-for="(each, index) in draft[way]"
                  :key="each.key"
                  :data-key="each.key"
                  :class="{ current: chosen?.way === way && chosen.key === each.key }"
                  @click="chosen = { way, key: each.key }"
                >
                  <span class="grip" aria-hidden="true"
                    ><svg width="11" height="12" viewBox="0 0 11 12"><path d="M1 2.5H10M1 6H10M1 9.5H10" /></svg
                  ></span>
                  <span class="number">{{ index + 1 }}</span>
                  <span class="title"
                    >{{ each.title || 'no name yet'
                    }}<span v-for="warning in warningOf(each.key)" :key="warning.code" class="warning">{{
                      warning.why
                    }}</span></span
                  >
                  <span class="second">{{ phaseWords[each.phase] }}</span>
                  <span class="second time">{{
                    times.has(each.key) ? minutesWords(times.get(each.key)?.medianSeconds ?? 0) : ''
                  }}</span>
                </li>
              </ol>
            </section>
          </div>
          <aside v-if="step" :key="step.key">
            <StepDrawing v-if="step.drawing && drawn" :kit="drawn" :drawing="step.drawing" class="drawing" />
            <fieldset :disabled="!mayChange">
              <label class="labelled"
                ><span>step</span
                ><input
                  class="field"
                  maxlength="120"
                  name="title"
                  :value="step.title"
                  @change="set({ title: ($event.target as HTMLInputElement).value })"
              /></label>
              <label class="labelled wide"
                ><span>what to do, a line each; {part-role} stands for the part’s name</span
                ><textarea v-model.lazy="linesText" class="field" rows="4" name="lines"></textarea>
              </label>
              <label class="labelled"
                ><span>right when</span
                ><input
                  class="field"
                  maxlength="200"
                  :value="step.check"
                  @change="set({ check: ($event.target as HTMLInputElement).value })"
              /></label>
              <label class="labelled"
                ><span>caution</span
                ><input
                  class="field"
                  maxlength="300"
                  :value="step.caution ?? ''"
                  @change="set({ caution: ($event.target as HTMLInputElement).value || null })"
              /></label>
              <label class="labelled"
                ><span>station</span
                ><select
                  class="field"
                  :value="step.phase"
                  @change="set({ phase: ($event.target as HTMLSelectElement).value as Phase })"
                >
                  <option v-for="phase in phases" :key="phase" :value="phase">{{ phaseWords[phase] }}</option>
                </select></label
              >
              <label class="labelled"
                ><span>part in question</span
                ><select
                  class="field"
                  :value="step.part ?? ''"
                  @change="set({ part: (($event.target as HTMLSelectElement).value || null) as Role | null })"
                >
                  <option value="">none</option>
                  <option v-for="(facts, role) in roles" :key="role" :value="role">{{ facts.words }}</option>
                </select></label
              >
              <label class="labelled"
                ><span>feel</span
                ><select
                  class="field"
                  :value="step.feel ?? ''"
                  @change="
                    set({ feel: (($event.target as HTMLSelectElement).value || null) as ProcedureStep['feel'] })
                  "
                >
                  <option value="">nothing is tightened</option>
                  <option v-for="feel in feels" :key="feel" :value="feel">{{ feel }}</option>
                </select></label
              >
              <label class="labelled"
                ><span>test at the bench</span
                ><select
                  class="field"
                  :value="step.test ?? ''"
                  @change="
                    set({ test: (($event.target as HTMLSelectElement).value || null) as ProcedureStep['test'] })
                  "
                >
                  <option value="">a look</option>
                  <option v-for="test in stepTests" :key="test" :value="test">{{ test.replaceAll('-', ' ') }}</option>
                </select></label
              >
              <label class="labelled"
                ><span>drawing</span
                ><select
                  class="field"
                  :value="step.drawing ?? ''"
                  @change="
                    set({ drawing: (($event.target as HTMLSelectElement).value || null) as ProcedureStep['drawing'] })
                  "
                >
                  <option value="">none</option>
                  <option v-for="each in stepDrawings" :key="each" :value="each">
                    {{ each.replaceAll('-', ' ') }}
                  </option>
                </select></label
              >
            </fieldset>
            <p v-if="problems[step.key]" class="rust" role="alert">{{ problems[step.key] }}</p>
            <button v-if="mayChange" type="button" class="link-button" @click="removeStep">Take this step out</button>
          </aside>
        </div>
      </template>
    </div>
    <footer v-if="sheet && mayChange" class="action-bar">
      <button
        type="button"
        class="button main big"
        :disabled="!changed || sending || Object.keys(problems).length > 0"
        @click="save"
      >
        Use these steps <KeyCap name="Enter" />
      </button>
      <button type="button" class="button big" @click="addStep">Add a step <KeyCap name="+" /></button>
      <button type="button" class="button big" :disabled="!step" aria-label="Move up" @click="move(-1)">
        Up <KeyCap name="⇧↑" />
      </button>
      <button type="button" class="button big" :disabled="!step" aria-label="Move down" @click="move(1)">
        Down <KeyCap name="⇧↓" />
      </button>
      <button type="button" class="button big" :disabled="undoable.length === 0" @click="undo">
        Undo <KeyCap name="u" />
      </button>
      <button type="button" class="link-button" @click="toTemplate">Back to the family’s steps</button>
      <strong v-if="warnings.length > 0" class="rust"
        >{{ warnings.length === 1 ? 'One order' : `${warnings.length} orders` }} that can hurt</strong
      >
    </footer>
  </main>
</template>

<style scoped src="../../../theme/action-bar.css"></style>

<style scoped>
.steps {
  display: flex;
  flex: 1;
  flex-direction: column;
}

.page {
  flex: 1;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  gap: 12px 36px;
  margin-top: 12px;
}

h2 {
  border-bottom: 1px solid var(--rule-strong);
}

h2 .link-button {
  margin-left: 10px;
  font: 400 15px var(--sans);
}

ol {
  margin: 0 0 16px;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 16px 22px minmax(0, 1fr) 56px 56px;
  gap: 8px;
  align-items: center;
  min-height: 34px;
  padding: 3px 6px;
  border-bottom: 1px solid var(--rule);
  cursor: pointer;
}

.current {
  background: var(--wash);
}

.landing {
  border-top: 3px solid var(--night);
}

.grip {
  cursor: grab;
}

.grip path {
  stroke: var(--quiet);
}

.number,
.time {
  color: var(--quiet);
  text-align: right;
}

.title {
  overflow-wrap: anywhere;
}

.warning {
  display: block;
  margin-top: 2px;
  padding-left: 8px;
  border-left: 5px double var(--rust);
  color: var(--rust);
  font-size: 14px;
}

aside {
  display: grid;
  gap: 12px;
  align-content: start;
  justify-items: start;
}

.drawing {
  max-width: 240px;
}

fieldset {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 16px;
  width: 100%;
  margin: 0;
  padding: 0;
  border: 0;
}

.wide {
  grid-column: 1 / -1;
}

@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
