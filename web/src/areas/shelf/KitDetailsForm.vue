<script setup lang="ts">
import { changeKitSchema, kitSheetSchema, type KitSheet } from '@binoculum/contract'
import { computed, ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import SchemaField from '../../shared/controls/SchemaField.vue'
import SchemaForm from '../../shared/controls/SchemaForm.vue'
import ProblemNote from '../../shared/ProblemNote.vue'
import { useSession } from '../people/session.ts'

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
  <SchemaForm :schema="changeKitSchema" :value="body" label="What is written on this kit" @send="keep">
    <SchemaField label="name" path="name"
      ><ElInput v-model="form.name" maxlength="200" name="kit-name"
    /></SchemaField>
    <SchemaField label="code, on its label" path="code"
      ><ElInput v-model="form.code" maxlength="40" name="kit-code"
    /></SchemaField>
    <SchemaField label="where it stands" path="place"
      ><ElInput v-model="form.place" maxlength="200" name="kit-place"
    /></SchemaField>
    <SchemaField label="branch" path="branchId">
      <ElSelect v-model="form.branchId" aria-label="branch" :disabled="!!kit.loan">
        <ElOption
          v-for="branch in branches"
          :key="branch.branchId"
          :value="branch.branchId"
          :label="branch.branchName"
        />
      </ElSelect>
    </SchemaField>
    <SchemaField label="owner" path="details.owner"
      ><ElInput v-model="form.owner" maxlength="120" name="kit-owner"
    /></SchemaField>
    <SchemaField label="serial number" path="details.serialNumber"
      ><ElInput v-model="form.serialNumber" maxlength="80" name="kit-serial"
    /></SchemaField>
    <SchemaField :label="`price, ${kit.currency}`" path="details.priceMinor"
      ><ElInputNumber v-model="form.price" :min="0" :precision="2" :controls="false" aria-label="price"
    /></SchemaField>
    <SchemaField label="note" path="details.note"
      ><ElInput v-model="form.note" maxlength="500" name="kit-note"
    /></SchemaField>
    <p v-if="form.code !== kit.code" class="second wide">Its labels carry the old code: print new ones.</p>
    <ProblemNote class="wide" :problem="problem" @retry="keep" />
    <p class="wide">
      <ElButton type="primary" native-type="submit" :disabled="sending">Keep it</ElButton>
      <ElButton link type="primary" @click="emit('leave')">Leave it</ElButton>
    </p>
  </SchemaForm>
</template>
