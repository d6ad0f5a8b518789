<script setup lang="ts">
import { suggestedSlotsSchema, type Calendar, type SuggestedSlot } from '@binoculum/contract'
import {
  carriers,
  borrowerLevels,
  observerAges,
  slotWishes,
  wishWords,
  type BorrowerCan,
  type SlotWish,
} from '@binoculum/core'
import { dateOfDay, dayNumber } from '@binoculum/core'
import { computed, ref } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import DayPicker from '../../shared/controls/DayPicker.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { levelWords } from '../../shared/borrower-levels.ts'
import { dayWords } from './calendar-days.ts'
import { calendarWords } from './words.ts'

const t = calendarWords('whatFor')

/** What for, and by whom: kits and days that suit, each with its reason. Nobody is barred from any other. */
const { calendar } = defineProps<{ calendar: Calendar }>()
const emit = defineEmits<{ choose: [slot: SuggestedSlot]; close: [] }>()
const wish = ref<SlotWish>('any')
const level = ref<BorrowerCan['level']>('first')
const age = ref<BorrowerCan['age']>('family')
const carries = ref<BorrowerCan['carries']>('car')
const seated = ref(false)
const from = ref(calendar.today)
const weeks = ref(6)
const lengthDays = ref(calendar.loanDays)
const ageWords = { child: t('mostlyAChild'), family: t('aFamily'), adult: t('adults') } as const
const carryWords = { 'on-foot': t('onFoot'), bus: t('byBus'), car: t('byCar') } as const

const path = computed(() => {
  const until = dateOfDay(dayNumber(from.value) + weeks.value * 7)
  const asked = {
    wish: wish.value,
    from: from.value,
    until,
    lengthDays: String(lengthDays.value),
    level: level.value ?? 'first',
    carries: carries.value ?? 'car',
    age: age.value ?? 'family',
  }
  return `/api/branches/${calendar.branchId}/slots?${new URLSearchParams({ ...asked, seated: String(seated.value) })}`
})
const { data, problem, reload } = useLoaded(suggestedSlotsSchema, path)
</script>

<template>
  <section
    class="panel sticky bottom-0 z-12 grid gap-y-8px gap-x-20px items-start min-h-96px px-20px pt-12px pb-14px line-t-2-night bg-paper grid-cols-[minmax(300px,520px)_minmax(0,1fr)_auto] max-[760px]:grid-cols-[minmax(0,1fr)]"
    :aria-label="t('findDaysForSomebody')"
  >
    <form @submit.prevent>
      <h2 class="mb-4px">{{ t('whatFor') }}</h2>
      <ElRadioGroup v-model="wish" :aria-label="t('whatFor')">
        <ElRadioButton v-for="each in slotWishes" :key="each" :value="each">{{ wishWords[each] }}</ElRadioButton>
      </ElRadioGroup>
      <div
        class="grid grid-cols-[repeat(3,minmax(0,1fr))] gap-y-8px gap-x-12px items-end mt-10px max-[760px]:grid-cols-[minmax(0,1fr)]"
      >
        <label class="labelled"
          ><span>{{ t('who') }}</span
          ><ElSelect v-model="level" :aria-label="t('who')"
            ><ElOption v-for="each in borrowerLevels" :key="each" :value="each" :label="levelWords[each]" /></ElSelect
        ></label>
        <label class="labelled"
          ><span>{{ t('looksThroughIt') }}</span
          ><ElSelect v-model="age" :aria-label="t('looksThroughIt')"
            ><ElOption v-for="each in observerAges" :key="each" :value="each" :label="ageWords[each]" /></ElSelect
        ></label>
        <label class="labelled"
          ><span>{{ t('carried') }}</span
          ><ElSelect v-model="carries" :aria-label="t('carried')"
            ><ElOption v-for="each in carriers" :key="each" :value="each" :label="carryWords[each]" /></ElSelect
        ></label>
        <label class="labelled"
          ><span>{{ t('from') }}</span
          ><DayPicker v-model="from" :from="calendar.today" :aria-label="t('from2')"
        /></label>
        <label class="labelled"
          ><span>{{ t('weeksLookedAt') }}</span
          ><ElInputNumber v-model="weeks" class="w-full" :min="1" :max="15" :aria-label="t('weeksLookedAt')"
        /></label>
        <label class="labelled"
          ><span>{{ t('days') }}</span
          ><ElInputNumber
            v-model="lengthDays"
            class="w-full"
            :min="1"
            :max="calendar.opening.longestLoanDays"
            :aria-label="t('days')"
        /></label>
        <ElCheckbox v-model="seated">{{ t('sitsAtIt') }}</ElCheckbox>
      </div>
    </form>
    <div>
      <ProblemNote :problem="problem" @retry="reload" />
      <ul v-if="data" class="grid grid-cols-[repeat(auto-fill,minmax(280px,1fr))] gap-8px m-0 p-0 list-none">
        <li v-for="slot in data.slots" :key="slot.kitId">
          <ElButton
            class="w-full h-full min-h-60px justify-start text-left whitespace-normal fw-400"
            @click="emit('choose', slot)"
          >
            <span
              ><b class="serif">{{ slot.kitName }}</b>
              {{ t('fromTo', { from: dayWords(slot.from), until: dayWords(slot.until) }) }}<br /><span class="second"
                >{{ slot.modelName }} · {{ slot.reason }}</span
              ></span
            >
          </ElButton>
        </li>
      </ul>
      <p v-if="data?.slots.length === 0" class="quiet">
        {{ t('noKitIsFreeFor') }}
      </p>
    </div>
    <ElButton link @click="emit('close')">{{ t('close') }}</ElButton>
  </section>
</template>

<style scoped src="./panel.css"></style>
