<script setup lang="ts">
import { firstNightsSchema } from '@binoculum/contract'
import { toldVerdict } from '@binoculum/core'
import { computed } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { guidesWords } from './words.ts'

const t = guidesWords('firstNights')

/** What borrowers of this model told after their evenings: where those ended, and what was seen. */
const { kitCode } = defineProps<{ kitCode: string }>()
const { data } = useLoaded(firstNightsSchema, () => `/api/kits/${encodeURIComponent(kitCode)}/first-nights`)
const stopWords: Readonly<Record<string, string>> = {
  finding: t('foundNothing'),
  focus: t('neverGotSharp'),
  clouds: t('clouds'),
}
const stops = computed(() =>
  (data.value?.stops ?? []).map(({ key, title, nights }) => ({ title: stopWords[key] ?? title, nights })),
)
const verdictWords = { found: t('shownFirst'), hard: t('shownLast') } as const
const targets = computed(() =>
  (data.value?.targets ?? []).map((each) => {
    const verdict = toldVerdict(each)
    return {
      ...each,
      share: t('sawOf', { saw: each.saw, tried: each.tried }),
      place: verdict ? verdictWords[verdict] : '',
    }
  }),
)
</script>

<template>
  <section v-if="data" class="mt-24px" :aria-label="t('whatBorrowersTold')">
    <h2>{{ t('whatBorrowersTold') }}</h2>
    <p v-if="data.nights === 0" class="quiet">
      {{ t('nobodyHasToldOfAn') }}
    </p>
    <template v-else>
      <p>
        {{ data.nights }} {{ t('evenings', { n: data.nights }) }}.
        <template v-if="stops[0]"
          >{{ t('thoseThatEndedEarlyDid') }} <strong>{{ stops[0].title }}</strong>.
        </template>
        <span class="quiet">{{ t('countsOnlyNobodyKnowsWho') }}</span>
      </p>
      <div class="two grid grid-cols-[repeat(auto-fit,minmax(min(320px,100%),1fr))] gap-16px mt-8px">
        <ElTable v-if="stops.length > 0" :data="stops" size="small">
          <ElTableColumn prop="title" :label="t('endedAt')" />
          <ElTableColumn prop="nights" :label="t('evenings2')" width="90" align="right" />
        </ElTable>
        <ElTable v-if="targets.length > 0" :data="targets" size="small">
          <ElTableColumn prop="name" :label="t('lookedFor')" />
          <ElTableColumn prop="share" :label="t('sawIt')" width="90" align="right" />
          <ElTableColumn prop="place" :label="t('inTheGuide')" width="120" />
        </ElTable>
      </div>
    </template>
  </section>
</template>
