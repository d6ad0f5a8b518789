<script setup lang="ts">
import type { Part } from '@binoculum/contract'
import { ref, watch } from 'vue'
import { shelfWords } from './words.ts'

const t = shelfWords('knownWearDialog')

/** What a part has had for long: said once, so that nobody who brings it back is blamed. */
const { part, sending } = defineProps<{ part: Part | null; sending: boolean }>()
const emit = defineEmits<{ keep: [knownWear: string]; close: [] }>()
const words = ref('')
watch(
  () => part,
  (now) => (words.value = now?.knownWear ?? ''),
)
</script>

<template>
  <ElDialog
    :model-value="part !== null"
    :title="t('knownWearOf', { name: part?.name ?? '' })"
    width="min(460px, 94vw)"
    @closed="emit('close')"
    @update:model-value="(open: boolean) => !open && emit('close')"
  >
    <form id="known-wear" @submit.prevent="emit('keep', words.trim())">
      <ElInput
        v-model="words"
        name="knownWear"
        maxlength="200"
        autofocus
        :aria-label="t('knownWear')"
        :placeholder="t('suchAsScratchAlongThe')"
      />
      <p class="second">
        {{ t('itShowsAtTheCounter') }}
      </p>
    </form>
    <template #footer>
      <ElButton @click="emit('close')">{{ t('leaveIt') }}</ElButton>
      <ElButton type="primary" native-type="submit" form="known-wear" :disabled="sending">{{ t('keepIt') }}</ElButton>
    </template>
  </ElDialog>
</template>
