<script setup lang="ts">
import { computed, ref } from 'vue'
import { useWords } from '../guide-language.ts'
import { directions } from './look-words.ts'
import LookAnswer from './LookAnswer.vue'
import PhotoPick from '../PhotoPick.vue'
import { asBase64 } from './take-look.ts'
import { useLook } from './use-look.ts'

/** Through the cap's small hole: whether the mirror is lined up, measured while the borrower waits. */
const { token, sunAsked } = defineProps<{ token: string; sunAsked: boolean }>()
const { say } = useWords()
const { state, answer, take } = useLook(() => token)
const picture = ref<Blob | null>(null)
const sunSafe = ref(false)
/** Clockwise from up in the photo; empty: not known, and then no screw is named. */
const openEnd = ref('')
const ready = computed(() => picture.value !== null && (sunSafe.value || !sunAsked) && state.value !== 'sending')
async function send() {
  if (picture.value === null) return
  const openEndDeg = openEnd.value === '' ? null : Number(openEnd.value)
  await take({ kind: 'peephole', picture: await asBase64(picture.value), sunSafe: sunSafe.value, openEndDeg })
}
</script>

<template>
  <p>
    {{
      say('Put in the cap with the small hole, and hold the phone close behind it. By day, towards a bright wall.')
    }}
  </p>
  <label v-if="sunAsked" class="safe">
    <input v-model="sunSafe" type="checkbox" name="sun-safe" />
    {{ say('The Sun can’t get into the tube: it is in the shade.') }}
  </label>
  <fieldset :disabled="sunAsked && !sunSafe">
    <PhotoPick :label="say('Photo through the hole')" @taken="picture = $event" />
    <label class="labelled">
      <span>{{ say('Where is the tube’s open end in the photo?') }}</span>
      <select v-model="openEnd" class="field" name="open-end">
        <option value="">{{ say('I don’t know') }}</option>
        <option v-for="(direction, index) in directions" :key="direction" :value="String(index * 45)">
          {{ say(direction) }}
        </option>
      </select>
    </label>
    <button type="button" class="button main" :disabled="!ready" @click="send">{{ say('Send it') }}</button>
  </fieldset>
  <LookAnswer :state="state" :answer="answer" />
</template>

<style scoped src="./look.css"></style>
