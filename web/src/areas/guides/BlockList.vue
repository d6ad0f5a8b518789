<script setup lang="ts">
import type { GuideTexts } from '@binoculum/contract'
import Sortable from 'sortablejs'
import { computed, nextTick, onScopeDispose, useTemplateRef, watch } from 'vue'
import { movedBlock } from './block-order.ts'
import { guidesWords } from './words.ts'

const t = guidesWords('blockList')

/** The blocks of a guide in their order, why each is here, and what is left out. */
type ListedBlock = GuideTexts['blocks'][number]
const { blocks, mayEdit } = defineProps<{ blocks: readonly ListedBlock[]; mayEdit: boolean }>()
const chosen = defineModel<string>({ required: true })
const emit = defineEmits<{ order: [keys: readonly string[]]; add: [] }>()
/** What this kit has no use for stands in one line at the end; what somebody took out stays in its place. */
const here = computed(() => blocks.filter(({ said, text }) => said || text === null))
const others = computed(() => blocks.filter((each) => !here.value.includes(each)))
const because = ({ said, because: why, reason }: ListedBlock) => (said ? why : t('takenOut', { reason }))

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
    <p class="pr-6px pl-52px pt-0 pb-4px [font:italic_400_16px/20px_var(--serif)]">
      <em class="quiet">{{ t('blockAndWhyItIs') }}</em>
    </p>
    <ol ref="list" class="m-0 p-0 list-none">
      <li
        v-for="(each, index) in here"
        :key="each.key"
        class="relative line-t-rule"
        :data-key="each.key"
        :class="{ chosen: each.key === chosen, off: !each.said, stays: each.stays }"
      >
        <span
          v-if="mayEdit && moves(each)"
          data-grip
          class="grip absolute top-0 bottom-0 left-8px w-18px text-quiet text-18px lh-33px text-center cursor-grab"
          aria-hidden="true"
          >≡</span
        >
        <button
          class="grid grid-cols-[22px_minmax(0,1fr)_auto] gap-8px items-baseline w-full min-h-31px pr-8px pl-26px py-3px line-none line-l-3-transparent bg-none text-ink font-inherit text-left cursor-pointer"
          type="button"
          :aria-current="each.key === chosen"
          @click="chosen = each.key"
        >
          <span class="number text-quiet text-right">{{ index + 1 }}</span>
          <span class="words"
            ><span data-name class="serif name mr-6px text-18px">{{ each.title }}</span>
            <span class="second">{{ because(each) }}</span></span
          >
          <em v-if="each.stays" class="rust">{{ each.defaultText ? t('partStays') : t('stays') }}</em>
        </button>
      </li>
    </ol>
    <p v-if="others.length > 0" class="second flex flex-wrap gap-y-2px gap-x-10px pr-6px pl-26px pt-8px pb-0">
      <b>{{ t('leftOutNotForThis') }}</b>
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
    <p v-if="mayEdit" class="flex flex-wrap gap-y-2px gap-x-10px pr-6px pl-26px pt-8px pb-0">
      <ElButton link @click="emit('add')">{{ t('addABlock') }}</ElButton>
    </p>
  </div>
</template>

<style scoped>
li:last-child {
  border-bottom: 1px solid var(--rule);
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

.off .name {
  color: var(--quiet);
}
</style>
