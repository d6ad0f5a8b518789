<script setup lang="ts">
import { firstNightsSchema } from '@binoculum/contract'
import { toldVerdict } from '@binoculum/core'
import { computed } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'

/** What borrowers of this model told after their evenings: where those ended, and what was seen. */
const { kitCode } = defineProps<{ kitCode: string }>()
const { data } = useLoaded(firstNightsSchema, () => `/api/kits/${encodeURIComponent(kitCode)}/first-nights`)
const stopWords: Readonly<Record<string, string>> = {
  finding: 'found nothing',
  focus: 'never got sharp',
  clouds: 'clouds',
}
const stops = computed(() =>
  (data.value?.stops ?? []).map(({ key, title, nights }) => ({ title: stopWords[key] ?? title, nights })),
)
const verdictWords = { found: 'shown first', hard: 'shown last' } as const
const targets = computed(() =>
  (data.value?.targets ?? []).map((each) => {
    const verdict = toldVerdict(each)
    return { ...each, share: `${each.saw} of ${each.tried}`, place: verdict ? verdictWords[verdict] : '' }
  }),
)
</script>

<template>
  <section v-if="data" class="mt-24px" aria-label="What borrowers told">
    <h2>What borrowers told</h2>
    <p v-if="data.nights === 0" class="quiet">
      Nobody has told of an evening with this model yet. The guide asks on the evening after: what did you see?
    </p>
    <template v-else>
      <p>
        {{ data.nights }} {{ data.nights === 1 ? 'evening' : 'evenings' }}.
        <template v-if="stops[0]"
          >Those that ended early did so most often at: <strong>{{ stops[0].title }}</strong>.
        </template>
        <span class="quiet">Counts only; nobody knows who told what.</span>
      </p>
      <div class="two grid grid-cols-[repeat(auto-fit,minmax(min(320px,100%),1fr))] gap-16px mt-8px">
        <ElTable v-if="stops.length > 0" :data="stops" size="small">
          <ElTableColumn prop="title" label="Ended at" />
          <ElTableColumn prop="nights" label="Evenings" width="90" align="right" />
        </ElTable>
        <ElTable v-if="targets.length > 0" :data="targets" size="small">
          <ElTableColumn prop="name" label="Looked for" />
          <ElTableColumn prop="share" label="Saw it" width="90" align="right" />
          <ElTableColumn prop="place" label="In the guide" width="120" />
        </ElTable>
      </div>
    </template>
  </section>
</template>
