<script setup lang="ts">
import { loanSheetSchema, type Borrower } from '@binoculum/contract'
import { dateText } from '@binoculum/core'
import dayjs from 'dayjs'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import KitTag from '../../shared/drawings/KitTag.vue'
import DayPicker from '../../shared/controls/DayPicker.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { dayText, hourText, lateText, whenText } from '../../shared/dates.ts'
import { useSession } from '../people/session.ts'
import { recordSentence } from '../shelf/history-words.ts'
import BorrowerPicker from './BorrowerPicker.vue'
import LessonLink from './LessonLink.vue'
import { emptyHandOut, pickedBorrower } from './use-hand-out.ts'
import { deskWords } from './words.ts'

const t = deskWords('loanPage')

/** One loan: who, when, and what was written down wrongly put right. */
const route = useRoute()
const session = useSession()
const loanId = String(route.params.loanId)
const { data: loan, problem: unreadable, reload } = useLoaded(loanSheetSchema, `/api/loans/${loanId}`)
const { sending, problem, run } = useSending()

const asks = ref<'nothing' | 'day' | 'borrower' | 'never-left' | 'join'>('nothing')
const reason = ref('')
const dueOn = ref('')
/** The picker's draft; only who is chosen matters here. */
const chosen = ref(emptyHandOut())
watch(asks, () => {
  reason.value = ''
  chosen.value = emptyHandOut()
  dueOn.value = loan.value?.dueAtUtc?.slice(0, 10) ?? ''
})

const kitPath = computed(() => `/kits/${encodeURIComponent(loan.value?.kitCode ?? '')}`)
const mayJoin = computed(() => !!loan.value && session.may(loan.value.branchId, 'coordinator'))
const stateWords = {
  promised: t('promised'),
  out: t('out'),
  back: t('back'),
  cancelled: t('cancelledItNeverLeft'),
} as const
const tomorrow = dayjs().add(1, 'day').format('YYYY-MM-DD')

const picked = computed(() => pickedBorrower(chosen.value))

async function correct(change: object) {
  const sheet = loan.value
  if (!sheet) return
  const done = await run(async (idempotencyKey) => {
    loan.value = await api.post(loanSheetSchema, `/api/loans/${loanId}/hand-out/corrections`, {
      idempotencyKey,
      loanVersion: sheet.version,
      reason: reason.value,
      ...change,
    })
  })
  if (done) asks.value = 'nothing'
  else if (problem.value?.code === 'LOAN_CHANGED') await reload()
}

async function join(other: Borrower) {
  const done = await run(async () => {
    await api.act(`/api/borrowers/${loan.value?.borrower.id}/join`, { otherId: other.id })
  })
  if (!done) return
  asks.value = 'nothing'
  await reload()
}
</script>

<template>
  <main class="page max-w-900px">
    <ProblemNote :problem="unreadable" @retry="reload" />
    <template v-if="loan">
      <header>
        <h1>{{ t('loanCode', { code: loan.code }) }}</h1>
        <p>
          <RouterLink :to="kitPath">{{ loan.kitName }}</RouterLink> <KitTag :code="loan.kitCode" />
          <span class="quiet">{{ loan.branchName }}</span>
        </p>
      </header>
      <dl class="grid grid-cols-[110px_minmax(0,1fr)] gap-y-4px gap-x-12px my-14px mx-0">
        <dt class="text-quiet">{{ t('state') }}</dt>
        <dd class="m-0">
          {{ stateWords[loan.state]
          }}<strong v-if="loan.daysLate > 0" class="rust">, {{ lateText(loan.daysLate) }}</strong>
        </dd>
        <dt class="text-quiet">{{ t('borrower') }}</dt>
        <dd class="m-0">
          <RouterLink :to="`/desk/borrowers/${loan.borrower.id}`"
            ><strong>{{ loan.borrower.name }}</strong></RouterLink
          >{{ loan.borrower.cardNumber ? t('cardCardNumber', { cardNumber: loan.borrower.cardNumber }) : '' }}
          <span class="quiet">{{
            t('knownAt', { contact: loan.borrower.contact, branchName: loan.borrower.branchName })
          }}</span>
        </dd>
        <template v-if="loan.state === 'promised'">
          <dt class="text-quiet">{{ t('for') }}</dt>
          <dd class="m-0">{{ t('fromOnTo', { fromOn: dateText(loan.fromOn), untilOn: dateText(loan.untilOn) }) }}</dd>
        </template>
        <template v-if="loan.outAtUtc">
          <dt class="text-quiet">{{ t('out') }}</dt>
          <dd class="m-0">{{ whenText(loan.outAtUtc, loan.zone) }}</dd>
        </template>
        <template v-if="loan.dueAtUtc">
          <dt class="text-quiet">{{ t('dueBack') }}</dt>
          <dd class="m-0">{{ whenText(loan.dueAtUtc, loan.zone) }}</dd>
        </template>
        <template v-if="loan.backAtUtc">
          <dt class="text-quiet">{{ t('cameBack') }}</dt>
          <dd class="m-0">{{ whenText(loan.backAtUtc, loan.zone) }}</dd>
        </template>
      </dl>
      <div class="ways flex flex-wrap gap-10px items-center my-10px mx-0">
        <RouterLink v-if="loan.state === 'out'" :to="`/desk/take-back/${loan.id}`" class="button main">{{
          t('takeBack')
        }}</RouterLink>
        <RouterLink v-if="loan.state === 'out'" :to="`/guides/${loan.id}`" class="button">{{
          t('itsGuide')
        }}</RouterLink>
        <RouterLink
          v-if="loan.state === 'out' || loan.state === 'promised'"
          :to="`/calendar?branch=${loan.branchId}&loan=${loan.id}`"
          class="button"
          >{{ t('inTheCalendar', { state: loan.state === 'out' ? t('putItOff') : t('moveIt') }) }}</RouterLink
        >
        <RouterLink
          v-if="loan.state === 'back' && loan.isLatest"
          :to="`/desk/take-back/${loan.id}/correct`"
          class="button main"
          >{{ t('correctTheTakeBack') }}</RouterLink
        >
      </div>
      <p v-if="loan.state === 'back' && !loan.isLatest" class="quiet">
        {{ t('hasBeenOutAgainSince', { kitName: loan.kitName }) }}
      </p>

      <LessonLink
        v-if="loan.state === 'promised'"
        :loan-id="loan.id"
        :done-at-utc="loan.lessonDoneAtUtc"
        :zone="loan.zone"
      />

      <template v-if="loan.state === 'out'">
        <h2 class="mt-20px">{{ t('wasSomethingWrittenDownWrongly') }}</h2>
        <div
          class="ways flex flex-wrap gap-10px items-center my-10px mx-0"
          role="group"
          :aria-label="t('whatWasWrong')"
        >
          <ElButton :aria-pressed="asks === 'day'" @click="asks = 'day'"> {{ t('theDayOfReturn') }} </ElButton>
          <ElButton :aria-pressed="asks === 'borrower'" @click="asks = 'borrower'"> {{ t('theBorrower') }} </ElButton>
          <ElButton :aria-pressed="asks === 'never-left'" @click="asks = 'never-left'">
            {{ t('itNeverLeft') }}
          </ElButton>
        </div>
        <form
          v-if="asks === 'day'"
          class="flex flex-wrap gap-10px items-center my-10px mx-0"
          @submit.prevent="correct({ dueOn })"
        >
          <DayPicker v-model="dueOn" :from="tomorrow" :aria-label="t('rightDayOfReturn')" />
          <ElInput v-model="reason" required minlength="3" :aria-label="t('whatWasWrong')" :placeholder="t('why')" />
          <ElButton type="primary" native-type="submit" :disabled="sending || dueOn === ''">{{
            t('correctTheDay')
          }}</ElButton>
        </form>
        <form
          v-else-if="asks === 'borrower'"
          class="flex flex-wrap gap-10px items-center my-10px mx-0"
          @submit.prevent="correct({ borrower: picked })"
        >
          <BorrowerPicker v-model="chosen" :branch-id="loan.branchId" />
          <ElInput v-model="reason" required minlength="3" :aria-label="t('whatWasWrong')" :placeholder="t('why')" />
          <ElButton type="primary" native-type="submit" :disabled="sending || picked === null">{{
            t('correctTheBorrower')
          }}</ElButton>
        </form>
        <form
          v-else-if="asks === 'never-left'"
          class="flex flex-wrap gap-10px items-center my-10px mx-0"
          @submit.prevent="correct({ neverLeft: true })"
        >
          <p class="second">{{ t('theLoanIsCancelledAnd') }}</p>
          <ElInput v-model="reason" required minlength="3" :aria-label="t('whatWasWrong')" :placeholder="t('why')" />
          <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('cancelThisHandOut') }}</ElButton>
        </form>
      </template>
      <template v-if="mayJoin">
        <h2 class="mt-20px">{{ t('enteredTwice') }}</h2>
        <p v-if="asks !== 'join'">
          <ElButton @click="asks = 'join'"> {{ t('isTheSamePersonAs', { name: loan.borrower.name }) }} </ElButton>
        </p>
        <div v-else>
          <p class="second">
            {{ t('theOtherEntrysLoansAnd', { name: loan.borrower.name }) }}
          </p>
          <BorrowerPicker v-model="chosen" :branch-id="loan.branchId" />
          <ElButton
            v-if="chosen.borrower && chosen.borrower.id !== loan.borrower.id"
            type="primary"
            :disabled="sending"
            @click="join(chosen.borrower)"
          >
            {{ t('joinInto', { name: chosen.borrower.name, into: loan.borrower.name }) }}
          </ElButton>
          <p v-else-if="chosen.borrower" class="rust">{{ t('thisIsTheSameEntry') }}</p>
        </div>
      </template>
      <ProblemNote :problem="problem" @retry="reload" />

      <h2 class="mt-20px">{{ t('record') }}</h2>
      <ol :aria-label="t('record')" class="p-0 list-none">
        <li
          v-for="line in loan.history"
          :key="line.id"
          class="grid grid-cols-[150px_minmax(0,1fr)_auto] gap-12px py-4px px-0 line-b-rule max-[700px]:grid-cols-[minmax(0,1fr)] max-[700px]:gap-0"
        >
          <span class="quiet">{{ dayText(line.atUtc, loan.zone) }}, {{ hourText(line.atUtc, loan.zone) }}</span>
          <span>{{ recordSentence(line) }}</span>
          <span class="quiet">{{ line.by }}</span>
        </li>
      </ol>
    </template>
  </main>
</template>
