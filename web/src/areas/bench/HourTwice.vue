<script setup lang="ts">
import { benchWords } from './words.ts'

const t = benchWords('hourTwice')

/** The night on which clocks are put back: the hour typed comes twice. */
defineProps<{ ambiguous: readonly { readonly utcOffsetHours: number }[]; local: string }>()
const emit = defineEmits<{ choose: [occurrence: 'earlier' | 'later'] }>()
</script>

<template>
  <p class="rust" role="alert">
    {{ t('clocksShowTwiceThatNight', { local: local.slice(11) }) }}
    <ElButton
      v-for="(each, index) in ambiguous"
      :key="each.utcOffsetHours"
      @click="emit('choose', index === 0 ? 'earlier' : 'later')"
    >
      {{
        t('theUtc', {
          index: index === 0 ? t('first') : t('second'),
          sign: each.utcOffsetHours >= 0 ? '+' : '−',
          offset: Math.abs(each.utcOffsetHours),
        })
      }}
    </ElButton>
  </p>
</template>
