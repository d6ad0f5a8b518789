<script setup lang="ts">
import { siteFieldsSchema, type Site, type Sites } from '@binoculum/contract'
import { degText, isZoneFar } from '@binoculum/core'
import { computed, ref } from 'vue'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { useSending } from '../../../shared/api/use-sending.ts'
import { fieldProblems } from '../../../shared/field-problems.ts'
import ProblemNote from '../../../shared/ProblemNote.vue'
import { useSession } from '../../people/session.ts'
import SetupTabs from '../SetupTabs.vue'

const session = useSession()
const { data, problem, reload } = useLoaded<Sites>('/api/sites')
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
}
const blank = (): Form => ({
  id: null,
  version: null,
  branchId: branches.value[0]?.branchId ?? '',
  name: '',
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  latitudeDeg: null,
  longitudeDeg: null,
  heightM: null,
  needleDeg: null,
  needleOn: null,
})
const form = ref<Form | null>(null)
const tried = ref(false)
const wrong = computed(() => (form.value && tried.value ? fieldProblems(siteFieldsSchema, form.value) : {}))

function open(site: Site | null) {
  tried.value = false
  if (!site) return void (form.value = blank())
  const { id, version, branchId, name, zone, latitudeDeg, longitudeDeg, heightM, needleDeg, needleOn } = site
  form.value = { id, version, branchId, name, zone, latitudeDeg, longitudeDeg, heightM, needleDeg, needleOn }
}
async function save() {
  tried.value = true
  const given = form.value
  if (!given || Object.keys(fieldProblems(siteFieldsSchema, given)).length > 0) return
  const { id, ...body } = given
  const went = await run(async () => {
    data.value = id ? await api.put<Sites>(`/api/sites/${id}`, body) : await api.post<Sites>('/api/sites', body)
  })
  if (went) form.value = null
}
async function remove(id: string) {
  const went = await run(async () => void (data.value = await api.delete<Sites>(`/api/sites/${id}`)))
  if (went) form.value = null
}
const zoneFar = computed(() => {
  const { longitudeDeg = null, zone = '' } = form.value ?? {}
  const isZone = zones.includes(zone) || zone === 'UTC'
  return isZone && longitudeDeg !== null && isZoneFar(longitudeDeg, zone, new Date().toISOString())
})
const number = (event: Event) => {
  const text = (event.target as HTMLInputElement).value.trim()
  return text === '' ? null : Number(text)
}
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
    <header>
      <h1>Places</h1>
      <p class="quiet">Where kits are set up. Latitude, clock, needle and stars follow from the place.</p>
    </header>
    <ProblemNote :problem="problem" @retry="reload" />
    <ProblemNote :problem="refusal" @retry="reload" />
    <p v-if="data && data.sites.length === 0" class="empty">
      No place yet. Write down the yard, the field or the roof you observe from: a tenth of a degree is enough.
    </p>
    <div v-if="data && data.sites.length > 0" class="rows">
      <div class="row head">
        <em>place</em><em>latitude</em><em>longitude</em><em>zone</em><em>needle</em><span />
      </div>
      <div v-for="site in data.sites" :key="site.id" class="row">
        <span
          ><b class="serif">{{ site.name }}</b>
          <span class="second"
            >{{ site.branchName }}{{ site.heightM === null ? '' : ` · ${site.heightM} m` }}</span
          ></span
        >
        <span>{{ side(site.latitudeDeg, 'N', 'S') }}</span>
        <span>{{ side(site.longitudeDeg, 'E', 'W') }}</span>
        <span>{{ site.zone }}</span>
        <span>{{ needleWords(site) }}</span>
        <span class="last">
          <RouterLink :to="`/setup/places/${site.id}/landmarks`">landmarks</RouterLink>
          <button
            v-if="session.may(site.branchId, 'coordinator')"
            type="button"
            class="link-button"
            @click="open(site)"
          >
            change
          </button>
        </span>
      </div>
    </div>
    <button v-if="branches.length > 0 && !form" type="button" class="button main" @click="open(null)">
      Another place
    </button>
    <form v-if="form" novalidate @submit.prevent="save">
      <h2>{{ form.id ? `Change ${form.name}` : 'Another place' }}</h2>
      <label class="labelled"
        ><span>name</span><input v-model="form.name" class="field" maxlength="80" name="name" />
        <i v-if="wrong.name" class="rust">{{ wrong.name }}</i></label
      >
      <label v-if="branches.length > 1 && !form.id" class="labelled"
        ><span>branch</span
        ><select v-model="form.branchId" class="field">
          <option v-for="each in branches" :key="each.branchId" :value="each.branchId">{{ each.branchName }}</option>
        </select></label
      >
      <label class="labelled"
        ><span>zone</span><input v-model="form.zone" class="field" list="zones" name="zone" /><datalist id="zones">
          <option v-for="zone in zones" :key="zone" :value="zone" />
        </datalist>
        <i v-if="wrong.zone" class="rust">{{ wrong.zone }}</i></label
      >
      <p v-if="zoneFar" class="problem" role="status">
        {{ form.zone }} and a longitude of {{ side(form.longitudeDeg ?? 0, 'E', 'W') }} lie far apart. Is the sign or
        the zone wrong? While they disagree, the Bench counts it as day there and asks about the Sun.
      </p>
      <label class="labelled"
        ><span>latitude, °, north +</span
        ><input
          class="field"
          type="number"
          step="any"
          name="latitude"
          :value="form.latitudeDeg"
          @input="form.latitudeDeg = number($event)"
        /><i v-if="wrong.latitudeDeg" class="rust">{{ wrong.latitudeDeg }}</i></label
      >
      <label class="labelled"
        ><span>longitude, °, east +</span
        ><input
          class="field"
          type="number"
          step="any"
          name="longitude"
          :value="form.longitudeDeg"
          @input="form.longitudeDeg = number($event)"
        /><i v-if="wrong.longitudeDeg" class="rust">{{ wrong.longitudeDeg }}</i></label
      >
      <label class="labelled"
        ><span>height above the sea, m</span
        ><input
          class="field"
          type="number"
          step="any"
          name="height"
          :value="form.heightM"
          @input="form.heightM = number($event)"
        /><i v-if="wrong.heightM" class="rust">{{ wrong.heightM }}</i></label
      >
      <label class="labelled"
        ><span>needle from true north, °, east +</span
        ><input
          class="field"
          type="number"
          step="any"
          name="needle"
          placeholder="left to the model"
          :value="form.needleDeg"
          @input="form.needleDeg = number($event)"
        /><i v-if="wrong.needleDeg" class="rust">{{ wrong.needleDeg }}</i></label
      >
      <label v-if="form.needleDeg !== null" class="labelled"
        ><span>measured on</span
        ><input
          class="field"
          type="date"
          :value="form.needleOn"
          @input="form.needleOn = ($event.target as HTMLInputElement).value || null"
      /></label>
      <p class="acts">
        <button type="submit" class="button main" :disabled="sending">Keep it</button>
        <button type="button" class="button" @click="form = null">Leave it</button>
        <button v-if="form.id" type="button" class="link-button" @click="remove(form.id)">
          Take it off the list
        </button>
      </p>
      <p class="second">
        Left empty, the needle’s declination comes from the World Magnetic Model 2025, good to half a degree until the
        end of 2029. Iron nearby turns a needle more.
      </p>
    </form>
  </main>
</template>

<style scoped>
header {
  margin-bottom: 16px;
}

.rows {
  margin-bottom: 16px;
}

.row {
  display: grid;
  grid-template-columns: minmax(0, 1.6fr) 100px 100px minmax(0, 1fr) minmax(0, 1.4fr) 160px;
  gap: 14px;
  align-items: center;
  min-height: 46px;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
  overflow-wrap: anywhere;
}

.head {
  min-height: 28px;
  border-bottom-color: var(--rule-strong);
}

.last {
  display: flex;
  gap: 14px;
}

.row .serif {
  display: block;
  font-size: 19px;
}

form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 14px 20px;
  align-items: start;
  margin-top: 16px;
  padding: 16px 20px;
  border: 1px solid var(--rule-strong);
  background: var(--card);
}

form h2,
form > p {
  grid-column: 1 / -1;
}

.acts {
  display: flex;
  gap: 10px;
  align-items: center;
}
</style>
