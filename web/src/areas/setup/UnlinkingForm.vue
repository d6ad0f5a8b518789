<script setup lang="ts">
import { unlinkingsSchema } from '@binoculum/contract'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'

/** How long each branch keeps the names of borrowers after everything of theirs is closed. */
const { data, problem, reload } = useLoaded(unlinkingsSchema, '/api/unlinking')
const { problem: refusal, run } = useSending()
const decide = (branchId: string, unlinkDays: number | undefined) =>
  run(async () => {
    if (unlinkDays)
      data.value = await api.put(unlinkingsSchema, `/api/branches/${branchId}/unlinking`, { unlinkDays })
  })
</script>

<template>
  <h2>How long borrowers’ names are kept</h2>
  <p class="second">
    Counted from the day on which everything of theirs is closed: loans, promises, waiting, parts that are asked for.
    Then name, contact, letters’ words and pictures are taken out; loans and figures stay.
  </p>
  <ProblemNote :problem="problem" @retry="reload" />
  <ProblemNote :problem="refusal" />
  <p v-for="branch in data?.branches" :key="branch.branchId" class="line">
    <span>{{ branch.branchName }}</span>
    <ElInputNumber
      :model-value="branch.unlinkDays"
      :min="1"
      :max="3650"
      :disabled="!branch.mayChange"
      :aria-label="`days at ${branch.branchName}`"
      @change="decide(branch.branchId, $event)"
    />
    <span>days</span>
  </p>
</template>

<style scoped>
h2 {
  margin: 20px 0 4px;
}

.line {
  display: flex;
  gap: 12px;
  align-items: center;
  margin-top: 8px;
}

.line > :first-child {
  min-width: 200px;
}
</style>
