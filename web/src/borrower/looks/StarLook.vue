<script setup lang="ts">
import { computed, ref } from 'vue'
import { useWords } from '../guide-language.ts'
import LookAnswer from './LookAnswer.vue'
import PhotoPick from '../PhotoPick.vue'
import { asBase64 } from './take-look.ts'
import { useLook } from './use-look.ts'

/** A star a little out of focus, by phone: two photos, one on each side, tell most. */
const { token, hasMirror } = defineProps<{ token: string; hasMirror: boolean }>()
const { say } = useWords()
const { state, answer, take } = useLook(() => token)
const picture = ref<Blob | null>(null)
const otherSide = ref<Blob | null>(null)
const rings = ref('')
const count = computed(() => {
  const typed = Number(rings.value)
  return Number.isInteger(typed) && typed >= 1 && typed <= 40 ? typed : null
})
/** Without its rings an open tube's star has no figure. */
const ready = computed(
  () => picture.value !== null && (!hasMirror || count.value !== null) && state.value !== 'sending',
)
async function send() {
  if (picture.value === null) return
  const other = otherSide.value && (await asBase64(otherSide.value))
  await take({ kind: 'star', picture: await asBase64(picture.value), otherSide: other, rings: count.value })
}
</script>

<template>
  <p>
    {{ say('At night, a bright star in the middle. Turn the focus until it is a small round disc with rings.') }}
  </p>
  <PhotoPick :label="say('Photo of the star')" @taken="picture = $event" />
  <PhotoPick :label="say('Focus turned the other way, as far')" @taken="otherSide = $event" />
  <label v-if="hasMirror" class="labelled">
    <span>{{ say('How many rings do you count?') }}</span>
    <input v-model="rings" class="field" inputmode="numeric" maxlength="2" name="rings" />
  </label>
  <button type="button" class="button main" :disabled="!ready" @click="send">{{ say('Send it') }}</button>
  <LookAnswer :state="state" :answer="answer" />
</template>

<style scoped src="./look.css"></style>
