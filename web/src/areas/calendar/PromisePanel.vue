<script setup lang="ts">
import { promiseMadeSchema, type Calendar } from '@binoculum/contract'
import { computed, ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import DayPicker from '../../shared/controls/DayPicker.vue'
import KeyCap from '../../shared/keys/KeyCap.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import BorrowerPicker from '../desk/BorrowerPicker.vue'
import TakenNote from '../desk/TakenNote.vue'
import { emptyHandOut, pickedBorrower } from '../desk/use-hand-out.ts'
import { dayWords } from './calendar-days.ts'
import { effectOf, type Wanted } from './effects.ts'
import { calendarWords } from './words.ts'

const t = calendarWords('promisePanel')

/** A kit promised to somebody: days first, then the person, and what the nights hold before anything is said. */
const { calendar } = defineProps<{ calendar: Calendar }>()
const wanted = defineModel<Wanted>({ required: true })
const emit = defineEmits<{ done: []; close: [] }>()
const { sending, problem, run } = useSending()
const person = ref(emptyHandOut())
const time = ref(calendar.opening.pickUpFrom)
const borrower = computed(() => pickedBorrower(person.value))
const effect = computed(() => effectOf(calendar, wanted.value))
const kits = computed(() => calendar.kits.filter(({ gone }) => !gone))
const kit = computed(() => kits.value.find(({ id }) => id === wanted.value.kitId))
const change = (change: Partial<Wanted>) => (wanted.value = { ...wanted.value, ...change })

async function promise() {
  const to = borrower.value
  if (!to || !effect.value.allowed) return
  const { kitId, fromOn, untilOn } = wanted.value
  const done = await run(async (idempotencyKey) => {
    await api.post(promiseMadeSchema, '/api/promises', {
      idempotencyKey,
      kitId,
      fromOn,
      untilOn,
      pickUpTime: time.value,
      borrower: to,
    })
  })
  if (done) emit('done')
}
</script>

<template>
  <section
    class="panel sticky bottom-0 z-12 grid grid-cols-[minmax(280px,400px)_minmax(0,1fr)_auto] gap-y-8px gap-x-20px items-start min-h-96px px-20px pt-12px pb-14px line-t-2-night bg-paper max-[760px]:grid-cols-[minmax(0,1fr)]"
    :aria-label="t('newPromise')"
  >
    <div class="what">
      <h2 class="mb-4px">{{ t('promiseName', { name: kit?.name }) }}</h2>
      <p class="second">{{ kit?.modelName }}</p>
      <div role="status">
        <p>
          {{ t('fromOnTo', { fromOn: dayWords(wanted.fromOn), untilOn: dayWords(wanted.untilOn) }) }}
          <span class="quiet">{{ t('darkHoursWithoutTheMoon', { darkHours: Math.round(effect.darkHours) }) }}</span>
        </p>
        <p v-for="line in effect.against" :key="line" class="rust">{{ line }}</p>
      </div>
      <ProblemNote :problem="problem" @retry="promise" />
      <TakenNote
        :problem="problem"
        may-move
        @slot="(fromOn, untilOn) => change({ fromOn, untilOn })"
        @kit="(kitId) => change({ kitId })"
      />
    </div>
    <form
      class="grid grid-cols-[minmax(150px,1.3fr)_176px_116px_176px] gap-y-8px gap-x-12px items-end max-[760px]:grid-cols-[minmax(0,1fr)] max-[760px]:col-[auto]"
      @submit.prevent="promise"
    >
      <label class="labelled"
        ><span>{{ t('kit') }}</span
        ><ElSelect :model-value="wanted.kitId" filterable :aria-label="t('kit')" @change="change({ kitId: $event })"
          ><ElOption
            v-for="each in kits"
            :key="each.id"
            :value="each.id"
            :label="`${each.name}, ${each.code}`" /></ElSelect
      ></label>
      <label class="labelled"
        ><span>{{ t('pickedUpOn') }}</span
        ><DayPicker
          :model-value="wanted.fromOn"
          :from="calendar.today"
          :aria-label="t('dayOfPickUp')"
          @update:model-value="change({ fromOn: $event ?? wanted.fromOn })"
      /></label>
      <label class="labelled"
        ><span>{{ t('at') }}</span
        ><ElTimeSelect
          v-model="time"
          :start="calendar.opening.pickUpFrom"
          :end="calendar.opening.pickUpUntil"
          step="00:30"
          :clearable="false"
          :aria-label="t('timeOfPickUp')"
      /></label>
      <label class="labelled"
        ><span>{{ t('backOn') }}</span
        ><DayPicker
          :model-value="wanted.untilOn"
          :from="wanted.fromOn"
          :aria-label="t('dayOfReturn')"
          @update:model-value="change({ untilOn: $event ?? wanted.untilOn })"
      /></label>
      <div class="col-[1_/_4] max-[760px]:grid-cols-[minmax(0,1fr)] max-[760px]:col-[auto]">
        <BorrowerPicker v-model="person" :branch-id="calendar.branchId" />
      </div>
      <ElButton
        class="justify-self-end self-end whitespace-nowrap"
        type="primary"
        native-type="submit"
        :disabled="sending || !borrower || !effect.allowed"
        >{{ t('promiseIt') }} <KeyCap name="Enter"
      /></ElButton>
    </form>
    <ElButton link @click="emit('close')">{{ t('close') }}</ElButton>
  </section>
</template>

<style scoped src="./panel.css"></style>
