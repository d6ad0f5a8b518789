<script setup lang="ts">
import { madeSchema, type WeighGroup } from '@binoculum/contract'
import {
  filterFastenings,
  filterFasteningWords,
  filterMaterials,
  filterMaterialWords,
  finderKinds,
  finderKindWords,
  isHazardRole,
  lookAlikeRoles,
  massText,
  roleFacts,
  roles,
  type Criticality,
  type Role,
} from '@binoculum/core'
import { computed } from 'vue'
import { api } from '../../../shared/api/client.ts'
import { roleChoices, type DraftPart } from './model-draft.ts'

/** Everything a model says of one part. */
const {
  part,
  number,
  places,
  groups,
  readonly = false,
  branchId,
} = defineProps<{
  part: DraftPart
  number: number
  places: readonly string[]
  groups: readonly WeighGroup[]
  readonly?: boolean
  branchId: string
}>()
const emit = defineEmits<{ set: [change: Partial<DraftPart>]; remove: [] }>()

const criticalities: readonly Criticality[] = [
  'essential',
  'useful',
  'protective',
  'consumable',
  'papers',
  'safety',
  'tool',
]
const likeness = computed(() =>
  lookAlikeRoles(part.role)
    .filter((role) => role !== part.role)
    .map((role) => roles[role].words),
)
const facts = computed(() => roleFacts(part.role))
const hazard = computed(() => isHazardRole(part.role) || part.role === 'coin-cell')

const textOf = (event: Event) => (event.target as HTMLInputElement).value
const numberOf = (event: Event) => {
  const text = textOf(event).trim().replace(',', '.')
  return text === '' || Number.isNaN(Number(text)) ? null : Number(text)
}
const isEyepiece = computed(() => ['low-eyepiece', 'eyepiece', 'erecting-eyepiece'].includes(part.role))
/** Parts between focuser and eyepiece have a barrel and a hole; some lengthen the focal length. */
const isBetween = computed(() =>
  ['barlow', 'focal-extender', 'diagonal', 'erecting-diagonal', 'barrel-adapter'].includes(part.role),
)
const lengthens = computed(() => ['barlow', 'focal-extender', 'erecting-diagonal'].includes(part.role))
const barrels = [24.5, 31.75, 50.8] as const
function setWord(key: 'finderKind' | 'filterMaterial' | 'filterFastening', event: Event) {
  const { [key]: _before, ...others } = part.optics
  const word = textOf(event)
  emit('set', { optics: word === '' ? others : { ...others, [key]: word } })
}
const lacksOptics = computed(
  () =>
    (isEyepiece.value && part.optics.focalLengthMm === undefined) ||
    (part.role === 'barlow' && part.optics.barlow === undefined),
)
/** Nothing written, or what is no length, takes the figure out. */
function setOptics(key: keyof DraftPart['optics'], event: Event) {
  const { [key]: _before, ...others } = part.optics
  const value = numberOf(event)
  emit('set', { optics: value !== null && value > 0 ? { ...others, [key]: value } : others })
}
/** A role brings its facts along; what was written by hand stays. */
function setRole(role: Role) {
  const { criticality, lookEveryTime = false } = roleFacts(role)
  emit('set', { role, criticality, lookEveryTime })
}
function setMass(event: Event) {
  const massG = numberOf(event)
  emit('set', { massG, toleranceG: massG === null ? null : (part.toleranceG ?? Math.max(1, massG * 0.02)) })
}
async function addPicture(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  const { id } = await api.upload(madeSchema, `/api/pictures?branchId=${branchId}`, file)
  emit('set', { pictureId: id })
}
</script>

<template>
  <fieldset class="part-fields" :disabled="readonly">
    <legend>
      <strong>{{ number }} {{ part.name }}</strong>
    </legend>
    <label class="row"
      ><em>name</em
      ><input
        class="field"
        :value="part.name"
        maxlength="120"
        required
        @input="emit('set', { name: textOf($event) })"
    /></label>
    <label class="row">
      <em>role</em>
      <select class="field" :value="part.role" @change="setRole(textOf($event) as Role)">
        <option v-for="each in roleChoices" :key="each.role" :value="each.role">{{ each.words }}</option>
      </select>
    </label>
    <div class="row">
      <em>how many</em>
      <span class="three">
        <input
          class="field"
          type="number"
          min="1"
          max="200"
          :value="part.count"
          aria-label="how many"
          @change="emit('set', { count: Math.max(1, numberOf($event) ?? 1) })"
        />
        <select
          class="field"
          :value="part.criticality"
          aria-label="needed"
          @change="emit('set', { criticality: textOf($event) as Criticality })"
        >
          <option v-for="each in criticalities" :key="each" :value="each">{{ each }}</option>
        </select>
      </span>
    </div>
    <div v-if="isEyepiece" class="row">
      <em>focal length</em>
      <span class="three">
        <input
          class="field"
          inputmode="decimal"
          :value="part.optics.focalLengthMm ?? ''"
          aria-label="focal length, mm; of a zoom the longest"
          placeholder="mm"
          @change="setOptics('focalLengthMm', $event)"
        />
        <input
          class="field"
          inputmode="decimal"
          :value="part.optics.shortestFocalLengthMm ?? ''"
          aria-label="shortest focal length of a zoom, mm"
          placeholder="zoom to mm"
          @change="setOptics('shortestFocalLengthMm', $event)"
        />
      </span>
    </div>
    <div v-if="isEyepiece" class="row">
      <em>field, barrel</em>
      <span class="three">
        <input
          class="field"
          inputmode="decimal"
          :value="part.optics.apparentFieldDeg ?? ''"
          aria-label="apparent field, degrees"
          placeholder="field °"
          @change="setOptics('apparentFieldDeg', $event)"
        />
        <select
          class="field"
          :value="part.optics.maleMm ?? 31.75"
          aria-label="barrel"
          @change="setOptics('maleMm', $event)"
        >
          <option v-for="mm in barrels" :key="mm" :value="mm">{{ mm }} mm</option>
        </select>
      </span>
    </div>
    <div v-if="isBetween" class="row">
      <em>barrel, hole</em>
      <span class="three">
        <select
          class="field"
          :value="part.optics.maleMm ?? 31.75"
          aria-label="barrel that goes in"
          @change="setOptics('maleMm', $event)"
        >
          <option v-for="mm in barrels" :key="mm" :value="mm">in {{ mm }} mm</option>
        </select>
        <select
          class="field"
          :value="part.optics.femaleMm ?? part.optics.maleMm ?? 31.75"
          aria-label="hole that takes the next part"
          @change="setOptics('femaleMm', $event)"
        >
          <option v-for="mm in barrels" :key="mm" :value="mm">takes {{ mm }} mm</option>
        </select>
      </span>
    </div>
    <label v-if="part.role === 'finder'" class="row">
      <em>kind</em>
      <select class="field" :value="part.optics.finderKind ?? ''" @change="setWord('finderKind', $event)">
        <option value="">as its name says</option>
        <option v-for="kind in finderKinds" :key="kind" :value="kind">{{ finderKindWords[kind] }}</option>
      </select>
    </label>
    <template v-if="part.role === 'front-filter'">
      <label class="row">
        <em>made of</em>
        <select class="field" :value="part.optics.filterMaterial ?? ''" @change="setWord('filterMaterial', $event)">
          <option value="">not said</option>
          <option v-for="each in filterMaterials" :key="each" :value="each">{{ filterMaterialWords[each] }}</option>
        </select>
      </label>
      <label class="row">
        <em>held by</em>
        <select class="field" :value="part.optics.filterFastening ?? ''" @change="setWord('filterFastening', $event)">
          <option value="">not said</option>
          <option v-for="each in filterFastenings" :key="each" :value="each">{{ filterFasteningWords[each] }}</option>
        </select>
      </label>
    </template>
    <label v-if="lengthens" class="row">
      <em>times</em>
      <input
        class="field"
        inputmode="decimal"
        :value="part.optics.barlow ?? ''"
        placeholder="2 for a Barlow 2×"
        @change="setOptics('barlow', $event)"
      />
    </label>
    <p v-if="lacksOptics" class="row">
      <em>powers</em><span class="rust">without it, no guide can say its power</span>
    </p>
    <div class="row">
      <em>mass, ±2σ</em>
      <span class="three">
        <input
          class="field"
          inputmode="decimal"
          :value="part.massG ?? ''"
          aria-label="mass of one, g"
          placeholder="g"
          @change="setMass"
        />
        <input
          class="field"
          inputmode="decimal"
          :value="part.toleranceG === null ? '' : Math.round(part.toleranceG * 10) / 10"
          aria-label="tolerance, g"
          placeholder="± g"
          @change="emit('set', { toleranceG: numberOf($event) })"
        />
      </span>
    </div>
    <label class="row">
      <em>weighed in</em>
      <select class="field" :value="part.weighGroup" @change="emit('set', { weighGroup: textOf($event) })">
        <option value="">with the whole kit only</option>
        <option v-for="each in groups" :key="each.name" :value="each.name">{{ each.name }}</option>
      </select>
    </label>
    <label class="row">
      <em>lost with</em>
      <input
        class="field"
        :value="part.together"
        maxlength="60"
        placeholder="a name for what is lost as one"
        @change="emit('set', { together: textOf($event).trim() })"
      />
    </label>
    <label class="row">
      <em>lies in</em>
      <input
        class="field"
        :value="part.place"
        list="places"
        maxlength="60"
        @change="emit('set', { place: textOf($event).trim() })"
      />
      <datalist id="places"><option v-for="place in places" :key="place" :value="place"></option></datalist>
    </label>
    <label class="row">
      <em>look for</em>
      <input
        class="field"
        :value="part.lookFor"
        :placeholder="facts.lookFor"
        maxlength="200"
        @input="emit('set', { lookFor: textOf($event) })"
      />
    </label>
    <label class="row tick">
      <em>every time</em>
      <span
        ><input
          type="checkbox"
          :checked="part.lookEveryTime"
          @change="emit('set', { lookEveryTime: ($event.target as HTMLInputElement).checked })"
        />
        needs a look of its own</span
      >
    </label>
    <div class="row">
      <em>cost</em>
      <input
        class="field"
        inputmode="decimal"
        :value="part.costMinor === null ? '' : part.costMinor / 100"
        aria-label="cost of replacing one"
        @change="
          emit('set', { costMinor: numberOf($event) === null ? null : Math.round((numberOf($event) ?? 0) * 100) })
        "
      />
    </div>
    <div class="row">
      <em>cells</em>
      <span v-if="part.consumable" class="three">
        <input
          class="field"
          :value="part.consumable.kind"
          aria-label="kind of cell"
          @change="emit('set', { consumable: { ...part.consumable!, kind: textOf($event) || 'cell' } })"
        />
        <input
          class="field"
          type="number"
          min="1"
          max="50"
          :value="part.consumable.pieces"
          aria-label="number of cells"
          @change="emit('set', { consumable: { ...part.consumable!, pieces: Math.max(1, numberOf($event) ?? 1) } })"
        />
        <button type="button" class="link-button" @click="emit('set', { consumable: null })">none</button>
      </span>
      <button
        v-else
        type="button"
        class="link-button"
        @click="emit('set', { consumable: { kind: 'AA', pieces: part.count, changedOn: null } })"
      >
        wears out: say which cells
      </button>
    </div>
    <p class="row">
      <em>looks like</em>
      <span v-if="likeness.length > 0 || lookAlikeRoles(part.role).length > 0" class="brass">{{
        ['others of its kind', ...likeness].join(', ')
      }}</span>
      <span v-else class="quiet">nothing else</span>
    </p>
    <p v-if="facts.neverOverrule" class="row">
      <em>missing</em><span class="rust">held; nobody may overrule it</span>
    </p>
    <p v-if="hazard" class="row">
      <em>hazard</em
      ><span class="rust">{{
        part.role === 'coin-cell' ? 'swallowed, it burns within two hours' : 'must not be in any case'
      }}</span>
    </p>
    <div class="row">
      <em>picture</em>
      <span>
        <img
          v-if="part.pictureId"
          :src="`/api/pictures/${part.pictureId}`"
          :alt="`Picture of ${part.name}`"
          width="96"
        />
        <input type="file" accept="image/*" :aria-label="`Picture of ${part.name}`" @change="addPicture" />
      </span>
    </div>
    <p v-if="part.massG !== null && part.count > 1" class="second">
      {{ part.count }} weigh {{ massText(part.massG * part.count) }}.
    </p>
    <button v-if="!readonly" type="button" class="link-button rust" @click="emit('remove')">
      Take it off the card
    </button>
  </fieldset>
</template>

<style scoped>
.part-fields {
  display: grid;
  gap: 3px;
  margin: 0;
  padding: 0;
  border: 0;
}

legend {
  padding: 0 0 6px;
  color: var(--night);
  font-size: 17px;
}

.row {
  display: grid;
  grid-template-columns: 82px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  min-height: 30px;
  border-bottom: 1px solid var(--rule);
}

.field {
  min-height: 28px;
  padding: 2px 6px;
  border-color: transparent;
  background: transparent;
  font-size: 14px;
}

.field:hover,
.field:focus {
  border-color: var(--rule-strong);
  background: var(--card);
}

.three {
  display: grid;
  grid-template-columns: 1fr 1fr auto;
  gap: 4px;
  align-items: center;
}

.tick span {
  padding-left: 6px;
}
</style>
