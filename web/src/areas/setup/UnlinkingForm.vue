<script setup lang="ts">
import { unlinkingsSchema, type Unlinkings } from '@binoculum/contract'
import { ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import { setupWords } from './words.ts'

const t = setupWords('unlinkingForm')

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
const peopleText = (count: number) => t('nBorrowers', { n: count })
async function takeOut() {
  if (asks.value) await decide(asks.value, { cardOnly: true })
  asks.value = null
}
</script>

<template>
  <h2 class="mx-0 mt-20px mb-4px">{{ t('howLongBorrowersNamesAre') }}</h2>
  <p class="second">
    {{ t('countedFromTheDayOn') }}
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
      :aria-label="t('daysAt', { branchName: branch.branchName })"
      @change="$event && decide(branch, { unlinkDays: $event })"
    />
    <span>{{ t('days') }}</span>
    <span>{{ t('knownByName', { names: peopleText(branch.names) }) }}</span>
    <ElButton v-if="branch.mayChange" @click="forgetNow(branch)">{{ t('takeOutNowWhatIs') }}</ElButton>
    <ElSwitch
      :model-value="branch.cardOnly"
      :disabled="!branch.mayChange"
      :active-text="t('cardNumbersOnly')"
      :aria-label="t('cardNumbersOnlyAt', { branchName: branch.branchName })"
      @change="$event ? (asks = branch) : decide(branch, { cardOnly: false })"
    />
    <span v-if="branch.cardOnly && branch.namesWithoutCard > 0" class="second">{{
      t('withoutACardTheirNames', { namesWithoutCard: peopleText(branch.namesWithoutCard) })
    }}</span>
  </p>
  <ElDialog
    :model-value="asks !== null"
    :title="t('cardNumbersOnlyAt2', { branchName: asks?.branchName ?? '' })"
    width="520"
    @close="asks = null"
  >
    <p>
      {{ t('theNamesAndContactsOf', { names: peopleText((asks?.names ?? 0) - (asks?.namesWithoutCard ?? 0)) }) }}
    </p>
    <template #footer>
      <ElButton @click="asks = null">{{ t('leaveIt') }}</ElButton>
      <ElButton type="danger" class="ml-12px" @click="takeOut">{{ t('takeTheNamesOut') }}</ElButton>
    </template>
  </ElDialog>
</template>

<style scoped>
.line > :first-child {
  min-width: 200px;
}
</style>
