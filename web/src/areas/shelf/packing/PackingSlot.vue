<script setup lang="ts">
import type { PackingSlotView } from '@binoculum/contract'
import { ref, watch } from 'vue'
import FileButton from '../../../shared/controls/FileButton.vue'

/** One picture of how a kit is packed, with what it shows; empty where nobody took one. */
const { shown } = defineProps<{ shown: PackingSlotView; mayAct: boolean; sending: boolean }>()
const emit = defineEmits<{ take: [file: File]; words: [words: string]; remove: [] }>()
const words = ref(shown.words)
watch(
  () => shown.words,
  (now) => (words.value = now),
)
const keepWords = () => words.value.trim() !== shown.words && emit('words', words.value.trim())
</script>

<template>
  <figure>
    <a v-if="shown.pictureId" :href="`/api/pictures/${shown.pictureId}`" target="_blank" rel="noopener">
      <img :src="`/api/pictures/${shown.pictureId}`" :alt="`${shown.title}, as it should look`" />
    </a>
    <p v-else class="empty">No picture yet</p>
    <figcaption>
      <b class="serif">{{ shown.title }}</b>
      <template v-if="mayAct">
        <ElInput
          v-if="shown.pictureId"
          v-model="words"
          maxlength="160"
          :disabled="sending"
          :aria-label="`What the picture shows: ${shown.title}`"
          placeholder="such as: mirror end to the left"
          @change="keepWords"
        />
        <span class="acts">
          <FileButton
            accept="image/*"
            camera
            link
            :busy="sending"
            :name="`picture-${shown.key}`"
            @take="emit('take', $event)"
          >
            {{ shown.pictureId ? 'Another picture' : 'Take its picture' }}
          </FileButton>
          <ElButton v-if="shown.pictureId" link :disabled="sending" @click="emit('remove')">Take it off</ElButton>
        </span>
      </template>
      <span v-else class="second">{{ shown.words }}</span>
    </figcaption>
  </figure>
</template>

<style scoped src="./packing-figure.css"></style>
