<script setup lang="ts">
import { writeMountSchema } from '@binoculum/contract'
import { controllerFields, controllerFieldWords, isComputedField, type ControllerField } from '@binoculum/core'
import { computed } from 'vue'
import HomeDrawing from '../../bench/HomeDrawing.vue'
import FieldTable from '../fields/FieldTable.vue'
import ModelFormPage from './ModelFormPage.vue'
import { mountForm, mountSections, toggleMountPart, type MountForm, type MountPart } from './mount-fields.ts'
import { useModelForm } from './use-model-form.ts'
import { setupWords } from '../words.ts'

const t = setupWords('mountPage')

/** A model's mount and stand: what balance, load, set-up and the hand controller go by. */
const page = useModelForm<MountForm>('mount', { schema: writeMountSchema, begin: mountForm })
const { form, wrong } = page
const sections = computed(() => (form.value ? mountSections(form.value) : []))
const controller = computed(() => form.value?.mount.controller ?? null)
const home = computed(() => form.value?.mount.home ?? null)
/** Questions that nothing computes: the model says what to answer. */
const toldFields = computed(() => controller.value?.asks.filter((field) => !isComputedField(field)) ?? [])

function toggle(part: string) {
  if (form.value) form.value.mount = toggleMountPart(form.value.mount, part as MountPart)
}
function setAnswer(field: ControllerField, words: string) {
  if (controller.value) controller.value.answers = { ...controller.value.answers, [field]: words }
}
function toggleAsk(field: ControllerField) {
  const asks = controller.value?.asks
  if (!controller.value || !asks) return
  controller.value.asks = asks.includes(field) ? asks.filter((each) => each !== field) : [...asks, field]
}
</script>

<template>
  <ModelFormPage :page="page" :keep="t('keepTheseFigures')">
    <FieldTable v-if="form" :form="form" :sections="sections" :wrong="wrong" @toggle="toggle">
      <template v-if="controller" #controller>
        <div class="flex flex-wrap col-span-full gap-8px items-center">
          <em>{{ t('itAsksInThisOrder') }}</em>
          <ElButton
            v-for="field in controllerFields"
            :key="field"
            :type="controller.asks.includes(field) ? 'primary' : 'default'"
            :aria-pressed="controller.asks.includes(field)"
            @click="toggleAsk(field)"
          >
            {{ controller.asks.includes(field) ? `${controller.asks.indexOf(field) + 1} ` : ''
            }}{{ controllerFieldWords[field] }}
          </ElButton>
          <i v-if="wrong['mount.controller.asks']" class="rust not-italic text-13px">{{
            wrong['mount.controller.asks']
          }}</i>
        </div>
        <label v-for="field in toldFields" :key="field" class="labelled"
          ><span>{{ t('whatToAnswer', { controllerFieldWords: controllerFieldWords[field] }) }}</span
          ><ElInput
            :model-value="controller.answers?.[field] ?? ''"
            maxlength="120"
            :name="`answer-${field}`"
            @update:model-value="(words: string) => setAnswer(field, words)"
        /></label>
      </template>
      <template v-if="home" #home>
        <div class="grid grid-cols-[150px_minmax(0,1fr)] col-span-full gap-y-12px gap-x-20px items-start">
          <HomeDrawing :drawing="home.drawing" :latitude-deg="52" />
          <div class="grid gap-8px justify-items-start">
            <label v-for="(step, index) in home.steps" :key="index" class="labelled w-full"
              ><span>{{ index + 1 }}</span
              ><ElInput
                maxlength="200"
                :model-value="step"
                @update:model-value="(words: string) => home && (home.steps[index] = words)"
              /><i v-if="wrong[`mount.home.steps.${index}`]" class="rust not-italic text-13px">{{
                wrong[`mount.home.steps.${index}`]
              }}</i></label
            >
            <ElButton link type="primary" @click="home.steps.push('')">{{ t('anotherStep') }}</ElButton>
            <ElButton v-if="home.steps.length > 1" link type="primary" @click="home.steps.pop()">{{
              t('oneFewer')
            }}</ElButton>
          </div>
        </div>
      </template>
    </FieldTable>
  </ModelFormPage>
</template>
