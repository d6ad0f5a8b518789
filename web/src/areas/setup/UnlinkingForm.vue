<script setup lang="ts">
import { unlinkingsSchema, type Unlinkings } from '@binoculum/contract'
import { ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'

/** How long each branch keeps the names of borrowers after everything of theirs is closed. */
const { data, problem, reload } = useLoaded(unlinkingsSchema, '/api/unlinking')
const { problem: refusal, run } = useSending()
type Kept = Unlinkings['branches'][number]
const decide = ({ branchId, unlinkDays, cardOnly }: Kept, change: Partial<Kept>) =>
  run(async () => {
    const path = `/api/branches/${branchId}/unlinking`
    data.value = await api.put(unlinkingsSchema, path, { unlinkDays, cardOnly, ...change })
  })
/** What happens every night, at once. */
const forgetNow = ({ branchId }: Kept) =>
  run(async () => {
    data.value = await api.post(unlinkingsSchema, `/api/branches/${branchId}/unlinking/run`)
  })
/** Names that are taken out come back by no press, so it is asked first. */
const asks = ref<Kept | null>(null)
const peopleText = (count: number) => (count === 1 ? 'one borrower' : `${count} borrowers`)
async function takeOut() {
  if (asks.value) await decide(asks.value, { cardOnly: true })
  asks.value = null
}
</script>

<template>
  <h2 class="mx-0 mt-20px mb-4px">How long borrowers’ names are kept</h2>
  <p class="second">
    Counted from the day on which everything of theirs is closed: loans, promises, waiting, parts that are asked for.
    Then name, contact, letters’ words and pictures are taken out; loans and figures stay.
  </p>
  <ProblemNote :problem="problem" @retry="reload" />
  <ProblemNote :problem="refusal" />
  <p v-for="branch in data?.branches" :key="branch.branchId" class="line flex flex-wrap gap-12px items-center mt-8px">
    <span>{{ branch.branchName }}</span>
    <ElInputNumber
      class="w-130px"
      :model-value="branch.unlinkDays"
      :min="1"
      :max="3650"
      :disabled="!branch.mayChange"
      :aria-label="`days at ${branch.branchName}`"
      @change="$event && decide(branch, { unlinkDays: $event })"
    />
    <span>days</span>
    <span>{{ peopleText(branch.names) }} known by name</span>
    <ElButton v-if="branch.mayChange" @click="forgetNow(branch)">Take out now what is due</ElButton>
    <ElSwitch
      :model-value="branch.cardOnly"
      :disabled="!branch.mayChange"
      active-text="card numbers only"
      :aria-label="`card numbers only at ${branch.branchName}`"
      @change="$event ? (asks = branch) : decide(branch, { cardOnly: false })"
    />
    <span v-if="branch.cardOnly && branch.namesWithoutCard > 0" class="second"
      >{{ peopleText(branch.namesWithoutCard) }} without a card: their names go when everything of theirs is
      closed</span
    >
  </p>
  <ElDialog
    :model-value="asks !== null"
    :title="`Card numbers only at ${asks?.branchName ?? ''}`"
    width="520"
    @close="asks = null"
  >
    <p>
      The names and contacts of {{ peopleText((asks?.names ?? 0) - (asks?.namesWithoutCard ?? 0)) }} are taken out
      now, with the words of letters to them. They don’t come back. From then on the desk knows a borrower by the card
      alone, and no letters are written.
    </p>
    <template #footer>
      <ElButton @click="asks = null">Leave it</ElButton>
      <ElButton type="danger" class="ml-12px" @click="takeOut">Take the names out</ElButton>
    </template>
  </ElDialog>
</template>

<style scoped>
.line > :first-child {
  min-width: 200px;
}
</style>
