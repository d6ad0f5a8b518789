<script setup lang="ts">
import type { z } from 'zod'
import { computed, nextTick, provide, ref, shallowReactive, useTemplateRef } from 'vue'
import { fieldProblems } from '../field-problems.ts'
import { schemaFormKey } from './schema-form.ts'

/** A form whose rules are the contract's: nothing is said before somebody tries to send it; then each message stands beside its
 * field, the first wrong field has the focus, and what was typed stays. */
const { schema, value } = defineProps<{
  schema: z.ZodType
  /** What would be sent. */
  value: unknown
  label: string
}>()
const emit = defineEmits<{ send: [] }>()
const form = useTemplateRef('form')
const tried = ref(false)
const problems = computed(() => (tried.value ? fieldProblems(schema, value) : {}))
const shown = shallowReactive(new Set<string>())
/** What no field here shows still has to be said. */
const others = computed(() => Object.entries(problems.value).filter(([path]) => !shown.has(path)))

provide(schemaFormKey, {
  problemOf: (path) => problems.value[path] ?? '',
  shows(path) {
    shown.add(path)
    return () => shown.delete(path)
  },
})

async function send() {
  tried.value = true
  if (Object.keys(problems.value).length === 0) return void emit('send')
  await nextTick()
  form.value?.$el.querySelector('.is-error :is(input, textarea, [tabindex="0"])')?.focus()
}
</script>

<template>
  <ElForm
    ref="form"
    class="schema-form grid grid-cols-[repeat(2,minmax(0,320px))] gap-y-10px gap-x-16px items-start my-14px mx-0 max-[720px]:grid-cols-[minmax(0,1fr)]"
    label-position="top"
    novalidate
    :aria-label="label"
    @submit.prevent="send"
  >
    <slot />
    <p v-for="[path, message] in others" :key="path" class="rust wide" role="alert">{{ message }}</p>
    <slot name="foot" />
  </ElForm>
</template>

<style scoped>
.schema-form :slotted(.wide),
.wide {
  grid-column: 1 / -1;
}

.schema-form :slotted(p.wide) {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
</style>
