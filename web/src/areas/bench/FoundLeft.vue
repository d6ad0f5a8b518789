<script setup lang="ts">
import { benchWords } from './words.ts'

const t = benchWords('foundLeft')
/** Two halves of a station: as found, and as left once something was put right. */
const { hasLeft, complete } = defineProps<{ hasLeft: boolean; complete: boolean }>()
defineEmits<{ putRight: []; forget: [] }>()
</script>

<template>
  <div class="grid grid-cols-[repeat(auto-fit,minmax(300px,1fr))] gap-y-20px gap-x-40px">
    <section class="grid gap-12px content-start justify-items-start">
      <h2 class="w-full line-b-rule-strong">{{ t('asFound') }}</h2>
      <slot name="found" />
    </section>
    <section class="grid gap-12px content-start justify-items-start" :class="{ waiting: !hasLeft }">
      <h2 class="w-full line-b-rule-strong">{{ t('asLeft') }}</h2>
      <slot v-if="hasLeft" name="left" />
      <template v-else>
        <p class="quiet">{{ complete ? t('asFoundUntouched') : t('nothingKeptYet') }}</p>
        <ElButton size="large" :disabled="!complete" @click="$emit('putRight')">
          {{ t('putRightLookAgain') }}
        </ElButton>
      </template>
      <ElButton v-if="hasLeft" link @click="$emit('forget')"> {{ t('leftAsFoundAfterAll') }} </ElButton>
    </section>
  </div>
</template>
