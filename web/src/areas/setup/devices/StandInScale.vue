<script setup lang="ts">
import { kitSheetSchema, shelfSchema, type KitSheet } from '@binoculum/contract'
import { massText } from '@binoculum/core'
import { computed, onScopeDispose, ref, watch } from 'vue'
import ChoiceSelect from '../../../shared/controls/ChoiceSelect.vue'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { SimulatedScale, type SimulatedPan } from '../../../shared/devices/simulated-scale.ts'
import { setupWords } from '../words.ts'

const t = setupWords('standInScale')

/** A made-up pan: parts of any kit go on and off, and whatever window reads the stand-in sees its lines. */
const { data: shelf } = useLoaded(shelfSchema, '/api/kits')
const code = ref('')
const kit = ref<KitSheet | null>(null)
const onPan = ref<ReadonlyMap<string, { readonly name: string; readonly massG: number; readonly count: number }>>(
  new Map(),
)
const boxG = ref<number | null>(0)
const unit = ref<SimulatedPan['unit']>('g')
const units = (['g', 'kg', 'lb', 'oz'] as const).map((value) => ({ value, words: value }))
/** Typed away they stand as they were made. */
const USUAL = { stepG: 1, mostG: 5000 } as const
const stepG = ref<number | null>(USUAL.stepG)
const mostG = ref<number | null>(USUAL.mostG)
const drifts = ref(false)
const line = ref('')
const isOn = ref(false)
const group = ref('')

const loadG = computed(() =>
  [...onPan.value.values()].reduce((sum, { massG, count }) => sum + massG * count, boxG.value ?? 0),
)
const scale = new SimulatedScale(
  () => ({
    loadG: loadG.value,
    unit: unit.value,
    stepG: stepG.value ?? USUAL.stepG,
    mostG: mostG.value ?? USUAL.mostG,
    driftGPerS: drifts.value ? (stepG.value ?? USUAL.stepG) : 0,
  }),
  (text) => (line.value = text),
)
onScopeDispose(() => scale.close())

const groups = computed(() => [...new Set(kit.value?.parts.map(({ weighGroup }) => weighGroup) ?? [])])
const shown = computed(
  () => kit.value?.parts.filter(({ weighGroup, massG }) => weighGroup === group.value && massG !== null) ?? [],
)

watch(code, async (given) => {
  kit.value = given ? await api.get(kitSheetSchema, `/api/kits/${encodeURIComponent(given)}`) : null
  group.value = groups.value[0] ?? ''
})

function set(part: KitSheet['parts'][number], count: number) {
  const next = new Map(onPan.value)
  if (count <= 0) next.delete(part.id)
  else next.set(part.id, { name: part.name, massG: part.massG ?? 0, count: Math.min(count, part.count) })
  onPan.value = next
}
function putAll() {
  const next = new Map(onPan.value)
  for (const part of shown.value) next.set(part.id, { name: part.name, massG: part.massG ?? 0, count: part.count })
  onPan.value = next
}
function plug() {
  if (isOn.value) scale.unplug()
  else scale.plugIn()
  isOn.value = scale.isOn
  if (!isOn.value) line.value = ''
}
</script>

<template>
  <div class="grid gap-10px py-14px px-16px line-rule-strong rd-4px bg-card">
    <h3>{{ t('theStandInsPan') }}</h3>
    <div class="flex flex-wrap gap-y-8px gap-x-14px items-center">
      <ElButton :aria-pressed="isOn" @click="plug">
        {{ isOn ? t('unplug') : t('plugIn') }}
      </ElButton>
      <ElButton :disabled="!isOn" @click="scale.tare()">{{ t('tare') }}</ElButton>
      <code class="min-w-170px py-6px px-10px line-rule bg-well text-15px" :aria-label="t('lineOfTheScale')">{{
        line || t('off')
      }}</code>
      <span class="second">{{ t('onThePan', { loadG: massText(loadG) }) }}</span>
    </div>
    <div class="grid grid-cols-[repeat(4,96px)_auto] gap-10px items-end">
      <label class="labelled"
        ><span>{{ t('unit') }}</span
        ><ChoiceSelect v-model="unit" :options="units" :label="t('unit2')"
      /></label>
      <label class="labelled"
        ><span>{{ t('step') }}</span
        ><FigureInput v-model="stepG" :label="t('step2')" unit="g"
      /></label>
      <label class="labelled"
        ><span>{{ t('upTo') }}</span
        ><FigureInput v-model="mostG" :label="t('upTo2')" unit="g"
      /></label>
      <label class="labelled"
        ><span>{{ t('box') }}</span
        ><FigureInput v-model="boxG" :label="t('box2')" unit="g"
      /></label>
      <ElCheckbox v-model="drifts">{{ t('drifts') }}</ElCheckbox>
    </div>
    <div class="flex flex-wrap gap-y-8px gap-x-14px items-center">
      <ElSelect
        v-model="code"
        class="kit w-240px"
        :aria-label="t('kitWhosePartsGoOn')"
        :placeholder="t('chooseAKit')"
        filterable
      >
        <ElOption
          v-for="each in shelf?.kits ?? []"
          :key="each.id"
          :value="each.code"
          :label="`${each.name}, ${each.code}`"
        />
      </ElSelect>
      <ElButton
        v-for="each in groups"
        :key="each"
        link
        :type="each === group ? 'primary' : 'default'"
        :aria-pressed="each === group"
        @click="group = each"
      >
        {{ each || t('theRest') }}
      </ElButton>
    </div>
    <template v-if="kit">
      <div class="flex flex-wrap gap-y-8px gap-x-14px items-center">
        <ElButton @click="putAll">{{ t('putAllOn') }}</ElButton>
        <ElButton @click="onPan = new Map()">{{ t('clearThePan') }}</ElButton>
      </div>
      <ul class="grid grid-cols-[1fr_1fr] gap-y-0 gap-x-24px m-0 p-0 list-none">
        <li v-for="part in shown" :key="part.id" class="flex gap-10px items-center min-h-32px line-b-rule">
          <ElCheckbox
            class="flex-1 min-w-0 break-anywhere"
            :model-value="onPan.has(part.id)"
            @update:model-value="set(part, $event === true ? part.count : 0)"
            >{{ part.name }}</ElCheckbox
          >
          <span v-if="part.count > 1">
            <ElButton
              size="small"
              :aria-label="t('oneOff', { name: part.name })"
              @click="set(part, (onPan.get(part.id)?.count ?? 0) - 1)"
              >−</ElButton
            >
            {{ onPan.get(part.id)?.count ?? 0 }}
            <ElButton
              size="small"
              :aria-label="t('oneOn', { name: part.name })"
              @click="set(part, (onPan.get(part.id)?.count ?? 0) + 1)"
              >+</ElButton
            >
          </span>
          <span class="second">{{ massText((part.massG ?? 0) * part.count) }}</span>
        </li>
      </ul>
    </template>
    <p v-if="onPan.size > 0" class="second">
      {{
        t('liesThere', {
          things: [...onPan.values()].map(({ name, count }) => (count > 1 ? `${count} × ${name}` : name)).join(', '),
        })
      }}
    </p>
  </div>
</template>
