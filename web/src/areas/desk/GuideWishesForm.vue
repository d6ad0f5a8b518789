<script setup lang="ts">
import { sitesSchema, type GuideWishes } from '@binoculum/contract'
import { guideLanguages, placeAway, SAME_SKY_KM, type Sky } from '@binoculum/core'
import { computed, ref } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'
import { deskWords } from './words.ts'

const t = deskWords('guideWishesForm')

/** Who will look, and where: so that the guide says the right things in the right language. Nothing here is needed. */
const wishes = defineModel<GuideWishes>({ required: true })
const { branchId } = defineProps<{ branchId: string }>()
const { data } = useLoaded(sitesSchema, '/api/sites')
const ages = { family: t('aFamily'), child: t('mostlyAChild'), adult: t('adults') } as const
const summary = computed(() => {
  const { language, borrower, place } = wishes.value
  return [
    guideLanguages.find(({ code }) => code === language)?.name ?? language,
    ages[borrower.ageGroup],
    ...(borrower.level === 'first' ? [t('firstTime')] : []),
    ...(borrower.eye === 'left' ? [t('leftEye')] : []),
    ...(borrower.seated ? ['seated'] : []),
    place ? t('looksFrom', { name: place.name }) : t('looksFromNearHere'),
  ].join(', ')
})
const change = (part: Partial<GuideWishes>) => (wishes.value = { ...wishes.value, ...part })
const changeBorrower = (part: Partial<GuideWishes['borrower']>) =>
  change({ borrower: { ...wishes.value.borrower, ...part } })
const sites = computed(() => (data.value?.sites ?? []).filter((each) => each.branchId === branchId))
/** No place has such a name. */
const NEAR_HERE = t('nearHere')
const ELSEWHERE = t('elsewhere')
const away = ref<{ name: string; km: string; bearingDeg: number; zone: string; sky: Sky | null }>({
  ...{ name: '', km: '', bearingDeg: 0, zone: '', sky: null },
})
const skyWords = { dark: t('dark'), fair: t('fair'), bright: t('bright') } as const
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
      {{ summary }} <span class="text-night underline">{{ t('change') }}</span>
    </summary>
    <div class="grid grid-cols-[120px_150px_minmax(0,1fr)] gap-y-6px gap-x-12px">
      <label>
        <span class="block text-quiet [font:italic_400_15px/18px_var(--serif)]">{{ t('language') }}</span>
        <ElSelect
          :model-value="wishes.language"
          :aria-label="t('language')"
          @update:model-value="change({ language: $event })"
        >
          <ElOption v-for="{ code, name } in guideLanguages" :key="code" :value="code" :label="name" />
        </ElSelect>
      </label>
      <label>
        <span class="block text-quiet [font:italic_400_15px/18px_var(--serif)]">{{ t('whoLooks') }}</span>
        <ElSelect
          :model-value="wishes.borrower.ageGroup"
          :aria-label="t('whoLooks')"
          @update:model-value="changeBorrower({ ageGroup: $event })"
        >
          <ElOption v-for="(words, age) in ages" :key="age" :value="age" :label="words" />
        </ElSelect>
      </label>
      <label>
        <span class="block text-quiet [font:italic_400_15px/18px_var(--serif)]">{{ t('where') }}</span>
        <ElSelect :model-value="chosenPlace" :aria-label="t('where')" @update:model-value="choosePlace">
          <ElOption :value="NEAR_HERE" :label="t('nearHere2')" />
          <ElOption v-for="site in sites" :key="site.id" :value="site.name" :label="site.name" />
          <ElOption v-if="sites.length > 0" :value="ELSEWHERE" :label="t('anotherTown')" />
        </ElSelect>
      </label>
      <fieldset
        v-if="isAway"
        class="grid col-span-full grid-cols-[minmax(0,1.4fr)_92px_120px_112px_minmax(0,1fr)] gap-y-4px gap-x-10px m-0 p-0 line-none"
        :aria-label="t('anotherTownNeverAnAddress')"
      >
        <label>
          <span class="block text-quiet [font:italic_400_15px/18px_var(--serif)]">{{ t('town') }}</span>
          <ElInput maxlength="60" :model-value="away.name" @input="setAway({ name: $event })" />
        </label>
        <label>
          <span class="block text-quiet [font:italic_400_15px/18px_var(--serif)]">{{ t('kmFromHere') }}</span>
          <ElInput inputmode="decimal" :model-value="away.km" @input="setAway({ km: $event })" />
        </label>
        <label>
          <span class="block text-quiet [font:italic_400_15px/18px_var(--serif)]">{{ t('toThe') }}</span>
          <ElSelect
            :model-value="away.bearingDeg"
            :aria-label="t('toThe')"
            @update:model-value="setAway({ bearingDeg: $event })"
          >
            <ElOption v-for="(wind, index) in winds" :key="wind" :value="index * 45" :label="wind" />
          </ElSelect>
        </label>
        <label>
          <span class="block text-quiet [font:italic_400_15px/18px_var(--serif)]">{{ t('skyThere') }}</span>
          <ElSelect
            :model-value="away.sky"
            clearable
            :placeholder="t('notKnown')"
            :aria-label="t('skyThere')"
            @update:model-value="setAway({ sky: $event ?? null })"
          >
            <ElOption v-for="(words, sky) in skyWords" :key="sky" :value="sky" :label="words" />
          </ElSelect>
        </label>
        <label v-if="farEnough">
          <span class="block text-quiet [font:italic_400_15px/18px_var(--serif)]">{{ t('clocksOf') }}</span>
          <ElSelect
            :model-value="away.zone || sites[0]?.zone"
            filterable
            :aria-label="t('clocksOf')"
            @update:model-value="setAway({ zone: $event })"
          >
            <ElOption v-for="zone in zones" :key="zone" :value="zone" :label="zone" />
          </ElSelect>
        </label>
        <p class="second col-span-full">
          <template v-if="wishes.place">
            {{ ' '
            }}{{
              t('aboutLatitudeDeg', {
                latitudeDeg: Math.abs(wishes.place.latitudeDeg).toFixed(1),
                ns: wishes.place.latitudeDeg < 0 ? 'S' : 'N',
                longitudeDeg: Math.abs(wishes.place.longitudeDeg).toFixed(1),
                ew: wishes.place.longitudeDeg < 0 ? 'W' : 'E',
                sameSky: farEnough ? '' : t('withinKmTheSkyIs', { km: SAME_SKY_KM }),
              })
            }}
          </template>
          <template v-else>{{ t('townAndDistanceAreWanted') }}</template>
        </p>
      </fieldset>
      <p class="flex col-span-full gap-18px">
        <ElCheckbox
          :model-value="wishes.borrower.level === 'first'"
          @update:model-value="changeBorrower({ level: $event ? 'first' : 'some' })"
          >{{ t('firstTime') }}</ElCheckbox
        >
        <ElCheckbox
          :model-value="wishes.borrower.eye === 'left'"
          @update:model-value="changeBorrower({ eye: $event ? 'left' : 'right' })"
          >{{ t('leftEye') }}</ElCheckbox
        >
        <ElCheckbox
          :model-value="wishes.borrower.seated"
          @update:model-value="changeBorrower({ seated: $event === true })"
          >{{ t('looksSeated') }}</ElCheckbox
        >
      </p>
    </div>
  </details>
</template>
