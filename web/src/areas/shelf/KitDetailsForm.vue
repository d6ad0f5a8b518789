<script setup lang="ts">
import { changeKitSchema, kitSheetSchema, type KitSheet } from '@binoculum/contract'
import { computed, ref } from 'vue'
import { api } from '../../shared/api/client.ts'
import { useSending } from '../../shared/api/use-sending.ts'
import { fieldProblems } from '../../shared/field-problems.ts'
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
const tried = ref(false)
const body = computed(() => {
  const { owner, serialNumber, note, price, priceMinor: _before, ...names } = form.value
  const priceMinor = price === null ? null : Math.round(price * 100)
  return { kitVersion: kit.version, ...names, details: { owner, serialNumber, priceMinor, note } }
})
const wrong = computed<Record<string, string>>(() => (tried.value ? fieldProblems(changeKitSchema, body.value) : {}))
async function keep() {
  tried.value = true
  if (Object.keys(wrong.value).length > 0) return
  await run(async () => {
    emit('done', await api.put(kitSheetSchema, `/api/kits/${kit.id}`, body.value))
  })
}
</script>

<template>
  <form class="details" aria-label="What is written on this kit" @submit.prevent="keep">
    <label class="labelled"
      ><span>name</span><ElInput v-model="form.name" maxlength="200" name="kit-name" /><i
        v-if="wrong.name"
        class="rust"
        >{{ wrong.name }}</i
      ></label
    >
    <label class="labelled"
      ><span>code, on its label</span><ElInput v-model="form.code" maxlength="40" name="kit-code" /><i
        v-if="wrong.code"
        class="rust"
        >{{ wrong.code }}</i
      ></label
    >
    <label class="labelled"
      ><span>where it stands</span><ElInput v-model="form.place" maxlength="200" name="kit-place"
    /></label>
    <label class="labelled">
      <span>branch</span>
      <ElSelect v-model="form.branchId" aria-label="branch" :disabled="!!kit.loan">
        <ElOption
          v-for="branch in branches"
          :key="branch.branchId"
          :value="branch.branchId"
          :label="branch.branchName"
        />
      </ElSelect>
    </label>
    <label class="labelled"
      ><span>owner</span><ElInput v-model="form.owner" maxlength="120" name="kit-owner"
    /></label>
    <label class="labelled"
      ><span>serial number</span><ElInput v-model="form.serialNumber" maxlength="80" name="kit-serial"
    /></label>
    <label class="labelled"
      ><span>price, {{ kit.currency }}</span
      ><ElInputNumber v-model="form.price" :min="0" :precision="2" :controls="false" aria-label="price"
    /></label>
    <label class="labelled"><span>note</span><ElInput v-model="form.note" maxlength="500" name="kit-note" /></label>
    <p v-if="form.code !== kit.code" class="second wide">Its labels carry the old code: print new ones.</p>
    <ProblemNote class="wide" :problem="problem" @retry="keep" />
    <p class="wide">
      <ElButton type="primary" native-type="submit" :disabled="sending">Keep it</ElButton>
      <ElButton link type="primary" @click="emit('leave')">Leave it</ElButton>
    </p>
  </form>
</template>

<style scoped>
.details {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 300px));
  gap: 10px 16px;
  align-items: end;
  margin: 12px 0;
}

.wide {
  grid-column: 1 / -1;
}

i {
  font-style: normal;
  font-size: 13px;
}
</style>
