import { sitesSchema, type KitSheet, type Site } from '@binoculum/contract'
import {
  alignmentStars,
  azimuthsApartDeg,
  controllerEntries,
  controllerLines,
  highestOf,
  polarDrift,
  polarErrorForDriftDeg,
  poleStar,
  ringInScope,
  scaleSetting,
  sideOfMount,
  zoneOffsetHours,
  type AlignmentStar,
} from '@binoculum/core'
import { useLocalStorage } from '@vueuse/core'
import { computed, watch, type Ref } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { checkedKitOf, type PlaceDraft } from './check-draft.ts'

const HOUR_MS = 3_600_000
/** A long look, or a line of people at the eyepiece. */
export const LOOKING_MINUTES = 30

/** Tonight at ten on the place's own clock. */
export function tonight(zone: string, nowMs: number): string {
  const local = new Date(nowMs + zoneOffsetHours(zone, nowMs) * HOUR_MS)
  return `${local.toISOString().slice(0, 10)}T22:00`
}

/** What setting a kit for a place and an hour comes to. */
export function usePlace(draft: Ref<PlaceDraft>, kit: () => KitSheet, nowMs = Date.now()) {
  const { data, problem, reload } = useLoaded(sitesSchema, '/api/sites')
  const remembered = useLocalStorage('binoculum site', '')
  const sites = computed<readonly Site[]>(() => data.value?.sites ?? [])
  const site = computed<Site | null>(
    () =>
      sites.value.find(({ id }) => id === (draft.value.siteId ?? remembered.value)) ??
      sites.value.find(({ branchId }) => branchId === kit().branchId) ??
      sites.value[0] ??
      null,
  )
  const local = computed(() => draft.value.local ?? (site.value ? tonight(site.value.zone, nowMs) : ''))
  watch(site, (now) => (draft.value.latitudeDeg = now?.latitudeDeg ?? null), { immediate: true })

  const entries = computed(() => {
    if (!site.value || local.value === '') return null
    const { zone, latitudeDeg, longitudeDeg } = site.value
    const occurrence = draft.value.occurrence ?? undefined
    return controllerEntries({ zone, local: local.value, latitudeDeg, longitudeDeg, occurrence })
  })
  const atUtc = computed(() => (entries.value && 'atUtc' in entries.value ? entries.value.atUtc : null))
  const moment = computed(() =>
    site.value && atUtc.value
      ? { latitudeDeg: site.value.latitudeDeg, longitudeDeg: site.value.longitudeDeg, atUtc: atUtc.value }
      : null,
  )
  const head = computed(() => kit().mount?.equatorial ?? null)
  const setting = computed(() =>
    site.value && head.value ? scaleSetting(site.value.latitudeDeg, head.value.latitudeScale) : null,
  )
  const pole = computed(() => moment.value && poleStar(moment.value))
  const scope = computed(() => head.value?.sightingScope ?? 'none')
  const ringSeen = computed(() =>
    pole.value && scope.value !== 'none' ? ringInScope(pole.value.ringClock, scope.value) : null,
  )
  /** How far off the axis may be for a star in the middle of the lowest power's field to stay in it. */
  const byEyeDeg = computed(() =>
    polarErrorForDriftDeg({ driftArcmin: checkedKitOf(kit()).lowestFieldDeg * 30, minutes: LOOKING_MINUTES }),
  )
  const driftPerDegree = polarDrift({ errorDeg: 1 }).maxDeclinationDriftArcminPerHour
  const lines = computed(() => {
    const controller = kit().mount?.controller
    return controller && entries.value && 'date' in entries.value
      ? controllerLines(entries.value, controller, site.value?.heightM ?? null, site.value)
      : []
  })
  const stars = computed(() =>
    moment.value && kit().mount?.controller
      ? alignmentStars({ ...moment.value, highestDeg: highestOf(kit()) })
      : null,
  )
  /** The pair as it is, with stand-ins for what was said to be hidden. */
  const pair = computed<readonly AlignmentStar[]>(() => {
    const found = stars.value
    if (!found) return []
    return found.stars.map((star) => {
      if (!draft.value.hidden.includes(star.name)) return star
      return found.standIns.find(({ hidden }) => hidden === star.name)?.star ?? star
    })
  })
  const apartDeg = computed(() => {
    const [first, second] = pair.value
    return first && second ? azimuthsApartDeg(first, second) : null
  })
  const sides = computed(() =>
    site.value
      ? pair.value.map((star) => ({
          star,
          ...sideOfMount({ latitudeDeg: site.value?.latitudeDeg ?? 0, hourAngleHours: star.hourAngleHours }),
        }))
      : [],
  )
  function choose(siteId: string) {
    draft.value.siteId = siteId
    remembered.value = siteId
  }
  return {
    sites,
    problem,
    reload,
    site,
    local,
    entries,
    moment,
    head,
    setting,
    pole,
    scope,
    ringSeen,
    driftPerDegree,
    byEyeDeg,
    lines,
    stars,
    pair,
    apartDeg,
    sides,
    choose,
  }
}
