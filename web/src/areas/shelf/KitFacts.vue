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
  <dl
    class="grid grid-cols-[max-content_1fr_max-content_1fr] gap-y-4px gap-x-18px m-0 max-[700px]:grid-cols-[minmax(0,2fr)_minmax(0,3fr)]"
  >
    <dt class="text-quiet">family</dt>
    <dd class="m-0">{{ families[kit.family] }}</dd>
    <dt class="text-quiet">aperture, focal length</dt>
    <dd class="m-0">
      {{ kit.optics.apertureMm }} / {{ kit.optics.focalLengthMm }} mm, f/{{
        (kit.optics.focalLengthMm / kit.optics.apertureMm).toFixed(1)
      }}
    </dd>
    <template v-if="kit.details.owner">
      <dt class="text-quiet">owner</dt>
      <dd class="m-0">{{ kit.details.owner }}</dd>
    </template>
    <template v-if="kit.details.serialNumber">
      <dt class="text-quiet">serial number</dt>
      <dd class="m-0">{{ kit.details.serialNumber }}</dd>
    </template>
    <template v-if="kit.details.priceMinor !== null">
      <dt class="text-quiet">price</dt>
      <dd class="m-0">{{ moneyText(kit.details.priceMinor, kit.currency) }}</dd>
    </template>
    <template v-if="kit.details.note">
      <dt class="text-quiet">note</dt>
      <dd class="m-0">{{ kit.details.note }}</dd>
    </template>
    <dt class="text-quiet">whole kit</dt>
    <dd class="m-0">{{ massText(massG) }}, {{ kit.parts.length }} lines</dd>
    <dt class="text-quiet">weighed complete</dt>
    <dd class="m-0">
      <span v-for="(each, index) in kit.baselines" :key="each.group"
        >{{ index > 0 ? ', ' : '' }}{{ groupWords(each.group) }} {{ massText(each.measuredG) }}</span
      >
      <span v-if="kit.baselines.length === 0" class="quiet">never yet: small losses stay unseen</span>
    </dd>
    <dt class="text-quiet">mirror</dt>
    <dd class="m-0">{{ kit.optics.collimatable ? 'lined up at the bench' : 'judged on a star only' }}</dd>
    <template v-if="kit.optics.collimatable">
      <dt class="text-quiet">may borrowers turn its screws?</dt>
      <dd class="m-0">
        <ElSelect
          v-if="mayEnd"
          class="w-190px mr-10px"
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
