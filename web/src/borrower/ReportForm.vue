<script setup lang="ts">
import { computed, ref } from 'vue'
import { useWords } from './guide-language.ts'
import { pictureForSending, sendToLibrary } from './send-to-library.ts'
import { useMemory } from './use-kept.ts'

/** A report to the library: what was tried, a few words, a picture. */
const { token, sign, walked } = defineProps<{ token: string; sign: string; walked: readonly string[] }>()
const { say } = useWords()
const memory = useMemory()
const words = ref('')
const picture = ref<Blob | null>(null)
const preview = ref<string | null>(null)
const tooBig = ref(false)
const state = ref<'no' | 'sending' | 'sent' | 'kept' | 'failed'>('no')
async function pick(event: Event) {
  const [file] = (event.target as HTMLInputElement).files ?? []
  if (!file) return
  picture.value = await pictureForSending(file)
  tooBig.value = picture.value === null
  preview.value = picture.value && URL.createObjectURL(picture.value)
}
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
      <label class="labelled picture">
        <span>{{ say('A picture helps us most') }}</span>
        <input type="file" accept="image/*" capture="environment" @change="pick" />
      </label>
      <img v-if="preview" :src="preview" :alt="say('Your picture')" />
      <p v-if="tooBig" role="alert">{{ say('This picture can’t be used. Take another one.') }}</p>
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

.picture {
  margin: 10px 0;
}

img {
  display: block;
  max-width: 100%;
  max-height: 220px;
  margin-bottom: 10px;
}

.button {
  width: 100%;
  min-height: 52px;
}
</style>
