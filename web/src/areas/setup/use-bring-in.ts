import {
  importLineSchema,
  listPreviewSchema,
  type ConfirmList,
  type ImportResult,
  type ListPreview,
} from '@binoculum/contract'
import { type Family, type ListField } from '@binoculum/core'
import { computed, ref, shallowRef } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'

export interface KitChoice {
  readonly code: string
  chosen: boolean
  name: string
  family: Family
  apertureMm: number | null
  focalLengthMm: number | null
  /** The family is still as the list seemed to mean it: nobody looked. */
  familyGuessed: boolean
}

const CHUNK_BYTES = 0x8000

async function asBase64(file: File): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer())
  let binary = ''
  for (let start = 0; start < bytes.length; start += CHUNK_BYTES)
    binary += String.fromCharCode(...bytes.subarray(start, start + CHUNK_BYTES))
  return btoa(binary)
}

/** A list on its way in: read, asked about, decided, and written kit by kit. Nothing is written before the last step. */
export function useBringIn(branchId: () => string) {
  const { sending, problem, run } = useSending()
  const file = ref<{ fileName: string; contentBase64: string } | null>(null)
  const preview = shallowRef<ListPreview | null>(null)
  const columns = ref<ListPreview['columns'] | null>(null)
  const decisions = ref<Record<string, string>>({})
  const choices = ref<KitChoice[]>([])
  const leaveOut = ref(false)
  const openCells = ref(true)
  const progress = ref<{ done: number; total: number } | null>(null)
  const result = ref<ImportResult | null>(null)

  const kitOf = (code: string) => preview.value?.kits.find((kit) => kit.code === code)
  const ready = computed(() => choices.value.filter(({ chosen }) => chosen))
  const isNew = (code: string) => kitOf(code)?.state === 'new'
  /** Problems that keep whole rows out; cells alone stay open. */
  const badRows = computed(
    () =>
      preview.value?.problems.filter(({ field }) => !openCells.value || field === 'kitCode' || field === 'part') ??
      [],
  )
  const undecided = computed(() => preview.value?.questions.filter(({ key }) => !(key in decisions.value)) ?? [])
  const incomplete = computed(() =>
    ready.value.filter(
      ({ code, name, apertureMm, focalLengthMm }) =>
        isNew(code) && (!apertureMm || !focalLengthMm || name.trim() === ''),
    ),
  )
  const complete = computed(
    () =>
      ready.value.length > 0 &&
      undecided.value.length === 0 &&
      incomplete.value.length === 0 &&
      (badRows.value.length === 0 || leaveOut.value),
  )

  async function read(chosen: File): Promise<void> {
    file.value = { fileName: chosen.name, contentBase64: await asBase64(chosen) }
    columns.value = null
    decisions.value = {}
    result.value = null
    choices.value = []
    await look()
  }

  async function look(): Promise<void> {
    const sent = file.value
    if (!sent) return
    await run(async () => {
      const answer = await api.post(listPreviewSchema, '/api/lists/preview', {
        ...sent,
        branchId: branchId(),
        decisions: decisions.value,
        openCells: openCells.value,
        ...(columns.value ? { columns: columns.value } : {}),
      })
      preview.value = answer
      // What was typed into a kit's fields stays when the list is looked at again.
      const before = new Map(choices.value.map((choice) => [choice.code, choice]))
      choices.value = answer.kits.map(
        (kit) =>
          before.get(kit.code) ?? {
            code: kit.code,
            chosen: kit.state === 'new' || kit.state === 'changes',
            name: kit.name,
            family: kit.proposedFamily,
            apertureMm: kit.proposedTube?.apertureMm ?? null,
            focalLengthMm: kit.proposedTube?.focalLengthMm ?? null,
            familyGuessed: true,
          },
      )
    })
    if (problem.value && !preview.value) file.value = null
  }

  async function decide(key: string, answer: string): Promise<void> {
    decisions.value = { ...decisions.value, [key]: answer }
    await look()
  }

  /** A column holds one field, and a field stands in one column. */
  async function setColumn(index: number, field: string): Promise<void> {
    const next = { ...(preview.value?.columns ?? {}) } as Record<ListField, number | null>
    for (const name of Object.keys(next) as ListField[]) if (next[name] === index) next[name] = null
    if (field !== '') next[field as ListField] = index
    columns.value = next
    await look()
  }

  async function bringIn(): Promise<void> {
    const sent = file.value
    if (!sent || !complete.value) return
    await run(async () => {
      const body: ConfirmList = {
        ...sent,
        branchId: branchId(),
        decisions: decisions.value,
        openCells: openCells.value,
        leaveOutProblemRows: leaveOut.value,
        ...(columns.value ? { columns: columns.value } : {}),
        kits: ready.value.map(({ code, name, family, familyGuessed, apertureMm, focalLengthMm }) => ({
          code,
          name: name.trim() || code,
          family,
          guessed: familyGuessed ? ['family' as const] : [],
          apertureMm: apertureMm || 1,
          focalLengthMm: focalLengthMm || 1,
        })),
      }
      progress.value = { done: 0, total: body.kits.length }
      for await (const line of api.lines(importLineSchema, '/api/lists/confirm', body))
        if (line.kind === 'progress') progress.value = line
        else result.value = line
    })
    progress.value = null
  }

  function startOver(): void {
    file.value = null
    preview.value = null
    result.value = null
    choices.value = []
    problem.value = null
  }

  return {
    sending,
    problem,
    file,
    preview,
    decisions,
    choices,
    leaveOut,
    openCells,
    progress,
    result,
    kitOf,
    isNew,
    ready,
    badRows,
    undecided,
    incomplete,
    complete,
    read,
    look,
    decide,
    setColumn,
    bringIn,
    startOver,
  }
}
