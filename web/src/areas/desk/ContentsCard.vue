<script setup lang="ts">
import type { Part } from '@binoculum/contract'
import { massText } from '@binoculum/core'
import { computed, nextTick, watch } from 'vue'
import PencilMark from '../../shared/drawings/PencilMark.vue'
import { markOf, type TakeBackDraft } from './take-back-state.ts'
import { deskWords } from './words.ts'

const t = deskWords('contentsCard')

const {
  parts,
  draft,
  at,
  differs = new Set<string>(),
} = defineProps<{
  parts: readonly Part[]
  draft: TakeBackDraft
  at: number
  /** Lines whose place looks different in the picture of the open case. */
  differs?: ReadonlySet<string>
}>()
const emit = defineEmits<{ choose: [index: number] }>()

type Row = { kind: 'place'; place: string; key: string } | { kind: 'part'; part: Part; index: number; key: string }

const rows = computed<Row[]>(() =>
  parts.flatMap((part, index) => {
    const heading: Row[] =
      parts[index - 1]?.place === part.place
        ? []
        : [{ kind: 'place', place: part.place || t('case'), key: `place ${index}` }]
    return [...heading, { kind: 'part' as const, part, index, key: part.id }]
  }),
)
/** Fewer or more than the card says. */
const isCountedOff = ({ id, count }: Part) => {
  const own = draft.marks[id]
  return own !== undefined && own.mark !== 'unseen' && own.presentCount !== count
}
/** Two columns in case order; a place's heading never stands alone at the foot of the first. */
const columns = computed(() => {
  let half = Math.ceil(rows.value.length / 2)
  if (rows.value[half - 1]?.kind === 'place') half -= 1
  return [rows.value.slice(0, half), rows.value.slice(half)]
})
watch(
  () => at,
  () => nextTick(() => document.querySelector('.part-row.current')?.scrollIntoView({ block: 'nearest' })),
)
</script>

<template>
  <div
    class="card grid grid-cols-[repeat(2,minmax(0,1fr))] min-h-200px max-[900px]:grid-cols-[minmax(0,1fr)]"
    role="group"
    :aria-label="t('contentsCard')"
  >
    <div v-for="(column, side) in columns" :key="side" class="column">
      <template v-for="row in column" :key="row.key">
        <div v-if="row.kind === 'place'" class="place-row line-b-rule-strong">
          <i></i><i class="marks"></i
          ><span class="pr-0 pl-9px pt-4px pb-0 text-night [font:400_18px/22px_var(--serif)]">{{ row.place }}</span>
        </div>
        <div
          v-else
          :class="[
            'part-row',
            {
              current: row.index === at,
              essential: row.part.criticality === 'essential',
              differs: differs.has(row.part.id),
            },
          ]"
          :aria-current="row.index === at"
          :data-part="row.part.name"
          :data-mark="markOf(draft, row.part)"
          @click="emit('choose', row.index)"
        >
          <span class="number pr-4px text-quiet text-13px text-right">{{ row.index + 1 }}</span>
          <span class="marks"><PencilMark :mark="markOf(draft, row.part)" line /></span>
          <span class="words pl-9px overflow-hidden text-14px text-ellipsis whitespace-nowrap" :title="row.part.name"
            >{{ row.part.name }}
            <span
              v-if="draft.marks[row.part.id]?.wrongItem"
              class="text-brass-text [font:italic_400_15px_var(--serif)]"
              >{{ t('liesHere', { wrongItem: draft.marks[row.part.id]?.wrongItem }) }}</span
            >
            <span v-else-if="draft.marks[row.part.id]?.note" class="text-rust [font:italic_400_15px_var(--serif)]">{{
              draft.marks[row.part.id]?.note
            }}</span>
            <span v-else-if="row.part.count > 1" class="second fw-400">{{
              isCountedOff(row.part)
                ? t('presentCountOf', { presentCount: draft.marks[row.part.id]!.presentCount, count: row.part.count })
                : t('allCount', { count: row.part.count })
            }}</span>
            <span v-else-if="differs.has(row.part.id)" class="text-brass-text [font:italic_400_15px_var(--serif)]">{{
              t('looksDifferent')
            }}</span>
            <span v-else-if="row.part.lookEveryTime" class="text-brass-text [font:italic_400_15px_var(--serif)]">{{
              t('look')
            }}</span>
          </span>
          <span class="pr-10px pl-6px py-0 text-quiet text-13px">{{
            row.part.massG === null ? '' : massText(row.part.massG * row.part.count)
          }}</span>
        </div>
      </template>
    </div>
  </div>
</template>

<style scoped>
.column + .column {
  border-left: 1px solid var(--rule);
}

.place-row,
.part-row {
  display: grid;
  grid-template-columns: 34px 38px minmax(0, 1fr) auto;
  align-items: stretch;
  min-height: 27px;
}

.part-row {
  border-bottom: 1px solid var(--rule);
  cursor: default;
}

.part-row.current {
  position: relative;
  background: var(--wash);
  box-shadow: 0 0 0 2px var(--night);
}

.part-row.differs {
  outline: 2px dashed var(--rust);
  outline-offset: -2px;
}

.part-row > * {
  align-self: center;
}

.marks {
  display: grid;
  align-self: stretch !important;
  place-items: center;
  border-right: 4px double var(--rust-pale);
}

.essential .words {
  font-weight: 640;
}

@media (max-width: 900px), (pointer: coarse) {
  .part-row {
    min-height: 40px;
  }
}
</style>
