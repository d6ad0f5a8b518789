<script setup lang="ts">
import { modelSheetSchema, writeModelSchema, type ModelSheet } from '@binoculum/contract'
import { inCaseOrder, type Role } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../../../shared/api/client.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import KeyButton from '../../../shared/controls/KeyButton.vue'
import { differenceWords } from '../../../shared/difference-words.ts'
import CaseDrawing from '../../../shared/drawings/CaseDrawing.vue'
import { useKeys, type KeyMap } from '../../../shared/keys/use-keys.ts'
import ProblemNote from '../../../shared/ProblemNote.vue'
import { useSession } from '../../people/session.ts'
import SetupTabs from '../SetupTabs.vue'
import CardRows from './CardRows.vue'
import KeptFormNote from './KeptFormNote.vue'
import {
  draftOf,
  movePart,
  newPart,
  placesOf,
  roleChoices,
  stepPart,
  written,
  type DraftPart,
} from './model-draft.ts'
import ModelTabs from './ModelTabs.vue'
import PartFields from './PartFields.vue'
import { useModelForm } from './use-model-form.ts'
import WeighSights from './WeighSights.vue'
import { setupWords } from '../words.ts'

const t = setupWords('modelPage')

const router = useRouter()
const session = useSession()
const page = useModelForm('card', { schema: writeModelSchema, begin: draftOf, written })
const { id, sheet, form: draft, draft: kept, unreadable, problem, reload, sending, changed, mayChange, save } = page
const { change, undo, canUndo } = kept
const copying = useSending()
const chosenKey = ref<string | null>(null)
const adds = ref(false)
const copyName = ref<string | null>(null)

const places = computed(() => placesOf(draft.value?.parts ?? []))
const chosen = computed(() => draft.value?.parts.find(({ key }) => key === chosenKey.value) ?? null)
const chosenNumber = computed(() => (draft.value?.parts.findIndex(({ key }) => key === chosenKey.value) ?? -1) + 1)
const branchId = computed(
  () => session.current?.memberships.find(({ role }) => role === 'coordinator')?.branchId ?? '',
)
const asParts = computed(() => (draft.value?.parts ?? []).map((part) => ({ ...part, id: part.key })) as never)
const differing = computed(() => sheet.value?.kits.filter(({ differences }) => differences.length > 0) ?? [])

const MOST_NAMED = 6
const kitsInWords = ({ kits }: ModelSheet) => {
  const names = kits.slice(0, MOST_NAMED).map(({ name }) => name)
  const listed = names.length > 0 ? `, ${names.join(', ')}${kits.length > MOST_NAMED ? ' …' : ''}` : ''
  return t('aModelWithKits', { listed, n: kits.length })
}
const usedFor = computed(() => {
  const kits = sheet.value?.kits ?? []
  if (kits.length === 0) return t('keep')
  if (kits.length === 1) return t('useFor', { name: kits[0]?.name })
  return kits.length === 2 ? t('useForBothKits') : t('useForAllKits', { kits: kits.length })
})

watch(sheet, (given) => (chosenKey.value ??= given?.parts[0]?.id ?? null))

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
  if (chosen.value && mayChange.value) setPart({ place: t('placePlaces', { places: places.value.length + 1 }) })
}
function dropPart(key: string, to: { place: string; index: number }) {
  change((now) => ({ ...now, parts: movePart(now.parts, key, to) }))
  chosenKey.value = key
}
function step(by: -1 | 1) {
  const key = chosenKey.value
  if (key && mayChange.value) change((now) => ({ ...now, parts: stepPart(now.parts, key, by) }))
}
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
const addGroup = () =>
  change((now) => ({
    ...now,
    weighGroups: [
      ...now.weighGroups,
      { name: t('groupWeighgroups', { weighGroups: now.weighGroups.length + 1 }), scaleStepG: 1 },
    ],
  }))

async function keep() {
  if (changed.value) await save()
}
async function copy() {
  const name = copyName.value?.trim()
  if (!name) return
  await copying.run(async () => {
    const made = await api.post(modelSheetSchema, `/api/models/${id}/copy`, { name })
    await router.push(`/setup/models/${made.id}`)
  })
}

useKeys((): KeyMap =>
  adds.value
    ? { Escape: () => (adds.value = false) }
    : {
        ArrowDown: (event) => void (event.shiftKey ? step(1) : choose(1)),
        ArrowUp: (event) => void (event.shiftKey ? step(-1) : choose(-1)),
        '+': () => (adds.value = mayChange.value),
        c: addCompartment,
        u: undo,
        Enter: () => void keep(),
      },
)
</script>

<template>
  <main class="flex flex-1 flex-col">
    <div class="page flex-1">
      <SetupTabs />
      <ProblemNote :problem="unreadable" @retry="reload" />
      <template v-if="sheet && draft">
        <header class="flex flex-wrap gap-y-0 gap-x-16px items-baseline mb-8px">
          <ElInput
            v-if="mayChange"
            class="name bare-field max-[760px]:basis-full"
            :model-value="draft.name"
            :aria-label="t('nameOfTheModel')"
            maxlength="120"
            @change="(name: string) => change((now) => ({ ...now, name }))"
          />
          <h1 v-else>{{ draft.name }}</h1>
          <p class="quiet">{{ kitsInWords(sheet) }}</p>
          <RouterLink to="/setup/models" class="flex-none ml-auto">{{ t('allModels') }}</RouterLink>
        </header>
        <ModelTabs :model-id="id" />
        <ProblemNote :problem="problem ?? copying.problem.value" @retry="keep" />
        <KeptFormNote :page="kept" />
        <p v-if="!mayChange" class="quiet">{{ t('onlyACoordinatorOfEvery') }}</p>
        <div
          class="columns grid grid-cols-[minmax(0,1fr)_332px] gap-24px items-start max-[1100px]:grid-cols-[minmax(0,1fr)]"
        >
          <CardRows v-model:chosen="chosenKey" :places="places" :may-change="mayChange" @drop="dropPart">
            <section v-if="differing.length > 0">
              <h2>{{ t('kitsThatDiffer') }}</h2>
              <p v-for="kit in differing" :key="kit.code" class="py-4px px-0">
                <RouterLink :to="`/kits/${encodeURIComponent(kit.code)}`">{{ kit.name }}</RouterLink>
                <span v-for="(each, index) in kit.differences.slice(0, MOST_NAMED)" :key="index" class="second">
                  ·
                  {{ differenceWords(each) }}
                </span>
              </p>
            </section>
          </CardRows>
          <aside class="grid grid-cols-[minmax(0,1fr)] gap-14px">
            <CaseDrawing
              :parts="asParts"
              :mark-of="() => 'present'"
              :current-id="chosenKey"
              :width="330"
              @choose="chosenKey = $event"
            />
            <section
              v-if="adds"
              class="grid grid-cols-[1fr_1fr] gap-y-2px gap-x-10px justify-items-start max-h-420px overflow-auto"
              :aria-label="t('whichPart')"
            >
              <h2 class="col-span-full justify-self-stretch">{{ t('whichPart') }}</h2>
              <ElButton v-for="each in roleChoices" :key="each.role" link type="primary" @click="addPart(each.role)">
                {{ each.words }}
              </ElButton>
            </section>
            <PartFields
              v-else-if="chosen"
              :key="chosen.key"
              :part="chosen"
              :number="chosenNumber"
              :places="places.map(({ place }) => place)"
              :groups="draft.weighGroups"
              :readonly="!mayChange"
              :branch-id="branchId"
              @set="setPart"
              @remove="removePart"
            />
            <WeighSights :draft="draft" :may-change="mayChange" @set="setGroup" @add="addGroup" />
          </aside>
        </div>
      </template>
    </div>
    <footer v-if="sheet && mayChange" class="action-bar">
      <KeyButton main hint="Enter" :disabled="!changed || sending" @click="keep">{{ usedFor }}</KeyButton>
      <KeyButton hint="+" @click="adds = !adds">{{ t('addAPart') }}</KeyButton>
      <KeyButton hint="c" :disabled="!chosen" @click="addCompartment">{{ t('newCompartment') }}</KeyButton>
      <KeyButton hint="⇧↑" :disabled="!chosen" :aria-label="t('moveUp')" @click="step(-1)">{{ t('up') }}</KeyButton>
      <KeyButton hint="⇧↓" :disabled="!chosen" :aria-label="t('moveDown')" @click="step(1)">{{
        t('down')
      }}</KeyButton>
      <KeyButton hint="u" :disabled="!canUndo" @click="undo">{{ t('undo') }}</KeyButton>
      <form v-if="copyName !== null" class="flex gap-8px ml-auto" @submit.prevent="copy">
        <ElInput v-model="copyName" :aria-label="t('nameOfTheNewModel')" required />
        <ElButton native-type="submit">{{ t('makeIt') }}</ElButton>
      </form>
      <ElButton v-else link type="primary" class="flex gap-8px ml-auto" @click="copyName = `${draft?.name}, changed`">
        {{ t('newModelFromThisOne') }}
      </ElButton>
    </footer>
  </main>
</template>

<style scoped>
header > * {
  min-width: 0;
  overflow-wrap: anywhere;
}

.name {
  flex: 0 1 460px;
  width: auto;
  height: 44px;
  font: 400 34px/40px var(--serif);
}

.name :deep(.el-input__wrapper) {
  padding: 0;
}

.name :deep(.el-input__inner) {
  font: inherit;
}
</style>
