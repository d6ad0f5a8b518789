<script setup lang="ts">
import { modelSheetSchema } from '@binoculum/contract'
import { inCaseOrder, massText, type Role } from '@binoculum/core'
import Sortable from 'sortablejs'
import { computed, nextTick, onScopeDispose, ref, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { differenceWords } from '../../../shared/difference-words.ts'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import CaseDrawing from '../../../shared/drawings/CaseDrawing.vue'
import ScaleBar from '../../../shared/drawings/ScaleBar.vue'
import KeyCap from '../../../shared/keys/KeyCap.vue'
import { useKeys, type KeyMap } from '../../../shared/keys/use-keys.ts'
import ProblemNote from '../../../shared/ProblemNote.vue'
import { useSession } from '../../people/session.ts'
import SetupTabs from '../SetupTabs.vue'
import {
  draftOf,
  movePart,
  lookAlikeWords,
  newPart,
  placesOf,
  roleChoices,
  stepPart,
  whatWeighingSees,
  written,
  type DraftPart,
  type ModelDraft,
} from './model-draft.ts'
import KeptFormNote from './KeptFormNote.vue'
import ModelTabs from './ModelTabs.vue'
import PartFields from './PartFields.vue'
import { useKeptForm } from './use-kept-form.ts'

const route = useRoute()
const router = useRouter()
const session = useSession()
const id = String(route.params.id)
const { data: sheet, problem: unreadable, reload } = useLoaded(modelSheetSchema, `/api/models/${id}`)
const { sending, problem, run } = useSending()
const draft = ref<ModelDraft | null>(null)
const page = useKeptForm(`card ${id}`, draft)
const undoable = ref<string[]>([])
const chosenKey = ref<string | null>(null)
const folded = ref(new Set<string>())
const adds = ref(false)
const copyName = ref<string | null>(null)
const list = useTemplateRef('list')

const places = computed(() => placesOf(draft.value?.parts ?? []))
const chosen = computed(() => draft.value?.parts.find(({ key }) => key === chosenKey.value) ?? null)
const chosenNumber = computed(() => (draft.value?.parts.findIndex(({ key }) => key === chosenKey.value) ?? -1) + 1)
const sights = computed(() => (draft.value ? whatWeighingSees(draft.value) : []))
const changed = computed(() => !!sheet.value && JSON.stringify(draft.value) !== JSON.stringify(draftOf(sheet.value)))
const mayChange = computed(() => sheet.value?.mayChange ?? false)
const branchId = computed(
  () => session.current?.memberships.find(({ role }) => role === 'coordinator')?.branchId ?? '',
)
const asParts = computed(() => (draft.value?.parts ?? []).map((part) => ({ ...part, id: part.key })) as never)
const usedFor = computed(() => {
  const n = sheet.value?.kits.length ?? 0
  return n === 0
    ? 'Keep'
    : n === 1
      ? `Use for ${sheet.value?.kits[0]?.name}`
      : n === 2
        ? 'Use for both kits'
        : `Use for all ${n} kits`
})
const massOf = (parts: readonly DraftPart[]) => parts.reduce((sum, { massG, count }) => sum + (massG ?? 0) * count, 0)
const hidden = computed(() => sights.value.filter(({ smallestG, matters }) => matters && smallestG > matters.massG))
function change(next: (now: ModelDraft) => ModelDraft) {
  if (!draft.value || !mayChange.value) return
  undoable.value.push(JSON.stringify(draft.value))
  draft.value = next(draft.value)
}
function undo() {
  const before = undoable.value.pop()
  if (before) draft.value = JSON.parse(before) as ModelDraft
}
const setPart = (set: Partial<DraftPart>) =>
  change((now) => {
    const parts = now.parts.map((part) => (part.key === chosenKey.value ? { ...part, ...set } : part))
    return { ...now, parts: 'place' in set ? inCaseOrder(parts) : parts }
  })
function removePart() {
  const key = chosenKey.value
  change((now) => ({ ...now, parts: now.parts.filter((part) => part.key !== key) }))
  chosenKey.value = null
}
function addPart(role: Role) {
  const key = crypto.randomUUID()
  const place = chosen.value?.place ?? places.value[0]?.place ?? 'Case'
  change((now) => ({ ...now, parts: inCaseOrder([...now.parts, newPart(role, place, key)]) }))
  adds.value = false
  chosenKey.value = key
}
function addCompartment() {
  const part = chosen.value
  if (!part) return
  const name = `Place ${places.value.length + 1}`
  setPart({ place: name })
}
const step = (by: -1 | 1) =>
  chosenKey.value && change((now) => ({ ...now, parts: stepPart(now.parts, chosenKey.value ?? '', by) }))
function choose(by: -1 | 1) {
  const parts = draft.value?.parts ?? []
  const at = parts.findIndex(({ key }) => key === chosenKey.value)
  chosenKey.value = parts[Math.min(Math.max(at + by, 0), parts.length - 1)]?.key ?? null
}
function setGroup(index: number, set: Partial<{ name: string; scaleStepG: number }>) {
  change((now) => {
    const before = now.weighGroups[index]?.name
    const weighGroups = now.weighGroups.map((group, at) => (at === index ? { ...group, ...set } : group))
    const parts = now.parts.map((part) =>
      set.name && part.weighGroup === before ? { ...part, weighGroup: set.name } : part,
    )
    return { ...now, weighGroups, parts }
  })
}

async function save() {
  const given = sheet.value
  if (!draft.value || !given || !changed.value) return
  const body = written(draft.value, given.version)
  const done = await run(async () => {
    const answer = await api.post(modelSheetSchema, `/api/models/${id}`, body)
    page.done()
    sheet.value = answer
  })
  if (done) undoable.value = []
}
async function copy() {
  const name = copyName.value?.trim()
  if (!name) return
  await run(async () => {
    const made = await api.post(modelSheetSchema, `/api/models/${id}/copy`, { name })
    await router.push(`/setup/models/${made.id}`)
  })
}

watch(sheet, (given) => {
  if (!given) return
  page.begin(draftOf(given), given.version)
  chosenKey.value ??= given.parts[0]?.id ?? null
})

/** Rows are lifted by their grips and dropped where the line shows; the list itself stays Vue's. */
let sortables: Sortable[] = []
function makeSortable() {
  sortables.forEach((each) => each.destroy())
  sortables = [...(list.value?.querySelectorAll<HTMLElement>('ul[data-place]') ?? [])].map((element) =>
    Sortable.create(element, {
      group: 'parts',
      handle: '.grip',
      animation: 0,
      ghostClass: 'landing',
      onEnd: ({ item, from, to, oldIndex, newIndex }) => {
        const key = item.dataset.key ?? ''
        const place = to.dataset.place ?? ''
        // Put the row back where Vue left it: the new order comes from the data.
        from.insertBefore(item, from.children[oldIndex ?? 0] ?? null)
        change((now) => ({ ...now, parts: movePart(now.parts, key, { place, index: newIndex ?? 0 }) }))
        chosenKey.value = key
      },
    }),
  )
}
watch(
  [() => places.value.map(({ place }) => place).join('|'), folded, mayChange],
  () => nextTick(() => mayChange.value && makeSortable()),
  { deep: true, flush: 'post' },
)
onScopeDispose(() => sortables.forEach((each) => each.destroy()))

useKeys((): KeyMap =>
  adds.value
    ? { Escape: () => (adds.value = false) }
    : {
        ArrowDown: (event) => void (event.shiftKey ? step(1) : choose(1)),
        ArrowUp: (event) => void (event.shiftKey ? step(-1) : choose(-1)),
        '+': () => (adds.value = mayChange.value),
        c: addCompartment,
        u: undo,
        Enter: () => void save(),
      },
)
</script>

<template>
  <main class="model">
    <div class="page">
      <SetupTabs />
      <ProblemNote :problem="unreadable" @retry="reload" />
      <template v-if="sheet && draft">
        <header>
          <input
            v-if="mayChange"
            class="name"
            :value="draft.name"
            aria-label="Name of the model"
            maxlength="120"
            @change="change((now) => ({ ...now, name: ($event.target as HTMLInputElement).value }))"
          />
          <h1 v-else>{{ draft.name }}</h1>
          <p class="quiet">
            a model with {{ sheet.kits.length === 1 ? 'one kit' : `${sheet.kits.length} kits`
            }}<span v-if="sheet.kits.length > 0"
              >,
              {{
                sheet.kits
                  .slice(0, 6)
                  .map(({ name }) => name)
                  .join(', ')
              }}{{ sheet.kits.length > 6 ? ' …' : '' }}</span
            >
          </p>
          <RouterLink to="/setup/models" class="all">All models</RouterLink>
        </header>
        <ModelTabs :model-id="id" />
        <ProblemNote :problem="problem" @retry="save" />
        <KeptFormNote :page="page" />
        <p v-if="!mayChange" class="quiet">Only a coordinator of every branch with such kits may change it.</p>
        <div class="columns">
          <div ref="list">
            <div class="head">
              <em class="part-head">part</em><em>mass ± g</em><em>needed</em><em>every time</em><em>looks like</em
              ><em>weighed in</em>
            </div>
            <section v-for="{ place, parts } in places" :key="place">
              <h2>
                <button
                  type="button"
                  class="fold"
                  :aria-expanded="!folded.has(place)"
                  @click="folded.has(place) ? folded.delete(place) : folded.add(place)"
                >
                  {{ folded.has(place) ? '▸' : '▾' }} {{ place || 'no place' }}
                </button>
                <span class="second"
                  >{{ parts.length }} {{ parts.length === 1 ? 'part' : 'parts' }}, {{ massText(massOf(parts)) }}</span
                >
              </h2>
              <ul v-show="!folded.has(place)" :data-place="place">
                <li
                  v-for="part in parts"
                  :key="part.key"
                  :data-key="part.key"
                  :class="{ current: part.key === chosenKey, essential: part.criticality === 'essential' }"
                  @click="chosenKey = part.key"
                >
                  <span class="grip" aria-hidden="true"
                    ><svg width="11" height="12" viewBox="0 0 11 12"><path d="M1 2.5H10M1 6H10M1 9.5H10" /></svg
                  ></span>
                  <span class="number">{{ part.number }}</span>
                  <span class="words">{{ part.name }}</span>
                  <span class="count">{{ part.count > 1 ? part.count : '' }}</span>
                  <span class="mass"
                    >{{ part.massG === null ? '–' : massText(part.massG) }}
                    <i>{{ part.toleranceG === null ? '' : `± ${Math.round(part.toleranceG)}` }}</i></span
                  >
                  <span class="second">{{ part.criticality }}</span>
                  <span class="second look">{{ part.lookEveryTime ? 'look' : '' }}</span>
                  <span :class="['second', 'brass', 'like', { rust: lookAlikeWords(part) === 'sun filter' }]">{{
                    lookAlikeWords(part) ? `⇄ ${lookAlikeWords(part)}` : ''
                  }}</span>
                  <span class="second">{{ part.weighGroup || 'whole' }}</span>
                </li>
              </ul>
            </section>
            <section v-if="sheet.kits.some(({ differences }) => differences.length > 0)" class="differences">
              <h2>Kits that differ</h2>
              <p v-for="kit in sheet.kits.filter(({ differences }) => differences.length > 0)" :key="kit.code">
                <RouterLink :to="`/kits/${encodeURIComponent(kit.code)}`">{{ kit.name }}</RouterLink>
                <span v-for="(each, index) in kit.differences.slice(0, 6)" :key="index" class="second">
                  ·
                  {{ differenceWords(each) }}
                </span>
              </p>
            </section>
          </div>
          <aside>
            <CaseDrawing
              :parts="asParts"
              :mark-of="() => 'present'"
              :current-id="chosenKey"
              :width="330"
              @choose="chosenKey = $event"
            />
            <section v-if="adds" class="adds" aria-label="Which part?">
              <h2>Which part?</h2>
              <button
                v-for="each in roleChoices"
                :key="each.role"
                type="button"
                class="link-button"
                @click="addPart(each.role)"
              >
                {{ each.words }}
              </button>
            </section>
            <PartFields
              v-else-if="chosen"
              :part="chosen"
              :number="chosenNumber"
              :places="places.map(({ place }) => place)"
              :groups="draft.weighGroups"
              :readonly="!mayChange"
              :branch-id="branchId"
              @set="setPart"
              @remove="removePart"
            />
            <section>
              <h2>What weighing can see</h2>
              <div v-for="(sight, index) in sights" :key="sight.name" class="sight">
                <span
                  ><input
                    class="field"
                    :value="sight.name"
                    :disabled="!mayChange"
                    aria-label="Name of the group"
                    @change="
                      setGroup(index, { name: ($event.target as HTMLInputElement).value.trim() || sight.name })
                    "
                /></span>
                <span class="second"
                  >scale
                  <input
                    class="field step"
                    type="number"
                    min="0.1"
                    step="any"
                    :value="sight.scaleStepG"
                    :disabled="!mayChange"
                    aria-label="Step of its scale, g"
                    @change="
                      setGroup(index, {
                        scaleStepG: Math.max(0.1, Number(($event.target as HTMLInputElement).value) || 1),
                      })
                    "
                  />
                  g</span
                >
                <b :class="{ rust: sight.matters && sight.smallestG > sight.matters.massG }">{{
                  massText(sight.smallestG)
                }}</b>
                <ScaleBar
                  v-if="sight.matters"
                  :value="sight.smallestG"
                  :limit="sight.matters.massG"
                  :label="`a loss shows from ${massText(sight.smallestG)}; ${sight.matters.name} weighs ${massText(sight.matters.massG)}`"
                />
                <span v-if="sight.matters" class="second against"
                  >{{ sight.matters.name }} {{ massText(sight.matters.massG) }}</span
                >
              </div>
              <p class="second">
                dot: the smallest loss that shows; tick: the part that matters.
                <strong v-if="hidden.length > 0" class="rust"
                  >{{ hidden[0]?.matters?.name }} stays unseen until each kit’s {{ hidden[0]?.name }} was weighed
                  once, complete: then {{ massText(hidden[0]?.once ?? 0) }} shows.</strong
                >
              </p>
              <button
                v-if="mayChange"
                type="button"
                class="link-button"
                @click="
                  change((now) => ({
                    ...now,
                    weighGroups: [...now.weighGroups, { name: `group ${now.weighGroups.length + 1}`, scaleStepG: 1 }],
                  }))
                "
              >
                Another group
              </button>
            </section>
          </aside>
        </div>
      </template>
    </div>
    <footer v-if="sheet && mayChange" class="action-bar">
      <button type="button" class="button main big" :disabled="!changed || sending" @click="save">
        {{ usedFor }} <KeyCap name="Enter" />
      </button>
      <button type="button" class="button big" @click="adds = !adds">Add a part <KeyCap name="+" /></button>
      <button type="button" class="button big" :disabled="!chosen" @click="addCompartment">
        New compartment <KeyCap name="c" />
      </button>
      <button type="button" class="button big" :disabled="!chosen" aria-label="Move up" @click="step(-1)">
        Up <KeyCap name="⇧↑" />
      </button>
      <button type="button" class="button big" :disabled="!chosen" aria-label="Move down" @click="step(1)">
        Down <KeyCap name="⇧↓" />
      </button>
      <button type="button" class="button big" :disabled="undoable.length === 0" @click="undo">
        Undo <KeyCap name="u" />
      </button>
      <form v-if="copyName !== null" class="copy" @submit.prevent="copy">
        <input v-model="copyName" class="field" aria-label="Name of the new model" required /><button
          type="submit"
          class="button"
        >
          Make it
        </button>
      </form>
      <button v-else type="button" class="link-button copy" @click="copyName = `${draft?.name}, changed`">
        New model from this one
      </button>
    </footer>
  </main>
</template>

<style scoped>
.model {
  display: flex;
  flex: 1;
  flex-direction: column;
}

.page {
  flex: 1;
}

header {
  display: flex;
  gap: 16px;
  align-items: baseline;
  margin-bottom: 8px;
}

header > * {
  min-width: 0;
  overflow-wrap: anywhere;
}

.name {
  flex: 0 1 460px;
  border: 0;
  border-bottom: 1px solid transparent;
  background: none;
  color: var(--ink);
  font: 400 34px/40px var(--serif);
}

.name:hover,
.name:focus {
  border-color: var(--rule-strong);
}

.all {
  margin-left: auto;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 332px;
  gap: 24px;
  align-items: start;
}

.head,
li {
  display: grid;
  grid-template-columns: 18px 26px minmax(0, 1fr) 20px 104px 78px 70px 112px 66px;
  gap: 6px;
  align-items: center;
}

.part-head {
  grid-column: 3 / 5;
}

.head em:nth-child(2) {
  text-align: right;
}

ul {
  min-height: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}

h2 {
  display: flex;
  gap: 12px;
  align-items: baseline;
  border-bottom: 1px solid var(--rule-strong);
}

h2 .second {
  font-family: var(--sans);
}

.like {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.fold {
  padding: 4px 0;
  border: 0;
  background: none;
  color: var(--night);
  font: inherit;
  cursor: pointer;
}

li {
  min-height: 27px;
  border-bottom: 1px solid var(--rule);
  background: var(--card);
  font-size: 14px;
}

li.current {
  background: var(--wash);
  box-shadow: 0 0 0 2px var(--night);
}

li.essential .words {
  font-weight: 640;
}

li.landing {
  border-top: 2px solid var(--night);
  opacity: 0.6;
}

.grip {
  padding-left: 4px;
  cursor: grab;
}

.grip path {
  stroke: var(--rule-strong);
}

.number,
.mass i {
  color: var(--quiet);
  font-size: 13px;
  font-style: normal;
}

.number,
.mass {
  text-align: right;
}

.mass,
.head em:nth-child(2) {
  padding-right: 10px;
}

.words {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.look {
  color: var(--ink);
}

aside {
  display: grid;
  gap: 14px;
}

.adds {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2px 10px;
  justify-items: start;
  max-height: 420px;
  overflow: auto;
}

.adds h2 {
  grid-column: 1 / -1;
  justify-self: stretch;
}

.sight {
  display: grid;
  grid-template-columns: 74px 92px 44px 68px;
  gap: 4px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
}

.sight .field {
  min-height: 26px;
  padding: 1px 4px;
  border-color: transparent;
  background: none;
  font-weight: 640;
}

.sight .step {
  display: inline-block;
  width: 44px;
}

.against {
  grid-column: 2 / -1;
}

.differences p {
  padding: 4px 0;
}

@media (max-width: 1100px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}

@media (max-width: 900px) {
  .head,
  li {
    grid-template-columns: 30px 26px minmax(0, 1fr) 20px 104px 84px 66px;
  }

  .like,
  .look,
  .head em:nth-child(4),
  .head em:nth-child(5) {
    display: none;
  }
}

@media (pointer: coarse) {
  li {
    min-height: 40px;
  }

  .grip {
    padding: 12px 8px;
  }
}

.copy {
  display: flex;
  gap: 8px;
  margin-left: auto;
}
</style>
