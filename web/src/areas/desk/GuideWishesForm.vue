<script setup lang="ts">
import type { GuideWishes, Sites } from '@binoculum/contract'
import { guideLanguages } from '@binoculum/core'
import { computed } from 'vue'
import { useLoaded } from '../../shared/api/use-loaded.ts'

/** Who will look, and where: so that the guide says the right things in the right language. Nothing here is needed. */
const wishes = defineModel<GuideWishes>({ required: true })
const { branchId } = defineProps<{ branchId: string }>()
const { data } = useLoaded<Sites>('/api/sites')
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
function choosePlace(name: string) {
  const site = data.value?.sites.find((each) => each.name === name)
  const { latitudeDeg, longitudeDeg, zone } = site ?? {}
  change({
    place:
      latitudeDeg === undefined || longitudeDeg === undefined || zone === undefined
        ? null
        : { name, latitudeDeg, longitudeDeg, zone },
  })
}
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
        <select class="field" :value="wishes.place?.name ?? ''" @change="choosePlace(valueOf($event))">
          <option value="">near here</option>
          <option v-for="site in (data?.sites ?? []).filter((each) => each.branchId === branchId)" :key="site.id">
            {{ site.name }}
          </option>
        </select>
      </label>
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

.ticks {
  display: flex;
  grid-column: 1 / -1;
  gap: 18px;
}
</style>
