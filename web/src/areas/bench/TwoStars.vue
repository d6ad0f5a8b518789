<script setup lang="ts">
import type { AlignmentStar, AlignmentStars } from '@binoculum/core'
import { computed } from 'vue'
import StarHorizon from '../../shared/drawings/StarHorizon.vue'
import { benchWords } from './words.ts'

const t = benchWords('twoStars')

/** The pair to line up on, with what to take when one of them is hidden. */
const { stars, pair, apartDeg, latitudeDeg, hidden } = defineProps<{
  stars: AlignmentStars | null
  pair: readonly AlignmentStar[]
  apartDeg: number | null
  latitudeDeg: number
  hidden: readonly string[]
}>()
defineEmits<{ hide: [name: string] }>()
const standIns = computed(() =>
  (stars?.standIns ?? []).map(({ hidden: name, star }) => t('nameFor', { name: star.name, thing: name })).join(', '),
)
</script>

<template>
  <section>
    <h2>
      {{ t('twoStars') }} <em>{{ t('toHighWellApartThe') }}</em>
    </h2>
    <p v-if="stars?.reason === 'SUN_UP'">{{ t('tooLightNoLiningUp') }}</p>
    <p v-else-if="stars?.reason === 'TOO_FEW'">
      {{ t('noGoodPairStandsIn') }}
    </p>
    <template v-else-if="stars">
      <StarHorizon :pair="pair" :others="stars.others" :apart-deg="apartDeg" :latitude-deg="latitudeDeg" />
      <p>
        <strong>{{ t('oneHidden') }}</strong> {{ t('takeStandIns', { standIns: standIns || t('anotherHour') }) }}
        <span class="quiet">{{ t('quickWayAlone', { name: stars.stars[0]?.name }) }}</span>
        <ElButton
          v-for="{ name } in stars.stars"
          :key="name"
          link
          class="ml-12px"
          :aria-pressed="hidden.includes(name)"
          @click="$emit('hide', name)"
        >
          {{ hidden.includes(name) ? t('isThereAgain', { name }) : t('isHidden', { name }) }}
        </ElButton>
      </p>
    </template>
  </section>
</template>
