<script setup lang="ts">
import type { ListPreview } from '@binoculum/contract'
import { listFields, type ListField } from '@binoculum/core'
import { computed } from 'vue'
import ChoiceSelect from '../../shared/controls/ChoiceSelect.vue'

/** The sheet as it was sent, with its own line numbers; what is doubtful is ringed in pencil, with the question's number. */
const { preview } = defineProps<{ preview: ListPreview }>()
const emit = defineEmits<{ column: [index: number, field: string] }>()

const fields = Object.entries(listFields) as [ListField, string][]
/** The library takes an empty value for no choice at all. */
const NOT_USED = 'not used'
const options = [
  { value: NOT_USED, words: 'not used' },
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
  <div class="table" tabindex="0" role="region" aria-label="The sheet">
    <table>
      <thead>
        <tr>
          <th></th>
          <th v-for="(cell, index) in preview.header" :key="index">
            <em>{{ cell || '–' }}</em>
            <ChoiceSelect
              :model-value="fieldAt(index)"
              :options="options"
              :label="`what column ${cell} holds`"
              @update:model-value="emit('column', index, $event === NOT_USED ? '' : ($event ?? ''))"
            />
            <span v-if="fieldAt(index) === 'kitCode' && preview.filledDown" class="second">filled down</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in preview.rows" :key="row.line">
          <td class="line">{{ row.line }}</td>
          <td v-for="(_cell, index) in preview.header" :key="index" :title="row.cells[index]">
            <span :class="{ ringed: ring(row.line, index) }">{{
              row.cells[index] || (ring(row.line, index) ? '\u00a0\u00a0' : '')
            }}</span>
            <i v-if="ring(row.line, index)" class="ring-number">{{ ring(row.line, index) }}</i>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="preview.rowCount > preview.rows.length" class="quiet more">
      The first {{ preview.rows.length }} rows are shown; all {{ preview.rowCount }} are read.
    </p>
  </div>
</template>

<style scoped>
.table {
  max-height: calc(100vh - 330px);
  min-height: 240px;
  overflow: auto;
  border: 1px solid var(--rule-strong);
  background: var(--card);
}

table {
  border-collapse: collapse;
  font-size: 13.5px;
}

th {
  position: sticky;
  top: 0;
  z-index: 1;
  padding: 6px;
  border-bottom: 1px solid var(--rule-strong);
  background: var(--card);
  font-weight: 400;
  text-align: left;
  vertical-align: top;
}

/* Each says what it holds, however narrow its cells are: the sheet scrolls sideways. */
th .el-select {
  min-width: 128px;
}

th em {
  display: block;
  padding-left: 5px;
}

th .second {
  padding-left: 5px;
}

td {
  max-width: 220px;
  padding: 3px 8px;
  border-right: 1px solid var(--rule);
  border-bottom: 1px solid var(--rule);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.line {
  color: var(--quiet);
}

.ringed {
  padding: 1px 7px;
  border: 1.8px solid var(--rust);
  border-radius: 52% 48% 50% 46% / 60% 54% 62% 48%;
}

.ring-number {
  margin-left: 5px;
  color: var(--rust);
  font: italic 400 15px var(--serif);
}

.more {
  padding: 6px 10px;
}
</style>
