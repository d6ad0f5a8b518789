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
import { setupWords } from '../words.ts'

const t = setupWords('landmarksPage')

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
  ['typed', t('fromAMapTyped')],
  ['coordinates', t('fromItsCoordinates')],
  ['paced', t('pacedOut')],
  ['phone', t('aPhonesRange')],
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
    fileProblem.value = t('isNoGeojsonItCant', { name: file.name })
  }
}
const far = (m: number) => (m >= 1000 ? `${(m / 1000).toFixed(1)} km` : `${Math.round(m)} m`)
const sections = computed<readonly FieldSection[]>(() => [
  {
    key: 'landmark',
    title: '',
    fields: [
      text('name', t('name'), 80),
      { ...text('what', t('whatItIs'), 80), placeholder: t('chimneyMastTreeTop') },
      choice('source', t('howItsDistanceIsKnown'), sources),
      ...(form.value?.source === 'paced' ? [figure('paces', t('paces')), figure('paceM', t('onePaceM'))] : []),
      ...(form.value?.source === 'coordinates'
        ? [figure('latitudeDeg', t('itsLatitude')), figure('longitudeDeg', t('itsLongitude'))]
        : []),
      figure('distanceM', t('howFarM')),
      figure('bearingDeg', t('directionFromTrueNorthThrough')),
      figure('heightDeg', t('howHighAboveLevel')),
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
      <h1>{{ t('landmarksOf', { name: site.name }) }}</h1>
      <p class="quiet">
        {{ t('theFartherTheBetterHatched') }}
      </p>
    </header>
    <p v-if="data && rows.length === 0">
      <strong>{{ t('noLandmarkYet') }}</strong> {{ t('aMastAChimneyA') }}
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
            >{{
              t('atHigh', {
                what: landmark.what,
                distanceM: far(landmark.distanceM),
                bearingDeg: Math.round(landmark.bearingDeg),
                heightDeg: landmark.heightDeg.toFixed(0),
              })
            }}</span
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
            :alt="t('pictureOf', { name: landmark.name })"
            width="60"
            height="44"
        /></a>
        <span v-else />
        <ElButton v-if="mayChange" link type="primary" @click="open(landmark)">{{ t('change') }}</ElButton>
      </div>
    </div>
    <p v-if="data && !form" class="flex flex-wrap gap-10px items-center mt-14px">
      <ElButton v-if="mayChange" type="primary" @click="open(null)">{{ t('anotherLandmark') }}</ElButton>
      <a class="button" :href="`${path}.geojson`">{{ t('downloadGeojson') }}</a>
      <FileButton
        v-if="mayChange"
        accept=".geojson,.json,application/geo+json"
        name="geojson"
        :disabled="sending"
        @take="bringIn"
        >{{ t('bringSomeInGeojson') }}</FileButton
      >
    </p>
    <p v-if="fileProblem" class="problem" role="alert">{{ fileProblem }}</p>
    <ProblemNote :problem="refusal" @retry="reload" />
    <form v-if="form" class="mt-16px py-16px px-20px line-rule-strong bg-card" novalidate @submit.prevent="save">
      <h2>{{ form.id ? t('changeName', { name: form.name }) : t('anotherLandmark') }}</h2>
      <FieldTable :form="form" :sections="sections" :wrong="wrong" />
      <FileButton accept="image/*" name="picture" camera @take="takePicture">{{
        form.pictureId ? t('anotherPicture') : t('aPicture')
      }}</FileButton>
      <p v-if="reckoning" class="problem" role="alert">{{ reckoning }}</p>
      <p class="flex flex-wrap gap-10px items-center mt-14px">
        <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('keepIt') }}</ElButton>
        <ElButton @click="form = null">{{ t('leaveIt') }}</ElButton>
        <ElButton v-if="form.id" link type="primary" @click="remove(form.id)">{{ t('takeItOffTheList') }}</ElButton>
      </p>
      <p class="second">
        {{ t('aCompassShowsMagneticNorth') }}
      </p>
    </form>
  </main>
</template>
