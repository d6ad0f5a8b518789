<script setup lang="ts">
import { kitSheetSchema, shelfSchema, type KitSheet } from '@binoculum/contract'
import { massText } from '@binoculum/core'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { api } from '../../../shared/api/client.ts'
import { useLoaded } from '../../../shared/api/use-loaded.ts'
import { SimulatedScale, type SimulatedPan } from '../../../shared/devices/simulated-scale.ts'

/** A made-up pan: parts of any kit go on and off, and whatever window reads the stand-in sees its lines. */
const { data: shelf } = useLoaded(shelfSchema, '/api/kits')
const code = ref('')
const kit = ref<KitSheet | null>(null)
const onPan = ref<ReadonlyMap<string, { readonly name: string; readonly massG: number; readonly count: number }>>(
  new Map(),
)
const boxG = ref(0)
const unit = ref<SimulatedPan['unit']>('g')
const stepG = ref(1)
const mostG = ref(5000)
const drifts = ref(false)
const line = ref('')
const isOn = ref(false)
const group = ref('')

const loadG = computed(() =>
  [...onPan.value.values()].reduce((sum, { massG, count }) => sum + massG * count, boxG.value),
)
const scale = new SimulatedScale(
  () => ({
    loadG: loadG.value,
    unit: unit.value,
    stepG: stepG.value,
    mostG: mostG.value,
    driftGPerS: drifts.value ? stepG.value : 0,
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
  <div class="stand-in">
    <h3>The stand-in’s pan</h3>
    <div class="head">
      <ElButton :aria-pressed="isOn" @click="plug">
        {{ isOn ? 'Unplug' : 'Plug in' }}
      </ElButton>
      <ElButton :disabled="!isOn" @click="scale.tare()">Tare</ElButton>
      <code aria-label="line of the scale">{{ line || 'off' }}</code>
      <span class="second">on the pan: {{ massText(loadG) }}</span>
    </div>
    <div class="settings">
      <label class="labelled"
        ><span>unit</span
        ><select v-model="unit" class="field">
          <option v-for="each in ['g', 'kg', 'lb', 'oz']" :key="each">{{ each }}</option>
        </select></label
      >
      <label class="labelled"
        ><span>step, g</span><input v-model.number="stepG" class="field" type="number" min="0.1" step="0.1"
      /></label>
      <label class="labelled"
        ><span>up to, g</span><input v-model.number="mostG" class="field" type="number" min="100"
      /></label>
      <label class="labelled"
        ><span>box, g</span><input v-model.number="boxG" class="field" type="number" min="0"
      /></label>
      <label class="drift"><input v-model="drifts" type="checkbox" /> drifts</label>
    </div>
    <div class="head">
      <select v-model="code" class="field kit" aria-label="Kit whose parts go on the pan">
        <option value="">choose a kit</option>
        <option v-for="each in shelf?.kits ?? []" :key="each.id" :value="each.code">
          {{ each.name }}, {{ each.code }}
        </option>
      </select>
      <button
        v-for="each in groups"
        :key="each"
        type="button"
        :class="['group', { chosen: each === group }]"
        @click="group = each"
      >
        {{ each || 'the rest' }}
      </button>
    </div>
    <template v-if="kit">
      <div class="head">
        <ElButton @click="putAll">Put all on</ElButton>
        <ElButton @click="onPan = new Map()">Clear the pan</ElButton>
      </div>
      <ul>
        <li v-for="part in shown" :key="part.id">
          <label>
            <input
              type="checkbox"
              :checked="onPan.has(part.id)"
              @change="set(part, ($event.target as HTMLInputElement).checked ? part.count : 0)"
            />
            {{ part.name }}
          </label>
          <span v-if="part.count > 1" class="pieces">
            <button
              type="button"
              class="step"
              :aria-label="`one ${part.name} off`"
              @click="set(part, (onPan.get(part.id)?.count ?? 0) - 1)"
            >
              −
            </button>
            {{ onPan.get(part.id)?.count ?? 0 }}
            <button
              type="button"
              class="step"
              :aria-label="`one ${part.name} on`"
              @click="set(part, (onPan.get(part.id)?.count ?? 0) + 1)"
            >
              +
            </button>
          </span>
          <span class="second">{{ massText((part.massG ?? 0) * part.count) }}</span>
        </li>
      </ul>
    </template>
    <p v-if="onPan.size > 0" class="second">
      lies there:
      {{ [...onPan.values()].map(({ name, count }) => (count > 1 ? `${count} × ${name}` : name)).join(', ') }}
    </p>
  </div>
</template>

<style scoped>
.stand-in {
  display: grid;
  gap: 10px;
  padding: 14px 16px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--card);
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}

code {
  min-width: 170px;
  padding: 6px 10px;
  border: 1px solid var(--rule);
  background: var(--well);
  font-size: 15px;
}

.settings {
  display: grid;
  grid-template-columns: repeat(4, 96px) auto;
  gap: 10px;
  align-items: end;
}

.kit {
  width: 240px;
}

.group {
  border: 0;
  border-bottom: 2px solid transparent;
  background: none;
  color: var(--quiet);
  font: inherit;
  cursor: pointer;
}

.group.chosen {
  border-color: var(--night);
  color: var(--night);
}

ul {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 24px;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 32px;
  border-bottom: 1px solid var(--rule);
}

li label {
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}

.step {
  width: 28px;
  height: 28px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: none;
  cursor: pointer;
}
</style>
