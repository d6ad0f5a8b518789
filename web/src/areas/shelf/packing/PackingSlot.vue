<script setup lang="ts">
import type { PackingSlotView } from '@binoculum/contract'
import { ref, watch } from 'vue'
import FileButton from '../../../shared/controls/FileButton.vue'
import { shelfWords } from '../words.ts'

const t = shelfWords('packingSlot')

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
  <figure class="m-0 p-10px line-rule-strong rd-4px bg-card">
    <a v-if="shown.pictureId" :href="`/api/pictures/${shown.pictureId}`" target="_blank" rel="noopener">
      <img
        class="block w-full [aspect-ratio:4_/_3] [object-fit:cover]"
        :src="`/api/pictures/${shown.pictureId}`"
        :alt="t('asItShouldLook', { title: shown.title })"
      />
    </a>
    <p
      v-else
      class="w-full [aspect-ratio:4_/_3] [object-fit:cover] grid place-items-center line-dashed-rule-strong text-quiet"
    >
      {{ t('noPictureYet') }}
    </p>
    <figcaption class="grid gap-6px mt-8px">
      <b class="serif text-18px">{{ shown.title }}</b>
      <template v-if="mayAct">
        <ElInput
          v-if="shown.pictureId"
          v-model="words"
          maxlength="160"
          :disabled="sending"
          :aria-label="t('whatThePictureShows', { title: shown.title })"
          :placeholder="t('suchAsMirrorEndTo')"
          @change="keepWords"
        />
        <span class="flex flex-wrap gap-y-4px gap-x-14px items-center">
          <FileButton
            accept="image/*"
            camera
            link
            :busy="sending"
            :name="`picture-${shown.key}`"
            @take="emit('take', $event)"
          >
            {{ shown.pictureId ? t('anotherPicture') : t('takeItsPicture') }}
          </FileButton>
          <ElButton v-if="shown.pictureId" link :disabled="sending" @click="emit('remove')">{{
            t('takeItOff')
          }}</ElButton>
        </span>
      </template>
      <span v-else class="second">{{ shown.words }}</span>
    </figcaption>
  </figure>
</template>
