<script setup lang="ts">
import { computed, ref } from 'vue'
import { useWords } from './guide-language.ts'
import PhotoPick from './PhotoPick.vue'
import { sendToLibrary } from './send-to-library.ts'
import { useMemory } from './use-kept.ts'

/** A report to the library: what was tried, a few words, a picture. */
const { token, sign, walked } = defineProps<{ token: string; sign: string; walked: readonly string[] }>()
const { say } = useWords()
const memory = useMemory()
const words = ref('')
const picture = ref<Blob | null>(null)
const state = ref<'no' | 'sending' | 'sent' | 'kept' | 'failed'>('no')
const empty = computed(() => words.value.trim() === '' && picture.value === null && walked.length === 0)
async function send() {
  state.value = 'sending'
  state.value = await sendToLibrary(
    { token, memory },
    { kind: 'report', sign, walked: [...walked], words: words.value.trim() },
    picture.value,
  )
}
</script>

<template>
  <section class="report" :aria-label="say('Ask the library')">
    <template v-if="state === 'sent' || state === 'kept'">
      <p role="status">
        <b>{{
          say(state === 'sent' ? 'Sent. Thank you.' : 'No network. It is kept here and sent when you are online.')
        }}</b>
      </p>
      <p>{{ say('You don’t have to wait: put it away as it is and bring it back if you like.') }}</p>
    </template>
    <template v-else>
      <label class="labelled">
        <span>{{ say('What do you see? A few words are enough') }}</span>
        <textarea v-model="words" class="field" rows="3" maxlength="1000"></textarea>
      </label>
      <PhotoPick :label="say('A picture helps us most')" @taken="picture = $event" />
      <p v-if="state === 'failed'" role="alert">{{ say('That didn’t go. Ring the library instead.') }}</p>
      <button type="button" class="button main" :disabled="empty || state === 'sending'" @click="send">
        {{ say('Send it') }}
      </button>
    </template>
  </section>
</template>

<style scoped>
.report {
  margin-top: 12px;
  padding: 12px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--card);
}

.button {
  width: 100%;
  min-height: 52px;
}
</style>
