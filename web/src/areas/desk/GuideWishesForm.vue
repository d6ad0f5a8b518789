<script setup lang="ts">
import { sitesSchema, type GuideWishes } from '@binoculum/contract'
import { guideLanguages, placeAway, SAME_SKY_KM } from '@binoculum/core'
import { computed, ref } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'

/** Who will look, and where: so that the guide says the right things in the right language. Nothing here is needed. */
const wishes = defineModel<GuideWishes>({ required: true })
const { branchId } = defineProps<{ branchId: string }>()
const { data } = useLoaded(sitesSchema, '/api/sites')
const ages = { family: 'a family', child: 'mostly a child', adult: 'adults' } as const
const summary = computed(() => {
  const { language, borrower, place } = wishes.value
  return [
    guideLanguages.find(({ code }) => code === language)?.name ?? language,
    ages[borrower.ageGroup],
    ...(borrower.level === 'first' ? ['first time'] : []),
    ...(borrower.eye === 'left' ? ['left eye'] : []),
    ...(borrower.seated ? ['seated'] : []),
    place ? `looks from ${place.name}` : 'looks from near here',
  ].join(', ')
})
const change = (part: Partial<GuideWishes>) => (wishes.value = { ...wishes.value, ...part })
const changeBorrower = (part: Partial<GuideWishes['borrower']>) =>
  change({ borrower: { ...wishes.value.borrower, ...part } })
const checked = (event: Event) => (event.target as HTMLInputElement).checked
const valueOf = (event: Event) => (event.target as HTMLSelectElement).value
const sites = computed(() => (data.value?.sites ?? []).filter((each) => each.branchId === branchId))
const ELSEWHERE = ' elsewhere'
const away = ref({ name: '', km: '', bearingDeg: 0, zone: '' })
const isAway = ref(false)
const chosenPlace = computed(() => (isAway.value ? ELSEWHERE : (wishes.value.place?.name ?? '')))
function choosePlace(name: string) {
  isAway.value = name === ELSEWHERE
  if (isAway.value) return placeElsewhere()
  const site = sites.value.find((each) => each.name === name)
  if (!site) return change({ place: null })
  const { latitudeDeg, longitudeDeg, zone } = site
  change({ place: { name, latitudeDeg, longitudeDeg, zone } })
}
/** A town of the borrower's own, by its distance and direction from here: nobody at a desk knows its latitude. */
function placeElsewhere() {
  const [here] = sites.value
  const { name, km, bearingDeg, zone } = away.value
  const distance = Number(km.replace(',', '.'))
  if (!here || name.trim() === '' || km.trim() === '' || !(distance >= 0 && distance <= 20_000))
    return change({ place: null })
  const place = { name: name.trim(), ...placeAway(here, distance, bearingDeg), zone: zone || here.zone }
  change({ place })
}
const setAway = (part: Partial<typeof away.value>) => {
  away.value = { ...away.value, ...part }
  placeElsewhere()
}
const farEnough = computed(() => Number(away.value.km.replace(',', '.')) > SAME_SKY_KM)
const winds = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'] as const
const zones = Intl.supportedValuesOf('timeZone')
</script>

<template>
  <details>
    <summary>{{ summary }} <span class="change">change</span></summary>
    <div class="wishes">
      <label>
        <span>Language</span>
        <select class="field" :value="wishes.language" @change="change({ language: valueOf($event) })">
          <option v-for="{ code, name } in guideLanguages" :key="code" :value="code">{{ name }}</option>
        </select>
      </label>
      <label>
        <span>Who looks</span>
        <select
          class="field"
          :value="wishes.borrower.ageGroup"
          @change="changeBorrower({ ageGroup: valueOf($event) as GuideWishes['borrower']['ageGroup'] })"
        >
          <option value="family">a family</option>
          <option value="child">mostly a child</option>
          <option value="adult">adults</option>
        </select>
      </label>
      <label>
        <span>Where</span>
        <select class="field" :value="chosenPlace" @change="choosePlace(valueOf($event))">
          <option value="">near here</option>
          <option v-for="site in sites" :key="site.id">{{ site.name }}</option>
          <option v-if="sites.length > 0" :value="ELSEWHERE">another town …</option>
        </select>
      </label>
      <fieldset v-if="isAway" class="away" aria-label="Another town, never an address">
        <label>
          <span>Town</span>
          <ElInput maxlength="60" :model-value="away.name" @input="setAway({ name: $event })" />
        </label>
        <label>
          <span>km from here</span>
          <ElInput inputmode="decimal" :model-value="away.km" @input="setAway({ km: $event })" />
        </label>
        <label>
          <span>to the</span>
          <select class="field" :value="away.bearingDeg" @change="setAway({ bearingDeg: Number(valueOf($event)) })">
            <option v-for="(wind, index) in winds" :key="wind" :value="index * 45">{{ wind }}</option>
          </select>
        </label>
        <label v-if="farEnough">
          <span>Clocks of</span>
          <select class="field" :value="away.zone || sites[0]?.zone" @change="setAway({ zone: valueOf($event) })">
            <option v-for="zone in zones" :key="zone">{{ zone }}</option>
          </select>
        </label>
        <p class="second">
          <template v-if="wishes.place">
            About {{ Math.abs(wishes.place.latitudeDeg).toFixed(1) }}° {{ wishes.place.latitudeDeg < 0 ? 'S' : 'N' }},
            {{ Math.abs(wishes.place.longitudeDeg).toFixed(1) }}° {{ wishes.place.longitudeDeg < 0 ? 'W' : 'E' }}.
            {{ farEnough ? '' : `Within ${SAME_SKY_KM} km the sky is the same as here.` }}
          </template>
          <template v-else>Town and distance are wanted; until then the guide is for near here.</template>
        </p>
      </fieldset>
      <p class="ticks">
        <label
          ><input
            type="checkbox"
            :checked="wishes.borrower.level === 'first'"
            @change="changeBorrower({ level: checked($event) ? 'first' : 'some' })"
          />
          first time</label
        >
        <label
          ><input
            type="checkbox"
            :checked="wishes.borrower.eye === 'left'"
            @change="changeBorrower({ eye: checked($event) ? 'left' : 'right' })"
          />
          left eye</label
        >
        <label
          ><input
            type="checkbox"
            :checked="wishes.borrower.seated"
            @change="changeBorrower({ seated: checked($event) })"
          />
          looks seated</label
        >
      </p>
    </div>
  </details>
</template>

<style scoped>
summary {
  min-height: 28px;
  cursor: pointer;
}

.change {
  color: var(--night);
  text-decoration: underline;
}

.wishes {
  display: grid;
  grid-template-columns: 120px 150px minmax(0, 1fr);
  gap: 6px 12px;
}

label span {
  display: block;
  color: var(--quiet);
  font: italic 400 15px/18px var(--serif);
}

.away {
  display: grid;
  grid-column: 1 / -1;
  grid-template-columns: minmax(0, 1.4fr) 92px 120px minmax(0, 1fr);
  gap: 4px 10px;
  margin: 0;
  padding: 0;
  border: 0;
}

.away p {
  grid-column: 1 / -1;
}

.ticks {
  display: flex;
  grid-column: 1 / -1;
  gap: 18px;
}
</style>
