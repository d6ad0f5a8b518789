<script setup lang="ts">
import { madeSchema, type FoundExtra, type LookAlike, type Part } from '@binoculum/contract'
import { massText, type Mark } from '@binoculum/core'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { ApiError, api } from '../../shared/api/client.ts'
import FileButton from '../../shared/controls/FileButton.vue'
import PencilMark from '../../shared/drawings/PencilMark.vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import type { DraftMark } from './take-back-state.ts'
import { deskWords } from './words.ts'

const t = deskWords('partBar')

/** The part the pencil stands at: what to look for, and every mark with its key. */
const {
  part,
  number,
  own = null,
  lookAlikes,
  branchId,
  looked,
  total,
} = defineProps<{
  part: Part
  number: number
  own?: DraftMark | null
  lookAlikes: readonly LookAlike[]
  branchId: string
  looked: number
  total: number
}>()
const emit = defineEmits<{
  mark: [mark: Mark, rest?: Partial<DraftMark>]
  detail: [rest: Partial<DraftMark>, partId?: string]
  extra: [extra: FoundExtra]
  count: [step: number]
  rest: []
}>()

const asks = ref<'nothing' | 'note' | 'wrong' | 'extra'>('nothing')
const noteBox = useTemplateRef('noteBox')
const noteText = ref('')
const wrongText = ref('')
const trouble = ref('')
/** Each name once: which kit's it is can't be seen by its name. */
const byName = (things: readonly LookAlike[]) =>
  things.filter(({ name }, at) => things.findIndex((each) => each.name === name) === at)
const isFar = ({ massG }: LookAlike) => Math.abs((massG ?? Infinity) - (part.massG ?? 0))
/** What others lack first, then what is most like it: that is what gets mixed up. */
const picks = computed(() =>
  byName(
    lookAlikes
      .filter(({ name, replaces }) => name !== part.name && replaces.includes(part.id))
      .sort((a, b) => b.lackedBy.length - a.lackedBy.length || isFar(a) - isFar(b)),
  ).slice(0, 7),
)
const present = computed(() => (own && own.mark !== 'unseen' ? own.presentCount : part.count))
const extraText = ref('')
/** What other kits lack comes first: it is most likely theirs. */
const strays = computed(() =>
  byName([...lookAlikes].sort((a, b) => b.lackedBy.length - a.lackedBy.length)).slice(0, 7),
)

function openNote() {
  noteText.value = own?.note ?? ''
  asks.value = 'note'
  void nextTick(() => noteBox.value?.focus())
}
function keepNote() {
  asks.value = 'nothing'
  emit('detail', { note: noteText.value.trim() })
}
function openExtra() {
  extraText.value = ''
  asks.value = 'extra'
}
function keepExtra(name: string, belongsTo = '') {
  if (name === '') return
  asks.value = 'nothing'
  emit('extra', { name, count: 1, belongsTo, note: '', pictureIds: [] })
}
const ownersOf = ({ lackedBy }: LookAlike) => lackedBy.map(({ name }) => name).join(', ')
function openWrong() {
  wrongText.value = own?.wrongItem ?? ''
  asks.value = 'wrong'
}
function keepWrong(wrongItem: string) {
  asks.value = 'nothing'
  emit('mark', 'wrong', { wrongItem })
}
const lackedWords = (thing: LookAlike) =>
  thing.hazard
    ? t('neverStaysInACase')
    : thing.lackedBy.length > 0
      ? t('lackedByOne', {
          kits: thing.lackedBy.map(({ name }) => name).join(', '),
          n: thing.lackedBy.length,
        })
      : thing.massG === null
        ? ''
        : massText(thing.massG)

async function addPicture(file: File) {
  trouble.value = ''
  try {
    const { id } = await api.upload(madeSchema, `/api/pictures?branchId=${branchId}`, file)
    const pictureIds = [...(own?.pictureIds ?? []), id].slice(-4)
    emit('detail', { pictureIds })
  } catch (error) {
    if (!(error instanceof ApiError)) throw error
    trouble.value = error.message
  }
}

watch(
  () => part.id,
  (_now, before) => {
    // A scan moves the pencil in the middle of a note: what was typed stays with its part.
    if (asks.value === 'note' && noteText.value.trim() !== '') emit('detail', { note: noteText.value.trim() }, before)
    asks.value = 'nothing'
    trouble.value = ''
  },
)

/** Keys of what is asked just now; null where the card's own keys hold. */
const keys = computed(() => {
  if (asks.value !== 'wrong' && asks.value !== 'extra') return null
  const choices =
    asks.value === 'wrong'
      ? picks.value.map(
          ({ name }) =>
            () =>
              keepWrong(name),
        )
      : strays.value.map((thing) => () => keepExtra(thing.name, ownersOf(thing)))
  return {
    Escape: () => (asks.value = 'nothing'),
    ...Object.fromEntries(choices.map((choose, index) => [String(index + 1), choose])),
  }
})
defineExpose({ openNote, openWrong, openExtra, keys })
</script>

<template>
  <div class="px-14px pt-8px pb-10px line-t-brass bg-card">
    <div class="what flex gap-10px items-center">
      <p class="flex-1">
        <strong class="night text-night">{{ number }} {{ part.name }}</strong> {{ part.lookFor }}.
        <span v-if="part.lookEveryTime" class="brass">{{ t('lookEveryTime') }}</span>
        <span v-if="part.knownWear" class="second">{{ t('knownWear', { knownWear: part.knownWear }) }}</span>
      </p>
      <span class="quiet">{{ t('ofLookedAt', { looked, total }) }}</span>
      <ElButton class="mark-button" @click="emit('rest')"><KeyCap name="a" /> {{ t('allTheRest') }}</ElButton>
    </div>
    <div v-if="own && own.pictureIds.length > 0" class="flex gap-6px mt-6px">
      <a v-for="id in own.pictureIds" :key="id" :href="`/api/pictures/${id}`" target="_blank" rel="noopener">
        <img
          class="line-rule-strong [object-fit:cover]"
          :src="`/api/pictures/${id}`"
          :alt="t('pictureOf', { name: part.name })"
          width="64"
          height="48"
        />
      </a>
    </div>
    <form v-if="asks === 'note'" class="line flex flex-[1_0_320px] min-w-0 gap-8px mt-6px" @submit.prevent="keepNote">
      <ElInput
        ref="noteBox"
        v-model="noteText"
        maxlength="500"
        :aria-label="t('noteOnThisPart')"
        :placeholder="t('whatIsItEnterWhen')"
        @keydown.esc="asks = 'nothing'"
      />
      <ElButton native-type="submit">{{ t('keep') }}</ElButton>
    </form>
    <div v-else-if="asks === 'wrong'" class="wrong" role="group" :aria-label="t('whatLiesHereInstead')">
      <p class="quiet">{{ t('whatLiesHereInstead') }}</p>
      <ElButton
        v-for="(thing, index) in picks"
        :key="thing.id"
        :class="['mark-button', { hazard: thing.hazard }]"
        @click="keepWrong(thing.name)"
      >
        <KeyCap :name="String(index + 1)" /> {{ thing.name }} <span class="second">{{ lackedWords(thing) }}</span>
      </ElButton>
      <form class="line flex flex-[1_0_320px] min-w-0 gap-8px mt-6px" @submit.prevent="keepWrong(wrongText.trim())">
        <ElInput
          v-model="wrongText"
          maxlength="120"
          :aria-label="t('somethingElse')"
          :placeholder="t('somethingElseWhat')"
        />
        <ElButton native-type="submit">{{ t('keep') }}</ElButton>
        <ElButton link @click="asks = 'nothing'">{{ t('leave') }}</ElButton>
      </form>
    </div>
    <div v-else-if="asks === 'extra'" class="wrong" role="group" :aria-label="t('whatElseLiesInThe')">
      <p class="quiet">{{ t('whatElseLiesInTheCase') }}</p>
      <ElButton
        v-for="(thing, index) in strays"
        :key="thing.id"
        :class="['mark-button', { hazard: thing.hazard }]"
        @click="keepExtra(thing.name, ownersOf(thing))"
      >
        <KeyCap :name="String(index + 1)" /> {{ thing.name }} <span class="second">{{ lackedWords(thing) }}</span>
      </ElButton>
      <form class="line flex flex-[1_0_320px] min-w-0 gap-8px mt-6px" @submit.prevent="keepExtra(extraText.trim())">
        <ElInput
          v-model="extraText"
          maxlength="120"
          :aria-label="t('somethingElseThatIsntOn')"
          :placeholder="t('somethingElseWhat')"
        />
        <ElButton native-type="submit">{{ t('keep') }}</ElButton>
        <ElButton link @click="asks = 'nothing'">{{ t('leave') }}</ElButton>
      </form>
    </div>
    <div v-else class="marks">
      <ElButton class="mark-button" @click="emit('mark', 'present')">
        <KeyCap name="Space" /><PencilMark mark="present" /> {{ t('present') }}
      </ElButton>
      <ElButton class="mark-button" @click="emit('mark', 'missing')">
        <KeyCap name="m" /><PencilMark mark="missing" /> {{ t('missing') }}
      </ElButton>
      <ElButton class="mark-button" @click="emit('mark', 'damaged')">
        <KeyCap name="d" /><PencilMark mark="damaged" /> {{ t('damaged') }}
      </ElButton>
      <ElButton class="mark-button" @click="openWrong">
        <KeyCap name="w" /><PencilMark mark="wrong" /> {{ t('wrong') }}
      </ElButton>
      <ElButton class="mark-button" @click="openNote"><KeyCap name="n" /> {{ t('note') }}</ElButton>
      <ElButton class="mark-button" :title="t('somethingThatIsntOnThe')" @click="openExtra">
        <KeyCap name="x" /> {{ t('extra') }}
      </ElButton>
      <FileButton accept="image/*" camera class="mark-file" :name="`picture-${part.id}`" @take="addPicture">{{
        t('picture')
      }}</FileButton>
      <template v-if="part.count > 1">
        <ElButton class="mark-button" :aria-label="t('oneFewer')" @click="emit('count', -1)">
          <KeyCap name="−" />
        </ElButton>
        <span class="text-14px">{{ t('presentOf', { present, count: part.count }) }}</span>
        <ElButton class="mark-button" :aria-label="t('oneMore')" @click="emit('count', 1)">
          <KeyCap name="+" />
        </ElButton>
      </template>
    </div>
    <p v-if="trouble" class="rust second" role="alert">{{ trouble }}</p>
  </div>
</template>

<style scoped src="./part-bar.css"></style>
