<script setup lang="ts">
import { kitSheetSchema } from '@binoculum/contract'
import { helpSheet } from '@binoculum/core'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import ProblemNote from '../../shared/ProblemNote.vue'
import HelpSheetView from '../../borrower/HelpSheetView.vue'

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
        <ElButton type="primary" :disabled="!sheet" @click="printPage">Print the help sheet</ElButton>
        <RouterLink :to="`/kits/${kit.code}`">back to {{ kit.name }}</RouterLink>
        <span v-if="kit.policies.collimation === 'leave-it-to-us'" class="quiet"
          >The policy of this kit is <em>leave it to us</em>: its borrowers don’t get this sheet.</span
        >
        <span v-else class="quiet">Its guide carries this sheet from the next hand-out on.</span>
      </p>
      <p v-if="!sheet" class="problem">
        This model’s mirrors and screws aren’t measured yet, or a lens hides them. Set-up, Models, Mirrors and cell:
        then the sheet draws itself.
      </p>
      <article v-else class="sheet max-w-780px text-16px lh-23px">
        <h1>Lining up {{ kit.name }}</h1>
        <p>
          {{ kit.modelName }}. Wanted only when stars look like little comets at high power. In doubt leave it, and
          tell us: nobody minds.
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
