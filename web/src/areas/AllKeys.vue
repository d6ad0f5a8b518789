<script setup lang="ts">
import KeyCap from '../shared/keys/KeyCap.vue'
import { areas } from './areas.ts'
import { frameWords } from './words.ts'

const t = frameWords('allKeys')

defineEmits<{ close: [] }>()
const followUp = [
  ['f', t('foundAgainOrMended')],
  ['p', t('putInASpareFrom')],
  ['l', t('aLetterToTheBorrower')],
  ['n', t('didntHelpTheNextStep')],
  ['x', 'done'],
] as const
const calendar = [
  ['p', t('promiseAKitWhatFor')],
  ['t', 'today'],
  ['w', t('aWeekAFortnightOr')],
  ['↑ ↓', t('toTheNextKitsLoan')],
  ['← →', t('theChosenPromiseADay')],
  ['+ −', t('theChosenLoanADay')],
  ['e', t('aWeekLonger')],
  ['1 – 3', t('waysOutOfAClash')],
  ['Enter', t('letsTheChangeGoEsc')],
] as const
const bench = [
  ['Space', t('aStepIsFineThe')],
  ['x', t('aStepIsNotFine')],
  ['p', t('putRight')],
  ['y', t('balancedItStays')],
  ['s', t('anotherSetUpOnThe')],
  ['t', t('typeTheBareShaft')],
  ['e', t('allKeyedIn')],
  ['h', t('aStarIsHidden')],
  ['o', t('anotherHourOrPlace')],
  ['Enter', t('nextStation')],
] as const
const card = [
  ['Space', 'present'],
  ['m', 'missing'],
  ['d', 'damaged'],
  ['w', t('wrongItem')],
  ['n', 'note'],
  ['a', t('allTheRestPresentStops')],
  ['− +', t('fewerOrMoreOfA')],
  ['u', 'undo'],
  ['1 – 7', t('whichItemLiesThereAfter')],
  ['1 – 4', 'outcome'],
  ['Enter', 'done'],
] as const
</script>

<template>
  <div
    class="fixed inset-0 z-2000 grid place-items-center [background:rgb(24_46_69_/_60%)]"
    role="dialog"
    aria-modal="true"
    :aria-label="t('allKeys')"
    @click.self="$emit('close')"
  >
    <section class="grid gap-10px max-h-92vh py-20px px-28px overflow-auto rd-4px bg-paper">
      <h2>{{ t('everywhere') }}</h2>
      <dl class="grid grid-cols-[max-content_1fr] gap-y-5px gap-x-16px mx-0 mt-0 mb-6px">
        <template v-for="area in areas" :key="area.key">
          <dt><KeyCap name="g" /> <KeyCap :name="area.key" /></dt>
          <dd class="m-0">{{ area.name }}</dd>
        </template>
        <dt><KeyCap name="/" /></dt>
        <dd class="m-0">{{ t('findAKitPartBorrower') }}</dd>
        <dt><KeyCap name="↑" /> <KeyCap name="↓" /></dt>
        <dd class="m-0">{{ t('alongKitsAlongParts') }}</dd>
      </dl>
      <h2>{{ t('inAContentsCard') }}</h2>
      <dl class="grid grid-cols-[max-content_1fr] gap-y-5px gap-x-16px mx-0 mt-0 mb-6px">
        <template v-for="[key, words] in card" :key="key">
          <dt><KeyCap :name="key" /></dt>
          <dd class="m-0">{{ words }}</dd>
        </template>
      </dl>
      <h2>{{ t('atTheBench') }}</h2>
      <dl class="grid grid-cols-[max-content_1fr] gap-y-5px gap-x-16px mx-0 mt-0 mb-6px">
        <template v-for="[key, words] in bench" :key="key">
          <dt><KeyCap :name="key" /></dt>
          <dd class="m-0">{{ words }}</dd>
        </template>
      </dl>
      <h2>{{ t('inTheCalendar') }}</h2>
      <dl class="grid grid-cols-[max-content_1fr] gap-y-5px gap-x-16px mx-0 mt-0 mb-6px">
        <template v-for="[key, words] in calendar" :key="key">
          <dt><KeyCap :name="key" /></dt>
          <dd class="m-0">{{ words }}</dd>
        </template>
      </dl>
      <h2>{{ t('inTheFollowUp') }}</h2>
      <dl class="grid grid-cols-[max-content_1fr] gap-y-5px gap-x-16px mx-0 mt-0 mb-6px">
        <template v-for="[key, words] in followUp" :key="key">
          <dt><KeyCap :name="key" /></dt>
          <dd class="m-0">{{ words }}</dd>
        </template>
      </dl>
      <ElButton type="primary" autofocus @click="$emit('close')">{{ t('close') }}</ElButton>
    </section>
  </div>
</template>
