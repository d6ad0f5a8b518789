import type { Part } from '@binoculum/contract'
import {
  practiceCase,
  roleFacts,
  scorePractice,
  type Mark,
  type PracticeCase,
  type PracticePart,
  type PracticeScore,
} from '@binoculum/core'
import { useIntervalFn, useLocalStorage } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'

export interface Try {
  readonly atUtc: string
  readonly points: number
  readonly seconds: number
  readonly found: number
  readonly of: number
}

const KEPT_TRIES = 20

/** A practice part as the contents card shows parts; nothing of it is kept. */
const asPart = (part: PracticePart, position: number): Part => {
  const { criticality, lookEveryTime = false } = roleFacts(part.role)
  return {
    ...part,
    position,
    criticality,
    lookEveryTime,
    presentCount: part.count,
    massG: null,
    toleranceG: null,
    weighGroup: '',
    weighed: false,
    mark: 'unseen',
    seenAtUtc: null,
    together: '',
    note: '',
    knownWear: '',
    wrongItem: '',
    pictureIds: [],
    consumable: null,
    modelPartId: null,
    costMinor: null,
    optics: {},
  }
}

/** One try at a case: marks, the clock, the score, and the tries before on this machine. */
export function usePractice() {
  const given = shallowRef<PracticeCase>(practiceCase(Date.now()))
  const marks = ref(new Map<string, Mark>())
  const at = ref(0)
  const began = ref<number | null>(null)
  const seconds = ref(0)
  const score = shallowRef<PracticeScore | null>(null)
  const undoable = ref<{ id: string; mark: Mark | undefined; at: number }[]>([])
  const tries = useLocalStorage<Try[]>('binoculum practice', [])

  const parts = computed(() => given.value.parts.map(asPart))
  const current = computed(() => given.value.parts[at.value] ?? null)
  const looked = computed(() => given.value.parts.filter(({ id }) => marks.value.has(id)).length)
  function tick(): void {
    if (began.value !== null && !score.value) seconds.value = (Date.now() - began.value) / 1000
  }
  useIntervalFn(tick, 250)

  function mark(to: Mark): void {
    const part = current.value
    if (!part || score.value) return
    began.value ??= Date.now()
    undoable.value.push({ id: part.id, mark: marks.value.get(part.id), at: at.value })
    marks.value = new Map(marks.value).set(part.id, to)
    at.value = Math.min(at.value + 1, given.value.parts.length - 1)
  }

  function undo(): void {
    const last = undoable.value.pop()
    if (!last || score.value) return
    const next = new Map(marks.value)
    if (last.mark) next.set(last.id, last.mark)
    else next.delete(last.id)
    marks.value = next
    at.value = last.at
  }

  function move(step: number): void {
    began.value ??= Date.now()
    at.value = Math.min(Math.max(at.value + step, 0), given.value.parts.length - 1)
  }

  function goTo(id: string): void {
    const index = given.value.parts.findIndex((part) => part.id === id)
    if (index >= 0) move(index - at.value)
  }

  function finish(): void {
    if (score.value || looked.value === 0) return
    tick()
    const result = scorePractice(given.value, marks.value, Math.round(seconds.value))
    score.value = result
    const found = result.faults.filter((fault) => fault.result === 'found').length
    const own = {
      atUtc: new Date().toISOString(),
      points: result.points,
      seconds: result.seconds,
      found,
      of: result.faults.length,
    }
    tries.value = [own, ...tries.value].slice(0, KEPT_TRIES)
  }

  function another(): void {
    given.value = practiceCase(Date.now())
    marks.value = new Map()
    at.value = 0
    began.value = null
    seconds.value = 0
    score.value = null
    undoable.value = []
  }

  return {
    given,
    parts,
    marks,
    at,
    current,
    looked,
    seconds,
    score,
    tries,
    undoable,
    mark,
    undo,
    move,
    goTo,
    finish,
    another,
  }
}
