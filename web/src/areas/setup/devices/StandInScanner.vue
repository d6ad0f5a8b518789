<script setup lang="ts">
import { shelfSchema } from '@binoculum/contract'
import { ref } from 'vue'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { simulatedScanner } from '../../../shared/devices/scanner.ts'
import { setupWords } from '../words.ts'

const t = setupWords('standInScanner')

/** A made-up scanner: every other window of this browser hears the scan. */
const { data: shelf } = useLoaded(shelfSchema, '/api/kits')
const code = ref('')
const said = ref<string | null>(null)

function scan() {
  const given = code.value.trim()
  if (!given) return
  simulatedScanner.scan(given)
  said.value = given
}
</script>

<template>
  <form class="grid gap-8px py-14px px-16px line-rule-strong rd-4px bg-card" @submit.prevent="scan">
    <h3>{{ t('theStandInsScanner') }}</h3>
    <p class="second">{{ t('openTheDeskInAnother') }}</p>
    <div class="grid grid-cols-[1fr_auto] gap-8px">
      <ElInput v-model="code" list="codes" :aria-label="t('label')" :placeholder="t('mOrM')" maxlength="80" />
      <datalist id="codes">
        <option v-for="kit in shelf?.kits ?? []" :key="kit.id" :value="kit.code">{{ kit.name }}</option>
      </datalist>
      <ElButton native-type="submit">{{ t('scan') }}</ElButton>
    </div>
    <p v-if="said" role="status" class="second">{{ t('wasScanned', { said }) }}</p>
  </form>
</template>
