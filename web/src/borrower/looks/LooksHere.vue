<script setup lang="ts">
import type { RemoteLookOffers } from '@binoculum/contract'
import { computed, onMounted, shallowRef } from 'vue'
import { useWords } from '../guide-language.ts'
import CaseLook from './CaseLook.vue'
import FinderLook from './FinderLook.vue'
import MirrorLook from './MirrorLook.vue'
import StarLook from './StarLook.vue'
import { lookTitles } from './look-words.ts'
import { offersFor } from './take-look.ts'

/** What may be looked at from home on one page of the guide; nothing while the library can't be asked. */
const { token, block } = defineProps<{ token: string; block: 'mirror' | 'finder' | 'case' }>()
const { say } = useWords()
const offers = shallowRef<RemoteLookOffers | null>(null)
onMounted(async () => (offers.value = await offersFor(token)))

const onPage = { mirror: ['peephole', 'star'], finder: ['finder'], case: ['case'] } as const
const kinds = computed(() => onPage[block].filter((kind) => offers.value?.kinds.includes(kind)))
</script>

<template>
  <details v-for="kind in kinds" :key="kind" class="screen-only">
    <summary>{{ say(lookTitles[kind]) }}</summary>
    <template v-if="offers">
      <MirrorLook v-if="kind === 'peephole'" :token="token" :sun-asked="offers.sunAsked" />
      <StarLook v-else-if="kind === 'star'" :token="token" :has-mirror="offers.kinds.includes('peephole')" />
      <FinderLook v-else-if="kind === 'finder' && offers.finder" :token="token" :finder="offers.finder" />
      <CaseLook v-else-if="kind === 'case'" :token="token" />
    </template>
  </details>
</template>

<style scoped>
details {
  margin: 14px 0;
  padding: 4px 12px 12px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
}

summary {
  min-height: 44px;
  padding: 10px 0;
  font-weight: 640;
}
</style>
