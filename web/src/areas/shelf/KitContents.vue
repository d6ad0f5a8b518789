<script setup lang="ts">
import type { KitSheet, Part, Spare } from '@binoculum/contract'
import { dateText, isHazardRole, massText, moneyText, type Mark } from '@binoculum/core'
import { computed } from 'vue'
import PencilMark from '../../shared/drawings/PencilMark.vue'
import { dayText } from '../../shared/dates.ts'
import { shelfWords } from './words.ts'

const t = shelfWords('kitContents')

/** What lies in the case, place by place, each part with its mark and what can be done about it. */
const { kit, mayAct, sending, spares } = defineProps<{
  kit: KitSheet
  mayAct: boolean
  sending: boolean
  spares: readonly Spare[]
}>()
const emit = defineEmits<{
  mark: [part: Part, to: Mark]
  toDrawer: [part: Part]
  wear: [part: Part]
  countRest: []
}>()
const places = computed(() => {
  const byPlace = new Map<string, Part[]>()
  for (const part of kit.parts)
    byPlace.set(part.place || t('noPlace'), [...(byPlace.get(part.place || t('noPlace')) ?? []), part])
  return [...byPlace]
})
const unseen = computed(() => kit.parts.filter(({ mark }) => mark === 'unseen').length)
const seenWords = (part: Part) =>
  part.mark !== 'unseen'
    ? ''
    : part.seenAtUtc
      ? t('notLookedAtSince', { seenAtUtc: dayText(part.seenAtUtc, kit.zone) })
      : t('neverLookedAtYet')
const hasSpare = (part: Part) => spares.some(({ role, branchId }) => role === part.role && branchId === kit.branchId)
</script>

<template>
  <h2>{{ t('inTheCase') }}</h2>
  <p v-if="unseen > 0 && mayAct && !kit.loan" class="mb-8px">
    {{ t('ofPartsAreNotLooked', { unseen, parts: kit.parts.length }) }}
    <RouterLink
      v-if="kit.lastLoan?.state === 'back'"
      :to="`/desk/take-back/${kit.lastLoan.id}/correct`"
      class="button main"
      >{{ t('goThroughIt') }}</RouterLink
    >
    {{ t('orMarkHereWhatIs') }}
    <ElButton size="small" :disabled="sending" @click="emit('countRest')">{{ t('allTheRestIsThere') }}</ElButton>
    <span class="quiet">{{ t('itStopsAtPartsThat') }}</span>
  </p>
  <div role="group" :aria-label="t('contents')" class="[columns:2] gap-x-32px max-[1100px]:[columns:1]">
    <section v-for="[place, parts] in places" :key="place" class="[break-inside:avoid]">
      <h3 class="text-night">{{ place }}</h3>
      <ul class="mx-0 mt-0 mb-8px p-0 list-none">
        <li
          v-for="part in parts"
          :key="part.id"
          class="grid relative grid-cols-[22px_minmax(0,1fr)_auto_56px_62px] gap-6px items-center min-h-28px line-b-rule text-14px"
          :class="{ essential: part.criticality === 'essential' }"
        >
          <PencilMark :mark="part.mark" />
          <span class="part flex flex-wrap gap-x-5px items-baseline">
            {{ part.name }}
            <span v-if="part.count > 1" class="second">{{
              part.mark === 'missing' && part.presentCount > 0
                ? t('presentCountOf', { presentCount: part.presentCount, count: part.count })
                : part.count
            }}</span>
            <span v-if="part.consumable" class="second"
              >{{ part.consumable.pieces }} × {{ part.consumable.kind
              }}{{
                part.consumable.changedOn ? t('changedOn', { changedOn: dateText(part.consumable.changedOn) }) : ''
              }}</span
            >
            <em v-if="seenWords(part)" class="quiet">{{ seenWords(part) }}</em>
            <em v-if="part.wrongItem" class="brass">{{ t('liesHere', { wrongItem: part.wrongItem }) }}</em>
            <em v-if="part.note" class="rust">{{ part.note }}</em>
            <em v-if="part.knownWear" class="second">{{ t('knownWear', { knownWear: part.knownWear }) }}</em>
            <a
              v-for="(id, index) in part.pictureIds"
              :key="id"
              :href="`/api/pictures/${id}`"
              target="_blank"
              rel="noopener"
              class="second"
              >{{ t('pictureIndex', { index: index + 1 }) }}</a
            >
          </span>
          <ElButton
            v-if="mayAct && !kit.loan && part.mark !== 'present' && !isHazardRole(part.role)"
            size="small"
            :disabled="sending"
            @click="emit('mark', part, 'present')"
          >
            {{ part.mark === 'missing' ? t('found') : part.mark === 'unseen' ? t('itIsThere') : t('putRight') }}
          </ElButton>
          <span
            v-else-if="mayAct && !kit.loan && part.mark === 'present'"
            class="second off flex gap-12px absolute right-0 pr-0 pl-10px py-3px bg-paper op-[0]"
          >
            <ElButton v-if="hasSpare(part)" link :disabled="sending" @click="emit('toDrawer', part)">{{
              t('toTheDrawer')
            }}</ElButton>
            <ElButton
              link
              :disabled="sending"
              :aria-label="t('knownWearOf', { name: part.name })"
              @click="emit('wear', part)"
              >{{ t('wear') }}</ElButton
            >
            <ElButton link :disabled="sending" @click="emit('mark', part, 'missing')">{{ t('missing') }}</ElButton>
          </span>
          <span class="mass col-[4] text-quiet text-13px text-right">{{
            part.massG === null ? '–' : massText(part.massG)
          }}</span>
          <span class="mass col-[4] text-quiet text-13px text-right">{{
            part.costMinor === null ? '' : moneyText(part.costMinor, kit.currency)
          }}</span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.essential .part {
  font-weight: 640;
}

.mass + .mass {
  grid-column: 5;
}

li:hover .off,
.off:focus-within {
  opacity: 1;
}

/* Without a pointer that hovers the ways stand there always, under the part's name. */
@media (hover: none) {
  .off {
    position: static;
    grid-column: 2;
    opacity: 1;
  }
}
</style>
