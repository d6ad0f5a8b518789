import { openCaseSchema, type CasePlace, type OpenCase } from '@binoculum/contract'
import { caseRefusalWords, LEAST_REFERENCES, type PointXY } from '@binoculum/core'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import { keepCaseView } from '../../../shared/open-case/keep-case-view.ts'
import { useCaseWork } from '../../../shared/open-case/use-case-work.ts'
import { closedOutline, closes, drawnOutline, nextLine, snapped } from './places-drawn.ts'

/** A kit's open case in Set-up: its size, its pictures when complete, and what lies where. */
export function useOpenCaseSetup(code: string) {
  const { data, problem, reload } = useLoaded(openCaseSchema, `/api/kits/${encodeURIComponent(code)}/open-case`)
  const { sending, problem: refused, run } = useSending()
  const work = useCaseWork()
  const width = ref<number | null>(null)
  const height = ref<number | null>(null)
  const places = ref<CasePlace[]>([])
  const chosenId = ref<string | null>(null)
  const changed = ref(false)
  const straight = ref<string | null>(null)

  const caseMm = computed(() =>
    width.value && height.value && width.value >= 100 && height.value >= 100
      ? { width: width.value, height: height.value }
      : null,
  )
  const whole = computed(() => data.value?.references.filter(({ referenceFor }) => referenceFor === null) ?? [])
  const stillWanted = computed(() => Math.max(0, LEAST_REFERENCES - whole.value.length))

  function take(given: OpenCase): void {
    data.value = given
    if (changed.value) return
    width.value = given.caseMm?.width ?? width.value
    height.value = given.caseMm?.height ?? height.value
    places.value = given.places
  }
  watch(data, (given) => given && take(given))

  const release = () => straight.value && URL.revokeObjectURL(straight.value)
  onScopeDispose(release)
  /** The newest whole picture, straightened, is what is drawn on. */
  watch([() => whole.value[0]?.pictureId, caseMm], async ([pictureId, size]) => {
    if (!pictureId || !size) return
    const file = await (await fetch(`/api/pictures/${pictureId}`)).blob()
    const prepared = await work.prepare(file, size)
    release()
    straight.value = prepared?.straight ? URL.createObjectURL(prepared.straight) : null
  })

  function change(next: readonly CasePlace[]): void {
    places.value = [...next]
    changed.value = true
  }
  function draw(from: PointXY, to: PointXY): void {
    const size = caseMm.value
    if (size) put(drawnOutline(from, to, { caseMm: size, places: places.value }))
  }
  /** Corners of an outline that isn't closed yet. */
  const corners = ref<readonly PointXY[]>([])
  function addCorner(at: PointXY): void {
    const size = caseMm.value
    if (!size) return
    if (closes(corners.value, at)) return closeOutline()
    corners.value = [...corners.value, snapped(at, { caseMm: size, places: places.value })]
  }
  function closeOutline(): void {
    put(closedOutline(corners.value))
    corners.value = []
  }
  function put(outlineMm: PointXY[] | null): void {
    const given = data.value
    if (!given || !outlineMm) return
    const place = { id: crypto.randomUUID(), partId: nextLine(given.parts, places.value), outlineMm }
    change([...places.value, place])
    chosenId.value = place.id
  }
  const tie = (id: string, partId: string | null) =>
    change(places.value.map((place) => (place.id === id ? { ...place, partId } : place)))
  const takeOff = (id: string) => change(places.value.filter((place) => place.id !== id))

  const save = () =>
    run(async () => {
      const given = data.value
      const size = caseMm.value
      if (!given || !size) return
      const kept = await api.put(openCaseSchema, `/api/kits/${given.kitId}/case-drawing`, {
        ...{ version: given.version, caseMm: size, places: places.value },
      })
      changed.value = false
      take(kept)
    })

  /** One picture of the complete case: it is kept only where others can be compared with it. */
  async function add(file: File): Promise<void> {
    const given = data.value
    const size = caseMm.value
    if (!given || !size) return
    await run(async () => {
      const prepared = await work.prepare(file, size)
      if (!prepared) return
      if (prepared.refused) {
        work.problem.value = caseRefusalWords[prepared.refused]
        return
      }
      const { openCase } = await keepCaseView(given, prepared, { referenceFor: null, loanId: null, compared: null })
      take(openCase)
    })
  }
  const forget = (viewId: string) =>
    run(async () => {
      const given = data.value
      if (given) take(await api.delete(openCaseSchema, `/api/kits/${given.kitId}/case-views/${viewId}`))
    })

  return {
    ...{ data, problem, reload, sending, refused, pictureProblem: work.problem },
    ...{ width, height, caseMm, places, chosenId, changed, straight, whole, stillWanted },
    ...{ draw, corners, addCorner, closeOutline, tie, takeOff, save, add, forget },
  }
}
