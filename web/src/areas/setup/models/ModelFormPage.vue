<script setup lang="ts">
import ProblemNote from '../../../shared/ProblemNote.vue'
import SetupTabs from '../SetupTabs.vue'
import KeptFormNote from './KeptFormNote.vue'
import ModelTabs from './ModelTabs.vue'
import type { ModelForm } from './use-model-form.ts'
import type { NotedDraft } from './use-kept-form.ts'
import { setupWords } from '../words.ts'

const t = setupWords('modelFormPage')

/** What every page of a model has around its form: the way to the others, what went wrong, who may change it, keeping it. */
const { page } = defineProps<{ page: Omit<ModelForm, 'form' | 'draft'> & { draft: NotedDraft }; keep: string }>()
const { id, sheet, unreadable, problem, reload, sending, kept, wrong, mayChange, save } = page
</script>

<template>
  <main class="flex flex-1 flex-col">
    <div class="page flex-1">
      <SetupTabs />
      <ProblemNote :problem="unreadable" @retry="reload" />
      <template v-if="sheet">
        <ModelTabs :model-id="id" :name="sheet.name" />
        <ProblemNote :problem="problem" @retry="reload" />
        <KeptFormNote :page="page.draft" />
        <slot name="notes" />
        <p v-if="!mayChange" class="quiet">{{ t('onlyACoordinatorOfEvery') }}</p>
        <div :class="{ columns: $slots.aside }">
          <fieldset class="min-w-0 mx-0 mt-12px mb-0 p-0 line-none" :disabled="!mayChange"><slot /></fieldset>
          <slot name="aside" />
        </div>
      </template>
    </div>
    <footer v-if="sheet && mayChange" class="action-bar">
      <ElButton type="primary" size="large" :disabled="sending" @click="save">{{ keep }}</ElButton>
      <span v-if="kept" class="moss" role="status">{{ t('keptForAllKitsOf') }}</span>
      <span v-else-if="Object.keys(wrong).length > 0" class="rust" role="alert">{{
        t('fieldsCantBeUsedYet', { n: Object.keys(wrong).length })
      }}</span>
    </footer>
  </main>
</template>

<style scoped src="../../../theme/action-bar.css"></style>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 20px 44px;
}

@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
