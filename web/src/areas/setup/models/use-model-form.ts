import { modelSheetSchema, type ModelSheet } from '@binoculum/contract'
import { computed, ref, watch, type Ref } from 'vue'
import { useRoute } from 'vue-router'
import type { z } from 'zod'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import { fieldProblems } from '../../../shared/field-problems.ts'
import { copy, useKeptForm } from './use-kept-form.ts'

/**
 * A page of a model: read, changed under a hand, held against the contract's schema, kept for all its kits. What isn't kept
 * yet stays on this machine.
 * @param part the page's place under the model's address, and the name of its draft; *card* for the model itself
 * @param schema what is sent: the form beside the model's version
 * @param begin the form as the model fills it
 * @param written what is sent of the form; by default all of it
 */
export function useModelForm<Form extends object>(
  part: string,
  {
    schema,
    begin,
    written = (form) => form,
  }: {
    readonly schema: z.ZodType
    readonly begin: (sheet: ModelSheet) => Form
    readonly written?: (form: Form) => object
  },
) {
  const route = useRoute()
  const id = String(route.params.id)
  const { data: sheet, problem: unreadable, reload } = useLoaded(modelSheetSchema, `/api/models/${id}`)
  const { sending, problem, run } = useSending()
  const form = ref(null) as Ref<Form | null>
  const draft = useKeptForm<Form>(`${part} ${id}`, form)
  const tried = ref(false)
  const kept = ref(false)

  watch(sheet, (given) => given && draft.begin(begin(given), given.version))
  watch(form, () => (kept.value = false), { deep: true })

  const body = computed(() => ({ ...(form.value && written(form.value)), version: sheet.value?.version ?? 0 }))
  const changed = computed(
    () => sheet.value !== null && JSON.stringify(form.value) !== JSON.stringify(begin(sheet.value)),
  )
  /** Nothing is wrong before somebody tried to keep it. */
  const wrong = computed(() => (tried.value ? fieldProblems(schema, body.value) : {}))
  const mayChange = computed(() => sheet.value?.mayChange ?? false)

  async function save() {
    tried.value = true
    const read = schema.safeParse(body.value)
    if (!sheet.value || !form.value || !read.success) return
    const sent = copy(form.value)
    kept.value = await run(async () => {
      const answer = await api.put(
        modelSheetSchema,
        `/api/models/${id}${part === 'card' ? '' : `/${part}`}`,
        read.data,
      )
      draft.keptAs(sent, answer.version)
      sheet.value = answer
    })
  }
  return { id, sheet, form, draft, unreadable, problem, reload, sending, kept, changed, wrong, mayChange, save }
}

export type ModelForm = ReturnType<typeof useModelForm>
