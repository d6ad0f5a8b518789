<script setup lang="ts">
import { changeKitSchema, kitSheetSchema, type KitSheet } from '@binoculum/contract'
import { computed, ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import SchemaField from '../../shared/controls/SchemaField.vue'
import SchemaForm from '../../shared/controls/SchemaForm.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useSession } from '../people/session.ts'
import { shelfWords } from './words.ts'

const t = shelfWords('kitDetailsForm')

/** What is written on a kit: name, code, place, branch, whose it is and what it cost. */
const { kit } = defineProps<{ kit: KitSheet }>()
const emit = defineEmits<{ done: [kit: KitSheet]; leave: [] }>()
const session = useSession()
const { sending, problem, run } = useSending()
const branches = computed(() => session.current?.memberships.filter(({ role }) => role === 'coordinator') ?? [])
const { code, name, shelfPlace, branchId, details } = kit
const form = ref({
  code,
  name,
  place: shelfPlace,
  branchId,
  ...details,
  price: details.priceMinor === null ? null : details.priceMinor / 100,
})
const body = computed(() => {
  const { owner, serialNumber, note, price, priceMinor: _before, ...names } = form.value
  const priceMinor = price === null ? null : Math.round(price * 100)
  return { kitVersion: kit.version, ...names, details: { owner, serialNumber, priceMinor, note } }
})
async function keep() {
  await run(async () => {
    emit('done', await api.put(kitSheetSchema, `/api/kits/${kit.id}`, body.value))
  })
}
</script>

<template>
  <SchemaForm :schema="changeKitSchema" :value="body" :label="t('whatIsWrittenOnThis')" @send="keep">
    <SchemaField :label="t('name')" path="name"
      ><ElInput v-model="form.name" maxlength="200" name="kit-name"
    /></SchemaField>
    <SchemaField :label="t('codeOnItsLabel')" path="code"
      ><ElInput v-model="form.code" maxlength="40" name="kit-code"
    /></SchemaField>
    <SchemaField :label="t('whereItStands')" path="place"
      ><ElInput v-model="form.place" maxlength="200" name="kit-place"
    /></SchemaField>
    <SchemaField :label="t('branch')" path="branchId">
      <ElSelect v-model="form.branchId" :aria-label="t('branch')" :disabled="!!kit.loan">
        <ElOption
          v-for="branch in branches"
          :key="branch.branchId"
          :value="branch.branchId"
          :label="branch.branchName"
        />
      </ElSelect>
    </SchemaField>
    <SchemaField :label="t('owner')" path="details.owner"
      ><ElInput v-model="form.owner" maxlength="120" name="kit-owner"
    /></SchemaField>
    <SchemaField :label="t('serialNumber')" path="details.serialNumber"
      ><ElInput v-model="form.serialNumber" maxlength="80" name="kit-serial"
    /></SchemaField>
    <SchemaField :label="t('priceCurrency', { currency: kit.currency })" path="details.priceMinor"
      ><ElInputNumber v-model="form.price" :min="0" :precision="2" :controls="false" :aria-label="t('price')"
    /></SchemaField>
    <SchemaField :label="t('note')" path="details.note"
      ><ElInput v-model="form.note" maxlength="500" name="kit-note"
    /></SchemaField>
    <p v-if="form.code !== kit.code" class="second wide">{{ t('itsLabelsCarryTheOld') }}</p>
    <ProblemNote class="wide" :problem="problem" @retry="keep" />
    <p class="wide">
      <ElButton type="primary" native-type="submit" :disabled="sending">{{ t('keepIt') }}</ElButton>
      <ElButton link type="primary" @click="emit('leave')">{{ t('leaveIt') }}</ElButton>
    </p>
  </SchemaForm>
</template>
