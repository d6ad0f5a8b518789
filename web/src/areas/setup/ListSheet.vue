<script setup lang="ts">
import type { ListPreview } from '@binoculum/contract'
import { listFields, type ListField } from '@binoculum/core'
import { computed } from 'vue'
import ChoiceSelect from '../../shared/controls/ChoiceSelect.vue'
import { setupWords } from './words.ts'

const t = setupWords('listSheet')

/** The sheet as it was sent, with its own line numbers; what is doubtful is ringed in pencil, with the question's number. */
const { preview } = defineProps<{ preview: ListPreview }>()
const emit = defineEmits<{ column: [index: number, field: string] }>()

const fields = Object.entries(listFields) as [ListField, string][]
/** The library takes an empty value for no choice at all. */
const NOT_USED = t('notUsed')
const options = [
  { value: NOT_USED, words: t('notUsed') },
  ...fields.map(([field, words]) => ({ value: field as string, words })),
]
const fieldAt = (index: number) => fields.find(([field]) => preview.columns[field] === index)?.[0] ?? NOT_USED

/** Which cells are ringed, by line and column, and with what. */
const rings = computed(() => {
  const ringed = new Map<string, string>()
  preview.questions.forEach(({ key, line }, index) => {
    const field: ListField = key.startsWith('code ') ? 'kitCode' : 'part'
    ringed.set(`${line} ${preview.columns[field] ?? -1}`, String(index + 1))
  })
  for (const { line, field } of preview.problems) ringed.set(`${line} ${preview.columns[field] ?? -1}`, '!')
  return ringed
})
const ring = (line: number, column: number) => rings.value.get(`${line} ${column}`)
</script>

<template>
  <div
    class="max-h-[calc(100vh_-_330px)] min-h-240px overflow-auto line-rule-strong bg-card"
    tabindex="0"
    role="region"
    :aria-label="t('theSheet')"
  >
    <table class="[border-collapse:collapse] text-13.5px">
      <thead>
        <tr>
          <th class="sticky top-0 z-1 p-6px line-b-rule-strong bg-card fw-400 text-left [vertical-align:top]"></th>
          <th
            v-for="(cell, index) in preview.header"
            :key="index"
            class="sticky top-0 z-1 p-6px line-b-rule-strong bg-card fw-400 text-left [vertical-align:top]"
          >
            <em class="block pl-5px">{{ cell || '–' }}</em>
            <ChoiceSelect
              :model-value="fieldAt(index)"
              :options="options"
              :label="t('whatColumnHolds', { cell })"
              @update:model-value="emit('column', index, $event === NOT_USED ? '' : ($event ?? ''))"
            />
            <span v-if="fieldAt(index) === 'kitCode' && preview.filledDown" class="second pl-5px">{{
              t('filledDown')
            }}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in preview.rows" :key="row.line">
          <td
            class="line max-w-220px py-3px px-8px line-r-rule line-b-rule overflow-hidden text-ellipsis whitespace-nowrap text-quiet"
          >
            {{ row.line }}
          </td>
          <td
            v-for="(_cell, index) in preview.header"
            :key="index"
            class="max-w-220px py-3px px-8px line-r-rule line-b-rule overflow-hidden text-ellipsis whitespace-nowrap"
            :title="row.cells[index]"
          >
            <span :class="{ ringed: ring(row.line, index) }">{{
              row.cells[index] || (ring(row.line, index) ? '\u00a0\u00a0' : '')
            }}</span>
            <i v-if="ring(row.line, index)" class="ml-5px text-rust [font:italic_400_15px_var(--serif)]">{{
              ring(row.line, index)
            }}</i>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="preview.rowCount > preview.rows.length" class="quiet py-6px px-10px">
      {{ t('theFirstRowsAreShown', { rows: preview.rows.length, rowCount: preview.rowCount }) }}
    </p>
  </div>
</template>

<style scoped>
/* Each says what it holds, however narrow its cells are: the sheet scrolls sideways. */
th .el-select {
  min-width: 128px;
}

.ringed {
  padding: 1px 7px;
  border: 1.8px solid var(--rust);
  border-radius: 52% 48% 50% 46% / 60% 54% 62% 48%;
}
</style>
