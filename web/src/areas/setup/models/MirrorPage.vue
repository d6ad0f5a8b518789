<script setup lang="ts">
import { mirrorDataSchema, mirrorOpticsSchema, writeMirrorSchema } from '@binoculum/contract'
import { peepholeTubeOf } from '@binoculum/core'
import { computed } from 'vue'
import CellDrawing from '../../../shared/drawings/CellDrawing.vue'
import PeepholePicture from '../../../shared/drawings/PeepholePicture.vue'
import FieldTable from '../fields/FieldTable.vue'
import {
  mirrorSections,
  ordinaryMirror,
  toggleMirrorPart,
  type MirrorForm,
  type MirrorPart,
} from './mirror-fields.ts'
import ModelFormPage from './ModelFormPage.vue'
import { useModelForm } from './use-model-form.ts'
import { setupWords } from '../words.ts'

const t = setupWords('mirrorPage')

/** A model's mirrors, cell and cap: what lining up goes by. The drawings follow what is typed. */
const page = useModelForm<MirrorForm>('mirror', {
  schema: writeMirrorSchema,
  begin: ({ mirror, optics }) => {
    const { collimatable, primaryFocalLengthMm, mirrorFigure, peepholeOutsideFocusMm } = optics
    return { mirror, optics: { collimatable, primaryFocalLengthMm, mirrorFigure, peepholeOutsideFocusMm } }
  },
})
const { form, sheet, wrong } = page
const sections = computed(() => (form.value ? mirrorSections(form.value) : []))
const apertureMm = computed(() => sheet.value?.optics.apertureMm ?? 0)

/** Drawn only while every figure can be one. */
const drawn = computed(() => {
  const optics = mirrorOpticsSchema.safeParse(form.value?.optics)
  const mirror = mirrorDataSchema.safeParse(form.value?.mirror)
  if (!sheet.value || !optics.success || !mirror.success) return null
  return { mirror: mirror.data, tube: peepholeTubeOf(mirror.data, { ...sheet.value.optics, ...optics.data }) }
})
const square = { axisErrorMm: { x: 0, y: 0 }, secondaryErrorMm: { x: 0, y: 0 } }

function toggle(part: string) {
  const { mirror } = form.value ?? {}
  if (form.value && mirror) form.value.mirror = toggleMirrorPart(mirror, part as MirrorPart, apertureMm.value)
}
</script>

<template>
  <ModelFormPage :page="page" :keep="t('keepMirrorsAndCell')">
    <template v-if="form">
      <p v-if="!form.mirror">
        {{ t('nobodyMeasuredThisModelsMirrors') }}
        <ElButton @click="form.mirror = ordinaryMirror(apertureMm)">{{ t('beginWithOrdinarySizes') }}</ElButton>
      </p>
      <FieldTable :form="form" :sections="sections" :wrong="wrong" @toggle="toggle" />
    </template>
    <template #aside>
      <aside v-if="drawn" class="grid gap-8px content-start">
        <em>{{ t('throughThePeepholeAllSquare') }}</em>
        <PeepholePicture :tube="drawn.tube" :alignment="square" :screws="drawn.mirror.cell?.screws ?? []" plain />
        <template v-if="drawn.mirror.cell">
          <em>{{ t('theCellFromBehindFocuser') }}</em>
          <CellDrawing :screws="drawn.mirror.cell.screws" :locks="drawn.mirror.cell.locks" />
        </template>
      </aside>
    </template>
  </ModelFormPage>
</template>
