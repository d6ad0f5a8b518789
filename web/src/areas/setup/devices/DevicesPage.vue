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

const ways: readonly { kind: ScaleKind; words: string; aside: string }[] = [
  { kind: 'none', words: 'none', aside: 'weights are typed in' },
  { kind: 'serial', words: 'on a cable', aside: 'serial or its USB adapter, 9600 baud, plain text lines' },
  { kind: 'stand-in', words: 'stand-in', aside: 'the pan below; open it in a window of its own' },
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
    <h1>Devices at this place</h1>
    <p class="quiet">Kept on this machine only. What has no device is typed in; everything works without one.</p>
    <div
      class="columns grid grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)] gap-40px items-start mt-14px max-[900px]:grid-cols-[minmax(0,1fr)]"
    >
      <section class="grid gap-10px">
        <h2 class="pb-2px line-b-rule-strong">Scale</h2>
        <p class="second">which one</p>
        <ElRadioGroup
          :model-value="scaleKind"
          aria-label="which scale"
          class="ways grid gap-6px"
          @update:model-value="choose($event as ScaleKind)"
        >
          <ElRadio v-for="way in ways" :key="way.kind" class="long" :value="way.kind">
            <b>{{ way.words }}</b> <span class="second">{{ way.aside }}</span>
          </ElRadio>
        </ElRadioGroup>
        <div v-if="scaleKind !== 'none'" class="flex flex-wrap gap-14px items-center">
          <ElButton v-if="!scale.isOpen.value" @click="scale.open()">Try it</ElButton>
          <ElButton v-else @click="scale.close()">Stop</ElButton>
          <output class="figure min-w-130px text-28px fw-640" aria-live="polite">{{
            scale.shown.value ? massText(scale.shown.value.massG) : '–'
          }}</output>
          <span class="second">{{ scale.settled.value ? 'at rest' : scale.shown.value ? 'moving' : '' }}</span>
          <p v-if="scale.trouble.value" class="rust" role="status">{{ scale.trouble.value }}</p>
        </div>
        <StandInScale v-if="scaleKind === 'stand-in'" />
      </section>
      <section class="grid gap-10px">
        <h2 class="pb-2px line-b-rule-strong">Scanner</h2>
        <p>
          A scanner that types like a keyboard works at once, wherever you are: what it types is taken as one scan,
          and never as keys.
        </p>
        <p role="status">
          last scan: <b>{{ lastScan ?? 'none yet' }}</b>
        </p>
        <ElButton @click="seesCamera = !seesCamera">
          {{ seesCamera ? 'Close the camera' : 'Scan with the camera' }}
        </ElButton>
        <CameraScan v-if="seesCamera" />
        <StandInScanner />
        <h2 class="pb-2px line-b-rule-strong">Keys</h2>
        <ElCheckbox v-model="singleKeysOn">
          <b>single keys</b>
          <span class="second block">turn them off if you speak instead of typing; every key has a button</span>
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
