<script setup lang="ts">
import { sunDoubtWords } from '@binoculum/core'
import { computed } from 'vue'
import SunQuestion from '../SunQuestion.vue'
import { useSunQuestion, type SunAnswer } from '../use-sun-question.ts'

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
    <p v-if="looking" class="second">Looking where the Sun stands …</p>
    <p v-else-if="!question.asked" class="second">
      It is night at {{ site?.name }}. A lamp on a wall is light enough.
    </p>
    <template v-else>
      <p class="second">
        Point it at a lit wall, or shaded sky on the side away from the Sun.
        <template v-if="question.doubt">{{ sunDoubtWords[question.doubt] }}</template>
        <template v-else-if="sun && sun.altitudeDeg >= -1">
          At {{ site?.name }} the Sun stands {{ whole(sun.altitudeDeg) }}° high in the {{ wind(sun.azimuthDeg) }} now:
          keep the tube towards the {{ wind(sun.azimuthDeg + 180) }}, 45° from it at least.
        </template>
      </p>
      <SunQuestion v-model="answer.shaded" words="Is the tube in shade, or does your shadow point where it points?" />
      <p v-if="answer.shaded === false" class="problem" role="alert">
        Cap on now. Nobody looks through it, and no phone: the Sun blinds in a moment and sets things alight. Move it
        into shade first.
      </p>
    </template>
  </div>
</template>
