<script setup lang="ts">
import BigChoice from './BigChoice.vue'
import type { CheckDraft } from './check-draft.ts'
import FoundLeft from './FoundLeft.vue'

const pair = defineModel<CheckDraft['stand']>({ required: true })
const moves = [
  { key: 'up', words: 'Easy to use pointing straight up; the tube clears the stand' },
  { key: 'free', words: 'Moves freely in both axes' },
  { key: 'stays', words: 'Stays exactly where it is left' },
] as const
const options = [
  { value: true, words: 'Yes' },
  { value: false, words: 'No', bad: true },
] as const
</script>

<template>
  <p class="lead">The three-move test, with everything on. One clutch at a time, a hand on the tube.</p>
  <FoundLeft
    :has-left="pair.asLeft !== null"
    :complete="moves.every(({ key }) => pair.asFound[key] !== null)"
    @put-right="pair.asLeft = { up: true, free: true, stays: true }"
    @forget="pair.asLeft = null"
  >
    <template #found>
      <div v-for="move in moves" :key="move.key" class="move">
        <p>{{ move.words }}</p>
        <BigChoice v-model="pair.asFound[move.key]" :options="options" :label="`as found: ${move.words}`" />
      </div>
    </template>
    <template #left>
      <template v-if="pair.asLeft">
        <div v-for="move in moves" :key="move.key" class="move">
          <p>{{ move.words }}</p>
          <BigChoice v-model="pair.asLeft[move.key]" :options="options" :label="`as left: ${move.words}`" />
        </div>
      </template>
    </template>
  </FoundLeft>
</template>

<style scoped>
.lead {
  margin-bottom: 16px;
  font-size: 17px;
}

.move {
  display: grid;
  gap: 6px;
}

.move p {
  font-size: 16px;
}
</style>
