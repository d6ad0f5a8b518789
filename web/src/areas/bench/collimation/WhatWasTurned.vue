<script setup lang="ts">
import { benchWords } from '../words.ts'

const t = benchWords('whatWasTurned')

/** A kit whose screws seem to work the other way: a slip of the hand is likelier, so it is asked for first. */
defineProps<{ others: readonly string[] }>()
const emit = defineEmits<{ advised: []; reversed: []; instead: [screw: string] }>()
</script>

<template>
  <p
    class="flex flex-wrap gap-y-6px gap-x-10px items-center py-8px px-12px line-2-brass"
    role="group"
    :aria-label="t('whatWasTurnedReally')"
  >
    <strong>{{ t('whatDidYouTurnReally') }}</strong>
    <ElButton size="small" @click="emit('advised')">{{ t('asAdvised') }}</ElButton>
    <ElButton size="small" @click="emit('reversed')">{{ t('theOtherWayRound') }}</ElButton>
    <ElButton v-for="screw in others" :key="screw" size="small" @click="emit('instead', screw)">
      {{ t('screwInstead', { screw }) }}
    </ElButton>
  </p>
</template>
