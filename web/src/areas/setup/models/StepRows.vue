<script setup lang="ts">
import type { ModelSheet } from '@binoculum/contract'
import type { ProcedureWarning } from '@binoculum/core'
import { computed, useTemplateRef } from 'vue'
import { useSortableRows } from '../../../shared/use-sortable-rows.ts'
import GripSign from './GripSign.vue'
import { minutesWords, phaseWords, type ProcedureDraft, type Way } from './steps-draft.ts'

/** Both ways through a model's steps: chosen by a click, dragged into another order, warned of where it can hurt. */
const chosen = defineModel<{ way: Way; key: string } | null>('chosen', { required: true })
const { draft, warnings, stepTimes, mayChange } = defineProps<{
  draft: ProcedureDraft
  warnings: readonly ProcedureWarning[]
  stepTimes: ModelSheet['stepTimes']
  mayChange: boolean
}>()
const emit = defineEmits<{ drop: [way: Way, from: number, to: number]; derive: [] }>()
const lists = useTemplateRef<HTMLElement>('lists')
const times = computed(() => new Map(stepTimes.map((each) => [each.key, each])))
const warningsOf = (key: string) => warnings.filter(({ stepKey }) => stepKey === key)
const ways: readonly { way: Way; words: string }[] = [
  { way: 'setUp', words: 'Putting together' },
  { way: 'takeApart', words: 'Taking apart' },
]

useSortableRows(lists, 'ol[data-way]', {
  when: [() => draft],
  may: () => mayChange,
  drop: ({ key, from, fromIndex, toIndex }) => {
    const way = from.dataset.way as Way
    emit('drop', way, fromIndex, toIndex)
    chosen.value = { way, key }
  },
})
</script>

<template>
  <div ref="lists">
    <section v-for="{ way, words } in ways" :key="way">
      <h2>
        {{ words }}
        <ElButton v-if="way === 'takeApart' && mayChange" link type="primary" @click="emit('derive')">
          in reverse again
        </ElButton>
      </h2>
      <ol :data-way="way">
        <li
          v-for="(each, index) in draft[way]"
          :key="each.key"
          :data-key="each.key"
          :class="{ current: chosen?.way === way && chosen.key === each.key }"
          @click="chosen = { way, key: each.key }"
        >
          <GripSign />
          <span class="number">{{ index + 1 }}</span>
          <span class="title"
            >{{ each.title || 'no name yet'
            }}<span v-for="warning in warningsOf(each.key)" :key="warning.code" class="warning">{{
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
</template>

<style scoped>
h2 {
  border-bottom: 1px solid var(--rule-strong);
}

h2 .el-button {
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
</style>
