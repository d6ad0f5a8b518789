<script setup lang="ts">
import { ref } from 'vue'
import { scaleKind, useScale, type ScaleKind } from '../../../shared/devices/scale.ts'
import { useScans } from '../../../shared/devices/scanner.ts'
import CameraScan from '../../../shared/devices/CameraScan.vue'
import { singleKeysOn } from '../../../shared/keys/use-keys.ts'
import { massText } from '@binoculum/core'
import SetupTabs from '../SetupTabs.vue'
import StandInScale from './StandInScale.vue'
import StandInScanner from './StandInScanner.vue'
import { setupWords } from '../words.ts'

const t = setupWords('devicesPage')

const ways: readonly { kind: ScaleKind; words: string; aside: string }[] = [
  { kind: 'none', words: t('none'), aside: t('weightsAreTypedIn') },
  { kind: 'serial', words: t('onACable'), aside: t('serialOrItsUsbAdapter') },
  { kind: 'stand-in', words: 'stand-in', aside: t('thePanBelowOpenIt') },
]
const scale = useScale()
const lastScan = ref<string | null>(null)
const seesCamera = ref(false)
useScans((code) => {
  lastScan.value = code
  seesCamera.value = false
})
function choose(kind: ScaleKind) {
  scale.close()
  scaleKind.value = kind
}
</script>

<template>
  <main class="page">
    <SetupTabs />
    <h1>{{ t('devicesAtThisPlace') }}</h1>
    <p class="quiet">{{ t('keptOnThisMachineOnly') }}</p>
    <div
      class="columns grid grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)] gap-40px items-start mt-14px max-[900px]:grid-cols-[minmax(0,1fr)]"
    >
      <section class="grid gap-10px">
        <h2 class="pb-2px line-b-rule-strong">{{ t('scale') }}</h2>
        <p class="second">{{ t('whichOne') }}</p>
        <ElRadioGroup
          :model-value="scaleKind"
          :aria-label="t('whichScale')"
          class="ways grid gap-6px"
          @update:model-value="choose($event as ScaleKind)"
        >
          <ElRadio v-for="way in ways" :key="way.kind" class="long" :value="way.kind">
            <b>{{ way.words }}</b> <span class="second">{{ way.aside }}</span>
          </ElRadio>
        </ElRadioGroup>
        <div v-if="scaleKind !== 'none'" class="flex flex-wrap gap-14px items-center">
          <ElButton v-if="!scale.isOpen.value" @click="scale.open()">{{ t('tryIt') }}</ElButton>
          <ElButton v-else @click="scale.close()">{{ t('stop') }}</ElButton>
          <output class="figure min-w-130px text-28px fw-640" aria-live="polite">{{
            scale.shown.value ? massText(scale.shown.value.massG) : '–'
          }}</output>
          <span class="second">{{ scale.settled.value ? t('atRest') : scale.shown.value ? t('moving') : '' }}</span>
          <p v-if="scale.trouble.value" class="rust" role="status">{{ scale.trouble.value }}</p>
        </div>
        <StandInScale v-if="scaleKind === 'stand-in'" />
      </section>
      <section class="grid gap-10px">
        <h2 class="pb-2px line-b-rule-strong">{{ t('scanner') }}</h2>
        <p>
          {{ t('aScannerThatTypesLike') }}
        </p>
        <p role="status">
          {{ t('lastScan') }} <b>{{ lastScan ?? t('noneYet') }}</b>
        </p>
        <ElButton @click="seesCamera = !seesCamera">
          {{ seesCamera ? t('closeTheCamera') : t('scanWithTheCamera') }}
        </ElButton>
        <CameraScan v-if="seesCamera" />
        <StandInScanner />
        <h2 class="pb-2px line-b-rule-strong">{{ t('keys') }}</h2>
        <ElCheckbox v-model="singleKeysOn">
          <b>{{ t('singleKeys') }}</b>
          <span class="second block">{{ t('turnThemOffIfYou') }}</span>
        </ElCheckbox>
      </section>
    </div>
  </main>
</template>

<style scoped>
.ways .second,
.el-checkbox .second {
  display: block;
  font-weight: 400;
}

:is(.button, .el-button) {
  justify-self: start;
}
</style>
