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
import { logbookWords } from './words.ts'

const t = logbookWords('whatIf')

/** A year of the branch's own kits played through under three rules of when somebody looks at mirrors. */
const { branchId } = defineProps<{ branchId: string }>()
const ruleWords: Readonly<Record<LookRule, string>> = {
  'every-loan': t('afterEveryLoan'),
  'every-third': t('afterEveryThirdLoan'),
  'by-forecast': t('whenALookIsDue'),
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
  <section :aria-label="t('whatIf')">
    <h2 class="mx-0 mt-18px mb-4px">
      {{ t('whatIf') }} <em>{{ t('mirrorsWereLookedAtLess') }}</em>
    </h2>
    <p class="screen-only flex flex-wrap gap-14px items-center">
      <ElButton type="primary" :disabled="progress !== null" @click="play">{{ t('playAYearThrough') }}</ElButton>
      <label
        >{{ t('seed') }} <ElInputNumber v-model="seed" :min="1" :max="99999" size="small" :aria-label="t('seed')"
      /></label>
      <template v-if="progress !== null">
        <ElProgress :percentage="Math.round(progress * 100)" :stroke-width="8" class="bar w-240px" />
        <ElButton link @click="stop">{{ t('stop') }}</ElButton>
      </template>
    </p>
    <ProblemNote :problem="problem" @retry="play" />
    <template v-if="found">
      <p>{{ kitCount === 0 ? t('noKitHereHasBeen') : whatIfSentence(found) }}</p>
      <ElTable v-if="kitCount > 0" :data="rows" size="small" class="max-w-680px my-6px mx-0">
        <ElTableColumn :label="t('somebodyLooks')" prop="rule" />
        <ElTableColumn :label="t('looksAYear')" prop="looks" align="right" />
        <ElTableColumn :label="t('hoursAtTheBench')" prop="hours" align="right" />
        <ElTableColumn :label="t('spoiltFirstNightsInLoans')" prop="spoilt" align="right" />
      </ElTable>
      <p class="second">
        {{ t('kitsYearsEachSeedEvery', { kitCount, years: YEARS, seed }) }} <CsvButton :rows="rows" name="what-if" />
      </p>
    </template>
  </section>
</template>
