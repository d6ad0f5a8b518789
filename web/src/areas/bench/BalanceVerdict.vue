<script setup lang="ts">
import { setUpWords } from '@binoculum/core'
import SerifText from '../../shared/SerifText.vue'
import BigFigure from '../../shared/drawings/BigFigure.vue'
import type { BalanceDraft } from './check-draft.ts'
import { BALANCE_LIMIT_MM, type KitBalance } from './use-balance.ts'
import { benchWords } from './words.ts'

const t = benchWords('balanceVerdict')

/** The figure, its limit, and the next thing to do. */
const { balance, setUp } = defineProps<{ balance: KitBalance; setUp: BalanceDraft['setUp'] }>()
defineEmits<{ choose: [] }>()
const { errorMm, learnt, falls, advice } = balance
</script>

<template>
  <BigFigure :value="errorMm" :limit="BALANCE_LIMIT_MM" unit="mm" />
  <p class="flex flex-wrap gap-y-4px gap-x-14px items-baseline">
    <strong>{{
      learnt === null
        ? t('theHeadsOwnMomentIsnt')
        : falls === null && errorMm !== null
          ? t('weightInItsRightPlace')
          : t('weightFromItsRightPlace')
    }}</strong>
    <ElButton link @click="$emit('choose')">
      {{ setUp === 'own' ? t('ownSetUp') : t('setUp', { setUpWords: setUpWords[setUp].toLowerCase() }) }}
    </ElButton>
  </p>
  <p class="advice" role="status" :aria-label="t('whatToDo')"><SerifText :text="advice" /></p>
</template>

<style scoped src="./measuring-station.css"></style>
