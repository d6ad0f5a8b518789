<script setup lang="ts">
import { massText } from '@binoculum/core'
import { ref, useTemplateRef } from 'vue'
import SignIcon from '../../../shared/controls/SignIcon.vue'
import { useSortableRows } from '../../../shared/use-sortable-rows.ts'
import GripSign from './GripSign.vue'
import { lookAlikeWords, type DraftPart, type PlaceOfModel } from './model-draft.ts'
import { setupWords } from '../words.ts'

const t = setupWords('cardRows')

/** A model's card, place by place: rows are chosen, and dragged into another order or another place. */
const chosen = defineModel<string | null>('chosen', { required: true })
const { places, mayChange } = defineProps<{ places: readonly PlaceOfModel[]; mayChange: boolean }>()
const emit = defineEmits<{ drop: [key: string, to: { place: string; index: number }] }>()
const list = useTemplateRef<HTMLElement>('list')
const folded = ref(new Set<string>())
const massOf = (parts: readonly DraftPart[]) => parts.reduce((sum, { massG, count }) => sum + (massG ?? 0) * count, 0)

useSortableRows(list, 'ul[data-place]', {
  group: 'parts',
  when: [() => places.map(({ place }) => place).join('|'), folded],
  may: () => mayChange,
  drop: ({ key, to, toIndex: index }) => emit('drop', key, { place: to.dataset.place ?? '', index }),
})
</script>

<template>
  <div ref="list">
    <div
      class="head grid grid-cols-[18px_26px_minmax(0,1fr)_20px_104px_78px_70px_112px_66px] gap-6px items-center max-[900px]:grid-cols-[30px_26px_minmax(0,1fr)_20px_104px_84px_66px] max-[560px]:grid-cols-[30px_22px_minmax(0,1fr)_16px_66px]"
    >
      <em class="col-[3_/_5]">{{ t('part') }}</em><em>{{ t('massG') }}</em
      ><em class="max-[560px]:hidden">{{ t('needed') }}</em
      ><em>{{ t('everyTime') }}</em
      ><em>{{ t('looksLike') }}</em
      ><em class="max-[560px]:hidden">{{ t('weighedIn') }}</em>
    </div>
    <section v-for="{ place, parts } in places" :key="place">
      <h2 class="flex gap-12px items-baseline line-b-rule-strong">
        <ElButton
          link
          class="py-4px px-0 text-night font-inherit"
          :aria-expanded="!folded.has(place)"
          @click="folded.has(place) ? folded.delete(place) : folded.add(place)"
        >
          <SignIcon :name="folded.has(place) ? 'folded' : 'unfolded'" /> {{ place || t('noPlace') }}
        </ElButton>
        <span class="second"
          >{{ parts.length }} {{ t('parts', { n: parts.length }) }}, {{ massText(massOf(parts)) }}</span
        >
      </h2>
      <ul v-show="!folded.has(place)" class="min-h-8px m-0 p-0 list-none" :data-place="place">
        <li
          v-for="part in parts"
          :key="part.key"
          class="grid grid-cols-[18px_26px_minmax(0,1fr)_20px_104px_78px_70px_112px_66px] gap-6px items-center max-[900px]:grid-cols-[30px_26px_minmax(0,1fr)_20px_104px_84px_66px] max-[560px]:grid-cols-[30px_22px_minmax(0,1fr)_16px_66px]"
          :data-key="part.key"
          :class="{ current: part.key === chosen, essential: part.criticality === 'essential' }"
          @click="chosen = part.key"
        >
          <GripSign />
          <span class="number text-quiet text-13px not-italic text-right">{{ part.number }}</span>
          <span class="words" data-name>{{ part.name }}</span>
          <span>{{ part.count > 1 ? part.count : '' }}</span>
          <span class="mass text-right"
            >{{ part.massG === null ? '–' : massText(part.massG) }}
            <i class="text-quiet text-13px not-italic max-[560px]:hidden">{{
              part.toleranceG === null ? '' : `± ${Math.round(part.toleranceG)}`
            }}</i></span
          >
          <span class="second max-[560px]:hidden">{{ part.criticality }}</span>
          <span class="second look text-ink">{{ part.lookEveryTime ? t('look') : '' }}</span>
          <span :class="['second', 'brass', 'like', { rust: lookAlikeWords(part) === 'sun filter' }]">{{
            lookAlikeWords(part) ? `⇄ ${lookAlikeWords(part)}` : ''
          }}</span>
          <span class="second max-[560px]:hidden">{{ part.weighGroup || t('whole') }}</span>
        </li>
      </ul>
    </section>
    <slot />
  </div>
</template>

<style scoped>
.head em:nth-child(2) {
  text-align: right;
}

h2 .second {
  font-family: var(--sans);
}

.like,
.words {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

li {
  min-height: 27px;
  border-bottom: 1px solid var(--rule);
  background: var(--card);
  font-size: 14px;
}

li.current {
  background: var(--wash);
  box-shadow: 0 0 0 2px var(--night);
}

li.essential .words {
  font-weight: 640;
}

li.landing {
  border-top: 2px solid var(--night);
  opacity: 0.6;
}

.mass,
.head em:nth-child(2) {
  padding-right: 10px;
}

@media (max-width: 900px) {
  .like,
  .look,
  .head em:nth-child(4),
  .head em:nth-child(5) {
    display: none;
  }
}

@media (pointer: coarse) {
  li {
    min-height: 40px;
  }
}
</style>
