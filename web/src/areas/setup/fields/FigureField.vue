<script setup lang="ts">
/** One figure of a form. Nothing written is null; what is wrong with it stands beneath. */
const figure = defineModel<number | null>({ required: true })
const { problem = undefined, placeholder = undefined } = defineProps<{
  label: string
  name: string
  problem?: string | undefined
  placeholder?: string | undefined
}>()
</script>

<template>
  <label class="labelled">
    <span>{{ label }}</span>
    <ElInputNumber
      v-model="figure"
      class="figure w-full"
      :controls="false"
      :name="name"
      :placeholder="placeholder"
      :value-on-clear="null"
      align="left"
    />
    <i v-if="problem" class="rust not-italic text-13px">{{ problem }}</i>
  </label>
</template>
