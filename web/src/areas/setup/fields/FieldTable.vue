<script setup lang="ts">
import FigureField from './FigureField.vue'
import { setValueAt, valueAt, type FieldSection } from './model-fields.ts'

/** Draws a table of fields over a form; a slot of the section's name takes what no table says. */
const { form, wrong } = defineProps<{
  form: object
  sections: readonly FieldSection[]
  /** What is wrong, by the fields' places. */
  wrong: Readonly<Record<string, string>>
}>()
defineEmits<{ toggle: [section: string] }>()

const figureAt = (path: string) => (valueAt(form, path) ?? null) as number | null
const tickAt = (path: string) => valueAt(form, path) as boolean
const textAt = (path: string) => valueAt(form, path) as string
const choiceAt = (path: string) => (valueAt(form, path) ?? NONE) as string
/** A list of choices knows no null. */
const NONE = ''
const MOST_SUGGESTED = 30
const fitting = (words: readonly string[], typed: string) =>
  words
    .filter((each) => each.toLowerCase().includes(typed.trim().toLowerCase()))
    .slice(0, MOST_SUGGESTED)
    .map((value) => ({ value }))
const write = (path: string, value: unknown) => setValueAt(form, path, value)
</script>

<template>
  <section
    v-for="section in sections"
    :key="section.key"
    class="grid grid-cols-[repeat(auto-fill,minmax(240px,1fr))] gap-y-10px gap-x-20px items-end mb-20px"
  >
    <h2 v-if="section.title" class="col-span-full line-b-rule-strong">
      {{ section.title }}
      <ElButton v-if="section.optional" link type="primary" @click="$emit('toggle', section.key)">{{
        section.optional.words[section.optional.isThere ? 0 : 1]
      }}</ElButton>
    </h2>
    <slot :name="`${section.key}-before`" />
    <template v-for="field in section.fields" :key="field.path">
      <FigureField
        v-if="field.kind === 'figure'"
        :label="field.words"
        :name="field.path"
        :placeholder="field.placeholder"
        :problem="wrong[field.path]"
        :model-value="figureAt(field.path)"
        @update:model-value="(value) => write(field.path, value)"
      />
      <ElCheckbox
        v-else-if="field.kind === 'tick'"
        class="m-0"
        :name="field.path"
        :model-value="tickAt(field.path)"
        @update:model-value="(value: unknown) => write(field.path, value)"
        >{{ field.words }}</ElCheckbox
      >
      <label v-else class="labelled">
        <span>{{ field.words }}</span>
        <ElSelect
          v-if="field.kind === 'choice'"
          :aria-label="field.words"
          :empty-values="[undefined]"
          :model-value="choiceAt(field.path)"
          @update:model-value="(value: unknown) => write(field.path, value === NONE ? null : value)"
        >
          <ElOption
            v-for="option in field.options"
            :key="String(option.value)"
            :value="option.value ?? NONE"
            :label="option.words"
          />
        </ElSelect>
        <ElDatePicker
          v-else-if="field.kind === 'day'"
          :name="field.path"
          :aria-label="field.words"
          value-format="YYYY-MM-DD"
          :model-value="textAt(field.path)"
          @update:model-value="(value: unknown) => write(field.path, value ?? null)"
        />
        <ElAutocomplete
          v-else-if="field.kind === 'suggest'"
          :name="field.path"
          :aria-label="field.words"
          :fetch-suggestions="
            (typed: string, show: (found: { value: string }[]) => void) => show(fitting(field.suggestions, typed))
          "
          :model-value="textAt(field.path)"
          @update:model-value="(value: unknown) => write(field.path, value)"
        />
        <ElInput
          v-else
          :name="field.path"
          :maxlength="field.most"
          :placeholder="field.placeholder"
          :model-value="textAt(field.path)"
          @update:model-value="(value: string) => write(field.path, value)"
        />
        <i v-if="wrong[field.path]" class="rust not-italic text-13px">{{ wrong[field.path] }}</i>
      </label>
    </template>
    <slot :name="section.key" />
  </section>
</template>

<style scoped>
h2 .el-button {
  margin-left: 12px;
  font: 400 15px var(--sans);
}
</style>
