<script setup lang="ts">
/** One figure of a model's form. Nothing written is null; what is wrong with it stands beneath. */
const figure = defineModel<number | null>({ required: true })
const { problem = undefined, placeholder = undefined } = defineProps<{
  label: string
  name: string
  problem?: string | undefined
  placeholder?: string | undefined
}>()
function read(event: Event) {
  const text = (event.target as HTMLInputElement).value.trim()
  figure.value = text === '' ? null : Number(text)
}
</script>

<template>
  <label class="labelled">
    <span>{{ label }}</span>
    <input
      class="field"
      type="number"
      step="any"
      :name="name"
      :placeholder="placeholder"
      :value="figure"
      @input="read"
    />
    <i v-if="problem" class="rust">{{ problem }}</i>
  </label>
</template>

<style scoped>
i {
  font-style: normal;
  font-size: 13px;
}
</style>
