<script setup lang="ts">
import { trendsSchema, type ModelTrend } from '@binoculum/contract'
import { useLocalStorage } from '@vueuse/core'
import dayjs from 'dayjs'
import { computed, ref } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import BranchSelect from '../../shared/controls/BranchSelect.vue'
import CsvButton from '../../shared/controls/CsvButton.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import BranchCharts from './BranchCharts.vue'
import FiguresTable from './FiguresTable.vue'
import MonthsChart from './MonthsChart.vue'
import SpreadBar from './SpreadBar.vue'
import { beyondText, modelsSentence, monthsSentence } from './story-words.ts'
import WhatIf from './WhatIf.vue'
import { useDarkMonths } from './use-dark-months.ts'
import { logbookWords } from './words.ts'

const t = logbookWords('logbookPage')

/** What holds, what drifts and what is lost, model by model; and how much is lent against the nights. */
const { data, problem, reload } = useLoaded(trendsSchema, '/api/logbook')
const branches = computed(() => data.value?.branches ?? [])
const last = useLocalStorage('binoculum calendar branch', '')
const branch = computed(
  () => branches.value.find(({ branchId }) => branchId === last.value) ?? branches.value[0] ?? null,
)
const chosenId = computed({ get: () => branch.value?.branchId ?? '', set: (id) => (last.value = id) })
const hours = useDarkMonths(() => {
  const { place, months } = branch.value ?? {}
  return place && months ? { place, months: months.map(({ month }) => month) } : null
})
const monthRows = computed(() =>
  (branch.value?.months ?? []).map(({ month, loans, late }, index) => ({
    ...{ month: dayjs(`${month}-01`).format('MMM YYYY'), loans, late },
    'dark hours': hours.value ? Math.round(hours.value[index] ?? 0) : '',
  })),
)
/** Kits of a family are too few in one model to say much, and too different in one family: both are shown. */
const by = ref<'models' | 'families'>('models')
const compared = computed(() => branch.value?.[by.value] ?? [])
const modelRows = computed(() =>
  compared.value.map((model) => ({
    ...{ model: model.modelName, kits: model.kits.map(({ name }) => name).join(', '), loans: model.loans },
    'mirror middle mm': model.mirrorMm.middle,
    'mirror limit mm': model.mirrorLimitMm,
    'mirror beyond': model.mirrorMm.beyond?.share ?? null,
    'finder middle arcmin': model.finderArcmin.middle,
    'finder limit arcmin': model.finderLimitArcmin,
    'finder beyond': model.finderArcmin.beyond?.share ?? null,
    'lost in 100 loans': model.lostPerHundred?.rate ?? null,
    'bench minutes': model.benchMinutes,
  })),
)
const lostText = (lost: { rate: number; low: number; high: number } | null) =>
  lost ? `${lost.rate.toFixed(0)} (${lost.low.toFixed(0)}–${lost.high.toFixed(0)})` : '–'
</script>

<template>
  <main class="page">
    <h1>{{ t('logbook') }}</h1>
    <p class="choices flex flex-wrap gap-y-6px gap-x-20px items-center">
      <BranchSelect v-model="chosenId" :branches="branches" />
      <RouterLink to="/logbook/buying">{{ t('whatModelsCostAndWhich') }}</RouterLink>
    </p>
    <ProblemNote :problem="problem" @retry="reload" />
    <template v-if="branch">
      <h2>
        {{ t('byCompared', { by: by === 'models' ? t('models') : t('families') }) }}
        <em>{{ t('lineEightLooksOfTen') }}</em>
      </h2>
      <p>{{ modelsSentence(compared) }}</p>
      <ElSegmented v-model="by" :options="['models', 'families']" :aria-label="t('compare')" class="screen-only" />
      <ElTable :data="compared" size="small" class="mt-8px" row-key="modelId">
        <ElTableColumn :label="by === 'models' ? t('model') : t('family')" prop="modelName" min-width="200" />
        <ElTableColumn :label="t('kits')" min-width="100">
          <template #default="{ row }: { row: ModelTrend }">
            <template v-for="(kit, index) in row.kits" :key="kit.code"
              >{{ index > 0 ? ', ' : ''
              }}<RouterLink :to="`/logbook/${encodeURIComponent(kit.code)}`">{{ kit.name }}</RouterLink></template
            >
          </template>
        </ElTableColumn>
        <ElTableColumn :label="t('loans')" prop="loans" align="right" width="66" />
        <ElTableColumn :label="t('mirrorAsFound')" width="140">
          <template #default="{ row }: { row: ModelTrend }"
            ><SpreadBar :spread="row.mirrorMm" :limit="row.mirrorLimitMm" unit="mm"
          /></template>
        </ElTableColumn>
        <ElTableColumn :label="t('beyond')" min-width="130">
          <template #default="{ row }: { row: ModelTrend }">{{
            row.mirrorMm.n === 0 ? '–' : beyondText(row.mirrorMm)
          }}</template>
        </ElTableColumn>
        <ElTableColumn :label="t('finderAsFound')" width="140">
          <template #default="{ row }: { row: ModelTrend }"
            ><SpreadBar :spread="row.finderArcmin" :limit="row.finderLimitArcmin" unit="′"
          /></template>
        </ElTableColumn>
        <ElTableColumn :label="t('beyond')" min-width="130">
          <template #default="{ row }: { row: ModelTrend }">{{
            row.finderArcmin.n === 0 ? '–' : beyondText(row.finderArcmin)
          }}</template>
        </ElTableColumn>
        <ElTableColumn :label="t('lostIn')" min-width="100">
          <template #default="{ row }: { row: ModelTrend }">{{ lostText(row.lostPerHundred) }}</template>
        </ElTableColumn>
        <ElTableColumn :label="t('benchMin')" align="right" width="92">
          <template #default="{ row }: { row: ModelTrend }">{{ row.benchMinutes ?? '–' }}</template>
        </ElTableColumn>
      </ElTable>
      <p class="second">
        {{ t('ofEachKitTheNewest') }}
        <CsvButton :rows="modelRows" :name="`${by} ${branch.branchName}`" />
      </p>

      <h2>{{ t('loansByMonth') }}</h2>
      <p>{{ monthsSentence(branch.months, hours) }}</p>
      <p class="second flex gap-6px items-center mt-6px">
        <span class="key in-time inline-block w-18px h-10px ml-10px" /> {{ t('inTime') }}
        <span class="key late inline-block w-18px h-10px ml-10px" /> {{ t('late') }}
        <span class="key dark inline-block w-18px h-10px ml-10px" />
        {{
          t('darkHoursWithoutTheMoon', {
            name: branch.place ? t('atName', { name: branch.place.name }) : '',
            place: branch.place && !hours ? t('beingReckoned') : '',
          })
        }}
      </p>
      <MonthsChart :months="branch.months" :hours="hours" />
      <FiguresTable :rows="monthRows" :name="`loans by month ${branch.branchName}`" />
      <BranchCharts :branch="branch" />
      <WhatIf :branch-id="branch.branchId" />
    </template>
  </main>
</template>

<style scoped src="./logbook-page.css"></style>
