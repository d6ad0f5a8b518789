<script setup lang="ts">
import type { StoryCheck } from '@binoculum/contract'
import { computed, ref, watch } from 'vue'
import { dayText } from '../../shared/dates.ts'
import { checkRows, comparedSentence } from './compare-words.ts'
import { logbookWords } from './words.ts'

const t = logbookWords('compareChecks')

/** Two bench checks of one kit side by side: what each found and left, and what became of it in between. */
const { checks, zone } = defineProps<{ checks: readonly StoryCheck[]; zone: string }>()
const laterId = ref('')
const earlierId = ref('')
watch(
  () => checks,
  ([newest, before]) => {
    laterId.value = newest?.id ?? ''
    earlierId.value = before?.id ?? ''
  },
  { immediate: true },
)
/** Whichever is chosen where, the older one stands on the left. */
const both = computed(() => {
  const chosen = checks.filter(({ id }) => id === laterId.value || id === earlierId.value)
  const [later, earlier] = chosen
  return later && earlier ? { earlier, later } : null
})
const rows = computed(() => (both.value ? checkRows(both.value.earlier, both.value.later) : []))
const nameOf = ({ atUtc, by }: StoryCheck) => `${dayText(atUtc, zone)} ${atUtc.slice(0, 4)}, ${by}`
</script>

<template>
  <section v-if="checks.length > 1" :aria-label="t('twoChecksSideBySide')">
    <h2>{{ t('twoChecksSideBySide') }}</h2>
    <p class="choices screen-only flex flex-wrap gap-y-6px gap-x-20px items-center">
      <ElSelect v-model="earlierId" class="w-250px" :aria-label="t('oneCheck')">
        <ElOption v-for="check in checks" :key="check.id" :value="check.id" :label="nameOf(check)" />
      </ElSelect>
      {{ t('and') }}
      <ElSelect v-model="laterId" class="w-250px" :aria-label="t('anotherCheck')">
        <ElOption v-for="check in checks" :key="check.id" :value="check.id" :label="nameOf(check)" />
      </ElSelect>
    </p>
    <template v-if="both">
      <p>{{ comparedSentence(both.earlier, both.later) }}</p>
      <ElTable :data="rows" size="small" class="compared max-w-860px mt-6px">
        <ElTableColumn label="" prop="what" min-width="130" />
        <ElTableColumn :label="nameOf(both.earlier)" prop="earlier" min-width="180" />
        <ElTableColumn :label="nameOf(both.later)" prop="later" min-width="180" />
        <ElTableColumn :label="t('limit')" prop="limit" align="right" width="90" />
        <ElTableColumn :label="t('inBetween')" prop="between" align="right" width="110" />
      </ElTable>
    </template>
    <p v-else class="quiet">{{ t('chooseTwoDifferentChecks') }}</p>
  </section>
</template>

<style scoped src="./logbook-page.css"></style>
