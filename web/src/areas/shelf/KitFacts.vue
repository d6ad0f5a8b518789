<script setup lang="ts">
import type { KitSheet } from '@binoculum/contract'
import { families, massText, moneyText } from '@binoculum/core'
import { computed } from 'vue'
import { groupWords } from '../../shared/weigh-in/use-weigh-in.ts'

/** What a kit is, what it weighs, and whether borrowers may turn its screws. */
const { kit, mayEnd, sending } = defineProps<{ kit: KitSheet; mayEnd: boolean; sending: boolean }>()
const emit = defineEmits<{ policy: [policy: string] }>()
const massG = computed(() => kit.parts.reduce((sum, part) => sum + (part.massG ?? 0) * part.count, 0))
</script>

<template>
  <h2>Facts</h2>
  <dl class="facts">
    <dt>family</dt>
    <dd>{{ families[kit.family] }}</dd>
    <dt>aperture, focal length</dt>
    <dd>
      {{ kit.optics.apertureMm }} / {{ kit.optics.focalLengthMm }} mm, f/{{
        (kit.optics.focalLengthMm / kit.optics.apertureMm).toFixed(1)
      }}
    </dd>
    <template v-if="kit.details.owner">
      <dt>owner</dt>
      <dd>{{ kit.details.owner }}</dd>
    </template>
    <template v-if="kit.details.serialNumber">
      <dt>serial number</dt>
      <dd>{{ kit.details.serialNumber }}</dd>
    </template>
    <template v-if="kit.details.priceMinor !== null">
      <dt>price</dt>
      <dd>{{ moneyText(kit.details.priceMinor, kit.currency) }}</dd>
    </template>
    <template v-if="kit.details.note">
      <dt>note</dt>
      <dd>{{ kit.details.note }}</dd>
    </template>
    <dt>whole kit</dt>
    <dd>{{ massText(massG) }}, {{ kit.parts.length }} lines</dd>
    <dt>weighed complete</dt>
    <dd>
      <span v-for="(each, index) in kit.baselines" :key="each.group"
        >{{ index > 0 ? ', ' : '' }}{{ groupWords(each.group) }} {{ massText(each.measuredG) }}</span
      >
      <span v-if="kit.baselines.length === 0" class="quiet">never yet: small losses stay unseen</span>
    </dd>
    <dt>mirror</dt>
    <dd>{{ kit.optics.collimatable ? 'lined up at the bench' : 'judged on a star only' }}</dd>
    <template v-if="kit.optics.collimatable">
      <dt>may borrowers turn its screws?</dt>
      <dd>
        <ElSelect
          v-if="mayEnd"
          class="policy"
          aria-label="May borrowers line it up?"
          :model-value="kit.policies.collimation"
          :disabled="sending"
          @change="emit('policy', $event)"
        >
          <ElOption value="leave-it-to-us" label="leave it to us" />
          <ElOption value="with-help-sheet" label="with the help sheet" />
        </ElSelect>
        <template v-else>{{
          kit.policies.collimation === 'leave-it-to-us' ? 'leave it to us' : 'with the help sheet'
        }}</template>
        <RouterLink v-if="kit.policies.collimation === 'with-help-sheet'" :to="`/guides/help-sheet/${kit.code}`"
          >Help sheet</RouterLink
        >
      </dd>
    </template>
  </dl>
</template>

<style scoped>
.facts {
  display: grid;
  grid-template-columns: max-content 1fr max-content 1fr;
  gap: 4px 18px;
  margin: 0;
}

dt {
  color: var(--quiet);
}

dd {
  margin: 0;
}

.policy {
  width: 190px;
  margin-right: 10px;
}

@media (max-width: 700px) {
  .facts {
    grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  }
}
</style>
