<script setup lang="ts">
import { openingsSchema, type BranchOpening, type OpeningFields } from '@binoculum/contract'
import dayjs from 'dayjs'
import { computed, reactive, ref, watch } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import DayPicker from '../../shared/controls/DayPicker.vue'
import KitTag from '../../shared/drawings/KitTag.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import ClosingsFile from './ClosingsFile.vue'
import FeedsList from './FeedsList.vue'
import SetupTabs from './SetupTabs.vue'
import { setupWords } from './words.ts'

const t = setupWords('openingPage')

/** When each branch hands out and takes back, and on which days it is closed. A closing changes no loan: it names them. */
const { data, problem, reload } = useLoaded(openingsSchema, '/api/opening')
const { sending, problem: refusal, run } = useSending()
const weekdays = [t('mon'), t('tue'), t('wed'), t('thu'), t('fri'), t('sat'), t('sun')] as const
const today = dayjs().format('YYYY-MM-DD')

const chosenId = ref('')
const branch = computed<BranchOpening | null>(
  () => data.value?.branches.find(({ branchId }) => branchId === chosenId.value) ?? data.value?.branches[0] ?? null,
)
const fields = ref<OpeningFields | null>(null)
watch(
  branch,
  (shown) =>
    (fields.value = shown && {
      ...shown.opening,
      openWeekdays: [...shown.opening.openWeekdays],
      vanWeekdays: [...shown.opening.vanWeekdays],
    }),
)
const isChanged = computed(() => JSON.stringify(fields.value) !== JSON.stringify(branch.value?.opening))
const closing = reactive({ fromOn: today, untilOn: today, why: '' })
watch(
  () => closing.fromOn,
  (from) => from > closing.untilOn && (closing.untilOn = from),
)
const dayWords = (day: string) => dayjs(day).format('ddd D MMM YYYY')
const spanWords = (from: string, until: string) =>
  from === until ? dayWords(from) : t('fromTo', { from: dayWords(from), until: dayWords(until) })

const keep = () =>
  run(async () => {
    data.value = await api.put(openingsSchema, `/api/branches/${branch.value?.branchId}/opening`, fields.value)
  })
async function close() {
  const done = await run(async () => {
    data.value = await api.post(openingsSchema, `/api/branches/${branch.value?.branchId}/closings`, closing)
  })
  if (done) closing.why = ''
}
const reopen = (id: string) =>
  run(async () => {
    await api.remove(`/api/branches/${branch.value?.branchId}/closings/${id}`)
    await reload()
  })
</script>

<template>
  <main class="page">
    <SetupTabs />
    <h1>{{ t('openingDays') }}</h1>
    <ProblemNote :problem="problem" @retry="reload" />
    <template v-if="branch && fields">
      <ElRadioGroup
        v-if="(data?.branches.length ?? 0) > 1"
        :model-value="branch.branchId"
        :aria-label="t('branch')"
        @update:model-value="chosenId = String($event)"
      >
        <ElRadioButton v-for="each in data?.branches" :key="each.branchId" :value="each.branchId">{{
          each.branchName
        }}</ElRadioButton>
      </ElRadioGroup>
      <ElForm
        class="week grid grid-cols-[repeat(3,minmax(200px,max-content))] gap-y-12px gap-x-16px items-end my-14px mx-0 max-[760px]:grid-cols-[minmax(0,1fr)]"
        label-position="top"
        :disabled="!branch.mayChange"
        @submit.prevent="keep"
      >
        <ElFormItem :label="t('openOn')">
          <ElCheckboxGroup v-model="fields.openWeekdays" :aria-label="t('openOn')">
            <ElCheckboxButton v-for="(name, index) in weekdays" :key="name" :value="index + 1">{{
              name
            }}</ElCheckboxButton>
          </ElCheckboxGroup>
        </ElFormItem>
        <ElFormItem :label="t('kitsAreHandedOutFrom')">
          <ElTimeSelect
            v-model="fields.pickUpFrom"
            start="06:00"
            end="23:30"
            step="00:30"
            :clearable="false"
            :aria-label="t('handedOutFrom')"
          />
        </ElFormItem>
        <ElFormItem :label="t('until')">
          <ElTimeSelect
            v-model="fields.pickUpUntil"
            start="06:00"
            end="23:30"
            step="00:30"
            :clearable="false"
            :aria-label="t('handedOutUntil')"
          />
        </ElFormItem>
        <ElFormItem :label="t('daysBetweenTwoLoansAt')">
          <ElInputNumber v-model="fields.turnaroundDays" :min="0" :max="30" :aria-label="t('daysBetweenTwoLoans')" />
        </ElFormItem>
        <ElFormItem :label="t('longestLoanDays')">
          <ElInputNumber v-model="fields.longestLoanDays" :min="1" :max="366" :aria-label="t('longestLoan')" />
        </ElFormItem>
        <ElFormItem :label="t('promisedAheadAtMostDays')">
          <ElInputNumber v-model="fields.aheadDays" :min="1" :max="730" :aria-label="t('promisedAhead')" />
        </ElFormItem>
        <ElFormItem :label="t('theVanCallsOn')" class="wide mb-10px">
          <ElCheckboxGroup v-model="fields.vanWeekdays" :aria-label="t('theVanCallsOn')">
            <ElCheckboxButton v-for="(name, index) in weekdays" :key="name" :value="index + 1">{{
              name
            }}</ElCheckboxButton>
          </ElCheckboxGroup>
        </ElFormItem>
        <p class="second wide mb-10px">
          {{ t('aModelThatUsuallyNeeds') }}
        </p>
        <ElButton
          v-if="branch.mayChange"
          type="primary"
          native-type="submit"
          :disabled="!isChanged || sending || fields.openWeekdays.length === 0"
          >{{ t('keep') }}</ElButton
        >
      </ElForm>
      <ProblemNote :problem="refusal" />

      <h2>
        {{ t('closed') }} <em>{{ t('onDaysOnWhichThe') }}</em>
      </h2>
      <form
        v-if="branch.mayChange"
        class="flex flex-wrap gap-y-8px gap-x-12px items-end my-8px mx-0"
        :aria-label="t('newClosing')"
        @submit.prevent="close"
      >
        <label class="labelled"
          ><span>{{ t('from') }}</span
          ><DayPicker v-model="closing.fromOn" :from="today" :aria-label="t('closedFrom')"
        /></label>
        <label class="labelled"
          ><span>{{ t('to') }}</span
          ><DayPicker v-model="closing.untilOn" :from="closing.fromOn" :aria-label="t('closedUntil')"
        /></label>
        <label class="labelled flex-[1_1_220px] max-w-360px"
          ><span>{{ t('why') }}</span
          ><ElInput v-model="closing.why" maxlength="120" name="closing-why" :placeholder="t('stocktakingChristmas')"
        /></label>
        <ElButton native-type="submit" :disabled="sending || closing.why.trim() === ''">{{
          t('closeTheseDays')
        }}</ElButton>
      </form>
      <ClosingsFile v-if="branch.mayChange" :branch-id="branch.branchId" :say="spanWords" @kept="data = $event" />
      <ul v-if="branch.closings.length > 0">
        <li
          v-for="each in branch.closings"
          :key="each.id"
          class="grid grid-cols-[minmax(200px,330px)_minmax(120px,240px)_auto] gap-12px items-center justify-start py-6px px-0 line-b-rule max-[760px]:grid-cols-[minmax(0,1fr)]"
        >
          <span>{{ spanWords(each.fromOn, each.untilOn) }}</span> <span class="quiet">{{ each.why }}</span>
          <ElButton
            v-if="branch.mayChange"
            link
            :aria-label="t('openAgainOn', { fromOn: spanWords(each.fromOn, each.untilOn) })"
            @click="reopen(each.id)"
            >{{ t('openAgain') }}</ElButton
          >
        </li>
      </ul>
      <p v-else class="quiet">{{ t('noClosingLiesAhead') }}</p>

      <template v-if="branch.onClosedDays.length > 0">
        <h2>
          {{ t('loansThatMeetAClosed') }} <em>{{ t('nothingWasChangedWriteOr') }}</em>
        </h2>
        <ul>
          <li
            v-for="loan in branch.onClosedDays"
            :key="`${loan.loanId} ${loan.what}`"
            class="grid grid-cols-[minmax(200px,330px)_minmax(120px,240px)_auto] gap-12px items-center justify-start py-6px px-0 line-b-rule max-[760px]:grid-cols-[minmax(0,1fr)]"
          >
            <span>{{ t('whatOn', { what: loan.what, on: dayWords(loan.on) }) }}</span>
            <span>{{ loan.kitName }} <KitTag :code="loan.kitCode" /></span>
            <RouterLink :to="`/desk/loans/${loan.loanId}`">{{ loan.loanCode }}</RouterLink>
          </li>
        </ul>
      </template>
      <FeedsList :branch-id="branch.branchId" :may-change="branch.mayChange" />
    </template>
  </main>
</template>

<style scoped>
.week > :first-child,
.wide {
  grid-column: 1 / -1;
}

h2 {
  margin: 18px 0 6px;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
