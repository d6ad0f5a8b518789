<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { families, massText, moneyText } from '@binoculum/core'
import { computed } from 'vue'
import { groupWords } from '../../shared/weigh-in/use-weigh-in.ts'
import { shelfWords } from './words.ts'

const t = shelfWords('kitFacts')

/** What a kit is, what it weighs, and whether borrowers may turn its screws. */
const { kit, mayEnd, sending } = defineProps<{ kit: KitSheet; mayEnd: boolean; sending: boolean }>()
const emit = defineEmits<{ policy: [policy: string] }>()
const massG = computed(() => kit.parts.reduce((sum, part) => sum + (part.massG ?? 0) * part.count, 0))
</script>

<template>
  <h2>{{ t('facts') }}</h2>
  <dl
    class="grid grid-cols-[max-content_1fr_max-content_1fr] gap-y-4px gap-x-18px m-0 max-[700px]:grid-cols-[minmax(0,2fr)_minmax(0,3fr)]"
  >
    <dt class="text-quiet">{{ t('family') }}</dt>
    <dd class="m-0">{{ families[kit.family] }}</dd>
    <dt class="text-quiet">{{ t('apertureFocalLength') }}</dt>
    <dd class="m-0">
      {{ kit.optics.apertureMm }} / {{ kit.optics.focalLengthMm }} mm, f/{{
        (kit.optics.focalLengthMm / kit.optics.apertureMm).toFixed(1)
      }}
    </dd>
    <template v-if="kit.details.owner">
      <dt class="text-quiet">{{ t('owner') }}</dt>
      <dd class="m-0">{{ kit.details.owner }}</dd>
    </template>
    <template v-if="kit.details.serialNumber">
      <dt class="text-quiet">{{ t('serialNumber') }}</dt>
      <dd class="m-0">{{ kit.details.serialNumber }}</dd>
    </template>
    <template v-if="kit.details.priceMinor !== null">
      <dt class="text-quiet">{{ t('price') }}</dt>
      <dd class="m-0">{{ moneyText(kit.details.priceMinor, kit.currency) }}</dd>
    </template>
    <template v-if="kit.details.note">
      <dt class="text-quiet">{{ t('note') }}</dt>
      <dd class="m-0">{{ kit.details.note }}</dd>
    </template>
    <dt class="text-quiet">{{ t('wholeKit') }}</dt>
    <dd class="m-0">{{ t('massGLines', { massG: massText(massG), parts: kit.parts.length }) }}</dd>
    <dt class="text-quiet">{{ t('weighedComplete') }}</dt>
    <dd class="m-0">
      <span v-for="(each, index) in kit.baselines" :key="each.group"
        >{{ index > 0 ? ', ' : '' }}{{ groupWords(each.group) }} {{ massText(each.measuredG) }}</span
      >
      <span v-if="kit.baselines.length === 0" class="quiet">{{ t('neverYetSmallLossesStay') }}</span>
    </dd>
    <dt class="text-quiet">{{ t('mirror') }}</dt>
    <dd class="m-0">{{ kit.optics.collimatable ? t('linedUpAtTheBench') : t('judgedOnAStarOnly') }}</dd>
    <template v-if="kit.optics.collimatable">
      <dt class="text-quiet">{{ t('mayBorrowersTurnItsScrews') }}</dt>
      <dd class="m-0">
        <ElSelect
          v-if="mayEnd"
          class="w-190px mr-10px"
          :aria-label="t('mayBorrowersLineItUp')"
          :model-value="kit.policies.collimation"
          :disabled="sending"
          @change="emit('policy', $event)"
        >
          <ElOption value="leave-it-to-us" :label="t('leaveItToUs')" />
          <ElOption value="with-help-sheet" :label="t('withTheHelpSheet')" />
        </ElSelect>
        <template v-else>{{
          kit.policies.collimation === 'leave-it-to-us' ? t('leaveItToUs') : t('withTheHelpSheet')
        }}</template>
        <RouterLink v-if="kit.policies.collimation === 'with-help-sheet'" :to="`/guides/help-sheet/${kit.code}`">{{
          t('helpSheet')
        }}</RouterLink>
      </dd>
    </template>
  </dl>
</template>
