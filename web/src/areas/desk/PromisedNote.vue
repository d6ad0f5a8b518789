<script setup lang="ts">
import type { HandOutForm } from '@binoculum/contract'
import dayjs from 'dayjs'
import { computed } from 'vue'

/** Somebody else gets a kit that is promised: said before it happens, with what would do for both. */
const { promised, dueOn } = defineProps<{ promised: NonNullable<HandOutForm['promised']>; dueOn: string }>()
const emit = defineEmits<{ day: [day: string] }>()
const dayWords = (day: string) => dayjs(day).format('ddd D MMM')
const isKept = computed(() => promised.freeUntilOn !== null && dueOn !== '' && dueOn <= promised.freeUntilOn)
</script>

<template>
  <div role="status">
    <p :class="isKept ? 'quiet' : 'rust'">
      Promised to <strong>{{ promised.borrower.name }}</strong>, who fetches it on {{ dayWords(promised.fromOn) }}.
      <template v-if="isKept">Back by {{ dayWords(dueOn) }} it is there in time.</template>
      <template v-else-if="promised.freeUntilOn === null">There is no time for another loan before.</template>
    </p>
    <p v-if="!isKept" class="ways flex flex-wrap gap-6px mt-6px">
      <ElButton
        v-if="promised.freeUntilOn"
        size="small"
        @click="promised.freeUntilOn && emit('day', promised.freeUntilOn)"
        >Back by {{ dayWords(promised.freeUntilOn) }}</ElButton
      >
      <RouterLink
        v-for="other in promised.others"
        :key="other.id"
        :to="`/desk/hand-out/${encodeURIComponent(other.code)}`"
        class="button min-h-28px py-2px px-10px text-13px"
        >{{ other.name }} instead{{ other.sameModel ? '' : `, ${other.modelName}` }}</RouterLink
      >
      <RouterLink
        :to="`/calendar?find=${encodeURIComponent(promised.borrower.name)}`"
        class="button min-h-28px py-2px px-10px text-13px"
        >Move the promise</RouterLink
      >
    </p>
  </div>
</template>
