<script setup lang="ts">
import type { ModelSheet } from '@binoculum/contract'
import type { ProcedureWarning } from '@binoculum/core'
import { computed, useTemplateRef } from 'vue'
import { useSortableRows } from '../../../shared/use-sortable-rows.ts'
import GripSign from './GripSign.vue'
import { minutesWords, phaseWords, type ProcedureDraft, type Way } from './steps-draft.ts'
import { setupWords } from '../words.ts'

const t = setupWords('stepRows')

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
  { way: 'setUp', words: t('puttingTogether') },
  { way: 'takeApart', words: t('takingApart') },
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
      <h2 class="line-b-rule-strong">
        {{ words }}
        <ElButton v-if="way === 'takeApart' && mayChange" link type="primary" @click="emit('derive')">
          {{ t('inReverseAgain') }}
        </ElButton>
      </h2>
      <ol class="mx-0 mt-0 mb-16px p-0 list-none" :data-way="way">
        <li
          v-for="(each, index) in draft[way]"
          :key="each.key"
          class="grid grid-cols-[16px_22px_minmax(0,1fr)_56px_56px] gap-8px items-center min-h-34px py-3px px-6px line-b-rule cursor-pointer"
          :data-key="each.key"
          :class="{ current: chosen?.way === way && chosen.key === each.key }"
          @click="chosen = { way, key: each.key }"
        >
          <GripSign />
          <span class="number text-quiet text-right">{{ index + 1 }}</span>
          <span class="break-anywhere"
            >{{ each.title || t('noNameYet')
            }}<span
              v-for="warning in warningsOf(each.key)"
              :key="warning.code"
              class="block mt-2px pl-8px [border-left:5px_double_var(--rust)] text-rust text-14px"
              >{{ warning.why }}</span
            ></span
          >
          <span class="second">{{ phaseWords[each.phase] }}</span>
          <span class="second text-quiet text-right">{{
            times.has(each.key) ? minutesWords(times.get(each.key)?.medianSeconds ?? 0) : ''
          }}</span>
        </li>
      </ol>
    </section>
  </div>
</template>

<style scoped>
h2 .el-button {
  margin-left: 10px;
  font: 400 15px var(--sans);
}

.current {
  background: var(--wash);
}

.landing {
  border-top: 3px solid var(--night);
}
</style>
