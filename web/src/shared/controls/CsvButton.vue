<script setup lang="ts">
import { spreadsheetSafe } from '@binoculum/core'
import { saveFile } from '../save-file.ts'
import SignIcon from './SignIcon.vue'
import { sharedWords } from '../words.ts'

const t = sharedWords('csvButton')

/** A table as it is seen, as a file for a spreadsheet [RFC 4180]. Nothing in it runs as a formula. */
type Row = Readonly<Record<string, string | number | null>>
const { rows, name } = defineProps<{
  /** Or what makes them, where that is worth doing only for who saves them. */
  rows: readonly Row[] | (() => readonly Row[])
  /** Of the file, without its ending. */
  name: string
}>()

async function save() {
  // Only who saves a table needs what writes it.
  const { stringify } = await import('csv-stringify/browser/esm/sync')
  const safe = (typeof rows === 'function' ? rows() : rows).map((row) =>
    Object.fromEntries(
      Object.entries(row).map(([column, cell]) => [column, typeof cell === 'string' ? spreadsheetSafe(cell) : cell]),
    ),
  )
  const text = stringify(safe, { header: true, bom: true, record_delimiter: 'windows' })
  saveFile(`${name}.csv`, text, 'text/csv')
}
</script>

<template>
  <ElButton size="small" class="screen-only" :disabled="typeof rows !== 'function' && rows.length === 0" @click="save"
    ><SignIcon name="save" /> {{ t('asCsv') }}</ElButton
  >
</template>
