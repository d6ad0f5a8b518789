<script setup lang="ts">
import { waitingListSchema, type WaitingRequest } from '@binoculum/contract'
import { families } from '@binoculum/core'
import dayjs from 'dayjs'
import { computed, reactive, ref, watch } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import CsvButton from '../../shared/controls/CsvButton.vue'
import BranchSelect from '../../shared/controls/BranchSelect.vue'
import DayPicker from '../../shared/controls/DayPicker.vue'
import KitTag from '../../shared/drawings/KitTag.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { dayText, whenText } from '../../shared/dates.ts'
import { levelWords } from '../../shared/borrower-levels.ts'
import BorrowerPicker from '../desk/BorrowerPicker.vue'
import TakenNote from '../desk/TakenNote.vue'
import { emptyHandOut, pickedBorrower } from '../desk/use-hand-out.ts'
import { dayWords } from './calendar-days.ts'
import CalendarTabs from './CalendarTabs.vue'
import { suggestedLines, wishWordsOf, type SuggestedLine } from './plan-lines.ts'
import { useBranch } from './use-branch.ts'
import { usePlan } from './use-plan.ts'
import { calendarWords } from './words.ts'

const t = calendarWords('waitingPage')

/** Who waits, in the order of asking; a plan suggests, a person offers. */
const { branches, branchId } = useBranch('coordinator', 'volunteer')
const { data, problem, reload } = useLoaded(waitingListSchema, () =>
  branchId.value ? `/api/branches/${branchId.value}/waiting` : null,
)
const { sending, problem: refusal, run } = useSending()
const { plan, progress, make, stop } = usePlan()
const extraDays = ref(0)
const lines = computed(() => (data.value && plan.value ? suggestedLines(data.value, plan.value) : []))
watch(branchId, () => (plan.value = null))

const asks = ref(false)
const person = ref(emptyHandOut())
const wish = reactive({
  kinds: [] as (keyof typeof families)[],
  earliestOn: '',
  latestOn: '',
  lengthDays: 14,
  wantsDark: false,
  note: '',
})
const borrower = computed(() => pickedBorrower(person.value))
function begin() {
  const today = data.value?.today ?? dayjs().format('YYYY-MM-DD')
  Object.assign(wish, {
    kinds: [],
    earliestOn: today,
    latestOn: dayjs(today).add(6, 'week').format('YYYY-MM-DD'),
    lengthDays: data.value?.loanDays ?? 14,
    wantsDark: false,
    note: '',
  })
  person.value = emptyHandOut()
  asks.value = true
}
const send = (path: string, body: object) =>
  run(async (idempotencyKey) => {
    data.value = await api.post(waitingListSchema, path, { idempotencyKey, ...body })
  })
async function ask() {
  if (await send(`/api/branches/${branchId.value}/waiting`, { borrower: borrower.value, ...wish })) asks.value = false
}
const workOut = () => data.value && void make({ ...data.value.plan, maxExtraDays: extraDays.value })
async function offer({ request, kitId, fromOn, untilOn }: SuggestedLine) {
  if (await send(`/api/waiting/${request.id}/offer`, { version: request.version, kitId, fromOn, untilOn })) workOut()
  else await reload()
}
const answer = ({ id, version }: WaitingRequest, said: 'yes' | 'no' | 'later') =>
  send(`/api/waiting/${id}/answer`, { version, answer: said })
const waitingTable = () =>
  (data.value?.requests ?? []).map(
    ({ borrower: who, askedAtUtc, kinds, earliestOn, latestOn, lengthDays, wantsDark, state, note }) => ({
      ...{
        borrower: who,
        asked: askedAtUtc,
        kinds: kinds.join(' '),
        'not before': earliestOn,
        'no later than': latestOn,
      },
      ...{ days: lengthDays, 'dark nights': wantsDark ? t('yes') : t('no'), state, note },
    }),
  )
const leave = ({ id, version }: WaitingRequest) => send(`/api/waiting/${id}/leave`, { version })
</script>

<template>
  <main class="page">
    <CalendarTabs />
    <h1>{{ t('waitingList') }}</h1>
    <p class="second">
      {{ t('inTheOrderOfAsking') }}
    </p>
    <div class="tools flex flex-wrap gap-y-8px gap-x-12px items-center my-10px mx-0">
      <BranchSelect v-model="branchId" :branches="branches" />
      <ElButton @click="begin">{{ t('somebodyAsksForAKit') }}</ElButton>
      <CsvButton v-if="data && data.requests.length > 0" :rows="waitingTable" name="waiting list" />
      <template v-if="(data?.requests.length ?? 0) > 0">
        <ElButton type="primary" :disabled="progress !== null" @click="workOut">{{ t('workOutAPlan') }}</ElButton>
        <label class="flex flex-wrap gap-y-8px gap-x-12px items-center text-quiet text-13px"
          ><span>{{ t('somebodyMayBeServedLater') }}</span>
          <ElInputNumber v-model="extraDays" class="w-110px" :min="0" :max="28" :aria-label="t('daysLaterAtMost')" />
          <span>{{ t('daysIfThatServesOthers') }}</span></label
        >
      </template>
    </div>
    <p v-if="progress !== null" role="status">
      <ElProgress :percentage="Math.round(progress * 100)" :stroke-width="8" class="bar w-320px" />
      <ElButton link @click="stop">{{ t('stop') }}</ElButton>
    </p>
    <ProblemNote :problem="problem" @retry="reload" />
    <ProblemNote :problem="refusal" />
    <TakenNote :problem="refusal" />

    <form
      v-if="asks && data"
      class="grid grid-cols-[repeat(4,minmax(0,max-content))] gap-y-10px gap-x-16px items-end my-10px mx-0 py-14px px-16px line-rule bg-card max-[760px]:grid-cols-[minmax(0,1fr)]"
      :aria-label="t('somebodyAsksForAKit')"
      @submit.prevent="ask"
    >
      <div class="wide col-span-full"><BorrowerPicker v-model="person" :branch-id="data.branchId" /></div>
      <label class="labelled wide col-span-full"
        ><span>{{ t('kindsOfKitThatWill') }}</span
        ><ElSelect v-model="wish.kinds" multiple :aria-label="t('kindsOfKit')" :placeholder="t('oneOrMore')"
          ><ElOption v-for="(name, key) in families" :key="key" :value="key" :label="name" /></ElSelect
      ></label>
      <label class="labelled"
        ><span>{{ t('fetchedFrom') }}</span
        ><DayPicker v-model="wish.earliestOn" :from="data.today" :aria-label="t('fetchedFrom2')"
      /></label>
      <label class="labelled"
        ><span>{{ t('atTheLatestOn') }}</span
        ><DayPicker v-model="wish.latestOn" :from="wish.earliestOn" :aria-label="t('fetchedAtTheLatest')"
      /></label>
      <label class="labelled"
        ><span>{{ t('days') }}</span
        ><ElInputNumber v-model="wish.lengthDays" :min="1" :max="data.longestLoanDays" :aria-label="t('daysWanted')"
      /></label>
      <ElCheckbox v-model="wish.wantsDark">{{ t('darkNightsMatter') }}</ElCheckbox>
      <label class="labelled wide col-span-full"
        ><span>{{ t('note') }}</span
        ><ElInput v-model="wish.note" maxlength="300" name="waiting-note"
      /></label>
      <p class="wide col-span-full">
        <ElButton type="primary" native-type="submit" :disabled="sending || !borrower || wish.kinds.length === 0">{{
          t('putOnTheList')
        }}</ElButton>
        <ElButton @click="asks = false">{{ t('leaveIt') }}</ElButton>
      </p>
    </form>

    <section v-if="plan && data">
      <h2 class="mx-0 mt-18px mb-4px">
        {{ t('suggested') }}
        <em>{{
          t('ofServed', {
            served: plan.served,
            plan: plan.plan.length,
            proven: plan.proven ? t('andNoPlanServesThem') : '',
          })
        }}</em>
      </h2>
      <ul class="m-0 p-0 list-none">
        <li
          v-for="line in lines"
          :key="line.request.id"
          class="grid grid-cols-[minmax(150px,1.2fr)_minmax(200px,1.6fr)_minmax(180px,1.6fr)_minmax(120px,320px)] gap-y-4px gap-x-16px items-center py-7px px-0 line-b-rule max-[760px]:grid-cols-[minmax(0,1fr)]"
        >
          <strong>{{ line.request.borrower }}</strong>
          <span>{{
            t('kitNameTo', { kitName: line.kitName, fromOn: dayWords(line.fromOn), untilOn: dayWords(line.untilOn) })
          }}</span>
          <span class="quiet"
            >{{ line.gain
            }}<template v-if="line.doubts.length > 0">
              {{ ' ' }}{{ t('theKit', { doubts: line.doubts.join(', ') }) }}</template
            ></span
          >
          <ElButton v-if="line.request.state === 'waiting'" :disabled="sending" @click="offer(line)">{{
            t('offerIt')
          }}</ElButton>
          <span v-else class="moss">{{ t('offered') }}</span>
        </li>
      </ul>
      <p v-if="lines.length === 0" class="quiet">{{ t('nobodyCanBeServedIn') }}</p>
    </section>

    <section v-if="data">
      <h2 class="mx-0 mt-18px mb-4px">
        {{ t('waiting') }} <em>{{ data.requests.length }}</em>
      </h2>
      <p v-if="data.requests.length === 0" class="quiet">{{ t('nobodyWaits') }}</p>
      <ol class="m-0 p-0 list-none">
        <li
          v-for="request in data.requests"
          :key="request.id"
          class="grid grid-cols-[minmax(150px,1.2fr)_minmax(200px,1.6fr)_minmax(180px,1.6fr)_minmax(120px,320px)] gap-y-4px gap-x-16px items-center py-7px px-0 line-b-rule max-[760px]:grid-cols-[minmax(0,1fr)]"
        >
          <div>
            <strong>{{ request.borrower }}</strong> <span class="second">{{ request.contact }}</span>
            <p class="second">
              {{
                t('askedAskedAtUtc', {
                  askedAtUtc: dayText(request.askedAtUtc, data.zone),
                  levelWords: request.level ? ` · ${levelWords[request.level]}` : '',
                  note: request.note ? ` · ${request.note}` : '',
                })
              }}
            </p>
          </div>
          <div>
            <p>{{ request.kinds.map((kind) => families[kind]).join(t('or')) }}</p>
            <p class="second">{{ wishWordsOf(request) }}</p>
          </div>
          <div v-if="request.offer">
            <p>
              <span class="brass">{{ t('offered') }}</span> {{ request.offer.kitName }}
              <KitTag :code="request.offer.kitCode" />
              {{
                t('fromOnTo', { fromOn: dayWords(request.offer.fromOn), untilOn: dayWords(request.offer.untilOn) })
              }}
            </p>
            <p class="second">{{ t('keptUntil', { endsAtUtc: whenText(request.offer.endsAtUtc, data.zone) }) }}</p>
          </div>
          <span v-else />
          <div class="ways flex flex-wrap gap-y-8px gap-x-12px items-center">
            <template v-if="request.offer">
              <ElButton size="small" type="primary" :disabled="sending" @click="answer(request, 'yes')">{{
                t('theyTakeIt')
              }}</ElButton>
              <ElButton size="small" :disabled="sending" @click="answer(request, 'later')">{{
                t('notTheseDays')
              }}</ElButton>
              <ElButton size="small" :disabled="sending" @click="answer(request, 'no')">{{ t('noLonger') }}</ElButton>
            </template>
            <ElButton v-else link :disabled="sending" @click="leave(request)">{{ t('takeOffTheList') }}</ElButton>
          </div>
        </li>
      </ol>
    </section>
  </main>
</template>

<style scoped src="./waiting-page.css"></style>
