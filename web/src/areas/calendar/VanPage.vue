<script setup lang="ts">
import { loansInTheWaySchema, transfersSchema, type Transfer } from '@binoculum/contract'
import { computed, ref, watch } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import KitTag from '../../shared/drawings/KitTag.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { dayWords } from './calendar-days.ts'
import CalendarTabs from './CalendarTabs.vue'
import { calendarWords } from './words.ts'

const t = calendarWords('vanPage')

/** Kits that go to another branch with the van: which, where to, on which of its days; and that they have come. */
const { data, problem, reload } = useLoaded(transfersSchema, '/api/transfers')
const { sending, problem: refusal, run } = useSending()
const kitId = ref('')
const toBranchId = ref('')
const onDay = ref('')
const kit = computed(() => data.value?.kits.find(({ id }) => id === kitId.value) ?? null)
const waysOut = computed(
  () => data.value?.ways.filter(({ fromBranchId }) => fromBranchId === kit.value?.branchId) ?? [],
)
const way = computed(() => waysOut.value.find((each) => each.toBranchId === toBranchId.value) ?? null)
watch(waysOut, ([first]) => {
  if (!way.value) toBranchId.value = first?.toBranchId ?? ''
})
watch(way, (chosen) => (onDay.value = chosen?.vanDays[0] ?? ''))
/** Which loans keep it here; the server names them. */
const inTheWay = computed(() => {
  const details = refusal.value?.code === 'TRANSFER_IN_THE_WAY' ? refusal.value.reply.details : null
  return loansInTheWaySchema.safeParse(details).data?.loans ?? []
})

async function plan() {
  const done = await run(async (idempotencyKey) => {
    const given = { idempotencyKey, kitId: kitId.value, toBranchId: toBranchId.value, onDay: onDay.value }
    data.value = await api.post(transfersSchema, '/api/transfers', given)
  })
  if (done) kitId.value = ''
}
async function settle({ id, version }: Transfer, settled: 'arrived' | 'cancelled') {
  const done = await run(async () => {
    data.value = await api.post(transfersSchema, `/api/transfers/${id}/settle`, { version, settled })
  })
  if (!done) await reload()
}
</script>

<template>
  <main class="page">
    <CalendarTabs />
    <h1>{{ t('theVan') }}</h1>
    <p class="second">
      {{ t('aKitThatGoesTo') }}
    </p>
    <ProblemNote :problem="problem" @retry="reload" />
    <template v-if="data">
      <p v-if="data.ways.length === 0 || (kit && waysOut.length === 0)" class="rust">
        {{ t('theVanCallsAtNo') }}
        <RouterLink to="/setup/opening">{{ t('openingDays') }}</RouterLink>.
      </p>
      <form
        v-if="data.ways.length > 0"
        class="grid grid-cols-[minmax(180px,260px)_minmax(180px,260px)_180px_auto] gap-y-8px gap-x-14px items-end justify-start my-14px mx-0 max-[760px]:grid-cols-[minmax(0,1fr)]"
        :aria-label="t('sendAKit')"
        @submit.prevent="plan"
      >
        <label class="labelled"
          ><span>{{ t('kit') }}</span
          ><ElSelect v-model="kitId" filterable :aria-label="t('kit')" :placeholder="t('whichOne')"
            ><ElOption
              v-for="each in data.kits"
              :key="each.id"
              :value="each.id"
              :label="`${each.name}, ${each.code}`" /></ElSelect
        ></label>
        <label class="labelled"
          ><span>{{ t('goesTo') }}</span
          ><ElSelect
            v-model="toBranchId"
            :disabled="!kit"
            :aria-label="t('goesTo')"
            :placeholder="t('firstChooseTheKit')"
            ><ElOption
              v-for="each in waysOut"
              :key="each.toBranchId"
              :value="each.toBranchId"
              :label="each.toBranchName" /></ElSelect
        ></label>
        <label class="labelled"
          ><span>{{ t('withTheVanOn') }}</span
          ><ElSelect
            v-model="onDay"
            :disabled="!way"
            :aria-label="t('withTheVanOn')"
            :placeholder="way ? t('theVanDoesntGoThere') : ''"
            ><ElOption v-for="day in way?.vanDays ?? []" :key="day" :value="day" :label="dayWords(day)" /></ElSelect
        ></label>
        <ElButton type="primary" native-type="submit" :disabled="sending || !kit || !way || onDay === ''">{{
          t('sendIt')
        }}</ElButton>
      </form>
      <p v-if="way && way.vanDays.length === 0" class="rust">
        {{ t('theVanCallsAtAnd', { fromBranchName: way.fromBranchName, toBranchName: way.toBranchName }) }}
        <RouterLink to="/setup/opening">{{ t('openingDays') }}</RouterLink>.
      </p>
      <ProblemNote :problem="refusal" />
      <p v-for="loan in inTheWay" :key="loan.loanCode" class="rust">
        {{
          t('loanCodeTo', { loanCode: loan.loanCode, fromOn: dayWords(loan.fromOn), untilOn: dayWords(loan.untilOn) })
        }}
      </p>
      <h2 class="mx-0 mt-18px mb-6px">{{ t('onTheirWay') }}</h2>
      <ul class="m-0 p-0 list-none">
        <li
          v-for="each in data.transfers"
          :key="each.id"
          class="grid grid-cols-[minmax(160px,240px)_minmax(200px,340px)_200px_auto] gap-12px items-center justify-start py-6px px-0 line-b-rule max-[760px]:grid-cols-[minmax(0,1fr)]"
        >
          <span
            ><b class="serif">{{ each.kitName }}</b> <KitTag :code="each.kitCode"
          /></span>
          <span>{{
            t('fromBranchNameTo', { fromBranchName: each.fromBranchName, toBranchName: each.toBranchName })
          }}</span>
          <span
            >{{ dayWords(each.onDay)
            }}<b v-if="each.daysLate > 0" class="rust"> {{ t('daysAgoHasItCome', { n: each.daysLate }) }}</b></span
          >
          <span class="act flex gap-10px">
            <ElButton :disabled="!each.mayArrive || sending" @click="settle(each, 'arrived')">{{
              t('itHasCome')
            }}</ElButton>
            <ElButton link :disabled="!each.mayCancel || sending" @click="settle(each, 'cancelled')">{{
              t('itStays')
            }}</ElButton>
          </span>
        </li>
      </ul>
      <p v-if="data.transfers.length === 0" class="quiet">{{ t('nothingIsSent') }}</p>
    </template>
  </main>
</template>
