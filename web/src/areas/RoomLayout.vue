<script setup lang="ts">
import { kitSheetSchema } from '@binoculum/contract'
import { useRoute, useRouter } from 'vue-router'
import KeyCap from '../shared/keys/KeyCap.vue'
import { api } from '../shared/api/client.ts'
import { useScans } from '../shared/devices/scanner.ts'
import { useKeys } from '../shared/keys/use-keys.ts'
import { areas } from './areas.ts'
import AllKeys from './AllKeys.vue'
import TopLine from './TopLine.vue'
import { ref } from 'vue'
import { frameWords } from './words.ts'

const t = frameWords('roomLayout')

const route = useRoute()
const router = useRouter()
const showsKeys = ref(false)
let goPressedAtMs = 0
const GO_WITHIN_MS = 1500

const isHere = (path: string) => route.path.startsWith(path) || (path === '/shelf' && route.path.startsWith('/kits'))

/** `g`, then the letter of an area. */
function goKeys() {
  const pending = Date.now() - goPressedAtMs < GO_WITHIN_MS
  return {
    g: () => (goPressedAtMs = Date.now()),
    '?': () => (showsKeys.value = !showsKeys.value),
    Escape: () => (showsKeys.value = false),
    ...(pending ? Object.fromEntries(areas.map((area) => [area.key, () => go(area.path)])) : {}),
  }
}

function go(path: string) {
  goPressedAtMs = 0
  void router.push(path)
}
useKeys(goKeys)

/** A scanned label opens what its kit needs: the take-back while it is out, else its sheet. */
useScans((code) => void openScanned(code))
async function openScanned(code: string) {
  const kitCode = code.split('/')[0] ?? code
  const kit = await api.get(kitSheetSchema, `/api/kits/${encodeURIComponent(kitCode)}`).catch(() => null)
  const sheet = `/kits/${encodeURIComponent(kitCode)}`
  await router.push(kit?.loan ? `/desk/take-back/${kit.loan.id}` : sheet)
}
</script>

<template>
  <div class="room grid grid-cols-[124px_minmax(0,1fr)] min-h-100vh max-[760px]:block">
    <nav
      class="screen-only sticky top-0 flex flex-col h-100vh pl-9px line-r-rule [background:repeating-linear-gradient(135deg,var(--rule-strong)_0_1px,transparent_1px_4px)_left_/_8px_100%_no-repeat,linear-gradient(var(--quiet),var(--quiet))_8px_0_/_1px_100%_no-repeat,var(--well)] max-[760px]:static max-[760px]:flex-row max-[760px]:gap-4px max-[760px]:h-auto max-[760px]:overflow-x-auto max-[760px]:line-r-none max-[760px]:line-b-rule"
      :aria-label="t('areas')"
    >
      <RouterLink
        to="/shelf"
        class="name pr-0 pl-11px pt-12px pb-34px [font:400_18px/24px_var(--serif)] no-underline"
        >{{ t('binoculum') }}</RouterLink
      >
      <RouterLink
        v-for="area in areas"
        :key="area.path"
        :to="area.path"
        :class="['place', { here: isHere(area.path) }]"
        :aria-current="isHere(area.path) ? 'page' : undefined"
      >
        <svg width="34" height="30" viewBox="0 0 34 30" aria-hidden="true">
          <path :d="area.drawing" />
          <circle v-if="isHere(area.path)" cx="29" cy="15" r="3.6" />
        </svg>
        <span>{{ area.name }}</span>
      </RouterLink>
      <div class="hints mr-0 ml-11px mt-auto mb-14px text-quiet text-13px">
        <p class="mb-6px"><KeyCap name="g" /> {{ t('letter') }}</p>
        <button
          type="button"
          class="p-0 line-none bg-none [color:inherit] font-inherit cursor-pointer"
          @click="showsKeys = true"
        >
          <KeyCap name="?" /> {{ t('allKeys') }}
        </button>
      </div>
    </nav>
    <div class="flex flex-col min-w-0">
      <TopLine class="screen-only" />
      <RouterView v-slot="{ Component }">
        <component :is="Component" :key="route.path.split('/').slice(0, 4).join('/')" />
      </RouterView>
    </div>
    <AllKeys v-if="showsKeys" @close="showsKeys = false" />
  </div>
</template>

<style scoped src="../theme/rail.css"></style>
