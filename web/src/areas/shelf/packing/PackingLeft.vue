<script setup lang="ts">
import type { PackingLeft, PackingSlotView } from '@binoculum/contract'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import { shelfWords } from '../words.ts'

const t = shelfWords('packingLeft')

/** A picture whose place or step was renamed, or taken off the card: it is put elsewhere, or taken off. */
const { picture } = defineProps<{
  picture: PackingLeft
  empty: readonly PackingSlotView[]
  mayAct: boolean
  sending: boolean
}>()
const emit = defineEmits<{ move: [key: string]; remove: [] }>()
</script>

<template>
  <figure class="m-0 p-10px line-rule-strong rd-4px bg-card">
    <a :href="`/api/pictures/${picture.pictureId}`" target="_blank" rel="noopener">
      <img
        class="block w-full [aspect-ratio:4_/_3] [object-fit:cover]"
        :src="`/api/pictures/${picture.pictureId}`"
        :alt="t('asItLooked', { title: picture.title })"
      />
    </a>
    <figcaption class="grid gap-6px mt-8px">
      <b class="serif text-18px">{{ t('wasTitle', { title: picture.title }) }}</b>
      <span v-if="picture.words" class="second">{{ picture.words }}</span>
      <template v-if="mayAct">
        <ChoiceSelect
          v-if="empty.length > 0"
          :model-value="null"
          :options="empty.map(({ key, title }) => ({ value: key, words: title }))"
          :disabled="sending"
          :label="t('whereItBelongs', { title: picture.title })"
          :placeholder="t('belongsTo')"
          @update:model-value="(key: string | null) => key && emit('move', key)"
        />
        <ElButton link :disabled="sending" @click="emit('remove')">{{ t('takeItOff') }}</ElButton>
      </template>
    </figcaption>
  </figure>
</template>
