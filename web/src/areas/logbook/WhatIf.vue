<script setup lang="ts">
import { whatIfKitsSchema } from '@binoculum/contract'
import type { LookRule, YearUnderRule } from '@binoculum/core'
import { proxy, wrap } from 'comlink'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import CsvButton from '../../shared/controls/CsvButton.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import type { WhatIfWork } from '../../workers/what-if.ts'
import { whatIfSentence } from './story-words.ts'

/** A year of the branch's own kits played through under three rules of when somebody looks at mirrors. */
const { branchId } = defineProps<{ branchId: string }>()
const ruleWords: Readonly<Record<LookRule, string>> = {
  'every-loan': 'after every loan',
  'every-third': 'after every third loan',
  'by-forecast': 'when a look is due',
}
const YEARS = 300
const seed = ref(1)
const progress = ref<number | null>(null)
const found = shallowRef<readonly YearUnderRule[] | null>(null)
const kitCount = ref(0)
const { problem, run } = useSending()
let worker: Worker | null = null

function stop() {
  worker?.terminate()
  worker = null
  progress.value = null
}
onScopeDispose(stop)
watch(
  () => branchId,
  () => {
    stop()
    found.value = null
  },
)

const play = () =>
  run(async () => {
    stop()
    progress.value = 0
    const { kits, dueChance } = await api.get(whatIfKitsSchema, `/api/branches/${branchId}/what-if`)
    kitCount.value = kits.length
    const own = new Worker(new URL('../../workers/what-if.ts', import.meta.url), { type: 'module' })
    worker = own
    const lines = await wrap<WhatIfWork>(own).play(
      { kits, years: YEARS, seed: seed.value, dueChance },
      proxy((share: number) => {
        if (worker === own) progress.value = share
      }),
    )
    if (worker !== own) return
    found.value = lines
    stop()
  })

const rows = computed(() =>
  (found.value ?? []).map(({ rule, benchHours, spoiltPerHundred, looks }) => ({
    ...{ rule: ruleWords[rule], hours: benchHours.toFixed(1), looks: Math.round(looks) },
    spoilt: spoiltPerHundred.toFixed(1),
  })),
)
</script>

<template>
  <section aria-label="What if">
    <h2 class="mx-0 mt-18px mb-4px">What if <em>mirrors were looked at less often</em></h2>
    <p class="screen-only flex flex-wrap gap-14px items-center">
      <ElButton type="primary" :disabled="progress !== null" @click="play">Play a year through</ElButton>
      <label>seed <ElInputNumber v-model="seed" :min="1" :max="99999" size="small" aria-label="seed" /></label>
      <template v-if="progress !== null">
        <ElProgress :percentage="Math.round(progress * 100)" :stroke-width="8" class="bar w-240px" />
        <ElButton link @click="stop">Stop</ElButton>
      </template>
    </p>
    <ProblemNote :problem="problem" @retry="play" />
    <template v-if="found">
      <p>{{ kitCount === 0 ? 'No kit here has been looked at yet.' : whatIfSentence(found) }}</p>
      <ElTable v-if="kitCount > 0" :data="rows" size="small" class="max-w-680px my-6px mx-0">
        <ElTableColumn label="somebody looks" prop="rule" />
        <ElTableColumn label="looks a year" prop="looks" align="right" />
        <ElTableColumn label="hours at the bench" prop="hours" align="right" />
        <ElTableColumn label="spoilt first nights in 100 loans" prop="spoilt" align="right" />
      </ElTable>
      <p class="second">
        {{ kitCount }} kits, {{ YEARS }} years each, seed {{ seed }}: every loan moves a mirror as that kit’s did; a
        look puts it back. <CsvButton :rows="rows" name="what-if" />
      </p>
    </template>
  </section>
</template>
