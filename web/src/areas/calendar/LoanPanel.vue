<script setup lang="ts">
import { promiseMadeSchema, type Calendar, type CalendarLoan } from '@binoculum/contract'
import { clashText } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import KeyCap from '../../shared/keys/KeyCap.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import TakenNote from '../desk/TakenNote.vue'
import { dayWords } from './calendar-days.ts'
import { darkHoursOf, type Effect, type Wanted, type WayOut } from './effects.ts'
import { calendarWords } from './words.ts'

const t = calendarWords('loanPanel')

/** The loan that is chosen, what is about to be changed of it, and what that would do; nothing is sent before it is said. */
const { calendar, loan, wanted, effect, ways } = defineProps<{
  calendar: Calendar
  loan: CalendarLoan
  wanted: Wanted | null
  effect: Effect | null
  ways: readonly WayOut[]
  mayAct: boolean
}>()
const emit = defineEmits<{
  alter: [by: { days?: number; longer?: number }]
  want: [wanted: Wanted | null]
  done: []
  close: []
}>()
const { sending, problem, run } = useSending()
const cancels = ref(false)
const reason = ref('')
watch(
  () => loan.id,
  () => {
    cancels.value = false
    reason.value = ''
  },
)

const kitOf = (kitId: string) => calendar.kits.find(({ id }) => id === kitId)
const kit = computed(() => kitOf(loan.kitId))
const darkHours = computed(() => darkHoursOf(calendar, loan.fromOn, loan.untilOn))
const hoursText = (hours: number) => t('darkHoursWithoutTheMoon', { hours: Math.round(hours) })
const more = computed(() => Math.round((effect?.darkHours ?? 0) - (effect?.darkHoursNow ?? effect?.darkHours ?? 0)))
const moves = computed(() => {
  if (!wanted) return ''
  const other = wanted.kitId === loan.kitId ? '' : ` ${kitOf(wanted.kitId)?.name},`
  return t('otherTo', { other, fromOn: dayWords(wanted.fromOn), untilOn: dayWords(wanted.untilOn) })
})

async function letGo() {
  const change = wanted
  if (!change || !effect?.allowed) return
  const done = await run(async (idempotencyKey) => {
    const of = { idempotencyKey, loanVersion: loan.version }
    const { kitId, fromOn, untilOn } = change
    await (loan.state === 'out'
      ? api.post(promiseMadeSchema, `/api/loans/${loan.id}/extend`, { ...of, untilOn })
      : api.post(promiseMadeSchema, `/api/promises/${loan.id}/move`, { ...of, kitId, fromOn, untilOn }))
  })
  if (done || problem.value?.code === 'LOAN_CHANGED') emit('done')
}
async function cancel() {
  const done = await run(async (idempotencyKey) => {
    const body = { idempotencyKey, loanVersion: loan.version, reason: reason.value }
    await api.post(promiseMadeSchema, `/api/promises/${loan.id}/cancel`, body)
  })
  if (done || problem.value?.code === 'LOAN_CHANGED') emit('done')
}
defineExpose({ letGo })
</script>

<template>
  <section
    class="panel sticky bottom-0 z-12 grid grid-cols-[minmax(280px,400px)_minmax(0,1fr)_auto] gap-y-8px gap-x-20px items-start min-h-96px px-20px pt-12px pb-14px line-t-2-night bg-paper max-[760px]:grid-cols-[minmax(0,1fr)]"
    :aria-label="t('chosenLoan')"
  >
    <div class="what">
      <h2 class="mb-4px">
        {{ kit?.name }}<template v-if="wanted">{{ t('aboutToBeChanged') }}</template>
        <template v-else-if="loan.clash">{{ ' ' }}{{ clashText(loan.clash) }}</template>
        <template v-else-if="loan.state === 'out'">{{ t('isOut') }}</template>
        <template v-else-if="loan.state === 'back'">{{ t('wasOut') }}</template>
        <template v-else>{{ t('isPromised') }}</template>
      </h2>
      <p>
        <strong>{{ loan.borrower || loan.code }}</strong>
        {{
          t('toFromOn', {
            fromOn: dayWords(loan.fromOn),
            pickUpTime: loan.pickUpTime && loan.state === 'promised' ? ` ${loan.pickUpTime}` : '',
            untilOn: dayWords(loan.untilOn),
          })
        }}
        <span class="quiet">{{ hoursText(darkHours) }}</span>
      </p>
      <p v-if="loan.clash?.readyOn && !wanted" class="rust">
        {{ t('itCanBeReadyOn', { readyOn: dayWords(loan.clash.readyOn) }) }}
      </p>
      <div v-if="wanted && effect" role="status">
        <p>
          {{ t('now') }}<strong>{{ moves }}</strong> · {{ hoursText(effect.darkHours)
          }}<template v-if="more !== 0">, {{ Math.abs(more) }} {{ more > 0 ? t('more') : t('fewer') }}</template>
        </p>
        <p v-for="line in effect.against" :key="line" class="rust">{{ line }}</p>
        <p v-if="effect.allowed" class="moss">{{ t('nobodyElseIsAffected') }}</p>
      </div>
      <ProblemNote :problem="problem" />
      <TakenNote
        :problem="problem"
        @kit="(kitId) => emit('want', { loanId: loan.id, kitId, fromOn: loan.fromOn, untilOn: loan.untilOn })"
      />
      <p v-if="loan.clash && !wanted && ways.length === 0" class="quiet">
        {{ t('noOtherKitIsFree') }}
      </p>
    </div>
    <div v-if="mayAct" class="ways flex flex-wrap gap-8px">
      <template v-if="wanted">
        <ElButton type="primary" :disabled="!effect?.allowed || sending" @click="letGo"
          >{{ t('changeIt') }} <KeyCap name="Enter"
        /></ElButton>
        <ElButton @click="emit('want', null)">{{ t('leaveItAsItWas') }} <KeyCap name="Esc" /></ElButton>
      </template>
      <form v-else-if="cancels" class="cancel flex flex-wrap gap-8px" @submit.prevent="cancel">
        <ElInput
          v-model="reason"
          class="w-260px"
          :aria-label="t('whyItIsCancelled')"
          :placeholder="t('whyInAFewWords')"
          required
          minlength="3"
        />
        <ElButton type="primary" native-type="submit" :disabled="sending || reason.trim().length < 3">{{
          t('cancelThePromise')
        }}</ElButton>
        <ElButton @click="cancels = false">{{ t('keepIt') }}</ElButton>
      </form>
      <template v-else>
        <ElButton
          v-for="(way, index) in ways"
          :key="way.title"
          class="way h-auto text-left"
          @click="emit('want', way.wanted)"
        >
          <span
            ><b>{{ way.title }}</b
            ><br /><span class="second">{{ way.detail }}</span></span
          >
          <KeyCap :name="String(index + 1)" />
        </ElButton>
        <template v-if="loan.state === 'promised'">
          <RouterLink
            v-if="loan.fromOn <= calendar.today"
            :to="`/desk/hand-out/${encodeURIComponent(kit?.code ?? '')}`"
            class="button main"
            >{{ t('handOut') }}</RouterLink
          >
          <ElButton @click="emit('alter', { days: -1 })">{{ t('aDaySooner') }} <KeyCap name="←" /></ElButton>
          <ElButton @click="emit('alter', { days: 1 })">{{ t('aDayLater') }} <KeyCap name="→" /></ElButton>
        </template>
        <template v-if="loan.state !== 'back'">
          <ElButton @click="emit('alter', { longer: 1 })">{{ t('aDayLonger') }} <KeyCap name="+" /></ElButton>
          <ElButton @click="emit('alter', { longer: -1 })">{{ t('aDayShorter') }} <KeyCap name="−" /></ElButton>
          <ElButton v-if="loan.state === 'out'" @click="emit('alter', { longer: 7 })"
            >{{ t('aWeekLonger') }} <KeyCap name="e"
          /></ElButton>
        </template>
        <ElButton v-if="loan.state === 'promised'" @click="cancels = true">{{ t('cancelIt') }}</ElButton>
        <RouterLink v-if="loan.clash && kit" :to="`/kits/${encodeURIComponent(kit.code)}`" class="button">{{
          t('seeTheKit')
        }}</RouterLink>
        <RouterLink :to="`/desk/loans/${loan.id}`" class="button">{{ t('itsPage') }}</RouterLink>
      </template>
    </div>
    <ElButton link @click="emit('close')">{{ t('close') }}</ElButton>
  </section>
</template>

<style scoped src="./panel.css"></style>
