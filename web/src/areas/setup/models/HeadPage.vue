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
      text('name', 'name', 120),
      choice('family', 'family', choices(Object.entries(families) as [Family, string][])),
      choice('kind', 'tube', choices(Object.entries(kindWords))),
      figure('apertureMm', 'aperture, mm'),
      figure('focalLengthMm', 'focal length, mm'),
      choice(
        'focuserFemaleMm',
        'hole of the focuser',
        choices([
          [null, 'nobody measured it'],
          [24.5, '24.5 mm'],
          [31.75, '31.75 mm, 1¼ inch'],
          [50.8, '50.8 mm, 2 inch'],
        ]),
      ),
      tick('collapsible', 'the tube slides open'),
    ],
  },
]
</script>

<template>
  <ModelFormPage :page="page" keep="Keep it">
    <template #notes>
      <p v-if="guessed.length > 0" class="rust">
        Only guessed from a list so far: {{ guessed.join(', ').replaceAll('-', ' ') }}. Look, and keep it.
      </p>
    </template>
    <div v-if="form" class="max-w-420px"><FieldTable :form="form" :sections="sections" :wrong="wrong" /></div>
  </ModelFormPage>
</template>
