<script setup lang="ts">
import { kitStorySchema, storyLinesSchema } from '@binoculum/contract'
import { dateOfDay, dayNumber } from '@binoculum/core'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import KitTag from '../../shared/drawings/KitTag.vue'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { dayText } from '../../shared/dates.ts'
import KitHistory from '../shelf/KitHistory.vue'
import { recordSentence } from '../shelf/history-words.ts'
import CompareChecks from './CompareChecks.vue'
import FiguresTable from './FiguresTable.vue'
import ForecastPanel from './ForecastPanel.vue'
import StoryFigures from './StoryFigures.vue'
import { seenWords } from './story-words.ts'
import StoryLoans from './StoryLoans.vue'
import { kindOfAct, kindsOfActs, type KindOfAct } from './story-kinds.ts'
import { logbookWords } from './words.ts'

const t = logbookWords('kitStoryPage')

/** A kit's life along one line of time: loans, what was off, every figure against its limit, and what was done. */
const route = useRoute()
const code = String(route.params.code)
const from = ref('')
const { data, problem, reload } = useLoaded(
  kitStorySchema,
  () => `/api/kits/${encodeURIComponent(code)}/story${from.value && `?from=${from.value}`}`,
)
const YEAR_DAYS = 366
const earlier = () => data.value && (from.value = dateOfDay(dayNumber(data.value.from) - YEAR_DAYS))
/** A little beyond today, so that what is next is seen. */
const AHEAD_DAYS = 21
const until = computed(() => (data.value ? dateOfDay(dayNumber(data.value.today) + AHEAD_DAYS) : ''))
const returned = computed(() => data.value?.loans.filter(({ state }) => state !== 'promised').length ?? 0)

const figures = computed(() =>
  (data.value?.readings ?? [])
    .filter(({ unit }) => unit !== 'judged')
    .map(({ kind, unit, atUtc, asFound, asLeft, limit, by }) => ({
      ...{ day: atUtc.slice(0, 10), what: seenWords(kind), unit, by },
      ...{ 'as found': asFound?.toFixed(2) ?? '–', 'as left': asLeft.toFixed(2), limit: limit?.toFixed(2) ?? '–' },
    })),
)
const { sending, problem: refusal, run } = useSending()
const earlierLines = () =>
  run(async () => {
    const shown = data.value
    if (!shown?.next) return
    const address = `/api/kits/${encodeURIComponent(code)}/story/lines?from=${shown.from}&before=${shown.next}`
    const { lines: more, next } = await api.get(storyLinesSchema, address)
    data.value = { ...shown, lines: [...shown.lines, ...more], next }
  })
const words = ref('')
const kinds = ref<KindOfAct[]>([])
const lines = computed(() => {
  const wanted = words.value.trim().toLowerCase()
  return (data.value?.lines ?? []).filter(
    (line) =>
      (kinds.value.length === 0 || kinds.value.includes(kindOfAct(line.act))) &&
      (wanted === '' || `${recordSentence(line)} ${line.by}`.toLowerCase().includes(wanted)),
  )
})
const print = () => window.print()
</script>

<template>
  <main class="page">
    <p class="screen-only">
      <RouterLink to="/logbook">{{ t('allKits') }}</RouterLink>
    </p>
    <ProblemNote :problem="problem" @retry="reload" />
    <template v-if="data">
      <header class="flex flex-wrap gap-y-8px gap-x-16px items-center">
        <h1>{{ data.kit.name }}</h1>
        <KitTag :code="data.kit.code" />
        <p class="second">
          {{ data.kit.modelName }}<br />
          {{
            t('loansSince', {
              n: returned,
              from: dayText(`${data.from}T12:00:00Z`, 'UTC'),
              year: data.from.slice(0, 4),
            })
          }}
        </p>
        <p class="second flex gap-6px items-center mr-0 ml-auto my-0">
          <span class="w-10px h-10px line-1.5-ink rd-50% bg-ink" /> {{ t('asFound') }}
          <span class="w-10px h-10px line-1.5-ink rd-50% ml-10px [border-color:var(--night)]" /> {{ t('asLeft') }}
        </p>
        <ElButton v-if="data.hasEarlier" class="screen-only" @click="earlier">{{ t('aYearEarlier') }}</ElButton>
        <ElButton class="screen-only" @click="print">{{ t('print') }}</ElButton>
        <RouterLink class="screen-only" :to="`/kits/${encodeURIComponent(code)}`">{{ t('itsSheet') }}</RouterLink>
      </header>
      <StoryLoans :loans="data.loans" :from="data.from" :until="until" :today="data.today" />
      <StoryFigures :readings="data.readings" :from-utc="data.from" :until-utc="until" />
      <ForecastPanel v-if="data.forecast" :forecast="data.forecast" />
      <FiguresTable v-if="figures.length > 0" :rows="figures" :name="`figures ${data.kit.code}`" />
      <CompareChecks :checks="data.checks" :zone="data.kit.zone" />
      <KitHistory :lines="lines" :zone="data.kit.zone">
        <div class="find screen-only flex gap-10px max-w-620px mt-16px">
          <ElSelect
            v-model="kinds"
            multiple
            collapse-tags
            clearable
            :placeholder="t('allKinds')"
            :aria-label="t('kindsOfWhatWasDone')"
          >
            <ElOption v-for="(label, kind) in kindsOfActs" :key="kind" :value="kind" :label="label" />
          </ElSelect>
          <ElInput
            v-model="words"
            clearable
            :placeholder="t('wordsInItsHistory')"
            :aria-label="t('wordsInItsHistory')"
          />
        </div>
      </KitHistory>
      <ProblemNote :problem="refusal" @retry="earlierLines" />
      <p v-if="data.next" class="screen-only">
        <ElButton :disabled="sending" @click="earlierLines">{{ t('whatWasDoneBefore') }}</ElButton>
      </p>
    </template>
  </main>
</template>

<style scoped src="./logbook-page.css"></style>
