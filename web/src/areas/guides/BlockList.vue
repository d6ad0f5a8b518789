<script setup lang="ts">
import type { GuideTexts } from '@binoculum/contract'
import Sortable from 'sortablejs'
import { computed, nextTick, onScopeDispose, useTemplateRef, watch } from 'vue'
import { movedBlock } from './block-order.ts'

/** The blocks of a guide in their order, why each is here, and what is left out. */
type ListedBlock = GuideTexts['blocks'][number]
const { blocks, mayEdit } = defineProps<{ blocks: readonly ListedBlock[]; mayEdit: boolean }>()
const chosen = defineModel<string>({ required: true })
const emit = defineEmits<{ order: [keys: readonly string[]]; add: [] }>()
/** What this kit has no use for stands in one line at the end; what somebody took out stays in its place. */
const here = computed(() => blocks.filter(({ said, text }) => said || text === null))
const others = computed(() => blocks.filter((each) => !here.value.includes(each)))
const because = ({ said, because: why, reason }: ListedBlock) => (said ? why : `taken out: ${reason}`)

/** The Sun opens every guide. */
const moves = ({ key }: ListedBlock) => key !== 'sun'
function drop(from: number, to: number) {
  const all = blocks.map(({ key }) => key)
  const shown = here.value.map(({ key }) => key)
  const order = movedBlock(all, shown, from, to)
  if (order !== all) emit('order', order)
}
function move(by: -1 | 1) {
  const from = here.value.findIndex(({ key }) => key === chosen.value)
  const block = here.value[from]
  const to = from + by
  if (mayEdit && block && moves(block) && to >= 1 && to < here.value.length) drop(from, to)
}
function choose(by: -1 | 1) {
  const at = here.value.findIndex(({ key }) => key === chosen.value)
  const next = here.value[at + by]
  if (next) chosen.value = next.key
}
defineExpose({ move, choose })

const list = useTemplateRef<HTMLElement>('list')
let sortable: Sortable | null = null
watch(
  // Not with its rows: what arrives meanwhile must not end a drag.
  [list, () => mayEdit],
  () =>
    nextTick(() => {
      sortable?.destroy()
      sortable = null
      if (!list.value || !mayEdit) return
      sortable = Sortable.create(list.value, {
        handle: '.grip',
        animation: 0,
        ghostClass: 'landing',
        onMove: ({ related }) => related.dataset.key !== 'sun',
        onEnd: ({ item, from, oldIndex = 0, newIndex = 0 }) => {
          // Put the row back where Vue left it: the new order comes from the data.
          from.insertBefore(item, from.children[oldIndex + (oldIndex > newIndex ? 1 : 0)] ?? null)
          drop(oldIndex, newIndex)
        },
      })
    }),
  { immediate: true, flush: 'post' },
)
onScopeDispose(() => sortable?.destroy())
</script>

<template>
  <div>
    <p class="heading"><em class="quiet">block, and why it is here</em></p>
    <ol ref="list">
      <li
        v-for="(each, index) in here"
        :key="each.key"
        :data-key="each.key"
        :class="{ chosen: each.key === chosen, off: !each.said, stays: each.stays }"
      >
        <span v-if="mayEdit && moves(each)" class="grip" aria-hidden="true">≡</span>
        <button type="button" :aria-current="each.key === chosen" @click="chosen = each.key">
          <span class="number">{{ index + 1 }}</span>
          <span class="words"
            ><span class="serif name">{{ each.title }}</span> <span class="second">{{ because(each) }}</span></span
          >
          <em v-if="each.stays" class="rust">{{ each.defaultText ? 'part stays' : 'stays' }}</em>
        </button>
      </li>
    </ol>
    <p v-if="others.length > 0" class="others second">
      <b>Left out, not for this kit:</b>
      <ElButton
        v-for="each in others"
        :key="each.key"
        link
        :aria-current="each.key === chosen"
        @click="chosen = each.key"
      >
        {{ each.title }}
      </ElButton>
    </p>
    <p v-if="mayEdit" class="others">
      <ElButton link @click="emit('add')">Add a block</ElButton>
    </p>
  </div>
</template>

<style scoped>
.heading {
  padding: 0 6px 4px 52px;
  font: italic 400 16px/20px var(--serif);
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  position: relative;
  border-top: 1px solid var(--rule);
}

li:last-child {
  border-bottom: 1px solid var(--rule);
}

li button {
  display: grid;
  grid-template-columns: 22px minmax(0, 1fr) auto;
  gap: 8px;
  align-items: baseline;
  width: 100%;
  min-height: 31px;
  padding: 3px 8px 3px 26px;
  border: 0;
  border-left: 3px solid transparent;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

li.stays::before {
  content: '';
  position: absolute;
  top: 4px;
  bottom: 4px;
  left: 0;
  width: 6px;
  border-right: 1px solid var(--rust);
  border-left: 1px solid var(--rust);
}

li.chosen button {
  border-left-color: var(--night);
  background: var(--card);
}

li.landing {
  background: var(--wash);
}

.grip {
  position: absolute;
  top: 0;
  bottom: 0;
  left: 8px;
  width: 18px;
  color: var(--quiet);
  font-size: 18px;
  line-height: 33px;
  text-align: center;
  cursor: grab;
}

.number {
  color: var(--quiet);
  text-align: right;
}

.name {
  margin-right: 6px;
  font-size: 18px;
}

.off .name {
  color: var(--quiet);
}

.others {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  padding: 8px 6px 0 26px;
}
</style>
