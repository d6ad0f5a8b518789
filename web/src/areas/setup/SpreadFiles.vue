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
import { setupWords } from './words.ts'

const t = setupWords('spreadFiles')

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
  <section :aria-label="t('lossesAndDriftBetweenProgrammes')">
    <h2 class="mt-26px">{{ t('lossesAndDriftBetweenProgrammes') }}</h2>
    <p class="second my-6px mx-0">
      {{ t('aNewClubKnowsLittle') }}
    </p>
    <p class="files my-6px mx-0 flex flex-wrap gap-10px items-center">
      <ElInput
        v-model="origin"
        class="w-280px"
        :placeholder="t('aLibraryWithKits')"
        :aria-label="t('whereItComesFromAs')"
      />
      <a v-if="isNamed" class="button" :href="path" download="losses-and-drift.json">{{ t('takeItOutJson') }}</a>
      <span v-else class="second">{{ t('sayWhereItComesFrom') }}</span>
    </p>
    <p class="files my-6px mx-0 flex flex-wrap gap-10px items-center">
      <FileButton accept=".json,application/json" :busy="sending" @take="readIn">{{
        t('readAnotherProgrammesIn')
      }}</FileButton>
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
          {{
            t('kindsOfPartsOverLoans', {
              n: each.kinds,
              pieceLoans: Math.round(each.pieceLoans),
              classes: each.classes,
              classWords: t('classes', { n: each.classes }),
              pairs: Math.round(each.pairs),
              readAtUtc: dayOf(each.readAtUtc),
              by: each.by,
            })
          }}
        </span>
        <ElButton link @click="forget(each.id)">{{ t('forgetIt') }}</ElButton>
      </li>
    </ul>
    <p v-if="spreads.length > 0" class="second my-6px mx-0">
      {{ t('togetherTheyCountForLoans', { loans: MOST_LENT_PIECE_LOANS, looks: MOST_LENT_PAIRS }) }}
    </p>
  </section>
</template>
