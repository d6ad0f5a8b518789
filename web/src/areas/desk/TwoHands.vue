<script setup lang="ts">
import type { KitSheet, Part, PartMark, TakeBackConflict } from '@binoculum/contract'
import { outcomeWords } from '@binoculum/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import PencilMark from '../../shared/drawings/PencilMark.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { hourText } from '../../shared/dates.ts'
import { deskWords } from './words.ts'

const t = deskWords('twoHands')

/** Another desk was first: both versions side by side, part by part, and nothing is lost. */
const { conflict, parts, loanId, kit } = defineProps<{
  conflict: TakeBackConflict
  parts: readonly Part[]
  loanId: string
  kit: KitSheet
}>()
const emit = defineEmits<{ done: [] }>()
const router = useRouter()
const { sending, problem, run } = useSending()

const markIn = (marks: readonly PartMark[], part: Part) => marks.find(({ partId }) => partId === part.id)
const differing = computed(() =>
  parts.flatMap((part) => {
    const theirs = markIn(conflict.theirs.marks, part)
    const yours = markIn(conflict.yours.marks, part)
    const same = theirs?.mark === yours?.mark && theirs?.presentCount === yours?.presentCount
    return same || !yours || yours.mark === 'unseen' ? [] : [{ part, theirs, yours }]
  }),
)
const mine = ref<string[]>([])
const lineOf = (row: unknown) => row as (typeof differing.value)[number]
const take = (id: string, isMine: boolean) =>
  (mine.value = isMine ? [...mine.value, id] : mine.value.filter((each) => each !== id))

async function keepTheirs() {
  emit('done')
  await router.push(`/kits/${encodeURIComponent(kit.code)}`)
}

async function addMine() {
  const marks = differing.value.filter(({ part }) => mine.value.includes(part.id)).map(({ yours }) => yours)
  const done = await run(async (idempotencyKey) => {
    await api.act(`/api/loans/${loanId}/take-back/corrections`, {
      idempotencyKey,
      loanVersion: conflict.loanVersion,
      marks,
    })
  })
  if (done) await keepTheirs()
}
</script>

<template>
  <main class="page grid gap-14px max-w-860px">
    <h1>{{ t('twoDesksTookBack', { name: kit.name }) }}</h1>
    <p>
      <strong>{{ conflict.theirs.by }}</strong>
      {{
        t('wasFirstAtThatIs', {
          atUtc: hourText(conflict.theirs.atUtc, kit.zone),
          theirs: outcomeWords[conflict.theirs.outcome].toLowerCase(),
          yours: outcomeWords[conflict.yours.outcome].toLowerCase(),
        })
      }}
    </p>
    <p v-if="differing.length === 0">{{ t('allYourMarksAgreeWith') }}</p>
    <ElTable v-else :data="differing" :aria-label="t('whereYouDiffer')">
      <ElTableColumn :label="t('part')" min-width="160">
        <template #default="{ row }">{{ lineOf(row).part.name }}</template>
      </ElTableColumn>
      <ElTableColumn :label="conflict.theirs.by" min-width="140">
        <template #default="{ row }"
          ><PencilMark class="inline-block [vertical-align:-5px]" :mark="lineOf(row).theirs?.mark ?? 'unseen'" />
          {{ lineOf(row).theirs?.mark ?? t('notLookedAt') }} {{ lineOf(row).theirs?.note }}</template
        >
      </ElTableColumn>
      <ElTableColumn :label="t('you')" min-width="140">
        <template #default="{ row }"
          ><PencilMark class="inline-block [vertical-align:-5px]" :mark="lineOf(row).yours.mark" />
          {{ lineOf(row).yours.mark }} {{ lineOf(row).yours.note }}</template
        >
      </ElTableColumn>
      <ElTableColumn :label="t('takeYours')" width="110">
        <template #default="{ row }"
          ><ElCheckbox
            :model-value="mine.includes(lineOf(row).part.id)"
            :aria-label="t('takeYourMarkOf', { name: lineOf(row).part.name })"
            @update:model-value="take(lineOf(row).part.id, $event === true)"
        /></template>
      </ElTableColumn>
    </ElTable>
    <p class="quiet">{{ t('lookTogetherWhereYouDiffer') }}</p>
    <ProblemNote :problem="problem" @retry="addMine" />
    <div class="ways flex gap-10px">
      <ElButton
        v-if="differing.length > 0"
        type="primary"
        size="large"
        :disabled="sending || mine.length === 0"
        @click="addMine"
      >
        {{ t('correctMarks', { n: mine.length }) }}
      </ElButton>
      <ElButton size="large" @click="keepTheirs">{{ t('leaveTheirs') }}</ElButton>
    </div>
  </main>
</template>
