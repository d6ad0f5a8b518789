<script setup lang="ts">
import { plain, type Said } from '@binoculum/core'
import { computed, watch } from 'vue'
import { useWords } from '../guide-language.ts'
import SaidText from '../SaidText.vue'
import { useOrder } from './use-order.ts'

/** The kit's own steps, offered in another order. */
const { steps, seed } = defineProps<{
  steps: readonly { readonly key: string; readonly title: Said; readonly line: Said }[]
  seed: string
}>()
const emit = defineEmits<{ answered: [] }>()
const { say } = useWords()
const { offered, isWhole, tooEarly, placeOf, touch, again } = useOrder(
  steps.map(({ key }) => key),
  seed,
)
const stepOf = (key: string) => steps.find((each) => each.key === key)
const titleOf = (key: string) => plain(stepOf(key)?.title ?? '')
const verdict = computed(() => {
  if (!isWhole.value) return ''
  const wrong = tooEarly.value
  if (!wrong) return say('Right. That is the order in which it goes together.')
  return say('Not yet: “{first}” comes before “{second}”.', {
    first: titleOf(wrong.before),
    second: titleOf(wrong.key),
  })
})
watch(isWhole, (whole) => whole && emit('answered'))
</script>

<template>
  <section>
    <h2>{{ say('In which order?') }}</h2>
    <p>{{ say('Tap what comes first, then the next, and so on.') }}</p>
    <ul class="answers">
      <li v-for="key in offered" :key="key">
        <button type="button" class="answer" :aria-pressed="placeOf(key) !== null" @click="touch(key)">
          <b>{{ placeOf(key) ?? '·' }}</b> <SaidText :said="stepOf(key)?.title ?? ''" />
        </button>
      </li>
    </ul>
    <template v-if="isWhole">
      <p role="status" :class="tooEarly ? 'rust' : 'moss'">
        <b>{{ verdict }}</b>
      </p>
      <p v-if="tooEarly" class="second"><SaidText :said="stepOf(tooEarly.before)?.line ?? ''" /></p>
      <button v-if="tooEarly" type="button" class="link-button" @click="again">{{ say('Once more') }}</button>
    </template>
  </section>
</template>
