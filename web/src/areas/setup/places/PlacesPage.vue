<script setup lang="ts">
import { siteFieldsSchema, sitesSchema, type Site } from '@binoculum/contract'
import { degText, isZoneFar, skies } from '@binoculum/core'
import { computed, ref } from 'vue'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import { fieldProblems } from '../../../shared/field-problems.ts'
import { deviceZone } from '../../../shared/dates.ts'
import ProblemNote from '../../../shared/ProblemNote.vue'
import { saveFile } from '../../../shared/save-file.ts'
import { useSession } from '../../people/session.ts'
import FieldTable from '../fields/FieldTable.vue'
import { choice, choices, day, figure, suggest, text, type FieldSection } from '../fields/model-fields.ts'
import SetupTabs from '../SetupTabs.vue'
import { placesGeoJson } from './places-geojson.ts'

const session = useSession()
const { data, problem, reload } = useLoaded(sitesSchema, '/api/sites')
const { sending, problem: refusal, run } = useSending()
const branches = computed(() => session.current?.memberships.filter(({ role }) => role === 'coordinator') ?? [])
const zones: readonly string[] = Intl.supportedValuesOf('timeZone')

interface Form {
  id: string | null
  version: number | null
  branchId: string
  name: string
  zone: string
  latitudeDeg: number | null
  longitudeDeg: number | null
  heightM: number | null
  needleDeg: number | null
  needleOn: string | null
  sky: Site['sky']
}
const blank = (): Form => ({
  id: null,
  version: null,
  branchId: branches.value[0]?.branchId ?? '',
  name: '',
  zone: deviceZone,
  latitudeDeg: null,
  longitudeDeg: null,
  heightM: null,
  needleDeg: null,
  needleOn: null,
  sky: null,
})
const form = ref<Form | null>(null)
const tried = ref(false)
const wrong = computed(() => (form.value && tried.value ? fieldProblems(siteFieldsSchema, form.value) : {}))

function open(site: Site | null) {
  tried.value = false
  if (!site) return void (form.value = blank())
  const { id, version, branchId, name, zone, latitudeDeg, longitudeDeg, heightM, needleDeg, needleOn, sky } = site
  form.value = { id, version, branchId, name, zone, latitudeDeg, longitudeDeg, heightM, needleDeg, needleOn, sky }
}
async function save() {
  tried.value = true
  const given = form.value
  if (!given || Object.keys(fieldProblems(siteFieldsSchema, given)).length > 0) return
  const { id, ...body } = given
  const went = await run(async () => {
    data.value = id
      ? await api.put(sitesSchema, `/api/sites/${id}`, body)
      : await api.post(sitesSchema, '/api/sites', body)
  })
  if (went) form.value = null
}
async function remove(id: string) {
  const went = await run(async () => void (data.value = await api.delete(sitesSchema, `/api/sites/${id}`)))
  if (went) form.value = null
}
/** What one sees there on a clear night without a Moon, so that anybody can say it. */
const skyWords = {
  dark: 'dark: the Milky Way is plain',
  fair: 'fair: the Milky Way is faint',
  bright: 'bright: no Milky Way',
} as const
const skyChoices = choices<Site['sky']>([
  [null, 'not written down'],
  ...skies.map((sky) => [sky, skyWords[sky]] as const),
])
const sections = computed<readonly FieldSection[]>(() => {
  if (!form.value) return []
  return [
    {
      key: 'place',
      title: '',
      fields: [
        text('name', 'name', 80),
        ...(branches.value.length > 1 && !form.value.id
          ? [choice('branchId', 'branch', choices(branches.value.map((each) => [each.branchId, each.branchName])))]
          : []),
        suggest('zone', 'zone', zones),
        figure('latitudeDeg', 'latitude, °, north +'),
        figure('longitudeDeg', 'longitude, °, east +'),
        figure('heightM', 'height above the sea, m'),
        choice('sky', 'how dark it gets', skyChoices),
        figure('needleDeg', 'needle from true north, °, east +', 'left to the model'),
        ...(form.value.needleDeg === null ? [] : [day('needleOn', 'measured on')]),
      ],
    },
  ]
})
const zoneFar = computed(() => {
  const { longitudeDeg = null, zone = '' } = form.value ?? {}
  const isZone = zones.includes(zone) || zone === 'UTC'
  return isZone && longitudeDeg !== null && isZoneFar(longitudeDeg, zone, new Date().toISOString())
})
const saveMap = () =>
  saveFile('places.geojson', JSON.stringify(placesGeoJson(data.value?.sites ?? []), null, 2), 'application/geo+json')
const side = (deg: number, plus: string, minus: string) => `${Math.abs(deg).toFixed(2)}° ${deg < 0 ? minus : plus}`
function needleWords({ needle }: Site): string {
  if (needle.declinationDeg === null)
    return needle.reason === 'NEAR_MAGNETIC_POLE' ? 'no guide so near the pole' : 'not known; write it in'
  const deg = needle.declinationDeg
  const way = Math.abs(deg) < 0.05 ? 'true' : `${degText(Math.abs(deg))} ${deg > 0 ? 'east' : 'west'}`
  return `${way}, ${needle.source === 'model' ? 'from the world’s model' : 'typed'}`
}
</script>

<template>
  <main class="page">
    <SetupTabs />
    <header class="mb-16px">
      <h1>Places</h1>
      <p class="quiet">Where kits are set up. Latitude, clock, needle and stars follow from the place.</p>
    </header>
    <p v-if="(data?.sites.length ?? 0) > 0"><ElButton link @click="saveMap">All places as GeoJSON</ElButton></p>
    <ProblemNote :problem="problem" @retry="reload" />
    <ProblemNote :problem="refusal" @retry="reload" />
    <p v-if="data && data.sites.length === 0">
      No place yet. Write down the yard, the field or the roof you observe from: a tenth of a degree is enough.
    </p>
    <div v-if="data && data.sites.length > 0" class="mb-16px">
      <div
        class="row grid grid-cols-[minmax(0,1.6fr)_100px_100px_minmax(0,1fr)_minmax(0,1.4fr)_160px] gap-14px items-center py-4px px-0 line-b-rule break-anywhere min-h-28px [border-bottom-color:var(--rule-strong)] max-[720px]:hidden max-[720px]:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-[720px]:gap-y-4px max-[720px]:gap-x-14px max-[720px]:py-8px max-[720px]:px-0"
      >
        <em>place</em><em>latitude</em><em>longitude</em><em>zone</em><em>needle</em><span />
      </div>
      <div
        v-for="site in data.sites"
        :key="site.id"
        class="row grid grid-cols-[minmax(0,1.6fr)_100px_100px_minmax(0,1fr)_minmax(0,1.4fr)_160px] gap-14px items-center min-h-46px py-4px px-0 line-b-rule break-anywhere max-[720px]:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-[720px]:gap-y-4px max-[720px]:gap-x-14px max-[720px]:py-8px max-[720px]:px-0"
      >
        <span
          ><b class="serif block text-19px">{{ site.name }}</b>
          <span class="second"
            >{{ site.branchName }}{{ site.heightM === null ? '' : ` · ${site.heightM} m`
            }}{{ site.sky ? ` · ${site.sky} sky` : '' }}</span
          ></span
        >
        <span>{{ side(site.latitudeDeg, 'N', 'S') }}</span>
        <span>{{ side(site.longitudeDeg, 'E', 'W') }}</span>
        <span>{{ site.zone }}</span>
        <span>{{ needleWords(site) }}</span>
        <span class="last flex gap-14px">
          <RouterLink :to="`/setup/places/${site.id}/landmarks`">landmarks</RouterLink>
          <ElButton v-if="session.may(site.branchId, 'coordinator')" link type="primary" @click="open(site)"
            >change</ElButton
          >
        </span>
      </div>
    </div>
    <ElButton v-if="data && branches.length > 0 && !form" type="primary" @click="open(null)">Another place</ElButton>
    <form v-if="form" class="mt-16px py-16px px-20px line-rule-strong bg-card" novalidate @submit.prevent="save">
      <h2>{{ form.id ? `Change ${form.name}` : 'Another place' }}</h2>
      <FieldTable :form="form" :sections="sections" :wrong="wrong" />
      <p v-if="zoneFar" class="problem" role="status">
        {{ form.zone }} and a longitude of {{ side(form.longitudeDeg ?? 0, 'E', 'W') }} lie far apart. Is the sign or
        the zone wrong? While they disagree, the Bench counts it as day there and asks about the Sun.
      </p>
      <p class="flex flex-wrap mb-10px gap-10px items-center">
        <ElButton type="primary" native-type="submit" :disabled="sending">Keep it</ElButton>
        <ElButton @click="form = null">Leave it</ElButton>
        <ElButton v-if="form.id" link type="primary" @click="remove(form.id)">Take it off the list</ElButton>
      </p>
      <p class="second">
        Left empty, the needle’s declination comes from the World Magnetic Model 2025, good to half a degree until the
        end of 2029. Iron nearby turns a needle more.
      </p>
    </form>
  </main>
</template>

<style scoped>
@media (width <= 720px) {
  .row > :first-child,
  .last {
    grid-column: 1 / -1;
  }
}
</style>
