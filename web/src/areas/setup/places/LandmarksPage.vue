<script setup lang="ts">
import { landmarkFieldsSchema, landmarksSchema, madeSchema, sitesSchema, type Landmark } from '@binoculum/contract'
import { dayStrip, distanceAndBearing, pacedM, sunDay, type LandmarkSource } from '@binoculum/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import { fieldProblems } from '../../../shared/field-problems.ts'
import FileButton from '../../../shared/controls/FileButton.vue'
import ProblemNote from '../../../shared/ProblemNote.vue'
import SunStrip from '../../../shared/drawings/SunStrip.vue'
import { useSession } from '../../people/session.ts'
import FieldTable from '../fields/FieldTable.vue'
import { choice, choices, figure, text, type FieldSection } from '../fields/model-fields.ts'
import SetupTabs from '../SetupTabs.vue'

/** What stands still and far away about a place, and when the Sun allows it. */
const route = useRoute()
const siteId = String(route.params.id)
const path = `/api/sites/${siteId}/landmarks`
const session = useSession()
const { data: places, problem: unreadable } = useLoaded(sitesSchema, '/api/sites')
const { data, problem, reload } = useLoaded(landmarksSchema, path)
const { sending, problem: refusal, run } = useSending()
const site = computed(() => places.value?.sites.find(({ id }) => id === siteId) ?? null)
const mayChange = computed(() => site.value !== null && session.may(site.value.branchId, 'coordinator'))
const now = new Date()
const day = computed(() => {
  if (!site.value) return null
  const { latitudeDeg, longitudeDeg, zone } = site.value
  return sunDay({ latitudeDeg, longitudeDeg, zone, atUtc: now.toISOString() })
})
const rows = computed(() =>
  (data.value?.landmarks ?? []).map((landmark) => ({
    landmark,
    target: { azimuthDeg: landmark.bearingDeg % 360, altitudeDeg: landmark.heightDeg },
    strip: day.value
      ? dayStrip(day.value, { azimuthDeg: landmark.bearingDeg % 360, altitudeDeg: landmark.heightDeg })
      : [],
  })),
)

type Form = { [K in keyof Omit<Landmark, 'siteId'>]: Landmark[K] | null } & {
  paces: number | null
  paceM: number | null
}
const blank = (): Form => ({
  id: null,
  version: null,
  name: '',
  what: '',
  distanceM: null,
  bearingDeg: null,
  heightDeg: 0,
  source: 'typed',
  latitudeDeg: null,
  longitudeDeg: null,
  pictureId: null,
  paces: null,
  paceM: 0.75,
})
const form = ref<Form | null>(null)
const tried = ref(false)
const reckoning = ref('')
const wrong = computed<Record<string, string>>(() =>
  form.value && tried.value ? fieldProblems(landmarkFieldsSchema, form.value) : {},
)
function open(landmark: Landmark | null) {
  tried.value = false
  reckoning.value = ''
  form.value = landmark ? { ...blank(), ...landmark } : blank()
}
const sources = choices<LandmarkSource>([
  ['typed', 'from a map, typed'],
  ['coordinates', 'from its coordinates'],
  ['paced', 'paced out'],
  ['phone', 'a phone’s range'],
])
/** What paces or coordinates come to is written into the fields, to be seen and changed. */
function reckon() {
  const given = form.value
  if (!given || !site.value) return
  reckoning.value = ''
  try {
    if (given.source === 'paced' && given.paces !== null && given.paceM !== null)
      given.distanceM = pacedM(given.paces, given.paceM)
    if (given.source === 'coordinates' && given.latitudeDeg !== null && given.longitudeDeg !== null) {
      const { latitudeDeg, longitudeDeg } = given
      const seen = distanceAndBearing(site.value, { latitudeDeg, longitudeDeg })
      given.distanceM = Math.round(seen.distanceM * 10) / 10
      given.bearingDeg = Math.round(seen.bearingDeg * 10) / 10
    }
  } catch (error) {
    reckoning.value = error instanceof RangeError ? error.message : String(error)
  }
}
watch(() => {
  const { source, paces, paceM, latitudeDeg, longitudeDeg } = form.value ?? {}
  return [source, paces, paceM, latitudeDeg, longitudeDeg]
}, reckon)
async function save() {
  tried.value = true
  const given = form.value
  if (!given) return
  const read = landmarkFieldsSchema.safeParse(given)
  if (!read.success) return
  const body = { ...read.data, version: given.version }
  const went = await run(async () => {
    data.value = given.id
      ? await api.put(landmarksSchema, `${path}/${given.id}`, body)
      : await api.post(landmarksSchema, path, body)
  })
  if (went) form.value = null
}
async function remove(id: string) {
  const went = await run(async () => void (data.value = await api.delete(landmarksSchema, `${path}/${id}`)))
  if (went) form.value = null
}
async function takePicture(file: File) {
  const [given, where] = [form.value, site.value]
  if (!given || !where) return
  await run(async () => {
    given.pictureId = (await api.upload(madeSchema, `/api/pictures?branchId=${where.branchId}`, file)).id
  })
}
const fileProblem = ref('')
async function bringIn(file: File) {
  fileProblem.value = ''
  try {
    const read: unknown = JSON.parse(await file.text())
    await run(async () => void (data.value = await api.post(landmarksSchema, `${path}.geojson`, read)))
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
    fileProblem.value = `${file.name} is no GeoJSON: it can’t be read as JSON. Nothing was changed.`
  }
}
const far = (m: number) => (m >= 1000 ? `${(m / 1000).toFixed(1)} km` : `${Math.round(m)} m`)
const sections = computed<readonly FieldSection[]>(() => [
  {
    key: 'landmark',
    title: '',
    fields: [
      text('name', 'name', 80),
      { ...text('what', 'what it is', 80), placeholder: 'chimney, mast, tree top' },
      choice('source', 'how its distance is known', sources),
      ...(form.value?.source === 'paced' ? [figure('paces', 'paces'), figure('paceM', 'one pace, m')] : []),
      ...(form.value?.source === 'coordinates'
        ? [figure('latitudeDeg', 'its latitude, °'), figure('longitudeDeg', 'its longitude, °')]
        : []),
      figure('distanceM', 'how far, m'),
      figure('bearingDeg', 'direction, ° from true north through east'),
      figure('heightDeg', 'how high above level, °'),
    ],
  },
])
</script>

<template>
  <main class="page">
    <SetupTabs />
    <ProblemNote :problem="unreadable" />
    <ProblemNote :problem="problem" @retry="reload" />
    <header v-if="site">
      <h1>Landmarks of {{ site.name }}</h1>
      <p class="quiet">
        The farther the better. Hatched hours are never: the Sun then stands nearer than 45°. No margin under 20° can
        be set, here or anywhere.
      </p>
    </header>
    <p v-if="data && rows.length === 0">
      <strong>No landmark yet.</strong> A mast, a chimney, a tree top on a hill: what stands still, a few hundred
      metres away or more. Nearer than 5 m a sheet of two marks does better.
    </p>
    <div v-if="rows.length > 0" class="rows">
      <div
        v-for="{ landmark, strip, target } in rows"
        :key="landmark.id"
        class="row grid grid-cols-[minmax(0,300px)_minmax(0,1fr)_64px_70px] gap-16px items-center py-6px px-0 line-b-rule max-[900px]:grid-cols-[minmax(0,1fr)_70px]"
      >
        <p class="overflow-hidden min-w-0 text-ellipsis">
          <b class="serif text-19px whitespace-nowrap" :title="landmark.name">{{ landmark.name }}</b><br /><span
            class="second"
            >{{ landmark.what }} · {{ far(landmark.distanceM) }} at {{ Math.round(landmark.bearingDeg) }}°,
            {{ landmark.heightDeg.toFixed(0) }}° high</span
          >
        </p>
        <SunStrip
          v-if="day && site"
          :day="day"
          :strip="strip"
          :target="target"
          :name="landmark.name"
          :zone="site.zone"
          :now="now"
          :tall="false"
        />
        <a v-if="landmark.pictureId" :href="`/api/pictures/${landmark.pictureId}`" target="_blank" rel="noopener"
          ><img
            :src="`/api/pictures/${landmark.pictureId}`"
            :alt="`Picture of ${landmark.name}`"
            width="60"
            height="44"
        /></a>
        <span v-else />
        <ElButton v-if="mayChange" link type="primary" @click="open(landmark)">change</ElButton>
      </div>
    </div>
    <p v-if="data && !form" class="flex flex-wrap gap-10px items-center mt-14px">
      <ElButton v-if="mayChange" type="primary" @click="open(null)">Another landmark</ElButton>
      <a class="button" :href="`${path}.geojson`">Download (GeoJSON)</a>
      <FileButton
        v-if="mayChange"
        accept=".geojson,.json,application/geo+json"
        name="geojson"
        :disabled="sending"
        @take="bringIn"
        >Bring some in (GeoJSON)</FileButton
      >
    </p>
    <p v-if="fileProblem" class="problem" role="alert">{{ fileProblem }}</p>
    <ProblemNote :problem="refusal" @retry="reload" />
    <form v-if="form" class="mt-16px py-16px px-20px line-rule-strong bg-card" novalidate @submit.prevent="save">
      <h2>{{ form.id ? `Change ${form.name}` : 'Another landmark' }}</h2>
      <FieldTable :form="form" :sections="sections" :wrong="wrong" />
      <FileButton accept="image/*" name="picture" camera @take="takePicture">{{
        form.pictureId ? 'Another picture …' : 'A picture …'
      }}</FileButton>
      <p v-if="reckoning" class="problem" role="alert">{{ reckoning }}</p>
      <p class="flex flex-wrap gap-10px items-center mt-14px">
        <ElButton type="primary" native-type="submit" :disabled="sending">Keep it</ElButton>
        <ElButton @click="form = null">Leave it</ElButton>
        <ElButton v-if="form.id" link type="primary" @click="remove(form.id)">Take it off the list</ElButton>
      </p>
      <p class="second">
        A compass shows magnetic north: take the needle’s declination into account. Whoever uses a landmark is asked
        for their own shadow first: a typed bearing can be wrong.
      </p>
    </form>
  </main>
</template>
