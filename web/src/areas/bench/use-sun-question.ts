import { sitesSchema, type Site } from '@binoculum/contract'
import { sunQuestion, type SunQuestion } from '@binoculum/core'
import { useIntervalFn, useLocalStorage } from '@vueuse/core'
import { computed, ref, watch, type Ref } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'

const MINUTE_MS = 60_000
/** Shade moves on: an answer that is older, or of another day, is asked for again. Common practice, no source. */
const ANSWER_HOLDS_MS = 2 * 60 * MINUTE_MS

/** What a station keeps of the question of the Sun. */
export interface SunAnswer {
  /** In shade, or the shadow points the same way; null before anybody said. */
  shaded: boolean | null
  /** When that was said: it holds for a while only. */
  saidAtUtc?: string | null
  /** The place the Sun was asked for, and whether a yes was needed there; unknown: it is. */
  sun?: { siteId: string | null; asked: boolean }
}

/** Where the Sun stands, by the server's clock and a place that can be believed, and whether its question stands. */
export function useSunQuestion(
  answer: Ref<SunAnswer>,
  from: {
    readonly branchId: () => string
    readonly siteId?: () => string | null
    readonly clock?: (() => Date) | undefined
    /** Milliseconds that nobody can set; only their difference counts. */
    readonly steadyMs?: () => number
  },
) {
  const { branchId, siteId = () => null, clock = () => new Date(), steadyMs = () => performance.now() } = from
  const { data, problem, reload } = useLoaded(sitesSchema, '/api/sites')
  /** The place that was chosen last, at whichever station. */
  const remembered = useLocalStorage('binoculum site', '')
  const device = ref(clock())
  const steady = ref(steadyMs())
  /** The server's clock when it was heard. From there on the steady clock counts: the device's may be set meanwhile. */
  const heard = ref<{ readonly serverMs: number; readonly steadyMs: number } | null>(null)
  /** By the server's clock, where it was heard. */
  const now = computed(() =>
    heard.value ? new Date(heard.value.serverMs + steady.value - heard.value.steadyMs) : device.value,
  )
  function look() {
    device.value = clock()
    steady.value = steadyMs()
  }
  watch(data, (given) => {
    look()
    heard.value = given?.nowUtc ? { serverMs: Date.parse(given.nowUtc), steadyMs: steady.value } : null
  })
  useIntervalFn(() => {
    look()
    // A clock that was set, or a tablet that slept: the server is asked which.
    if (Math.abs(now.value.getTime() - device.value.getTime()) > MINUTE_MS) void reload()
  }, MINUTE_MS)
  const sites = computed<readonly Site[]>(() => data.value?.sites ?? [])
  const site = computed<Site | null>(
    () =>
      sites.value.find(({ id }) => id === (siteId() ?? remembered.value)) ??
      sites.value.find((each) => each.branchId === branchId()) ??
      sites.value[0] ??
      null,
  )
  /** Clock and places aren't heard yet: until then the answer is *asked*, and nobody is shown a question that falls away. */
  const looking = computed(() => data.value === null && problem.value === null)
  const question = computed<SunQuestion>(() =>
    sunQuestion({
      place: site.value,
      deviceUtc: device.value.toISOString(),
      serverUtc: heard.value === null ? null : now.value.toISOString(),
    }),
  )
  watch(
    [question, site],
    () => (answer.value.sun = { siteId: site.value?.id ?? null, asked: question.value.asked }),
    { immediate: true },
  )
  watch(
    () => answer.value.shaded,
    (said) => (answer.value.saidAtUtc = said === null ? null : device.value.toISOString()),
  )
  watch(
    device,
    () => {
      if (!holds(answer.value, device.value)) answer.value.shaded = null
    },
    { immediate: true },
  )
  return { problem, reload, sites, site, remembered, device, now, looking, question, look }
}

function holds({ shaded, saidAtUtc }: SunAnswer, now: Date): boolean {
  if (shaded === null) return true
  const ageMs = now.getTime() - Date.parse(saidAtUtc ?? '')
  return ageMs >= 0 && ageMs <= ANSWER_HOLDS_MS
}
