<script setup lang="ts">
import { trendsSchema } from '@binoculum/contract'
import { useLocalStorage } from '@vueuse/core'
import dayjs from 'dayjs'
import { computed } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import BranchSelect from '../../shared/controls/BranchSelect.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import MonthsChart from './MonthsChart.vue'
import SpreadBar from './SpreadBar.vue'
import { beyondText, modelsSentence, monthsSentence } from './story-words.ts'
import { useDarkMonths } from './use-dark-months.ts'

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
const lostText = (lost: { rate: number; low: number; high: number } | null) =>
  lost ? `${lost.rate.toFixed(1)} (${lost.low.toFixed(1)} to ${lost.high.toFixed(1)})` : '–'
</script>

<template>
  <main class="page logbook">
    <h1>Logbook</h1>
    <BranchSelect v-model="chosenId" :branches="branches" />
    <ProblemNote :problem="problem" @retry="reload" />
    <template v-if="branch">
      <h2>Models compared <em>line: eight looks of ten, dot: the middle one, tick: the limit</em></h2>
      <p>{{ modelsSentence(branch.models) }}</p>
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">model</th>
              <th scope="col">kits</th>
              <th scope="col" class="figure">loans</th>
              <th scope="col">mirror, as found</th>
              <th scope="col">beyond</th>
              <th scope="col">finder, as found</th>
              <th scope="col">beyond</th>
              <th scope="col">lost in 100 loans</th>
              <th scope="col" class="figure">bench min</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="model in branch.models" :key="model.modelId">
              <th scope="row">{{ model.modelName }}</th>
              <td>
                <template v-for="(kit, index) in model.kits" :key="kit.code"
                  >{{ index > 0 ? ', ' : ''
                  }}<RouterLink :to="`/logbook/${encodeURIComponent(kit.code)}`">{{ kit.name }}</RouterLink></template
                >
              </td>
              <td class="figure">{{ model.loans }}</td>
              <td><SpreadBar :spread="model.mirrorMm" :limit="model.mirrorLimitMm" unit="mm" /></td>
              <td class="quiet">{{ model.mirrorMm.n === 0 ? '–' : beyondText(model.mirrorMm) }}</td>
              <td><SpreadBar :spread="model.finderArcmin" :limit="model.finderLimitArcmin" unit="′" /></td>
              <td class="quiet">{{ model.finderArcmin.n === 0 ? '–' : beyondText(model.finderArcmin) }}</td>
              <td class="quiet">{{ lostText(model.lostPerHundred) }}</td>
              <td class="figure">{{ model.benchMinutes ?? '–' }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="second">
        Of each kit the newest twenty looks and returns. In brackets: where the truth lies nine times in ten.
      </p>

      <h2>Loans by month</h2>
      <p>{{ monthsSentence(branch.months, hours) }}</p>
      <p class="second keys">
        <span class="key in-time" /> in time <span class="key late" /> late <span class="key dark" /> dark hours
        without the Moon{{ branch.place ? ` at ${branch.place.name}` : ''
        }}{{ branch.place && !hours ? ', being reckoned …' : '' }}
      </p>
      <MonthsChart :months="branch.months" :hours="hours" />
      <details>
        <summary>The same figures</summary>
        <table class="months">
          <thead>
            <tr>
              <th scope="col">month</th>
              <th scope="col" class="figure">loans</th>
              <th scope="col" class="figure">late</th>
              <th scope="col" class="figure">dark hours</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(month, index) in branch.months" :key="month.month">
              <th scope="row">{{ dayjs(`${month.month}-01`).format('MMM YYYY') }}</th>
              <td class="figure">{{ month.loans }}</td>
              <td class="figure">{{ month.late }}</td>
              <td class="figure">{{ hours ? Math.round(hours[index] ?? 0) : '' }}</td>
            </tr>
          </tbody>
        </table>
      </details>
    </template>
  </main>
</template>

<style scoped src="./logbook-page.css"></style>
