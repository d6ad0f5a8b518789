<script setup lang="ts">
import { spreadsSchema } from '@binoculum/contract'
import { MOST_LENT_PAIRS, MOST_LENT_PIECE_LOANS } from '@binoculum/core'
import { computed, ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import FileButton from '../../shared/controls/FileButton.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { dateText } from '../../shared/dates.ts'
import { useSession } from '../people/session.ts'

/** What a programme tells others of its losses and its mirrors, and what others told it. */
const { branchId } = defineProps<{ branchId: string }>()
const { data, problem, reload } = useLoaded(spreadsSchema, () => `/api/branches/${branchId}/spreads`)
const { sending, problem: refused, run } = useSending()
const origin = ref('')
const path = computed(() => `/api/branches/${branchId}/spread?origin=${encodeURIComponent(origin.value.trim())}`)
const isNamed = computed(() => origin.value.trim().length >= 3)
const spreads = computed(() => data.value?.spreads ?? [])

const readIn = (file: File) =>
  run(async () => {
    data.value = await api.post(spreadsSchema, `/api/branches/${branchId}/spreads`, JSON.parse(await textOf(file)))
  })
const forget = (id: string) =>
  run(async () => {
    data.value = await api.delete(spreadsSchema, `/api/branches/${branchId}/spreads/${id}`)
  })
/** What is no JSON goes on as nothing: the server says what is wanted. */
async function textOf(file: File): Promise<string> {
  const text = await file.text()
  try {
    JSON.parse(text)
    return text
  } catch {
    return '{}'
  }
}
const session = useSession()
const dayOf = (utc: string) => dateText(utc, session.zoneOf())
</script>

<template>
  <section aria-label="Losses and drift, between programmes">
    <h2 class="mt-26px">Losses and drift, between programmes</h2>
    <p class="second my-6px mx-0">
      A new club knows little of what gets lost and how far a mirror wanders. A file says it by kind of part and class
      of telescope, without a name, a kit or a day in it; what was seen too seldom is left out. It goes nowhere by
      itself.
    </p>
    <p class="files my-6px mx-0 flex flex-wrap gap-10px items-center">
      <ElInput
        v-model="origin"
        class="w-280px"
        placeholder="a library with 40 kits"
        aria-label="Where it comes from, as others will read it"
      />
      <a v-if="isNamed" class="button" :href="path" download="losses-and-drift.json">Take it out (JSON)</a>
      <span v-else class="second">Say where it comes from, as others will read it.</span>
    </p>
    <p class="files my-6px mx-0 flex flex-wrap gap-10px items-center">
      <FileButton accept=".json,application/json" :busy="sending" @take="readIn"
        >Read another programme’s in …</FileButton
      >
    </p>
    <ProblemNote :problem="problem ?? refused" @retry="reload" />
    <ul v-if="spreads.length > 0" class="my-6px mx-0 p-0 list-none">
      <li
        v-for="each in spreads"
        :key="each.id"
        class="flex flex-wrap gap-y-4px gap-x-10px items-baseline py-4px px-0 line-t-rule"
      >
        <strong>{{ each.origin }}</strong>
        <span class="second">
          {{ each.kinds }} {{ each.kinds === 1 ? 'kind' : 'kinds' }} of parts over
          {{ Math.round(each.pieceLoans) }} loans of a piece, {{ each.classes }}
          {{ each.classes === 1 ? 'class' : 'classes' }} by {{ Math.round(each.pairs) }} looks; read in
          {{ dayOf(each.readAtUtc) }} by {{ each.by }}
        </span>
        <ElButton link @click="forget(each.id)">forget it</ElButton>
      </li>
    </ul>
    <p v-if="spreads.length > 0" class="second my-6px mx-0">
      Together they count for {{ MOST_LENT_PIECE_LOANS }} loans of each kind of piece and {{ MOST_LENT_PAIRS }} looks
      at each class at most: your own soon count for more.
    </p>
  </section>
</template>
