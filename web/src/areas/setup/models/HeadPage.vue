<script setup lang="ts">
import { writeHeadSchema, type WriteHead } from '@binoculum/contract'
import { families, type Family } from '@binoculum/core'
import { computed } from 'vue'
import type { Loose } from '../../../shared/loose.ts'
import FieldTable from '../fields/FieldTable.vue'
import { choice, choices, figure, text, tick, type FieldSection } from '../fields/model-fields.ts'
import { kindWords } from './kind-words.ts'
import ModelFormPage from './ModelFormPage.vue'
import { useModelForm } from './use-model-form.ts'
import { setupWords } from '../words.ts'

const t = setupWords('headPage')

/** What a model is: name, family, tube. Steps, powers and limits hang on it. */
const page = useModelForm<Loose<Omit<WriteHead, 'version'>>>('head', {
  schema: writeHeadSchema,
  begin: ({ name, family, optics }) => {
    const { apertureMm, focalLengthMm, kind, collapsible, focuserFemaleMm = null } = optics
    return { name, family, apertureMm, focalLengthMm, kind, collapsible, focuserFemaleMm }
  },
})
const { form, sheet, wrong } = page
const guessed = computed(() => sheet.value?.optics.guessed ?? [])

const sections: readonly FieldSection[] = [
  {
    key: 'head',
    title: '',
    fields: [
      text('name', t('name'), 120),
      choice('family', t('family'), choices(Object.entries(families) as [Family, string][])),
      choice('kind', t('tube'), choices(Object.entries(kindWords))),
      figure('apertureMm', t('apertureMm')),
      figure('focalLengthMm', t('focalLengthMm')),
      choice(
        'focuserFemaleMm',
        t('holeOfTheFocuser'),
        choices([
          [null, t('nobodyMeasuredIt')],
          [24.5, '24.5 mm'],
          [31.75, t('mmInch')],
          [50.8, t('mmInch2')],
        ]),
      ),
      tick('collapsible', t('theTubeSlidesOpen')),
    ],
  },
]
</script>

<template>
  <ModelFormPage :page="page" :keep="t('keepIt')">
    <template #notes>
      <p v-if="guessed.length > 0" class="rust">
        {{ t('onlyGuessedFromAList', { guessed: guessed.join(', ').replaceAll('-', ' ') }) }}
      </p>
    </template>
    <div v-if="form" class="max-w-420px"><FieldTable :form="form" :sections="sections" :wrong="wrong" /></div>
  </ModelFormPage>
</template>
