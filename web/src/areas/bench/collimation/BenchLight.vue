<script setup lang="ts">
import { sunDoubtWords } from '@binoculum/core'
import { computed } from 'vue'
import SunQuestion from '../SunQuestion.vue'
import { useSunQuestion, type SunAnswer } from '../use-sun-question.ts'
import { benchWords } from '../words.ts'

const t = benchWords('benchLight')

/** Before anything is looked at by day: where the Sun stands, and the one question that no clock can answer. */
const { branchId } = defineProps<{ branchId: string }>()
const answer = defineModel<SunAnswer>({ required: true })
const { site, looking, question } = useSunQuestion(answer, { branchId: () => branchId })

/** Whole degrees, and no minus before nothing. */
const whole = (deg: number) => Math.round(deg) + 0
const winds = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west']
const wind = (deg: number) => winds[Math.round((((deg % 360) + 360) % 360) / 45) % 8]
/** Nothing is said of where it stands before clock and place are believed. */
const sun = computed(() => (question.value.doubt === null ? question.value.sun : null))
</script>

<template>
  <div class="grid gap-4px">
    <p v-if="looking" class="second">{{ t('lookingWhereTheSunStands') }}</p>
    <p v-else-if="!question.asked" class="second">
      {{ t('itIsNightAtA', { name: site?.name }) }}
    </p>
    <template v-else>
      <p class="second">
        {{ t('pointItAtALit') }}
        <template v-if="question.doubt">{{ sunDoubtWords[question.doubt] }}</template>
        <template v-else-if="sun && sun.altitudeDeg >= -1">
          {{ ' '
          }}{{
            t('atTheSunStandsHigh', {
              name: site?.name,
              altitudeDeg: whole(sun.altitudeDeg),
              azimuthDeg: wind(sun.azimuthDeg),
              azimuthDeg2: wind(sun.azimuthDeg + 180),
            })
          }}{{ ' ' }}
        </template>
      </p>
      <SunQuestion v-model="answer.shaded" :words="t('isTheTubeInShade')" />
      <p v-if="answer.shaded === false" class="problem" role="alert">
        {{ t('capOnNowNobodyLooks') }}
      </p>
    </template>
  </div>
</template>
