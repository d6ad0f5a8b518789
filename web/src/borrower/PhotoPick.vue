<script setup lang="ts">
import { onScopeDispose, ref } from 'vue'
import { useWords } from './guide-language.ts'
import { pictureForSending } from './send-to-library.ts'

/** Takes a photo, makes it small, and shows it. Its button speaks the page's language, where a browser's own doesn't. */
const { label } = defineProps<{ label: string }>()
const emit = defineEmits<{ taken: [picture: Blob | null] }>()
const { say } = useWords()
const preview = ref<string | null>(null)
const unusable = ref(false)
const forget = () => preview.value && URL.revokeObjectURL(preview.value)
onScopeDispose(forget)

async function pick(event: Event) {
  const [file] = (event.target as HTMLInputElement).files ?? []
  if (!file) return
  const small = await pictureForSending(file)
  forget()
  unusable.value = small === null
  preview.value = small && URL.createObjectURL(small)
  emit('taken', small)
}
</script>

<template>
  <label class="button pick">
    {{ label }} …
    <input type="file" accept="image/*" capture="environment" class="input" @change="pick" />
  </label>
  <img v-if="preview" :src="preview" :alt="say('Your picture')" />
  <p v-if="unusable" role="alert">{{ say('This picture can’t be used. Take another one.') }}</p>
</template>

<style scoped>
.pick {
  display: grid;
  position: relative;
  place-items: center;
  min-height: 52px;
  margin: 10px 0;
}

.pick:focus-within {
  outline: 2px solid var(--brass);
  outline-offset: 2px;
}

/* Under the whole button, so that finger and reader find it. */
.input {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  opacity: 0;
}

img {
  display: block;
  max-width: 100%;
  max-height: 220px;
  margin-bottom: 10px;
}
</style>
