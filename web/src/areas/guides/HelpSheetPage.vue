<script setup lang="ts">
import { kitSheetSchema } from '@binoculum/contract'
import { helpSheet } from '@binoculum/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import HelpSheetView from '../../borrower/HelpSheetView.vue'
import { guidesWords } from './words.ts'

const t = guidesWords('helpSheetPage')

/** One printed page for borrowers who may line their kit up themselves; its guide carries the same. */
const route = useRoute()
const code = String(route.params.code)
const { data: kit, problem, reload } = useLoaded(kitSheetSchema, `/api/kits/${encodeURIComponent(code)}`)
const sheet = computed(() => (kit.value ? helpSheet(kit.value.mirror, kit.value.optics) : null))
const printPage = () => window.print()
</script>

<template>
  <main class="page">
    <ProblemNote :problem="problem" @retry="reload" />
    <template v-if="kit">
      <p class="screen-only row flex flex-wrap gap-16px items-center mb-16px">
        <ElButton type="primary" :disabled="!sheet" @click="printPage">{{ t('printTheHelpSheet') }}</ElButton>
        <RouterLink :to="`/kits/${kit.code}`">{{ t('backTo', { name: kit.name }) }}</RouterLink>
        <span v-if="kit.policies.collimation === 'leave-it-to-us'" class="quiet"
          >{{ t('thePolicyOfThisKit') }} <em>{{ t('leaveItToUs') }}</em>{{ t('itsBorrowersDontGetThis') }}</span
        >
        <span v-else class="quiet">{{ t('itsGuideCarriesThisSheet') }}</span>
      </p>
      <p v-if="!sheet" class="problem">
        {{ t('thisModelsMirrorsAndScrews') }}
      </p>
      <article v-else class="sheet max-w-780px text-16px lh-23px">
        <h1>{{ t('liningUp', { name: kit.name }) }}</h1>
        <p>
          {{ t('wantedOnlyWhenStarsLook', { modelName: kit.modelName }) }}
        </p>
        <HelpSheetView :sheet="sheet" />
      </article>
    </template>
  </main>
</template>

<style scoped>
@media print {
  .screen-only {
    display: none;
  }
}
</style>
