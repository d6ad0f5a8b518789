<script setup lang="ts">
import type { PackingLeft, PackingSlotView } from '@binoculum/contract'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'

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
  <figure>
    <a :href="`/api/pictures/${picture.pictureId}`" target="_blank" rel="noopener">
      <img :src="`/api/pictures/${picture.pictureId}`" :alt="`${picture.title}, as it looked`" />
    </a>
    <figcaption>
      <b class="serif">was: {{ picture.title }}</b>
      <span v-if="picture.words" class="second">{{ picture.words }}</span>
      <template v-if="mayAct">
        <ChoiceSelect
          v-if="empty.length > 0"
          :model-value="null"
          :options="empty.map(({ key, title }) => ({ value: key, words: title }))"
          :disabled="sending"
          :label="`Where it belongs: ${picture.title}`"
          placeholder="belongs to …"
          @update:model-value="(key: string | null) => key && emit('move', key)"
        />
        <ElButton link :disabled="sending" @click="emit('remove')">Take it off</ElButton>
      </template>
    </figcaption>
  </figure>
</template>

<style scoped src="./packing-figure.css"></style>
