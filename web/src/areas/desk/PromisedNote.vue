<script setup lang="ts">
import type { HandOutForm } from '@binoculum/contract'
import dayjs from 'dayjs'
import { computed } from 'vue'
import { deskWords } from './words.ts'

const t = deskWords('promisedNote')

/** Somebody else gets a kit that is promised: said before it happens, with what would do for both. */
const { promised, dueOn } = defineProps<{ promised: NonNullable<HandOutForm['promised']>; dueOn: string }>()
const emit = defineEmits<{ day: [day: string] }>()
const dayWords = (day: string) => dayjs(day).format('ddd D MMM')
const isKept = computed(() => promised.freeUntilOn !== null && dueOn !== '' && dueOn <= promised.freeUntilOn)
</script>

<template>
  <div role="status">
    <p :class="isKept ? 'quiet' : 'rust'">
      {{ t('promisedTo') }} <strong>{{ promised.borrower.name }}</strong>{{
        t('whoFetchesItOn', { fromOn: dayWords(promised.fromOn) })
      }}
      <template v-if="isKept">{{ t('backByItIsThere', { dueOn: dayWords(dueOn) }) }}</template>
      <template v-else-if="promised.freeUntilOn === null">{{ t('thereIsNoTimeFor') }}</template>
    </p>
    <p v-if="!isKept" class="ways flex flex-wrap gap-6px mt-6px">
      <ElButton
        v-if="promised.freeUntilOn"
        size="small"
        @click="promised.freeUntilOn && emit('day', promised.freeUntilOn)"
        >{{ t('backBy', { freeUntilOn: dayWords(promised.freeUntilOn) }) }}</ElButton
      >
      <RouterLink
        v-for="other in promised.others"
        :key="other.id"
        :to="`/desk/hand-out/${encodeURIComponent(other.code)}`"
        class="button min-h-28px py-2px px-10px text-13px"
        >{{
          t('nameInstead', { name: other.name, modelName: other.sameModel ? '' : `, ${other.modelName}` })
        }}</RouterLink
      >
      <RouterLink
        :to="`/calendar?find=${encodeURIComponent(promised.borrower.name)}`"
        class="button min-h-28px py-2px px-10px text-13px"
        >{{ t('moveThePromise') }}</RouterLink
      >
    </p>
  </div>
</template>
