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
import { setupWords } from '../words.ts'

const t = setupWords('placesPage')

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
  dark: t('darkTheMilkyWayIs'),
  fair: t('fairTheMilkyWayIs'),
  bright: t('brightNoMilkyWay'),
} as const
const skyChoices = choices<Site['sky']>([
  [null, t('notWrittenDown')],
  ...skies.map((sky) => [sky, skyWords[sky]] as const),
])
const sections = computed<readonly FieldSection[]>(() => {
  if (!form.value) return []
  return [
    {
      key: 'place',
      title: '',
      fields: [
        text('name', t('name'), 80),
        ...(branches.value.length > 1 && !form.value.id
          ? [choice('branchId', t('branch'), choices(branches.value.map((each) => [each.branchId, each.branchName])))]
          : []),
        suggest('zone', t('zone'), zones),
        figure('latitudeDeg', t('latitudeNorth')),
        figure('longitudeDeg', t('longitudeEast')),
        figure('heightM', t('heightAboveTheSeaM')),
        choice('sky', t('howDarkItGets'), skyChoices),
        figure('needleDeg', t('needleFromTrueNorthEast'), t('leftToTheModel')),
        ...(form.value.needleDeg === null ? [] : [day('needleOn', t('measuredOn'))]),
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
    return needle.reason === 'NEAR_MAGNETIC_POLE' ? t('noGuideSoNearThe') : t('notKnownWriteItIn')
  const deg = needle.declinationDeg
  const way = Math.abs(deg) < 0.05 ? t('true') : `${degText(Math.abs(deg))} ${deg > 0 ? t('east') : t('west')}`
  return `${way}, ${needle.source === 'model' ? t('fromTheWorldsModel') : t('typed')}`
}
</script>

<template>
  <main class="page">
    <SetupTabs />
    <header class="mb-16px">
      <h1>{{ t('places') }}</h1>
      <p class="quiet">{{ t('whereKitsAreSetUp') }}</p>
    </header>
    <p v-if="(data?.sites.length ?? 0) > 0">
      <ElButton link @click="saveMap">{{ t('allPlacesAsGeojson') }}</ElButton>
    </p>
    <ProblemNote :problem="problem" @retry="reload" />
    <ProblemNote :problem="refusal" @retry="reload" />
    <p v-if="data && data.sites.length === 0">
      {{ t('noPlaceYetWriteDown') }}
    </p>
    <div v-if="data && data.sites.length > 0" class="mb-16px">
      <div
        class="row grid grid-cols-[minmax(0,1.6fr)_100px_100px_minmax(0,1fr)_minmax(0,1.4fr)_160px] gap-14px items-center py-4px px-0 line-b-rule break-anywhere min-h-28px [border-bottom-color:var(--rule-strong)] max-[720px]:hidden max-[720px]:grid-cols-[minmax(0,1fr)_minmax(0,1fr)] max-[720px]:gap-y-4px max-[720px]:gap-x-14px max-[720px]:py-8px max-[720px]:px-0"
      >
        <em>{{ t('place') }}</em><em>{{ t('latitude') }}</em
        ><em>{{ t('longitude') }}</em
        ><em>{{ t('zone') }}</em
        ><em>{{ t('needle') }}</em
        ><span />
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
            }}{{ site.sky ? t('skySky', { sky: site.sky }) : '' }}</span
          ></span
        >
        <span>{{ side(site.latitudeDeg, 'N', 'S') }}</span>
        <span>{{ side(site.longitudeDeg, 'E', 'W') }}</span>
        <span>{{ site.zone }}</span>
        <span>{{ needleWords(site) }}</span>
        <span class="last flex gap-14px">
          <RouterLink :to="`/setup/places/${site.id}/landmarks`">{{ t('landmarks') }}</RouterLink>
          <ElButton v-if="session.may(site.branchId, 'coordinator')" link type="primary" @click="open(site)">{{
            t('change')
          }}</ElButton>
        </span>
      </div>
    </div>
    <ElButton v-if="data && branches.length > 0 && !form" type="primary" @click="open(null)">{{
      t('anotherPlace')
    }}</ElButton>
    <form v-if="form" class="mt-16px py-16px px-20px line-rule-strong bg-card" novalidate @submit.prevent="save">
      <h2>{{ form.id ? t('changeName', { name: form.name }) : t('anotherPlace') }}</h2>
      <FieldTable :form="form" :sections="sections" :wrong="wrong" />
      <p v-if="zoneFar" class="problem" role="status">
        {{ t('andALongitudeOfLie', { zone: form.zone, longitudeDeg: side(form.longitudeDeg ?? 0, 'E', 'W') }) }}
      </p>
      <p class="flex flex-wrap mb-10px gap-10px items-center">
        <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('keepIt') }}</ElButton>
        <ElButton @click="form = null">{{ t('leaveIt') }}</ElButton>
        <ElButton v-if="form.id" link type="primary" @click="remove(form.id)">{{ t('takeItOffTheList') }}</ElButton>
      </p>
      <p class="second">
        {{ t('leftEmptyTheNeedlesDeclination') }}
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
