<script setup lang="ts">
import { feels, phases, roles, stepDrawings, stepTests, type ProcedureStep, type Role } from '@binoculum/core'
import { computed } from 'vue'
import RowChoice from './RowChoice.vue'
import { phaseWords } from './steps-draft.ts'
import { setupWords } from '../words.ts'

const t = setupWords('stepFields')

/** One step of a model's procedure, field by field. */
const { step, problem, mayChange } = defineProps<{
  step: ProcedureStep
  problem: string | undefined
  mayChange: boolean
}>()
const emit = defineEmits<{ set: [change: Partial<ProcedureStep>]; remove: [] }>()

const inWords = <T extends string>(values: readonly T[]) =>
  values.map((value) => ({ value, words: value.replaceAll('-', ' ') }))
const roleOptions = (Object.keys(roles) as Role[]).map((value) => ({ value, words: roles[value].words }))
const linesText = computed(() => step.lines.map(({ text }) => text).join('\n'))
/** A line that was there keeps when it is needed. */
const setLines = (text: string) =>
  emit('set', {
    lines: text.split('\n').map((each) => ({
      text: each,
      needs: step.lines.find((line) => line.text === each)?.needs ?? null,
    })),
  })
</script>

<template>
  <fieldset class="grid grid-cols-[1fr_1fr] gap-y-10px gap-x-16px w-full m-0 p-0 line-none" :disabled="!mayChange">
    <label class="labelled"
      ><span>{{ t('step') }}</span
      ><ElInput
        :model-value="step.title"
        maxlength="120"
        name="title"
        @change="(title: string) => emit('set', { title })"
    /></label>
    <label class="labelled col-span-full"
      ><span>{{ t('whatToDoALine') }}</span
      ><ElInput
        type="textarea"
        :model-value="linesText"
        :autosize="{ minRows: 4, maxRows: 12 }"
        name="lines"
        @change="setLines"
    /></label>
    <label class="labelled"
      ><span>{{ t('rightWhen') }}</span
      ><ElInput :model-value="step.check" maxlength="200" @change="(check: string) => emit('set', { check })"
    /></label>
    <label class="labelled"
      ><span>{{ t('caution') }}</span
      ><ElInput
        :model-value="step.caution ?? ''"
        maxlength="300"
        @change="(caution: string) => emit('set', { caution: caution || null })"
    /></label>
    <label class="labelled"
      ><span>{{ t('station') }}</span
      ><RowChoice
        :model-value="step.phase"
        :label="t('station')"
        :options="phases.map((value) => ({ value, words: phaseWords[value] }))"
        @update:model-value="(phase) => phase && emit('set', { phase })"
    /></label>
    <label class="labelled"
      ><span>{{ t('partInQuestion') }}</span
      ><RowChoice
        :model-value="step.part"
        :label="t('partInQuestion')"
        :none="t('none')"
        :options="roleOptions"
        @update:model-value="(part) => emit('set', { part })"
    /></label>
    <label class="labelled"
      ><span>{{ t('feel') }}</span
      ><RowChoice
        :model-value="step.feel"
        :label="t('feel')"
        :none="t('nothingIsTightened')"
        :options="inWords(feels)"
        @update:model-value="(feel) => emit('set', { feel })"
    /></label>
    <label class="labelled"
      ><span>{{ t('testAtTheBench') }}</span
      ><RowChoice
        :model-value="step.test"
        :label="t('testAtTheBench')"
        :none="t('aLook')"
        :options="inWords(stepTests)"
        @update:model-value="(test) => emit('set', { test })"
    /></label>
    <label class="labelled"
      ><span>{{ t('drawing') }}</span
      ><RowChoice
        :model-value="step.drawing"
        :label="t('drawing')"
        :none="t('none')"
        :options="inWords(stepDrawings)"
        @update:model-value="(drawing) => emit('set', { drawing })"
    /></label>
  </fieldset>
  <p v-if="problem" class="rust" role="alert">{{ problem }}</p>
  <ElButton v-if="mayChange" link type="primary" @click="emit('remove')">{{ t('takeThisStepOut') }}</ElButton>
</template>
