<script setup lang="ts">
import type { KitStory } from '@binoculum/contract'
import { computed } from 'vue'
import { forecastBasis, forecastTitle, percent } from './story-words.ts'
import { logbookWords } from './words.ts'

const t = logbookWords('forecastPanel')

/** How likely the mirror comes back beyond its limit, with each loan that goes by without a look. */
const { forecast } = defineProps<{ forecast: NonNullable<KitStory['forecast']> }>()
const WIDTH = 210
const lines = computed(() =>
  forecast.after.map((chance, index) => ({
    words: t('afterLoans', { n: index + 1 }),
    chance,
    isDue: chance >= forecast.dueChance,
  })),
)
</script>

<template>
  <section
    class="flex flex-wrap gap-y-10px gap-x-48px items-center my-10px mx-0 py-12px px-16px [border-block:1px_solid_var(--rule)] bg-card"
    :aria-label="t('whatToExpect')"
  >
    <div class="flex-[1_1_380px]">
      <h2 class="mx-0 mt-0 mb-4px">{{ forecastTitle(forecast) }}</h2>
      <p class="second">{{ forecastBasis(forecast) }}</p>
    </div>
    <dl
      v-if="forecast.chanceBeyondLimit !== null"
      class="grid grid-cols-[auto_auto_auto] gap-y-2px gap-x-16px items-center m-0"
    >
      <dt class="second col-span-full">{{ t('withoutALookAtThe', { dueChance: percent(forecast.dueChance) }) }}</dt>
      <template v-for="line in lines" :key="line.words">
        <dt>{{ line.words }}</dt>
        <dd class="m-0 fw-640 text-right" :class="{ rust: line.isDue }">{{ percent(line.chance) }}</dd>
        <dd class="m-0 fw-640 text-right" aria-hidden="true">
          <svg :width="WIDTH" height="14">
            <line x1="0" y1="7" :x2="WIDTH" y2="7" class="stroke-rule-strong" />
            <line
              :x1="forecast.dueChance * WIDTH"
              y1="1"
              :x2="forecast.dueChance * WIDTH"
              y2="13"
              class="stroke-brass-text stroke-2"
            />
            <circle class="fill-ink" :cx="line.chance * WIDTH" cy="7" r="4.5" :class="{ beyond: line.isDue }" />
          </svg>
        </dd>
      </template>
    </dl>
  </section>
</template>

<style scoped>
circle.beyond {
  fill: var(--rust);
}
</style>
