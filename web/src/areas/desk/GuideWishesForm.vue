<script setup lang="ts">
import { sitesSchema, type GuideWishes } from '@binoculum/contract'
import { guideLanguages, placeAway, SAME_SKY_KM, type Sky } from '@binoculum/core'
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
const sites = computed(() => (data.value?.sites ?? []).filter((each) => each.branchId === branchId))
/** No place has such a name. */
const NEAR_HERE = ' near here'
const ELSEWHERE = ' elsewhere'
const away = ref<{ name: string; km: string; bearingDeg: number; zone: string; sky: Sky | null }>({
  ...{ name: '', km: '', bearingDeg: 0, zone: '', sky: null },
})
const skyWords = { dark: 'dark', fair: 'fair', bright: 'bright' } as const
const isAway = ref(false)
const chosenPlace = computed(() => (isAway.value ? ELSEWHERE : (wishes.value.place?.name ?? NEAR_HERE)))
function choosePlace(name: string) {
  isAway.value = name === ELSEWHERE
  if (isAway.value) return placeElsewhere()
  const site = sites.value.find((each) => each.name === name)
  if (!site) return change({ place: null })
  const { latitudeDeg, longitudeDeg, zone, sky } = site
  change({ place: { name, latitudeDeg, longitudeDeg, zone, sky } })
}
/** A town of the borrower's own, by its distance and direction from here: nobody at a desk knows its latitude. */
function placeElsewhere() {
  const [here] = sites.value
  const { name, km, bearingDeg, zone, sky } = away.value
  const distance = Number(km.replace(',', '.'))
  if (!here || name.trim() === '' || km.trim() === '' || !(distance >= 0 && distance <= 20_000))
    return change({ place: null })
  const place = { name: name.trim(), ...placeAway(here, distance, bearingDeg), zone: zone || here.zone, sky }
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
    <summary class="min-h-28px cursor-pointer">
      {{ summary }} <span class="text-night underline">change</span>
    </summary>
    <div class="grid grid-cols-[120px_150px_minmax(0,1fr)] gap-y-6px gap-x-12px">
      <label>
        <span class="block text-quiet [font:italic_400_15px/18px_var(--serif)]">Language</span>
        <ElSelect
          :model-value="wishes.language"
          aria-label="Language"
          @update:model-value="change({ language: $event })"
        >
          <ElOption v-for="{ code, name } in guideLanguages" :key="code" :value="code" :label="name" />
        </ElSelect>
      </label>
      <label>
        <span class="block text-quiet [font:italic_400_15px/18px_var(--serif)]">Who looks</span>
        <ElSelect
          :model-value="wishes.borrower.ageGroup"
          aria-label="Who looks"
          @update:model-value="changeBorrower({ ageGroup: $event })"
        >
          <ElOption v-for="(words, age) in ages" :key="age" :value="age" :label="words" />
        </ElSelect>
      </label>
      <label>
        <span class="block text-quiet [font:italic_400_15px/18px_var(--serif)]">Where</span>
        <ElSelect :model-value="chosenPlace" aria-label="Where" @update:model-value="choosePlace">
          <ElOption :value="NEAR_HERE" label="near here" />
          <ElOption v-for="site in sites" :key="site.id" :value="site.name" :label="site.name" />
          <ElOption v-if="sites.length > 0" :value="ELSEWHERE" label="another town …" />
        </ElSelect>
      </label>
      <fieldset
        v-if="isAway"
        class="grid col-span-full grid-cols-[minmax(0,1.4fr)_92px_120px_112px_minmax(0,1fr)] gap-y-4px gap-x-10px m-0 p-0 line-none"
        aria-label="Another town, never an address"
      >
        <label>
          <span class="block text-quiet [font:italic_400_15px/18px_var(--serif)]">Town</span>
          <ElInput maxlength="60" :model-value="away.name" @input="setAway({ name: $event })" />
        </label>
        <label>
          <span class="block text-quiet [font:italic_400_15px/18px_var(--serif)]">km from here</span>
          <ElInput inputmode="decimal" :model-value="away.km" @input="setAway({ km: $event })" />
        </label>
        <label>
          <span class="block text-quiet [font:italic_400_15px/18px_var(--serif)]">to the</span>
          <ElSelect
            :model-value="away.bearingDeg"
            aria-label="to the"
            @update:model-value="setAway({ bearingDeg: $event })"
          >
            <ElOption v-for="(wind, index) in winds" :key="wind" :value="index * 45" :label="wind" />
          </ElSelect>
        </label>
        <label>
          <span class="block text-quiet [font:italic_400_15px/18px_var(--serif)]">Sky there</span>
          <ElSelect
            :model-value="away.sky"
            clearable
            placeholder="not known"
            aria-label="Sky there"
            @update:model-value="setAway({ sky: $event ?? null })"
          >
            <ElOption v-for="(words, sky) in skyWords" :key="sky" :value="sky" :label="words" />
          </ElSelect>
        </label>
        <label v-if="farEnough">
          <span class="block text-quiet [font:italic_400_15px/18px_var(--serif)]">Clocks of</span>
          <ElSelect
            :model-value="away.zone || sites[0]?.zone"
            filterable
            aria-label="Clocks of"
            @update:model-value="setAway({ zone: $event })"
          >
            <ElOption v-for="zone in zones" :key="zone" :value="zone" :label="zone" />
          </ElSelect>
        </label>
        <p class="second col-span-full">
          <template v-if="wishes.place">
            About {{ Math.abs(wishes.place.latitudeDeg).toFixed(1) }}° {{ wishes.place.latitudeDeg < 0 ? 'S' : 'N' }},
            {{ Math.abs(wishes.place.longitudeDeg).toFixed(1) }}° {{ wishes.place.longitudeDeg < 0 ? 'W' : 'E' }}.
            {{ farEnough ? '' : `Within ${SAME_SKY_KM} km the sky is the same as here.` }}
          </template>
          <template v-else>Town and distance are wanted; until then the guide is for near here.</template>
        </p>
      </fieldset>
      <p class="flex col-span-full gap-18px">
        <ElCheckbox
          :model-value="wishes.borrower.level === 'first'"
          @update:model-value="changeBorrower({ level: $event ? 'first' : 'some' })"
          >first time</ElCheckbox
        >
        <ElCheckbox
          :model-value="wishes.borrower.eye === 'left'"
          @update:model-value="changeBorrower({ eye: $event ? 'left' : 'right' })"
          >left eye</ElCheckbox
        >
        <ElCheckbox
          :model-value="wishes.borrower.seated"
          @update:model-value="changeBorrower({ seated: $event === true })"
          >looks seated</ElCheckbox
        >
      </p>
    </div>
  </details>
</template>
