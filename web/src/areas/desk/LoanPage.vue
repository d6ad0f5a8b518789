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
const stateWords = { promised: 'promised', out: 'out', back: 'back', cancelled: 'cancelled: it never left' } as const
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
        <h1>Loan {{ loan.code }}</h1>
        <p>
          <RouterLink :to="kitPath">{{ loan.kitName }}</RouterLink> <KitTag :code="loan.kitCode" />
          <span class="quiet">{{ loan.branchName }}</span>
        </p>
      </header>
      <dl class="grid grid-cols-[110px_minmax(0,1fr)] gap-y-4px gap-x-12px my-14px mx-0">
        <dt class="text-quiet">state</dt>
        <dd class="m-0">
          {{ stateWords[loan.state]
          }}<strong v-if="loan.daysLate > 0" class="rust">, {{ lateText(loan.daysLate) }}</strong>
        </dd>
        <dt class="text-quiet">borrower</dt>
        <dd class="m-0">
          <RouterLink :to="`/desk/borrowers/${loan.borrower.id}`"
            ><strong>{{ loan.borrower.name }}</strong></RouterLink
          >{{ loan.borrower.cardNumber ? `, card ${loan.borrower.cardNumber}` : '' }}
          <span class="quiet">{{ loan.borrower.contact }} · known at {{ loan.borrower.branchName }}</span>
        </dd>
        <template v-if="loan.state === 'promised'">
          <dt class="text-quiet">for</dt>
          <dd class="m-0">{{ dateText(loan.fromOn) }} to {{ dateText(loan.untilOn) }}</dd>
        </template>
        <template v-if="loan.outAtUtc">
          <dt class="text-quiet">out</dt>
          <dd class="m-0">{{ whenText(loan.outAtUtc, loan.zone) }}</dd>
        </template>
        <template v-if="loan.dueAtUtc">
          <dt class="text-quiet">due back</dt>
          <dd class="m-0">{{ whenText(loan.dueAtUtc, loan.zone) }}</dd>
        </template>
        <template v-if="loan.backAtUtc">
          <dt class="text-quiet">came back</dt>
          <dd class="m-0">{{ whenText(loan.backAtUtc, loan.zone) }}</dd>
        </template>
      </dl>
      <div class="ways flex flex-wrap gap-10px items-center my-10px mx-0">
        <RouterLink v-if="loan.state === 'out'" :to="`/desk/take-back/${loan.id}`" class="button main"
          >Take back</RouterLink
        >
        <RouterLink v-if="loan.state === 'out'" :to="`/guides/${loan.id}`" class="button">Its guide</RouterLink>
        <RouterLink
          v-if="loan.state === 'out' || loan.state === 'promised'"
          :to="`/calendar?branch=${loan.branchId}&loan=${loan.id}`"
          class="button"
          >{{ loan.state === 'out' ? 'Put it off' : 'Move it' }}, in the calendar</RouterLink
        >
        <RouterLink
          v-if="loan.state === 'back' && loan.isLatest"
          :to="`/desk/take-back/${loan.id}/correct`"
          class="button main"
          >Correct the take-back</RouterLink
        >
      </div>
      <p v-if="loan.state === 'back' && !loan.isLatest" class="quiet">
        {{ loan.kitName }} has been out again since: what lies in its case is put right at its newest loan.
      </p>

      <LessonLink
        v-if="loan.state === 'promised'"
        :loan-id="loan.id"
        :done-at-utc="loan.lessonDoneAtUtc"
        :zone="loan.zone"
      />

      <template v-if="loan.state === 'out'">
        <h2 class="mt-20px">Was something written down wrongly?</h2>
        <div class="ways flex flex-wrap gap-10px items-center my-10px mx-0" role="group" aria-label="What was wrong">
          <ElButton :aria-pressed="asks === 'day'" @click="asks = 'day'"> The day of return </ElButton>
          <ElButton :aria-pressed="asks === 'borrower'" @click="asks = 'borrower'"> The borrower </ElButton>
          <ElButton :aria-pressed="asks === 'never-left'" @click="asks = 'never-left'"> It never left </ElButton>
        </div>
        <form
          v-if="asks === 'day'"
          class="flex flex-wrap gap-10px items-center my-10px mx-0"
          @submit.prevent="correct({ dueOn })"
        >
          <DayPicker v-model="dueOn" :from="tomorrow" aria-label="Right day of return" />
          <ElInput v-model="reason" required minlength="3" aria-label="What was wrong" placeholder="why" />
          <ElButton type="primary" native-type="submit" :disabled="sending || dueOn === ''">Correct the day</ElButton>
        </form>
        <form
          v-else-if="asks === 'borrower'"
          class="flex flex-wrap gap-10px items-center my-10px mx-0"
          @submit.prevent="correct({ borrower: picked })"
        >
          <BorrowerPicker v-model="chosen" :branch-id="loan.branchId" />
          <ElInput v-model="reason" required minlength="3" aria-label="What was wrong" placeholder="why" />
          <ElButton type="primary" native-type="submit" :disabled="sending || picked === null"
            >Correct the borrower</ElButton
          >
        </form>
        <form
          v-else-if="asks === 'never-left'"
          class="flex flex-wrap gap-10px items-center my-10px mx-0"
          @submit.prevent="correct({ neverLeft: true })"
        >
          <p class="second">The loan is cancelled and the guide’s link ends. The kit stands where it stood.</p>
          <ElInput v-model="reason" required minlength="3" aria-label="What was wrong" placeholder="why" />
          <ElButton type="primary" native-type="submit" :disabled="sending">Cancel this hand-out</ElButton>
        </form>
      </template>
      <template v-if="mayJoin">
        <h2 class="mt-20px">Entered twice?</h2>
        <p v-if="asks !== 'join'">
          <ElButton @click="asks = 'join'"> {{ loan.borrower.name }} is the same person as … </ElButton>
        </p>
        <div v-else>
          <p class="second">
            The other entry’s loans and letters become those of {{ loan.borrower.name }}; the other entry goes.
          </p>
          <BorrowerPicker v-model="chosen" :branch-id="loan.branchId" />
          <ElButton
            v-if="chosen.borrower && chosen.borrower.id !== loan.borrower.id"
            type="primary"
            :disabled="sending"
            @click="join(chosen.borrower)"
          >
            Join {{ chosen.borrower.name }} into {{ loan.borrower.name }}
          </ElButton>
          <p v-else-if="chosen.borrower" class="rust">This is the same entry. Choose the other one.</p>
        </div>
      </template>
      <ProblemNote :problem="problem" @retry="reload" />

      <h2 class="mt-20px">Record</h2>
      <ol aria-label="Record" class="p-0 list-none">
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
