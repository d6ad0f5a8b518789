<script setup lang="ts">
import { madeSchema, type WeighGroup } from '@binoculum/contract'
import {
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
import { useSending } from '../../../shared/api/use-sending.ts'
import FigureInput from '../../../shared/controls/FigureInput.vue'
import FileButton from '../../../shared/controls/FileButton.vue'
import ProblemNote from '../../../shared/ProblemNote.vue'
import { roleChoices, type DraftPart } from './model-draft.ts'
import PartOptics from './PartOptics.vue'
import RowChoice from './RowChoice.vue'
import { setupWords } from '../words.ts'

const t = setupWords('partFields')

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
const { problem, run } = useSending()

const criticalities: readonly Criticality[] = [
  'essential',
  'useful',
  'protective',
  'consumable',
  'papers',
  'safety',
  'tool',
]
/** Two standard deviations of a part nobody weighed. Common practice, no source. */
const USUAL_TOLERANCE = 0.02
const MINOR_UNITS = 100
const likeness = computed(() =>
  lookAlikeRoles(part.role)
    .filter((role) => role !== part.role)
    .map((role) => roles[role].words),
)
const facts = computed(() => roleFacts(part.role))
const hazard = computed(() => isHazardRole(part.role) || part.role === 'coin-cell')
const asOptions = (words: readonly string[]) => words.map((value) => ({ value, words: value }))
const suggestPlaces = (typed: string, show: (found: { value: string }[]) => void) =>
  show(places.filter((place) => place.toLowerCase().includes(typed.toLowerCase())).map((value) => ({ value })))

/** A role brings its facts along; what was written by hand stays. */
function setRole(role: Role | null) {
  if (!role) return
  const { criticality, lookEveryTime = false } = roleFacts(role)
  emit('set', { role, criticality, lookEveryTime })
}
function setMass(massG: number | null) {
  const toleranceG = massG === null ? null : (part.toleranceG ?? Math.max(1, massG * USUAL_TOLERANCE))
  emit('set', { massG, toleranceG })
}
const setCells = (change: Partial<NonNullable<DraftPart['consumable']>>) =>
  part.consumable && emit('set', { consumable: { ...part.consumable, ...change } })
async function addPicture(file: File) {
  await run(async () => {
    const { id } = await api.upload(madeSchema, `/api/pictures?branchId=${branchId}`, file)
    emit('set', { pictureId: id })
  })
}
</script>

<template>
  <fieldset
    class="part-fields bare-field [--el-component-size:30px] grid grid-cols-[minmax(0,1fr)] gap-3px min-w-0 m-0 p-0 line-none"
    :disabled="readonly"
  >
    <legend class="break-anywhere px-0 pt-0 pb-6px text-night text-17px">
      <strong>{{ number }} {{ part.name }}</strong>
    </legend>
    <div class="row">
      <em>{{ t('name') }}</em>
      <ElInput
        :model-value="part.name"
        :aria-label="t('name')"
        maxlength="120"
        required
        @input="(name: string) => emit('set', { name })"
      />
    </div>
    <div class="row">
      <em>{{ t('role') }}</em>
      <RowChoice
        :model-value="part.role"
        :label="t('role')"
        :options="roleChoices.map(({ role, words }) => ({ value: role, words }))"
        @update:model-value="setRole"
      />
    </div>
    <div class="row">
      <em>{{ t('howMany') }}</em>
      <span class="two">
        <ElInputNumber
          :model-value="part.count"
          :aria-label="t('howMany')"
          :min="1"
          :max="200"
          controls-position="right"
          @update:model-value="(count: number | undefined) => emit('set', { count: count ?? 1 })"
        />
        <RowChoice
          :model-value="part.criticality"
          :label="t('needed')"
          :options="asOptions(criticalities)"
          @update:model-value="(value) => value && emit('set', { criticality: value as Criticality })"
        />
      </span>
    </div>
    <PartOptics :part="part" @set="(optics) => emit('set', { optics })" />
    <div class="row">
      <em>{{ t('mass') }}</em>
      <span class="two">
        <FigureInput :model-value="part.massG" :label="t('massOfOneG')" unit="g" @update:model-value="setMass" />
        <FigureInput
          :model-value="part.toleranceG === null ? null : Math.round(part.toleranceG * 10) / 10"
          :label="t('toleranceG')"
          unit="± g"
          @update:model-value="(toleranceG) => emit('set', { toleranceG })"
        />
      </span>
    </div>
    <div class="row">
      <em>{{ t('weighedIn') }}</em>
      <RowChoice
        :model-value="part.weighGroup || null"
        :label="t('weighedIn')"
        :none="t('withTheWholeKitOnly')"
        :options="asOptions(groups.map(({ name }) => name))"
        @update:model-value="(group) => emit('set', { weighGroup: String(group ?? '') })"
      />
    </div>
    <div class="row">
      <em>{{ t('lostWith') }}</em>
      <ElInput
        :model-value="part.together"
        :aria-label="t('lostWith')"
        maxlength="60"
        :placeholder="t('aNameForWhatIs')"
        @change="(together: string) => emit('set', { together: together.trim() })"
      />
    </div>
    <div class="row">
      <em>{{ t('liesIn') }}</em>
      <ElAutocomplete
        :model-value="part.place"
        :aria-label="t('liesIn')"
        maxlength="60"
        :fetch-suggestions="suggestPlaces"
        @change="(place: string | number) => emit('set', { place: String(place).trim() })"
        @select="(chosen: Record<string, unknown>) => emit('set', { place: String(chosen.value) })"
      />
    </div>
    <div class="row">
      <em>{{ t('lookFor') }}</em>
      <ElInput
        :model-value="part.lookFor"
        :aria-label="t('lookFor')"
        :placeholder="facts.lookFor"
        maxlength="200"
        @input="(lookFor: string) => emit('set', { lookFor })"
      />
    </div>
    <div class="row">
      <em>{{ t('everyTime') }}</em>
      <ElCheckbox
        :model-value="part.lookEveryTime"
        @update:model-value="(value: unknown) => emit('set', { lookEveryTime: value === true })"
        >{{ t('needsALookOfIts') }}</ElCheckbox
      >
    </div>
    <div class="row">
      <em>{{ t('cost') }}</em>
      <FigureInput
        :model-value="part.costMinor === null ? null : part.costMinor / MINOR_UNITS"
        :label="t('costOfReplacingOne')"
        @update:model-value="
          (cost) => emit('set', { costMinor: cost === null ? null : Math.round(cost * MINOR_UNITS) })
        "
      />
    </div>
    <div class="row">
      <em>{{ t('cells') }}</em>
      <span v-if="part.consumable" class="three">
        <ElInput
          :model-value="part.consumable.kind"
          :aria-label="t('kindOfCell')"
          @change="(kind: string) => setCells({ kind: kind || 'cell' })"
        />
        <ElInputNumber
          :model-value="part.consumable.pieces"
          :aria-label="t('numberOfCells')"
          :min="1"
          :max="50"
          controls-position="right"
          @update:model-value="(pieces: number | undefined) => setCells({ pieces: pieces ?? 1 })"
        />
        <ElButton link type="primary" @click="emit('set', { consumable: null })">{{ t('none') }}</ElButton>
      </span>
      <ElButton
        v-else
        link
        type="primary"
        @click="emit('set', { consumable: { kind: 'AA', pieces: part.count, changedOn: null } })"
      >
        {{ t('wearsOutSayWhichCells') }}
      </ElButton>
    </div>
    <p class="row">
      <em>{{ t('looksLike') }}</em>
      <span v-if="lookAlikeRoles(part.role).length > 0" class="brass">{{
        [t('othersOfItsKind'), ...likeness].join(', ')
      }}</span>
      <span v-else class="quiet">{{ t('nothingElse') }}</span>
    </p>
    <p v-if="facts.neverOverrule" class="row">
      <em>{{ t('missing') }}</em><span class="rust">{{ t('heldNobodyMayOverruleIt') }}</span>
    </p>
    <p v-if="hazard" class="row">
      <em>{{ t('hazard') }}</em><span class="rust">{{
        part.role === 'coin-cell' ? t('swallowedItBurnsWithinTwo') : t('mustNotBeInAny')
      }}</span>
    </p>
    <div class="row">
      <em>{{ t('picture') }}</em>
      <span>
        <img
          v-if="part.pictureId"
          :src="`/api/pictures/${part.pictureId}`"
          :alt="t('pictureOf', { name: part.name })"
          width="96"
        />
        <FileButton accept="image/*" link :disabled="readonly" @take="addPicture">{{
          part.pictureId ? t('anotherPicture') : t('addAPicture')
        }}</FileButton>
      </span>
    </div>
    <ProblemNote :problem="problem" />
    <p v-if="part.massG !== null && part.count > 1" class="second">
      {{ t('countWeigh', { count: part.count, massG: massText(part.massG * part.count) }) }}
    </p>
    <ElButton v-if="!readonly" link type="danger" @click="emit('remove')">{{ t('takeItOffTheCard') }}</ElButton>
  </fieldset>
</template>

<style scoped>
.part-fields > * {
  justify-self: stretch;
}

.part-fields > .el-button {
  justify-self: start;
}

.part-fields :deep(.row) {
  display: grid;
  grid-template-columns: 82px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  min-height: 30px;
  border-bottom: 1px solid var(--rule);
}

.part-fields :deep(.two),
.three {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px;
  align-items: center;
}

.three {
  grid-template-columns: 1fr 1fr auto;
}

/* A card has many rows: a field's frame shows where it is touched. */
.part-fields :deep(.el-input-number) {
  width: 100%;
}
</style>
