<script setup lang="ts">
import { spreadsheetSafe } from '@binoculum/core'
import { stringify } from 'csv-stringify/browser/esm/sync'

/** A table as it is seen, as a file for a spreadsheet [RFC 4180]. Nothing in it runs as a formula. */
const { rows, name } = defineProps<{
  rows: readonly Readonly<Record<string, string | number | null>>[]
  /** Of the file, without its ending. */
  name: string
}>()

function save() {
  const safe = rows.map((row) =>
    Object.fromEntries(
      Object.entries(row).map(([column, cell]) => [column, typeof cell === 'string' ? spreadsheetSafe(cell) : cell]),
    ),
  )
  const text = stringify(safe, { header: true, bom: true, record_delimiter: 'windows' })
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type: 'text/csv' }))
  link.download = `${name}.csv`
  link.click()
  URL.revokeObjectURL(link.href)
}
</script>

<template>
  <ElButton size="small" class="screen-only" :disabled="rows.length === 0" @click="save">As CSV</ElButton>
</template>
