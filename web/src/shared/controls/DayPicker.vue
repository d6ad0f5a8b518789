<script setup lang="ts">
import dayjs from 'dayjs'
import en from 'dayjs/locale/en'

/** A day, said with its weekday; weeks begin on Monday [ISO 8601]. */
dayjs.locale({ ...en, weekStart: 1 })
const { from, clearable = false } = defineProps<{
  /** The first day that can be chosen, as YYYY-MM-DD. */
  from?: string
  clearable?: boolean
}>()
const day = defineModel<string | null>({ required: true })
const isBefore = (at: Date) => from !== undefined && dayjs(at).format('YYYY-MM-DD') < from
</script>

<template>
  <ElDatePicker
    v-model="day"
    type="date"
    value-format="YYYY-MM-DD"
    format="ddd D MMM YYYY"
    :disabled-date="isBefore"
    :clearable="clearable"
  />
</template>
