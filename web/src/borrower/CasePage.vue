<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import { plain } from '@binoculum/core'
import { computed, ref } from 'vue'
import { laterComponent } from '../shared/later-component.ts'
import PencilMark from '../shared/drawings/PencilMark.vue'
import LiesSo from './LiesSo.vue'
import SaidText from './SaidText.vue'
import { textOf, type Block } from './guide-pages.ts'
import { useWords } from './guide-language.ts'
import { useMemory, useRemembered } from './use-kept.ts'
import { sendToLibrary } from './send-to-library.ts'

/** Only with a network is anything measured: without one these forms don't come. */
const LooksHere = laterComponent(() => import('./looks/LooksHere.vue'))

/** What is in the case, and the borrower's own check of it: at pick-up and before return. */
const {
  guide,
  token,
  here = false,
} = defineProps<{
  guide: IssuedGuide
  block: Block
  token: string
  /** This page is the one that is looked at. */
  here?: boolean
}>()
const { say, language } = useWords()
type Marks = Record<string, 'present' | 'missing'>
const text = computed(() => textOf(guide, language.value))
/** Places and parts stand in one order in every language, so ticks stay where they are. */
const partKey = (place: number, part: number) => `${place}.${part}`
const memory = useMemory()
const marks = useRemembered<Marks>(
  memory,
  'case',
  {},
  (value): value is Marks => typeof value === 'object' && value !== null,
)
const partsIn = (code: string) =>
  textOf(guide, code).contents.flatMap((place, index) =>
    place.parts.map((part, at) => ({ key: partKey(index, at), part })),
  )
type Part = IssuedGuide['texts'][string]['contents'][number]['parts'][number]
const parts = computed(() => partsIn(language.value))
const marked = computed(() => parts.value.filter(({ key }) => marks.value[key]).length)
const missing = computed(() => parts.value.filter(({ key }) => marks.value[key] === 'missing'))
const lookFirst = computed(() => parts.value.filter(({ key, part }) => part.look && !marks.value[key]))
const sent = ref<'no' | 'sending' | 'sent' | 'kept' | 'failed'>('no')
const mark = (key: string) => {
  const now = marks.value[key]
  const next: Marks = { ...marks.value }
  if (now === undefined) next[key] = 'present'
  else if (now === 'present') next[key] = 'missing'
  else delete next[key]
  marks.value = next
  sent.value = 'no'
}
const allRest = () => {
  const next: Marks = { ...marks.value }
  for (const { key, part } of parts.value) if (!next[key] && !part.look) next[key] = 'present'
  marks.value = next
}
/** At pick-up, and once more before return. */
function again() {
  marks.value = {}
  sent.value = 'no'
}
async function send() {
  sent.value = 'sending'
  const lacks = new Set(missing.value.map(({ key }) => key))
  // The library reads it in English, whatever the borrower reads.
  const named = partsIn('en').filter(({ key }) => lacks.has(key))
  sent.value = await sendToLibrary(
    { token, memory },
    {
      kind: 'contents',
      missing: named.map(({ part }) => plain(part.name)),
      looked: marked.value,
      of: parts.value.length,
    },
  )
}
/** All that is seen on the line, and its mark, for who can't see the pencil. */
function nameOf(part: Part, mark: string | undefined): string {
  const count = part.count > 1 ? ` ×${part.count}` : ''
  const look = part.look ? ` ${say('look at it every time')}` : ''
  return `${plain(part.name)}${count}${look}: ${say(mark ?? 'not looked at yet')}`
}
</script>

<template>
  <p v-for="(note, index) in text.notes" :key="`note-${index}`" class="note"><SaidText :said="note" /></p>
  <p v-for="(line, index) in block.lines" :key="index"><SaidText :said="line" /></p>
  <p class="second screen-only">{{ say('Tap once: it is there. Twice: it is missing.') }}</p>
  <section v-for="(place, placeIndex) in text.contents" :key="placeIndex">
    <h2><SaidText :said="place.place" /></h2>
    <LiesSo :lies="place.lies" :token="token" />
    <button
      v-for="(part, partIndex) in place.parts"
      :key="partIndex"
      type="button"
      class="part"
      :aria-label="nameOf(part, marks[partKey(placeIndex, partIndex)])"
      @click="mark(partKey(placeIndex, partIndex))"
    >
      <PencilMark aria-hidden="true" :mark="marks[partKey(placeIndex, partIndex)] ?? 'unseen'" />
      <span
        ><SaidText :said="part.name" /><template v-if="part.count > 1"> ×{{ part.count }}</template></span
      >
      {{ ' ' }}
      <em v-if="part.look">{{ say('look at it every time') }}</em>
    </button>
  </section>
  <p class="tally screen-only">
    {{ say('{marked} of {all} looked at', { marked, all: parts.length })
    }}<template v-if="missing.length > 0">, {{ say('{count} missing', { count: missing.length }) }}</template>
  </p>
  <p v-if="lookFirst.length > 0 && marked > 0" class="rust">
    {{ say('Look at this one yourself: {part}', { part: plain(lookFirst[0]?.part.name ?? '') }) }}
  </p>
  <div v-if="token" class="ways screen-only">
    <button v-if="marked < parts.length" type="button" class="button" @click="allRest">
      {{ say('All the rest is there') }}
    </button>
    <button v-else type="button" class="button" @click="again">
      {{ say('Once more, before you bring it back') }}
    </button>
    <button type="button" class="button main" :disabled="marked === 0 || sent === 'sending'" @click="send">
      {{ say('Tell the library') }}
    </button>
  </div>
  <p v-if="sent === 'sent'" role="status">{{ say('Sent. Thank you.') }}</p>
  <p v-else-if="sent === 'kept'" role="status">
    {{ say('No network. It is kept here and sent when you are online.') }}
  </p>
  <p v-else-if="sent === 'failed'" role="alert">{{ say('That didn’t go. Ring the library instead.') }}</p>
  <LooksHere v-if="here && token" :token="token" block="case" />
</template>

<style scoped>
.note {
  padding: 6px 0;
  font-weight: 640;
}

h2 {
  font-size: 18px;
  line-height: 24px;
  margin: 10px 0 2px;
  color: var(--quiet);
  font-style: italic;
}

.part {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) auto;
  gap: 8px;
  align-items: center;
  width: 100%;
  min-height: 44px;
  padding: 4px 0;
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
}

.part em {
  font-size: 15px;
}

.tally {
  margin: 12px 0 6px;
  font-weight: 640;
}

.ways {
  display: flex;
  gap: 10px;
}

.ways .button {
  flex: 1;
  min-height: 48px;
}

@media print {
  section {
    break-inside: avoid;
  }

  .part {
    min-height: 0;
    padding: 1px 0;
  }
}
</style>
