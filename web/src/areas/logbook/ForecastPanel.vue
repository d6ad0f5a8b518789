<script setup lang="ts">
import type { KitStory } from '@binoculum/contract'
import { computed } from 'vue'
import { forecastBasis, forecastTitle, percent } from './story-words.ts'

/** How likely the mirror comes back beyond its limit, with each loan that goes by without a look. */
const { forecast } = defineProps<{ forecast: NonNullable<KitStory['forecast']> }>()
const WIDTH = 210
const lines = computed(() =>
  forecast.after.map((chance, index) => ({
    words: `after ${index + 1} ${index === 0 ? 'loan' : 'loans'}`,
    chance,
    isDue: chance >= forecast.dueChance,
  })),
)
</script>

<template>
  <section class="forecast" aria-label="What to expect">
    <div>
      <h2>{{ forecastTitle(forecast) }}</h2>
      <p class="second">{{ forecastBasis(forecast) }}</p>
    </div>
    <dl v-if="forecast.chanceBeyondLimit !== null">
      <dt class="second wide">without a look at the mirror · tick: {{ percent(forecast.dueChance) }}</dt>
      <template v-for="line in lines" :key="line.words">
        <dt>{{ line.words }}</dt>
        <dd :class="{ rust: line.isDue }">{{ percent(line.chance) }}</dd>
        <dd aria-hidden="true">
          <svg :width="WIDTH" height="14">
            <line x1="0" y1="7" :x2="WIDTH" y2="7" class="axis" />
            <line :x1="forecast.dueChance * WIDTH" y1="1" :x2="forecast.dueChance * WIDTH" y2="13" class="due" />
            <circle :cx="line.chance * WIDTH" cy="7" r="4.5" :class="{ beyond: line.isDue }" />
          </svg>
        </dd>
      </template>
    </dl>
  </section>
</template>

<style scoped>
.forecast {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 48px;
  align-items: center;
  margin: 10px 0;
  padding: 12px 16px;
  border-block: 1px solid var(--rule);
  background: var(--card);
}

.forecast > div {
  flex: 1 1 380px;
}

h2 {
  margin: 0 0 4px;
}

dl {
  display: grid;
  grid-template-columns: auto auto auto;
  gap: 2px 16px;
  align-items: center;
  margin: 0;
}

.wide {
  grid-column: 1 / -1;
}

dd {
  margin: 0;
  font-weight: 640;
  text-align: right;
}

.axis {
  stroke: var(--rule-strong);
}

.due {
  stroke: var(--brass-text);
  stroke-width: 2;
}

circle {
  fill: var(--ink);
}

circle.beyond {
  fill: var(--rust);
}
</style>
