<script setup lang="ts">
import { buyingSchema } from '@binoculum/contract'
import { costSentence, costText, moneyText, partWords, sparesSentence } from '@binoculum/core'
import { useLocalStorage } from '@vueuse/core'
import { computed, reactive } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import BranchSelect from '../../shared/controls/BranchSelect.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useSession } from '../people/session.ts'
import FiguresTable from './FiguresTable.vue'
import RangesChart from './RangesChart.vue'
import { percent } from './story-words.ts'
import { logbookWords } from './words.ts'

const t = logbookWords('buyingPage')

/** What a loan of each model costs, and which parts to keep how many of. */
const session = useSession()
const branches = computed(() => session.current?.memberships ?? [])
const last = useLocalStorage('binoculum calendar branch', '')
const branchId = computed({
  get: () =>
    branches.value.find((branch) => branch.branchId === last.value)?.branchId ?? branches.value[0]?.branchId ?? '',
  set: (id) => (last.value = id),
})
const assumed = reactive({ lifeYears: 8, leadWeeks: 6, serviceLevel: 95 })
const query = computed(() => {
  const { lifeYears, leadWeeks, serviceLevel } = assumed
  return new URLSearchParams({
    ...{ lifeYears: String(lifeYears), leadWeeks: String(leadWeeks), serviceLevel: String(serviceLevel / 100) },
  }).toString()
})
const { data, problem, reload } = useLoaded(
  buyingSchema,
  () => `/api/branches/${branchId.value}/buying?${query.value}`,
)

/** Dearest first. */
const costs = computed(() =>
  (data.value?.models ?? [])
    .flatMap(({ modelName, costMinor }) =>
      costMinor
        ? [{ name: modelName, low: costMinor.low / 100, middle: costMinor.middle / 100, high: costMinor.high / 100 }]
        : [],
    )
    .sort((a, b) => b.middle - a.middle),
)
const money = (minor: number) => moneyText(Math.round(minor), data.value?.currency ?? '')
const modelRows = computed(() =>
  (data.value?.models ?? []).map((model) => ({
    ...{ model: model.modelName, kits: model.kits },
    'loans a year': model.years > 0 ? (model.loans / model.years).toFixed(1) : '–',
    'lost in a loan': model.loans > 0 ? money(model.lostMinor / model.loans) : '–',
    'a loan costs': costText(model, data.value?.currency ?? ''),
    'mirror beyond': model.beyond ? percent(model.beyond.share) : '–',
    'bench min': model.benchMinutes ?? '–',
  })),
)
const spareRows = computed(() =>
  (data.value?.spares ?? []).map(({ role, losses, aYear, keep, have, order, pieceMinor }) => ({
    ...{ part: partWords(role), lost: losses },
    'a year': t('rateTo', { rate: aYear.rate.toFixed(1), low: aYear.low.toFixed(1), high: aYear.high.toFixed(1) }),
    ...{ keep, 'in the drawer': have, order: order === 0 ? '–' : order },
    'a piece': pieceMinor === null ? '–' : money(pieceMinor),
  })),
)
const pdf = computed(() => `/api/branches/${branchId.value}/buying/pdf?${query.value}`)
</script>

<template>
  <main class="page">
    <p class="screen-only">
      <RouterLink to="/logbook">{{ t('logbook') }}</RouterLink>
    </p>
    <header class="flex flex-wrap gap-y-6px gap-x-16px items-center">
      <h1>{{ t('buyingAndMending') }}</h1>
      <BranchSelect v-model="branchId" :branches="branches" />
      <ElButton tag="a" :href="pdf" type="primary" class="screen-only" download>{{
        t('reportForTheCommitteePdf')
      }}</ElButton>
    </header>
    <ProblemNote :problem="problem" @retry="reload" />
    <template v-if="data">
      <h2>{{ t('whatALoanCosts') }}</h2>
      <p>{{ costSentence(data) }}</p>
      <p class="flex flex-wrap gap-y-6px gap-x-28px my-8px mx-0">
        <label class="inline-flex whitespace-nowrap gap-8px items-center"
          >{{ t('aKitIsPaidOver') }}
          <ElInputNumber
            v-model="assumed.lifeYears"
            :min="1"
            :max="40"
            size="small"
            :aria-label="t('yearsThatAKitLasts')"
          />
          {{ t('years') }}</label
        >
      </p>
      <RangesChart
        v-if="costs.length > 0"
        :ranges="costs"
        :title="t('aLoan', { currency: data.currency })"
        :digits="2"
      />
      <FiguresTable :rows="modelRows" :name="`cost of loans ${data.branchName}`" open />
      <p class="second">
        {{ t('aYearsShareOfThe', { sinceYear: data.sinceYear }) }}
      </p>
      <h2>{{ t('whichPartsToKeep') }}</h2>
      <p>{{ sparesSentence(data) }}</p>
      <p class="flex flex-wrap gap-y-6px gap-x-28px my-8px mx-0">
        <label class="inline-flex whitespace-nowrap gap-8px items-center"
          >{{ t('newOnesComeWithin') }}
          <ElInputNumber
            v-model="assumed.leadWeeks"
            :min="1"
            :max="52"
            size="small"
            :aria-label="t('weeksUntilPartsCome')"
          />
          {{ t('weeks') }}</label
        >
        <label class="inline-flex whitespace-nowrap gap-8px items-center"
          >{{ t('thereWhenWanted') }}
          <ElInputNumber
            v-model="assumed.serviceLevel"
            :min="50"
            :max="99"
            size="small"
            :aria-label="t('ofAHundredTimesThat')"
          />
          {{ t('timesIn') }}</label
        >
      </p>
      <FiguresTable :rows="spareRows" :name="`parts to keep ${data.branchName}`" open />
      <p class="second">
        {{ t('lostPartsComeOneBy', { recordYears: data.recordYears.toFixed(1) }) }}
      </p>
    </template>
  </main>
</template>

<style scoped src="./logbook-page.css"></style>
