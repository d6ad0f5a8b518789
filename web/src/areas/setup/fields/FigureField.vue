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
      class="figure"
      :controls="false"
      :name="name"
      :placeholder="placeholder"
      :value-on-clear="null"
      align="left"
    />
    <i v-if="problem" class="rust">{{ problem }}</i>
  </label>
</template>

<style scoped>
.figure {
  width: 100%;
}

i {
  font-style: normal;
  font-size: 13px;
}
</style>
